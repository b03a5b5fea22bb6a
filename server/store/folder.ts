import { randomUUID } from 'node:crypto';
import { existsSync, readdirSync, renameSync, rmdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { lookup, plural } from '../../core/index.ts';

/** A data folder that is not taken, with a sentence for the person who started the program. */
export class FolderRefused extends Error {}

/** What the system's reasons mean to a person. */
const REASONS: Record<string, string> = {
  EACCES: 'this user may not write there. Give it permission to, or choose another folder with DIMORPHE_DATA',
  EPERM: 'this user may not write there. Give it permission to, or choose another folder with DIMORPHE_DATA',
  EROFS: 'it lies on a disk that can only be read. Choose another folder with DIMORPHE_DATA',
  ENOSPC: 'the disk is full. Make room and start again',
  EDQUOT: 'this user’s share of the disk is used up. Make room and start again',
  ENOTDIR: 'a part of its path is a file. Choose another folder with DIMORPHE_DATA',
  EEXIST: 'there is a file of that name. Choose another folder with DIMORPHE_DATA',
};

/** Why a folder cannot be used, from what the system said. */
export function unusable(folder: string, error: unknown): unknown {
  const reason = lookup(REASONS, (error as NodeJS.ErrnoException).code ?? '');
  return reason
    ? new FolderRefused(`The data folder ${folder} cannot be used: ${reason}. Nothing in it was changed.`)
    : error;
}

/** What a cluster of PostgreSQL consists of at least (PostgreSQL 17, §65.1, Database File Layout). */
const CLUSTER = ['PG_VERSION', 'base', 'global', 'global/pg_control', 'pg_wal', 'pg_xact', 'postgresql.conf'];

const DRAFT = /^database\.draft-/;

/** What may stand in a data folder that has no database yet. */
const BEFORE = (name: string) => name === 'lock.json' || name.startsWith('.') || DRAFT.test(name);

const backup =
  'Put a backup in its place (npm run -s dimorphe -- restore BACKUP), or choose another folder with DIMORPHE_DATA.';

/**
 * Where the database of a data folder is: whole, or not there because the folder is new. Throws `FolderRefused` for anything in
 * between, so that nothing is ever begun again over what a person made.
 */
export function databaseIn(folder: string): { path: string; fresh: boolean } {
  const path = join(folder, 'database');
  if (!existsSync(path) || readdirSync(path).length === 0) {
    const others = readdirSync(folder).filter((name) => name !== 'database' && !BEFORE(name));
    if (others.length === 0) return { path, fresh: true };
    throw new FolderRefused(
      `The data folder ${folder} holds ${others.slice(0, 3).join(', ')}${others.length > 3 ? ' and more' : ''}, but no database. Nothing was changed. ${backup}`,
    );
  }
  const missing = CLUSTER.filter((name) => !existsSync(join(path, name)));
  if (missing.length === 0) return { path, fresh: false };
  throw new FolderRefused(
    `The database in ${path} is not complete: ${missing.join(', ')} ${plural(missing.length, 'is', 'are')} missing. Nothing was changed. ${backup}`,
  );
}

/** A place to make a database in, that is put in its own place once it is whole. What an earlier one left half made goes. */
export function draftDatabase(folder: string): { path: string; keep(): void; drop(): void } {
  for (const name of readdirSync(folder).filter((each) => DRAFT.test(each)))
    rmSync(join(folder, name), { recursive: true });
  const path = join(folder, `database.draft-${randomUUID()}`);
  return {
    path,
    keep() {
      // Only an empty folder can be there, and only that is removed.
      if (existsSync(join(folder, 'database'))) rmdirSync(join(folder, 'database'));
      renameSync(path, join(folder, 'database'));
    },
    drop: () => rmSync(path, { recursive: true, force: true }),
  };
}

/** A database that is whole by its files and cannot be opened. */
export const damaged = (folder: string, error: unknown): FolderRefused =>
  new FolderRefused(
    `The database in ${join(folder, 'database')} cannot be opened: ${String((error as Error).message ?? error).split('\n')[0]}. It was not changed. ${backup}`,
  );
