import { languageName } from '../markup/language.ts';
import { wordIn, type VisitorWord } from '../elements/content/visitorwords.ts';
import { contentOf } from '../elements/kinds/kind.ts';
import { kindOf, knownKind } from '../elements/kinds/table.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { Part } from '../elements/parts.ts';
import { knownProperty } from '../elements/propertytable.ts';
import type { Layered, Override } from '../layered/layered.ts';
import { held } from '../layered/resolve.ts';
import { viewOf, type ViewId } from '../layered/views.ts';
import { stepType } from '../elements/valuetypes/space.ts';
import type { SpacingStep } from '../theme/stock.ts';
import { plainText } from '../markup/fragment.ts';
import type { Node, Style } from '../site/node.ts';
import { idIn, isKept, linkedAt, pagesLinking } from '../site/shared.ts';
import type { Page, Site, SiteFrame, TextStyle, TreeName } from '../site/site.ts';
import { resolve } from '../values/trace.ts';
import { difference } from './difference.ts';
import { keysOf, type Operation } from './operation.ts';
import { SITE } from './shape.ts';
import { describeValue } from './wording.ts';

/** Something that is another thing than it was: where, what, and its value before and after. */
export interface Change {
  /** The page; absent: all of the site, or what its pages share. */
  page?: NodeId;
  /** The element, as the page has it. */
  node?: NodeId;
  /** Whose it is: an element by its name, a page, a colour, a text style. */
  name: string;
  /** What of it: “size in Mobile”, “words”, “added”. */
  what: string;
  before?: string;
  after?: string;
}

/** One state of the site, and what is needed to speak of it. */
interface State {
  frame: SiteFrame;
  /** The tree that an operation is in. */
  tree?: Page;
}

/** Longer values are told by their beginning. */
const LONGEST = 120;
const short = (text: string): string => (text.length > LONGEST ? `${text.slice(0, LONGEST)} …` : text);

const inView = (
  frame: SiteFrame,
  key: string | undefined,
  view: string | undefined,
  reach?: string,
): string => {
  if (key === 'base' || view === undefined) return `in ${viewOf(frame.views, frame.views.base).name}`;
  const name = frame.views.list.find(({ id }) => id === view)?.name ?? 'a view that is gone';
  return `in ${name}${reach === 'onward' ? ' and onward' : ''}`;
};

/** What stands in a layered value at a slot. */
function slot(
  layered: Layered<unknown> | undefined,
  key: string,
  view?: string,
): { value: unknown; reach?: string } | undefined {
  if (key === 'base') return layered?.base === undefined ? undefined : { value: layered.base };
  return layered?.at?.[view as ViewId] as Override<unknown> | undefined;
}

type Holder = Node | TextStyle;

/** What was and is there; where that is the same, and only one of them says so itself, the other is told as what it is. */
function alike(
  [before, after]: (string | undefined)[],
  [was, is]: (object | undefined)[],
  key: string,
): (string | undefined)[] {
  if (before === undefined || before !== after || !was === !is) return [before, after];
  const untold = `${before}, ${key === 'base' ? 'by default' : 'inherited'}`;
  return was ? [before, untold] : [untold, after];
}

