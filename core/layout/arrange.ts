import { knownIn, sure, theOne } from '../sure.ts';
import { firstFree, rowsFor, rowsTaken, type Area } from './areas.ts';
import { around, columnEdges, type Box } from './boxes.ts';
import { imagesFirst, readingOrder } from './reading.ts';
import {
  belonging,
  belongTogether,
  clustered,
  covered,
  isBefore,
  isIcon,
  isIconOf,
  overlie,
} from './relations.ts';

/** Something that is to be arranged: its box in the base view, and what it needs. */
export interface Arrangeable<Id extends string = string> {
  id: Id;
  box: Box;
  /** `picture` keeps its shape; `words` grow higher as they get narrower; `small` stays as it is: a button, a sign. */
  role: 'words' | 'picture' | 'small';
  /** px; what it is read or seen in at least. */
  least: number;
  /** px; how high it is in the width that it gets, where that has been measured; else it is reckoned from its box. */
  height?: number;
}

/** The grid of the view that things are arranged for; px. */
export interface ArrangeGrid {
  columns: number;
  gutter: number;
  width: number;
  rowHeight: number;
}

/** How things are arranged: one below another; side by side where two were and have room; or so that images come first. */
export type ArrangeWay = 'stacked' | 'two across' | 'images first';

export const ARRANGE_WAYS: readonly ArrangeWay[] = ['stacked', 'two across', 'images first'];

/** Where a thing comes to stand; what fills its area is cropped by it. */
export interface ArrangedPart<Id extends string = string> {
  id: Id;
  area: Area;
  fills: boolean;
  /** px from the start of its area, where its sign stands, where that needs no column of its own. */
  inset?: number;
}

export interface Arranged<Id extends string = string> {
  /** In the order in which they are read. */
  parts: ArrangedPart<Id>[];
  /** How many rows they take. */
  rows: number;
}

/** Things that stay together: those that lie over one another, and signs with their lines. */
interface Together {
  /** What is behind the others, as it holds most of them. */
  behind?: Arrangeable;
  members: Arrangeable[];
  box: Box;
}

const rolesOf = (group: readonly Arrangeable[]): string =>
  group
    .map(({ role }) => role)
    .sort()
    .join(' ');

/** Returns what stays together, in reading order; with images before the text beside them where that is wanted. */
function clusters(things: readonly Arrangeable[], way: ArrangeWay): Together[] {
  const belongs = belonging(things.map(({ box }) => box));
  const units = clustered([...things.keys()], belongs).map((group) =>
    togetherOf(group.map((index) => things[index])),
  );
  const readable = units.map(({ box, behind, members }, index) => ({
    id: String(index),
    box,
    role: rolesOf(behind ? [behind, ...members] : members),
  }));
  const read =
    way === 'images first'
      ? imagesFirst(readable, ({ id }) => isImage(units[Number(id)]))
      : readingOrder(readable);
  return read.map((index) => units[Number(index)]);
}

function togetherOf(group: readonly Arrangeable[]): Together {
  const size = ({ box }: Arrangeable) => box.width * box.height;
  const largest = group.reduce((best, each) => (size(each) > size(best) ? each : best));
  const on = group.filter((each) => each !== largest && covered(each.box, largest.box) > 1 / 2);
  const behind = on.length > 0 && on.length === group.length - 1 ? largest : undefined;
  const members = group.filter((each) => each !== behind);
  const order = readingOrder(members);
  return {
    behind,
    members: order.map((id) => theOne(members, (each) => each.id === id)),
    box: around(group.map(({ box }) => box)),
  };
}

/** Columns of the grid that things may take; 1-based. */
interface Strip {
  column: number;
  span: number;
}

const widthOf = ({ column, span }: Strip, { columns, gutter, width }: ArrangeGrid): number => {
  const edges = columnEdges(width, columns, gutter);
  return edges[column + span - 2].right - edges[column - 1].left;
};

