import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { paths } from '../api/paths.ts';
import { compileSite, readSiteFile, writeSiteFile } from '../core/index.ts';
import { publishedBytes } from '../server/media/bytes.ts';
import { FolderRefused } from '../server/store/folder.ts';
import { holderOf } from '../server/store/lock.ts';
import { openStore } from '../server/store/open.ts';

const USAGE = `Usage:
  npm run -s dimorphe -- compile SITE.json OUT_DIR   compiles a site file to a folder that any static server can serve
  npm run -s dimorphe -- check SITE.json             says what is wrong with a site file, or that nothing is
  npm run -s dimorphe -- export SITE_ID > SITE.json  writes a site of the data folder (DIMORPHE_DATA) as a site file`;

/** A failure with a sentence; everything else that is thrown is a fault of the program. */
class Failure extends Error {}

async function read(path: string) {
  const text = await readFile(path, 'utf8').catch(() => {
    throw new Failure(`The file ${path} cannot be read. Nothing was written.`);
  });
  const result = readSiteFile(text);
  if (result.ok) return result.value;
  const lines = result.faults.map((fault) => `  ${fault.path || '/'}: ${fault.sentence}`);
  throw new Failure(`${path} is not a valid site file:\n${lines.join('\n')}`);
}

async function compile(source: string, target: string): Promise<void> {
  const { site, files } = await read(source);
  const published = compileSite(site);
  for (const file of published) {
    const path = join(resolve(target), file.path);
    const bytes = await publishedBytes(file, async (_hash, id) => Buffer.from(files[id], 'base64'));
    try {
      await mkdir(dirname(path), { recursive: true });
      await writeFile(path, bytes);
    } catch (error) {
      throw new Failure(`${path} cannot be written (${(error as NodeJS.ErrnoException).code}).`);
    }
  }
  console.error(`${site.frame.name}: ${published.length} files written to ${target}.`);
}

/** Reads the site from the program that has the data folder open, or opens the folder itself. */
async function exported(id: string): Promise<string> {
  const unknown = new Failure(`There is no site “${id}” in the data folder. Nothing was written.`);
  const folder = resolve(process.env.DIMORPHE_DATA ?? fileURLToPath(new URL('../data', import.meta.url)));
  const holder = holderOf(folder);
  if (holder?.url) {
    const response = await fetch(holder.url + paths.file(id));
    if (response.status === 404) throw unknown;
    if (!response.ok)
      throw new Failure(`Dimorphe at ${holder.url} could not give the site (${response.status}).`);
    return response.text();
  }
  const store = await openStore(folder, process.env.DATABASE_URL);
  try {
    const snapshot = await store.history.snapshot(id);
    if (!snapshot) throw unknown;
    const files: Record<string, string> = {};
    for (const { id: key, hash, name } of [...snapshot.site.frame.assets, ...snapshot.site.frame.fonts])
      files[key] = (await store.files.get(hash, name)).toString('base64');
    return writeSiteFile(snapshot.site, files);
  } finally {
    await store.close();
  }
}

const [command, ...args] = process.argv.slice(2);
try {
  if (command === 'compile' && args.length === 2) await compile(args[0], args[1]);
  else if (command === 'check' && args.length === 1)
    console.log(`${(await read(args[0])).site.frame.name}: nothing is wrong.`);
  else if (command === 'export' && args.length === 1) process.stdout.write(await exported(args[0]));
  else throw new Failure(USAGE);
} catch (error) {
  if (!(error instanceof Failure) && !(error instanceof FolderRefused)) {
    console.error(`The command failed: ${(error as Error).message}`);
  } else console.error(error.message);
  process.exitCode = 1;
}
