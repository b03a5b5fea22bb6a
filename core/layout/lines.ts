import { knownIn, sure } from '../sure.ts';
import type { Arrangeable, Arranged, ArrangedPart, ArrangeGrid, ArrangeWay } from './arrange.ts';
import { columnEdges } from './boxes.ts';
import { imagesFirst, readingOrder } from './reading.ts';
import { isBefore } from './relations.ts';

/** The grid of a row in the view that it is arranged for; px. */
export type LineGrid = Omit<ArrangeGrid, 'rowHeight'>;

/** px that so many columns are wide. */
function widthOf(span: number, { columns, gutter, width }: LineGrid): number {
  const edges = columnEdges(width, columns, gutter);
  return edges[span - 1].right - edges[0].left;
}

/** How two things share the columns: as they did, else in halves; not at all where one would have too little, or where they did not. */
function sharesOf(one: Arrangeable, other: Arrangeable, grid: LineGrid): [number, number] | undefined {
  const { columns, gutter } = grid;
  if (columns < 2 || !isBefore(one.box, other.box)) return undefined;
  // A column is as wide as itself and a gap.
  const [first, second] = [one.box.width + gutter, other.box.width + gutter];
  const asBefore = Math.min(columns - 1, Math.max(1, Math.round((columns * first) / (first + second))));
  const share = [asBefore, Math.round(columns / 2)].find(
    (span) => one.least <= widthOf(span, grid) && other.least <= widthOf(columns - span, grid),
  );
  return share === undefined ? undefined : [share, columns - share];
}

/** As many small things that stood side by side, from the first of a list on, as have the room that they take on one line. */
function smallLine(things: readonly Arrangeable[], grid: LineGrid): Arrangeable[] {
  const apart = things.findIndex(
    (each, index) => each.role !== 'small' || (index > 0 && !isBefore(things[index - 1].box, each.box)),
  );
  const run = things.slice(0, apart < 0 ? things.length : apart);
  for (let count = Math.min(run.length, grid.columns); count > 1; count -= 1) {
    const width = widthOf(Math.floor(grid.columns / count), grid);
    if (run.slice(0, count).every(({ box }) => box.width <= width)) return run.slice(0, count);
  }
  return [];
}

/**
 * A layout of what stands in a row, for the columns of a view, from its boxes in the base view: which of it takes a line of its own, and
 * in which order. Things keep standing side by side only where they stood so, and while each keeps the width it needs; of more than two
 * only small ones. The rows of the areas are lines.
 */
export function arrangedInLines<Id extends string>(
  things: readonly Arrangeable<Id>[],
  grid: LineGrid,
  way: ArrangeWay,
): Arranged<Id> {
  const byId = new Map(things.map((thing) => [thing.id, thing]));
  const read =
    way === 'images first' ? imagesFirst(things, ({ role }) => role === 'picture') : readingOrder(things);
  const order = read.map((id) => knownIn(byId, id));
  const parts: ArrangedPart<Id>[] = [];
  let rows = 0;
  const line = (members: readonly { id: Id; span: number }[]) => {
    rows += 1;
    let column = 1;
    members.forEach(({ id, span }, index) => {
      // The last one takes what is left: nothing of the next line has room behind it.
      const all = index === members.length - 1 ? grid.columns - column + 1 : span;
      parts.push({ id, area: { column, span: all, row: rows, rows: 1 }, fills: false });
      column += all;
    });
  };
  for (let index = 0; index < order.length;) {
    const [one, other] = [order[index], order.at(index + 1)];
    const small = smallLine(order.slice(index), grid) as Arrangeable<Id>[];
    const shares = way === 'two across' && other ? sharesOf(one, other, grid) : undefined;
    if (small.length > 0)
      line(small.map(({ id }) => ({ id, span: Math.floor(grid.columns / small.length) })));
    else if (shares)
      line([
        { id: one.id, span: shares[0] },
        { id: sure(other, 'other').id, span: shares[1] },
      ]);
    else line([{ id: one.id, span: grid.columns }]);
    index += small.length || (shares ? 2 : 1);
  }
  return { parts, rows };
}
