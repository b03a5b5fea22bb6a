import type { Finding, NodeId, Stretch, ViewId } from '../../core/index.ts';

/** Stretches of widths put together where they meet. */
export function united(stretches: readonly Stretch[]): Stretch[] {
  const made: Stretch[] = [];
  for (const { from, to } of [...stretches].sort((one, other) => one.from - other.from)) {
    const last = made.at(-1);
    if (last && from <= last.to + 1) last.to = Math.max(last.to, to);
    else made.push({ from, to });
  }
  return made;
}

/** How many findings each element has in each view. */
export function countsByTile(list: readonly Finding[]): ReadonlyMap<NodeId, ReadonlyMap<ViewId, number>> {
  const counts = new Map<NodeId, Map<ViewId, number>>();
  for (const { of, views } of list) {
    if (!('node' in of)) continue;
    const byView = counts.get(of.node) ?? new Map<ViewId, number>();
    counts.set(of.node, byView);
    for (const view of views) byView.set(view, (byView.get(view) ?? 0) + 1);
  }
  return counts;
}
