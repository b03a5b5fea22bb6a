import { applyPatches, enablePatches, type Patch } from 'immer';
import { done, refused, type Outcome } from '../site/outcome.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { pointer } from '../site/validate.ts';

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

function fromJsonPatch(operations: readonly Operation[]): Patch[] {
  return operations.map((operation) => ({
    op: operation.op,
    path: keysOf(operation.path),
    value: operation.op === 'remove' ? undefined : operation.value,
  }));
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
    return done(applyPatches(document, fromJsonPatch(operations)));
  } catch {
    return refused(
      'The change no longer fits: what it would change is not there any more. Nothing was changed.',
    );
  }
}

/** Whether two lists of operations touch the same values: a path of one is a path of the other, or lies within it. */
export function overlap(one: readonly Operation[], other: readonly Operation[]): boolean {
  const within = (inner: string, outer: string) => inner === outer || inner.startsWith(`${outer}/`);
  return one.some((a) => other.some((b) => within(a.path, b.path) || within(b.path, a.path)));
}
