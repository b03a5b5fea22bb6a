import { execFile } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { drizzle as drizzlePglite } from 'drizzle-orm/pglite';
import { migrate as migratePglite } from 'drizzle-orm/pglite/migrator';
import type { Database, OpenDatabase, Transaction } from './connection.ts';
import { damaged, databaseIn, draftDatabase, unusable } from './folder.ts';
import { migrationsFolder, withMigrationsUpTo } from './migrations.ts';
import { openServer } from './postgres.ts';
import * as schema from './schema.ts';

export type { Database, OpenDatabase, Transaction } from './connection.ts';

/** MB; the write-ahead log of the embedded database is cut down to it at each checkpoint. */
const WAL_MB = 32;

/** What a new database begins with: tables of a version, and what is put into them. */
export interface Filling {
  version: number;
  put(database: Database): Promise<void>;
  /** Makes room for it. */
  before(): void;
}

/**
 * Makes an empty database in a folder; rejects with what the system said. Of its code nearly all runs once, so that making that fast would
 * take longer than it saves.
 */
function newCluster(path: string): Promise<void> {
  const program = fileURLToPath(new URL('./newcluster.mjs', import.meta.url));
  return new Promise((resolve, reject) => {
    execFile(process.execPath, ['--liftoff-only', program, path], (failed, output) => {
      if (!failed) return resolve();
      const { code, message } = (output ? JSON.parse(output) : failed) as { code?: string; message: string };
      reject(Object.assign(new Error(message), { code }));
    });
  });
}

/** Makes a database, whole or not at all: one that was killed half way would be taken for a damaged one. */
export async function makeEmbedded(folder: string, filling?: Filling): Promise<void> {
  const draft = draftDatabase(folder);
  try {
    await newCluster(draft.path);
    if (filling) {
      const client = await PGlite.create(draft.path);
      const database = drizzlePglite(client, { schema });
      await withMigrationsUpTo(filling.version, (path) =>
        migratePglite(database, { migrationsFolder: path }),
      );
      await filling.put(database);
      await client.exec('checkpoint');
      await client.close();
    }
    filling?.before();
    draft.keep();
  } catch (error) {
    draft.drop();
    throw unusable(folder, error);
  }
}

/** The embedded database. It has neither an autovacuum nor a checkpointer of its own: `tidy` stands in for both. */
async function openEmbedded(folder: string): Promise<OpenDatabase> {
  const { path, fresh } = databaseIn(folder);
  if (fresh) await makeEmbedded(folder);
  const client = await PGlite.create(path).catch((error: unknown) => {
    throw damaged(folder, error);
  });
  const database = drizzlePglite(client, { schema });
  await migratePglite(database, { migrationsFolder });
  // In force from the next opening.
  for (const size of ['max_wal_size', 'min_wal_size'])
    await client.exec(`alter system set ${size} = '${WAL_MB}MB'`);
  const tidy = async () => {
    await client.exec('vacuum');
    await client.exec('checkpoint');
  };
  const working = new Set<string>();
  return {
    database,
    hasOneConnection: true,
    // The folder is this process's alone.
    async alone(name, work) {
      if (working.has(name)) return undefined;
      working.add(name);
      try {
        return await work();
      } finally {
        working.delete(name);
      }
    },
    async listen(channel, { heard }) {
      await client.listen(channel, heard);
      return { hears: () => true, end: async () => undefined };
    },
    tidy,
    close: async () => {
      await client.exec('checkpoint');
      await client.close();
    },
  };
}

/** Opens and migrates the database: the PostgreSQL at `url`, or the embedded one in the data folder. */
export const openDatabase = (dataFolder: string, url?: string): Promise<OpenDatabase> =>
  url ? openServer(url) : openEmbedded(dataFolder);

/** Notifies all who listen on a channel, once the transaction is committed. */
export const notify = (tx: Transaction | Database, channel: string, text: string) =>
  tx.execute(sql`select pg_notify(${channel}, ${text})`);
