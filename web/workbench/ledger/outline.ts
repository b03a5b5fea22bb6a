import {
  hiddenBy,
  isShown,
  overrideCount,
  type Node,
  type NodeId,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';

/** A row of the outline: an element and how deep it stands. */
export interface OutlineRow {
  node: Node;
  level: number;
  expanded: boolean | undefined;
}

/** The rows of the outline: without what is folded away, or, where `shown` is given, those elements unfolded. */
export function outlineRows(
  page: Page,
  folded: ReadonlySet<NodeId>,
  shown?: ReadonlySet<NodeId>,
): OutlineRow[] {
  const rows: OutlineRow[] = [];
  const add = (id: NodeId, level: number) => {
    if (shown && !shown.has(id)) return;
    const node = page.nodes[id];
    const expanded = node.children.length === 0 ? undefined : shown !== undefined || !folded.has(id);
    rows.push({ node, level, expanded });
    if (expanded) node.children.forEach((child) => add(child, level + 1));
  };
  add(page.root, 1);
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
