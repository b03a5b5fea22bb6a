import { randomUUID } from 'node:crypto';
import { lstat, mkdir, readFile, rename, rm, rmdir, writeFile } from 'node:fs/promises';
import { dirname, join, resolve, sep } from 'node:path';
import { FINGERPRINTED, type Delivered, type PublishTarget, type Target } from './target.ts';

/** What is remembered of what was put into a folder. */
interface Placed {
  /** The files of the last publication. */
  files: string[];
  /** Files of the one before, which somebody may need who holds an old page. */
  leaving: string[];
}

/** Where that is remembered. */
const PLACED = '.dimorphe-publication.json';

const isText = (value: unknown): value is string[] =>
  Array.isArray(value) && value.every((each) => typeof each === 'string');

async function placedIn(folder: string): Promise<Placed> {
  try {
    const { files, leaving } = JSON.parse(await readFile(join(folder, PLACED), 'utf8')) as Placed;
    if (isText(files) && isText(leaving)) return { files, leaving };
  } catch {
    // Without what is remembered nothing is known to be ours, and nothing is removed.
  }
  return { files: [], leaving: [] };
}

/** Something else lies where a file of a publication should be. */
export class FolderTaken extends Error {
  constructor(folder: string, file: string) {
    super(
      `In ${folder} there is a file ${file} that Dimorphe didn’t put there. Nothing in the folder was changed: move that file elsewhere, or choose another folder.`,
    );
  }
}

/** How many files came into a folder, and how many left it. */
export interface Written {
  written: number;
  removed: number;
}

/**
 * A folder that any static server serves. What pages need is there before them, each file whole; pages of before that have gone leave at once,
 * their style sheets and images with the next publication. No files at all take all of ours away. What is ours is what a list in the folder
 * says; nothing else there is touched, and where something else lies at a path that is needed, `FolderTaken` is thrown and nothing changed.
 */
export function folderTarget(path: string): Target<Written> {
  const folder = resolve(path);
  /** Where a file of ours goes; undefined for a path that leads out of the folder. */
  const placeOf = (file: string): string | undefined => {
    const place = join(folder, file);
    return place.startsWith(folder + sep) ? place : undefined;
  };
  async function write(file: string, bytes: Buffer | string): Promise<void> {
    const place = placeOf(file);
    if (!place) throw new RangeError(`${file} lies outside of the folder.`);
    await mkdir(dirname(place), { recursive: true });
    const draft = `${place}.${randomUUID()}`;
    try {
      await writeFile(draft, bytes);
      await rename(draft, place);
    } catch (error) {
      await rm(draft, { force: true });
      throw error;
    }
  }
  const isThere = (file: string): Promise<boolean> => {
    const place = placeOf(file);
    return place === undefined
      ? Promise.resolve(false)
      : lstat(place).then(
          () => true,
          (error: NodeJS.ErrnoException) => error.code !== 'ENOENT' && error.code !== 'ENOTDIR',
        );
  };
  async function remove(file: string): Promise<void> {
    const place = placeOf(file);
    if (!place) return;
    await rm(place, { force: true });
    // Folders that are empty now go with it; one that is not stays, as it answers.
    for (let at = dirname(place); at.startsWith(folder + sep); at = dirname(at))
      try {
        await rmdir(at);
      } catch {
        return;
      }
  }
  async function cleared({ files, leaving }: Placed): Promise<Written> {
    for (const file of [...files, ...leaving, PLACED]) await remove(file);
    return { written: 0, removed: files.length + leaving.length };
  }
  return {
    async take(files) {
      const before = await placedIn(folder);
      const ours = new Set([...before.files, ...before.leaving]);
      const last: Delivered[] = [];
      const present = new Set<string>();
      const added: string[] = [];
      try {
        for await (const file of files) {
          const { path } = file;
          present.add(path);
          if (!ours.has(path) && (await isThere(path))) throw new FolderTaken(folder, path);
          if (!FINGERPRINTED.test(path)) last.push(file);
          else {
            if (!ours.has(path)) added.push(path);
            await write(path, file.bytes);
          }
        }
      } catch (error) {
        // No page asks for them yet, and no list names them.
        for (const path of added) await remove(path);
        throw error;
      }
      // Where nothing is published any more, nobody is to find anything of it.
      if (present.size === 0) return cleared(before);
      const both = [...new Set([...before.files, ...present])];
      await write(PLACED, JSON.stringify({ ...before, files: both } satisfies Placed));
      for (const { path, bytes } of last) await write(path, bytes);
      const gone = [...before.files, ...before.leaving].filter((file) => !present.has(file));
      const leaving = before.files.filter((file) => !present.has(file) && FINGERPRINTED.test(file));
      const removed = gone.filter((file) => !leaving.includes(file));
      for (const file of removed) await remove(file);
      await write(PLACED, JSON.stringify({ files: [...present], leaving } satisfies Placed));
      return { written: present.size, removed: removed.length };
    },
  };
}

/** A folder with a folder for each site in it. */
export const folderPublishing: PublishTarget = {
  name: 'folder',
  variable: 'PUBLISH_FOLDER',
  open: (setting, site) => folderTarget(join(setting, site)),
  explain(error, setting, site) {
    if (error instanceof FolderTaken) return error.message;
    const { code = 'fault' } = error as NodeJS.ErrnoException;
    return `The folder ${join(setting, site)} could not be updated (${code}); see to its rights and its disk, and publish again.`;
  },
};
