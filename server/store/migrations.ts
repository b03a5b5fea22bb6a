import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** Where the steps are that bring a database to the present form. */
export const migrationsFolder = fileURLToPath(new URL('./migrations', import.meta.url));

interface Journal {
  entries: { tag: string }[];
}

const journalOf = (folder: string) => join(folder, 'meta', '_journal.json');

const journal = JSON.parse(readFileSync(journalOf(migrationsFolder), 'utf8')) as Journal;

/** How many steps there are: the version of the tables. */
export const MIGRATIONS = journal.entries.length;

/** Works with a folder of the first `version` steps alone, for a database that is to be filled as it was then. */
export async function withMigrationsUpTo<T>(
  version: number,
  work: (folder: string) => Promise<T>,
): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'dimorphe-migrations-'));
  try {
    cpSync(migrationsFolder, folder, { recursive: true });
    writeFileSync(
      journalOf(folder),
      JSON.stringify({ ...journal, entries: journal.entries.slice(0, version) }),
    );
    return await work(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
