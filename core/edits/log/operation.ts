import { pointer } from '../../pointer.ts';

/**
 * The operations that edits are made of. A path is a JSON Pointer (RFC 6901) into the site, with ids in place of
 * indices, so that it means the same after other people's edits. Which paths there are is said by the table in `shape.ts`.
 */
export type Operation =
  /** Gives a place a value. */
  | { op: 'set'; path: string; value: unknown }
  /** Takes what stands at a place away. */
  | { op: 'clear'; path: string }
  /**
   * Puts an entry into its place in the order at `path`: behind the first of `after` that is there, or at the start. The
   * entry's predecessors are all named, nearest first: its place is known even when its neighbour has gone.
   */
  | { op: 'put'; path: string; id: string; after: string[] }
  /** Takes an entry out of the order at `path`. */
  | { op: 'take'; path: string; id: string };

/** The keys of a path. */
export const keysOf = (path: string): string[] =>
  path
    .split('/')
    .slice(1)
    .map((key) => key.replaceAll('~1', '/').replaceAll('~0', '~'));

/** The document that a path leads into: the site's frame, or a page by its id. */
export type DocumentName = { frame: true } | { frame: false; page: string };

/** The document that an operation changes; undefined for a path that leads nowhere. */
export function documentOf({ path }: Operation): DocumentName | undefined {
  const [first, page] = keysOf(path);
  if (first === 'frame') return { frame: true };
  return first === 'pages' && page !== undefined ? { frame: false, page } : undefined;
}

/** The pages that operations change, by id. */
export const pagesIn = (operations: readonly Operation[]): Set<string> =>
  new Set(
    operations.flatMap((operation) => {
      const document = documentOf(operation);
      return document && !document.frame ? [document.page] : [];
    }),
  );

/** The elements of a page that operations change: their ids. Undefined where the page as a whole comes or goes. */
export function nodesIn(operations: readonly Operation[], page: string): Set<string> | undefined {
  const nodes = new Set<string>();
  for (const { path } of operations) {
    const [first, id, part, node] = keysOf(path);
    if (first !== 'pages' || id !== page) continue;
    if (part === undefined) return undefined;
    if (part === 'nodes' && node !== undefined) nodes.add(node);
  }
  return nodes;
}

/** What an operation changes, as a path: a place of its own where it is an entry's place in an order. */
const spot = (operation: Operation): string =>
  'id' in operation ? `${pointer(operation.path, operation.id)}/@place` : operation.path;

function around(path: string): string[] {
  const all: string[] = [];
  for (let end = path.length; end > 0; end = path.lastIndexOf('/', end - 1)) all.push(path.slice(0, end));
  return all;
}

/**
 * Those of some operations that touch what others touch: the same value, the same entry's place in the order of the same
 * container, or something within what the others set or took away as a whole. Two entries that are put behind the same
 * neighbour do not touch: both find room.
 */
export function overlapping(some: readonly Operation[], others: readonly Operation[]): Operation[] {
  const spots = new Set(others.map(spot));
  const surroundings = new Set([...spots].flatMap(around));
  return some.filter((operation) => {
    const mine = spot(operation);
    return surroundings.has(mine) || around(mine).some((path) => spots.has(path));
  });
}