/** How many rows a thing takes in a strip: words as many as they would grow to at least, an image about its shape. */
function rowsIn(
  { box, role, height: measured }: Arrangeable,
  strip: Strip,
  grid: ArrangeGrid,
  inset = 0,
): number {
  const width = Math.max(1, widthOf(strip, grid) - inset);
  if (role === 'picture') return Math.max(1, Math.round((width * box.height) / box.width / grid.rowHeight));
  if (measured !== undefined) return rowsFor(measured, grid.rowHeight);
  const height = role === 'words' && width < box.width ? (box.height * box.width) / width : box.height;
  // Rows grow with what is in them; those that are too many would leave a gap.
  return Math.max(1, Math.floor(height / grid.rowHeight + 0.001));
}

const part = (thing: Arrangeable, strip: Strip, row: number, rows: number): ArrangedPart => ({
  id: thing.id,
  area: { ...strip, row, rows },
  fills: thing.role === 'picture' && !isIcon(thing.box),
});

/** A column that is so many times wider than a sign would part it from its line. */
const WIDE = 2;

/** px that a line stands from the start of a strip of columns that are too wide for a sign; none where it stands before the sign. */
function insetBy(sign: Box, line: Box, strip: Strip, grid: ArrangeGrid): number | undefined {
  const by = line.left - sign.left;
  const wide = widthOf({ ...strip, span: 1 }, grid) > WIDE * sign.width;
  return by > 0 && wide && by < widthOf(strip, grid) / 2 ? Math.round(by) : undefined;
}

/** One below another from a row on, a row between. */
function stackedFrom(
  things: readonly Arrangeable[],
  strip: Strip,
  from: number,
  grid: ArrangeGrid,
): ArrangedPart[] {
  let row = from;
  const parts: ArrangedPart[] = [];
  for (let index = 0; index < things.length; index += 1) {
    const [thing, next] = [things[index], things.at(index + 1)];
    const sign = next && isIconOf(thing.box, next.box) ? thing : undefined;
    const line = sign ? sure(next, 'next') : next && isIconOf(next.box, thing.box) ? thing : undefined;
    const mark = sign ?? (line ? next : undefined);
    const inset = line && mark && insetBy(mark.box, line.box, strip, grid);
    if (line && mark && inset !== undefined) {
      const rows = rowsIn(line, strip, grid, inset);
      const own: Strip = { column: strip.column, span: 1 };
      parts.push(part(mark, own, row, rows), { ...part(line, strip, row, rows), inset });
      row += rows + 1;
      index += 1;
      continue;
    }
    if (line && mark && strip.span > 1) {
      const beside: Strip =
        mark === sign
          ? { column: strip.column + 1, span: strip.span - 1 }
          : { column: strip.column, span: strip.span - 1 };
      const rows = rowsIn(line, beside, grid);
      const own: Strip = { column: mark === sign ? strip.column : strip.column + strip.span - 1, span: 1 };
      parts.push(
        ...(mark === sign
          ? [part(mark, own, row, rows), part(line, beside, row, rows)]
          : [part(line, beside, row, rows), part(mark, own, row, rows)]),
      );
      row += rows + 1;
      index += 1;
      continue;
    }
    const rows = rowsIn(thing, strip, grid);
    parts.push(part(thing, strip, row, rows));
    row += rows + 1;
  }
  return parts;
}

/** What lies on something is put one below another on it, in a column from its sides where there are enough. */
function over({ behind, members }: Together, strip: Strip, from: number, grid: ArrangeGrid): ArrangedPart[] {
  const back = sure(behind, 'behind');
  const narrow: Strip = { column: strip.column + 1, span: strip.span - 2 };
  const room = narrow.span > 0 && members.every(({ least }) => least <= widthOf(narrow, grid));
  const parts = stackedFrom(members, room ? narrow : strip, from + 1, grid);
  const below = rowsTaken(parts.map(({ area }) => area)) + 1;
  const rows = Math.max(rowsIn(back, strip, grid), below - from + 1);
  // In the middle of what is behind them, where that has room.
  const down = Math.floor((rows - (below - from)) / 2);
  const moved = parts.map((each) => ({ ...each, area: { ...each.area, row: each.area.row + down } }));
  return [part(back, strip, from, rows), ...moved];
}

