import equal from 'fast-deep-equal';
import type { Layered, Override } from '../site/layered.ts';
import { onwardFrom, type View, type ViewId, type Views } from '../site/views.ts';

/** Whether two values of the model are the same content; they are plain data. */
export const same = (one: unknown, other: unknown): boolean => equal(one, other);

/**
 * The layered value with the fewest overrides that gives each view the value wanted for it. Its overrides are all
 * onward: a view gets one only where its value differs from that of its neighbour towards the base.
 */
export function express<T>(views: Views, wanted: (view: View) => T): Layered<T> {
  const byId = new Map(views.list.map((view) => [view.id, wanted(view)]));
  const base = byId.get(views.base) as T;
  const at: Record<ViewId, Override<T>> = {};
  for (const end of [views.list[0], views.list[views.list.length - 1]]) {
    let before = base;
    for (const id of towards(views, end.id)) {
      const value = byId.get(id) as T;
      if (!same(value, before)) at[id] = { value, reach: 'onward' };
      before = value;
    }
  }
  return Object.keys(at).length > 0 ? { base, at } : { base };
}

/** The views from the base's neighbour out to an end. */
function towards(views: Views, end: ViewId): ViewId[] {
  if (end === views.base) return [];
  const index = views.list.findIndex((view) => view.id === views.base);
  const narrower = views.list[0].id === end;
  const neighbour = views.list[narrower ? index - 1 : index + 1];
  return onwardFrom(views, neighbour.id);
}
