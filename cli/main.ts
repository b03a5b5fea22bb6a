import {
  counted,
  knownIn,
  lackedWithoutHost,
  lookup,
  type NodeId,
  type PageFindings,
  plural,
  readSiteFile,
  sure,
  writeSiteFile,
} from '../core/index.ts';
import { existsSync, readdirSync } from 'node:fs';
import { cp, mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { paths } from '../api/paths.ts';
import type { BackupResponse } from '../api/responses.ts';
import { imageMaker } from '../server/media/imagemaker.ts';
import { folderTarget, FolderTaken } from '../server/targets/folder.ts';
import { delivered } from '../server/targets/target.ts';
import { FileDamaged } from '../server/store/files.ts';
import { FolderRefused } from '../server/store/folder.ts';
import { holderOf } from '../server/store/lock.ts';
import { openStore, type Store } from '../server/store/open.ts';
import { restoreBackup } from '../server/store/restore.ts';
import { checked } from './check.ts';
import { NotSwept, sweptSite } from './sweep.ts';

const USAGE = `Usage:
  npm run -s dimorphe -- compile SITE.json OUT_DIR   compiles a site file to a folder that any static server can serve
  npm run -s dimorphe -- check SITE.json [--sweep] [--json]
                                                     says what is wrong with a site file and on its pages, with --sweep also when they are laid
                                                     out at every width; ends with 2 where a standard is not met
  npm run -s dimorphe -- export SITE_ID > SITE.json  writes a site of the data folder (DIMORPHE_DATA) as a site file
  npm run -s dimorphe -- verify                      looks whether all in the data folder is whole
  npm run -s dimorphe -- backup FOLDER               copies all of the data folder, also while the program runs
  npm run -s dimorphe -- restore FOLDER              puts such a copy in the place of what the data folder holds`;

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
  const byHash = new Map(site.frame.assets.map(({ id, hash }) => [hash, lookup(files, id)]));
  const kept = process.env.DIMORPHE_MADE;
  const made = kept ?? (await mkdtemp(join(tmpdir(), 'dimorphe-made-')));
  const pictures = imageMaker(made, { get: async (hash) => Buffer.from(knownIn(byHash, hash), 'base64') });
  try {
    const own = {
      kept: async (_hash: string, id: string) => Buffer.from(sure(lookup(files, id)), 'base64'),
      made: pictures.bytes,
      soon: pictures.begin,
    };
    const { written, removed } = await folderTarget(target).take(delivered(site, { still: true }, own));
    const left = removed > 0 ? `, ${counted(removed, 'file')} of before removed` : '';
    console.error(`${site.frame.name}: ${counted(written, 'file')} written to ${target}${left}.`);
  } catch (error) {
    const { code, path } = error as NodeJS.ErrnoException;
    if (error instanceof FolderTaken) throw new Failure(error.message);
    throw code && path ? new Failure(`${path} cannot be written (${code}).`) : error;
  } finally {
    await pictures.stop();
    if (kept === undefined) await rm(made, { recursive: true });
  }
  const lacks = lackedWithoutHost(site);
  if (lacks) console.error(lacks);
}

const CHECK_OPTIONS: ReadonlySet<string> = new Set(['--sweep', '--json']);

async function check(source: string, options: ReadonlySet<string>): Promise<void> {
  const { site, files } = await read(source);
  const onPage = (page: NodeId) => {
    const { nodes, root } = site.pages[page];
    console.error(`Checking ${nodes[root].name} …`);
  };
  let swept: PageFindings[] | undefined;
  if (options.has('--sweep'))
    swept = await sweptSite(site, files, onPage).catch((fault: unknown) => {
      if (!(fault instanceof NotSwept)) throw fault;
      console.error(`${fault.message} Problems that only show in the page layout were not checked.`);
      return undefined;
    });
  const { text, code } = checked(site, options.has('--json'), swept);
  console.log(text);
  process.exitCode = code;
}

const folder = resolve(process.env.DIMORPHE_DATA ?? fileURLToPath(new URL('../data', import.meta.url)));

