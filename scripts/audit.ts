/**
 * Audits the published demo, page by page: Lighthouse for a phone and a desktop, axe-core in four widths, and the Nu HTML Checker where
 * Java is: `npm run audit`. Ends with 1 where one of them has something to say.
 */
import { execFile } from 'node:child_process';
import { mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import { launch } from 'chrome-launcher';
import lighthouse, { desktopConfig, type Flags } from 'lighthouse';
import { paths } from '../api/paths.ts';
import type { LivePublication, SiteResponse } from '../api/responses.ts';
import { start } from '../server/start.ts';
import { openBrowser, resize, visit } from '../test/browser/browser.ts';

const run = promisify(execFile);
const SITE = 'brindle-hill';
const CATEGORIES = ['performance', 'accessibility', 'best-practices', 'seo'];
const WIDTHS = [390, 820, 1280, 1680];
const require = createRequire(import.meta.url);
/** The path of the Nu HTML Checker. */
const vnu = require('vnu-jar') as string;
const AXE = require.resolve('axe-core/axe.min.js');

const folder = await mkdtemp(join(tmpdir(), 'dimorphe-audit-'));
const running = await start({ port: 0, hostPort: 0, dataFolder: join(folder, 'data') });
let bad = 0;

/** The scores of a page, each of 100, and the audits that it does not pass whole. */
async function scores(url: string, port: number, desktop: boolean): Promise<string> {
  const flags: Flags = { port, output: 'json', logLevel: 'error', onlyCategories: CATEGORIES };
  const result = await lighthouse(url, flags, desktop ? desktopConfig : undefined);
  const { categories, audits } = result!.lhr;
  const all = CATEGORIES.map((name) => Math.round((categories[name].score ?? 0) * 100));
  const short = CATEGORIES.flatMap((name) =>
    categories[name].auditRefs
      .filter(({ id, weight }) => weight > 0 && audits[id].score !== null && audits[id].score < 1)
      .map(({ id }) => `${id} ${audits[id].displayValue ?? ''}`.trim()),
  );
  if (all.some((score) => score < 100)) bad += 1;
  return `${all.map((score) => String(score).padStart(3)).join(' ')}${all.some((score) => score < 100) ? `  ${short.join(', ')}` : ''}`;
}

async function lighthouses(pages: readonly string[]): Promise<void> {
  const chrome = await launch({
    chromePath: process.env.CHROME_BIN ?? '/usr/bin/chromium',
    chromeFlags: ['--headless=new', '--no-sandbox', '--disable-gpu'],
  });
  try {
    console.log(`Lighthouse: ${CATEGORIES.join(', ')}`);
    for (const url of pages)
      for (const desktop of [false, true])
        console.log(
          `  ${await scores(url, chrome.port, desktop)}  ${desktop ? 'desktop' : 'phone'}  ${new URL(url).pathname}`,
        );
  } finally {
    chrome.kill();
  }
}

async function axe(pages: readonly string[]): Promise<void> {
  const source = await readFile(AXE, 'utf8');
  const { driver, close } = await openBrowser();
  try {
    for (const url of pages)
      for (const width of WIDTHS) {
        await resize(driver, width, 900);
        await visit(driver, url);
        await driver.executeScript(source);
        const found = await driver.executeAsyncScript<string[]>(
          'const done = arguments[0]; axe.run().then(({ violations }) => done(violations.map(({ id, nodes }) => `${id}: ${nodes.length}`)))',
        );
        if (found.length > 0) bad += 1;
        console.log(
          `axe-core  ${found.length === 0 ? 'nothing' : found.join(', ')}  ${width} px  ${new URL(url).pathname}`,
        );
      }
  } finally {
    await close();
  }
}

/** Checks the pages and the style sheets as they are served. */
async function nu(pages: readonly string[]): Promise<void> {
  const java = await run('java', ['-version']).then(
    () => true,
    () => false,
  );
  if (!java) return console.log('There is no Java here: the Nu HTML Checker was left out.');
  const files: string[] = [];
  const keep = async (url: string): Promise<string> => {
    const text = await (await fetch(url)).text();
    const { pathname } = new URL(url);
    const path = join(folder, 'served', pathname.endsWith('/') ? `${pathname}index.html` : pathname);
    await mkdir(dirname(path), { recursive: true });
    await writeFile(path, text);
    files.push(path);
    return text;
  };
  for (const url of pages) {
    const [, css] = /href="([^"]+\.css)"/.exec(await keep(url))!;
    await keep(new URL(css, url).href);
  }
  const { stderr } = await run('java', ['-jar', vnu, '--also-check-css', '--format', 'json', ...files], {
    maxBuffer: 64e6,
  }).catch((failed: { stderr: string }) => failed);
  const { messages } = JSON.parse(stderr) as {
    messages: { type: string; url: string; message: string; lastLine?: number }[];
  };
  // The checker does not know CSS Properties and Values API 1 (https://www.w3.org/TR/css-properties-values-api-1/) yet.
  const errors = messages.filter(({ type, message }) => type === 'error' && !message.includes('“@property”'));
  if (errors.length > 0) bad += 1;
  console.log(
    `Nu HTML Checker: ${files.length} files, ${errors.length} errors, ${messages.length - errors.length} other messages`,
  );
  const counts = new Map<string, number>();
  for (const { type, message } of messages)
    counts.set(`${type}: ${message}`, (counts.get(`${type}: ${message}`) ?? 0) + 1);
  for (const [text, count] of counts) console.log(`  ${count} × ${text.slice(0, 160)}`);
}

try {
  await fetch(running.url + paths.demo(), { method: 'POST' });
  const live = (await (
    await fetch(running.url + paths.publications(SITE), { method: 'POST' })
  ).json()) as LivePublication;
  const { frame } = (await (await fetch(running.url + paths.site(SITE))).json()) as SiteResponse;
  const pages = frame.pages.map(({ slug }) => new URL(slug === '' ? '.' : `${slug}/`, live.url).href);
  await nu(pages);
  await axe(pages);
  await lighthouses(pages);
} finally {
  await running.stop();
  await rm(folder, { recursive: true, force: true });
}
process.exit(bad > 0 ? 1 : 0);
