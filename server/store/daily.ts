import { readdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { nameOf } from './backup.ts';

/** How many backups that were made by themselves are kept. */
export const KEPT = 7;

const DAY = 86_400_000;
const HOUR = 3_600_000;

/** ms; a program that has just been started is left alone for a while. */
const SETTLED = 120_000;

const NAME = /^\d{4}-\d\d-\d\dT[\d-]+\.\d{3}Z$/;

/** The backups in a folder that were made by themselves, the newest last. */
async function madeIn(folder: string): Promise<string[]> {
  const names = await readdir(folder).catch(() => []);
  return names.filter((name) => NAME.test(name)).sort();
}

/** Makes a backup where the last one is older than a day, and removes all but the newest seven. Answers whether it made one. */
export async function backUpDaily(
  folder: string,
  write: (target: string, before?: string) => Promise<unknown>,
  now = new Date(),
): Promise<boolean> {
  const before = await madeIn(folder);
  const newest = before.at(-1);
  if (newest && now.getTime() - (await stat(join(folder, newest))).mtimeMs < DAY) return false;
  await write(join(folder, nameOf(now)), newest && join(folder, newest));
  for (const name of (await madeIn(folder)).slice(0, -KEPT))
    await rm(join(folder, name), { recursive: true, force: true });
  return true;
}

/** Backs up once a day while the program runs; what goes wrong is told and tried again in an hour. Answers how to stop. */
export function dailyBackups(
  folder: string,
  write: (target: string, before?: string) => Promise<unknown>,
  failed: (error: unknown) => void,
): () => Promise<void> {
  let running = Promise.resolve();
  const look = () => {
    running = backUpDaily(folder, write).then(() => undefined, failed);
  };
  const first = setTimeout(look, SETTLED).unref();
  const later = setInterval(look, HOUR).unref();
  return async () => {
    clearTimeout(first);
    clearInterval(later);
    await running;
  };
}
