import { lastOf } from '../sure.ts';
import { around, bottom, right, type Box } from './boxes.ts';
import { joinedBlock, kindsOf, periodOf, type Block, type Reading } from './blocks.ts';
import { clustered, isBeside, TOUCH } from './relations.ts';

/** Splits things where none of them is along an axis: cuts through white space. */
function parted<T>(things: readonly T[], from: (thing: T) => number, to: (thing: T) => number): T[][] {
  const sorted = [...things].sort((one, other) => from(one) - from(other));
  const parts: T[][] = [];
  let end = -Infinity;
  for (const thing of sorted) {
    if (from(thing) >= end - TOUCH) parts.push([thing]);
    else lastOf(parts).push(thing);
    end = Math.max(end, to(thing));
  }
  return parts;
}

const bandsOf = (blocks: readonly Block[]): Block[][] =>
  parted(
    blocks,
    ({ box }) => box.top,
    ({ box }) => bottom(box),
  );
const columnsOf = (blocks: readonly Block[]): Block[][] =>
  parted(
    blocks,
    ({ box }) => box.left,
    ({ box }) => right(box),
  );

const boxOf = (blocks: readonly Block[]): Box => around(blocks.map(({ box }) => box));

/** Returns the px between parts that follow one another along an axis. */
function gapsOf(parts: readonly Block[][], axis: 'across' | 'down'): number[] {
  const boxes = parts.map(boxOf);
  return boxes
    .slice(1)
    .map((box, index) =>
      axis === 'across' ? box.left - right(boxes[index]) : box.top - bottom(boxes[index]),
    );
}

/** Cards whose parts are more than so many times further apart than the cards are no cards. */
const APART = 3;

/** Rows of things that differ more in height are no rows of a table. */
const ALIKE = 1.5;

/** Whether bands are like the rows of a table or a gallery: the same kinds, of about one height, with their tops on one line. */
function areRows(all: readonly Block[][]): boolean {
  // The last one may be cut short.
  const bands = all.length > 2 ? all.slice(0, -1) : all;
  if (new Set(bands.map(kindsOf)).size > 1) return false;
  const heights = bands.map((band) => boxOf(band).height);
  if (Math.max(...heights) > ALIKE * Math.min(...heights)) return false;
  return bands.every((band) => {
    const tops = band.map(({ box }) => box.top);
    return Math.max(...tops) - Math.min(...tops) <= boxOf(band).height / 2;
  });
}

/** Whether blocks are lists or texts that go on below: only words, of several parts. */
const areTexts = (bands: readonly Block[][]): boolean =>
  bands.every((band) => band.every(({ kind, size }) => size > 1 && /^words( words)*$/.test(kind)));

/**
 * Splits bands that have white space in common from top to bottom into runs of bands that are read column by column; nothing where they
 * are read row by row. Rows that are alike, as those of a table, a gallery or a list of cards, are read row by row; what stands nearer to
 * what is below than to what is beside it is read column by column.
 */
function columnRuns(bands: readonly Block[][], columns: readonly Block[][]): Block[][][] | undefined {
  if (bands.length === 1) return [[...bands]];
  const [down, across] = [Math.min(...gapsOf(bands, 'down')), Math.min(...gapsOf(columns, 'across'))];
  const isFull = (band: Block[]) => columns.every((column) => column.some((block) => band.includes(block)));
  // The last row of a table, or of cards, may be cut short.
  const rows = bands.length > 2 ? bands.slice(0, -1) : bands;
  // Where a band leaves columns empty, only what is much nearer below than beside belongs to its column.
  if (!rows.every(isFull)) return down <= across / 2 ? [[...bands]] : undefined;
  if (areRows(bands)) return areTexts(bands) && down < across ? [[...bands]] : undefined;
  const period = periodOf(bands.map(kindsOf));
  const cards = Array.from({ length: Math.ceil(bands.length / period) }, (_each, index) =>
    bands.slice(index * period, (index + 1) * period),
  );
  const inCards = cards.every((card) => {
    const kinds = columns.map((column) =>
      card.map((band) => kindsOf(column.filter((block) => band.includes(block)))).join(),
    );
    return new Set(kinds).size === 1;
  });
  const furthest = Math.max(...cards.flatMap((card) => gapsOf(card, 'down')), 0);
  if (inCards && period > 1 && furthest <= APART * Math.max(across, 1)) return cards;
  if (down > across) return undefined;
  return nearBands(bands, across);
}

