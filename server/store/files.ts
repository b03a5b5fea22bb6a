import { randomUUID, webcrypto } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdir, open, readdir, readFile, rename, rm, stat, utimes } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';

/** A file that is not there or holds other bytes than those that were kept. */
export class FileDamaged extends Error {
  constructor(what: string, missing: boolean) {
    super(
      `The file of ${what} is ${missing ? 'missing from the data folder' : 'damaged in the data folder'}. Nothing was changed. ` +
        'Import the file again, or restore it from a backup (npm run -s dimorphe -- restore BACKUP).',
    );
  }
}

/** Files by the SHA-256 of their content: written once, never changed. */
export interface FileStore {
  put(bytes: Uint8Array): Promise<string>;
  /** The bytes that were kept under a hash, and no others; throws `FileDamaged`, which says what a person calls the file. */
  get(hash: string, name?: string): Promise<Buffer>;
  has(hash: string): Promise<boolean>;
  /** The hashes of all files. */
  list(): Promise<string[]>;
  /** The hashes of files that were stored last before a moment, in ms since 1970. */
  storedBefore(moment: number): Promise<string[]>;
  /** Removes a file that was stored last before a moment; answers whether it did. */
  removeStoredBefore(hash: string, moment: number): Promise<boolean>;
  /** How many bytes a file has; undefined where it is not there. */
  size(hash: string): Promise<number | undefined>;
  /** The bytes from `first` to `last` of a file, as they are read from the disk. */
  part(hash: string, range: { first: number; last: number }): Readable;
}

/** On a thread of its own: a video takes longer than others want to wait. */
const hashOf = async (bytes: Uint8Array): Promise<string> =>
  Buffer.from(await webcrypto.subtle.digest('SHA-256', bytes)).toString('hex');

/** ms; a draft that is older was left by a process that was killed while it wrote. */
const LEFT_BEHIND = 3_600_000;

const HASH = /^[0-9a-f]{64}$/;

export function fileStore(folder: string): FileStore {
  const pathOf = (hash: string) => join(folder, hash.slice(0, 2), hash);
  const drafts = join(folder, 'drafts');

  /** What is kept under a hash; undefined where nothing is, or something else. */
  const whole = async (hash: string): Promise<Buffer | undefined> => {
    const bytes = await readFile(pathOf(hash)).catch((error: NodeJS.ErrnoException) => {
      if (error.code === 'ENOENT') return undefined;
      throw error;
    });
    return bytes && (await hashOf(bytes)) === hash ? bytes : undefined;
  };

  const has = (hash: string): Promise<boolean> =>
    stat(pathOf(hash)).then(
      (found) => found.isFile(),
      () => false,
    );

  /** ms since 1970; never, for what is not there. */
  const storedAt = (hash: string): Promise<number> =>
    stat(pathOf(hash)).then(
      ({ mtimeMs }) => mtimeMs,
      () => Infinity,
    );

  return {
    async put(bytes) {
      const hash = await hashOf(bytes);
      if (await whole(hash)) {
        // It is stored again as far as its age is concerned.
        await utimes(pathOf(hash), new Date(), new Date());
        return hash;
      }
      await mkdir(join(folder, hash.slice(0, 2)), { recursive: true });
      await mkdir(drafts, { recursive: true });
      // Several may write the same bytes at once: each its own draft.
      const draft = join(drafts, randomUUID());
      try {
        const handle = await open(draft, 'w');
        try {
          await handle.writeFile(bytes);
          await handle.sync();
        } finally {
          await handle.close();
        }
        await rename(draft, pathOf(hash));
      } catch (error) {
        await rm(draft, { force: true });
        throw error;
      }
      return hash;
    },
    async get(hash, name) {
      const bytes = await whole(hash);
      if (!bytes) throw new FileDamaged(name === undefined ? hash : `“${name}”`, !(await has(hash)));
      return bytes;
    },
    has,
    async list() {
      const within = (path: string) => readdir(path).catch(() => []);
      const all = await Promise.all((await within(folder)).map((start) => within(join(folder, start))));
      return all.flat().filter((name) => HASH.test(name));
    },
    async storedBefore(moment) {
      const old: string[] = [];
      for (const hash of await this.list()) if ((await storedAt(hash)) < moment) old.push(hash);
      return old;
    },
    async removeStoredBefore(hash, moment) {
      if ((await storedAt(hash)) >= moment) return false;
      await rm(pathOf(hash), { force: true });
      return true;
    },
    size: (hash) =>
      stat(pathOf(hash)).then(
        (found) => found.size,
        () => undefined,
      ),
    part: (hash, { first, last }) => createReadStream(pathOf(hash), { start: first, end: last }),
  };
}

/** Removes what killed processes have left half written in a folder of files. */
export async function clearDrafts(folder: string, now = Date.now()): Promise<void> {
  const drafts = join(folder, 'drafts');
  for (const name of await readdir(drafts).catch(() => [])) {
    const path = join(drafts, name);
    const { mtimeMs } = await stat(path);
    if (now - mtimeMs > LEFT_BEHIND) await rm(path, { force: true });
  }
}
