import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { drizzle as drizzlePglite } from 'drizzle-orm/pglite';
import { migrate as migratePglite } from 'drizzle-orm/pglite/migrator';
import { drizzle as drizzlePostgres } from 'drizzle-orm/node-postgres';
import { migrate as migratePostgres } from 'drizzle-orm/node-postgres/migrator';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import pg from 'pg';
import * as schema from './schema.ts';

export type Database = PgDatabase<PgQueryResultHKT, typeof schema>;

const migrationsFolder = new URL('./migrations', import.meta.url).pathname;

export interface OpenDatabase {
  database: Database;
  close(): Promise<void>;
}

/** Opens and migrates the database: the PostgreSQL at `url`, or the embedded one in the data folder. */
export async function openDatabase(dataFolder: string, url?: string): Promise<OpenDatabase> {
  if (url) {
    const pool = new pg.Pool({ connectionString: url });
    const database = drizzlePostgres(pool, { schema });
    await migratePostgres(database, { migrationsFolder });
    return { database, close: () => pool.end() };
  }
  const client = await PGlite.create(join(dataFolder, 'database'));
  const database = drizzlePglite(client, { schema });
  await migratePglite(database, { migrationsFolder });
  return { database, close: () => client.close() };
}
