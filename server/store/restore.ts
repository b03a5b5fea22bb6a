import { existsSync, mkdirSync, renameSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { nameOf, putBackup, readBackup, type BackupHead } from './backup.ts';
import { makeEmbedded } from './database.ts';
import { fileStore } from './files.ts';
import { lockFolder } from './lock.ts';

/**
 * Puts a backup in the place of what a data folder holds. The database that is there is put aside and kept; so are all files.
 * Throws `FolderRefused` where the backup is not whole or the folder is in use; then nothing was changed.
 */
export async function restoreBackup(
  from: string,
  folder: string,
  now = new Date(),
): Promise<{ head: BackupHead; damaged: string[]; aside?: string }> {
  const backup = await readBackup(resolve(from));
  const lock = await lockFolder(folder);
  const database = join(folder, 'database');
  const aside = join(folder, `before-restore-${nameOf(now)}`);
  try {
    await makeEmbedded(folder, {
      version: backup.head.version,
      put: (tables) => putBackup(backup, tables, fileStore(join(folder, 'files'))),
      before() {
        if (!existsSync(database)) return;
        mkdirSync(aside);
        renameSync(database, join(aside, 'database'));
      },
    });
    return { head: backup.head, damaged: backup.damaged, ...(existsSync(aside) && { aside }) };
  } finally {
    lock.release();
  }
}
