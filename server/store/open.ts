import { mkdir } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';
import { LIMITS, siteIdOf, type ReadSite, lookup } from '../../core/index.ts';
import { writeBackup } from './backup.ts';
import { collectFiles } from './collecting.ts';
import { notify, openDatabase } from './database.ts';
import { clearDrafts, fileStore, type FileStore } from './files.ts';
import { CHANNEL, historyStore, type HistoryStore } from './history.ts';
import { messageStore, type MessageStore } from './messages.ts';
import { lockFolder, type Lock } from './lock.ts';
import { publicationStore, type PublicationStore } from './publications.ts';
import { siteStore, type Removal, type SiteStore } from './sites.ts';
import { publishedStates, type PublishedStates } from './states.ts';
import { tidying } from './tidying.ts';
import { verify, type Verified } from './verify.ts';

/** The data folder, open: the database, the files, and the lock that keeps others out. */
export interface Store {
  /** Where it is. */
  folder: string;
  sites: SiteStore;
  history: HistoryStore;
  publications: PublicationStore;
  letters: MessageStore;
  files: FileStore;
  states: PublishedStates;
  lock: Lock;
  /**
   * Calls back when a site has a new revision, whichever process made it; without a site when some may have been missed.
   * Answers how to stop.
   */
  follow(heard: (site: string | undefined) => void): () => void;
  /** Whether followers hear at once what any process changes; where not, nothing read now may be remembered. */
  hears(): boolean;
  /** Writes a backup to a folder that is not there yet; it shares files with an earlier one where that is said. */
  backup(target: string, before?: string): Promise<void>;
  /** Looks whether all that is kept is whole. */
  verify(): Promise<Verified>;
  /** Removes files that nothing names any more, thirty days after they were stored last; answers how many. */
  collect(now?: number): Promise<number>;
  /**
   * Keeps a site with its images, videos and fonts; files that are not given are in the store already. It keeps its id where
   * that is free, else it gets one after its name, or is left out where that is said. Answers the id.
   */
  add(read: ReadSite, whereTaken?: 'rename' | 'leave out'): Promise<string>;
  /** Removes a site for good that is archived and not published. */
  remove(site: string): Promise<Removal>;
  close(): Promise<void>;
}

const DAY = 86_400_000;

/** What is said on the channel of a site that was removed. */
const REMOVED = 'removed';

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
    const open = await openDatabase(path, databaseUrl);
    const { database, listen, tidy, close } = open;
    const sites = siteStore(database);
    await sites.upgrade();
    const folderOfFiles = join(path, 'files');
    await clearDrafts(folderOfFiles);
    const files = fileStore(folderOfFiles);
    const tidied = tidying(tidy);
    const followers = new Set<(site: string | undefined) => void>();
    const history = historyStore(database, tidied, files);
    const listening = await listen(CHANNEL, {
      heard(text) {
        const [site, what] = text.split(' ');
        if (what === REMOVED) history.forget(site);
        followers.forEach((heard) => heard(site));
      },
      missed() {
        history.forgetAll();
        followers.forEach((heard) => heard(undefined));
      },
    });
    // Another site may come to have the same id, and the same revision.
    const gone = async (site: string) => {
      history.forget(site);
      await notify(database, CHANNEL, `${site} ${REMOVED}`);
    };
    const forgetPutAway = async () => {
      for (const site of await sites.removePutAwayBefore(new Date(Date.now() - LIMITS.keptAway)))
        await gone(site);
    };
    const letters = messageStore(database);
    const states = publishedStates(files);
    const collect = (now?: number) => collectFiles({ database, files, stateOf: states.get }, now);
    const forgetOld = async () => {
      await forgetPutAway();
      await letters.removeOld();
    };
    await forgetOld();
    // What fails today is done another day.
    const daily = setInterval(() => {
      void forgetOld()
        .then(() => collect())
        .catch(() => undefined);
    }, DAY).unref();
    return {
      folder: path,
      sites,
      history,
      publications: publicationStore(database),
      letters,
      files,
      lock,
      follow(heard) {
        followers.add(heard);
        return () => followers.delete(heard);
      },
      hears: () => listening.hears(),
      backup: async (target, before) => {
        await mkdir(dirname(target), { recursive: true });
        await writeBackup(open, folderOfFiles, target, { before });
      },
      collect,
      states,
      verify: () => verify({ database, history, files }),
      async add({ site, files: given }, whereTaken = 'rename') {
        for (const { id } of [...site.frame.assets, ...site.frame.fonts]) {
          const bytes = lookup(given, id);
          if (bytes !== undefined) await files.put(Buffer.from(bytes, 'base64'));
        }
        for (let { id } = site.frame; ;) {
          if (await sites.add({ ...site, frame: { ...site.frame, id } })) return id;
          if (whereTaken === 'leave out') return id;
          const taken = new Set((await sites.list()).map((each) => each.id));
          id = siteIdOf(site.frame.name, (each) => taken.has(each));
        }
      },
      async remove(site) {
        const removal = await sites.remove(site);
        if (removal === 'removed') await gone(site);
        return removal;
      },
      async close() {
        clearInterval(daily);
        await tidied.stop();
        await listening.end();
        await close();
        lock.release();
      },
    };
  } catch (error) {
    lock.release();
    throw error;
  }
}
