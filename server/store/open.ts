import { mkdir } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';
import type { ReadSite } from '../../core/index.ts';
import { writeBackup } from './backup.ts';
import { openDatabase } from './database.ts';
import { clearDrafts, fileStore, type FileStore } from './files.ts';
import { CHANNEL, historyStore, type HistoryStore } from './history.ts';
import { lockFolder, type Lock } from './lock.ts';
import { publicationStore, type PublicationStore } from './publications.ts';
import { siteStore, type SiteStore } from './sites.ts';
import { tidying } from './tidying.ts';
import { verify, type Verified } from './verify.ts';

/** The data folder, open: the database, the files, and the lock that keeps others out. */
export interface Store {
  /** Where it is. */
  folder: string;
  sites: SiteStore;
  history: HistoryStore;
  publications: PublicationStore;
  files: FileStore;
  lock: Lock;
  /**
   * Calls back when a site has a new revision, whichever process made it; without a site when some may have been missed.
   * Answers how to stop.
   */
  follow(heard: (site: string | undefined) => void): () => void;
  /** Writes a backup to a folder that is not there yet; it shares files with an earlier one where that is said. */
  backup(target: string, before?: string): Promise<void>;
  /** Looks whether all that is kept is whole. */
  verify(): Promise<Verified>;
  /** Keeps a site with its pictures, films and fonts. */
  add(read: ReadSite): Promise<void>;
  close(): Promise<void>;
}

/** The lock of a folder that several processes may have open. */
const SHARED: Lock = { announce: () => undefined, release: () => undefined };

/**
 * Opens a data folder: for this process alone, or, with the database of a server, beside others. Throws `FolderInUse` when
 * another has it for itself.
 */
export async function openStore(folder: string, databaseUrl?: string): Promise<Store> {
  const path = resolve(folder);
  // Several processes may share a server’s database, and the files, which are written once and never changed.
  const lock = databaseUrl ? SHARED : await lockFolder(path);
  try {
    const { database, listen, tidy, close } = await openDatabase(path, databaseUrl);
    const sites = siteStore(database);
    await sites.upgrade();
    const folderOfFiles = join(path, 'files');
    await clearDrafts(folderOfFiles);
    const files = fileStore(folderOfFiles);
    const tidied = tidying(tidy);
    const followers = new Set<(site: string | undefined) => void>();
    await listen(CHANNEL, (text) => {
      const site = text.split(' ')[0] || undefined;
      followers.forEach((heard) => heard(site));
    });
    const history = historyStore(database, tidied, files);
    return {
      folder: path,
      sites,
      history,
      publications: publicationStore(database),
      files,
      lock,
      follow(heard) {
        followers.add(heard);
        return () => followers.delete(heard);
      },
      backup: async (target, before) => {
        await mkdir(dirname(target), { recursive: true });
        await writeBackup(database, folderOfFiles, target, { before });
      },
      verify: () => verify({ database, history, files }),
      async add({ site, files: given }) {
        for (const { id } of [...site.frame.assets, ...site.frame.fonts])
          await files.put(Buffer.from(given[id], 'base64'));
        await sites.add(site);
      },
      async close() {
        await tidied.stop();
        await close();
        lock.release();
      },
    };
  } catch (error) {
    lock.release();
    throw error;
  }
}
