import equal from 'fast-deep-equal';
import type { Layered, Override } from './layered.ts';
import { viewIndex, type Reach, type View, type ViewId, type Views } from './views.ts';

/** Whether two values of the model are the same content; they are plain data. */
export const same = (one: unknown, other: unknown): boolean => equal(one, other);

/** Where a value along one side of the base is set: at which view of the side, and how far it goes. */
type Setting = { index: number; reach: Reach };

/**
 * The fewest settings that give each place of a side its value: `values[0]` is the base's, the others follow outwards. Looked for from
 * the far end: at a place that wants another value than the one in force, an onward setting goes on from there, one for this place alone
 * leaves the one before in force. Where both are as few, onward is taken. A place that wants nothing cannot be given that by a setting:
 * what is in force must not reach it.
 */
function fewest(values: readonly unknown[]): Setting[] {
  const count = values.length;
  if (count < 2) return [];
  if (count === 2) return same(values[0], values[1]) ? [] : [{ index: 1, reach: 'onward' }];
  // Values by the first place that has the same, so that they are compared once.
  const alike: number[] = [];
  for (let index = 0; index < count; index++) {
    let first = 0;
    while (first < index && values[first] !== values[index] && !same(values[first], values[index]))
      first += 1;
    alike.push(first);
  }
  if (alike.every((first) => first === 0)) return [];
  /** How many settings are needed from a place outwards, with the value of another place in force. */
  const needed: number[][] = Array.from({ length: count + 1 }, () => Array<number>(count).fill(0));
  for (let at = count - 1; at > 0; at--) {
    for (let force = 0; force < at; force++) {
      if (alike[at] === alike[force]) needed[at][force] = needed[at + 1][force];
      else if (values[at] === undefined) needed[at][force] = Infinity;
      else needed[at][force] = 1 + Math.min(needed[at + 1][at], needed[at + 1][force]);
    }
  }
  const settings: Setting[] = [];
  for (let at = 1, force = 0; at < count; at++) {
    if (alike[at] === alike[force]) continue;
    const onward = needed[at + 1][at] <= needed[at + 1][force];
    settings.push({ index: at, reach: onward ? 'onward' : 'here' });
    if (onward) force = at;
  }
  return settings;
}

/**
 * The layered value with the fewest overrides that gives each view the value wanted for it. Where nothing is wanted for the base, views
 * for which nothing is wanted either are left without; elsewhere every view wants something.
 */
export function express<T>(views: Views, wanted: (view: View) => T): Layered<T> {
  const values = views.list.map((view) => wanted(view));
  const centre = viewIndex(views, views.base);
  const at: Record<ViewId, Override<T>> = {};
  for (const step of [-1, 1]) {
    const places: number[] = [];
    for (let index = centre; index >= 0 && index < values.length; index += step) places.push(index);
    for (const { index, reach } of fewest(places.map((place) => values[place])))
      at[views.list[places[index]].id] = { value: values[places[index]], reach };
  }
  return Object.keys(at).length > 0 ? { base: values[centre], at } : { base: values[centre] };
}
