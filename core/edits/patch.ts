import { applyPatches, enablePatches, freeze, type Patch } from 'immer';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../site/nodeid.ts';
import { done, refused, type Outcome } from '../site/outcome.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { pointer } from '../site/validate.ts';
import { withNodes } from './draft.ts';

enablePatches();

/** The operations of RFC 6902 (JSON Patch) that edits are made of. */
export type Operation =
  { op: 'add' | 'replace'; path: string; value: unknown } | { op: 'remove'; path: string };

/** Immer's patches as JSON Patch: the same operations, with the path as a JSON Pointer (RFC 6901). */
export function toJsonPatch(patches: readonly Patch[]): Operation[] {
  return patches.map(({ op, path, value }) =>
    op === 'remove'
      ? { op, path: pointer('', ...path) }
      : { op, path: pointer('', ...path), value: value as unknown },
  );
}

function keysOf(path: string): string[] {
  return path
    .split('/')
    .slice(1)
    .map((key) => key.replace(/~1/g, '/').replace(/~0/g, '~'));
}

/** JSON Patch as Immer's patches. */
export function fromJsonPatch(operations: readonly Operation[]): Patch[] {
  return operations.map((operation) => ({
    op: operation.op,
    path: keysOf(operation.path),
    value: operation.op === 'remove' ? undefined : operation.value,
  }));
}

/** A page with patches applied, node by node where they are about nodes only. */
function patchedPage(page: Page, patches: readonly Patch[]): Page {
  if (!patches.every(({ path }) => path[0] === 'nodes' && path.length > 1))
    return applyPatches(page, patches);
  const changed: Record<string, Node | undefined> = {};
  for (const { path, ...patch } of patches) {
    const [, id, ...rest] = path as string[];
    const node = id in changed ? changed[id] : page.nodes[id as NodeId];
    if (rest.length === 0)
      changed[id] = patch.op === 'remove' ? undefined : freeze(patch.value as Node, true);
    else if (node) changed[id] = applyPatches(node, [{ ...patch, path: rest }]);
    else throw new RangeError(`There is no node ${id}.`);
  }
  return withNodes(page, changed);
}

/**
 * A page or a site's frame with operations applied; what they do not touch stays the very same objects. Refused when an operation
 * does not fit it, for instance because what it changes is gone.
 */
export function applyOperations<T extends Page | SiteFrame>(
  document: T,
  operations: readonly Operation[],
): Outcome<T> {
  try {
    const patches = fromJsonPatch(operations);
    return done(
      'nodes' in document ? (patchedPage(document, patches) as T) : applyPatches(document, patches),
    );
  } catch {
    return refused(
      'The change no longer fits: what it would change is not there any more. Nothing was changed.',
    );
  }
}

/** The single values that an operation sets or removes, by path. */
function touched(operation: Operation): string[] {
  if (operation.op === 'remove') return [operation.path];
  const leaves = (path: string, value: unknown): string[] =>
    typeof value === 'object' && value !== null && !Array.isArray(value) && Object.keys(value).length > 0
      ? Object.entries(value).flatMap(([key, inner]) => leaves(pointer(path, key), inner))
      : [path];
  return leaves(operation.path, operation.value);
}

/** Those of some operations that touch the same values as others: a path of one is a path of the other, or lies within it. */
export function overlapping(some: readonly Operation[], others: readonly Operation[]): Operation[] {
  const paths = others.flatMap(touched);
  const within = (inner: string, outer: string) => inner === outer || inner.startsWith(`${outer}/`);
  return some.filter((operation) =>
    touched(operation).some((path) => paths.some((other) => within(path, other) || within(other, path))),
  );
}
