import type { NodeId } from '../elements/nodeid.ts';
import type { Node } from './node.ts';
import { changedSince, remember } from './lineage.ts';
import {
  headOf,
  homePageOf,
  pagesOf,
  SHARED_PLACES,
  TREE_NAME,
  type KeptName,
  type Page,
  type PageHead,
  type SharedPlace,
  type TreeName,
  type Site,
  type SiteFrame,
} from './site.ts';

/** The longest name that an id may be given. */
const LONGEST_ID = 40;

/** What the ids of elements begin with that stand beside the pages: so that none of them is ever that of a page's own element. */
const PREFIX = new RegExp(`^shared-(${TREE_NAME})-`);
const prefixOf = (tree: TreeName): string => `shared-${tree}-`;

/** The tree beside the pages that the element of an id stands in; undefined for a page's own. */
export const sharedPlaceOf = (id: string): TreeName | undefined =>
  PREFIX.exec(id)?.[1] as TreeName | undefined;

/** An element's id without what says where it is shared. */
const ownId = (id: string): string => id.replace(PREFIX, '');

/** An id as it has to be in a place: of what is shared there, or, without one, of a page's own element. */
export function idIn(place: TreeName | undefined, id: string): NodeId {
  if (sharedPlaceOf(id) === place) return id as NodeId;
  const own = ownId(id);
  if (place) return `${prefixOf(place)}${own}`.slice(0, LONGEST_ID) as NodeId;
  // What is left may begin in a way that an id must not.
  return (/^[A-Za-z]/.test(own) ? own : `e${own}`) as NodeId;
}

/** The element trees that pages share, in their places. */
export const sharedTrees = ({ shared = {} }: Pick<SiteFrame, 'shared'>): Page[] =>
  SHARED_PLACES.flatMap((place) => shared[place] ?? []);

/** The blocks that are kept to be placed, by their names. */
export const keptBlocks = ({
  shared = {},
}: Pick<SiteFrame, 'shared'>): (Page & { id: NodeId & KeptName })[] =>
  Object.values(shared)
    .filter((tree): tree is Page & { id: NodeId & KeptName } => isKept(tree?.id))
    .sort(
      (one, other) => nameOf(one).localeCompare(nameOf(other), 'en') || one.id.localeCompare(other.id, 'en'),
    );

/** Whether a tree beside the pages is a kept block, which no page shows. */
export const isKept = (tree: string | undefined): tree is KeptName => tree?.startsWith('kept-') ?? false;

const nameOf = ({ root, nodes }: Page): string => nodes[root].name;

/** Every tree that stands beside the pages: what they share, and what is kept. */
export const treesBeside = (frame: Pick<SiteFrame, 'shared'>): Page[] => [
  ...sharedTrees(frame),
  ...keptBlocks(frame),
];

/** The trees of which pages are made. */
export const publishedTrees = (site: Site): Page[] => [...pagesOf(site), ...sharedTrees(site.frame)];

/** Every tree of elements of a site: its pages in their order, what they share, and what is kept. */
export const treesOf = (site: Site): Page[] => [...pagesOf(site), ...treesBeside(site.frame)];

/** The places in which a page shows what is shared. */
export const sharedOn = ({ shared = {} }: Pick<SiteFrame, 'shared'>, head: PageHead): SharedPlace[] =>
  SHARED_PLACES.filter((place) => shared[place] && !head.without?.includes(place));

/** A page on which something shared is shown: the home page, or the first that does not leave it out. */
export const pageShowing = (frame: SiteFrame, place: TreeName): NodeId =>
  [homePageOf(frame), ...frame.pages].find(({ without }) => !without?.some((each) => each === place))?.id ??
  homePageOf(frame).id;

/** Whether two frames are the same but for what their pages share. */
export const alikeButShared = (one: SiteFrame, other: SiteFrame): boolean =>
  one === other ||
  [...new Set([...Object.keys(one), ...Object.keys(other)])].every(
    (key) => key === 'shared' || one[key as keyof SiteFrame] === other[key as keyof SiteFrame],
  );