/** Works on the data folder, which no program has open. */
async function opened<T>(work: (store: Store) => Promise<T>): Promise<T> {
  // Here an empty folder is a wrong name, not a beginning.
  if (!process.env.DATABASE_URL && !existsSync(join(folder, 'database')))
    throw new Failure(`There is no database in the data folder ${folder}. Nothing was written.`);
  const store = await openStore(folder, process.env.DATABASE_URL);
  try {
    return await work(store);
  } finally {
    await store.close();
  }
}

/** Reads the site from the program that has the data folder open, or opens the folder itself. */
async function exported(id: string): Promise<string> {
  const unknown = new Failure(`There is no site “${id}” in the data folder. Nothing was written.`);
  const holder = holderOf(folder);
  if (holder?.url) {
    const response = await fetch(holder.url + paths.file(id));
    if (response.status === 404) throw unknown;
    if (!response.ok)
      throw new Failure(`Dimorphe at ${holder.url} could not give the site (${response.status}).`);
    return response.text();
  }
  return opened(async (store) => {
    const snapshot = await store.history.snapshot(id);
    if (!snapshot) throw unknown;
    const files: Record<string, string> = {};
    for (const { id: key, hash, name } of [...snapshot.site.frame.assets, ...snapshot.site.frame.fonts])
      files[key] = (await store.files.get(hash, name)).toString('base64');
    return writeSiteFile(snapshot.site, files);
  });
}

async function verified(): Promise<void> {
  const { findings, ...found } = await opened((store) => store.verify());
  const summary = [
    counted(found.sites, 'site'),
    counted(found.pages, 'page'),
    counted(found.edits, 'edit'),
    counted(found.publications, 'publication'),
    counted(found.files, 'file'),
  ].join(', ');
  if (findings.length === 0) return console.log(`${summary}: all is whole.`);
  throw new Failure(
    `${summary}: ${counted(findings.length, 'finding')}.\n${findings.map((each) => `  ${each}`).join('\n')}`,
  );
}

async function backup(target: string): Promise<void> {
  const path = resolve(target);
  if (existsSync(path) && readdirSync(path).length > 0)
    throw new Failure(`${path} is not empty. Nothing was written; choose a folder that is not there yet.`);
  const holder = holderOf(folder);
  if (holder?.url) {
    const response = await fetch(holder.url + paths.backups(), { method: 'POST' });
    if (!response.ok)
      throw new Failure(`Dimorphe at ${holder.url} could not make the backup (${response.status}).`);
    const { folder: made } = (await response.json()) as BackupResponse;
    await cp(made, path, { recursive: true });
    await rm(made, { recursive: true });
  } else await opened((store) => store.backup(path));
  console.error(`The backup is in ${path}.`);
}

async function restore(from: string): Promise<void> {
  if (process.env.DATABASE_URL)
    throw new Failure(
      'A backup is restored into the embedded database. For the server at DATABASE_URL use its own tools (pg_dump, pg_restore). Nothing was changed.',
    );
  const { head, aside, damaged } = await restoreBackup(from, folder);
  console.error(
    `${folder} is as it was at ${head.madeAt}.${aside ? ` What was there before is in ${aside}; delete it when it is no longer needed.` : ''}`,
  );
  if (damaged.length > 0)
    console.error(
      `${counted(damaged.length, 'file')} of the backup ${plural(damaged.length, 'is', 'are')} damaged and could not be restored; verify lists what needs them.`,
    );
}

const [command, ...args] = process.argv.slice(2);
try {
  if (command === 'compile' && args.length === 2) await compile(args[0], args[1]);
  else if (command === 'check' && args.length > 0 && args.slice(1).every((each) => CHECK_OPTIONS.has(each)))
    await check(args[0], new Set(args.slice(1)));
  else if (command === 'export' && args.length === 1) process.stdout.write(await exported(args[0]));
  else if (command === 'verify' && args.length === 0) await verified();
  else if (command === 'backup' && args.length === 1) await backup(args[0]);
  else if (command === 'restore' && args.length === 1) await restore(args[0]);
  else throw new Failure(USAGE);
} catch (error) {
  if (![Failure, FolderRefused, FileDamaged].some((known) => error instanceof known)) {
    console.error(`The command failed: ${(error as Error).message}`);
  } else console.error((error as Error).message);
  process.exitCode = 1;
}
