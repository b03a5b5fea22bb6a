import { and, count, desc, eq, gte, inArray, isNull, max, sql } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import type { MessageLine } from '../../core/index.ts';
import type { Database } from './database.ts';
import { letters, sites } from './schema.ts';

/** How long messages are kept where nobody has said: days. */
const KEPT = 365;

/** As many messages of a site are kept at most; nobody reads more, and a flood must not fill the disk. */
const MOST = 20_000;

/** The same message within that time is the same one, sent twice: ms. */
const SAME = 600_000;

/** What arrives. */
export interface NewMessage {
  /** The element that is the form. */
  form: string;
  formName: string;
  /** Where the page is that it was sent from, from the root of the site. */
  page: string;
  lines: MessageLine[];
  /** It may come from a robot. */
  doubtful: boolean;
}

export interface StoredMessage extends NewMessage {
  id: string;
  arrivedAt: Date;
  readAt: Date | null;
}

/** A form that messages came from. */
export interface MessagesOfForm {
  form: string;
  formName: string;
  letters: number;
  unread: number;
}

/** Which messages: of one form, or those that may come from robots. */
export interface Letterbox {
  form?: string;
  doubtful?: boolean;
}

/** What visitors sent with the forms of sites. */
export function messageStore(database: Database) {
  const inBox = (site: string, { form, doubtful = false }: Letterbox) =>
    and(
      eq(letters.site, site),
      eq(letters.doubtful, doubtful),
      ...(form === undefined ? [] : [eq(letters.form, form)]),
    );
  const unread = sql<number>`count(*) filter (where ${letters.readAt} is null)`.mapWith(Number);
  return {
    /** Keeps a message; the same one, sent twice, once. Nothing is kept where there is no such site, or where its box is full. */
    keep: (site: string, message: NewMessage): Promise<'kept' | 'full' | 'missing'> =>
      database.transaction(async (tx) => {
        // One at a time, so that none slips past the others.
        const [found] = await tx
          .select({ id: sites.id })
          .from(sites)
          .where(eq(sites.id, site))
          .for('no key update');
        if (!found) return 'missing';
        const [same] = await tx
          .select({ id: letters.id })
          .from(letters)
          .where(
            and(
              eq(letters.site, site),
              eq(letters.form, message.form),
              eq(letters.lines, message.lines),
              gte(letters.arrivedAt, new Date(Date.now() - SAME)),
            ),
          )
          .limit(1);
        if (same) return 'kept';
        const [{ held }] = await tx.select({ held: count() }).from(letters).where(eq(letters.site, site));
        if (held >= MOST) return 'full';
        await tx.insert(letters).values({ site, id: nanoid(), ...message });
        return 'kept';
      }),

    /** Messages, the last one first: so many, those before one where that is said. */
    list: async (site: string, box: Letterbox, most: number, before?: string): Promise<StoredMessage[]> => {
      const earlier = before
        ? [
            sql`(${letters.arrivedAt}, ${letters.id}) < (select arrived_at, id from ${letters} where site = ${site} and id = ${before})`,
          ]
        : [];
      return database
        .select()
        .from(letters)
        .where(and(inBox(site, box), ...earlier))
        .orderBy(desc(letters.arrivedAt), desc(letters.id))
        .limit(most);
    },

    /** The forms that messages came from, the one with the last message first. */
    forms: (site: string): Promise<MessagesOfForm[]> =>
      database
        .select({
          form: letters.form,
          // What it was called last.
          formName: sql<string>`(array_agg(${letters.formName} order by ${letters.arrivedAt} desc))[1]`,
          letters: count(),
          unread,
        })
        .from(letters)
        .where(inBox(site, {}))
        .groupBy(letters.form)
        .orderBy(desc(max(letters.arrivedAt))),

    /** How many there are that may come from robots. */
    async doubtful(site: string): Promise<number> {
      const [{ held }] = await database
        .select({ held: count() })
        .from(letters)
        .where(inBox(site, { doubtful: true }));
      return held;
    },

    /** How many messages nobody has read. */
    async unread(site: string): Promise<number> {
      const [{ held }] = await database
        .select({ held: count() })
        .from(letters)
        .where(and(inBox(site, {}), isNull(letters.readAt)));
      return held;
    },

    /** Says of messages that they are read or not, or that they come from people after all. */
    async mark(site: string, ids: string[], { read, doubtful }: { read?: boolean; doubtful?: boolean }) {
      await database
        .update(letters)
        .set({
          ...(read !== undefined && { readAt: read ? new Date() : null }),
          ...(doubtful !== undefined && { doubtful }),
        })
        .where(and(eq(letters.site, site), inArray(letters.id, ids)));
    },

    /** Deletes messages for good. */
    async remove(site: string, ids: string[]): Promise<void> {
      await database.delete(letters).where(and(eq(letters.site, site), inArray(letters.id, ids)));
    },

    /** For how many days messages are kept; 0: until somebody deletes them. Undefined where there is no such site. */
    async keptFor(site: string): Promise<number | undefined> {
      const [found] = await database
        .select({ kept: sites.lettersKept })
        .from(sites)
        .where(eq(sites.id, site));
      return found && (found.kept ?? KEPT);
    },

    /** Says for how many days messages are kept, and deletes those that are older. Answers whether there is such a site. */
    async keepFor(site: string, days: number): Promise<boolean> {
      const found = await database
        .update(sites)
        .set({ lettersKept: days })
        .where(eq(sites.id, site))
        .returning({ id: sites.id });
      await this.removeOld(new Date(), site);
      return found.length > 0;
    },

    /** Deletes what is older than it is to be kept, of all sites or of one. */
    async removeOld(now = new Date(), only?: string): Promise<void> {
      const days = sql`coalesce(${sites.lettersKept}, ${KEPT}::integer)`;
      await database.delete(letters).where(
        and(
          only === undefined ? undefined : eq(letters.site, only),
          sql`exists (select 1 from ${sites} where ${sites.id} = ${letters.site} and ${days} > 0
            and ${letters.arrivedAt} < ${now.toISOString()}::timestamptz - ${days} * interval '1 day')`,
        ),
      );
    },
  };
}

export type MessageStore = ReturnType<typeof messageStore>;
