import {
  countsOf,
  followed,
  hiddenBy,
  isShown,
  overrideCount,
  type Node,
  type NodeId,
  type Page,
  type SiteFrame,
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
    const expanded = children.length === 0 ? undefined : shown !== undefined || !folded.has(id);
    rows.push({ id, level, expanded });
    if (expanded) children.forEach((child) => add(child, level + 1));
  };
  add(tree.root, 1);
  return rows;
}

/** What a tile tells about an element in a view. */
export interface Tile {
  shown: boolean;
  /** Set when the element is absent because something above it is not shown. */
  hiddenAbove: boolean;
  overrides: number;
  /** What the tile says to assistive technology. */
  label: string;
}

export function tileOf(site: SiteFrame, page: Page, node: Node, view: ViewId): Tile {
  const shown = isShown(site, page, node, view);
  const by = hiddenBy(site, page, node, view);
  const overrides = overrideCount(node, view);
  const name = site.views.list.find((candidate) => candidate.id === view)!.name;
  const state = !shown ? 'not shown' : by ? `not shown with ${page.nodes[by].name}` : 'shown';
  const count =
    overrides === 0 ? 'no overrides' : `${overrides} ${overrides === 1 ? 'override' : 'overrides'}`;
  return {
    shown,
    hiddenAbove: shown && by !== undefined,
    overrides,
    label: `${node.name} in ${name}: ${state}, ${count}`,
  };
}

/** The elements above one, nearest first. */
export function ancestorsOf(page: Page, id: NodeId): NodeId[] {
  const list: NodeId[] = [];
  for (let at = page.nodes[id]?.parent; at; at = page.nodes[at].parent) list.push(at);
  return list;
}
