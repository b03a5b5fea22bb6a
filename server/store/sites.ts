import { and, asc, eq, isNull, lt } from 'drizzle-orm';
import { canonicalSite, pagesOf, upgraded, type Node, type Site, type SiteFrame } from '../../core/index.ts';
import type { Database } from './database.ts';
import { rowOfFrame, writePage } from './documents.ts';
import { nodes, pages, publications, sites } from './schema.ts';

/** What is known of a site without its pages. */
export interface SiteRow {
  id: string;
  frame: SiteFrame;
  revision: number;
  frameRevision: number;
  changedAt: Date;
  putAwayAt: Date | null;
}

/** A site as the list of all has it: also which publication is live. */
export interface ListedSite extends Omit<SiteRow, 'frame' | 'frameRevision'> {
  name: string;
  pages: number;
  homePage: string;
  live: { number: number; publishedAt: Date } | null;
}

/** What became of a site that was to be removed: it is kept where it is not archived, or its pages are published still. */
export type Removal = 'removed' | 'not archived' | 'live' | 'missing';

/** Which sites there are. */
export function siteStore(database: Database) {
  const fields = {
    id: sites.id,
    frame: sites.frame,
    revision: sites.revision,
    frameRevision: sites.frameRevision,
    changedAt: sites.changedAt,
    putAwayAt: sites.putAwayAt,
  };
  const live = { number: publications.number, publishedAt: publications.publishedAt };
  return {
    /** All sites, also those that are archived. */
    list: (): Promise<ListedSite[]> =>
      database
        .select({
          ...{ id: sites.id, name: sites.name, pages: sites.pageCount, homePage: sites.homePage },
          ...{ revision: sites.revision, changedAt: sites.changedAt, putAwayAt: sites.putAwayAt },
          live,
        })
        .from(sites)
        .leftJoin(publications, and(eq(publications.site, sites.id), eq(publications.number, sites.live)))
        .orderBy(asc(sites.createdAt)),

    /** Puts a site away, or has it back with null; answers whether there is one. */
    async putAway(site: string, at: Date | null): Promise<boolean> {
      const found = await database
        .update(sites)
        .set({ putAwayAt: at })
        .where(eq(sites.id, site))
        .returning({ id: sites.id });
      return found.length > 0;
    },

    /** Removes a site for good, with its history and its publications. */
    remove: (site: string): Promise<Removal> =>
      database.transaction(async (tx) => {
        const [found] = await tx
          .select({ live: sites.live, putAwayAt: sites.putAwayAt })
          .from(sites)
          .where(eq(sites.id, site))
          .for('update');
        if (!found) return 'missing';
        if (!found.putAwayAt) return 'not archived';
        if (found.live !== null) return 'live';
        await tx.delete(sites).where(eq(sites.id, site));
        return 'removed';
      }),

    /** Removes for good what was archived before a moment and is not published; answers the ids. */
    async removePutAwayBefore(moment: Date): Promise<string[]> {
      const gone = await database
        .delete(sites)
        .where(and(lt(sites.putAwayAt, moment), isNull(sites.live)))
        .returning({ id: sites.id });
      return gone.map(({ id }) => id);
    },

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
          .values({ id: site.frame.id, ...rowOfFrame(site.frame) })
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
          const present = upgraded.frame(frame);
          if (present === frame) continue;
          await tx.update(sites).set(rowOfFrame(present)).where(eq(sites.id, id));
          for (const row of await tx.select().from(nodes).where(eq(nodes.site, id))) {
            const node = upgraded.node(row.node, frame.version) as Node;
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
