import { type Operation, pagesIn, type Site, sure, treesBeside } from '../../core/index.ts';
import { LRUCache } from 'lru-cache';
import type { Transaction } from './database.ts';
import { readSite, type Snapshot } from './documents.ts';

/** Bytes of sites, as JSON, that are held in memory. */
const HELD = 256_000_000;

/** Bytes that an element, or a page's head, takes as JSON, about: counted out it would cost more than an edit. */
const BYTES = 1000;

/** Returns how many bytes a site takes, about. */
function sizeOf({ frame, pages }: Site): number {
  const trees = [...Object.values(pages), ...treesBeside(frame)];
  const elements = trees.reduce((sum, { nodes }) => sum + Object.keys(nodes).length, 0);
  return BYTES * (1 + frame.pages.length + frame.assets.length + elements);
}

/** A place in an element of a page, or an element as a whole. */
const ON_ELEMENT = /^\/pages\/[^/]+\/nodes\/./;

/** Sites held in memory, each at a revision; what the database says of the revision decides whether one is still so. Those used last stay. */
export function heldSites() {
  const held = new LRUCache<string, Snapshot>({
    maxSize: HELD,
    sizeCalculation: ({ site }) => sizeOf(site),
  });
  return {
    forget: (id: string): void => void held.delete(id),
    forgetAll: (): void => held.clear(),
    hold(id: string, snapshot: Snapshot): Snapshot {
      held.set(id, snapshot);
      return snapshot;
    },
    /** Returns a site that is held at a revision. */
    at(id: string, revision: number): Snapshot | undefined {
      const snapshot = held.get(id);
      return snapshot?.revision === revision ? snapshot : undefined;
    },
    /**
     * Returns the site at the revision that its row has, as far as operations concern it: from memory where it is held there; else all of
     * it, or, where they are all on elements of pages, these pages alone.
     */
    async read(
      tx: Transaction,
      id: string,
      revision: number,
      operations: readonly Operation[],
    ): Promise<{ site: Site; isWhole: boolean }> {
      const snapshot = this.at(id, revision);
      if (snapshot) return { site: snapshot.site, isWhole: true };
      const isOnElements = operations.every(({ path }) => ON_ELEMENT.test(path));
      const { site } = sure(await readSite(tx, id, isOnElements ? pagesIn(operations) : undefined));
      return { site, isWhole: !isOnElements };
    },
  };
}
