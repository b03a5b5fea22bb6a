import { randomUUID } from 'node:crypto';
import { mkdir, readFile, rename, rm, rmdir, writeFile } from 'node:fs/promises';
import { dirname, join, resolve, sep } from 'node:path';
import { FINGERPRINTED, type Delivered, type Target } from './target.ts';

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

/** How many files came into a folder, and how many left it. */
export interface Written {
  written: number;
  removed: number;
}

/**
 * A folder that any static server serves. What pages need is there before them, each file whole; pages of before that have gone leave at once,
 * their style sheets and pictures with the next publication. No files at all take all of ours away. Nothing else that lies in the folder is touched.
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
      const last: Delivered[] = [];
      const present = new Set<string>();
      for await (const file of files) {
        present.add(file.path);
        if (FINGERPRINTED.test(file.path)) await write(file.path, file.bytes);
        else last.push(file);
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
