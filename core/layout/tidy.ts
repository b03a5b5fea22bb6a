import { rowsFor, united, type Area } from './areas.ts';
import type { ArrangeGrid } from './arrange.ts';
import { around, bottom, columnEdges, right, type Box } from './boxes.ts';
import { belongTogether, clustered, isAbove, overlie, readingOrder } from './reading.ts';

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
type Unit<Id extends string> = Part<Id>[];

interface Work<Id extends string> {
  parts: Part<Id>[];
  /** Parts that belong together, as they do in the base. */
  units: Unit<Id>[];
  /** The place of each in the reading order of the base. */
  read: Map<Id, number>;
  grid: ArrangeGrid;
  mends: Mend<Id>[];
}

const endOf = ({ row, rows }: Area): number => row + rows;

function move<Id extends string>({ grid }: Work<Id>, parts: Iterable<Part<Id>>, rows: number): void {
  for (const part of parts) {
    part.area = { ...part.area, row: part.area.row + rows };
    part.box = { ...part.box, top: part.box.top + rows * grid.rowHeight };
  }
}

/** Whether two parts lie over one another on purpose: as they do in the base, or, where that does not show both, as they do here. */
const together = <Id extends string>(one: Part<Id>, other: Part<Id>): boolean =>
  one.base && other.base ? belongTogether(one.base, other.base) : overlie(one.box, other.box);

/** How many px a unit lies over another; 0: it does not. */
const depthOver = <Id extends string>(unit: Unit<Id>, other: Unit<Id>): number =>
  Math.max(
    0,
    ...unit.flatMap(({ box }) =>
      other.filter((each) => overlie(each.box, box)).map((each) => bottom(each.box) - box.top),
    ),
  );

/** How many pairs of units lie over one another that do not belong together. */
const coverings = <Id extends string>({ units }: Work<Id>): number =>
  units.reduce(
    (count, one, index) => count + units.slice(index + 1).filter((other) => depthOver(one, other) > 0).length,
    0,
  );

/** Makes a change that takes room away, but where something would come to lie over another by it. */
function ifNothingIsCovered<Id extends string>(work: Work<Id>, change: () => void): boolean {
  const before = work.parts.map(({ area, box }) => ({ area, box }));
  const count = coverings(work);
  change();
  if (coverings(work) <= count && work.parts.every(({ area }) => area.row >= 1)) return true;
  work.parts.forEach((part, index) => Object.assign(part, before[index]));
  return false;
}

/** What stands out is held to its area. */
function mendOutside<Id extends string>({ parts, grid, mends }: Work<Id>): void {
  const edges = columnEdges(grid.width, grid.columns, grid.gutter);
  for (const part of parts) {
    const { box, area } = part;
    if (box.left >= -1 && right(box) <= grid.width + 1 && box.top >= -1) continue;
    const left = edges[area.column - 1].left;
    const width = edges[area.column + area.span - 2].right - left;
    part.box = {
      left,
      top: Math.max(0, box.top),
      width: part.small ? Math.min(width, box.width) : width,
      height: box.height,
    };
    part.inside = true;
    mends.push({ id: part.id, why: 'outside' });
  }
}

const areaOf = <Id extends string>(unit: Unit<Id>): Area => united(unit.map(({ area }) => area));
const boxOf = <Id extends string>(unit: Unit<Id>): Box => around(unit.map(({ box }) => box));

/** The parts of the units that begin in a row or below it. */
const beginningFrom = <Id extends string>({ units }: Work<Id>, row: number): Part<Id>[] =>
  units.filter((unit) => areaOf(unit).row >= row).flat();

/** Takes the rows of a stretch out that nothing stands in, if nothing is covered by that. */
function closeRows<Id extends string>(work: Work<Id>, from: number, until: number): void {
  const taken = (row: number) =>
    work.units.some((unit) => {
      const area = areaOf(unit);
      return area.row <= row && row < endOf(area);
    });
  for (let row = until - 1; row >= from; row -= 1)
    if (!taken(row)) ifNothingIsCovered(work, () => move(work, beginningFrom(work, row + 1), -1));
}

/** How many rows more than it needs a part may have before that is seen. */
const SPARE = 1;

/** Areas are as high as what is in them needs, and what stands below moves up. */
function mendTooLarge<Id extends string>(work: Work<Id>): void {
  for (const part of work.parts) {
    if (part.offset === undefined) continue;
    const { area } = part;
    const to = rowsFor(Math.max(0, part.offset) + part.box.height, work.grid.rowHeight);
    if (area.rows <= to + SPARE) continue;
    part.area = { ...area, rows: to };
    work.mends.push({ id: part.id, why: 'too large', from: area.rows, to });
    closeRows(work, area.row + to, endOf(area));
  }
}

/** Whether a unit stands above another in the base. */
function above<Id extends string>(one: Unit<Id>, other: Unit<Id>): boolean {
  const [first, second] = [one, other].map((unit) => unit.flatMap(({ base }) => (base ? [base] : [])));
  return first.length > 0 && second.length > 0 && isAbove(around(first), around(second));
}

const isCrossed = <Id extends string>(one: Unit<Id>, other: Unit<Id>): boolean =>
  above(one, other) && isAbove(boxOf(other), boxOf(one));

