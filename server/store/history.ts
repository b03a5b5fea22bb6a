import { and, asc, desc, eq, gt, lt, lte, sql } from 'drizzle-orm';
import {
  applied,
  FORMAT_VERSION,
  overlapping,
  upgraded,
  type EditBy,
  type Fault,
  type Operation,
} from '../../core/index.ts';
import { notify, type Database, type Transaction } from './database.ts';
import { readSite, writeChanges, type Snapshot } from './documents.ts';
import { faultsAfter } from './faults.ts';
import type { FileStore } from './files.ts';
import { heldSites } from './heldsites.ts';
import { log, parts, sites } from './schema.ts';
import type { Tidying } from './tidying.ts';

/** An edit as it comes in. */
export interface NewEdit {
  key: string;
  /** SHA-256 of what was sent. */
  fingerprint: string;
  session: string;
  by: EditBy;
  of?: string;
  sentence: string;
  operations: Operation[];
}

/** An edit as the log has it. */
export interface LoggedEdit extends Omit<NewEdit, 'fingerprint'> {
  revision: number;
  inverse: Operation[];
  madeAt: Date;
}

/** A step as the list of steps shows it: an edit without its operations, and the pages that it changed. */
export type LoggedStep = Omit<LoggedEdit, 'operations' | 'inverse'> & { pages: string[] };

/** How an edit ended. Only `accepted` changed anything, and then durably. */
export type EditOutcome =
  | { outcome: 'accepted'; revision: number; missed: LoggedEdit[] }
  /** The same key came with something else. */
  | { outcome: 'reused'; revision: number }
  | { outcome: 'unknown' }
  /** Others came first. Without `missed` they are not remembered any more, or the edit is of another history. */
  | { outcome: 'outdated'; revision: number; missed?: LoggedEdit[] }
  | { outcome: 'misfit'; sentence: string }
  | { outcome: 'invalid'; faults: Fault[] };

/** How many edits of a site are remembered; older ones can be neither undone nor merged with. */
export const REMEMBERED = 10_000;

/** How many edits, and how many bytes of their operations, are given at once. */
const MOST = { edits: 500, bytes: 2_000_000 };

/** Every so many edits of a site the oldest are forgotten. */
const FORGET_EVERY = 200;

export const CHANNEL = 'edits';

const fieldsOfEdit = {
  revision: log.revision,
  key: log.key,
  session: log.session,
  by: log.by,
  of: log.of,
  sentence: log.sentence,
  operations: log.operations,
  inverse: log.inverse,
  version: log.version,
  madeAt: log.madeAt,
};

type Row = Omit<LoggedEdit, 'of'> & { of: string | null; version: number };
const editFrom = ({ of, version, operations, inverse, ...rest }: Row): LoggedEdit => ({
  ...rest,
  operations: upgraded.operations(operations, version),
  inverse: upgraded.operations(inverse, version),
  ...(of !== null && { of }),
});

