import type { EditReach } from '../../core/index.ts';

/** What a person prefers, kept in this browser only: nobody else who opens the site is affected by it. */
const REACH = 'dimorphe.reach.';
const PLACES = 'dimorphe.places';
const NAME = 'dimorphe.name';
const UNFOLDED = 'dimorphe.unfolded';
const CHARACTERS = 'dimorphe.characterkeys';
const DENSITY = 'dimorphe.density';

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

/** The reach that edits of a site start with. A browser that keeps nothing starts with *Onward*. */
export function preferredReach(site: string): EditReach {
  const kept = read(REACH + site, null);
  return isReach(kept) ? kept : 'onward';
}

export const preferReach = (site: string, reach: EditReach): void => keep(REACH + site, reach);

/** Whether a person has been told what is where. A browser that keeps nothing tells nothing, rather than each time. */
export const toldPlaces = (): boolean => read(PLACES, 'told') !== null;

export const rememberPlaces = (): void => keep(PLACES, 'told');

/** How a person is called where others see what they did; empty where they have not said it. */
export const ownName = (): string => read(NAME, null) ?? '';

export const rememberName = (name: string): void => keep(NAME, name);

/** Whether single letters and signs are shortcuts (WCAG 2.2, 2.1.4: they can be turned off). */
export const usesCharacterKeys = (): boolean => read(CHARACTERS, null) !== 'off';

export const preferCharacterKeys = (on: boolean): void => keep(CHARACTERS, on ? 'on' : 'off');

/** The groups of values that a person has unfolded. */
export const unfoldedGroups = (): string[] => (read(UNFOLDED, null) ?? '').split(' ').filter(Boolean);

export const rememberUnfolded = (groups: readonly string[]): void => keep(UNFOLDED, groups.join(' '));

/** How close the rows of the outline and of the values are. */
export const ROW_DENSITIES = ['compact', 'standard', 'comfortable'] as const;
export type RowDensity = (typeof ROW_DENSITIES)[number];

export function preferredDensity(): RowDensity {
  const kept = read(DENSITY, null);
  return ROW_DENSITIES.find((each) => each === kept) ?? 'standard';
}

export const preferDensity = (density: RowDensity): void => keep(DENSITY, density);
