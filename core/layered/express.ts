import equal from 'fast-deep-equal';
import type { Layered, Override } from './layered.ts';
import { viewIndex, type View, type ViewId, type Views } from './views.ts';

/** Whether two values of the model are the same content; they are plain data. */
export const same = (one: unknown, other: unknown): boolean => equal(one, other);

/**
 * The layered value with the fewest overrides that gives each view the value wanted for it. Its overrides are all
 * onward: a view gets one only where its value differs from that of its neighbour towards the base.
 */
export function express<T>(views: Views, wanted: (view: View) => T): Layered<T> {
  const values = views.list.map((view) => wanted(view));
  const centre = viewIndex(views, views.base);
  const at: Record<ViewId, Override<T>> = {};
  // From the base out to either end: each view beside its neighbour towards the base.
  for (const step of [-1, 1]) {
    for (let index = centre + step; index >= 0 && index < values.length; index += step) {
      const value = values[index];
      if (!same(value, values[index - step])) at[views.list[index].id] = { value, reach: 'onward' };
    }
  }
  return Object.keys(at).length > 0 ? { base: values[centre], at } : { base: values[centre] };
}
