import { moveInOrder } from '../../state/sequence.ts';
import {
  accepts,
  type AlternatingRun,
  canBeSaved,
  alternatingRuns,
  counted,
  countOverrides,
  handmadePairs,
  hasTrait,
  inRow,
  inRowIn,
  isGroup,
  isShown,
  keysOf,
  lastOf,
  type Node,
  type NodeId,
  type Page,
  same,
  sharedPlaceOf,
  siblingsLike,
  type SiteFrame,
  subtree,
  takesLinked,
  type ViewId,
  viewOf,
} from '../../../core/index.ts';
import { croppingSet } from '../../state/desk.ts';
import { edit } from '../../state/edits.ts';
import type { Thunk } from '../../state/store.ts';
import { canHide, scope, whereGone, type ActionGroup, type BlockAction, type Selected } from './action.ts';
import { canTidy } from '../arrange/proposals.ts';
import { overlaying } from './overlaying.ts';
import { layouting } from './layouting.ts';
import { showing } from './showing.ts';
import {
  duplicate,
  group,
  hideIn,
  keep,
  keepLinked,
  makeAlternate,
  remove,
  ungroup,
  unite,
} from '../../state/structure.ts';
import { copySelected, cutSelected, pasteBeside } from '../../state/clipboard.ts';
import { rememberCopy, rememberedCopy } from '../../values/clipboard.ts';

const overridesCounted = (count: number) => counted(count, 'override');

const nothing =
  (run: () => void): Thunk =>
  () =>
    run();

/** What stands in for what. */
function alternating({ site, page, nodes, active, reach }: Selected): ActionGroup[] {
  const lead = lastOf(nodes);
  const { name } = viewOf(site.views, active);
  const parent = lead.parent === null ? undefined : page.nodes[lead.parent];
  const set = hasTrait(lead, 'alternating') ? lead : hasTrait(parent, 'alternating') ? parent : undefined;
  const possible =
    parent && (set ?? (accepts(parent, 'alternates') && accepts({ kind: 'alternates' }, lead.kind)));
  const entries: BlockAction[] = [];
  const pair =
    nodes.length === 1 ? handmadePairs(site, page).find((each) => each.nodes.includes(lead.id)) : undefined;
  const other = pair?.nodes.find((id) => id !== lead.id);
  if (pair && other)
    entries.push({
      label: `Make alternates of it and ${page.nodes[other].name}`,
      run: unite(pair.nodes),
    });
  if (nodes.length > 1)
    entries.push({ label: 'Make them alternates of each other', run: unite(nodes.map(({ id }) => id)) });
  else {
    entries.push({
      label: `Make an alternate for ${name}`,
      disabled: !possible || hasTrait(lead, 'page'),
      run: makeAlternate(lead.id, active),
    });
    if (set)
      entries.push(
        {
          label: `Show the next one in ${name}`,
          disabled: set.children.length < 2,
          run: edit('nextAlternate', { set: set.id, view: active, reach }),
        },
        {
          label: `Keep only ${lead === set ? 'the one shown here' : lead.name}`,
          run: edit('dissolveAlternates', {
            set: set.id,
            keep: lead === set ? childShown(site, page, set, active) : lead.id,
          }),
        },
        {
          label: 'Turn them into ordinary blocks, hidden as they are',
          run: edit('dissolveAlternates', { set: set.id }),
        },
      );
  }
  return [{ heading: 'Alternates', entries }];
}

const childShown = (site: SiteFrame, page: Page, set: Node, view: ViewId): NodeId | undefined =>
  set.children.find((id) => isShown(site, page, page.nodes[id], view));

/** The run of alternating rows that an element is one of, stands in, or holds. */
export function runAround(site: SiteFrame, page: Page, node: Node): AlternatingRun | undefined {
  const runs = alternatingRuns(site, page);
  for (let at: Node | undefined = node; at; at = at.parent === null ? undefined : page.nodes[at.parent]) {
    const { id } = at;
    const found = runs.find(({ parent, rows }) => parent === id || rows.includes(id));
    if (found) return found;
  }
  return undefined;
}

