import { freeze } from 'immer';
import { same } from '../../layered/express.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Page, Site } from '../../site/site.ts';
import { remember } from '../../site/lineage.ts';
import { keysOf, nodesIn, pagesIn, type Operation } from './operation.ts';
import { isSoft, shapeUnder, SITE, type Shape } from './shape.ts';
import { lookup } from '../../lookup.ts';

type Entries = Record<string, unknown>;
type Entry = { id: string };

/** An operation does not fit the site that it is to change. */
class Misfit extends Error {}

/** What of a site has been copied to be changed: everything else stays the very same objects. */
class Copies {
  private readonly made = new Set<object>();

  /** A container that may be changed in place: a copy of the given one, made once. */
  of<T extends object>(container: T): T {
    if (this.made.has(container)) return container;
    const copy = (Array.isArray(container) ? [...(container as unknown[])] : { ...container }) as T;
    this.made.add(copy);
    return copy;
  }

  freeze(): void {
    for (const each of this.made) freeze(each);
  }
}

const frozen = (value: unknown): unknown => freeze(structuredClone(value), true);

const KEY = /^[A-Za-z0-9][\w.-]{0,119}$/;

interface Change {
  operation: Operation;
  inverse: Operation[];
  copies: Copies;
}

function indexOf(entries: readonly unknown[], id: string): number {
  return entries.findIndex((entry) => (entry as Entry).id === id);
}

/** Changes the order of ids, or of entries with ids, and says how to take that back. */
function reordered(held: unknown, shape: Shape, { operation, inverse, copies }: Change): unknown {
  if (!('id' in operation) || !Array.isArray(held)) throw new Misfit();
  const { path, id } = operation;
  const idOf = (entry: unknown) => (shape.is === 'list' ? (entry as Entry).id : entry) as string;
  const at = held.findIndex((entry) => idOf(entry) === id);
  const before = held.slice(0, Math.max(at, 0)).map(idOf).reverse();
  const back: Operation = at < 0 ? { op: 'take', path, id } : { op: 'put', path, id, after: before };
  const entries = copies.of(held as unknown[]);
  const [entry] = at < 0 ? [id] : entries.splice(at, 1);
  if (operation.op === 'take') {
    if (shape.is === 'list') throw new Misfit();
    if (at >= 0) inverse.push(back);
    return entries;
  }
  if (at < 0 && shape.is === 'list') throw new Misfit();
  const places = entries.map(idOf);
  const neighbour = operation.after.find((each) => each !== id && places.includes(each));
  entries.splice(neighbour === undefined ? 0 : places.indexOf(neighbour) + 1, 0, entry);
  inverse.push(back);
  return entries;
}

/** Sets or clears what stands under the last key of a path. */
function placed(container: object, key: string, { operation, inverse }: Change): void {
  const { path } = operation;
  const entries = container as Entries | Entry[];
  if (Array.isArray(entries)) {
    const at = indexOf(entries, key);
    if (at >= 0) {
      const after = entries.slice(0, at).map(({ id }) => id);
      const list = path.slice(0, path.lastIndexOf('/'));
      // Read backwards: first the entry, then its place.
      if (operation.op === 'clear') inverse.push({ op: 'put', path: list, id: key, after: after.reverse() });
      inverse.push({ op: 'set', path, value: entries[at] });
    } else if (operation.op === 'set') inverse.push({ op: 'clear', path });
    if (operation.op === 'clear') {
      if (at >= 0) entries.splice(at, 1);
    } else if (operation.op === 'set') {
      const entry = frozen(operation.value) as Entry;
      if (entry?.id !== key) throw new Misfit();
      if (at < 0) entries.push(entry);
      else entries[at] = entry;
    }
    return;
  }
  const there = Object.hasOwn(entries, key);
  if (there) inverse.push({ op: 'set', path, value: lookup(entries, key) });
  else if (operation.op === 'set') inverse.push({ op: 'clear', path });
  if (operation.op === 'set') entries[key] = frozen(operation.value);
  else delete entries[key];
}

/** What stands at a place with an operation made in it; undefined where nothing is left of something soft. */
function changed(held: unknown, shape: Shape, keys: readonly string[], change: Change): unknown {
  const { operation, copies } = change;
  const [key, ...rest] = keys;
  if (key === undefined) return reordered(held, shape, change);
  const below = KEY.test(key) ? shapeUnder(shape, key) : undefined;
  if (!below || (held !== undefined && (typeof held !== 'object' || held === null))) throw new Misfit();
  if (held === undefined && !isSoft(shape)) throw new Misfit();
  const container = copies.of(held ?? {});
  if (rest.length === 0 && !('id' in operation)) {
    // What has parts of its own is changed by its parts, unless it is an entry that comes or goes whole.
    if (below.is !== 'unit' && shape.is !== 'map' && shape.is !== 'list') throw new Misfit();
    placed(container, key, change);
  } else {
    const entries = container as Entries & Entry[];
    const at = Array.isArray(container) ? indexOf(container, key) : key;
    const inner = at === -1 || !Object.hasOwn(entries, at) ? undefined : lookup(entries as Entries, at);
    const next = changed(inner, below, rest, change);
    if (next === undefined) delete (entries as Entries)[at];
    else (entries as Entries)[at] = next;
  }
  return isSoft(shape) && Object.keys(container).length === 0 ? undefined : container;
}

/** A site that was changed, and the operations that take the change back. */
export interface Applied {
  site: Site;
  inverse: Operation[];
}

/**
 * A site with operations made in it, in their order; what they do not touch stays the very same objects. Refused when one
 * does not fit: what it would change is not there, or no such place is known. Whether what is left is a valid site is
 * asked elsewhere.
 */
export function applied(site: Site, operations: readonly Operation[]): Outcome<Applied> {
  const copies = new Copies();
  const inverse: Operation[] = [];
  let next: unknown = site;
  try {
    for (const operation of operations) {
      const back: Operation[] = [];
      next = changed(next, SITE, keysOf(operation.path), { operation, inverse: back, copies });
      inverse.push(...back);
    }
  } catch (error) {
    if (!(error instanceof Misfit)) throw error;
    return refused('The change no longer fits: what it would change no longer exists. Nothing was changed.');
  }
  copies.freeze();
  const made = next as Site;
  for (const id of pagesIn(operations) as Set<NodeId>) {
    const [before, after]: (Page | undefined)[] = [site.pages[id], made.pages[id]];
    const nodes = nodesIn(operations, id) as Set<NodeId> | undefined;
    if (before && after && before !== after && nodes) remember(after, before, [...nodes]);
  }
  return done({ site: made, inverse: inverse.reverse() });
}

/** What stands at a place of a site; undefined where nothing does. */
function valueAt(site: Site, path: string): unknown {
  let held: unknown = site;
  for (const key of keysOf(path)) {
    if (typeof held !== 'object' || held === null) return undefined;
    if (Array.isArray(held)) held = held[indexOf(held, key)];
    else held = Object.hasOwn(held, key) ? lookup(held as Entries, key) : undefined;
  }
  return held;
}

/**
 * Whether what operations made is still there: only then can they be undone without replacing what was done since.
 * An entry that was put somewhere may have been given other neighbours.
 */
export function isApplied(site: Site, operations: readonly Operation[]): boolean {
  return operations.every((operation) => {
    const held = valueAt(site, operation.path);
    if (operation.op === 'set') return same(held, operation.value);
    if (operation.op === 'clear') return held === undefined;
    const there =
      Array.isArray(held) &&
      held.some((entry) => entry === operation.id || (entry as Entry).id === operation.id);
    return there === (operation.op === 'put');
  });
}
