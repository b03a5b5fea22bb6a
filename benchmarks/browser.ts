/** What people wait for in the workbench, in Chromium: a key until its change is painted, scrolling, a sweep. */
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Key } from 'selenium-webdriver';
import type { Driver } from 'selenium-webdriver/chrome.js';
import type { Site } from '../core/index.ts';
import { demoSite } from '../demo/site.ts';
import { builtPages } from '../server/pages.ts';
import { start } from '../server/start.ts';
import { openStore } from '../server/store/open.ts';
import { byRole, openBrowser, pause } from '../test/browser/browser.ts';
import { cell, selectInOutline, sheet } from '../test/browser/workbench.ts';
import { siteOf } from './page.ts';

/**
 * Runs in the workbench: for each key press, the time until an element's size in each sheet is another one and the frame with it has been
 * handed over to be painted (a message posted in an animation frame arrives after it). F9 does bare what the keys of the table do: it
 * changes the one declaration in the style sheet of each frame by a script, so that both are measured in the same frames in the same run.
 */
const WATCH = `
  const [selector] = arguments;
  window.presses = { table: [], bare: [] };
  const frames = [...document.querySelectorAll('iframe')].filter((frame) => frame.contentDocument.querySelector(selector));
  if (frames.length === 0) throw new Error('No sheet shows ' + selector);
  const sizes = () => frames.map((frame) => frame.contentWindow.getComputedStyle(frame.contentDocument.querySelector(selector)).fontSize);
  const bare = frames.map((frame) => {
    const style = frame.contentDocument.createElement('style');
    style.textContent = 'html body ' + selector + selector + '{}';
    frame.contentDocument.head.append(style);
    return style.sheet.cssRules[0].style;
  });
  window.addEventListener('keydown', (event) => {
    const kind = event.key === 'F9' ? 'bare' : event.ctrlKey && /^Arrow(Up|Down)$/.test(event.key) ? 'table' : undefined;
    if (!kind) return;
    const before = sizes();
    const list = window.presses[kind];
    const place = list.push(null) - 1;
    const watch = () => requestAnimationFrame(() => {
      const now = sizes();
      const channel = new MessageChannel();
      channel.port1.onmessage = () => {
        const passed = performance.now() - event.timeStamp;
        if (now.every((size, index) => size !== before[index])) {
          list[place] = passed;
          for (const style of bare) style.removeProperty('font-size');
        } else if (passed < 3000) watch();
      };
      channel.port2.postMessage(0);
    });
    watch();
    if (kind === 'bare')
      bare.forEach((style, index) => style.setProperty('font-size', parseFloat(before[index]) + 1 + 'px', 'important'));
  }, true);
`;

/** Scrolls a list by a row and a half each frame, and tells how long each frame took. */
const SCROLL = `
  const [list, done] = arguments;
  let scroller = document.querySelector(list);
  while (getComputedStyle(scroller).overflowY !== 'auto') scroller = scroller.parentElement;
  scroller.scrollTop = 0;
  const frames = [];
  let before;
  const step = (at) => {
    if (before !== undefined) frames.push(at - before);
    before = at;
    scroller.scrollTop = scroller.scrollTop + scroller.clientHeight >= scroller.scrollHeight - 1 ? 0 : scroller.scrollTop + 37;
    if (frames.length < 180) requestAnimationFrame(step);
    else done(frames);
  };
  requestAnimationFrame(step);
`;

/** ms; the medians of key presses, and what 95 of 100 took no longer than. */
export interface Times {
  p50: number;
  p95: number;
}

export interface Painted {
  /** From a key in the table until the change is painted in all sheets that are shown, and the same change made by a bare script. */
  table: Times;
  bare: Times;
}

export interface Worked {
  /** ms of script for one press, all that the workbench does for it, as Chromium accounts for it. */
  script: number;
  /** ms; 95 of 100 frames took no longer while a list was scrolled. */
  outline: number;
  values: number;
}

const quantile = (times: readonly number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.ceil(times.length * share) - 1] ?? NaN;

const p95 = (times: readonly number[]): number => quantile(times, 0.95);

/** A press that was never painted is not measured: it makes the figure one that fails. */
const timesOf = (presses: readonly (number | null)[]): Times => {
  const times = presses.map((time) => time ?? Infinity);
  return { p50: quantile(times, 0.5), p95: p95(times) };
};

/** Does something in the workbench, open on the home page of a site; of the demo where none is given. */
async function inWorkbench<R>(site: Site | undefined, work: (driver: Driver) => Promise<R>): Promise<R> {
  const folder = await mkdtemp(join(tmpdir(), 'dimorphe-benchmark-'));
  const demo = await demoSite();
  const store = await openStore(folder);
  await store.add({ site: site ?? demo.site, files: demo.files });
  await store.close();
  const running = await start({
    ...{ port: 0, hostPort: 0, dataFolder: folder, pages: builtPages },
    requestsAMinute: 1e9,
  });
  const { driver, close } = await openBrowser();
  try {
    await driver.get(`${running.url}/sites/brindle-hill/pages/home`);
    await sheet(driver, 'Desktop');
    return await work(driver);
  } finally {
    await close();
    await running.stop();
    await rm(folder, { recursive: true, force: true });
  }
}

