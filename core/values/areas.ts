import { sure } from '../sure.ts';
import { hasTrait } from '../elements/kinds/table.ts';
import { heldArea, rowsTaken, type Area } from '../layout/areas.ts';
import { heldSpan, heldStart } from '../layout/spans.ts';
import { type Hold } from '../elements/properties/area.ts';
import type { Extent } from '../elements/valuetypes/extent.ts';
import type { Offset } from '../elements/valuetypes/offset.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { viewOf, type ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { resolve } from './trace.ts';
import { childrenIn, isShown } from './visibility.ts';

/** Where a part of an overlay stands, and what of that area it keeps to. */
export interface AreaPlacement extends Area {
  heldAcross: Hold;
  offsetAcross: Offset;
  heldDown: Hold;
  offsetDown: Offset;
  width: Extent;
}

/** The values that say where a part stands, by the property that says it. */
export const PLACEMENT_PROPERTIES = {
  column: 'areaColumn',
  span: 'span',
  row: 'areaRow',
  rows: 'areaRows',
  heldAcross: 'heldAcross',
  offsetAcross: 'offsetAcross',
  heldDown: 'heldDown',
  offsetDown: 'offsetDown',
  width: 'width',
} as const satisfies Record<keyof AreaPlacement, string>;

/** Where a part of an overlay stands in a view as it was set; a grid of few columns may have no room for that. */
export const setPlacement = (site: SiteFrame, page: Page, node: Node, view: ViewId): AreaPlacement =>
  Object.fromEntries(
    Object.entries(PLACEMENT_PROPERTIES).map(([name, property]) => [
      name,
      resolve(site, page, node, knownProperty(property), view),
    ]),
  ) as unknown as AreaPlacement;

/** Where a part of an overlay stands in a view. */
export function placementIn(site: SiteFrame, page: Page, node: Node, view: ViewId): AreaPlacement {
  const placement = setPlacement(site, page, node, view);
  return { ...placement, ...heldArea(placement, viewOf(site.views, view).grid.columns) };
}

/** The views in whose grids a part of an overlay has no room where it was set to stand: it stands elsewhere there, or is narrower. */
export const viewsWithoutRoom = (site: SiteFrame, page: Page, node: Node): ViewId[] =>
  site.views.list
    .filter(({ id, grid }) => {
      const { column, span } = setPlacement(site, page, node, id);
      const held = heldSpan(span, grid.columns);
      return held !== span || heldStart(column, span, grid.columns) !== column;
    })
    .map(({ id }) => id);

/** The parts of an overlay that are shown in a view, from back to front, with where they stand. */
export const partsIn = (
  site: SiteFrame,
  page: Page,
  overlay: Node,
  view: ViewId,
): { id: NodeId; at: AreaPlacement }[] =>
  childrenIn(site, overlay, view)
    .map((id) => page.nodes[id])
    .filter((node) => isShown(site, page, node, view))
    .map((node) => ({ id: node.id, at: placementIn(site, page, node, view) }));

/** Whether an image is as large as its area in a view, and cropped by it. */
export function fillsArea(site: SiteFrame, page: Page, node: Node, view: ViewId): boolean {
  if (node.parent === null || !hasTrait(page.nodes[node.parent], 'overlaying')) return false;
  const { heldAcross, heldDown } = placementIn(site, page, node, view);
  return heldAcross === 'stretch' && heldDown === 'stretch';
}

/**
 * px; the least height of the area that a part of an overlay takes in a view: that of its rows, or its share of the least height of the
 * overlay. Rows that are higher by what is in them make it more.
 */
export function leastAreaHeight(site: SiteFrame, page: Page, node: Node, view: ViewId): number {
  const overlay = page.nodes[sure(node.parent, 'parent')];
  const value = (name: 'leastRows' | 'rowHeight' | 'minHeight') =>
    resolve(site, page, overlay, knownProperty(name), view);
  const { rows } = placementIn(site, page, node, view);
  const all = Math.max(value('leastRows'), rowsTaken(partsIn(site, page, overlay, view).map(({ at }) => at)));
  return Math.max(rows * value('rowHeight'), (value('minHeight') * rows) / all);
}

/** px; the least height of an overlay's rows in a view. */
export const rowHeightIn = (site: SiteFrame, page: Page, overlay: Node, view: ViewId): number =>
  resolve(site, page, overlay, knownProperty('rowHeight'), view);
