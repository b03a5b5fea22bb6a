import { createHash } from 'node:crypto';
import { copyFile, link, mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { sql } from 'drizzle-orm';
import type { Database, OpenDatabase } from './database.ts';
import { fileStore, type FileStore } from './files.ts';
import { FolderRefused } from './folder.ts';
import { MIGRATIONS } from './migrations.ts';
import { TABLES, writeTables, type WrittenTable } from './tables.ts';
import { lookup } from '../../core/index.ts';

const names = TABLES.map(({ name }) => name);

/** How many rows are written at once. */
const ROWS = 500;

const FORMAT = 'dimorphe-backup';

/** What `backup.json` says. It is written last: a folder without it is no backup. */
export interface BackupHead {
  format: typeof FORMAT;
  /** How many migrations the tables have gone through. */
  version: number;
  madeAt: string;
  /** Of each table, how many rows there are and the SHA-256 of their file. */
  tables: Record<string, WrittenTable>;
  /** The SHA-256 of files that were damaged when it was made, and are not in it. */
  damaged: string[];
}

/** What follows the name of a backup in that of a folder in which it is being written. */
const DRAFT = '.draft-';

/** ms; a backup that was made for somebody to take away, and was not, goes after so long. */
const FOR_TAKING = 86_400_000;

const UNFINISHED = /\.draft-\d+$/;
const ASKED = /^asked-/;

/** Removes what was left of backups that were never finished, or never taken away. Only while no backup is being written. */
async function clearLeft(folder: string, now: Date): Promise<void> {
  for (const name of await readdir(folder).catch(() => [])) {
    const path = join(folder, name);
    const age = now.getTime() - (await stat(path)).mtimeMs;
    if (UNFINISHED.test(name) || (ASKED.test(name) && age > FOR_TAKING))
      await rm(path, { recursive: true, force: true });
  }
}

/** A moment as the name of a folder. */
export const nameOf = (moment: Date): string => moment.toISOString().replace(/:/g, '-');

const tableFile = (folder: string, name: string) => join(folder, 'tables', `${name}.jsonl`);

const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');

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

/** Whether there is something of a name already. */
const isTaken = async (target: string): Promise<boolean> =>
  (await readdir(target).catch(() => [])).length > 0;

/**
 * Writes a backup of a data folder that is open: its tables at one moment, as lines of JSON, and its files. What is there
 * appears under its name when it is whole. Refused where there is something of that name, and while another backup is being written.
 */
export async function writeBackup(
  { database, hasOneConnection, alone }: Pick<OpenDatabase, 'database' | 'hasOneConnection' | 'alone'>,
  files: string,
  target: string,
  { now = new Date(), before }: { now?: Date; before?: string } = {},
): Promise<BackupHead> {
  const written = await alone('backup', async () => {
    if (await isTaken(target))
      throw new FolderRefused(
        `${target} is not empty. Nothing was written; choose a folder that is not there yet.`,
      );
    await clearLeft(dirname(target), now);
    const draft = `${target}${DRAFT}${process.pid}`;
    await mkdir(join(draft, 'tables'), { recursive: true });
    try {
      // Files come before the rows that name them: read after the tables, they are all there.
      const tables = await writeTables(database, hasOneConnection, join(draft, 'tables'));
      const damaged = await takeFiles(files, join(draft, 'files'), before && join(before, 'files'));
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
  });
  if (!written)
    throw new FolderRefused(
      'Another backup is being written. Nothing was written; try again when it is done.',
    );
  return written;
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
