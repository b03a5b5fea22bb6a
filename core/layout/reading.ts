import { around, type Box } from './boxes.ts';
import { joinStacks, joinTableLines, type Block, type Reading } from './blocks.ts';
import { across, down, cut } from './cutting.ts';
import { belonging, clustered, covered, isAbove, isBefore, overlie } from './relations.ts';

/** A thing on a page whose place among others is asked for. */
export interface Readable<Id extends string = string> {
  id: Id;
  box: Box;
  /** What kind of thing it is: `words`, `picture`, or another; things of the same kinds in rows or columns are read alike. */
  role: string | undefined;
}

/** So many things that hold others are told apart; what overlaps deeper than that is read from the top. */
const DEEPEST = 8;

/** Reads what overlaps: first what is behind all, as it holds most of the others, then the others as they are read. */
function readOverlapping(things: readonly Readable[], members: readonly number[], depth: number): Reading {
  const area = (index: number): number => things[index].box.width * things[index].box.height;
  const largest = members.reduce((best, each) => (area(each) > area(best) ? each : best));
  const rest = members.filter((each) => each !== largest);
  const holds = rest.some((each) => covered(things[each].box, things[largest].box) > 1 / 2);
  if (!holds || depth > DEEPEST) return down(byCornerOf(things, members));
  return down([largest, readThings(things, rest, depth + 1)]);
}

/** px; a line drawn between columns is no wider than this, and many times as high. */
const LINE = 8;

const isDrawnLine = ({ width, height }: Box): boolean => width <= LINE && height >= 20 * width;

/** Reads things of a list; those that overlap, and icons with their lines, stay together. */
function readThings(things: readonly Readable[], members: readonly number[], depth = 0): Reading {
  const lines = members.filter((each) => isDrawnLine(things[each].box));
  if (lines.length > 0 && lines.length < members.length) {
    const others = members.filter((each) => !lines.includes(each));
    return down([...lines, readThings(things, others, depth)]);
  }
  const over = (one: number, other: number) => overlie(things[one].box, things[other].box);
  const belongs = belonging(members.map((each) => things[each].box));
  const groups = clustered([...members.keys()], belongs).map((group) => group.map((place) => members[place]));
  const blocks = groups.map((cluster): Block => {
    const overlaps = cluster.some((one, index) => cluster.slice(index + 1).some((other) => over(one, other)));
    return {
      box: around(cluster.map((each) => things[each].box)),
      kind: cluster
        .map((each) => things[each].role ?? '')
        .sort()
        .join(' '),
      reading: overlaps ? readOverlapping(things, cluster, depth) : across(byLeft(things, cluster)),
      size: 1,
    };
  });
  return cut(joinStacks(joinTableLines(blocks)));
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

/** Returns the order nearest to a wanted one in which whatever has to come first does. */
function extended(
  things: readonly Readable[],
  wanted: readonly number[],
  first: (one: Box, other: Box) => boolean,
): number[] {
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

const flat = (reading: Reading): number[] =>
  typeof reading === 'number' ? [reading] : reading.parts.flatMap(flat);

/** Whether one box comes before another in every reading: it is above it, or before it on the same lines and no drawn line. */
const comesFirst = (one: Box, other: Box): boolean =>
  isAbove(one, other) || (isBefore(one, other) && !isDrawnLine(one) && !isDrawnLine(other));

/**
 * Returns the ids of things in the order in which a person reads them, from their boxes: what belongs together is joined from the inside
 * out, then the rest is cut recursively along white space (G. Nagy and S. Seth, “Hierarchical representation of optically scanned
 * documents”, ICPR 1984). What is above another thing, or before it on the same lines, always comes first.
 */
export function readingOrder<Id extends string>(things: readonly Readable<Id>[]): Id[] {
  if (things.length === 0) return [];
  const read = flat(readThings(things, [...things.keys()]));
  return extended(things, read, comesFirst).map((index) => things[index].id);
}

/** Moves images, and blocks that begin with one, before the text that they are beside. */
function leading(reading: Reading, isImage: (index: number) => boolean): Reading {
  if (typeof reading === 'number') return reading;
  const parts = reading.parts.map((part) => leading(part, isImage));
  if (reading.axis === 'down') return { axis: 'down', parts };
  const begins = (part: Reading) => isImage(flat(part)[0]);
  return { axis: 'across', parts: [...parts.filter(begins), ...parts.filter((part) => !begins(part))] };
}

/** As `readingOrder`, but with images before the text that they are beside; what belongs together stays together. */
export function imagesFirst<Id extends string>(
  things: readonly Readable<Id>[],
  isImage: (thing: Readable<Id>) => boolean,
): Id[] {
  if (things.length === 0) return [];
  const read = flat(leading(readThings(things, [...things.keys()]), (index) => isImage(things[index])));
  return extended(things, read, isAbove).map((index) => things[index].id);
}
