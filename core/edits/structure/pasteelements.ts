import { nameOfCopy } from '../values/naming.ts';
import { nodeId, type NodeId } from '../../elements/nodeid.ts';
import { keysOf } from '../../lookup.ts';
import { sure } from '../../sure.ts';
import { hasTrait, knownKind } from '../../elements/kinds/table.ts';
import { express, same } from '../../layered/express.ts';
import type { EditReach } from '../../layered/change.ts';
import type { Layered } from '../../layered/layered.ts';
import { held } from '../../layered/resolve.ts';
import { baseView, viewAt, type ViewId } from '../../layered/views.ts';
import type { Property } from '../../elements/properties/property.ts';
import { fluidAt, isFluid } from '../../type/fluid.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { NO_IMAGE } from '../../elements/valuetypes/image.ts';
import { schemaFaults } from '../../faults.ts';
import { linkTo, targetOf } from '../../markup/link.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { canonicalStyle } from '../../site/canonical.ts';
import type { Node } from '../../site/node.ts';
import { sharedPlaceOf } from '../../site/shared.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { aliasOf } from '../../theme/alias.ts';
import { viewsWithoutRoom } from '../../values/areas.ts';
import { withAssets } from '../../values/uses.ts';
import { found, layeredOf, store } from '../values/aim.ts';
import { settledInOverlay } from '../placement/areas.ts';
import type { Command } from '../command.ts';
import { fitted } from '../placement/placing.ts';
import { relink } from './relink.ts';
import { MOST_CHILDREN, renamed, shownOnly, takesWhole } from './structure.ts';
import { valuesOf } from '../values/stylevalues.ts';
import { putAfter } from '../../site/tree.ts';
import { counted } from '../../plural.ts';
import { describeHolders, kindInWords, viewsNamed } from '../values/textbyview.ts';

/** Elements as they were copied, with what of their site they speak of. */
export interface Copy extends Pick<SiteFrame, 'views' | 'colours' | 'spacing' | 'assets'> {
  /** The site and page they were copied from. */
  site: string;
  page: NodeId;
  roots: NodeId[];
  nodes: Record<NodeId, Node>;
}

export interface PasteElements {
  copied: Copy;
  /** Begins the ids of the new elements; no element of the page has one of them yet. */
  id: NodeId;
  parent: NodeId;
  after: NodeId | null;
  only?: { view: ViewId; reach: EditReach };
  /** What the step says was done, where it was not pasting: they stood nowhere before, or stand beside what they are copies of. */
  done?: 'added to' | 'duplicated in';
}

/** What a value of another site is on this one: its colours and steps written out where this site has not the same. */
function translated(value: unknown, from: Copy, to: SiteFrame): unknown {
  if (typeof value === 'string') {
    const alias = aliasOf(value);
    if (alias === undefined) return value;
    const colour = from.colours.find(({ id }) => id === alias);
    if (colour && !to.colours.some(({ id, value: own }) => id === alias && own === colour.value))
      return colour.value;
    const step = from.spacing.find(({ id }) => id === alias);
    return step && !to.spacing.some(({ id }) => id === alias) ? (step.size.base ?? 0) : value;
  }
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, translated(each, from, to)]));
}

/** A fluid size where a property takes none, as a step that was written out may be: what it is in the base view. */
function plainly({ type }: Property, value: unknown, { views }: Copy): unknown {
  if (!isFluid(value) || schemaFaults(type.schema, value).length === 0) return value;
  return Math.round(fluidAt(value, baseView(views).sheet.width));
}

/** A layered value of other views as these views have it: each what the other site says at its width. */
function inViewsOf(layered: Layered<unknown>, from: Copy, to: SiteFrame): Layered<unknown> {
  if (same(from.views, to.views)) return layered;
  const next = express(
    to.views,
    ({ sheet }) => held(layered, from.views, viewAt(from.views, sheet.width).id)?.value,
  );
  if (next.base === undefined) delete next.base;
  return next;
}

/** Puts what an element says on this site's terms; answers how much of it could not be. */
function settle(node: Node, from: Copy, to: SiteFrame, page: Page): number {
  let left = 0;
  const assets = new Map(
    from.assets.map(({ id, hash }) => [id, to.assets.find((each) => each.hash === hash)?.id]),
  );
  const known = (id: string): string => {
    const own = from.assets.some((each) => each.id === id)
      ? assets.get(id)
      : to.assets.find((each) => each.id === id)?.id;
    if (own === undefined) left += 1;
    return own ?? '';
  };
  Object.assign(
    node,
    withAssets(node, (id) => known(id)),
  );
  if (node.textStyle !== undefined && !to.textStyles.some(({ id }) => id === node.textStyle))
    delete node.textStyle;
  for (const { part, name } of valuesOf(node.style)) {
    const property = knownProperty(name);
    let next = inViewsOf(sure(layeredOf(node, part, property)), from, to);
    const { base, at } = next;
    const each = (value: unknown): unknown => {
      // Words are what they are, whatever stands in braces in them.
      const own = property.wording ? value : plainly(property, translated(value, from, to), from);
      if (property.type.editor !== 'picture' || own === NO_IMAGE) return own;
      return known(own as string) || NO_IMAGE;
    };
    next = {
      ...(base !== undefined && { base: each(base) }),
      ...(at && {
        at: Object.fromEntries(
          Object.entries(at).map(([view, { value, reach }]) => [view, { value: each(value), reach }]),
        ),
      }),
    };
    const values = [
      ...(next.base === undefined ? [] : [next.base]),
      ...Object.values(next.at ?? {}).map(({ value }) => value),
    ];
    const strange = values.some(
      (value) =>
        schemaFaults(property.type.schema, value).length > 0 ||
        property.type.fault?.(value, to) !== undefined,
    );
    const needed = part === 'self' && knownKind(node.kind).required?.includes(name);
    if (strange) left += 1;
    if (strange && needed) next = { base: NO_IMAGE };
    store(node, part, name, strange && !needed ? {} : next);
  }
  node.style = canonicalStyle(node.style);
  fitted(page, node);
  return left;
}

