/** Starts real servers on fresh data folders, for tests over HTTP. */
import { FOUR_PAGES } from '../demo.ts';
import { rmSync } from 'node:fs';
import { cp, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { start, type Running } from '../../server/start.ts';
import { openStore } from '../../server/store/open.ts';
import { SITE } from './editing.ts';

/** What is made of images is the same whoever asks for it: it is kept for all tests, and for the next run. */
export const MADE = join(tmpdir(), 'dimorphe-test-made');

type Demo = readonly string[];

const templates = new Map<string, Promise<string>>();

/** A data folder with pages of the demo site in it; made once, as a fresh database takes seconds. */
function templateOf(demo: Demo): Promise<string> {
  const key = demo.join(' ');
  let template = templates.get(key);
  if (!template) templates.set(key, (template = madeTemplate(demo)));
  return template;
}

async function madeTemplate(demo: Demo): Promise<string> {
  const folder = await mkdtemp(join(tmpdir(), 'dimorphe-template-'));
  const running = await start({ port: 0, hostPort: 0, dataFolder: folder, demo });
  await running.stop();
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
  return folder;
}

export async function freshFolder(demo: Demo = FOUR_PAGES): Promise<string> {
  const folder = await mkdtemp(join(tmpdir(), 'dimorphe-test-'));
  await cp(await templateOf(demo), folder, { recursive: true });
  return folder;
}

export interface Served extends Running {
  folder: string;
  /** Stops and removes the data. */
  end(): Promise<void>;
}

export async function served(settings: Partial<Parameters<typeof start>[0]> = {}): Promise<Served> {
  const folder = settings.dataFolder ?? (await freshFolder(settings.demo));
  const running = await start({
    port: 0,
    hostPort: 0,
    logLevel: process.env.LOG ?? 'silent',
    madeFolder: MADE,
    demo: FOUR_PAGES,
    ...settings,
    dataFolder: folder,
  });
  return {
    ...running,
    folder,
    async end() {
      await running.stop();
      await rm(folder, { recursive: true, force: true });
    },
  };
}

/** A data folder whose demo site has been published so many times. */
export async function publishedOften(count: number): Promise<string> {
  const folder = await freshFolder();
  const store = await openStore(folder);
  const { site, revision } = (await store.history.snapshot(SITE))!;
  const state = await store.files.put(Buffer.from(JSON.stringify(site)));
  for (let made = 0; made < count; made++) {
    const nothing = { manifest: {}, note: null, by: null, heldBack: null };
    await store.publications.publish(
      SITE,
      { ...nothing, revision, state },
      await store.publications.start(SITE),
    );
  }
  await store.close();
  return folder;
}
