import {
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  serial,
  text,
  timestamp,
  uniqueIndex,
} from 'drizzle-orm/pg-core';
import type { EditBy, Operation, Page, SiteFrame } from '../../core/index.ts';

const moment = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });

/** Sites, each with its frame: everything but the pages. `live` is the number of the publication that is served. */
export const sites = pgTable('sites', {
  id: text('id').primaryKey(),
  frame: jsonb('frame').$type<SiteFrame>().notNull(),
  /** Counts the accepted edits of the frame. */
  revision: integer('revision').notNull().default(1),
  live: integer('live'),
  createdAt: moment('created_at').notNull().defaultNow(),
});

/** Pages, one document each. `revision` counts the accepted edits. */
export const pages = pgTable(
  'pages',
  {
    site: text('site')
      .notNull()
      .references(() => sites.id, { onDelete: 'cascade' }),
    id: text('id').notNull(),
    position: integer('position').notNull(),
    revision: integer('revision').notNull().default(1),
    document: jsonb('document').$type<Page>().notNull(),
    changedAt: moment('changed_at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.site, table.id] }),
    index('pages_by_position').on(table.site, table.position),
  ],
);

/** What stands for the page in an edit of a site's frame. */
export const FRAME = '';

/** Every accepted edit: what brought a page, or a site's frame, from `revision - 1` to `revision`. */
export const edits = pgTable(
  'edits',
  {
    site: text('site').notNull(),
    page: text('page').notNull(),
    revision: integer('revision').notNull(),
    /** The order in which the edits of all pages were accepted. */
    sequence: serial('sequence').notNull(),
    operations: jsonb('operations').$type<Operation[]>().notNull(),
    /** The operations that take the edit back. */
    inverse: jsonb('inverse').$type<Operation[]>().notNull().default([]),
    by: text('by').$type<EditBy>().notNull().default('edit'),
    sentence: text('sentence').notNull(),
    madeAt: moment('made_at').notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.site, table.page, table.revision] })],
);

/** Publications, never changed: which file content stands at which path. */
export const publications = pgTable(
  'publications',
  {
    site: text('site')
      .notNull()
      .references(() => sites.id, { onDelete: 'cascade' }),
    number: integer('number').notNull(),
    manifest: jsonb('manifest').$type<Manifest>().notNull(),
    /** The revision of each page that was published, to tell later whether anything has changed since. */
    revisions: jsonb('revisions').$type<Record<string, number>>().notNull(),
    publishedAt: moment('published_at').notNull().defaultNow(),
  },
  (table) => [uniqueIndex('publications_by_number').on(table.site, table.number)],
);

/** The files of a publication by path: the SHA-256 of the content, under which it is kept, and its media type. */
export type Manifest = Record<string, { hash: string; type: string }>;
