/** The columns a child really takes: its span, held to the columns that the view's grid has. */
export const heldSpan = (span: number, columns: number): number => Math.max(1, Math.min(span, columns));

/** The first column a child really takes (1-based): far enough left that its span fits. */
export const heldStart = (start: number, span: number, columns: number): number =>
  Math.max(1, Math.min(start, columns - heldSpan(span, columns) + 1));

/** Where a child stands in a grid: row and first column, both 0-based, and how many columns it takes. */
export interface Placed {
  row: number;
  column: number;
  span: number;
}

/**
 * Places children of given spans into rows of `columns` as CSS grid does with `grid-auto-flow: row`: a child that does
 * not fit beside the one before opens a new row (CSS Grid Layout 2, §8.5 "sparse" packing, items without a start;
 * https://www.w3.org/TR/css-grid-2/#auto-placement-algo).
 */
export function placeSpans(spans: readonly number[], columns: number): Placed[] {
  let row = 0;
  let column = 0;
  return spans.map((wanted) => {
    const span = heldSpan(wanted, columns);
    if (column + span > columns) {
      row += 1;
      column = 0;
    }
    const placed = { row, column, span };
    column += span;
    return placed;
  });
}
