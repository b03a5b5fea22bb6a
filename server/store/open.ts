import { join, resolve } from 'node:path';
import type { ReadSite } from '../../core/index.ts';
import { openDatabase } from './database.ts';
import { fileStore, type FileStore } from './files.ts';
import { lockFolder, type Lock } from './lock.ts';
import { siteStore, type SiteStore } from './sites.ts';

/** The data folder, open: the database, the files, and the lock that keeps others out. */
export interface Store {
  sites: SiteStore;
  files: FileStore;
  lock: Lock;
  /** Keeps a site with its pictures, films and fonts. */
  add(read: ReadSite): Promise<void>;
  close(): Promise<void>;
}

/** Opens a data folder for this process alone; throws `FolderInUse` when another has it. */
export async function openStore(folder: string, databaseUrl?: string): Promise<Store> {
  const path = resolve(folder);
  const lock = lockFolder(path);
  try {
    const { database, close } = await openDatabase(path, databaseUrl);
    const sites = siteStore(database);
    await sites.upgrade();
    const files = fileStore(join(path, 'files'));
    return {
      sites,
      files,
      lock,
      async add({ site, files: given }) {
        for (const { id } of [...site.assets, ...site.fonts])
          await files.put(Buffer.from(given[id], 'base64'));
        await sites.add(site);
      },
      async close() {
        await close();
        lock.release();
      },
    };
  } catch (error) {
    lock.release();
    throw error;
  }
}