/** The ids that copied elements, and those in them, get: the first that was given, and others made from it. */
const namesFor = (copied: Copy, id: NodeId): NodeId[] =>
  Object.keys(copied.nodes).map((_each, index) => nodeId(index === 0 ? id : `${id}-${index}`));

/** What of elements from elsewhere could not be as it was there: values that had to be left out, and areas that a grid has no room for. */
function changedOnTheWay(
  site: SiteFrame,
  draft: Page,
  copied: Copy,
  ids: readonly NodeId[],
  left: number,
): string {
  const missing = left > 0 ? `; ${counted(left, 'value')} left out that this site does not have` : '';
  // Copied here, it stands as it stood.
  if (copied.site === site.id) return missing;
  const placed = ids
    .map((id) => draft.nodes[id])
    .filter(({ parent }) => parent !== null && hasTrait(draft.nodes[parent], 'overlaying'))
    .map((node) => viewsWithoutRoom(site, draft, node))
    .filter((views) => views.length > 0);
  if (placed.length === 0) return missing;
  const views = site.views.list.map(({ id }) => id).filter((id) => placed.some((each) => each.includes(id)));
  return `${missing}; ${counted(placed.length, 'area')} made to fit the columns of ${viewsNamed(site, views)}`;
}

/**
 * Puts copied elements among those of a page on this site's terms, under a parent that does not know of them yet. Answers their names, in
 * their order, and in words what of them had to change.
 */
export function grownFrom(
  site: SiteFrame,
  draft: Page,
  copied: Copy,
  id: NodeId,
  parent: NodeId,
): { roots: NodeId[]; changed: string; names: Map<NodeId, NodeId> } {
  const ids = keysOf(copied.nodes);
  const made = namesFor(copied, id);
  const names = new Map(ids.map((each, index) => [each, made[index]]));
  const named = (each: NodeId) => names.get(each) ?? each;
  for (const each of ids) {
    const node = structuredClone(copied.nodes[each]);
    // It was found fine in the views of another site.
    if (copied.site !== site.id) delete node.reviewed;
    draft.nodes[named(each)] = {
      ...node,
      id: named(each),
      parent: copied.roots.includes(each) ? parent : named(sure(node.parent, 'parent')),
      children: node.children.map(named),
      style: renamed(node.style, names),
    };
  }
  let left = 0;
  for (const name of made) left += settle(draft.nodes[name], copied, site, draft);
  for (const name of made)
    relink(draft.nodes[name], (link) => {
      const { page, place } = targetOf(link) ?? {};
      if (place === undefined || page !== undefined) return link;
      const own = names.get(nodeId(place));
      if (own) return linkTo({ place: own });
      // What stays behind is on the page that was left.
      const elsewhere = copied.site === site.id && copied.page !== draft.id;
      return elsewhere ? linkTo({ page: copied.page, place }) : link;
    });
  const changed = changedOnTheWay(site, draft, copied, made, left);
  return { roots: copied.roots.map(named), changed, names };
}

/** Puts copied elements, with all that is in them, on a page. What this site does not have is written out, or left out and said. */
export const pasteElements: Command<PasteElements> = {
  run(
    site,
    draft,
    { copied, id, parent: parentId, after, only, done: act = 'pasted into' },
  ): Outcome<string> {
    const parents = found(draft, [parentId]);
    if (!parents.ok) return parents;
    const [parent] = parents.value;
    const roots = copied.roots.map((each) => copied.nodes[each]);
    const odd = roots.find((node) => !takesWhole(draft, parent, node, copied.nodes));
    if (odd) return refused(`${parent.name} takes no ${kindInWords(odd.kind)}. Nothing was pasted.`);
    if (parent.children.length + roots.length > MOST_CHILDREN)
      return refused(`${parent.name} is full: it holds ${MOST_CHILDREN} elements. Nothing was pasted.`);
    if (sharedPlaceOf(id) !== sharedPlaceOf(parentId))
      return refused('The id is not one for an element in this place; nothing was pasted.');
    if (namesFor(copied, id).some((name) => draft.nodes[name]))
      return refused('The page has an element of this id already; nothing was pasted.');
    const { roots: names, changed } = grownFrom(site, draft, copied, id, parentId);
    const taken = new Set(Object.values(draft.nodes).map(({ name }) => name));
    let place = after;
    for (const name of names) {
      if (act === 'duplicated in') {
        draft.nodes[name].name = nameOfCopy(draft.nodes[name], taken);
        taken.add(draft.nodes[name].name);
      }
      putAfter(parent.children, name, place);
      settledInOverlay(site, draft, draft.nodes[name]);
      place = name;
    }
    const sentence = names.map((name) => shownOnly(site, draft, name, only))[0] ?? '';
    const what = describeHolders(names.map((name) => draft.nodes[name]));
    const more = Object.keys(copied.nodes).length - copied.roots.length;
    const inIt = more > 0 ? ` with ${counted(more, 'element')} in it` : '';
    return done(`${what}: ${act} ${parent.name}${inIt}${sentence}${changed}`);
  },
};