/** What of an image is seen. */
function picturing({ nodes, active, site }: Selected): ActionGroup[] {
  const [lead, ...more] = nodes;
  if (more.length > 0 || !hasTrait(lead, 'picture')) return [];
  return [
    {
      heading: 'Image',
      entries: [
        {
          label: `Crop in ${viewOf(site.views, active).name} …`,
          run: (dispatch) => dispatch(croppingSet({ node: lead.id, view: active })),
        },
      ],
    },
  ];
}

/** What stands where: in this view, in the source, and together. */
function placing({ site, page, nodes, active, reach, onDialog }: Selected): ActionGroup[] {
  const lead = lastOf(nodes);
  const ids = nodes.map(({ id }) => id);
  const { name } = viewOf(site.views, active);
  const parent = lead.parent === null ? undefined : page.nodes[lead.parent];
  const deep = hasTrait(parent, 'overlaying');
  const order = parent ? inRowIn(site, page, parent, active) : [];
  const at = order.indexOf(lead.id);
  const ordered = inRow(page, lead).length > 1 && !hasTrait(lead, 'alternating') && nodes.length === 1;
  const inSource = !ordered || same(inRowIn(site, page, lead, active), inRow(page, lead));
  const run = nodes.length === 1 ? runAround(site, page, lead) : undefined;
  return [
    {
      heading: 'Place',
      entries: [
        {
          label: deep ? `Further back in ${name}` : `Earlier in ${name}`,
          keys: 'Alt+↑',
          disabled: at <= 0 || nodes.length > 1,
          run: moveInOrder(lead.id, active, -1),
        },
        {
          label: deep ? `Further in front in ${name}` : `Later in ${name}`,
          keys: 'Alt+↓',
          disabled: at < 0 || at === order.length - 1 || nodes.length > 1,
          run: moveInOrder(lead.id, active, 1),
        },
        ...(lead.children.length > 0 && !hasTrait(lead, 'alternating') && nodes.length === 1
          ? [{ label: `Arrange in ${name} …`, run: nothing(() => onDialog('arrange')) }]
          : []),
        ...(canTidy(page, lead) && nodes.length === 1
          ? [{ label: `Tidy in ${name} …`, run: nothing(() => onDialog('tidy')) }]
          : []),
        ...(ordered
          ? [
              {
                label: `Reverse what is in it in ${name}`,
                run: edit('reverseOrder', { node: lead.id, view: active, reach }),
              },
            ]
          : []),
        ...(inSource
          ? []
          : [
              {
                label: `Use source order in ${name}`,
                run: edit('orderAsInSource', { node: lead.id, view: active, reach }),
              },
              {
                label: `Make the order in ${name} the source order`,
                run: edit('makeSourceOrder', { node: lead.id, view: active }),
              },
            ]),
        ...(run
          ? [
              {
                label: `Even out ${run.rows.length} rows that alternate …`,
                run: nothing(() => onDialog('even rows')),
              },
            ]
          : []),
        { label: 'Group', keys: 'Ctrl+G', disabled: !parent || !accepts(parent, 'group'), run: group(ids) },
        ...(isGroup(lead.kind) && nodes.length === 1
          ? [
              {
                label: `Take ${lead.name} apart${scope(site, active)}`,
                keys: 'Ctrl+Shift+G',
                run: ungroup(lead.id),
              },
            ]
          : []),
      ],
    },
  ];
}

