import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import type { OpenDatabase } from './connection.ts';
import { FolderRefused } from './folder.ts';
import { listening } from './listening.ts';
import { migrationsFolder } from './migrations.ts';
import * as schema from './schema.ts';
import { isUnreachable } from './storefaults.ts';

/** A number that stands for migrating among the advisory locks of the database. */
const MIGRATING = 4870_4871;

/** ms; how long a connection may take to be made before a request is refused. */
const PATIENCE = 5000;

/** Migrates a database of which several processes may begin at once: one after the other. */
async function migrateServer(url: string): Promise<void> {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: PATIENCE });
  // What breaks the connection also rejects the query that waits for it.
  client.on('error', () => undefined);
  try {
    await client.connect();
    await client.query('select pg_advisory_lock($1)', [MIGRATING]);
    await migrate(drizzle(client, { schema }), { migrationsFolder });
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** Opens and migrates the database of a PostgreSQL server. Throws `FolderRefused` where the server cannot be reached. */
export async function openServer(url: string): Promise<OpenDatabase> {
  try {
    await migrateServer(url);
  } catch (error) {
    if (!isUnreachable(error)) throw error;
    throw new FolderRefused(
      'The database that DATABASE_URL names cannot be reached. Nothing was changed: start it, or correct DATABASE_URL, and start again.',
    );
  }
  const pool = new pg.Pool({ connectionString: url, connectionTimeoutMillis: PATIENCE, keepAlive: true });
  // A connection that breaks while nobody uses it is removed from the pool; the next request makes another.
  pool.on('error', () => undefined);
  // One that breaks while it is used rejects the query, and also emits an error on the client.
  pool.on('connect', (client) => void client.on('error', () => undefined));
  const database = drizzle(pool, { schema });
  /**
   * Drizzle's own transaction on a pool never gives a connection back on which `begin` fails, so that ten of them end all work. On a
   * connection that is taken and given back here it does.
   */
  const transaction: typeof database.transaction = async (work, config) => {
    const client = await pool.connect();
    let isBroken = false;
    try {
      return await drizzle(client, { schema }).transaction(work, config);
    } catch (error) {
      isBroken = isUnreachable(error);
      throw error;
    } finally {
      client.release(isBroken);
    }
  };
  return {
    database: Object.assign(database, { transaction }),
    hasOneConnection: false,
    async alone(name, work) {
      const client = await pool.connect();
      // A lock goes with its connection, also where this process ends.
      let isBroken = true;
      try {
        const { rows } = await client.query<{ taken: boolean }>(
          'select pg_try_advisory_lock(hashtext($1)) as taken',
          [name],
        );
        if (!rows[0].taken) {
          isBroken = false;
          return undefined;
        }
        const done = await work();
        await client.query('select pg_advisory_unlock(hashtext($1))', [name]);
        isBroken = false;
        return done;
      } finally {
        client.release(isBroken);
      }
    },
    listen: (channel, listener) => listening(url, channel, listener),
    tidy: async () => undefined,
    close: () => pool.end(),
  };
}
