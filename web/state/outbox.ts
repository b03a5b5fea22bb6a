import { createStore, entries, promisifyRequest, type UseStore } from 'idb-keyval';
import { FORMAT_VERSION, upgraded, type Call } from '../../core/index.ts';
import type { Pending, UnappliedEdit } from './pending.ts';

/** What of a site the server does not have yet, and what could not be applied, as this browser remembers it. */
export interface OutboxContent {
  pending: Pending[];
  aside: UnappliedEdit[];
  /** The revision of the site that the pending edits were made on; of edits of several windows, the earliest. */
  revision: number;
}

/**
 * Remembers what is not saved, over a reload, a crash and a closed laptop. It belongs to the site: each entry names the window that takes
 * care of it, and whatever belongs to a window that has gone is taken over by the next one that opens the site.
 */
export interface Outbox {
  /** Takes over what no window takes care of any more, and answers all that is this window's now. Rejects where the browser cannot tell. */
  read(site: string, session: string): Promise<OutboxContent>;
  /** Brings what is remembered to what there is now. What stays the same object is not written again. Rejects where the browser cannot store it. */
  write(site: string, session: string, now: OutboxContent): Promise<void>;
  /** Writes synchronously, for a page that is being unloaded: an asynchronous write would not finish. */
  writeSync(site: string, session: string, now: OutboxContent): void;
}

/** An entry. One without a version was written before versions were, that is at version 2. */
type Entry = { version?: number; order: number; revision: number } & (
  { pending: Pending; aside?: undefined } | { aside: UnappliedEdit; pending?: undefined }
);

const FIRST_VERSION = 2;

/** An edit in the present form. */
function presentEdit(edit: Pending, version: number): Pending {
  if (version === FORMAT_VERSION) return edit;
  return {
    ...edit,
    operations: upgraded.operations(edit.operations, version),
    inverse: upgraded.operations(edit.inverse, version),
    ...(edit.use && { use: { ...edit.use, ...(upgraded.call(edit.use, version) as Call) } }),
  };
}

/** An entry in the present form; undefined for one of a later version of the program, which is left to that. */
export function presentEntry(entry: Entry): Entry | undefined {
  const { version = FIRST_VERSION } = entry;
  if (version > FORMAT_VERSION) return undefined;
  return entry.pending
    ? { ...entry, version: FORMAT_VERSION, pending: presentEdit(entry.pending, version) }
    : {
        ...entry,
        version: FORMAT_VERSION,
        aside: { ...entry.aside, edit: presentEdit(entry.aside.edit, version) },
      };
}

/** Prefix of the keys for synchronous writes, followed by the name of the window. */
const SYNC = 'dimorphe.outbox ';

/** Returns the entries that were written synchronously, by window. */
function writtenSync(local: Storage): [session: string, [name: string, entry: Entry][]][] {
  return Array.from({ length: local.length }, (_each, index) => local.key(index) ?? '')
    .filter((key) => key.startsWith(SYNC))
    .map((key) => {
      try {
        return [key.slice(SYNC.length), JSON.parse(local.getItem(key) ?? '[]') as [string, Entry][]];
      } catch {
        return [key.slice(SYNC.length), []];
      }
    });
}

/** Names of entries: the site, the window that takes care of it, what it is, and the key of the edit. */
const nameOf = (site: string, session: string, entry: Entry): string =>
  `${site} ${session} ${entry.pending ? `p ${entry.pending.key}` : `a ${entry.aside.edit.key}`}`;

/** One change of the browser's own database, all of it or nothing: first what is written, then what goes. */
const changed = (
  store: UseStore,
  put: readonly (readonly [string, Entry])[],
  gone: readonly string[],
): Promise<void> =>
  store('readwrite', (all) => {
    put.forEach(([name, entry]) => all.put(entry, name));
    gone.forEach((name) => all.delete(name));
    return promisifyRequest(all.transaction);
  });

