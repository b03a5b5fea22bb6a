import { lastOf } from '../sure.ts';
import { heldSpan, heldStart } from './spans.ts';

/** The columns and rows that a part of an overlay takes; 1-based, whole. */
export interface Area {
  column: number;
  span: number;
  row: number;
  rows: number;
}

export type Axis = 'across' | 'down';

/** An area as a stretch along one axis: where it begins and how long it is. */
const stretch = (area: Area, axis: Axis): { start: number; length: number } =>
  axis === 'across' ? { start: area.column, length: area.span } : { start: area.row, length: area.rows };

const placed = (area: Area, axis: Axis, start: number, length = stretch(area, axis).length): Area =>
  axis === 'across' ? { ...area, column: start, span: length } : { ...area, row: start, rows: length };

const endOf = (area: Area, axis: Axis): number => stretch(area, axis).start + stretch(area, axis).length;

/** The area that a grid of so many columns has room for: narrower where it has to be, and far enough left. Rows begin at 1. */
export const heldArea = ({ column, span, row, rows }: Area, columns: number): Area => ({
  column: heldStart(column, span, columns),
  span: heldSpan(span, columns),
  row: Math.max(1, row),
  rows: Math.max(1, rows),
});

/** How many rows areas reach down to; 0 where there are none. */
export const rowsTaken = (areas: readonly Area[]): number =>
  areas.reduce((most, { row, rows }) => Math.max(most, row + rows - 1), 0);

/** The smallest area that holds some; there is at least one. */
export function united(areas: readonly Area[]): Area {
  const column = Math.min(...areas.map((area) => area.column));
  const row = Math.min(...areas.map((area) => area.row));
  return {
    column,
    row,
    span: Math.max(...areas.map((area) => endOf(area, 'across'))) - column,
    rows: Math.max(...areas.map((area) => endOf(area, 'down'))) - row,
  };
}

/** Whether two areas have a cell in common. */
export const meet = (one: Area, other: Area): boolean =>
  one.row < other.row + other.rows &&
  other.row < one.row + one.rows &&
  one.column < other.column + other.span &&
  other.column < one.column + one.span;

/** Whether all cells of an area are among those of another. */
export const within = (inner: Area, outer: Area): boolean =>
  inner.row >= outer.row &&
  inner.row + inner.rows <= outer.row + outer.rows &&
  inner.column >= outer.column &&
  inner.column + inner.span <= outer.column + outer.span;

/** An area like another, as far up as it can be, from a row on, without meeting any of those that are there but for some. */
export function firstFree<Taken extends Area>(
  area: Area,
  taken: readonly Taken[],
  from = area.row,
  mayMeet: (each: Taken) => boolean = () => false,
): Area {
  const free = { ...area, row: from };
  // From the top: what it has been moved past is not met again.
  for (const each of taken.toSorted((one, other) => one.row - other.row)) {
    if (each.row >= free.row + free.rows) break;
    if (meet(each, free) && !mayMeet(each)) free.row = each.row + each.rows;
  }
  return free;
}

export type Line = 'start' | 'center' | 'end';

/** Areas with one of their edges, or their middles, on one line: that of the outermost, and the middle of all. Sizes stay. */
export function linedUp(areas: readonly Area[], axis: Axis, line: Line): Area[] {
  if (areas.length === 0) return [];
  const from = Math.min(...areas.map((area) => stretch(area, axis).start));
  const to = Math.max(...areas.map((area) => endOf(area, axis)));
  return areas.map((area) => {
    const { length } = stretch(area, axis);
    const start = { start: from, center: Math.floor((from + to - length) / 2), end: to - length }[line];
    return placed(area, axis, start);
  });
}

/** Areas as long as one of them along an axis. */
export const sameLength = (areas: readonly Area[], lead: Area, axis: Axis): Area[] =>
  areas.map((area) => placed(area, axis, stretch(area, axis).start, stretch(lead, axis).length));

/**
 * Areas with the same room between each and the next, in the order in which they begin. With a step, the first stays and the others
 * follow at that distance; without one, the first and the last stay, and what room there is between is shared out as evenly as whole
 * steps allow. Where there is none, they follow one another without any.
 */
