import type { Layered, Override } from './layered.ts';
import { same } from './express.ts';
import { onwardFrom, sidesOfBase, type Reach, type ViewId, type Views } from './views.ts';
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
 * *Here* changes no other view: what took its value from where the new one stands keeps what it shows, by an onward override of its own
 * at the nearest view outwards. That is so at the base too, on both of its sides; where no base value was set, `shows` says what each view
 * shows without one. *Onward* at the base reaches every view that has no override.
 */
export function withValue<T>(
  layered: Layered<T> | undefined,
  views: Views,
  view: ViewId,
  value: T,
  reach: EditReach,
  shows: (view: ViewId) => T,
): Layered<T> {
  if (reach === 'everywhere') return { base: value };
  const at: Record<ViewId, Override<T>> = { ...layered?.at };
  if (view === views.base) {
    if (reach === 'here')
      for (const side of sidesOfBase(views)) keepOn(side, { at, from: value, was: layered?.base, shows });
    return made(value, at);
  }
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

/** Lets the views of a side of the base that follow it keep what they show when the base changes. */
function keepOn<T>(side: readonly ViewId[], { at, from, was, shows }: Keeping<T>): void {
  let inForce = from;
  for (const id of side) {
    const own = at[id];
    if (own?.reach === 'onward') return;
    const shown = was === undefined ? shows(id) : was;
    if (own || same(shown, inForce)) continue;
    at[id] = { value: shown, reach: 'onward' };
    inForce = shown;
  }
}

/** What `keepOn` fills, with what the base gets, what it had, and what views show without that. */
interface Keeping<T> {
  at: Record<ViewId, Override<T>>;
  from: T;
  was: T | undefined;
  shows(view: ViewId): T;
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
  return reached(
    withValue<unknown>(layered, views, view, null, reach, (id) => id),
    views,
    view,
  );
}
