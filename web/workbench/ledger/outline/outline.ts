import {
  alternateIn,
  counted,
  countsOf,
  followed,
  givesWay,
  hasTrait,
  headOf,
  hiddenBy,
  isShown,
  letterOf,
  type Node,
  type NodeId,
  offeringIn,
  overrideCount,
  type Page,
  type SiteFrame,
  theOne,
  type ViewId,
} from '../../../../core/index.ts';

/** A row of the outline: an element and how deep it stands. */
export interface OutlineRow {
  id: NodeId;
  level: number;
  expanded: boolean | undefined;
}

/** The tree of a page: the same object as long as the same elements stand in the same places. */
export const treeOf = followed<Page>(
  (page) => page,
  (before, earlier, page, changed) =>
    changed.every((id) => earlier.nodes[id]?.children === page.nodes[id]?.children) ? before : page,
);

/** How many overrides a page has, by view. */
export const pageCounts = followed<ReadonlyMap<string, number>>(
  (page) => {
    const counts = new Map<string, number>();
    for (const { style } of Object.values(page.nodes))
      for (const [view, count] of countsOf(style)) counts.set(view, (counts.get(view) ?? 0) + count);
    return counts;
  },
  (before, earlier, page, changed) => {
    const counts = new Map(before);
    const add = (node: Node | undefined, sign: number) => {
      for (const [view, count] of node ? countsOf(node.style) : [])
        counts.set(view, (counts.get(view) ?? 0) + sign * count);
    };
    for (const id of changed) {
      add(earlier.nodes[id], -1);
      add(page.nodes[id], 1);
    }
    return counts;
  },
);

/** Whether what is in an element is folded away. A set of alternates is one row until it is unfolded. */
export const isFolded = (tree: Page, turned: ReadonlySet<NodeId>, id: NodeId): boolean =>
  turned.has(id) !== hasTrait(tree.nodes[id], 'alternating');

/** The rows of the outline: without what is folded away, or, where `shown` is given, those elements unfolded. */
export function outlineRows(
  tree: Page,
  folded: ReadonlySet<NodeId>,
  shown?: ReadonlySet<NodeId>,
): OutlineRow[] {
  const rows: OutlineRow[] = [];
  const add = (id: NodeId, level: number) => {
    if (shown && !shown.has(id)) return;
    const { children } = tree.nodes[id];
    const expanded = children.length === 0 ? undefined : shown !== undefined || !isFolded(tree, folded, id);
    rows.push({ id, level, expanded });
    if (expanded) children.forEach((child) => add(child, level + 1));
  };
  add(tree.root, 1);
  return rows;
}

/** What a tile tells about an element in a view. */
export interface Tile {
  shown: boolean;
  /** Of a set of alternates: which shows. Of one of them: which it is, where it shows. */
  letter?: string;
  /** It is shown in no view at all. */
  nowhere: boolean;
  /** Set when the element is absent because something above it is not shown. */
  hiddenAbove: boolean;
  overrides: number;
  /** What the tile says to assistive technology. */
  label: string;
}

/** The letter of the alternate that a set shows in a view, or of an element that is one. */
function letterIn(site: SiteFrame, page: Page, node: Node, view: ViewId): string | undefined {
  const parent = node.parent === null ? undefined : page.nodes[node.parent];
  if (parent && hasTrait(parent, 'alternating')) return letterOf(parent.children.indexOf(node.id));
  const shown = alternateIn(site, node, view);
  return shown === undefined ? undefined : letterOf(node.children.indexOf(shown));
}

export function tileOf(site: SiteFrame, page: Page, node: Node, view: ViewId): Tile {
  const offered = node.parent !== null || offeringIn(headOf(site, page.id), site, view) !== 'withheld';
  const shown = offered && isShown(site, page, node, view);
  const by = hiddenBy(site, page, node, view);
  const overrides = overrideCount(node, view);
  const name = theOne(site.views.list, (candidate) => candidate.id === view).name;
  const letter = letterIn(site, page, node, view);
  const gone = givesWay(site, page, node, view);
  const state = !offered
    ? 'does not appear, a notice replaces it'
    : gone
      ? 'not shown, another alternate is'
      : !shown
        ? 'not shown'
        : by
          ? `not shown with ${page.nodes[by].name}`
          : letter
            ? `alternate ${letter} shown`
            : 'shown';
  const count = overrides === 0 ? 'no overrides' : counted(overrides, 'override');
  return {
    shown,
    letter,
    nowhere: !shown && site.views.list.every(({ id }) => !isShown(site, page, node, id)),
    hiddenAbove: shown && by !== undefined,
    overrides,
    label: `${node.name} in ${name}: ${state}, ${count}`,
  };
}