/** A change of a value of an element or a text style, by the last keys of its path: part, property, `base` or `at` and the view. */
function ofValue(
  [part, name, key, view]: string[],
  holders: [Holder | undefined, Holder | undefined],
  states: [State, State],
): Pick<Change, 'what' | 'before' | 'after'> {
  const property = knownProperty(name);
  const slots = holders.map((holder) =>
    slot((holder?.style as Style | undefined)?.[part as Part]?.[name], key, view),
  );
  const told = (at: 0 | 1): string | undefined => {
    const { frame, tree } = states[at];
    const found = slots[at];
    const holder = holders[at];
    const node = holder && 'kind' in holder ? holder : undefined;
    if (found) return short(describeValue(property, found.value, frame, node));
    // What held there without being said there.
    const meant = (view ?? frame.views.base) as ViewId;
    if (!node || !tree || !frame.views.list.some(({ id }) => id === meant)) return undefined;
    return short(
      describeValue(property, resolve(frame, tree, node, property, meant, part as Part), frame, node),
    );
  };
  const some = (holders[1] ?? holders[0])!;
  const label =
    'kind' in some && part !== 'self'
      ? knownKind((some as Node).kind).parts?.[part as Part]?.label
      : undefined;
  return ofLayered(
    `${label ? `${label.toLowerCase()}: ` : ''}${property.label.toLowerCase()}`,
    { told: [told(0), told(1)], slots, key, view },
    states[1].frame,
  );
}

/** A change of a layered value at a slot: what it is, or how far it reaches where it is the same. */
function ofLayered(
  label: string,
  {
    told,
    slots,
    key,
    view,
  }: {
    told: (string | undefined)[];
    slots: ReturnType<typeof slot>[];
    key: string;
    view: string | undefined;
  },
  frame: SiteFrame,
): Pick<Change, 'what' | 'before' | 'after'> {
  const [before, after] = alike(told, slots, key);
  const reaches = slots.map((found) => found?.reach);
  if (before === after && slots[0] && slots[1] && reaches[0] !== reaches[1]) {
    // The same value, for other views as well, or for fewer.
    const what = `how far ${label} ${inView(frame, key, view)} reaches`;
    return { what, ...both(reaches[0], reaches[1]) };
  }
  return { what: `${label} ${inView(frame, key, view, reaches[1] ?? reaches[0])}`, ...both(before, after) };
}

/** A value of content as text, where it is short enough to be told. */
function said(value: unknown): string | undefined {
  if (typeof value === 'string') return short(value.includes('<') ? plainText(value) : value);
  if (typeof value === 'number' || typeof value === 'boolean') return String(value);
  return Array.isArray(value) ? `${value.length} entries` : undefined;
}

const both = (before: string | undefined, after: string | undefined) => ({
  ...(before !== undefined && { before }),
  ...(after !== undefined && { after }),
});

/** A change in a tree of elements, by the keys below it; nothing where another one tells it. */
function inTree(
  operation: Operation,
  [, id, field, ...rest]: string[],
  states: [State, State],
): Omit<Change, 'page'> | undefined {
  const [was, is] = states.map(({ tree }) => tree?.nodes[id as NodeId]);
  const some = is ?? was;
  if (!some) return undefined;
  const on = { node: some.id, name: some.name };
  if (field === undefined) {
    // What stands in something that came or went comes or goes with it.
    const [from, to] = [states[0].tree, states[1].tree];
    const { parent } = some;
    if (parent !== null && (was ? !to?.nodes[parent] : !from?.nodes[parent])) return undefined;
    return { ...on, what: was ? 'removed' : 'added' };
  }
  switch (field) {
    case 'style':
      return { ...on, ...ofValue(rest, [was, is], states) };
    case 'content': {
      const label =
        kindOf(some.kind)
          ?.content.find(({ name }) => name === rest[0])
          ?.label.toLowerCase() ?? rest[0];
      const value = (node: Node | undefined) =>
        node && said(contentOf<unknown>(knownKind(node.kind), node, rest[0]));
      return { ...on, what: label, ...both(value(was), value(is)) };
    }
    case 'children': {
      // Where it stands now is told of what was there before: what is new or gone is told as that.
      const moved = 'id' in operation ? (operation.id as NodeId) : undefined;
      const block = moved && (linkedAt(states[1].frame, moved) ?? linkedAt(states[0].frame, moved));
      if (block) {
        const stood = was?.children.includes(moved) && is?.children.includes(moved);
        const what = stood
          ? `moved in ${some.name}`
          : operation.op === 'put'
            ? `linked in ${some.name}`
            : 'removed';
        return { node: moved, name: block.nodes[moved].name, what };
      }
      const child = moved && states[1].tree?.nodes[moved];
      if (operation.op !== 'put' || !child || !states[0].tree?.nodes[moved]) return undefined;
      return { node: child.id, name: child.name, what: `moved in ${some.name}` };
    }
    case 'name':
      return { ...on, what: 'name', ...both(was?.name, is?.name) };
    case 'textStyle': {
      const style = (at: 0 | 1) =>
        states[at].frame.textStyles.find((each) => each.id === [was, is][at]?.textStyle)?.name ??
        'as its kind has it';
      return { ...on, what: 'text style', ...both(style(0), style(1)) };
    }
    case 'audience':
      return { ...on, what: 'for whom', ...both(was?.audience ?? 'everyone', is?.audience ?? 'everyone') };
    default:
      // What is set aside only those who edit see.
      return undefined;
  }
}

