import { createHash } from 'node:crypto';
import { copyFile, link, mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { getTableName, sql, type Table } from 'drizzle-orm';
import { letters, log, nodes, pages, parts, publications, sites } from './schema.ts';
import type { Database } from './database.ts';
import { fileStore, type FileStore } from './files.ts';
import { FolderRefused } from './folder.ts';
import { MIGRATIONS } from './migrations.ts';
import { lookup } from '../../core/index.ts';

/** The tables of a backup, so that what a row refers to stands before it. */
const TABLES: readonly Table[] = [sites, pages, nodes, log, parts, publications, letters];

const names = TABLES.map((table) => getTableName(table));

/** How many rows are read and written at once. */
const ROWS = 500;

const FORMAT = 'dimorphe-backup';

/** What `backup.json` says. It is written last: a folder without it is no backup. */
export interface BackupHead {
  format: typeof FORMAT;
  /** How many migrations the tables have gone through. */
  version: number;
  madeAt: string;
  /** Of each table, how many rows there are and the SHA-256 of their file. */
  tables: Record<string, { rows: number; sha256: string }>;
  /** The SHA-256 of files that were damaged when it was made, and are not in it. */
  damaged: string[];
}

/** What follows the name of a backup in that of a folder in which it is being written. */
const DRAFT = '.draft-';

/** ms; a backup that nobody has written to for so long was left by a process that ended. */
const LEFT_BEHIND = 86_400_000;

/** Removes what was left of backups that were never finished. */
export async function clearUnfinished(folder: string, now = Date.now()): Promise<void> {
  for (const name of await readdir(folder).catch(() => [])) {
    if (!/\.draft-\d+$/.test(name)) continue;
    const path = join(folder, name);
    const { mtimeMs } = await stat(path);
    const pid = Number(name.slice(name.lastIndexOf('-') + 1));
    if (!isRunning(pid) || now - mtimeMs > LEFT_BEHIND) await rm(path, { recursive: true, force: true });
  }
}

/** Whether a process of this machine is there, as far as can be told. */
function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return pid !== process.pid;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/** A moment as the name of a folder. */
export const nameOf = (moment: Date): string => moment.toISOString().replace(/:/g, '-');

const tableFile = (folder: string, name: string) => join(folder, 'tables', `${name}.jsonl`);

const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');

/** The rows of all tables as they are together at one moment, a line of JSON each. */
const readTables = (database: Database): Promise<Record<string, string[]>> =>
  database.transaction(
    async (tx) => {
      const read: Record<string, string[]> = {};
      for (const name of names) {
        const lines: string[] = [];
        for (let from = 0; from === lines.length; from += ROWS) {
          const { rows } = (await tx.execute(
            sql.raw(`select to_jsonb(t)::text as row from ${name} t order by t limit ${ROWS} offset ${from}`),
          )) as unknown as { rows: { row: string }[] };
          lines.push(...rows.map(({ row }) => row));
        }
        read[name] = lines;
      }
      return read;
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  );

/** A second name for a file on the same disk, or a copy where there can be none. */
async function linkOrCopy(from: string, to: string): Promise<void> {
  await link(from, to).catch(async (error: NodeJS.ErrnoException) => {
    if (!['EXDEV', 'EPERM', 'ENOTSUP', 'EMLINK', 'ENOSYS'].includes(error.code ?? '')) throw error;
    await copyFile(from, to);
  });
}

/**
 * Copies the files of a store, but for those that the backup before has: backups share them, and none shares any with the
 * store itself, whose harm would be theirs. Answers the hashes of those that are whole in neither.
 */
async function takeFiles(from: string, to: string, before?: string): Promise<string[]> {
  const damaged: string[] = [];
  const wholeIn = (folder: string, hash: string) =>
    fileStore(folder)
      .get(hash)
      .then(
        () => true,
        () => false,
      );
  for (const hash of await fileStore(from).list()) {
    const path = (folder: string) => join(folder, hash.slice(0, 2), hash);
    await mkdir(join(to, hash.slice(0, 2)), { recursive: true });
    if (before && (await wholeIn(before, hash))) await linkOrCopy(path(before), path(to));
    else if (await wholeIn(from, hash)) await copyFile(path(from), path(to));
    else damaged.push(hash);
  }
  return damaged;
}

/**
 * Writes a backup of a data folder that is open: its tables at one moment, as lines of JSON, and its files. What is there
 * appears under its name when it is whole. Refused where there is something of that name.
 */
export async function writeBackup(
  database: Database,
  files: string,
  target: string,
  { now = new Date(), before }: { now?: Date; before?: string } = {},
): Promise<BackupHead> {
  if ((await readdir(target).catch(() => [])).length > 0)
    throw new FolderRefused(
      `${target} is not empty. Nothing was written; choose a folder that is not there yet.`,
    );
  const draft = `${target}${DRAFT}${process.pid}`;
  await rm(draft, { recursive: true, force: true });
  await mkdir(join(draft, 'tables'), { recursive: true });
  try {
    // Files come before the rows that name them: read after the tables, they are all there.
    const read = await readTables(database);
    const damaged = await takeFiles(files, join(draft, 'files'), before && join(before, 'files'));
    const tables: BackupHead['tables'] = {};
    for (const name of names) {
      const text = lookup(read, name)!
        .map((line) => `${line}\n`)
        .join('');
      tables[name] = { rows: lookup(read, name)!.length, sha256: sha256(text) };
      await writeFile(tableFile(draft, name), text);
    }
    const head: BackupHead = {
      format: FORMAT,
      version: MIGRATIONS,
      madeAt: now.toISOString(),
      tables,
      damaged,
    };
    await writeFile(join(draft, 'backup.json'), `${JSON.stringify(head, null, 1)}\n`);
    await rm(target, { recursive: true, force: true });
    await rename(draft, target);
    return head;
  } catch (error) {
    await rm(draft, { recursive: true, force: true });
    throw error;
  }
}

export interface Backup {
  head: BackupHead;
  /** The rows of each table, as JSON. */
  rows: Record<string, string[]>;
  files: FileStore;
  /** The SHA-256 of files that are missing, because they were damaged when it was made or are now. */
  damaged: string[];
}

/** Reads a backup whole; throws `FolderRefused` where something of it is missing or is not what was written. */
export async function readBackup(folder: string): Promise<Backup> {
  const refuse = (what: string) =>
    new FolderRefused(`${folder} cannot be restored: ${what}. Nothing was changed; take another backup.`);
  let head: BackupHead;
  try {
    head = JSON.parse(await readFile(join(folder, 'backup.json'), 'utf8')) as BackupHead;
  } catch {
    throw refuse('it has no backup.json, or that is damaged');
  }
  if (head.format !== FORMAT || !Number.isInteger(head.version) || typeof head.tables !== 'object')
    throw refuse('its backup.json is not one of a backup');
  if (head.version > MIGRATIONS) throw refuse('it was made by a newer Dimorphe');
  const rows: Backup['rows'] = {};
  for (const [name, { sha256: wanted }] of Object.entries(head.tables)) {
    if (!names.includes(name)) throw refuse(`it has a table “${name}” that is not known`);
    const text = await readFile(tableFile(folder, name), 'utf8').catch(() => '');
    if (sha256(text) !== wanted) throw refuse(`its table “${name}” is missing or damaged`);
    rows[name] = text.split('\n').slice(0, -1);
  }
  const files = fileStore(join(folder, 'files'));
  const damaged = [...(head.damaged ?? [])];
  for (const hash of await files.list()) await files.get(hash).catch(() => damaged.push(hash));
  return { head, rows, files, damaged };
}

/** Puts the rows of a backup into tables that are empty, and its files beside those that are there. */
export async function putBackup(backup: Backup, database: Database, files: FileStore): Promise<void> {
  for (const hash of await backup.files.list())
    if (!backup.damaged.includes(hash)) await files.put(await backup.files.get(hash));
  await database.transaction(async (tx) => {
    for (const name of names) {
      const lines = lookup(backup.rows, name) ?? [];
      for (let from = 0; from < lines.length; from += ROWS) {
        const some = `[${lines.slice(from, from + ROWS).join(',')}]`;
        await tx.execute(
          sql`insert into ${sql.identifier(name)} select * from jsonb_populate_recordset(null::${sql.identifier(name)}, ${some}::jsonb)`,
        );
      }
    }
  });
}
