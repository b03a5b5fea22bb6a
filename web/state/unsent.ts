import { createStore, delMany, entries, setMany, type UseStore } from 'idb-keyval';
import type { Pending, SetAside } from './pending.ts';

/** What of a site is not kept by the server yet, and what could not be kept, as this browser remembers it. */
export interface Remembered {
  pending: Pending[];
  aside: SetAside[];
  /** The revision of the site that the pending edits were made on. */
  revision: number;
}

/** Remembers what is not kept, over a reload, a crash and a closed laptop. */
export interface Unsent {
  read(site: string, session: string): Promise<Remembered>;
  /** Brings what is remembered to what there is now. What stays the same object is not written again. */
  write(site: string, session: string, now: Remembered): Promise<void>;
}

type Kept = { order: number; revision: number } & ({ pending: Pending } | { aside: SetAside });

/** In the browser's own database, one entry an edit. A browser that keeps nothing loses only what this is for. */
export function unsentInBrowser(): Unsent {
  let store: UseStore | null = null;
  const database = () => (store ??= createStore('dimorphe', 'unsent'));
  const written = new Map<string, object>();
  let order = 0;
  let writing = Promise.resolve();
  const prefix = (site: string, session: string) => `${site} ${session} `;

  async function bring(
    site: string,
    session: string,
    { pending, aside, revision }: Remembered,
  ): Promise<void> {
    const start = prefix(site, session);
    const wanted = new Map<string, { is: object; kept: () => Kept }>();
    for (const edit of pending)
      wanted.set(`${start}p ${edit.key}`, {
        is: edit,
        kept: () => ({ order: order++, revision, pending: edit }),
      });
    for (const each of aside)
      wanted.set(`${start}a ${each.edit.key}`, {
        is: each,
        kept: () => ({ order: order++, revision, aside: each }),
      });
    const gone = [...written.keys()].filter((key) => key.startsWith(start) && !wanted.has(key));
    const changed = [...wanted].filter(([key, { is }]) => written.get(key) !== is);
    if (gone.length > 0) await delMany(gone, database());
    if (changed.length > 0)
      await setMany(
        changed.map(([key, { kept }]) => [key, kept()]),
        database(),
      );
    gone.forEach((key) => written.delete(key));
    changed.forEach(([key, { is }]) => written.set(key, is));
  }

  return {
    async read(site, session) {
      try {
        await writing;
        const start = prefix(site, session);
        const found = (await entries<string, Kept>(database()))
          .filter(([key]) => key.startsWith(start))
          .sort(([, one], [, other]) => one.order - other.order);
        order = Math.max(order, ...found.map(([, kept]) => kept.order + 1));
        found.forEach(([key, kept]) => written.set(key, 'pending' in kept ? kept.pending : kept.aside));
        return {
          pending: found.flatMap(([, kept]) => ('pending' in kept ? [kept.pending] : [])),
          aside: found.flatMap(([, kept]) => ('aside' in kept ? [kept.aside] : [])),
          revision: found.find(([, kept]) => 'pending' in kept)?.[1].revision ?? 0,
        };
      } catch {
        return { pending: [], aside: [], revision: 0 };
      }
    },
    write(site, session, now) {
      writing = writing.then(() => bring(site, session, now)).catch(() => undefined);
      return writing;
    },
  };
}
