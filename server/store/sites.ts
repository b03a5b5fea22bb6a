import { and, asc, desc, eq, gt, inArray } from 'drizzle-orm';
import jsonpatch from 'fast-json-patch';
import {
  done,
  frameFaults,
  pageFaults,
  refused,
  stacksOf,
  upgradedFrame,
  upgradedPage,
  type Outcome,
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
import { edits, FRAME, pages, publications, sites, type Manifest } from './schema.ts';

export interface StoredPage {
  page: Page;
  revision: number;
}

export interface StoredEdit {
  revision: number;
  operations: Operation[];
  inverse: Operation[];
  sentence: string;
}

/** An edit as it comes in. */
export type NewEdit = Omit<Made, 'on'> & { by: EditBy };

/** How many edits of a page are looked through for steps to take back. */
const REMEMBERED = 500;

/** How an edit ended. Only `accepted` changed anything, and then durably. */
export type EditOutcome =
  | { outcome: 'accepted'; revision: number }
  | { outcome: 'unknown' }
  | { outcome: 'outdated'; revision: number; missed: StoredEdit[] }
  | { outcome: 'misfit'; sentence: string }
  | { outcome: 'invalid'; faults: Fault[] };

export interface Publication {
  number: number;
  manifest: Manifest;
  revisions: Record<string, number>;
  publishedAt: Date;
}

/** A document with operations applied by the published JSON Patch library, or why they do not fit. */
function withOperations<T extends Page | SiteFrame>(document: T, operations: Operation[]): Outcome<T> {
  try {
    return done(jsonpatch.applyPatch(structuredClone(document), operations, true).newDocument);
  } catch (error) {
    const { index = 0, name = 'not applicable' } = error as { name?: string; index?: number };
    return refused(`Operation ${index + 1} does not fit what is there (${name}).`);
  }
}

type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/** The answer to an edit that others came before: what they changed. */
async function outdated(
  tx: Transaction,
  site: string,
  page: string,
  made: number,
  revision: number,
): Promise<EditOutcome> {
  const missed = await tx
    .select({
      revision: edits.revision,
      operations: edits.operations,
      inverse: edits.inverse,
      sentence: edits.sentence,
    })
    .from(edits)
    .where(and(eq(edits.site, site), eq(edits.page, page), gt(edits.revision, made)))
    .orderBy(asc(edits.revision));
  return { outcome: 'outdated', revision, missed };
}

/** What the server keeps: sites, their pages with every edit, and their publications. */
export function siteStore(database: Database) {
  const pageKey = (site: string, page: string) => and(eq(pages.site, site), eq(pages.id, page));

  async function frameOf(site: string) {
    const [found] = await database.select().from(sites).where(eq(sites.id, site));
    return found as { id: string; frame: SiteFrame; revision: number; live: number | null } | undefined;
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

    /** The steps of a page, and of the site's theme, that can be taken back and made again. */
    async stepsOf(site: string, page: string): Promise<Stacks> {
      const rows = await database
        .select()
        .from(edits)
        .where(and(eq(edits.site, site), inArray(edits.page, [page, FRAME])))
        .orderBy(desc(edits.sequence))
        .limit(REMEMBERED);
      const made = rows.reverse().filter(({ inverse }) => inverse.length > 0);
      return stacksOf(
        made.map(({ page: on, operations, inverse, sentence, by }) => ({
          on: on === FRAME ? 'site' : 'page',
          operations,
          inverse,
          sentence,
          by,
        })),
      );
    },

    /** Brings what an earlier version of the program has kept to the present form. */
    async upgrade(): Promise<void> {
      await database.transaction(async (tx) => {
        for (const { id, frame } of await tx.select().from(sites)) {
          const upgraded = upgradedFrame(frame);
          if (upgraded === frame) continue;
          await tx.update(sites).set({ frame: upgraded }).where(eq(sites.id, id));
          for (const { id: page, document } of await tx.select().from(pages).where(eq(pages.site, id)))
            await tx
              .update(pages)
              .set({ document: upgradedPage(document) })
              .where(pageKey(id, page));
        }
      });
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
    edit: (site: string, page: string, revision: number, edit: NewEdit): Promise<EditOutcome> =>
      database.transaction(async (tx): Promise<EditOutcome> => {
        const [frameRow] = await tx.select().from(sites).where(eq(sites.id, site));
        const [row] = await tx.select().from(pages).where(pageKey(site, page)).for('update');
        if (!frameRow || !row) return { outcome: 'unknown' };
        if (row.revision !== revision) return outdated(tx, site, page, revision, row.revision);
        const applied = withOperations(row.document, edit.operations);
        if (!applied.ok) return { outcome: 'misfit', sentence: applied.sentence };
        const document = applied.value;
        const faults = pageFaults(document, frameRow.frame);
        if (document?.id !== row.id) faults.push({ path: '/id', sentence: 'A page keeps its id.' });
        if (faults.length > 0) return { outcome: 'invalid', faults };
        const next = revision + 1;
        await tx
          .update(pages)
          .set({ document, revision: next, changedAt: new Date() })
          .where(pageKey(site, page));
        await tx.insert(edits).values({ site, page, revision: next, ...edit });
        return { outcome: 'accepted', revision: next };
      }),

    /** Applies an edit of a site's frame, under the same terms; every page must still be valid with it. */
    editFrame: (site: string, revision: number, edit: NewEdit): Promise<EditOutcome> =>
      database.transaction(async (tx): Promise<EditOutcome> => {
        const [row] = await tx.select().from(sites).where(eq(sites.id, site)).for('update');
        if (!row) return { outcome: 'unknown' };
        if (row.revision !== revision) return outdated(tx, site, FRAME, revision, row.revision);
        const applied = withOperations(row.frame, edit.operations);
        if (!applied.ok) return { outcome: 'misfit', sentence: applied.sentence };
        const frame = applied.value;
        const faults = frameFaults(frame);
        if (frame?.id !== row.id) faults.push({ path: '/id', sentence: 'A site keeps its id.' });
        if (faults.length === 0) {
          for (const { document } of await tx.select().from(pages).where(eq(pages.site, site))) {
            const [fault] = pageFaults(document, frame);
            if (fault)
              faults.push({ ...fault, sentence: `On the page ${document.title}: ${fault.sentence}` });
          }
        }
        if (faults.length > 0) return { outcome: 'invalid', faults };
        const next = revision + 1;
        await tx.update(sites).set({ frame, revision: next }).where(eq(sites.id, site));
        await tx.insert(edits).values({ site, page: FRAME, revision: next, ...edit });
        return { outcome: 'accepted', revision: next };
      }),

    /** The whole site as it is now, with the revision of each page. */
    async snapshot(site: string): Promise<{ site: Site; revisions: Record<string, number> } | undefined> {
      const frame = await frameOf(site);
      if (!frame) return undefined;
      const stored = await this.pagesOf(site);
      return {
        site: { ...frame.frame, pages: stored.map((entry) => entry.page) },
        revisions: {
          [FRAME]: frame.revision,
          ...Object.fromEntries(stored.map((entry) => [entry.page.id, entry.revision])),
        },
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
