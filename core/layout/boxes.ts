import { heldSpan } from './spans.ts';

/** A measured box; px. Its left is where lines begin: where a page is written from right to left, boxes are mirrored. */
export interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** px; the right edge of a box. */
export const right = ({ left, width }: Box): number => left + width;
/** px; the bottom edge of a box. */
export const bottom = ({ top, height }: Box): number => top + height;

/** The smallest box that holds some; there is at least one. */
export function around(boxes: readonly Box[]): Box {
  const left = Math.min(...boxes.map((box) => box.left));
  const top = Math.min(...boxes.map((box) => box.top));
  return {
    left,
    top,
    width: Math.max(...boxes.map(right)) - left,
    height: Math.max(...boxes.map(bottom)) - top,
  };
}

/** A container as it was measured in a view, and what is in it, from the top and the start of its content. */
export interface MeasuredBoxes {
  width: number;
  height: number;
  boxes: Readonly<Record<string, Box>>;
}

/** px; what is so near is taken for the same. */
export const NEAR = 0.75;

/** Whether two lengths in px are the same as far as a person sees. */
export const near = (one: number, other: number): boolean => Math.abs(one - other) < NEAR;

/** Where the columns of a grid begin and end; px. A gap is a column's share of the whole at most. */
export function columnEdges(
  width: number,
  columns: number,
  gutter: number,
): { left: number; right: number }[] {
  const gap = Math.min(gutter, width / columns);
  const column = (width - gap * (columns - 1)) / columns;
  return Array.from({ length: columns }, (_each, index) => {
    const left = index * (column + gap);
    return { left, right: left + column };
  });
}

/** px, in hundredths: finer than any browser lays out. */
export const hundredths = (px: number): number => Math.round(px * 100) / 100;

/** Which columns a box takes, what of them it keeps to, and how far from that; px. */
export interface Across {
  column: number;
  span: number;
  held: 'start' | 'center' | 'end' | 'stretch';
  offset: number;
}

/** The columns for a box, so that it stands where it stood: exactly, where edges of columns are there, else held to one side. */
export function acrossFor(
  { left, width }: Pick<Box, 'left' | 'width'>,
  within: number,
  columns: number,
  gutter: number,
): Across {
  const edges = columnEdges(within, columns, gutter);
  const right = left + width;
  const first = edges.findIndex((edge) => near(edge.left, left));
  const last = edges.findIndex((edge) => near(edge.right, right));
  if (first >= 0 && last >= first)
    return { column: first + 1, span: last - first + 1, held: 'stretch', offset: 0 };
  if (near(left, within - right)) return { column: 1, span: columns, held: 'center', offset: 0 };
  const from = Math.max(0, first >= 0 ? first : edges.findLastIndex((edge) => edge.left <= left));
  const until = edges.findIndex((edge) => edge.right >= right - NEAR);
  const to = Math.max(from, until < 0 ? columns - 1 : until);
  const area = { column: from + 1, span: heldSpan(to - from + 1, columns) };
  if (last >= 0 && first < 0) return { ...area, held: 'end', offset: 0 };
  return { ...area, held: 'start', offset: hundredths(left - edges[from].left) };
}

/** The rows for a box, and how far from the top of the first it stands; px. */
export function downFor(
  { top, height }: Pick<Box, 'top' | 'height'>,
  rowHeight: number,
): { row: number; rows: number; offset: number } {
  const whole = Math.max(0, Math.floor((top + NEAR / 2) / rowHeight));
  const offset = hundredths(top - whole * rowHeight);
  const rows = Math.max(1, Math.ceil((offset + height - NEAR / 2) / rowHeight));
  return { row: whole + 1, rows, offset: near(offset, 0) && Math.abs(offset) < 0.05 ? 0 : offset };
}

/** px; rows of about the wanted height that make up a height together, in hundredths: as many as come nearest. */
export function rowsWithin(
  height: number,
  wanted: number,
  { least, most }: { least: number; most: number },
): { height: number; count: number } {
  const count = Math.max(1, Math.round(height / wanted));
  const each = Math.ceil((height / count) * 100 - 1e-6) / 100;
  return { height: Math.min(most, Math.max(least, each)), count };
}
