import { around, bottom, right, type Box } from './boxes.ts';

/** A thing on a page whose place among others is asked for. */
export interface Readable<Id extends string = string> {
  id: Id;
  box: Box;
  /** What kind of thing it is: things of one kind that stand in rows or columns are read alike. */
  kind?: string;
}

/** Things that are read as one: a sign with its line, words with the picture they lie on. */
interface Unit {
  box: Box;
  kind: string;
  /** The things in it, by their places in the list, as they are read. */
  members: number[];
}

/** px; boxes that have less than that in common along an axis only touch. */
const TOUCH = 1;

/** px along an axis that two boxes have in common; negative: so far apart. */
const commonAcross = (one: Box, other: Box): number =>
  Math.min(right(one), right(other)) - Math.max(one.left, other.left);
const commonDown = (one: Box, other: Box): number =>
  Math.min(bottom(one), bottom(other)) - Math.max(one.top, other.top);

/** The share of the smaller of two boxes that lies in the other. */
export function covered(one: Box, other: Box): number {
  const [across, down] = [commonAcross(one, other), commonDown(one, other)];
  if (across <= TOUCH || down <= TOUCH) return 0;
  const least = Math.min(one.width * one.height, other.width * other.height);
  return least > 0 ? (across * down) / least : 0;
}

/** Whether one box stands wholly above another, over the same stretch across. */
export const isAbove = (one: Box, other: Box): boolean =>
  commonAcross(one, other) > TOUCH && bottom(one) <= other.top + TOUCH && one.top < other.top;

/** Whether one box stands wholly before another, on the same lines. */
export const isBefore = (one: Box, other: Box): boolean =>
  commonDown(one, other) > TOUCH && right(one) <= other.left + TOUCH && one.left < other.left;

/** px; a thing up to that high and wide is a sign that may belong to the line beside it. */
const SIGN = 48;

/** The parts into which stretches fall where none of them is: cuts along white space, each so wide at least. */
function parted<T>(things: readonly T[], from: (thing: T) => number, to: (thing: T) => number): T[][] {
  const sorted = [...things].sort((one, other) => from(one) - from(other));
  const parts: T[][] = [];
  let end = -Infinity;
  for (const thing of sorted) {
    if (from(thing) >= end - TOUCH) parts.push([thing]);
    else parts.at(-1)!.push(thing);
    end = Math.max(end, to(thing));
  }
  return parts;
}

const bandsOf = (units: readonly Unit[]): Unit[][] =>
  parted(
    units,
    ({ box }) => box.top,
    ({ box }) => bottom(box),
  );
const columnsOf = (units: readonly Unit[]): Unit[][] =>
  parted(
    units,
    ({ box }) => box.left,
    ({ box }) => right(box),
  );

const kindsOf = (units: readonly Unit[]): string =>
  units
    .map(({ kind }) => kind)
    .sort()
    .join(' ');

/** px; the least room between parts that follow one another along an axis. */
function leastRoom(parts: readonly Unit[][], axis: 'across' | 'down'): number {
  const boxes = parts.map((units) => around(units.map(({ box }) => box)));
  const rooms = boxes
    .slice(1)
    .map((box, index) =>
      axis === 'across' ? box.left - right(boxes[index]) : box.top - bottom(boxes[index]),
    );
  return Math.min(...rooms);
}

/** Rows that are so many times further apart than the columns are no columns. */
const APART = 3;

/** Rows of things that differ more in height are no rows of a table. */
const ALIKE = 1.5;

const heightOf = (units: readonly Unit[]): number => around(units.map(({ box }) => box)).height;

/** Whether bands are like the rows of a table or a gallery: the same kinds, of about one height, with their tops on one line. */
function areRows(all: readonly Unit[][]): boolean {
  // The last one may be cut short.
  const bands = all.length > 2 ? all.slice(0, -1) : all;
  if (new Set(bands.map(kindsOf)).size > 1) return false;
  const heights = bands.map(heightOf);
  if (Math.max(...heights) > ALIKE * Math.min(...heights)) return false;
  return bands.every((band) => {
    const tops = band.map(({ box }) => box.top);
    return Math.max(...tops) - Math.min(...tops) <= heightOf(band) / 2;
  });
}

/**
 * Whether bands that have white space in common from top to bottom are read column by column. Rows that are alike, as those of a table or
 * a gallery, are read row by row; columns that are alike, as cards, one after the other; else what stands nearer together goes together.
 */
