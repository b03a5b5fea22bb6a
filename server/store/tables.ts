import { knownIn, lastOf, lookup, sure } from '../../core/index.ts';
import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { getTableName, sql, type SQL } from 'drizzle-orm';
import type { Database, Transaction } from './database.ts';
import { letters, log, nodes, pages, parts, publications, sites } from './schema.ts';

/** A table of a backup: what names its rows, and how many of them are read at once: fewer where they are large. */
interface BackedUp {
  name: string;
  key: readonly string[];
  atOnce: number;
}

/** The tables of a backup, so that what a row refers to stands before it. */
export const TABLES: readonly BackedUp[] = [
  { name: getTableName(sites), key: ['id'], atOnce: 20 },
  { name: getTableName(pages), key: ['site', 'id'], atOnce: 500 },
  { name: getTableName(nodes), key: ['site', 'page', 'id'], atOnce: 250 },
  { name: getTableName(log), key: ['site', 'revision'], atOnce: 100 },
  { name: getTableName(parts), key: ['site', 'key', 'part'], atOnce: 5 },
  { name: getTableName(publications), key: ['site', 'number'], atOnce: 20 },
  { name: getTableName(letters), key: ['site', 'id'], atOnce: 250 },
];

/** How many rows of a table there are in a backup, and the SHA-256 of their file. */
export interface WrittenTable {
  rows: number;
  sha256: string;
}

type Reader = Database | Transaction;

/** A row: what names it, as JSON, and all of it, as JSON. */
interface Row {
  key: string;
  row: string;
}

const list = (names: readonly string[]): SQL =>
  sql.join(
    names.map((name) => sql.identifier(name)),
    sql.raw(', '),
  );

const keyOf = ({ key }: BackedUp): SQL => sql`jsonb_build_array(${list(key)})::text`;

async function rowsOf<T>(reader: Reader, query: SQL): Promise<T[]> {
  return ((await reader.execute<Record<string, unknown>>(query)) as { rows: T[] }).rows;
}

/** The rows of a table by their keys, some at once: each reading goes on behind the last key, and sorts nothing. */
async function* rowsInTurn(reader: Reader, table: BackedUp): AsyncGenerator<Row> {
  let after: (string | number)[] | undefined;
  for (;;) {
    const behind = after
      ? sql`where (${list(table.key)}) > (${sql.join(
          after.map((each) => sql`${each}`),
          sql.raw(', '),
        )})`
      : sql``;
    const rows = await rowsOf<Row>(
      reader,
      sql`select ${keyOf(table)} as key, to_jsonb(t)::text as row from ${sql.identifier(table.name)} t ${behind} order by ${list(table.key)} limit ${sql.raw(String(table.atOnce))}`,
    );
    yield* rows;
    if (rows.length < table.atOnce) return;
    after = JSON.parse(lastOf(rows).key) as (string | number)[];
  }
}

const fileOf = (folder: string, name: string) => join(folder, `${name}.jsonl`);

/** Writes lines to a file as they come. */
async function writeLines(path: string, lines: AsyncIterable<string>): Promise<WrittenTable> {
  const hash = createHash('sha256');
  let rows = 0;
  async function* counted() {
    for await (const line of lines) {
      const text = `${line}\n`;
      hash.update(text);
      rows += 1;
      yield text;
    }
  }
  await pipeline(Readable.from(counted()), createWriteStream(path));
  return { rows, sha256: hash.digest('hex') };
}

/** Writes all tables as they are in one transaction that others need not wait for. */
async function writeInSnapshot(database: Database, folder: string): Promise<Record<string, WrittenTable>> {
  return database.transaction(
    async (tx) => {
      const written: Record<string, WrittenTable> = {};
      for (const table of TABLES) {
        async function* lines() {
          for await (const { row } of rowsInTurn(tx, table)) yield row;
        }
        written[table.name] = await writeLines(fileOf(folder, table.name), lines());
      }
      return written;
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  );
}

/** What has become of a table since some of it was read. */
interface Changed {
  /** Rows that are new, or other ones, by their keys. */
  rows: Map<string, string>;
  /** The keys of all rows, where some have gone. */
  present?: ReadonlySet<string>;
}

/** What has changed in a table since a transaction of a number; `read`: how many rows of it were read, of which `again` are changed ones. */
async function changedSince(
  tx: Transaction,
  table: BackedUp,
  since: string,
  read: ReadonlySet<string>,
): Promise<Changed> {
  const name = sql.identifier(table.name);
  const isNew = sql`xmin::text::bigint >= ${since}::bigint`;
  const changed = await rowsOf<Row>(
    tx,
    sql`select ${keyOf(table)} as key, to_jsonb(t)::text as row from ${name} t where ${isNew} order by ${list(table.key)}`,
  );
  const rows = new Map(changed.map(({ key, row }) => [key, row]));
  const [{ left }] = await rowsOf<{ left: number }>(
    tx,
    sql`select count(*)::int as left from ${name} where not ${isNew}`,
  );
  const expected = read.size - changed.filter(({ key }) => read.has(key)).length;
  if (left === expected) return { rows };
  const keys = await rowsOf<{ key: string }>(tx, sql`select ${keyOf(table)} as key from ${name}`);
  return { rows, present: new Set(keys.map(({ key }) => key)) };
}

/**
 * Writes all tables of a database that has one connection, on which nobody may wait long: reads them in turn with everything else that is
 * asked for, and then, in one short transaction, what has changed since. A row says which transaction wrote it (`xmin`); all transactions are
 * of this process, and each is over before the next begins.
 */
async function writeWithoutWaiting(
  database: Database,
  folder: string,
): Promise<Record<string, WrittenTable>> {
  const [{ since }] = await rowsOf<{ since: string }>(
    database,
    sql`select pg_current_xact_id()::text as since`,
  );
  const read = new Map<string, Set<string>>();
  const draftOf = (name: string) => `${fileOf(folder, name)}.read`;
  for (const table of TABLES) {
    const keys = new Set<string>();
    async function* lines() {
      for await (const { key, row } of rowsInTurn(database, table)) {
        keys.add(key);
        yield `${key}\t${row}`;
        if (keys.size % table.atOnce === 0) await new Promise((resolve) => setImmediate(resolve));
      }
    }
    await writeLines(draftOf(table.name), lines());
    read.set(table.name, keys);
  }
  const changed = await database.transaction(
    async (tx) => {
      const found: Record<string, Changed> = {};
      for (const table of TABLES)
        found[table.name] = await changedSince(tx, table, since, knownIn(read, table.name));
      return found;
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  );
  const written: Record<string, WrittenTable> = {};
  for (const { name } of TABLES) {
    const { rows, present } = sure(lookup(changed, name));
    async function* lines() {
      for await (const line of createInterface({ input: createReadStream(draftOf(name)) })) {
        // Neither a key nor a row has a tab in it: in JSON it is written as \t.
        const [key, row] = line.split('\t', 2);
        if (!rows.has(key) && (present?.has(key) ?? true)) yield row;
      }
      yield* rows.values();
    }
    written[name] = await writeLines(fileOf(folder, name), lines());
    await rm(draftOf(name));
  }
  return written;
}

/** Writes all tables as they are together at one moment to files in a folder, a line of JSON each row. */
export const writeTables = (
  database: Database,
  hasOneConnection: boolean,
  folder: string,
): Promise<Record<string, WrittenTable>> =>
  hasOneConnection ? writeWithoutWaiting(database, folder) : writeInSnapshot(database, folder);
