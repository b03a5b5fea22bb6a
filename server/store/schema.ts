import { sql } from 'drizzle-orm';
import {
  boolean,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
} from 'drizzle-orm/pg-core';
import type { EditBy, MessageLine, Node, Operation, SiteFrame } from '../../core/index.ts';

const moment = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });

/** Sites, each with its frame. `live` is the number of the publication that is served. */
export const sites = pgTable('sites', {
  id: text('id').primaryKey(),
  frame: jsonb('frame').$type<SiteFrame>().notNull(),
  /** What the list of sites says of it, so that no frame is read for that: its name, how many pages it has, and the id of its home page. */
  name: text('name').notNull(),
  pageCount: integer('page_count').notNull(),
  homePage: text('home_page').notNull(),
  /** Counts the accepted edits of the site. */
  revision: integer('revision').notNull().default(1),
  /** The last revision that changed the frame. */
  frameRevision: integer('frame_revision').notNull().default(1),
  live: integer('live'),
  /** When the site was archived; it is removed for good some time after. */
  putAwayAt: moment('put_away_at'),
  /** For how many days letters are kept; 0: until somebody deletes them; absent: for as long as is usual. */
  lettersKept: integer('letters_kept'),
  createdAt: moment('created_at').notNull().defaultNow(),
  changedAt: moment('changed_at').notNull().defaultNow(),
});

const site = () =>
  text('site')
    .notNull()
    .references(() => sites.id, { onDelete: 'cascade' });

/** Pages: which there are. Their heads and their order stand in the frame, their elements in `nodes`. */
export const pages = pgTable(
  'pages',
  {
    site: site(),
    id: text('id').notNull(),
    root: text('root').notNull(),
    /** The last revision of the site that changed the page. */
    revision: integer('revision').notNull().default(1),
  },
  (table) => [primaryKey({ columns: [table.site, table.id] })],
);

/** The elements of pages, a row each, so that an edit writes what it touches. */
export const nodes = pgTable(
  'nodes',
  {
    site: site(),
    page: text('page').notNull(),
    id: text('id').notNull(),
    node: jsonb('node').$type<Node>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.site, table.page, table.id] })],
);

/** Every accepted edit still remembered: what brought a site from `revision - 1` to `revision`. */
export const log = pgTable(
  'log',
  {
    site: site(),
    revision: integer('revision').notNull(),
    /** Names the edit, so that it is kept once however often it is sent. */
    key: text('key').notNull(),
    /** SHA-256 of what was sent under the key. */
    fingerprint: text('fingerprint').notNull(),
    /** The revision that the edit was made on. */
    base: integer('base').notNull(),
    session: text('session').notNull(),
    by: text('by').$type<EditBy>().notNull(),
    /** The key of the edit that was undone or redone. */
    of: text('of'),
    sentence: text('sentence').notNull(),
    operations: jsonb('operations').$type<Operation[]>().notNull(),
    /** The operations that take the edit back. */
    inverse: jsonb('inverse').$type<Operation[]>().notNull(),
    /** The version of what the operations speak of: that of site files. */
    version: integer('version').notNull().default(2),
    madeAt: moment('made_at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.site, table.revision] }),
    uniqueIndex('log_by_key').on(table.site, table.key),
    index('log_by_session').on(table.site, table.session, table.revision),
  ],
);

/** Parts of edits that are larger than a request, until the last of them arrives. */
export const parts = pgTable(
  'parts',
  {
    site: site(),
    key: text('key').notNull(),
    part: integer('part').notNull(),
    operations: jsonb('operations').$type<Operation[]>().notNull(),
    version: integer('version').notNull().default(2),
    receivedAt: moment('received_at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.site, table.key, table.part] }),
    index('parts_by_age').on(table.receivedAt),
  ],
);

/** Publications, never changed: which file content stands at which path. */
export const publications = pgTable(
  'publications',
  {
    site: site(),
    number: integer('number').notNull(),
    manifest: jsonb('manifest').$type<Manifest>().notNull(),
    /** The revision of the site that was published. */
    revision: integer('revision').notNull().default(0),
    /** What the one who published it said of it. */
    note: text('note'),
    /** Who published it, as they called themselves. */
    by: text('by'),
    /** The pages that stayed as they were before, each with the revision of the site that it is from. */
    heldBack: jsonb('held_back').$type<Record<string, number>>(),
    /** The SHA-256 of the site as it was, under which it is kept; absent of those from before that was kept. */
    state: text('state'),
    publishedAt: moment('published_at').notNull().defaultNow(),
  },
  (table) => [
    uniqueIndex('publications_by_number').on(table.site, table.number),
    index('publications_by_state').on(table.site, table.state),
  ],
);

/** What visitors sent with the forms of a site. */
export const letters = pgTable(
  'letters',
  {
    site: site(),
    id: text('id').notNull(),
    /** The element that is the form, and what it was called then. */
    form: text('form').notNull(),
    formName: text('form_name').notNull(),
    /** Where the page is that it was sent from, from the root of the site. */
    page: text('page').notNull(),
    lines: jsonb('lines').$type<MessageLine[]>().notNull(),
    /** It may come from a robot. */
    doubtful: boolean('doubtful').notNull(),
    arrivedAt: moment('arrived_at').notNull().defaultNow(),
    readAt: moment('read_at'),
  },
  (table) => [
    primaryKey({ columns: [table.site, table.id] }),
    index('letters_by_time').on(table.site, table.arrivedAt),
    index('letters_unread')
      .on(table.site)
      .where(sql`${table.readAt} is null and not ${table.doubtful}`),
  ],
);

/** A file of a publication: the SHA-256 of its content, under which it is kept, its media type, and its compressed forms. */
export interface PublishedEntry {
  hash: string;
  type: string;
  /** The SHA-256 of the same content in an encoding, where that is smaller. */
  encoded?: { br?: string; gzip?: string };
  /** Where the page is now that stood here, from the root of the site. */
  movedTo?: string;
  /** Sent only to visitors who have signed in. */
  audience?: 'signed-in';
}

/** The files of a publication by path. */
export type Manifest = Record<string, PublishedEntry>;