function readsInColumns(bands: readonly Unit[][], columns: readonly Unit[][]): boolean {
  // The last row of a table, or of cards, may be cut short.
  const rows = bands.length > 2 ? bands.slice(0, -1) : bands;
  const full = rows.every((band) => columns.every((column) => column.some((unit) => band.includes(unit))));
  const [down, across] = [leastRoom(bands, 'down'), leastRoom(columns, 'across')];
  // Where a band leaves columns empty, only what is much nearer below than beside belongs to its column.
  if (!full) return down <= across / 2;
  if (areRows(bands)) return false;
  const alike = new Set(
    columns.map((column) =>
      bands.map((band) => kindsOf(column.filter((unit) => band.includes(unit)))).join(),
    ),
  );
  return down <= (alike.size === 1 ? APART * Math.max(across, 1) : across);
}

/** Bands put together as long as they are no further apart than the columns: rows of cards are read row by row. */
function nearBands(bands: readonly Unit[][], columns: readonly Unit[][]): Unit[][][] {
  const across = leastRoom(columns, 'across');
  const groups: Unit[][][] = [];
  for (const band of bands) {
    const before = groups.at(-1);
    if (before && leastRoom([before.at(-1)!, band], 'down') <= across) before.push(band);
    else groups.push([band]);
  }
  // Where all are further apart than that, nothing says what goes together.
  return groups.length < bands.length ? groups : [[...bands]];
}

/** Units of one column, and the stretch that they take across. */
interface Column {
  units: Unit[];
  left: number;
  right: number;
}

/** Columns and further units, put together where they stand over one another. */
const joined = (columns: readonly Column[], units: readonly Unit[]): Column[][] =>
  parted(
    [...columns, ...units.map((unit) => ({ units: [unit], left: unit.box.left, right: right(unit.box) }))],
    (column) => column.left,
    (column) => column.right,
  );

/** One column of several; the units go to the first of them. */
function merged([first, ...others]: readonly Column[]): Column {
  for (const { units, left, right: end } of others) {
    first.units.push(...units);
    first.left = Math.min(first.left, left);
    first.right = Math.max(first.right, end);
  }
  return first;
}

/** The longest run of bands from one on that have white space in common from top to bottom. */
function runFrom(bands: readonly Unit[][], from: number): { until: number; columns: Unit[][] } {
  let until = from + 1;
  let columns = joined([], bands[from]).map(merged);
  while (columns.length > 1 && until < bands.length && bands[until].length > 1) {
    const next = joined(columns, bands[until]);
    // One that bridges the white space between two columns ends the run.
    if (next.length < columns.length) break;
    columns = next.map(merged);
    until += 1;
  }
  return { until, columns: columns.map(({ units }) => units) };
}

/** Units as they are read: cut along the white space, first across, then down. */
function cut(units: readonly Unit[]): Unit[] {
  if (units.length < 2) return [...units];
  const bands = bandsOf(units);
  const read: Unit[] = [];
  for (let at = 0; at < bands.length;) {
    const { until, columns } = runFrom(bands, at);
    const run = bands.slice(at, until);
    if (columns.length > 1 && (run.length === 1 || readsInColumns(run, columns))) {
      for (const near of nearBands(run, columns))
        for (const column of columnsOf(near.flat())) read.push(...cut(column));
      at = until;
    } else if (columns.length > 1 && areRows(run)) {
      for (const band of run) read.push(...cut(band));
      at = until;
    } else {
      read.push(...(bands[at].length === units.length ? byCorner(units) : cut(bands[at])));
      at += 1;
    }
  }
  return read;
}

/** Where no white space parts them: from the top, and from the start among those of one height. */
const byCorner = (units: readonly Unit[]): Unit[] =>
  [...units].sort((one, other) => one.box.top - other.box.top || one.box.left - other.box.left);

/** Things put together with those that belong to them, and with those of these; each list in the order of the things. */
export function clustered<T>(things: readonly T[], together: (one: T, other: T) => boolean): T[][] {
  const clusters: T[][] = [];
  const left = new Set(things.keys());
  for (const first of things.keys()) {
    if (!left.delete(first)) continue;
    const cluster = [first];
    for (const each of cluster)
      for (const other of left)
        if (together(things[each], things[other])) {
          left.delete(other);
          cluster.push(other);
        }
    clusters.push(cluster.sort((one, other) => one - other).map((index) => things[index]));
  }
  return clusters;
}

/** From which share of the smaller on two boxes lie over one another on purpose. */
const OVER = 0.02;

export const overlie = (one: Box, other: Box): boolean => covered(one, other) > OVER;

/** Whether a box is so small that it may be a sign. */
export const isSign = ({ width, height }: Box): boolean => width <= SIGN && height <= SIGN;

