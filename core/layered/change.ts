import type { Layered, Override } from './layered.ts';
import { onwardFrom, type Reach, type ViewId, type Views } from './views.ts';
import { held, reached } from './resolve.ts';

/** How far a person wants an edit to go. `everywhere` sets the base and drops the overrides. */
export type EditReach = Reach | 'everywhere';

function made<T>(base: T | undefined, at: Record<ViewId, Override<T>>): Layered<T> {
  const layered: Layered<T> = {};
  if (base !== undefined) layered.base = base;
  if (Object.keys(at).length > 0) layered.at = at;
  return layered;
}

/**
 * The layered value with `value` set at a view.
 *
 * *Here* changes no other view: where an onward override at the view is replaced by a bounded one, the nearest view
 * outwards that took its value from it gets that value as an onward override of its own. At the base view the reach
 * means nothing: the base value is set.
 */
export function withValue<T>(
  layered: Layered<T> | undefined,
  views: Views,
  view: ViewId,
  value: T,
  reach: EditReach,
): Layered<T> {
  if (reach === 'everywhere') return { base: value };
  const at: Record<ViewId, Override<T>> = { ...layered?.at };
  if (view === views.base) return made(value, at);
  const before = at[view];
  if (reach === 'here' && before?.reach === 'onward') {
    const follower = onwardFrom(views, view).find(
      (id) => id !== view && held(layered, views, id)?.view === view,
    );
    if (follower !== undefined) at[follower] = before;
  }
  at[view] = { value, reach };
  return made(layered?.base, at);
}

/** The layered value without what is set at a view: there it is inherited again, and beyond, where it reached onward. */
export function withoutValue<T>(layered: Layered<T> | undefined, views: Views, view: ViewId): Layered<T> {
  const at: Record<ViewId, Override<T>> = { ...layered?.at };
  if (view === views.base) return made(undefined as T | undefined, at);
  delete at[view];
  return made(layered?.base, at);
}

/** The layered value with another reach of the override at a view; unchanged where there is none. */
export function withReach<T>(layered: Layered<T>, view: ViewId, reach: Reach): Layered<T> {
  const override = layered.at?.[view];
  if (!override) return layered;
  return { ...layered, at: { ...layered.at, [view]: { ...override, reach } } };
}

/** The views that would take the value if it were set at a view with a reach; those with an override of their own keep it. */
export function wouldReach(
  layered: Layered<unknown> | undefined,
  views: Views,
  view: ViewId,
  reach: EditReach,
): ViewId[] {
  if (reach === 'everywhere') return views.list.map((candidate) => candidate.id);
  return reached(withValue(layered, views, view, null, reach), views, view);
}
