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

/** ms; how long to wait for a page that neither answers nor unloads, as it hangs. */
const PATIENCE = 10_000;

/** Messages between the pages of this browser about names in use. */
type NameMessage = { ask: string } | { here: string };

/**
 * Answers other pages that ask for a name while this page uses it. A page that is unloading does not answer, so the next page in the
 * same tab waits for the name for as long as this one needs.
 */
function answers(name: string): void {
  const channel = new BroadcastChannel(NAMES);
  let isUnloading = false;
  addEventListener('pagehide', () => (isUnloading = true));
  addEventListener('pageshow', () => (isUnloading = false));
  channel.addEventListener('message', ({ data }: MessageEvent<NameMessage>) => {
    if ('ask' in data && data.ask === name && !isUnloading)
      channel.postMessage({ here: name } satisfies NameMessage);
  });
  // A page that asked before this one listened is still waiting.
  channel.postMessage({ here: name } satisfies NameMessage);
}

/** Claims a name until this page unloads, waiting for a page that is unloading; returns false if another page keeps it. */
function takes(name: string): Promise<boolean> {
  const channel = new BroadcastChannel(NAMES);
  const waiting = new AbortController();
  const { signal } = waiting;
  const enough = setTimeout(() => waiting.abort(), PATIENCE);
  channel.addEventListener('message', ({ data }: MessageEvent<NameMessage>) => {
    if ('here' in data && data.here === name) waiting.abort();
  });
  channel.postMessage({ ask: name } satisfies NameMessage);
  return new Promise<boolean>((resolve) => {
    // Chromium 156 can lose an abort while the request is on its way and grant the lock later, so the request is not relied on to reject.
    signal.addEventListener('abort', () => resolve(false));
    navigator.locks
      .request(lockOf(name), { signal }, () => {
        if (signal.aborted) return undefined;
        answers(name);
        resolve(true);
        // Held until the page goes.
        return new Promise<void>(() => undefined);
      })
      .catch(() => resolve(false));
  }).finally(() => {
    clearTimeout(enough);
    channel.close();
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
  if (own !== undefined && (await takes(own))) return remembered(own);
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
