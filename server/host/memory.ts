import { LRUCache } from 'lru-cache';
import type { Store } from '../store/open.ts';
import type { Manifest } from '../store/schema.ts';

/** Bytes of published files that are held in memory, and sites whose manifest is. */
const MOST_BYTES = 64_000_000;
const MOST_SITES = 500;

/** What the host serves, held in memory: files by their hash, which never change, and which files are live. */
export function inMemory({ files, publications, follow }: Pick<Store, 'files' | 'publications' | 'follow'>) {
  const bytes = new LRUCache<string, Buffer>({
    maxSize: MOST_BYTES,
    maxEntrySize: MOST_BYTES / 8,
    sizeCalculation: (held) => Math.max(1, held.length),
  });
  const manifests = new LRUCache<string, { manifest?: Manifest }>({ max: MOST_SITES });
  // Another process may have published; without a site, something may have been missed.
  follow((site) => {
    if (site === undefined) manifests.clear();
    else manifests.delete(site);
  });
  return {
    /** What is live of a site; undefined where nothing is. */
    async manifest(site: string): Promise<Manifest | undefined> {
      const held = manifests.get(site);
      if (held) return held.manifest;
      const made = { manifest: (await publications.live(site))?.manifest };
      manifests.set(site, made);
      return made.manifest;
    },
    forget: (site: string): void => void manifests.delete(site),
    async bytes(hash: string): Promise<Buffer> {
      const held = bytes.get(hash);
      if (held) return held;
      const read = await files.get(hash);
      bytes.set(hash, read);
      return read;
    },
  };
}
