import { knownIn, sure } from '../sure.ts';
import { rowsFor, united, type Area } from './areas.ts';
import type { ArrangeGrid } from './arrange.ts';
import { around, bottom, columnEdges, right, type Box } from './boxes.ts';
import { readingOrder } from './reading.ts';
import { belongTogether, clustered, isAbove, overlie } from './relations.ts';

/** A part of an overlay that may have to be tidied, as it was measured. */
export interface Tidyable<Id extends string = string> {
  id: Id;
  /** Its box in the view that is tidied. */
  box: Box;
  /** Its box in the base view; none where it is not shown there. */
  base?: Box;
  area: Area;
  /** px from the top of its area, where it is held to that; none where it is held otherwise, so that its area says more than its size. */
  offset?: number;
  /** It is as wide as what is in it. */
  small: boolean;
}

/** What was mended of a part, and what that has to do with another one. */
export type Mend<Id extends string = string> =
  /** It stood out of the overlay. */
  | { id: Id; why: 'outside' }
  /** Its area had more rows than it needs. */
  | { id: Id; why: 'too large'; from: number; to: number }
  /** It stood above one that it stands below in the base, or below one that it stands above there. */
  | { id: Id; why: 'crossed'; other: Id }
  /** It lay over one that it does not lie over in the base. */
  | { id: Id; why: 'covered'; other: Id }
  /** It stood another number of rows below one than like ones do, which stand alike in the base. */
  | { id: Id; why: 'uneven'; other: Id; from: number; to: number };

/** Where a part stands once all is tidied; `inside`: held to its area, with nothing that leads out of it. */
export interface TidiedPart<Id extends string = string> {
  id: Id;
  area: Area;
  inside: boolean;
}

export interface Tidied<Id extends string = string> {
  /** In the order in which they were made. */
  mends: Mend<Id>[];
  /** Those that stand otherwise now; some only as others made room, or left some. */
  parts: TidiedPart<Id>[];
}

/** Things on the way to being tidy; they are changed in place. */
interface Part<Id extends string> extends Tidyable<Id> {
  inside: boolean;
}

/** Parts that belong together, as they do in the base; they are moved as one. */
interface Unit<Id extends string> {
  parts: Part<Id>[];
  area: Area;
  box: Box;
  /** None where none of them is shown in the base. */
  base?: Box;
  /** Its place in the reading order of the base. */
  place: number;
}

interface Work<Id extends string> {
  /** As they are read in the base. */
  units: Unit<Id>[];
  grid: ArrangeGrid;
  mends: Mend<Id>[];
}

const endOf = ({ row, rows }: Area): number => row + rows;

function measure<Id extends string>(unit: Unit<Id>): void {
  unit.area = united(unit.parts.map(({ area }) => area));
  unit.box = around(unit.parts.map(({ box }) => box));
}

function move<Id extends string>({ grid }: Work<Id>, units: readonly Unit<Id>[], rows: number): void {
  for (const unit of units) {
    for (const each of [...unit.parts, unit]) {
      each.area = { ...each.area, row: each.area.row + rows };
      each.box = { ...each.box, top: each.box.top + rows * grid.rowHeight };
    }
  }
}

/** Whether two parts lie over one another on purpose: as they do in the base, or, where that does not show both, as they do here. */
const together = <Id extends string>(one: Part<Id>, other: Part<Id>): boolean =>
  one.base && other.base ? belongTogether(one.base, other.base) : overlie(one.box, other.box);

const meetsBox = (one: Box, other: Box): boolean =>
  one.left < right(other) && other.left < right(one) && one.top < bottom(other) && other.top < bottom(one);

/** How many px a unit lies over another; 0: it does not. */
function depthOver<Id extends string>(unit: Unit<Id>, other: Unit<Id>): number {
  if (!meetsBox(unit.box, other.box)) return 0;
  let depth = 0;
  for (const { box } of unit.parts)
    for (const each of other.parts)
      if (overlie(each.box, box)) depth = Math.max(depth, bottom(each.box) - box.top);
  return depth;
}

/** Moves units up, but where one would come to lie over another by it; answers whether it did. */
function moveUp<Id extends string>(work: Work<Id>, units: readonly Unit<Id>[], rows: number): boolean {
  if (units.length === 0) return true;
  const going = new Set(units);
  const top = Math.min(...units.map(({ box }) => box.top)) - rows * work.grid.rowHeight;
  const inReach = work.units.filter((unit) => !going.has(unit) && bottom(unit.box) > top);
  const pairs = units.flatMap((unit) =>
    inReach.filter((other) => depthOver(unit, other) === 0).map((other) => [unit, other] as const),
  );
  move(work, units, -rows);
  const fits = units.every(({ area }) => area.row >= 1);
  if (fits && pairs.every(([unit, other]) => depthOver(unit, other) === 0)) return true;
  move(work, units, rows);
  return false;
}

