import type { EditReach } from '../../core/index.ts';

/** What a person prefers, kept in this browser only: nobody else who opens the site is affected by it. */
const REACH = 'dimorphe.reach';

const isReach = (value: unknown): value is EditReach =>
  value === 'here' || value === 'onward' || value === 'everywhere';

/** The reach that edits start with. A browser that keeps nothing starts with *Onward*. */
export function preferredReach(): EditReach {
  try {
    const kept = localStorage.getItem(REACH);
    return isReach(kept) ? kept : 'onward';
  } catch {
    return 'onward';
  }
}

export function preferReach(reach: EditReach): void {
  try {
    localStorage.setItem(REACH, reach);
  } catch {
    // A browser that keeps nothing loses only the preference.
  }
}

const PLACES = 'dimorphe.places';

/** Whether a person has been told what is where. A browser that keeps nothing tells nothing, rather than each time. */
export function toldPlaces(): boolean {
  try {
    return localStorage.getItem(PLACES) !== null;
  } catch {
    return true;
  }
}

export function rememberPlaces(): void {
  try {
    localStorage.setItem(PLACES, 'told');
  } catch {
    // As above.
  }
}