/** Joins bands that are no further apart than the columns; all of them where none are. */
function nearBands(bands: readonly Block[][], across: number): Block[][][] {
  const groups: Block[][][] = [];
  for (const band of bands) {
    const before = groups.at(-1);
    if (before && gapsOf([lastOf(before), band], 'down')[0] <= across) before.push(band);
    else groups.push([band]);
  }
  return groups.length < bands.length ? groups : [[...bands]];
}

/** Blocks of one column, and the stretch that they take across. */
interface Column {
  blocks: Block[];
  left: number;
  right: number;
}

/** Groups columns and further blocks that are above or below one another. */
const joined = (columns: readonly Column[], blocks: readonly Block[]): Column[][] =>
  parted(
    [
      ...columns,
      ...blocks.map((block) => ({ blocks: [block], left: block.box.left, right: right(block.box) })),
    ],
    (column) => column.left,
    (column) => column.right,
  );

/** Merges columns into the first of them. */
function merged([first, ...others]: readonly Column[]): Column {
  for (const { blocks, left, right: end } of others) {
    first.blocks.push(...blocks);
    first.left = Math.min(first.left, left);
    first.right = Math.max(first.right, end);
  }
  return first;
}

/** Returns the longest run of bands from one on that have white space in common from top to bottom. */
function runFrom(bands: readonly Block[][], from: number): { until: number; columns: Block[][] } {
  let until = from + 1;
  let columns = joined([], bands[from]).map(merged);
  while (columns.length > 1 && until < bands.length && bands[until].length > 1) {
    const next = joined(columns, bands[until]);
    // One that bridges the white space between two columns ends the run.
    if (next.length < columns.length) break;
    columns = next.map(merged);
    until += 1;
  }
  return { until, columns: columns.map(({ blocks }) => blocks) };
}

/** Parts that stand side by side; one alone is itself. */
export const across = (parts: Reading[]): Reading =>
  parts.length === 1 ? parts[0] : { axis: 'across', parts };
/** Parts that stand one below another; one alone is itself. */
export const down = (parts: Reading[]): Reading => (parts.length === 1 ? parts[0] : { axis: 'down', parts });

/** Columns nearer to one another than this share of the widest gap stay together at first. */
const WIDE_GAP = 0.75;

/** Reads columns one after the other, those that are nearer to one another together. */
function readColumns(columns: readonly Block[][]): Reading {
  const gaps = gapsOf(columns, 'across');
  const widest = Math.max(...gaps);
  const groups = [[columns[0]]];
  gaps.forEach((gap, index) => {
    if (gap >= Math.min(widest, WIDE_GAP * widest)) groups.push([columns[index + 1]]);
    else lastOf(groups).push(columns[index + 1]);
  });
  return across(groups.map((group) => cut(group.flat())));
}

/** Columns that differ more in width are a text and its side notes. */
const AS_WIDE = 1.4;

/** A middle column is at most this share as wide as those beside it. */
const NARROW = 1 / 2;

