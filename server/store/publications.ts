import { and, desc, eq, isNotNull, lt, max } from 'drizzle-orm';
import { notify, type Database, type Transaction } from './database.ts';
import { CHANNEL } from './history.ts';
import { publications, sites, type Manifest } from './schema.ts';

export interface Publication {
  number: number;
  manifest: Manifest;
  /** The revision of the site that was published. */
  revision: number;
  publishedAt: Date;
  /** What the one who published it said of it. */
  note: string | null;
  /** Who published it, as they called themselves. */
  by: string | null;
  /** The pages that stayed as they were before, each with the revision that it is from. */
  heldBack: Record<string, number> | null;
  /** The SHA-256 of the site as it was; null of old ones. */
  state: string | null;
}

/** What is kept as a publication. */
export type NewPublication = Pick<
  Publication,
  'manifest' | 'revision' | 'note' | 'by' | 'heldBack' | 'state'
>;

/** The numbers of the last publication of a site, and of the live one; null where there is none. */
export interface PublishingStart {
  last: number | null;
  live: number | null;
}

async function startOf(reader: Database | Transaction, site: string): Promise<PublishingStart> {
  const [found] = await reader
    .select({ live: sites.live, last: max(publications.number) })
    .from(sites)
    .leftJoin(publications, eq(publications.site, sites.id))
    .where(eq(sites.id, site))
    .groupBy(sites.id);
  return found ?? { last: null, live: null };
}

/** The publications of sites, and which of them is live. */
export function publicationStore(database: Database) {
  return {
    /** What a new publication begins from: it is stored only if this is still so then. */
    start: async (site: string): Promise<PublishingStart> => startOf(database, site),

    /**
     * Stores a publication under the next number and makes it the live one, both or neither. Undefined, and nothing stored, where
     * something else was published or went live since it was begun.
     */
    publish: (site: string, made: NewPublication, since: PublishingStart): Promise<Publication | undefined> =>
      database.transaction(async (tx) => {
        await tx.select({ id: sites.id }).from(sites).where(eq(sites.id, site)).for('update');
        const now = await startOf(tx, site);
        if (now.last !== since.last || now.live !== since.live) return undefined;
        const number = (now.last ?? 0) + 1;
        const [kept] = await tx
          .insert(publications)
          .values({ site, number, ...made })
          .returning();
        await tx.update(sites).set({ live: number }).where(eq(sites.id, site));
        await notify(tx, CHANNEL, `${site} live`);
        return kept;
      }),

    /** Makes an earlier publication the live one again. Answers whether there is such a one. */
    makeLive: (site: string, number: number): Promise<boolean> =>
      database.transaction(async (tx) => {
        await tx.select({ id: sites.id }).from(sites).where(eq(sites.id, site)).for('update');
        const [found] = await tx
          .select({ number: publications.number })
          .from(publications)
          .where(and(eq(publications.site, site), eq(publications.number, number)));
        if (!found) return false;
        await tx.update(sites).set({ live: number }).where(eq(sites.id, site));
        await notify(tx, CHANNEL, `${site} live`);
        return true;
      }),

    /** The last publications of a site, or the last ones before a number, so many at most, the last one first. */
    recent: (site: string, count: number, before?: number): Promise<Publication[]> =>
      database
        .select()
        .from(publications)
        .where(
          and(
            eq(publications.site, site),
            before === undefined ? undefined : lt(publications.number, before),
          ),
        )
        .orderBy(desc(publications.number))
        .limit(count),

    /** A publication by its number. */
    async one(site: string, number: number): Promise<Publication | undefined> {
      const [found] = await database
        .select()
        .from(publications)
        .where(and(eq(publications.site, site), eq(publications.number, number)));
      return found;
    },

    /** A publication by the SHA-256 of the site as it was; the last one, where several are the same. */
    async byState(site: string, state: string): Promise<Publication | undefined> {
      const [found] = await database
        .select()
        .from(publications)
        .where(and(eq(publications.site, site), eq(publications.state, state)))
        .orderBy(desc(publications.number))
        .limit(1);
      return found;
    },

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
