import { lastOf } from '../sure.ts';
import { around, bottom, right, type Box } from './boxes.ts';
import { clustered, covered, isBeside, sharedAcross, sharedDown, TOUCH } from './relations.ts';

/** Things that are read as one, in nested order: a thing's index, or the parts of a block with the axis along which they follow. */
export type Reading = number | { axis: 'across' | 'down'; parts: Reading[] };

/** A thing, or several that belong together, whose place among others is looked for. */
export interface Block {
  box: Box;
  /** What kinds of things it is made of; blocks of the same kinds in rows or columns are read alike. */
  kind: string;
  /** How it is read. */
  reading: Reading;
  /** How many blocks it was made of. */
  size: number;
}

/** px; edges this near to one another are aligned. */
const ALIGNED = 4;

const isNear = (one: number, other: number): boolean => Math.abs(one - other) <= ALIGNED;

const centre = ({ left, width }: Box): number => left + width / 2;

const sharesAnEdge = (one: Box, other: Box): boolean =>
  isNear(one.left, other.left) || isNear(right(one), right(other)) || isNear(centre(one), centre(other));

/** The kinds of some blocks, sorted, as one text that can be compared. */
export const kindsOf = (blocks: readonly { kind: string }[]): string =>
  blocks
    .map(({ kind }) => kind)
    .sort()
    .join(' ');

/** Joins blocks that follow one another along an axis into one. */
export const joinedBlock = (blocks: readonly Block[], axis: 'across' | 'down'): Block => ({
  box: around(blocks.map(({ box }) => box)),
  kind: kindsOf(blocks),
  reading: { axis, parts: blocks.map(({ reading }) => reading) },
  size: blocks.reduce((sum, { size }) => sum + size, 0),
});

const ratioOf = (numbers: readonly number[]): number => Math.max(...numbers) / Math.min(...numbers);

/** px; the lines of a table are no higher than three lines of text. */
const TABLE_LINE = 80;

/** Returns low blocks on one line, from its start, whose tops or centres are aligned; those alone on their line are left out. */
function linesOf(blocks: readonly Block[]): Block[][] {
  const low = blocks.filter(({ box, kind }) => box.height <= TABLE_LINE && kind !== 'picture');
  const middle = ({ top, height }: Box) => top + height / 2;
  return clustered(
    low,
    ({ box: one }, { box: other }) =>
      sharedAcross(one, other) <= TOUCH && (isNear(one.top, other.top) || isNear(middle(one), middle(other))),
  )
    .filter((line) => line.length > 1)
    .map((line) => line.toSorted((one, other) => one.box.left - other.box.left));
}

const isInColumn = (one: Block, other: Block): boolean =>
  one.kind === other.kind &&
  (isNear(one.box.left, other.box.left) || isNear(right(one.box), right(other.box)));

const boxOf = (blocks: readonly Block[]): Box => around(blocks.map(({ box }) => box));

/** Returns the px between boxes that follow one another from the start. */
const gapsAcross = (line: readonly Block[]): number[] =>
  line.slice(1).map(({ box }, index) => box.left - right(line[index].box));

/** Columns that differ more in width are those of a table, not of text. */
const WIDER = 1.25;

/** Lines of a table are at most so many times as high as the lowest; most are nearly as high. */
const HIGHEST_LINE = 2.5;

/** Whether lines below one another are those of a table: about as high, with columns of other widths or lines far apart. */
function isTable(lines: readonly Block[][]): boolean {
  const heights = lines.map((line) => boxOf(line).height);
  if (ratioOf(heights) > (lines.length > 2 ? HIGHEST_LINE : WIDER)) return false;
  const lowest = Math.min(...heights);
  if (heights.filter((height) => height <= WIDER * lowest).length < lines.length / 2) return false;
  const boxes = lines.map(boxOf).sort((one, other) => one.top - other.top);
  const between = Math.min(...boxes.slice(1).map((box, index) => box.top - bottom(boxes[index])));
  if (lines.some((line) => ratioOf(line.map(({ box }) => box.width)) > WIDER)) return true;
  if (between >= Math.min(...lines.flatMap(gapsAcross))) return true;
  return lines.every((line) => line.length === 2) && between >= lowest / 2;
}

/** Returns how many cards a line goes through: as many as its blocks, if each is next to an image or a button of its own; else none. */
const cardsAlong = (line: readonly Block[], blocks: readonly Block[]): number => {
  const hasOwn = (side: 'above' | 'below') =>
    line.every((block) => {
      const next = onlyNext(block, blocks, side);
      return next && next.kind !== block.kind && distance(block, next) <= FAR;
    });
  return hasOwn('above') || hasOwn('below') ? line.length : 0;
};

/** Splits a line through tables side by side: where the widths of its columns repeat. */
function splitLine(line: readonly Block[]): Block[][] {
  const period = periodOf(line.map(({ box }) => String(Math.round(box.width))));
  const size = period > 1 && line.length % period === 0 ? period : line.length;
  return Array.from({ length: line.length / size }, (_each, index) =>
    line.slice(index * size, (index + 1) * size),
  );
}