/** The units that begin in a row or below it. */
const beginningFrom = <Id extends string>({ units }: Work<Id>, row: number): Unit<Id>[] =>
  units.filter(({ area }) => area.row >= row);

/** Takes the rows of a stretch out that nothing stands in, if nothing is covered by that. */
function closeRows<Id extends string>(work: Work<Id>, from: number, until: number): void {
  for (let row = until - 1; row >= from; row -= 1) {
    const taken = work.units.some(({ area }) => area.row <= row && row < endOf(area));
    if (!taken) moveUp(work, beginningFrom(work, row + 1), 1);
  }
}

/** What stands out is held to its area. */
function mendOutside<Id extends string>({ units, grid, mends }: Work<Id>): void {
  const edges = columnEdges(grid.width, grid.columns, grid.gutter);
  for (const unit of units) {
    for (const part of unit.parts) {
      const { box, area } = part;
      if (box.left >= -1 && right(box) <= grid.width + 1 && box.top >= -1) continue;
      const { left } = edges[area.column - 1];
      const room = edges[area.column + area.span - 2].right - left;
      const width = part.small ? Math.min(room, box.width) : room;
      part.box = { left, top: Math.max(0, box.top), width, height: box.height };
      part.inside = true;
      mends.push({ id: part.id, why: 'outside' });
    }
    measure(unit);
  }
}

/** How many rows more than it needs a part may have before that is seen. */
const SPARE = 1;

/** Areas are as high as what is in them needs, and what stands below moves up. */
function mendTooLarge<Id extends string>(work: Work<Id>): void {
  for (const unit of work.units) {
    for (const part of unit.parts) {
      if (part.offset === undefined) continue;
      const { area } = part;
      const to = rowsFor(Math.max(0, part.offset) + part.box.height, work.grid.rowHeight);
      if (area.rows <= to + SPARE) continue;
      part.area = { ...area, rows: to };
      measure(unit);
      work.mends.push({ id: part.id, why: 'too large', from: area.rows, to });
      closeRows(work, area.row + to, endOf(area));
    }
  }
}

/** Whether a unit stands above another in the base. */
const above = <Id extends string>({ base: one }: Unit<Id>, { base: other }: Unit<Id>): boolean =>
  one !== undefined && other !== undefined && isAbove(one, other);

/** Puts a unit a row below another, and makes room for it there. */
function putBelow<Id extends string>(work: Work<Id>, unit: Unit<Id>, other: Unit<Id>): void {
  const from = unit.area;
  const at = endOf(other.area);
  const below = beginningFrom(work, at).filter((each) => each !== unit);
  move(work, below, from.rows + 1);
  move(work, [unit], at + 1 - from.row);
  closeRows(work, from.row, endOf(from));
}

/** What stands in the other order than in the base comes after what it is to follow. Each unit is moved once at most. */
function mendCrossed<Id extends string>(work: Work<Id>): void {
  for (const unit of work.units) {
    let lowest: Unit<Id> | undefined;
    for (const other of work.units)
      if (isAbove(unit.box, other.box) && above(other, unit))
        if (!lowest || endOf(other.area) > endOf(lowest.area)) lowest = other;
    if (!lowest) continue;
    putBelow(work, unit, lowest);
    work.mends.push({ id: unit.parts[0].id, why: 'crossed', other: lowest.parts[0].id });
  }
}

/** What lies over what it does not lie over in the base moves down, with all that is read later and begins as far down as it does. */
function mendCovered<Id extends string>(work: Work<Id>): void {
  work.units.forEach((unit, index) => {
    const earlier = work.units.slice(0, index);
    // Each move leads past one that it lay over; there are no more of them than units before it.
    for (let time = 0; time <= index; time += 1) {
      const over = earlier.find((other) => depthOver(unit, other) > 0);
      if (!over) return;
      // With a row between, as things are arranged.
      const rows = Math.max(1, Math.ceil(depthOver(unit, over) / work.grid.rowHeight - 0.01)) + 1;
      const from = unit.area;
      const later = work.units.slice(index + 1).filter(({ area }) => area.row >= from.row);
      move(work, [unit, ...later], rows);
      // Where it began further up, it leaves no hole.
      closeRows(work, from.row, Math.min(endOf(from), over.area.row));
      work.mends.push({ id: unit.parts[0].id, why: 'covered', other: over.parts[0].id });
    }
  });
}

/** A unit that stands alone on its lines, the one above it, and how far apart they are: in rows, and in the base in px. */
interface Gap<Id extends string> {
  unit: Unit<Id>;
  above: Unit<Id>;
  rows: number;
  base: number;
}

const sameLines = (one: Area, other: Area): boolean => one.row < endOf(other) && other.row < endOf(one);

