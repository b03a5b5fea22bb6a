import type { Layered } from './layered.ts';
import { between, type ViewId, type Views } from './views.ts';

/** A value that a layered value itself holds for a view, and the view where it stands. */
export interface Held<T> {
  value: T;
  /** The view that holds it: the base, or the view of an override. */
  view: ViewId;
}

/**
 * What a layered value holds for a view: its own override, else the nearest onward override between it and the base on
 * its side, else the base value. Undefined where it holds nothing, so that a text style or a default decides.
 */
export function held<T>(layered: Layered<T> | undefined, views: Views, view: ViewId): Held<T> | undefined {
  if (!layered) return undefined;
  if (view !== views.base) {
    const own = layered.at?.[view];
    if (own) return { value: own.value, view };
    for (const nearer of between(views, view)) {
      const override = layered.at?.[nearer];
      if (override?.reach === 'onward') return { value: override.value, view: nearer };
    }
  }
  return layered.base === undefined ? undefined : { value: layered.base, view: views.base };
}

/** The views whose value comes from the override (or base value) at `view`. */
export function reached(layered: Layered<unknown> | undefined, views: Views, view: ViewId): ViewId[] {
  return views.list
    .filter((candidate) => held(layered, views, candidate.id)?.view === view)
    .map((candidate) => candidate.id);
}

/** Whether nothing is set, neither for all views nor for one. */
export const isEmpty = (layered: Layered<unknown> | undefined): boolean =>
  !layered || (layered.base === undefined && Object.keys(layered.at ?? {}).length === 0);
