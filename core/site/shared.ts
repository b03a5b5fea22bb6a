import { nodeId, type NodeId } from '../elements/nodeid.ts';
import { keysOf, lookup } from '../lookup.ts';
import { sure } from '../sure.ts';
import { hasTrait } from '../elements/kinds/table.ts';
import type { Node } from './node.ts';
import { memoised } from '../memo.ts';
import { subtree } from './sourceorder.ts';
import { changedSince, followed, remember } from './lineage.ts';
import {
  headOf,
  homePageOf,
  pagesOf,
  SHARED_PLACES,
  TREE_NAME,
  type SavedBlockName,
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

/** Whether an element is of what all pages share in a place, and not a page's own, nor of a block that is linked where someone chose to. */
export function isOnAllPages(id: string): boolean {
  const place = sharedPlaceOf(id);
  return place !== undefined && !isSavedBlock(place);
}

/** An element's id without what says where it is shared. */
const ownId = (id: string): string => id.replace(PREFIX, '');

/** An id as it has to be in a place: of what is shared there, or, without one, of a page's own element. */
export function idIn(place: TreeName | undefined, id: string): NodeId {
  if (sharedPlaceOf(id) === place) return nodeId(id);
  const own = ownId(id);
  if (place) return nodeId(`${prefixOf(place)}${own}`.slice(0, LONGEST_ID));
  // What is left may begin in a way that an id must not.
  return nodeId(/^[A-Za-z]/.test(own) ? own : `e${own}`);
}

/** The element trees that pages share, in their places. */
export const sharedTrees = ({ shared = {} }: Pick<SiteFrame, 'shared'>): Page[] =>
  SHARED_PLACES.flatMap((place) => shared[place] ?? []);

/** A saved block to be placed. */
export type SavedBlock = Page & { id: NodeId & SavedBlockName };

/** The saved blocks to be placed, by their names. */
export const savedBlocks = ({ shared = {} }: Pick<SiteFrame, 'shared'>): SavedBlock[] =>
  Object.values(shared)
    .filter((tree): tree is SavedBlock => isSavedBlock(tree?.id))
    .sort(
      (one, other) => nameOf(one).localeCompare(nameOf(other), 'en') || one.id.localeCompare(other.id, 'en'),
    );

/** Whether a tree beside the pages is a saved block, which no page shows. */
export const isSavedBlock = (tree: string | undefined): tree is SavedBlockName =>
  tree?.startsWith('kept-') ?? false;

const nameOf = ({ root, nodes }: Page): string => nodes[root].name;

/** Every tree that stands beside the pages: what they share, and what is kept. */
export const treesBeside = (frame: Pick<SiteFrame, 'shared'>): Page[] => [
  ...sharedTrees(frame),
  ...savedBlocks(frame),
];

/** The saved block that an element is the outermost of, where it stands on a page; undefined for all others. */
export const linkedAt = (frame: Pick<SiteFrame, 'shared'>, id: NodeId): SavedBlock | undefined => {
  const place = sharedPlaceOf(id);
  const tree = isSavedBlock(place) ? frame.shared?.[place] : undefined;
  return tree?.root === id ? (tree as SavedBlock) : undefined;
};

/** Whether an element of a page, put together with what is linked on it, is the outermost of such a block. */
export const isLinked = ({ id, parent }: Pick<Node, 'id' | 'parent'>): boolean => {
  const place = sharedPlaceOf(id);
  return isSavedBlock(place) && parent !== null && sharedPlaceOf(parent) !== place;
};

/** Whether a block can be linked in an element: where it stands in an overlay, or shows in turn with others, it could not say itself. */
export const takesLinked = ({ id, kind }: Node): boolean =>
  sharedPlaceOf(id) === undefined && !hasTrait({ kind }, 'overlaying') && !hasTrait({ kind }, 'alternating');

/** The blocks that a page says are linked on it: by the id of a block's outermost element, what of the page it stands in. */
const linkable = memoised(
  followed<ReadonlyMap<NodeId, NodeId>>(
    ({ nodes }) => new Map(Object.values(nodes).flatMap(linksOf)),
    (before, _earlier, { nodes }, changed) => {
      const since = new Set(changed);
      const gone = [...before].some(([, parent]) => since.has(parent));
      const come = changed.flatMap((id) => (nodes[id] ? linksOf(nodes[id]) : []));
      if (!gone && come.length === 0) return before;
      return new Map([...[...before].filter(([, parent]) => !since.has(parent)), ...come]);
    },
  ),
);
const linksOf = ({ id, children }: Node): [NodeId, NodeId][] =>
  children
    .filter((child) => isSavedBlock(sharedPlaceOf(child)) && !isSavedBlock(sharedPlaceOf(id)))
    .map((child) => [child, id]);

/** The outermost elements of the blocks that an element of a page says are linked in it, or in what is in it. */
export const linksBelow = (page: Page, id: NodeId): NodeId[] =>
  subtree(page, id).flatMap((each) => linksOf(page.nodes[each]).map(([link]) => link));

/** The saved blocks that are linked on a page. */
export const linkedOn = (frame: Pick<SiteFrame, 'shared'>, page: Page): SavedBlock[] =>
  [...linkable(page).keys()].flatMap((id) => linkedAt(frame, id) ?? []);

/** The pages, of those that were read, on which a saved block is linked. */
export const pagesLinking = (site: Site, block: SavedBlockName): Page[] =>
  pagesOf(site).filter((page) => page && linkedOn(site.frame, page).some(({ id }) => id === block));

/** The saved blocks that are linked on any page. */
const linkedTrees = (site: Site): Page[] =>
  savedBlocks(site.frame).filter(({ id }) => pagesLinking(site, id).length > 0);

/** The trees of which pages are made. */
export const publishedTrees = (site: Site): Page[] => [
  ...pagesOf(site),
  ...sharedTrees(site.frame),
  ...linkedTrees(site),
];

/** Every tree of elements of a site: its pages in their order, what they share, and what is kept. */
export const treesOf = (site: Site): Page[] => [...pagesOf(site), ...treesBeside(site.frame)];

/** The places in which a page shows what is shared. */
export const sharedOn = ({ shared = {} }: Pick<SiteFrame, 'shared'>, head: PageHead): SharedPlace[] =>
  SHARED_PLACES.filter((place) => shared[place] && !head.without?.includes(place));

/** A page on which something beside the pages is shown: the home page where it is there, or the first that shows it. */
export function pageShowing(site: Site, place: TreeName): NodeId {
  const { frame } = site;
  const home = homePageOf(frame);
  if (isSavedBlock(place)) {
    const pages = pagesLinking(site, place).map(({ id }) => id);
    return pages.length === 0 || pages.includes(home.id) ? home.id : pages[0];
  }
  return [home, ...frame.pages].find(({ without }) => !without?.includes(place))?.id ?? home.id;
}

/** Whether two frames are the same but for what their pages share. */
export const alikeButShared = (one: SiteFrame, other: SiteFrame): boolean =>
  one === other ||
  [...new Set([...Object.keys(one), ...Object.keys(other)])].every(
    (key) =>
      key === 'shared' || lookup(one, key as keyof SiteFrame) === lookup(other, key as keyof SiteFrame),
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
 * A page as it is shown: with what it shares with other pages as the first and the last of its sections, and with the blocks
 * that are linked on it. The same object for the same page and trees; the page itself where it shares nothing.
 */
export function composed(frame: SiteFrame, page: Page): Page {
  const { shared } = frame;
  const trees = [
    ...(shared ? sharedOn(frame, headOf(frame, page.id)).map((place) => sure(shared[place])) : []),
    ...linkedOn(frame, page),
  ];
  const lost = [...linkable(page).keys()].some((id) => !page.nodes[id] && !linkedAt(frame, id));
  // What is put together already stays as it is.
  if (!lost && trees.every(({ root }) => page.nodes[root])) return page;
  const known = composedOf.get(page);
  const isKnown = known && alike(known.trees, trees);
  const made = isKnown ? known : { trees, whole: put(page, trees) };
  const before = last?.page.deref();
  if (!isKnown && before?.id === page.id) follow(sure(last, 'last').composed, before, made, page);
  composedOf.set(page, made);
  last = { page: new WeakRef(page), composed: made };
  return made.whole;
}

function put(page: Page, trees: readonly Page[]): Page {
  const root = page.nodes[page.root];
  const nodes: Page['nodes'] = { ...page.nodes };
  const parents = linkable(page);
  for (const tree of trees) {
    Object.assign(nodes, tree.nodes);
    nodes[tree.root] = hung(tree.nodes[tree.root], parents.get(tree.root) ?? page.root);
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
  // Another window may have put a block away a moment ago: its place is left out.
  for (const parent of new Set([...parents].flatMap(([id, each]) => (nodes[id] ? [] : [each]))))
    nodes[parent] = withChildren(
      nodes[parent],
      nodes[parent].children.filter((child) => nodes[child]),
    );
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
  const roots = trees.map(({ root }) => root);
  for (const id of [...differing.flatMap(({ nodes }) => keysOf(nodes)), ...roots, page.root])
    if (earlier.whole.nodes[id] !== whole.nodes[id]) names.add(id);
  remember(whole, earlier.whole, [...names]);
}

/** What of a page as it is shown belongs to the page alone: of its root, the sections that are its own. */
export const ownNode = (page: Page, node: Node): Node =>
  node.id === page.root && node.children.some(isOnAllPages)
    ? { ...node, children: node.children.filter((id) => !isOnAllPages(id)) }
    : node;

/** A node of a shared tree as it is kept there: its root hangs on no page. */
export const sharedNode = (tree: Page, node: Node): Node =>
  node.id === tree.root && node.parent !== null ? { ...node, parent: null } : node;