function gapsOf<Id extends string>({ units }: Work<Id>): Gap<Id>[] {
  const alone = new Set(
    units.filter((unit) => units.every((other) => other === unit || !sameLines(other.area, unit.area))),
  );
  const sorted = units.toSorted((one, other) => one.area.row - other.area.row);
  return sorted.flatMap((unit, index): Gap<Id>[] => {
    const upper = sure(sorted.at(index - 1));
    if (index === 0 || !alone.has(unit) || !alone.has(upper) || !above(upper, unit)) return [];
    // Where others stand between them in the base, the room there is none of theirs.
    const between = units.some(
      (other) => other !== unit && other !== upper && above(upper, other) && above(other, unit),
    );
    if (between) return [];
    const rows = unit.area.row - endOf(upper.area);
    return [
      { unit, above: upper, rows, base: sure(unit.base, 'base').top - bottom(sure(upper.base, 'base')) },
    ];
  });
}

/** px; stretches of the base that differ by less are alike. */
const ALIKE = 8;

/** Gaps that are alike in the base, put together. */
function likeGaps<Id extends string>(gaps: readonly Gap<Id>[]): Gap<Id>[][] {
  const sorted = gaps.toSorted((one, other) => one.base - other.base);
  const classes: Gap<Id>[][] = [];
  for (const gap of sorted) {
    const last = classes.at(-1);
    if (last && gap.base - last[0].base < ALIKE) last.push(gap);
    else classes.push([gap]);
  }
  return classes;
}

/** The number of rows that most of some gaps have; of those that are as many, the greatest. */
function usual<Id extends string>(gaps: readonly Gap<Id>[]): number {
  const counts = new Map<number, number>();
  for (const { rows } of gaps) counts.set(rows, (counts.get(rows) ?? 0) + 1);
  return [...counts].sort(([one, many], [other, more]) => more - many || other - one)[0][0];
}

/** What stands evenly in the base stands evenly here. */
function mendUneven<Id extends string>(work: Work<Id>): void {
  for (const like of likeGaps(gapsOf(work))) {
    const to = usual(like);
    for (const { unit, above: upper, rows } of like) {
      if (rows === to) continue;
      const below = beginningFrom(work, unit.area.row);
      if (to > rows) move(work, below, to - rows);
      else if (!moveUp(work, below, rows - to)) continue;
      work.mends.push({ id: unit.parts[0].id, why: 'uneven', other: upper.parts[0].id, from: rows, to });
    }
  }
}

/** So often a layout is looked through at most. */
const TIMES = 8;

/** The parts of an overlay put together to units, in the order in which they are read in the base. */
function unitsOf<Id extends string>(things: readonly Tidyable<Id>[]): Unit<Id>[] {
  const read = readingOrder(things.map(({ id, base, box }) => ({ id, role: undefined, box: base ?? box })));
  const place = new Map(read.map((id, index) => [id, index]));
  const parts = things.map((thing): Part<Id> => ({ ...thing, inside: false }));
  return clustered(parts, together)
    .map((members): Unit<Id> => {
      const bases = members.flatMap(({ base }) => (base ? [base] : []));
      return {
        parts: members,
        area: united(members.map(({ area }) => area)),
        box: around(members.map(({ box }) => box)),
        ...(bases.length > 0 && { base: around(bases) }),
        place: Math.min(...members.map(({ id }) => knownIn(place, id))),
      };
    })
    .sort((one, other) => one.place - other.place);
}

/**
 * Mends what is wrong in a layout, and keeps all else as it is: what stands outside, has too large an area, stands in another order, or
 * covers what it does not cover in the base view, or is spaced unevenly. The same layout is mended the same; a tidy one is left alone.
 */
export function tidied<Id extends string>(things: readonly Tidyable<Id>[], grid: ArrangeGrid): Tidied<Id> {
  const work: Work<Id> = { units: unitsOf(things), grid, mends: [] };
  mendOutside(work);
  mendTooLarge(work);
  // Making room for one may bring another out of order.
  for (let time = 0, made = -1; time < TIMES && made < work.mends.length; time += 1) {
    made = work.mends.length;
    mendCrossed(work);
    mendCovered(work);
    mendUneven(work);
  }
  const parts = new Map(work.units.flatMap((unit) => unit.parts).map((part) => [part.id, part]));
  return {
    mends: saidOnce(work.mends),
    parts: things.flatMap(({ id, area: { row, rows } }) => {
      const { area, inside } = knownIn(parts, id);
      return inside || row !== area.row || rows !== area.rows ? [{ id, area, inside }] : [];
    }),
  };
}

/** Mends of which the same of one part, which had to be made more than once, is said once. */
export function saidOnce<Id extends string>(mends: readonly Mend<Id>[]): Mend<Id>[] {
  const bySentence = new Map(mends.toReversed().map((mend) => [`${mend.why} ${mend.id}`, mend]));
  return mends.filter((mend) => bySentence.get(`${mend.why} ${mend.id}`) === mend);
}