/** Joins the blocks of a narrow middle column, as dates, with the only blocks that they are beside; nothing where that is not clear. */
function withoutMiddle(columns: readonly Block[][]): Block[][] | undefined {
  if (columns.length !== 3) return columns.length === 2 ? [...columns] : undefined;
  const [first, middle, last] = columns;
  const [left, narrow, end] = columns.map((column) => boxOf(column).width);
  if (narrow > NARROW * Math.min(left, end)) return undefined;
  const besides = (block: Block) => middle.filter(({ box }) => isBeside(box, block.box));
  const owned = [...first, ...last].map(besides);
  if (owned.some(({ length }) => length > 1)) return undefined;
  if (owned.flat().length !== middle.length || new Set(owned.flat()).size !== middle.length) return undefined;
  return [first, last].map((side) =>
    side.map((block) => {
      const beside = besides(block);
      return beside.length === 1
        ? {
            ...joinedBlock(side === first ? [block, ...beside] : [...beside, block], 'across'),
            box: block.box,
          }
        : block;
    }),
  );
}

/**
 * Reads two columns whose blocks alternate, as the events on both sides of a line or cards that are staggered: pairs on the same lines,
 * then the next ones; nothing where they do not alternate.
 */
function readAlternating(all: readonly Block[][]): Reading | undefined {
  const columns = withoutMiddle(all);
  if (!columns || columns.some((column) => bandsOf(column).length !== column.length)) return undefined;
  if (columns.some((column) => column.length < 2) && columns.flat().length < 3) return undefined;
  const [one, other] = columns.map((column) => boxOf(column).width);
  if (Math.max(one, other) > AS_WIDE * Math.min(one, other)) return undefined;
  const gap = Math.max(0, ...gapsOf(columns, 'across'));
  const within = columns.flatMap((column) => gapsOf(bandsOf(column), 'down'));
  if (within.length === 0 || Math.min(...within) < Math.min(gap, NEAR_PAIR)) return undefined;
  const pairs = clustered(columns.flat(), (first, second) => isBeside(first.box, second.box));
  if (pairs.some((pair) => pair.length > 2)) return undefined;
  const inOrder = pairs.toSorted((first, second) => boxOf(first).top - boxOf(second).top);
  // From one to the next the side changes, or both sides are taken.
  const sideOf = (pair: Block[]) => (pair.length > 1 ? undefined : columns[0].includes(pair[0]));
  const alternates = inOrder.every(
    (pair, index) => index === 0 || sideOf(pair) === undefined || sideOf(pair) !== sideOf(inOrder[index - 1]),
  );
  return alternates ? down(inOrder.map((pair) => readPair(pair))) : undefined;
}

/** px; blocks of a column this far apart are of their own. */
const NEAR_PAIR = 60;

const readPair = (pair: readonly Block[]): Reading =>
  across(pair.toSorted((one, other) => one.box.left - other.box.left).map(({ reading }) => reading));

/** Reads blocks: cut along the white space, first across, then down. */
export function cut(blocks: readonly Block[]): Reading {
  if (blocks.length === 1) return blocks[0].reading;
  const bands = bandsOf(blocks);
  const read: Reading[] = [];
  for (let at = 0; at < bands.length;) {
    const { until, columns } = runFrom(bands, at);
    const run = bands.slice(at, until);
    const alternating = columns.length > 1 ? readAlternating(columns) : undefined;
    const runs = columns.length > 1 && !alternating ? columnRuns(run, columns) : undefined;
    if (alternating) {
      read.push(alternating);
      at = until;
    } else if (runs) {
      read.push(...runs.map((each) => readColumns(columnsOf(each.flat()))));
      at = until;
    } else if (columns.length > 1 && areRows(run)) {
      read.push(...run.map((band) => cut(band)));
      at = until;
    } else {
      read.push(bands[at].length === blocks.length ? byCorner(blocks) : cut(bands[at]));
      at += 1;
    }
  }
  return down(read);
}

/** Reads blocks that no white space parts: from the top, and from the start among those of one height. */
const byCorner = (blocks: readonly Block[]): Reading =>
  down(
    [...blocks]
      .sort((one, other) => one.box.top - other.box.top || one.box.left - other.box.left)
      .map(({ reading }) => reading),
  );
