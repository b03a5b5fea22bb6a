import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import type { Listener, Listening } from './listening.ts';
import type * as schema from './schema.ts';

export type Database = PgDatabase<PgQueryResultHKT, typeof schema>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

export interface OpenDatabase {
  database: Database;
  /** Calls back with what any process that works on the database notifies on a channel, once it is committed. */
  listen(channel: string, listener: Listener): Promise<Listening>;
  /** Whether all work shares one connection, so that whatever takes long there holds up all else. */
  hasOneConnection: boolean;
  /** Does some work while no process does work of the same name on the database; undefined, and nothing done, while another does. */
  alone<T>(name: string, work: () => Promise<T>): Promise<T | undefined>;
  /** Gives back room that edits have left, where the database does not do that by itself. */
  tidy(): Promise<void>;
  close(): Promise<void>;
}
