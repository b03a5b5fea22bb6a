import { closeSync, ftruncateSync, mkdirSync, openSync, readFileSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { tryLock } from 'fs-native-extensions';
import { FolderRefused, unusable } from './folder.ts';

/** What the lock of a data folder tells about the process that holds it. */
export interface LockOwner {
  /** Its id where it runs; another container counts its processes again. */
  pid: number;
  /** The address of the application, once it serves. */
  url?: string;
}

/** Another process works on the data folder. */
export class FolderInUse extends FolderRefused {
  constructor(folder: string, { pid, url }: Partial<LockOwner>) {
    super(
      `The data folder ${folder} is in use by another Dimorphe${pid ? ` (process ${pid}${url ? `, at ${url}` : ''})` : ''}. ` +
        'Two would overwrite each other. Nothing was changed: end the other one, or choose another folder with DIMORPHE_DATA.',
    );
  }
}

/** The byte that is locked: far behind what is written, as some systems let nobody read what is locked. */
const LOCKED = 2 ** 30;

const fileOf = (folder: string) => join(folder, 'lock.json');

function readOwner(path: string): Partial<LockOwner> {
  try {
    return JSON.parse(readFileSync(path, 'utf8')) as LockOwner;
  } catch {
    return {};
  }
}

/** The process that holds a folder; undefined where none does. */
export function holderOf(folder: string): Partial<LockOwner> | undefined {
  let descriptor: number;
  try {
    descriptor = openSync(fileOf(folder), 'r+');
  } catch {
    return undefined;
  }
  try {
    return tryLock(descriptor, LOCKED, 1, { shared: true }) ? undefined : readOwner(fileOf(folder));
  } finally {
    closeSync(descriptor);
  }
}

export interface Lock {
  /** Tells others where the application is. */
  announce(url: string): void;
  release(): void;
}

/**
 * Takes a data folder for this process, or throws `FolderInUse`. The lock is the operating system's own, on an open file: it sees
 * processes of other containers, goes to one of any number that want it at once, and ends with its process, however that ends.
 */
export async function lockFolder(folder: string): Promise<Lock> {
  const path = fileOf(folder);
  let descriptor: number;
  try {
    mkdirSync(folder, { recursive: true });
    descriptor = openSync(path, 'a+');
  } catch (error) {
    throw unusable(folder, error);
  }
  // Whoever asks for the holder holds the lock for a moment: that is waited for.
  for (let attempt = 0; !tryLock(descriptor, LOCKED, 1); attempt++) {
    if (attempt === 4) {
      closeSync(descriptor);
      throw new FolderInUse(folder, readOwner(path));
    }
    await wait(40);
  }
  const say = (holder: LockOwner) => {
    ftruncateSync(descriptor);
    writeSync(descriptor, JSON.stringify(holder));
  };
  try {
    say({ pid: process.pid });
  } catch (error) {
    closeSync(descriptor);
    throw unusable(folder, error);
  }
  let held = true;
  return {
    announce: (url) => say({ pid: process.pid, url }),
    release() {
      if (!held) return;
      held = false;
      ftruncateSync(descriptor);
      closeSync(descriptor);
    },
  };
}
