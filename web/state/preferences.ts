import type { EditReach } from '../../core/index.ts';

/** What a person prefers, kept in this browser only: nobody else who opens the site is affected by it. */
const REACH = 'dimorphe.reach';
const PLACES = 'dimorphe.places';
const NAME = 'dimorphe.name';

/** What is kept under a key; `otherwise` in a browser that keeps nothing. */
function read(key: string, otherwise: string | null): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return otherwise;
  }
}

function keep(key: string, value: string): void {
  try {
    localStorage.setItem(key, value);
  } catch {
    // A browser that keeps nothing loses only the preference.
  }
}

const isReach = (value: unknown): value is EditReach =>
  value === 'here' || value === 'onward' || value === 'everywhere';

/** The reach that edits start with. A browser that keeps nothing starts with *Onward*. */
export function preferredReach(): EditReach {
  const kept = read(REACH, null);
  return isReach(kept) ? kept : 'onward';
}

export const preferReach = (reach: EditReach): void => keep(REACH, reach);

/** Whether a person has been told what is where. A browser that keeps nothing tells nothing, rather than each time. */
export const toldPlaces = (): boolean => read(PLACES, 'told') !== null;

export const rememberPlaces = (): void => keep(PLACES, 'told');

/** How a person is called where others see what they did; empty where they have not said it. */
export const ownName = (): string => read(NAME, null) ?? '';

export const rememberName = (name: string): void => keep(NAME, name);
