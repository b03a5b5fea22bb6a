import { and, asc, eq } from 'drizzle-orm';
import {
  canonicalSite,
  pagesOf,
  upgradedFrame,
  upgradedNode,
  type Node,
  type Site,
  type SiteFrame,
} from '../../core/index.ts';
import type { Database } from './database.ts';
import { writePage } from './documents.ts';
import { nodes, pages, sites } from './schema.ts';

/** What is known of a site without its pages. */
export interface SiteRow {
  id: string;
  frame: SiteFrame;
  revision: number;
  frameRevision: number;
  changedAt: Date;
}

/** Which sites there are. */
export function siteStore(database: Database) {
  const fields = {
    id: sites.id,
    frame: sites.frame,
    revision: sites.revision,
    frameRevision: sites.frameRevision,
    changedAt: sites.changedAt,
  };
  return {
    list: (): Promise<SiteRow[]> => database.select(fields).from(sites).orderBy(asc(sites.createdAt)),

    async row(site: string): Promise<SiteRow | undefined> {
      const [found] = await database.select(fields).from(sites).where(eq(sites.id, site));
      return found;
    },

    /** The revision of the site that changed each of its pages last. */
    async pageRevisions(site: string): Promise<Map<string, number>> {
      const rows = await database
        .select({ id: pages.id, revision: pages.revision })
        .from(pages)
        .where(eq(pages.site, site));
      return new Map(rows.map(({ id, revision }) => [id, revision]));
    },

    /** Keeps a valid site; one of this id that is there already stays as it is. Answers whether it was added. */
    add: (given: Site): Promise<boolean> =>
      database.transaction(async (tx) => {
        const site = canonicalSite(given);
        const added = await tx
          .insert(sites)
          .values({ id: site.frame.id, frame: site.frame })
          .onConflictDoNothing()
          .returning({ id: sites.id });
        if (added.length === 0) return false;
        for (const page of pagesOf(site)) await writePage(tx, site.frame.id, page, 1);
        return true;
      }),

    /** Brings what an earlier version of the program has kept to the present form. */
    upgrade: (): Promise<void> =>
      database.transaction(async (tx) => {
        for (const { id, frame } of await tx.select().from(sites)) {
          const upgraded = upgradedFrame(frame);
          if (upgraded === frame) continue;
          await tx.update(sites).set({ frame: upgraded }).where(eq(sites.id, id));
          for (const row of await tx.select().from(nodes).where(eq(nodes.site, id))) {
            const node = upgradedNode(row.node) as Node;
            if (node === row.node) continue;
            await tx
              .update(nodes)
              .set({ node })
              .where(and(eq(nodes.site, id), eq(nodes.page, row.page), eq(nodes.id, row.id)));
          }
        }
      }),
  };
}

export type SiteStore = ReturnType<typeof siteStore>;
