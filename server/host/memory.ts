import { LRUCache } from 'lru-cache';
import type { Store } from '../store/open.ts';
import type { Manifest, PublishedEntry } from '../store/schema.ts';

/** Bytes of published files that are held in memory, and sites whose manifest is. */
const MOST_BYTES = 64_000_000;
const MOST_SITES = 500;

/** How many publications before the last one are still asked for what an old page needs. */
const EARLIER = 20;

/** What is served of a site: what is live, and what was. */
interface Served {
  live?: Manifest;
  before: Manifest[];
}

const entryAt = (manifest: Manifest, path: string): PublishedEntry | undefined =>
  Object.hasOwn(manifest, path) ? manifest[path] : undefined;

/** What the host serves, held in memory: files by their hash, which never change, and which files are live. */
export function inMemory({ files, publications, follow }: Pick<Store, 'files' | 'publications' | 'follow'>) {
  const bytes = new LRUCache<string, Buffer>({
    maxSize: MOST_BYTES,
    maxEntrySize: MOST_BYTES / 8,
    sizeCalculation: (held) => Math.max(1, held.length),
  });
  const manifests = new LRUCache<string, Served>({ max: MOST_SITES });
  /** Goes up whenever something may have gone live: what was being read then is not remembered. */
  let turn = 0;
  // Another process may have published; without a site, something may have been missed.
  follow((site) => {
    turn += 1;
    if (site === undefined) manifests.clear();
    else manifests.delete(site);
  });
  async function serving(site: string): Promise<Served> {
    const held = manifests.get(site);
    if (held) return held;
    const begun = turn;
    const [live, all] = await Promise.all([publications.live(site), publications.recent(site, EARLIER)]);
    const before = all.filter(({ number }) => number !== live?.number).map(({ manifest }) => manifest);
    const made: Served = { ...(live && { live: live.manifest }), before };
    if (begun === turn) manifests.set(site, made);
    return made;
  }
  return {
    /** What is live of a site; undefined where nothing is. */
    async manifest(site: string): Promise<Manifest | undefined> {
      return (await serving(site)).live;
    },
    /** A file of the live publication; one whose name follows from its content also of those before it, as somebody may hold an old page. */
    async file(site: string, path: string, lasting: boolean): Promise<PublishedEntry | undefined> {
      const { live, before } = await serving(site);
      const own = live && entryAt(live, path);
      if (own || !live || !lasting) return own;
      return before.map((each) => entryAt(each, path)).find((entry) => entry !== undefined);
    },
    forget(site: string): void {
      turn += 1;
      manifests.delete(site);
    },
    async bytes(hash: string): Promise<Buffer> {
      const held = bytes.get(hash);
      if (held) return held;
      const read = await files.get(hash);
      bytes.set(hash, read);
      return read;
    },
  };
}