/** What lies only partly over one another keeps the places that it had, smaller. */
function scaled({ members, box }: Together, strip: Strip, from: number, grid: ArrangeGrid): ArrangedPart[] {
  const width = widthOf(strip, grid);
  const scale = Math.min(1, width / box.width);
  return members.map((thing) => {
    const share = (px: number) => (px / box.width) * strip.span;
    const wanted = Math.max(1, Math.round(share(thing.box.width)));
    const needed = Math.ceil((Math.min(thing.least, width) / width) * strip.span);
    const span = Math.min(strip.span, Math.max(wanted, needed));
    const first = Math.round(share(thing.box.left - box.left));
    const own: Strip = { column: strip.column + Math.min(first, strip.span - span), span };
    const row = from + Math.round(((thing.box.top - box.top) * scale) / grid.rowHeight);
    return part(thing, own, row, rowsIn(thing, own, grid));
  });
}

function placedIn(unit: Together, strip: Strip, from: number, grid: ArrangeGrid): ArrangedPart[] {
  if (unit.behind) return over(unit, strip, from, grid);
  const some = unit.members.some((one) =>
    unit.members.some((other) => one !== other && overlie(one.box, other.box)),
  );
  return some ? scaled(unit, strip, from, grid) : stackedFrom(unit.members, strip, from, grid);
}

const isImage = ({ behind, members }: Together): boolean =>
  (behind ?? members[0]).role === 'picture' && !isIcon((behind ?? members[0]).box);

/** Whether two units stay side by side: they were, and each has the room it needs in half of the columns. */
function fitsBeside(one: Together, other: Together, half: number): boolean {
  const fits = ({ behind, members }: Together) =>
    [...(behind ? [behind] : []), ...members].every(({ least }) => least <= half);
  return isBefore(one.box, other.box) && fits(one) && fits(other);
}

/** Parts moved down to where they cover nothing that they did not lie over in the base. */
function uncovered(parts: readonly ArrangedPart[], things: ReadonlyMap<string, Arrangeable>): ArrangedPart[] {
  const placed: (Area & { box: Box; inset?: number })[] = [];
  return parts.map((each) => {
    const { box } = knownIn(things, each.id);
    // A sign may share the columns of its line alone where that keeps room for it.
    const area = firstFree(
      each.area,
      placed,
      each.area.row,
      (other) =>
        overlie(other.box, box) ||
        ((each.inset ?? other.inset) !== undefined && belongTogether(other.box, box)),
    );
    const at = placed.findLastIndex(({ row }) => row <= area.row) + 1;
    placed.splice(at, 0, { ...area, box, inset: each.inset });
    return { ...each, area };
  });
}

/**
 * A layout of things for the grid of a view, from their boxes in the base view: in the order in which they are read, with a row between
 * one and the next, and what lay over one another, or belonged together, together. Nothing is left out, stands outside, or covers what it
 * did not cover. The same boxes give the same layout.
 */
export function arranged<Id extends string>(
  things: readonly Arrangeable<Id>[],
  grid: ArrangeGrid,
  way: ArrangeWay,
): Arranged<Id> {
  const units = clusters(things, way);
  const whole: Strip = { column: 1, span: grid.columns };
  const halves: Strip[] = [
    { column: 1, span: Math.floor(grid.columns / 2) },
    { column: Math.floor(grid.columns / 2) + 1, span: grid.columns - Math.floor(grid.columns / 2) },
  ];
  const half = grid.columns > 1 ? Math.min(...halves.map((strip) => widthOf(strip, grid))) : 0;
  const parts: ArrangedPart[] = [];
  let row = 1;
  for (let index = 0; index < units.length; index += 1) {
    const [one, other] = [units[index], units.at(index + 1)];
    const before = parts.length;
    if (way === 'two across' && other && fitsBeside(one, other, half)) {
      parts.push(...placedIn(one, halves[0], row, grid), ...placedIn(other, halves[1], row, grid));
      index += 1;
    } else parts.push(...placedIn(one, whole, row, grid));
    row = rowsTaken(parts.slice(before).map(({ area }) => area)) + 2;
  }
  const clear = uncovered(parts, new Map(things.map((thing) => [thing.id, thing])));
  return {
    parts: clear as ArrangedPart<Id>[],
    rows: rowsTaken(clear.map(({ area }) => area)),
  };
}
