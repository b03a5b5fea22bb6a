import { nanoid } from 'nanoid';

/**
 * A window's name in the history of sites: what a window did, it can undo. A window that is opened when none has the
 * name of an earlier one takes that name on, with its steps and what it had not kept: so a reload, a crash and a restart
 * of the browser lose nothing. Which names are in use is told by locks (Web Locks API https://www.w3.org/TR/web-locks/), which
 * end with their window.
 */
const NAMES = 'dimorphe.sessions';
const MINE = 'dimorphe.session';
const MOST = 20;

const lockOf = (name: string) => `dimorphe session ${name}`;

/** ms; how long a window waits for its own name after a reload: the page before it may not have gone yet. */
const PATIENCE = 400;

/** Takes a name for as long as the window is there; answers whether it was free, or became so within some ms. */
function takes(name: string, patience = 0): Promise<boolean> {
  return new Promise((resolve) => {
    const how = patience > 0 ? { signal: AbortSignal.timeout(patience) } : { ifAvailable: true };
    navigator.locks
      .request(lockOf(name), how, (lock) => {
        resolve(lock !== null);
        // Held until the window goes.
        return lock === null ? undefined : new Promise<void>(() => undefined);
      })
      .catch(() => resolve(false));
  });
}

/** Whether a window of a name is open; without locks nobody can tell, and only one's own name is known to be free. */
export async function isWindowThere(name: string): Promise<boolean> {
  if (typeof navigator === 'undefined' || !navigator.locks) return true;
  const { held = [] } = await navigator.locks.query();
  return held.some((lock) => lock.name === lockOf(name));
}

/** Does some work while no other window does work of the same name. */
export const oneAtATime = <T>(name: string, work: () => Promise<T>): Promise<T> =>
  typeof navigator === 'undefined' || !navigator.locks ? work() : navigator.locks.request(name, work);

const newName = () => `w${nanoid(16).replaceAll(/[^A-Za-z0-9]/g, 'x')}`;

function kept(storage: Storage, key: string): string[] {
  try {
    const found: unknown = JSON.parse(storage.getItem(key) ?? '[]');
    return Array.isArray(found) ? found.filter((name): name is string => typeof name === 'string') : [];
  } catch {
    return [];
  }
}

function keep(storage: Storage, key: string, names: string[]): void {
  try {
    storage.setItem(key, JSON.stringify(names));
  } catch {
    // A browser that keeps nothing begins each time again.
  }
}

/** The name of this window: its own from before a reload, else one that no window has any more, else a new one. */
export async function claimSession(): Promise<string> {
  if (typeof navigator === 'undefined' || !navigator.locks) return newName();
  const [own] = kept(sessionStorage, MINE);
  if (own !== undefined && (await takes(own, PATIENCE))) return remembered(own);
  for (const name of kept(localStorage, NAMES)) {
    if (name !== own && (await takes(name))) return remembered(name);
  }
  const name = newName();
  await takes(name);
  return remembered(name);
}

function remembered(name: string): string {
  keep(sessionStorage, MINE, [name]);
  const others = kept(localStorage, NAMES).filter((each) => each !== name);
  keep(localStorage, NAMES, [name, ...others].slice(0, MOST));
  return name;
}