/** The elements themselves. Counts say beforehand what a deletion takes. */
function elements({ site, page, nodes, active }: Selected): ActionGroup {
  const lead = lastOf(nodes);
  const selected = nodes.map(({ id }) => id);
  const within = new Set(selected.flatMap((id) => subtree(page, id)));
  const isPage = nodes.some(({ parent }) => parent === null);
  const name = nodes.length > 1 ? `${nodes.length} elements` : lead.name;
  const inIt = within.size - selected.length;
  const everywhere = whereGone(nodes);
  const view = viewOf(site.views, active).name;
  return {
    heading: 'Element',
    entries: [
      {
        label: `Duplicate ${name}`,
        keys: 'Ctrl+D',
        disabled: isPage,
        run: duplicate(nodes.map(({ id }) => id)),
      },
      {
        label: nodes.length > 1 ? 'Save this block' : `Save ${lead.name} as a block`,
        disabled: isPage || nodes.length > 1 || !canBeSaved(lead.kind),
        run: keep(lead.id),
      },
      ...(nodes.length === 1 &&
      lead.parent &&
      canBeSaved(lead.kind) &&
      !sharedPlaceOf(lead.id) &&
      takesLinked(page.nodes[lead.parent])
        ? [{ label: `Save ${lead.name} as a block, linked here`, run: keepLinked(lead.id) }]
        : []),
      { label: `Copy ${name}`, keys: 'Ctrl+C', disabled: isPage, run: copySelected() },
      { label: `Cut ${name}${scope(site, active)}`, keys: 'Ctrl+X', disabled: isPage, run: cutSelected() },
      { label: 'Paste', keys: 'Ctrl+V', run: pasteBeside() },
      {
        label: `Delete ${name}${scope(site, active)}${inIt > 0 ? ` and the ${inIt} in it` : ''}${everywhere}`,
        keys: 'Delete',
        disabled: isPage,
        run: remove(selected),
      },
      ...(active !== site.views.base && canHide(site, page, nodes, active)
        ? [{ label: `Hide in ${view} instead`, run: hideIn(selected, active) }]
        : []),
    ],
  };
}

/** All values of the elements at once. Counts say beforehand what a clear will take. */
function values({ site, page, nodes, active, onDialog }: Selected): ActionGroup[] {
  const view = viewOf(site.views, active);
  const lead = lastOf(nodes);
  const selected = nodes.map(({ id }) => id);
  const within = [...new Set(selected.flatMap((id) => subtree(page, id)))];
  // What other pages show too is cleared only where that is asked for.
  const isShared = (id: NodeId) => sharedPlaceOf(id) !== undefined;
  const alone = selected.some(isShared) ? within : within.filter((id) => !isShared(id));
  const shared = within.filter((id) => !alone.includes(id));
  const whole = keysOf(page.nodes).filter((id) => !isShared(id));
  const copied = rememberedCopy();
  const siblings = siblingsLike(page, lead.id).length;
  const own = countOverrides(page, [lead.id]);
  const clear = (ids: NodeId[], what: string, at?: ViewId): BlockAction => {
    const count = countOverrides(page, ids, at);
    return {
      label: `Clear ${overridesCounted(count)} ${at ? `in ${view.name}` : 'in every view'}${what}`,
      disabled: count === 0,
      run: edit('clearOverrides', at ? { nodes: ids, view: at } : { nodes: ids }),
    };
  };
  const clears = (ids: NodeId[], what: string) => [
    ...(active === site.views.base ? [] : [clear(ids, what, active)]),
    clear(ids, what),
  ];
  return [
    {
      heading: 'Clear',
      entries: [
        ...clears(selected, ''),
        ...(alone.length > selected.length ? clears(alone, ' with what is in it') : []),
        ...(!alone.includes(page.root) ? clears(whole, ' on the whole page') : []),
        ...(shared.length > 0 ? clears(shared, ', in parts that other pages share') : []),
      ],
    },
    {
      heading: 'Values',
      entries: [
        {
          label: nodes.length > 1 ? `Copy values of ${lead.name}` : 'Copy values',
          run: nothing(() => rememberCopy({ of: 'element', style: lead.style, name: lead.name })),
        },
        {
          label: copied && copied.of !== 'value' ? `Paste values of ${copied.name} …` : 'Paste values …',
          disabled: !copied || copied.of === 'value',
          run: nothing(() => onDialog('paste')),
        },
        {
          label: `Give its ${overridesCounted(own)} to ${counted(siblings, 'sibling')} of its kind`,
          // With none of its own it would take theirs away.
          disabled: siblings === 0 || own === 0 || nodes.length > 1,
          run: edit('matchSiblings', { node: lead.id }),
        },
        {
          label: `Scale content in ${view.name} …`,
          run: nothing(() => onDialog('scale')),
        },
        { label: 'Copy to another view …', run: nothing(() => onDialog('copy overrides')) },
      ],
    },
  ];
}

/** Everything that can be done with what is selected, in groups. */
export const blockActions = (selected: Selected): ActionGroup[] => [
  ...showing(selected),
  ...alternating(selected),
  ...picturing(selected),
  ...overlaying(selected),
  ...layouting(selected),
  ...placing(selected),
  elements(selected),
  ...values(selected),
];
