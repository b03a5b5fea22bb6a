import type { Readable } from 'node:stream';
import { LRUCache } from 'lru-cache';
import { FileDamaged } from '../store/files.ts';
import type { ByteRange } from './ranges.ts';
import type { Store } from '../store/open.ts';
import type { Manifest, PublishedEntry } from '../store/schema.ts';
import { lookup } from '../../core/index.ts';

/** Bytes of published files that are held in memory, of one of them, and sites whose manifest is. */
const MOST_BYTES = 64_000_000;
export const MOST_OF_ONE = MOST_BYTES / 8;
const MOST_SITES = 500;

/** How many publications before the last one are still asked for what an old page needs. */
const EARLIER = 20;

/** What is served of a site: what is live, and what was. */
interface Served {
  live?: Manifest;
  number?: number;
  /** Those before it; only read once something is asked for that what is live has not. */
  before?: Promise<Manifest[]>;
}

const entryAt = (manifest: Manifest, path: string): PublishedEntry | undefined =>
  Object.hasOwn(manifest, path) ? lookup(manifest, path) : undefined;

/** What the host serves, held in memory: files by their hash, which never change, and which files are live. */
export function inMemory({
  files,
  publications,
  follow,
  hears,
}: Pick<Store, 'files' | 'publications' | 'follow' | 'hears'>) {
  const bytes = new LRUCache<string, Buffer>({
    maxSize: MOST_BYTES,
    maxEntrySize: MOST_OF_ONE,
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
    const live = await publications.live(site);
    const made: Served = live ? { live: live.manifest, number: live.number } : {};
    // Nothing is remembered that could be changed without our hearing of it.
    if (begun === turn && hears()) manifests.set(site, made);
    return made;
  }
  const earlier = async (site: string, served: Served): Promise<Manifest[]> => {
    served.before ??= publications
      .recent(site, EARLIER)
      .then((all) => all.filter(({ number }) => number !== served.number).map(({ manifest }) => manifest));
    try {
      return await served.before;
    } catch (fault) {
      // What could not be read now may be there the next time.
      delete served.before;
      throw fault;
    }
  };
  return {
    /** What was published last of a site that is not live now; undefined where it is, or never was. */
    async takenDown(site: string): Promise<Manifest | undefined> {
      const served = await serving(site);
      return served.live ? undefined : (await earlier(site, served)).at(0);
    },
    /** A file of the live publication; one whose name follows from its content also of those before it, as somebody may hold an old page. */
    async file(site: string, path: string, lasting: boolean): Promise<PublishedEntry | undefined> {
      const served = await serving(site);
      const { live } = served;
      const own = live && entryAt(live, path);
      if (own || !live || !lasting) return own;
      return (await earlier(site, served))
        .map((each) => entryAt(each, path))
        .find((entry) => entry !== undefined);
    },
    forget(site: string): void {
      turn += 1;
      manifests.delete(site);
    },
    /** How many bytes a file has. */
    async size(hash: string): Promise<number> {
      const held = bytes.get(hash)?.length ?? (await files.size(hash));
      if (held === undefined) throw new FileDamaged(hash, true);
      return held;
    },
    /** A part of a file, or all of it, as it is read. */
    part: (hash: string, range: ByteRange): Readable => files.part(hash, range),
    async bytes(hash: string): Promise<Buffer> {
      const held = bytes.get(hash);
      if (held) return held;
      const read = await files.get(hash);
      bytes.set(hash, read);
      return read;
    },
  };
}
