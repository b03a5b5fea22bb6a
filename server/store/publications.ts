import { and, desc, eq, isNotNull } from 'drizzle-orm';
import { notify, type Database } from './database.ts';
import { CHANNEL } from './history.ts';
import { publications, sites, type Manifest } from './schema.ts';

export interface Publication {
  number: number;
  manifest: Manifest;
  /** The revision of the site that was published. */
  revision: number;
  publishedAt: Date;
}

/** The publications of sites, and which of them is live. */
export function publicationStore(database: Database) {
  return {
    /** Keeps a publication under the next number and makes it the live one, both or neither. */
    publish: (site: string, manifest: Manifest, revision: number): Promise<Publication> =>
      database.transaction(async (tx) => {
        await tx.select({ id: sites.id }).from(sites).where(eq(sites.id, site)).for('update');
        const [last] = await tx
          .select({ number: publications.number })
          .from(publications)
          .where(eq(publications.site, site))
          .orderBy(desc(publications.number))
          .limit(1);
        const number = (last?.number ?? 0) + 1;
        const [kept] = await tx.insert(publications).values({ site, number, manifest, revision }).returning();
        await tx.update(sites).set({ live: number }).where(eq(sites.id, site));
        await notify(tx, CHANNEL, `${site} live`);
        return kept;
      }),

    /** Takes what is live off the host; publications stay. Answers whether anything was live. */
    takeDown: (site: string): Promise<boolean> =>
      database.transaction(async (tx) => {
        const taken = await tx
          .update(sites)
          .set({ live: null })
          .where(and(eq(sites.id, site), isNotNull(sites.live)))
          .returning({ id: sites.id });
        await notify(tx, CHANNEL, `${site} live`);
        return taken.length > 0;
      }),

    /** The publication that is live, if any. */
    async live(site: string): Promise<Publication | undefined> {
      const [found] = await database
        .select({ publication: publications })
        .from(sites)
        .innerJoin(publications, and(eq(publications.site, sites.id), eq(publications.number, sites.live)))
        .where(eq(sites.id, site));
      return found?.publication;
    },
  };
}

export type PublicationStore = ReturnType<typeof publicationStore>;
