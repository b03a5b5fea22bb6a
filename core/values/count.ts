import type { Style } from '../site/node.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { Page } from '../site/site.ts';
import type { ViewId } from '../layered/views.ts';

/** How many overrides a style holds by view. Styles are never changed in place, so each is counted once. */
const counts = new WeakMap<Style, ReadonlyMap<string, number>>();

/** How many overrides a style holds at each view that has any. */
export function countsOf(style: Style): ReadonlyMap<string, number> {
  const before = counts.get(style);
  if (before) return before;
  const made = new Map<string, number>();
  for (const part of Object.values(style)) {
    for (const { at } of Object.values(part)) {
      for (const view of Object.keys(at ?? {})) made.set(view, (made.get(view) ?? 0) + 1);
    }
  }
  // A draft of an edit does change; only what is frozen can be remembered.
  if (Object.isFrozen(style)) counts.set(style, made);
  return made;
}

/** How many overrides an element with its parts, or a text style, has at a view, or in all views. */
export function overrideCount({ style }: { style: Style }, view?: ViewId): number {
  const made = countsOf(style);
  if (view !== undefined) return made.get(view) ?? 0;
  return [...made.values()].reduce((sum, count) => sum + count, 0);
}

/** How many overrides elements of a page have: in one view, or in all. */
export const countOverrides = (page: Page, nodes: readonly NodeId[], view?: ViewId): number =>
  nodes.reduce((sum, id) => sum + overrideCount(page.nodes[id], view), 0);
