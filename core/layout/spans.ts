/** The columns a child really takes: its span, held to the columns that the view's grid has. */
export const heldSpan = (span: number, columns: number): number => Math.max(1, Math.min(span, columns));

/** The first column a child really takes (1-based): far enough left that its span fits. */
export const heldStart = (start: number, span: number, columns: number): number =>
  Math.max(1, Math.min(start, columns - heldSpan(span, columns) + 1));

/** What a child asks of the columns of its row: how many, and the first one (1-based) where that is not left to the flow. */
export interface Columns {
  span: number;
  start?: number;
}

/** Where a child stands in a grid: row and first column, both 0-based, and how many columns it takes. */
export interface Placed {
  row: number;
  column: number;
  span: number;
}

/**
 * Places children into rows of `columns` as CSS grid does with `grid-auto-flow: row`: a child that does not fit behind the
 * one before, or starts before that one ends, opens a new row (CSS Grid Layout 2, §8.5, "sparse" packing;
 * https://www.w3.org/TR/css-grid-2/#auto-placement-algo). Spans and starts are held to the columns there are.
 */
export function placeColumns(children: readonly Columns[], columns: number): Placed[] {
  let row = 0;
  let next = 0;
  return children.map((wanted) => {
    const span = heldSpan(wanted.span, columns);
    const column = wanted.start === undefined ? next : heldStart(wanted.start, span, columns) - 1;
    const fits = column >= next && column + span <= columns;
    if (!fits) row += 1;
    const placed = { row, column: fits || wanted.start !== undefined ? column : 0, span };
    next = placed.column + span;
    return placed;
  });
}

/** The children, by their places in the list, that stand in an earlier or in a later row than before. */
export function movedRows(
  before: readonly Placed[],
  after: readonly Placed[],
): { up: number[]; down: number[] } {
  const by = (sign: number) =>
    [...after.keys()].filter((index) => Math.sign(after[index].row - before[index].row) === sign);
  return { up: by(-1), down: by(1) };
}