/** Joins the lines of tables: what is repeated below one another in aligned columns. */
export function joinTableLines(blocks: readonly Block[]): Block[] {
  const follows = (one: Block[], other: Block[]): boolean => {
    const columns = one.filter((block) => other.some((each) => isInColumn(block, each)));
    const [first, second] = [boxOf(one), boxOf(other)];
    return columns.length > 1 && -sharedDown(first, second) <= 2 * Math.max(first.height, second.height);
  };
  const joined = new Map<Block, Block[]>();
  for (const table of clustered(linesOf(blocks), follows)) {
    const cards = Math.max(...table.map((line) => cardsAlong(line, blocks)));
    const lines = table
      .filter((line) => line.length > cards)
      .map((line) =>
        line.filter((block) =>
          table.some((other) => other !== line && other.some((each) => isInColumn(block, each))),
        ),
      )
      .filter((line) => line.length > 1);
    if (lines.length > 1 && isTable(lines))
      for (const part of lines.flatMap(splitLine)) for (const block of part) joined.set(block, part);
  }
  const result = blocks.flatMap((block) => {
    const line = joined.get(block);
    if (!line) return [block];
    return line[0] === block ? [joinedBlock(line, 'across')] : [];
  });
  return isClear(result) ? result : [...blocks];
}

/** Whether no block covers another. */
const isClear = (blocks: readonly Block[]): boolean =>
  blocks.every((one, index) => blocks.slice(index + 1).every((other) => covered(one.box, other.box) === 0));

/** Blocks nearer to the one below than this share of the distance to the one beside belong to it. */
const NEARER = 0.75;

/** px; blocks further apart than this are not joined; those that are not about as wide, not even this far. */
const FAR = 48;
const FAR_UNALIGNED = 24;

const distance = ({ box: one }: Block, { box: other }: Block): number => -sharedDown(one, other);

/** Returns the only block directly below another or above it, where there is only one. */
function onlyNext(block: Block, blocks: readonly Block[], side: 'below' | 'above'): Block | undefined {
  const candidates = blocks.filter(
    (each) =>
      each !== block &&
      sharedAcross(each.box, block.box) > TOUCH &&
      (side === 'below'
        ? each.box.top >= bottom(block.box) - TOUCH
        : bottom(each.box) <= block.box.top + TOUCH),
  );
  if (candidates.length === 0) return undefined;
  const next = candidates.reduce((best, each) =>
    distance(block, each) < distance(block, best) ? each : best,
  );
  const isAlone = candidates.every((each) => each === next || sharedDown(each.box, next.box) <= TOUCH);
  return isAlone ? next : undefined;
}

const besideOf = (block: Block, blocks: readonly Block[]): Block[] =>
  blocks.filter((each) => each !== block && sharedDown(each.box, block.box) > TOUCH);

/** Whether two blocks above one another and their neighbours alternate: an image beside text, then text beside an image. */
function alternate(above: Block, below: Block, blocks: readonly Block[]): boolean {
  const hasBeside = (block: Block, kind: string) =>
    blocks.some((each) => each.kind === kind && isBeside(each.box, block.box));
  return above.kind !== below.kind && hasBeside(above, below.kind) && hasBeside(below, above.kind);
}

/** Whether a block and the only one below it belong together, from how near they are and how they are aligned. */
function isStack(above: Block, below: Block, blocks: readonly Block[]): boolean {
  const gap = below.box.top - bottom(above.box);
  const beside = Math.min(
    ...[above, below].flatMap((block) =>
      besideOf(block, blocks).map((each) => -sharedAcross(each.box, block.box)),
    ),
  );
  if (gap > NEARER * beside || gap > FAR) return false;
  const [narrow, wide] = [above.box.width, below.box.width].sort((one, other) => one - other);
  const aligned = sharesAnEdge(above.box, below.box) && narrow >= wide / 2;
  return (aligned || gap <= FAR_UNALIGNED) && !alternate(above, below, blocks);
}

/** Returns after how many entries a list of kinds repeats; its length where it does not. */
export function periodOf(kinds: readonly string[]): number {
  for (let period = 1; period <= kinds.length / 2; period += 1)
    if (kinds.every((kind, index) => kind === kinds[index % period])) return period;
  return kinds.length;
}

/** A distance so many times the least in a stack may part it. */
const PARTS = 2;

/** Splits a stack of blocks into those that belong together: cards that repeat, or what begins on one line with something beside it. */
function cardsOf(stack: readonly Block[], others: readonly Block[]): Block[][] {
  const period = periodOf(stack.map(({ kind }) => kind));
  const gaps = stack.slice(1).map((block, index) => distance(stack[index], block));
  const least = Math.max(1, Math.min(...gaps));
  const begins = (block: Block, index: number): boolean =>
    period > 1 && period < stack.length
      ? index % period === 0
      : gaps[index - 1] >= PARTS * least && others.some(({ box }) => isNear(box.top, block.box.top));
  const cards: Block[][] = [];
  stack.forEach((block, index) => {
    if (index === 0 || begins(block, index)) cards.push([block]);
    else lastOf(cards).push(block);
  });
  return cards;
}

/** Joins blocks with those below them that belong to them: a heading with its text, an image with its caption. */
export function joinStacks(blocks: readonly Block[]): Block[] {
  const next = new Map<Block, Block>();
  for (const above of blocks) {
    const below = onlyNext(above, blocks, 'below');
    if (below && onlyNext(below, blocks, 'above') === above && isStack(above, below, blocks))
      next.set(above, below);
  }
  const inside = new Set(next.values());
  const joined: Block[] = [];
  for (const first of blocks) {
    if (inside.has(first)) continue;
    const stack = [first];
    for (let below = next.get(first); below; below = next.get(below)) stack.push(below);
    const others = blocks.filter((each) => !stack.includes(each));
    const box = around(stack.map((each) => each.box));
    const isFree = others.every((each) => covered(each.box, box) === 0);
    if (isFree)
      joined.push(
        ...cardsOf(stack, others).map((card) => (card.length > 1 ? joinedBlock(card, 'down') : card[0])),
      );
    else joined.push(...stack);
  }
  return joined;
}