/** In the browser's own database, one entry an edit. `isThere`: whether a window is open still. */
export function outboxInBrowser(
  isThere: (session: string) => Promise<boolean>,
  locked: (name: string, work: () => Promise<OutboxContent>) => Promise<OutboxContent>,
  local: Storage = localStorage,
): Outbox {
  let store: UseStore | null = null;
  const database = () => (store ??= createStore('dimorphe', 'unsent'));
  /** What is written under each name. */
  const written = new Map<string, object>();
  let order = 0;
  let writing: Promise<unknown> = Promise.resolve();

  /** Moves synchronously written entries into the database. */
  async function importSync(session: string): Promise<void> {
    for (const [owner, found] of writtenSync(local)) {
      if (owner !== session && (await isThere(owner))) continue;
      if (found.length > 0) await changed(database(), found, []);
      local.removeItem(SYNC + owner);
    }
  }

  async function takenOver(site: string, session: string): Promise<OutboxContent> {
    await importSync(session);
    const found: { name: string; entry: Entry }[] = [];
    const put: [string, Entry][] = [];
    const gone: string[] = [];
    for (const [name, stored] of await entries<string, Entry>(database())) {
      const [of, owner] = name.split(' ');
      if (of !== site || (owner !== session && (await isThere(owner)))) continue;
      const entry = presentEntry(stored);
      if (!entry) continue;
      const own = nameOf(site, session, entry);
      found.push({ name: own, entry });
      if (own === name && stored.version === FORMAT_VERSION) continue;
      put.push([own, entry]);
      if (own !== name) gone.push(name);
    }
    if (put.length > 0) await changed(database(), put, gone);
    found.sort(
      ({ entry: one }, { entry: other }) =>
        (one.pending?.at ?? 0) - (other.pending?.at ?? 0) || one.order - other.order,
    );
    order = Math.max(order, ...found.map(({ entry }) => entry.order + 1));
    found.forEach(({ name, entry }) => written.set(name, entry.pending ?? entry.aside));
    const all = found.map(({ entry }) => entry);
    const bases = all.flatMap((entry) => (entry.pending ? [entry.revision] : []));
    return {
      pending: all.flatMap(({ pending }) => pending ?? []),
      aside: all.flatMap(({ aside }) => aside ?? []),
      revision: bases.length > 0 ? Math.min(...bases) : 0,
    };
  }

  /** Returns the entries to store, by name. */
  function wantedOf(site: string, session: string, { pending, aside, revision }: OutboxContent) {
    const version = FORMAT_VERSION;
    const wanted = new Map<string, { is: object; entry: () => Entry }>();
    const want = (is: object, entry: Omit<Entry, 'order'>) =>
      wanted.set(nameOf(site, session, entry as Entry), {
        is,
        entry: () => ({ ...entry, order: order++ }) as Entry,
      });
    for (const edit of pending) want(edit, { version, revision, pending: edit });
    for (const each of aside) want(each, { version, revision, aside: each });
    return wanted;
  }

  async function bring(site: string, session: string, now: OutboxContent) {
    const wanted = wantedOf(site, session, now);
    const start = `${site} ${session} `;
    const gone = [...written.keys()].filter((name) => name.startsWith(start) && !wanted.has(name));
    const put = [...wanted].filter(([name, { is }]) => written.get(name) !== is);
    if (gone.length + put.length === 0) return;
    await changed(
      database(),
      put.map(([name, { entry }]) => [name, entry()]),
      gone,
    );
    gone.forEach((name) => written.delete(name));
    put.forEach(([name, { is }]) => written.set(name, is));
  }

  return {
    async read(site, session) {
      await writing;
      // Of two windows that open the site at once, one takes over what there is, and the other finds nothing left.
      return locked(`dimorphe unsent ${site}`, () => takenOver(site, session));
    },
    write(site, session, now) {
      const next = writing.then(() => bring(site, session, now));
      writing = next.catch(() => undefined);
      return next;
    },
    writeSync(site, session, now) {
      const unwritten = [...wantedOf(site, session, now)].filter(
        ([name, { is }]) => written.get(name) !== is,
      );
      if (unwritten.length === 0) return;
      try {
        local.setItem(SYNC + session, JSON.stringify(unwritten.map(([name, { entry }]) => [name, entry()])));
      } catch {
        // Storage is full or disabled: only what the server has received is saved.
      }
    },
  };
}
