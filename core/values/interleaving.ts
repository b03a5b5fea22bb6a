import { hasTrait } from '../elements/kinds/table.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { held } from '../layered/resolve.ts';
import type { ViewId, Views } from '../layered/views.ts';
import { placeAmong } from '../layout/order.ts';
import { isLinked } from '../site/shared.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { inRow, inRowIn } from './visibility.ts';

/** Whether the parts of an element in a row can stand among those of its neighbours: they stand one below another in it, and are the page’s own. */
export const opens = (node: Node): boolean =>
  hasTrait(node, 'stack') && hasTrait(node, 'block') && !isLinked(node);

/** The order in which a row interleaves the parts of its columns in a view; undefined where it does not. */
export function interleavingIn(
  { style }: Pick<Node, 'style'>,
  views: Views,
  view: ViewId,
): readonly NodeId[] | undefined {
  const stored = held(style.self?.interleave, views, view)?.value;
  return stored && stored.length > 0 ? stored : undefined;
}

/** The parts of a row in source order: those of the columns that open, and the others of the row itself. */
export const partsOfRow = (page: Page, row: Node): NodeId[] =>
  inRow(page, row).flatMap((id) => (opens(page.nodes[id]) ? inRow(page, page.nodes[id]) : [id]));

/** The parts of a row from first to last as they stand in a view, column after column where it does not interleave them. */
export function partsOfRowIn(site: SiteFrame, page: Page, row: Node, view: ViewId): NodeId[] {
  const stored = interleavingIn(row, site.views, view);
  if (!stored)
    return inRowIn(site, page, row, view).flatMap((id) =>
      opens(page.nodes[id]) ? inRowIn(site, page, page.nodes[id], view) : [id],
    );
  const parts = partsOfRow(page, row);
  const places = new Map(
    parts.map((id) => {
      const { parent } = page.nodes[id];
      const siblings = parent === null ? [] : page.nodes[parent].children;
      return [id, placeAmong(siblings, id, stored)];
    }),
  );
  return parts.toSorted((one, other) => (places.get(one) ?? 0) - (places.get(other) ?? 0));
}

/** The row whose parts an element is one of, by itself or in a column of it. */
export function rowOfPart(page: Page, { parent }: Node): Node | undefined {
  const holder = parent === null ? undefined : page.nodes[parent];
  if (!holder || hasTrait(holder, 'row')) return holder;
  const row = holder.parent === null || !opens(holder) ? undefined : page.nodes[holder.parent];
  return row && hasTrait(row, 'row') ? row : undefined;
}

/** The row around a column of it, where it interleaves the parts of its columns in some view. */
export function interleavingAround(page: Page, column: Node): Node | undefined {
  const row = column.parent === null || !opens(column) ? undefined : page.nodes[column.parent];
  return row && hasTrait(row, 'row') && row.style.self?.interleave ? row : undefined;
}

/** Whether an element has no box of its own in a view, as its row interleaves what is in it with what is beside it. */
export function isOpened(site: SiteFrame, page: Page, node: Node, view: ViewId): boolean {
  const row = node.parent === null || !opens(node) ? undefined : page.nodes[node.parent];
  return row !== undefined && hasTrait(row, 'row') && interleavingIn(row, site.views, view) !== undefined;
}

/** What an element stands among in a view, from first to last, and what says so. */
export interface Sequence {
  holder: Node;
  by: 'order' | 'interleave';
  order: NodeId[];
}

/** What an element stands among in a view: the parts of its row where that interleaves them, else its siblings. */
export function sequenceIn(site: SiteFrame, page: Page, node: Node, view: ViewId): Sequence | undefined {
  if (node.parent === null) return undefined;
  const row = rowOfPart(page, node);
  if (row && interleavingIn(row, site.views, view) && !isOpened(site, page, node, view))
    return { holder: row, by: 'interleave', order: partsOfRowIn(site, page, row, view) };
  const holder = page.nodes[node.parent];
  return { holder, by: 'order', order: inRowIn(site, page, holder, view) };
}
