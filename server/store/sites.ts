import { and, asc, desc, eq, gt } from 'drizzle-orm';
import jsonpatch from 'fast-json-patch';
import {
  pageFaults,
  stacksOf,
  type EditBy,
  type Fault,
  type Made,
  type Operation,
  type Page,
  type Site,
  type SiteFrame,
  type Stacks,
} from '../../core/index.ts';
import type { Database } from './database.ts';
import { edits, pages, publications, sites, type Manifest } from './schema.ts';

export interface StoredPage {
  page: Page;
  revision: number;
}

export interface StoredEdit {
  revision: number;
  operations: Operation[];
  sentence: string;
}

/** An edit as it comes in. */
export type NewEdit = Made & { by: EditBy };

/** How many edits of a page are looked through for steps to take back. */
const REMEMBERED = 500;

/** How an edit ended. Only `accepted` changed anything, and then durably. */
export type EditOutcome =
  | { outcome: 'accepted'; revision: number }
  | { outcome: 'unknown page' }
  | { outcome: 'outdated'; revision: number; missed: StoredEdit[] }
  | { outcome: 'misfit'; sentence: string }
  | { outcome: 'invalid'; faults: Fault[] };

export interface Publication {
  number: number;
  manifest: Manifest;
  revisions: Record<string, number>;
  publishedAt: Date;
}

/** What the server keeps: sites, their pages with every edit, and their publications. */
export function siteStore(database: Database) {
  const pageKey = (site: string, page: string) => and(eq(pages.site, site), eq(pages.id, page));

  async function frameOf(site: string) {
    const [found] = await database.select().from(sites).where(eq(sites.id, site));
    return found as { id: string; frame: SiteFrame; live: number | null } | undefined;
  }

  async function publicationOf(site: string, number: number): Promise<Publication | undefined> {
    const [found] = await database
      .select()
      .from(publications)
      .where(and(eq(publications.site, site), eq(publications.number, number)));
    return found;
  }

  return {
    frameOf,
    publicationOf,

    async list() {
      return database.select().from(sites).orderBy(asc(sites.createdAt));
    },

    /** A site's pages without their documents, in order. */
    async pagesOf(site: string) {
      const rows = await database
        .select()
        .from(pages)
        .where(eq(pages.site, site))
        .orderBy(asc(pages.position));
      return rows.map(({ document, revision, changedAt }) => ({ page: document, revision, changedAt }));
    },

    async pageOf(site: string, page: string): Promise<StoredPage | undefined> {
      const [found] = await database.select().from(pages).where(pageKey(site, page));
      return found && { page: found.document, revision: found.revision };
    },

    /** The steps of a page that can be taken back and made again. */
    async stepsOf(site: string, page: string): Promise<Stacks> {
      const rows = await database
        .select()
        .from(edits)
        .where(and(eq(edits.site, site), eq(edits.page, page)))
        .orderBy(desc(edits.revision))
        .limit(REMEMBERED);
      const made = rows.reverse().filter(({ inverse }) => inverse.length > 0);
      return stacksOf(
        made.map(({ operations, inverse, sentence, by }) => ({ operations, inverse, sentence, by })),
      );
    },

    /** Keeps a valid site that is not there yet. */
    async add(site: Site): Promise<void> {
      const { pages: documents, ...frame } = site;
      await database.transaction(async (tx) => {
        await tx.insert(sites).values({ id: site.id, frame });
        await tx
          .insert(pages)
          .values(
            documents.map((document, position) => ({ site: site.id, id: document.id, position, document })),
          );
      });
    },

    /**
     * Applies an edit that was made on a revision of a page. It is kept only when it fits, leaves a valid page behind
     * and nothing was accepted in between; otherwise nothing changes.
     */
    async edit(
      site: string,
      page: string,
      revision: number,
      { operations, inverse, sentence, by }: NewEdit,
    ): Promise<EditOutcome> {
      return database.transaction(async (tx): Promise<EditOutcome> => {
        const [frameRow] = await tx.select().from(sites).where(eq(sites.id, site));
        const [row] = await tx.select().from(pages).where(pageKey(site, page)).for('update');
        if (!frameRow || !row) return { outcome: 'unknown page' };
        if (row.revision !== revision) {
          const missed = await tx
            .select({ revision: edits.revision, operations: edits.operations, sentence: edits.sentence })
            .from(edits)
            .where(and(eq(edits.site, site), eq(edits.page, page), gt(edits.revision, revision)))
            .orderBy(asc(edits.revision));
          return { outcome: 'outdated', revision: row.revision, missed };
        }
        let document: Page;
        try {
          document = jsonpatch.applyPatch(structuredClone(row.document), operations, true).newDocument;
        } catch (error) {
          const fault = error as { name?: string; index?: number };
          return {
            outcome: 'misfit',
            sentence: `Operation ${(fault.index ?? 0) + 1} does not fit the page (${fault.name ?? 'not applicable'}).`,
          };
        }
        const faults = pageFaults(document, frameRow.frame);
        if (document?.id !== row.id) faults.push({ path: '/id', sentence: 'A page keeps its id.' });
        if (faults.length > 0) return { outcome: 'invalid', faults };
        const next = revision + 1;
        await tx
          .update(pages)
          .set({ document, revision: next, changedAt: new Date() })
          .where(pageKey(site, page));
        await tx.insert(edits).values({ site, page, revision: next, operations, inverse, sentence, by });
        return { outcome: 'accepted', revision: next };
      });
    },

    /** The whole site as it is now, with the revision of each page. */
    async snapshot(site: string): Promise<{ site: Site; revisions: Record<string, number> } | undefined> {
      const frame = await frameOf(site);
      if (!frame) return undefined;
      const stored = await this.pagesOf(site);
      return {
        site: { ...frame.frame, pages: stored.map((entry) => entry.page) },
        revisions: Object.fromEntries(stored.map((entry) => [entry.page.id, entry.revision])),
      };
    },

    /** Keeps a publication under the next number and makes it the live one, both or neither. */
    async publish(site: string, manifest: Manifest, revisions: Record<string, number>): Promise<Publication> {
      return database.transaction(async (tx) => {
        await tx.select().from(sites).where(eq(sites.id, site)).for('update');
        const [last] = await tx
          .select({ number: publications.number })
          .from(publications)
          .where(eq(publications.site, site))
          .orderBy(desc(publications.number))
          .limit(1);
        const number = (last?.number ?? 0) + 1;
        const [kept] = await tx
          .insert(publications)
          .values({ site, number, manifest, revisions })
          .returning();
        await tx.update(sites).set({ live: number }).where(eq(sites.id, site));
        return kept;
      });
    },

    /** The publication that is live, if any. */
    async live(site: string): Promise<Publication | undefined> {
      const frame = await frameOf(site);
      return frame?.live ? publicationOf(site, frame.live) : undefined;
    },
  };
}

export type SiteStore = ReturnType<typeof siteStore>;