const LISTS = {
  colours: 'colour',
  textStyles: 'text style',
  spacing: 'step of the spacing scale',
  fonts: 'font',
  assets: 'file',
  pages: 'page',
} as const;

const HEAD: Record<string, string> = {
  slug: 'address',
  title: 'title',
  description: 'description',
  lang: 'language',
  picture: 'picture for sharing',
  missing: 'stands for pages that are not there',
  without: 'what it leaves out',
  notice: 'notice',
};

interface Entry {
  id: string;
  name?: string;
  title?: string;
}

/** What of a view is another. */
const VIEW: Record<string, string> = {
  name: 'name of the view',
  from: 'where the view begins',
  sheet: 'size of its sheet',
  grid: 'grid of the view',
};

/** A change of the views of a site; nothing where they only stand in another order. */
function ofViews(
  [key, id, field]: (string | undefined)[],
  [before, after]: [State, State],
): Change | undefined {
  const [was, is] = [before, after].map(({ frame }) => frame.views.list.find((each) => each.id === id));
  if (key === 'base') {
    const [one, other] = [before, after].map(({ frame }) => viewOf(frame.views, frame.views.base).name);
    return { name: 'Views', what: 'base', before: one, after: other };
  }
  const some = is ?? was;
  if (!some) return undefined;
  if (field === undefined) return { name: some.name, what: was ? 'view removed' : 'view added' };
  const value = (view: typeof was) => said((view as unknown as Record<string, unknown> | undefined)?.[field]);
  return { name: some.name, what: VIEW[field] ?? 'view', ...both(value(was), value(is)) };
}

/** A change of the size of a step of the spacing scale, by the last keys of its path: the base, or a view. */
function ofStep(
  [key, view]: string[],
  steps: readonly (SpacingStep | undefined)[],
  states: [State, State],
): Pick<Change, 'what' | 'before' | 'after'> {
  const slots = steps.map((step) => slot(step?.size, key, view));
  const told = steps.map((step, at) => {
    const { frame } = states[at];
    const found = held(step?.size, frame.views, (view ?? frame.views.base) as ViewId);
    return found && stepType.format(found.value, { site: frame });
  });
  return ofLayered(LISTS.spacing, { told, slots, key, view }, states[1].frame);
}