/** Lays the page of the sheet out at the widths of a sweep, and answers how long that took, in ms. */
const LAYOUTS = `
  const frame = document.querySelector('iframe');
  const { width } = frame.style;
  const begun = performance.now();
  for (const by of [12, 48, 48])
    for (let at = 320; at <= 1920; at += by) {
      frame.style.width = at + 'px';
      void frame.contentDocument.body.offsetHeight;
    }
  frame.style.width = width;
  return performance.now() - begun;
`;

/** How long a sweep of a page takes, and the bare layouts at about as many widths; in ms. */
export const swept = async (size: number): Promise<{ sweep: number; layouts: number }> =>
  inWorkbench(await siteOf(size), async (driver) => {
    await (await byRole(driver, 'button', 'Findings')).click();
    await pause(3000);
    const layouts = await driver.executeScript<number>(LAYOUTS);
    await driver.executeScript(
      'window.begun = 0; for (const each of document.querySelectorAll("button")) if (each.textContent === "Sweep all widths") each.addEventListener("click", () => (window.begun = performance.now()), true)',
    );
    await (await byRole(driver, 'button', 'Sweep all widths')).click();
    const sweep = await driver.executeAsyncScript<number>(
      'const [done] = arguments; const look = () => /^Swept at every/.test(document.querySelector("[aria-label=Sweep]").textContent) ? done(performance.now() - window.begun) : requestAnimationFrame(look); look();',
    );
    return { sweep, layouts };
  });

/** Goes to the size of an element in Desktop, for all views. */
async function toSize(driver: Driver, element: string): Promise<void> {
  await selectInOutline(driver, element);
  await (await cell(driver, 'Size', 'Desktop')).click();
  await (await byRole(driver, 'button', 'Everywhere')).click();
  await (await cell(driver, 'Size', 'Desktop')).click();
  await pause(1500);
}

const step = (driver: Driver, count: number) =>
  driver
    .actions()
    .keyDown(Key.CONTROL)
    .sendKeys(count % 2 === 0 ? Key.ARROW_UP : Key.ARROW_DOWN)
    .keyUp(Key.CONTROL)
    .perform();

const besides = async (driver: Driver) => {
  await (await byRole(driver, 'button', 'Side by side')).click();
  for (const view of ['Wide', 'Tablet']) await (await byRole(driver, 'checkbox', view)).click();
  for (const view of ['Wide', 'Tablet', 'Mobile']) await sheet(driver, view);
};

/** Presses keys in turn, in the table and for the bare script, with one sheet or four, on the demo's home page. */
export function paintedAfterKey(sheets: 1 | 4, presses = 40): Promise<Painted> {
  return inWorkbench(undefined, async (driver) => {
    if (sheets === 4) await besides(driver);
    await toSize(driver, 'Lead paragraph');
    const press = async (count: number) => {
      await step(driver, count);
      await pause(350);
      await driver.actions().sendKeys(Key.F9).perform();
      await pause(350);
    };
    for (let count = 0; count < 10; count++) await press(count);
    await driver.executeScript(WATCH, '.n-lead');
    for (let count = 0; count < presses; count++) await press(count);
    const { table, bare } =
      await driver.executeScript<Record<'table' | 'bare', (number | null)[]>>('return window.presses');
    if (table.length !== presses || bare.length !== presses)
      throw new Error(`Of ${presses} presses, ${table.length} and ${bare.length} were seen.`);
    return { table: timesOf(table), bare: timesOf(bare) };
  });
}

/** What the workbench does for a key press on a page of a size with four sheets, and how its lists scroll there. */
export async function worked(size: number): Promise<Worked> {
  return inWorkbench(await siteOf(size), async (driver) => {
    await besides(driver);
    await toSize(driver, 'heading e4');
    const script = async () => {
      const { metrics } = (await driver.sendAndGetDevToolsCommand(
        'Performance.getMetrics',
        {},
      )) as unknown as {
        metrics: { name: string; value: number }[];
      };
      return metrics.find(({ name }) => name === 'ScriptDuration')!.value * 1000;
    };
    await driver.sendDevToolsCommand('Performance.enable', {});
    const press = async (count: number) => {
      await step(driver, count);
      await pause(1300);
    };
    for (let count = 0; count < 6; count++) await press(count);
    const before = await script();
    for (let count = 0; count < 10; count++) await press(count);
    const each = ((await script()) - before) / 10;
    const scrolled = async (list: string) => p95(await driver.executeAsyncScript<number[]>(SCROLL, list));
    return {
      script: each,
      outline: await scrolled('[role=treegrid]'),
      values: await scrolled('[role=grid]'),
    };
  });
}