/** Puts a unit a row below another, and makes room for it there. */
function putBelow<Id extends string>(work: Work<Id>, unit: Unit<Id>, other: Unit<Id>): void {
  const from = areaOf(unit);
  const at = endOf(areaOf(other));
  const below = beginningFrom(work, at).filter((part) => !unit.includes(part));
  move(work, below, from.rows + 1);
  move(work, unit, at + 1 - from.row);
  closeRows(work, from.row, endOf(from));
}

/** Units as they are read in the base. */
function asRead<Id extends string>({ units, read }: Work<Id>): Unit<Id>[] {
  const first = (unit: Unit<Id>) => Math.min(...unit.map(({ id }) => read.get(id)!));
  return units.toSorted((one, other) => first(one) - first(other));
}

/** What stands in the other order than in the base comes after what it is to follow. Each unit is moved once at most. */
function mendCrossed<Id extends string>(work: Work<Id>): void {
  const { units, mends } = work;
  for (const unit of asRead(work)) {
    const others = units.filter((other) => isCrossed(other, unit));
    if (others.length === 0) continue;
    const lowest = others.reduce((low, each) => (endOf(areaOf(each)) > endOf(areaOf(low)) ? each : low));
    putBelow(work, unit, lowest);
    mends.push({ id: unit[0].id, why: 'crossed', other: lowest[0].id });
  }
}

/** What lies over what it does not lie over in the base moves down, with all that is read later and begins as far down as it does. */
function mendCovered<Id extends string>(work: Work<Id>): void {
  const order = asRead(work);
  order.forEach((unit, index) => {
    // Each move leads past one that it lay over; there are no more of them than units before it.
    for (let time = 0; time <= index; time += 1) {
      const over = order.slice(0, index).find((other) => depthOver(unit, other) > 0);
      if (!over) return;
      // With a row between, as things are arranged.
      const rows = Math.max(1, Math.ceil(depthOver(unit, over) / work.grid.rowHeight - 0.01)) + 1;
      const { row } = areaOf(unit);
      const later = order.slice(index + 1).filter((each) => areaOf(each).row >= row);
      move(work, [unit, ...later].flat(), rows);
      work.mends.push({ id: unit[0].id, why: 'covered', other: over[0].id });
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
  const areas = new Map(units.map((unit) => [unit, areaOf(unit)]));
  const sorted = units.toSorted((one, other) => areas.get(one)!.row - areas.get(other)!.row);
  const alone = (unit: Unit<Id>) =>
    units.every((other) => other === unit || !sameLines(areas.get(other)!, areas.get(unit)!));
  return sorted.flatMap((unit, index): Gap<Id>[] => {
    const upper = sorted.at(index - 1)!;
    if (index === 0 || !alone(unit) || !alone(upper) || !above(upper, unit)) return [];
    const [over, own] = [upper, unit].map((each) => around(each.flatMap(({ base }) => (base ? [base] : []))));
    // Where others stand between them in the base, the room there is none of theirs.
    const between = units.some(
      (other) => other !== unit && other !== upper && above(upper, other) && above(other, unit),
    );
    if (between) return [];
    const rows = areas.get(unit)!.row - endOf(areas.get(upper)!);
    return [{ unit, above: upper, rows, base: own.top - bottom(over) }];
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
      const below = beginningFrom(work, areaOf(unit).row);
      if (!ifNothingIsCovered(work, () => move(work, below, to - rows))) continue;
      work.mends.push({ id: unit[0].id, why: 'uneven', other: upper[0].id, from: rows, to });
    }
  }
}

/** So often a layout is looked through at most. */
const TIMES = 8;

/**
 * Mends what is amiss in a layout, and keeps all else as it is: what stands outside, has too large an area, stands in another order, or
 * covers what it does not cover in the base view, or is spaced unevenly. The same layout is mended the same; a tidy one is left alone.
 */
export function tidied<Id extends string>(things: readonly Tidyable<Id>[], grid: ArrangeGrid): Tidied<Id> {
  const parts = things.map((thing): Part<Id> => ({ ...thing, inside: false }));
  const units = clustered(parts, together);
  const work: Work<Id> = {
    parts,
    units,
    read: new Map(
      readingOrder(parts.map(({ id, base, box }) => ({ id, box: base ?? box }))).map((id, at) => [id, at]),
    ),
    grid,
    mends: [],
  };
  mendOutside(work);
  mendTooLarge(work);
  // Making room for one may bring another out of order.
  for (let time = 0, made = -1; time < TIMES && made < work.mends.length; time += 1) {
    made = work.mends.length;
    mendCrossed(work);
    mendCovered(work);
    mendUneven(work);
  }
  const before = new Map(things.map(({ id, area }) => [id, area]));
  return {
    // What had to be moved more than once is said once.
    mends: work.mends.filter(
      ({ id, why }, index) => work.mends.findIndex((mend) => mend.id === id && mend.why === why) === index,
    ),
    parts: parts
      .filter(({ id, area, inside }) => {
        const { row, rows } = before.get(id)!;
        return inside || row !== area.row || rows !== area.rows;
      })
      .map(({ id, area, inside }) => ({ id, area, inside })),
  };
}
