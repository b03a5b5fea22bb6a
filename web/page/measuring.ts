import { keysOf, type MeasuredBox, type MeasuredPage, type Page, sure } from '../../core/index.ts';
import type { SheetDocument } from './sheetdocument.ts';

/** How far from the edges of a box the points lie at which is looked for what is in front, as a share of it. */
const POINTS = [
  [0.5, 0.5],
  [0.1, 0.1],
  [0.9, 0.1],
  [0.1, 0.9],
  [0.9, 0.9],
] as const;

/** What cuts off what is in it. */
const CUTS = new Set(['hidden', 'clip', 'auto', 'scroll']);

/** Measures the elements of a page in a sheet that have boxes, and what lies in front of them. */
export function measurePage(sheet: SheetDocument, page: Page): MeasuredPage {
  const { document } = sheet;
  const { documentElement: root, defaultView: frame } = document;
  const boxes = keysOf(page.nodes).flatMap((node): MeasuredBox[] => {
    const element = sheet.elementOf(node);
    if (!element?.checkVisibility()) return [];
    const { left, top, right, bottom } = element.getBoundingClientRect();
    let clip: MeasuredBox['clip'];
    for (let at = element.parentElement; at && at !== document.body; at = at.parentElement) {
      if (!CUTS.has(sure(frame, 'frame').getComputedStyle(at).overflowX)) continue;
      const edge = at.getBoundingClientRect();
      clip = { left: edge.left, top: edge.top, right: edge.right, bottom: edge.bottom };
    }
    const front = POINTS.map(([x, y]) =>
      sheet.nodeAt(document.elementFromPoint(left + (right - left) * x, top + (bottom - top) * y)),
    );
    return [{ node, box: { left, top, right, bottom }, ...(clip && { clip }), front }];
  });
  return { width: root.clientWidth, boxes };
}
