/** Images imported one after the other, and what others who ask for something meanwhile have to wait; and a list of many sites. */
import sharp from 'sharp';
import { paths } from '../api/paths.ts';
import { newSite, writeSiteFile } from '../core/index.ts';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { byRole, openBrowser } from '../test/browser/browser.ts';
import { builtPages } from '../server/pages.ts';
import { launched } from '../test/server/killing.ts';
import { freshFolder, served } from '../test/server/serving.ts';
import { startFiles } from '../test/startfiles.ts';

const SITE = 'brindle-hill';

/** What `npm start` adds to the environment of the program. */
const environment = JSON.parse(
  readFileSync(new URL('../scripts/environment.json', import.meta.url), 'utf8'),
) as Record<string, string>;

const p95 = (times: number[]): number => [...times].sort((a, b) => a - b)[Math.ceil(times.length * 0.95) - 1];

/** Time that one question takes, in ms. */
async function asked(url: string): Promise<number> {
  const start = performance.now();
  await (await fetch(url)).arrayBuffer();
  return performance.now() - start;
}

async function askedOften(url: string, until: () => boolean): Promise<number[]> {
  const times: number[] = [];
  while (!until()) {
    times.push(await asked(url));
    await new Promise((next) => setTimeout(next, 40));
  }
  return times;
}

/** MB that a process has in memory (proc_pid_status(5), VmRSS). */
const memoryOf = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1000;

export interface Pictures {
  /** ms; 95 of 100 questions were answered within, before and while images came in. */
  quiet: number;
  meanwhile: number;
  /** ms for one image, from sending it to its place on the shelf. */
  each: number;
  /** MB; the most that the program had in memory. */
  memory: number;
}

/** Brings so many images of 12 megapixels in, each another. */
export async function picturesIn(count: number): Promise<Pictures> {
  const folder = await freshFolder();
  // As `npm start` starts it, so that its memory is its own.
  const { child, url } = await launched(folder, environment);
  const question = url + paths.site(SITE);
  try {
    let rounds = 0;
    const quiet = p95(await askedOften(question, () => ++rounds > 60));
    let ended = false;
    let memory = 0;
    const watch = setInterval(() => (memory = Math.max(memory, memoryOf(child.pid!))), 50);
    const meanwhile = askedOften(question, () => ended);
    let spent = 0;
    for (let index = 0; index < count; index++) {
      const bytes = await sharp({
        create: {
          width: 4000,
          height: 3000,
          channels: 3,
          background: '#000',
          noise: { type: 'gaussian', mean: 60 + index, sigma: 12 },
        },
      })
        .jpeg({ quality: 85 })
        .toBuffer();
      const start = performance.now();
      const answer = await fetch(url + paths.assets(SITE), {
        method: 'POST',
        body: new Uint8Array(bytes),
      });
      if (answer.status !== 201) throw new Error(await answer.text());
      spent += performance.now() - start;
    }
    ended = true;
    const times = await meanwhile;
    clearInterval(watch);
    return { quiet, meanwhile: p95(times), each: spent / count, memory };
  } finally {
    child.kill('SIGKILL');
    await once(child, 'exit');
    await rm(folder, { recursive: true, force: true });
  }
}

/** ms from asking for the list of sites until it is there with its first line, with few and with many sites. */
export async function listOpened(few: number, many: number): Promise<{ few: number; many: number }> {
  const running = await served({ pages: builtPages });
  const browser = await openBrowser();
  const { driver } = browser;
  const opened = async () => {
    const times: number[] = [];
    for (let run = 0; run < 7; run++) {
      const start = performance.now();
      await driver.get(running.url);
      await byRole(driver, 'heading', /^Number|^Brindle/);
      times.push(performance.now() - start);
    }
    return times.sort((a, b) => a - b)[3];
  };
  let count = 0;
  const grow = async (to: number) => {
    for (; count < to; count++) {
      const id = `number-${count}`;
      const text = writeSiteFile(
        newSite({ id, name: `Number ${count}`, lang: 'en', look: 'lantern', views: '2' }),
        startFiles('lantern'),
      );
      await fetch(running.url + paths.sites(), {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: text,
      });
    }
  };
  try {
    await grow(few);
    const before = await opened();
    await grow(many);
    return { few: before, many: await opened() };
  } finally {
    await browser.close();
    await running.end();
  }
}