/** What a page was put together from, and what came of it. */
interface Composed {
  trees: readonly Page[];
  whole: Page;
}

const composedOf = new WeakMap<Page, Composed>();
let last: { page: WeakRef<Page>; composed: Composed } | undefined;

const alike = (one: readonly unknown[], other: readonly unknown[]): boolean =>
  one.length === other.length && one.every((each, index) => each === other[index]);

/**
 * A page as it is shown: with what it shares with other pages as the first and the last of its sections. The same object
 * for the same page and shared trees; the page itself where it shares nothing.
 */
export function composed(frame: SiteFrame, page: Page): Page {
  if (!frame.shared) return page;
  const trees = sharedOn(frame, headOf(frame, page.id)).map((place) => frame.shared![place]!);
  // What is put together already stays as it is.
  if (trees.every(({ root }) => page.nodes[root])) return page;
  const known = composedOf.get(page);
  const isKnown = known && alike(known.trees, trees);
  const made = isKnown ? known : { trees, whole: put(page, trees) };
  const before = last?.page.deref();
  if (!isKnown && before?.id === page.id) follow(last!.composed, before, made, page);
  composedOf.set(page, made);
  last = { page: new WeakRef(page), composed: made };
  return made.whole;
}

function put(page: Page, trees: readonly Page[]): Page {
  const root = page.nodes[page.root];
  const nodes: Page['nodes'] = { ...page.nodes };
  for (const tree of trees) {
    Object.assign(nodes, tree.nodes);
    nodes[tree.root] = hung(tree.nodes[tree.root], page.root);
  }
  const at = (place: SharedPlace) =>
    trees.filter(({ root: id }) => sharedPlaceOf(id) === place).map(({ root: id }) => id);
  nodes[page.root] = withChildren(root, [
    ...at('head'),
    ...root.children,
    ...at('foot'),
    ...at('strip'),
    ...at('up'),
  ]);
  return Object.freeze({ ...page, nodes: Object.freeze(nodes) });
}

/** The same node with the same parent or children is the same object: what follows a page looks at that. */
const hungAs = new WeakMap<Node, Node>();
function hung(node: Node, parent: NodeId): Node {
  const before = hungAs.get(node);
  if (before?.parent === parent) return before;
  const made = Object.freeze({ ...node, parent });
  hungAs.set(node, made);
  return made;
}

const childrenAs = new WeakMap<Node, Node>();
function withChildren(node: Node, children: NodeId[]): Node {
  const before = childrenAs.get(node);
  if (before && alike(before.children, children)) return before;
  const made = Object.freeze({ ...node, children: Object.freeze(children) as NodeId[] });
  childrenAs.set(node, made);
  return made;
}

/** Remembers in which nodes a page differs from how it was last put together, where that is known. */
function follow(earlier: Composed, before: Page, { trees, whole }: Composed, page: Page): void {
  const own = changedSince(before, page);
  if (!own) return;
  const names = new Set<NodeId>(own);
  const differing = [...earlier.trees, ...trees].filter(
    (tree) => !(earlier.trees.includes(tree) && trees.includes(tree)),
  );
  for (const id of [...differing.flatMap(({ nodes }) => Object.keys(nodes) as NodeId[]), page.root])
    if (earlier.whole.nodes[id] !== whole.nodes[id]) names.add(id);
  remember(whole, earlier.whole, [...names]);
}

/** What of a page as it is shown belongs to the page alone: of its root, the sections that are its own. */
export const ownNode = (page: Page, node: Node): Node =>
  node.id === page.root && node.children.some(sharedPlaceOf)
    ? { ...node, children: node.children.filter((id) => !sharedPlaceOf(id)) }
    : node;

/** A node of a shared tree as it is kept there: its root hangs on no page. */
export const sharedNode = (tree: Page, node: Node): Node =>
  node.id === tree.root && node.parent !== null ? { ...node, parent: null } : node;