/** Whether a sign stands beside a line: at its start or its end, on its height, nearer than it is wide. */
export function isSignOf(sign: Box, line: Box): boolean {
  if (!isSign(sign) || isSign(line)) return false;
  const room = Math.max(line.left - right(sign), sign.left - right(line));
  return room >= -TOUCH && room <= Math.max(SIGN / 2, sign.width) && commonDown(sign, line) > sign.height / 2;
}

/** Whether two boxes belong together: as they lie over one another, or one is the sign of the other. */
export const belongTogether = (one: Box, other: Box): boolean =>
  commonDown(one, other) > 0 && (overlie(one, other) || isSignOf(one, other) || isSignOf(other, one));

/** So many things that hold others are told apart; what lies over one another deeper than that is read from the top. */
const DEEPEST = 8;

/** What lies over one another: first what is behind all, as it holds most of the others, then the others as they are read. */
function overOneAnother(things: readonly Readable[], members: readonly number[], depth: number): number[] {
  const area = (index: number): number => things[index].box.width * things[index].box.height;
  const largest = members.reduce((best, each) => (area(each) > area(best) ? each : best));
  const rest = members.filter((each) => each !== largest);
  const holds = rest.some((each) => covered(things[each].box, things[largest].box) > 1 / 2);
  if (!holds || depth > DEEPEST) return byCornerOf(things, members);
  return [largest, ...readAll(things, rest, depth + 1)];
}

/** The things of a list as they are read; those that lie over one another, and signs with their lines, stay together. */
function readAll(things: readonly Readable[], members: readonly number[], depth = 0): number[] {
  const over = (one: number, other: number) => overlie(things[one].box, things[other].box);
  const together = (one: number, other: number) => belongTogether(things[one].box, things[other].box);
  const units = clustered(members, together).map((cluster): Unit => {
    const lies = cluster.some((one, index) => cluster.slice(index + 1).some((other) => over(one, other)));
    return {
      box: around(cluster.map((each) => things[each].box)),
      kind: cluster
        .map((each) => things[each].kind ?? '')
        .sort()
        .join(' '),
      members: lies ? overOneAnother(things, cluster, depth) : byLeft(things, cluster),
    };
  });
  return cut(units).flatMap((unit) => unit.members);
}

const byLeft = (things: readonly Readable[], members: readonly number[]): number[] =>
  members.toSorted((one, other) => things[one].box.left - things[other].box.left || one - other);

const byCornerOf = (things: readonly Readable[], members: readonly number[]): number[] =>
  members.toSorted(
    (one, other) =>
      things[one].box.top - things[other].box.top ||
      things[one].box.left - things[other].box.left ||
      one - other,
  );

/** An order as near as can be to a wanted one in which what stands above or before another comes first. */
function extended(things: readonly Readable[], wanted: readonly number[]): number[] {
  const first = (one: Box, other: Box) => isAbove(one, other) || isBefore(one, other);
  const followers = wanted.map((): number[] => []);
  const waiting = wanted.map(() => 0);
  for (const one of wanted)
    for (const other of wanted)
      if (one !== other && first(things[one].box, things[other].box)) {
        followers[one].push(other);
        waiting[other] += 1;
      }
  const left = [...wanted];
  const read: number[] = [];
  while (left.length > 0) {
    const [next] = left.splice(
      Math.max(
        0,
        left.findIndex((each) => waiting[each] === 0),
      ),
      1,
    );
    read.push(next);
    for (const each of followers[next]) waiting[each] -= 1;
  }
  return read;
}

/**
 * The order in which a person reads things from their boxes: by recursive cuts along the white space between them (G. Nagy and
 * S. Seth, “Hierarchical representation of optically scanned documents”, ICPR 1984), with what belongs together kept together. What stands
 * above another, or before it on its lines, is always read first.
 */
export const readingOrder = <Id extends string>(things: readonly Readable<Id>[]): Id[] =>
  extended(things, readAll(things, [...things.keys()])).map((index) => things[index].id);

/** Things as they are read, but for pictures, which come before the words that they stood beside. */
export function picturesFirst<T extends { box: Box }>(
  things: readonly T[],
  isPicture: (thing: T) => boolean,
): T[] {
  const next = [...things];
  for (let index = 0; index + 1 < next.length; index += 1) {
    const [one, other] = [next[index], next[index + 1]];
    if (!isPicture(one) && isPicture(other) && isBefore(one.box, other.box)) {
      next[index] = other;
      next[index + 1] = one;
      // It may have to go past more of the words beside it.
      index = Math.max(-1, index - 2);
    }
  }
  return next;
}
