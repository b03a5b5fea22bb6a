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

/** ms; how long a name is waited for whose page neither answers nor goes: it hangs, and its name is not to be had. */
const PATIENCE = 10_000;

/** What pages of this browser say to each other about names that are in use. */
type Said = { ask: string } | { here: string };

/**
 * Answers others that ask for a name, for as long as this page is there. A page that is on its way out answers nothing: whoever comes after
 * it in the same tab waits for the name, however long the old page needs to let go of it.
 */
function answers(name: string): void {
  const channel = new BroadcastChannel(NAMES);
  let isGoing = false;
  addEventListener('pagehide', () => (isGoing = true));
  addEventListener('pageshow', () => (isGoing = false));
  channel.addEventListener('message', ({ data }: MessageEvent<Said>) => {
    if ('ask' in data && data.ask === name && !isGoing) channel.postMessage({ here: name } satisfies Said);
  });
  // Whoever asked a moment too early to be answered is waiting for it.
  channel.postMessage({ here: name } satisfies Said);
}

/** Takes a name for as long as this page is there, once no other page has it; answers whether it did: not where a page says that it stays. */
function takes(name: string): Promise<boolean> {
  const channel = new BroadcastChannel(NAMES);
  const waiting = new AbortController();
  const { signal } = waiting;
  const enough = setTimeout(() => waiting.abort(), PATIENCE);
  channel.addEventListener('message', ({ data }: MessageEvent<Said>) => {
    if ('here' in data && data.here === name) waiting.abort();
  });
  channel.postMessage({ ask: name } satisfies Said);
  return new Promise<boolean>((resolve) => {
    // Said here and not by the request: Chromium forgets an end that comes while the request is on its way, and grants it later.
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