/** A change of what the whole site has. */
function inFrame([list, id, field, ...rest]: string[], states: [State, State]): Change | undefined {
  if (list === 'name' || list === 'lang') {
    const [before, after] = states.map(({ frame }) =>
      list === 'lang' ? languageName(frame.lang) : frame.name,
    );
    return { name: 'Site', what: list === 'name' ? 'name' : 'language', before, after };
  }
  if (list === 'icon') {
    const [before, after] = states.map(
      ({ frame }) => frame.assets.find((asset) => asset.id === frame.icon)?.name,
    );
    return { name: 'Site', what: 'sign', ...both(before, after) };
  }
  if (list === 'words') {
    const what = `what visitors are told, in ${languageName(id)}`;
    if (field === undefined) return { name: 'Site', what };
    const [before, after] = states.map(({ frame }) => wordIn(id, field as VisitorWord, frame.words));
    return { name: 'Site', what, ...both(before, after) };
  }
  if (list === 'views') return ofViews([id, field, ...rest], states);
  if (!(list in LISTS) || id === undefined) return undefined;
  const [was, is] = states.map(({ frame }) =>
    (frame[list as keyof typeof LISTS] as Entry[]).find((each) => each.id === id),
  );
  const some = is ?? was;
  if (!some) return undefined;
  const kind = LISTS[list as keyof typeof LISTS];
  const name = some.name ?? some.title ?? kind;
  const page = list === 'pages' ? { page: id as NodeId } : {};
  if (field === undefined) {
    // A page is told with its elements.
    if (list === 'pages') return undefined;
    if (was && is) return { name, what: kind };
    return { name, what: `${kind} ${was ? 'removed' : 'added'}` };
  }
  if (field === 'style')
    return { name, ...ofValue(rest, [was as TextStyle | undefined, is as TextStyle | undefined], states) };
  if (field === 'aside' || field === 'earlier') return undefined;
  if (list === 'spacing' && field === 'size')
    return { name, ...ofStep(rest, [was, is] as SpacingStep[], states) };
  const value = (entry: Entry | undefined) => {
    const own = (entry as unknown as Record<string, unknown> | undefined)?.[field];
    return list === 'pages' && field === 'lang' && typeof own === 'string' ? languageName(own) : said(own);
  };
  const what = list === 'pages' ? (HEAD[field] ?? 'how it is offered') : field === 'value' ? kind : field;
  return { ...page, name, what, ...both(value(was), value(is)) };
}

function changeOf(operation: Operation, before: Site, after: Site): Change | undefined {
  const [first, second, ...keys] = keysOf(operation.path);
  const states = (from: (site: Site) => Page | undefined): [State, State] => [
    { frame: before.frame, tree: from(before) },
    { frame: after.frame, tree: from(after) },
  ];
  if (first === 'pages') {
    const page = second as NodeId;
    const trees = states(({ pages }) => pages[page]);
    if (keys.length === 0) {
      const tree = trees[1].tree ?? trees[0].tree!;
      return { page, name: tree.nodes[tree.root].name, what: trees[1].tree ? 'page added' : 'page removed' };
    }
    const found = inTree(operation, keys, trees);
    return found && { page, ...found };
  }
  if (second !== 'shared')
    return inFrame(
      [second, ...keys],
      states(() => undefined),
    );
  const place = keys[0] as TreeName;
  // A kept block that is linked nowhere is for those who edit.
  if (isKept(place) && ![before, after].some((site) => pagesLinking(site, place).length > 0))
    return undefined;
  const trees = states(({ frame }) => frame.shared?.[place]);
  if (keys.length === 1) {
    // Where it was linked, or is, the page tells.
    if (isKept(place)) return undefined;
    const tree = trees[1].tree ?? trees[0].tree!;
    return {
      name: tree.nodes[tree.root].name,
      what: trees[1].tree ? 'shared by all pages' : 'not shared any more',
    };
  }
  const found = inTree(operation, keys.slice(1), trees);
  return found && { ...found, ...(found.node && { node: idIn(place, found.node) }) };
}

/**
 * What of a site is another thing than it was, each with its value before and after: what its pages share and the site as a whole first,
 * then page by page. What only those who edit see is left out.
 */
export function changesBetween(before: Site, after: Site): Change[] {
  const changes = difference(before, after, SITE, '').flatMap(
    (operation) => changeOf(operation, before, after) ?? [],
  );
  const pages = [...after.frame.pages, ...before.frame.pages].map(({ id }) => id);
  const place = ({ page }: Change) => (page === undefined ? -1 : pages.indexOf(page));
  return changes.sort((one, other) => place(one) - place(other));
}
