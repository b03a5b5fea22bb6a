/** Boxes of a page as it is laid out, written by hand: left, top, right and bottom edge in CSS px. */
import type { Laid, LaidElement, LaidLine, LaidTarget, NodeId } from '../../core/index.ts';

export type Sides = [left: number, top: number, right: number, bottom: number];
export const edges = ([left, top, right, bottom]: Sides) => ({ left, top, right, bottom });
export const line = (sides: Sides, cut: Partial<LaidLine> = {}): LaidLine => ({
  ...edges(sides),
  ...{ cutAcross: 0, cutDown: 0 },
  ...cut,
});
export const target = (name: string, sides: Sides, more: Partial<LaidTarget> = {}): LaidTarget => ({
  ...edges(sides),
  ...{ name, inWords: false, native: false },
  ...more,
});
export const box = (node: string, sides: Sides, more: Partial<LaidElement> = {}): LaidElement => ({
  ...{ node: node as NodeId, box: edges(sides), lines: [], targets: [] },
  ...more,
});
export const BOTH = { left: true, right: true };
export const laid = (width: number, elements: LaidElement[], more: Partial<Laid> = {}): Laid => ({
  ...{ width, scrolls: width, rightToLeft: false, keptClear: 0, keptClearBelow: 0 },
  ...more,
  elements,
});