export function spacedEvenly(areas: readonly Area[], axis: Axis, step?: number): Area[] {
  if (areas.length < 2) return [...areas];
  const order = [...areas.keys()].sort(
    (one, other) => stretch(areas[one], axis).start - stretch(areas[other], axis).start || one - other,
  );
  const lengths = order.map((index) => stretch(areas[index], axis).length);
  const first = stretch(areas[order[0]], axis).start;
  const last = endOf(areas[lastOf(order)], axis);
  const room = Math.max(0, last - first - lengths.reduce((sum, each) => sum + each, 0));
  const gaps = order.length - 1;
  const next = [...areas];
  let at = first;
  order.forEach((index, nth) => {
    next[index] = placed(areas[index], axis, at);
    // The remainder goes to the gaps that come first, one step each.
    at += lengths[nth] + (step ?? Math.floor(room / gaps) + (nth < room % gaps ? 1 : 0));
  });
  return next;
}

/** The areas of things that belong to others, the nth to the nth: each in the rows of its own, in its columns. */
export const besideEach = (areas: readonly Area[], others: readonly Area[]): Area[] =>
  areas.map((area, index) => {
    const other = others.at(index);
    return other ? { ...area, row: other.row, rows: other.rows } : area;
  });

/** How many rows so many px need, of rows of a height; at least one. A hair more than whole rows needs no further one. */
export const rowsFor = (px: number, rowHeight: number): number =>
  Math.max(1, Math.ceil((px - 0.01) / rowHeight));

/** The rows up to the last one taken that no area takes; 1-based. */
export function emptyRows(areas: readonly Area[]): number[] {
  const taken = new Set(
    areas.flatMap(({ row, rows }) => Array.from({ length: rows }, (_each, nth) => row + nth)),
  );
  return Array.from({ length: rowsTaken(areas) }, (_each, index) => index + 1).filter(
    (row) => !taken.has(row),
  );
}

/** Areas moved up over the rows that none of them takes. */
export function withoutEmptyRows(areas: readonly Area[]): Area[] {
  const empty = emptyRows(areas);
  return areas.map((area) => ({ ...area, row: area.row - empty.filter((row) => row < area.row).length }));
}

/** Areas by what takes them. */
export type Areas<Id> = ReadonlyMap<Id, Area>;

/** Those areas that have a cell in common with any of some others. */
export const meeting = <Id>(areas: Areas<Id>, others: Iterable<Area>): Id[] => {
  const all = [...others];
  return [...areas].filter(([, area]) => all.some((other) => meet(area, other))).map(([id]) => id);
};

/** Areas in groups, each of which hangs together: within one, each meets another; those of two never meet. The uppermost first. */
function hangingTogether<Id>(areas: Areas<Id>): Map<Id, Area>[] {
  const left = new Map([...areas].sort(([, one], [, other]) => one.row - other.row));
  const groups: Map<Id, Area>[] = [];
  for (let [first] = left; first; [first] = left) {
    const group = new Map([first]);
    left.delete(first[0]);
    // A map that grows while it is gone through is gone through to its new end.
    for (const [, area] of group)
      for (const [id, other] of left)
        if (meet(area, other)) {
          group.set(id, other);
          left.delete(id);
        }
    groups.push(group);
  }
  return groups;
}

/** By how many rows an area has to go down to be below all of some that it meets; 0 where it meets none. */
const rowsPast = (area: Area, others: readonly Area[]): number =>
  others.reduce(
    (most, other) => (meet(area, other) ? Math.max(most, other.row + other.rows - area.row) : most),
    0,
  );

/**
 * The rows that areas come to begin at that make room for what was `placed` among them: those that meet it go down by no more than is needed,
 * and those that they would meet then. What overlapped before stays together. Only what changes is answered.
 */
export function pushedDown<Id>(areas: Areas<Id>, placed: Iterable<Area>): Map<Id, number> {
  const taken = [...placed];
  const rows = new Map<Id, number>();
  for (const group of hangingTogether(areas)) {
    const members = [...group.values()];
    const needed = (down: number) =>
      Math.max(...members.map((area) => rowsPast({ ...area, row: area.row + down }, taken)));
    let down = 0;
    // Past one it may meet the next; each time it goes further down, so that it comes past all.
    for (let more = needed(0); more > 0; more = needed(down)) down += more;
    for (const [id, area] of group) {
      taken.push({ ...area, row: area.row + down });
      if (down > 0) rows.set(id, area.row + down);
    }
  }
  return rows;
}
