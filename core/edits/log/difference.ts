import { same } from '../../layered/express.ts';
import { pointer } from '../../pointer.ts';
import type { Operation } from './operation.ts';
import { isSoft, type Shape } from './shape.ts';
import { lookup } from '../../lookup.ts';

type Entries = Record<string, unknown>;

/** The indices of a longest run of increasing numbers among others. */
function increasing(numbers: readonly number[]): Set<number> {
  // For each length the index of the least number that ends a run of it, and for each index the one before it in its run.
  const ends: number[] = [];
  const before: (number | undefined)[] = [];
  numbers.forEach((number, index) => {
    const found = ends.findIndex((end) => numbers[end] >= number);
    const length = found < 0 ? ends.length : found;
    before[index] = ends[length - 1];
    ends[length] = index;
  });
  const run = new Set<number>();
  for (let at = ends.at(-1); at !== undefined; at = before[at]) run.add(at);
  return run;
}

/** The least moves that bring ids from one order to another; both hold the same ids or the new ones come in. */
function moves(from: readonly string[], to: readonly string[], path: string): Operation[] {
  const staying = to.flatMap((id) => (from.includes(id) ? [id] : []));
  const run = increasing(staying.map((id) => from.indexOf(id)));
  const still = new Set([...run].map((index) => staying[index]));
  return to.flatMap((id, index): Operation[] =>
    still.has(id) ? [] : [{ op: 'put', path, id, after: to.slice(0, index).reverse() }],
  );
}

const byId = (entries: readonly unknown[]): Entries =>
  Object.fromEntries(entries.map((entry) => [(entry as { id: string }).id, entry]));

function entries(before: Entries, after: Entries, each: Shape, path: string): Operation[] {
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((key) =>
    difference(lookup(before, key), lookup(after, key), each, pointer(path, key)),
  );
}

/** The operations that bring what stands at a place from one state to another, touching only what differs. */
export function difference(before: unknown, after: unknown, shape: Shape, path: string): Operation[] {
  if (before === after) return [];
  const whole = !isSoft(shape) && (before === undefined || after === undefined);
  if (shape.is === 'unit' || whole) {
    if (after === undefined) return [{ op: 'clear', path }];
    return same(before, after) ? [] : [{ op: 'set', path, value: after }];
  }
  switch (shape.is) {
    case 'record': {
      const [one, other] = [(before ?? {}) as Entries, (after ?? {}) as Entries];
      return Object.entries(shape.fields).flatMap(([key, field]) =>
        difference(lookup(one, key), lookup(other, key), field, pointer(path, key)),
      );
    }
    case 'map':
      return entries((before ?? {}) as Entries, (after ?? {}) as Entries, shape.each, path);
    case 'list': {
      const [one, other] = [byId(before as unknown[]), byId(after as unknown[])];
      // A new entry first stands at the end.
      const [from, to] = [Object.keys(one).filter((id) => lookup(other, id)), Object.keys(other)];
      const first = [...from, ...to.filter((id) => !lookup(one, id))];
      return [...entries(one, other, shape.each, path), ...moves(first, to, path)];
    }
    case 'places': {
      const [from, to] = [before as string[], after as string[]];
      const gone = from.filter((id) => !to.includes(id));
      return [
        ...gone.map((id): Operation => ({ op: 'take', path, id })),
        ...moves(
          from.filter((id) => to.includes(id)),
          to,
          path,
        ),
      ];
    }
  }
}