/** The history of each site: its present state, its revision and its log. */
export function historyStore(database: Database, tidying: Tidying, files: FileStore) {
  const held = heldSites();

  const revisionOf = async (reader: Database | Transaction, id: string): Promise<number | undefined> =>
    (await reader.select({ revision: sites.revision }).from(sites).where(eq(sites.id, id)))[0]?.revision;

  /** The edits after a revision, oldest first; undefined where not all of them are remembered or they are too many. */
  async function since(reader: Database | Transaction, id: string, after: number, now: number) {
    if (after >= now) return after === now ? [] : undefined;
    const [{ count, bytes }] = await reader
      .select({
        count: sql<number>`count(*)::int`,
        bytes: sql<number>`coalesce(sum(pg_column_size(${log.operations}) + pg_column_size(${log.inverse})), 0)::int`,
      })
      .from(log)
      .where(and(eq(log.site, id), gt(log.revision, after)));
    if (count !== now - after || count > MOST.edits || bytes > MOST.bytes) return undefined;
    const rows = await reader
      .select(fieldsOfEdit)
      .from(log)
      .where(and(eq(log.site, id), gt(log.revision, after)))
      .orderBy(asc(log.revision));
    return rows.map(editFrom);
  }

  /** The first answer to an edit that was kept under the same key. */
  async function answeredBefore(tx: Transaction, id: string, { key, fingerprint }: NewEdit) {
    const [found] = await tx
      .select({ revision: log.revision, base: log.base, fingerprint: log.fingerprint })
      .from(log)
      .where(and(eq(log.site, id), eq(log.key, key)));
    if (!found) return undefined;
    if (found.fingerprint !== fingerprint) return { outcome: 'reused', revision: found.revision } as const;
    const edits = (await since(tx, id, found.base, found.revision)) ?? [];
    const missed = edits.filter(({ revision }) => revision < found.revision);
    return { outcome: 'accepted', revision: found.revision, missed } as const;
  }

  async function accept(
    tx: Transaction,
    id: string,
    base: number,
    edit: NewEdit,
  ): Promise<{ outcome: EditOutcome; made?: Snapshot; kept?: true }> {
    const [row] = await tx
      .select({ revision: sites.revision })
      .from(sites)
      .where(eq(sites.id, id))
      .for('update');
    if (!row) return { outcome: { outcome: 'unknown' } };
    const before = await answeredBefore(tx, id, edit);
    if (before) return { outcome: before };
    const { revision } = row;
    const missed = await since(tx, id, base, revision);
    const outdated: EditOutcome = { outcome: 'outdated', revision, missed };
    if (!missed) return { outcome: outdated };
    const theirs = missed.flatMap(({ operations }) => operations);
    if (overlapping(edit.operations, theirs).length > 0) return { outcome: outdated };
    const { site, isWhole } = await held.read(tx, id, revision, edit.operations);
    const made = applied(site, edit.operations);
    // What does not fit, or is not valid, because of what others did meanwhile, is for the sender to make again.
    if (!made.ok)
      return { outcome: missed.length > 0 ? outdated : { outcome: 'misfit', sentence: made.sentence } };
    const faults = await faultsAfter(site, made.value.site, edit.operations, files);
    if (faults.length > 0) return { outcome: missed.length > 0 ? outdated : { outcome: 'invalid', faults } };
    const next = revision + 1;
    await writeChanges(tx, site, made.value.site, edit.operations, next);
    await tx.insert(log).values({
      site: id,
      revision: next,
      base,
      ...edit,
      inverse: made.value.inverse,
      version: FORMAT_VERSION,
    });
    if (next % FORGET_EVERY === 0)
      await tx.delete(log).where(and(eq(log.site, id), lte(log.revision, next - REMEMBERED)));
    await notify(tx, CHANNEL, `${id} ${next}`);
    return {
      outcome: { outcome: 'accepted', revision: next, missed },
      ...(isWhole && { made: { site: made.value.site, revision: next } }),
      kept: true,
    };
  }

  return {
    /** Forgets what is held of a site that is gone. */
    forget: held.forget,

    /** Forgets what is held of all sites: which were removed meanwhile is not known. */
    forgetAll: held.forgetAll,

    /** The site as it is now; undefined when there is none. */
    async present(id: string): Promise<Snapshot | undefined> {
      const revision = await revisionOf(database, id);
      if (revision === undefined) return undefined;
      return held.at(id, revision) ?? this.snapshot(id);
    },

    /**
     * The site as it was at a revision, or as it is now, in one consistent read. Undefined when there is no such site,
     * or it is not remembered how it was.
     */
    snapshot: (id: string, at?: number): Promise<Snapshot | undefined> =>
      database.transaction(
        async (tx) => {
          const now = await readSite(tx, id);
          if (!now || at === undefined || at === now.revision) return now && held.hold(id, now);
          if (at > now.revision) return undefined;
          const later = await tx
            .select({ inverse: log.inverse, version: log.version })
            .from(log)
            .where(and(eq(log.site, id), gt(log.revision, at)))
            .orderBy(desc(log.revision));
          if (later.length !== now.revision - at) return undefined;
          const back = applied(
            now.site,
            later.flatMap(({ inverse, version }) => upgraded.operations(inverse, version)),
          );
          return back.ok ? { site: back.value.site, revision: at } : undefined;
        },
        { isolationLevel: 'repeatable read', accessMode: 'read only' },
      ),

    /**
     * Keeps an edit that was made on a revision of a site, once, however often it comes. Edits that others made in
     * between do not matter unless they touched the same; what is left behind has to be valid.
     */
    async edit(id: string, base: number, edit: NewEdit): Promise<EditOutcome> {
      const { outcome, made, kept } = await database.transaction((tx) => accept(tx, id, base, edit));
      if (made) held.hold(id, made);
      if (kept) tidying.edited();
      return outcome;
    },

    /** Keeps a part of an edit for a day, until the last of them comes. Answers whether there is such a site. */
    keepPart: (id: string, key: string, part: number, operations: Operation[]) =>
      database.transaction(async (tx): Promise<boolean> => {
        if ((await revisionOf(tx, id)) === undefined) return false;
        await tx.delete(parts).where(lt(parts.receivedAt, sql`now() - interval '1 day'`));
        await tx
          .insert(parts)
          .values({ site: id, key, part, operations, version: FORMAT_VERSION })
          .onConflictDoUpdate({
            target: [parts.site, parts.key, parts.part],
            set: { operations, receivedAt: new Date() },
          });
        return true;
      }),

    /** The operations of the parts of an edit that were kept, in their order; undefined where one of `count` is missing. */
    async partsOf(id: string, key: string, count: number): Promise<Operation[] | undefined> {
      const rows = await database
        .select()
        .from(parts)
        .where(and(eq(parts.site, id), eq(parts.key, key), lte(parts.part, count)))
        .orderBy(asc(parts.part));
      return rows.length === count
        ? rows.flatMap(({ operations, version }) => upgraded.operations(operations, version))
        : undefined;
    },

    /** The edits after a revision, oldest first, with the present revision; without `edits` where they are not all remembered. */
    async after(
      id: string,
      revision: number,
    ): Promise<{ revision: number; edits?: LoggedEdit[] } | undefined> {
      return database.transaction(
        async (tx) => {
          const now = await revisionOf(tx, id);
          if (now === undefined) return undefined;
          return { revision: now, edits: await since(tx, id, revision, now) };
        },
        { isolationLevel: 'repeatable read', accessMode: 'read only' },
      );
    },

    /** An edit by its revision. */
    async editAt(id: string, revision: number): Promise<LoggedEdit | undefined> {
      const [found] = await database
        .select(fieldsOfEdit)
        .from(log)
        .where(and(eq(log.site, id), eq(log.revision, revision)));
      return found && editFrom(found);
    },

    /** The steps of a site between two revisions, without these, oldest first; of a session where one is named; the last `count` at most. */
    async steps(
      id: string,
      { after, before, session }: { after: number; before: number; session?: string },
      count: number,
    ): Promise<LoggedStep[]> {
      const rows = await database
        .select({
          revision: log.revision,
          key: log.key,
          session: log.session,
          by: log.by,
          of: log.of,
          sentence: log.sentence,
          madeAt: log.madeAt,
          pages: sql<
            string[]
          >`array(select distinct split_part(operation ->> 'path', '/', 3) from jsonb_array_elements(${log.operations}) as operation where operation ->> 'path' like '/pages/%')`,
        })
        .from(log)
        .where(
          and(
            eq(log.site, id),
            gt(log.revision, after),
            lt(log.revision, before),
            session === undefined ? undefined : eq(log.session, session),
          ),
        )
        .orderBy(desc(log.revision))
        .limit(count);
      return rows.reverse().map(({ of, ...rest }) => ({ ...rest, ...(of !== null && { of }) }));
    },
  };
}

export type HistoryStore = ReturnType<typeof historyStore>;
