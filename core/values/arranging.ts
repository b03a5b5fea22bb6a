import { directionOf } from '../markup/direction.ts';
import type { Arrangeable, Arranged, ArrangeGrid } from '../layout/arrange.ts';
import type { MeasuredBoxes } from '../layout/boxes.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { knownKind } from '../elements/kinds/table.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { viewOf, type ViewId } from '../layered/views.ts';
import { takes } from '../site/applies.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { sizeAt, type TextSize } from '../type/fluid.ts';
import { partsIn, rowHeightIn, STANDING, type Standing } from './areas.ts';
import { resolve } from './trace.ts';

/** px; least widths in which things are of use: pictures are seen, buttons are hit (WCAG 2.2, 2.5.5, target size). */
const LEAST_PICTURE = 120;
const LEAST_SMALL = 44;

/** Lines of fewer characters are hard to read (common practice); a character is about half as wide as it is high. */
const CHARACTERS = 20;
const CHARACTER = 0.5;

/** px; the size of words that say none of their own. */
const USUAL_SIZE = 16;

function kindOf(node: Node): Arrangeable['kind'] {
  const { traits, defaults } = knownKind(node.kind);
  if (defaults.heldAcross === 'start') return 'small';
  return traits.includes('image') && !traits.includes('tiled') ? 'picture' : 'words';
}

function leastOf(site: SiteFrame, page: Page, node: Node, view: ViewId): number {
  const kind = kindOf(node);
  if (kind !== 'words') return kind === 'picture' ? LEAST_PICTURE : LEAST_SMALL;
  const size = knownProperty('size');
  const text = takes(node.kind, size)
    ? sizeAt(resolve(site, page, node, size, view) as TextSize, viewOf(site.views, view).sheet.width)
    : USUAL_SIZE;
  return CHARACTERS * CHARACTER * text;
}

/** What is to be arranged of an overlay for a view: its parts that are shown there, with the boxes that they have in the base view. */
export function toArrange(
  site: SiteFrame,
  page: Page,
  overlay: Node,
  view: ViewId,
  measured: Record<ViewId, MeasuredBoxes>,
): { things: Arrangeable<NodeId>[]; grid: ArrangeGrid } {
  const { boxes } = measured[site.views.base];
  const own = measured[view];
  const { columns, gutter } = viewOf(site.views, view).grid;
  const things = partsIn(site, page, overlay, view).flatMap(({ id }) => {
    // What is shown in this view only has its box here.
    const box = boxes[id] ?? own.boxes[id];
    const node = page.nodes[id];
    if (!box || box.width < 1 || box.height < 1) return [];
    return [{ id, box, kind: kindOf(node), least: leastOf(site, page, node, view) }];
  });
  const rtl = directionOf(site.lang) === 'rtl';
  return {
    things,
    grid: { columns, gutter, width: own.width, rowHeight: rowHeightIn(site, page, overlay, view), rtl },
  };
}

/** Whether where a part stands in a view was set there by hand. */
export const isSetByHand = (node: Node, view: ViewId): boolean =>
  Object.values(STANDING).some((name) => node.style.self?.[name]?.at?.[view] !== undefined);

/** Where the parts of an overlay would stand by a layout that is proposed for it. */
export function standingsOf(
  { parts }: Arranged<NodeId>,
  page: Page,
): ({ node: NodeId } & Partial<Standing>)[] {
  return parts.map(({ id, area, fills }) => {
    const small = kindOf(page.nodes[id]) === 'small';
    return {
      node: id,
      ...area,
      ...(!small && { heldAcross: 'stretch' as const, width: 'auto' as const }),
      heldDown: fills ? ('stretch' as const) : ('start' as const),
      offsetAcross: { px: 0 },
      offsetDown: { px: 0 },
    };
  });
}
