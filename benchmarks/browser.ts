/** The time from a key press to the painted change in Chromium, in the workbench as it is, on a page of 2,000 elements. */
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Key } from 'selenium-webdriver';
import type { Driver } from 'selenium-webdriver/chrome.js';
import { demoSite } from '../demo/site.ts';
import { builtPages } from '../server/pages.ts';
import { start } from '../server/start.ts';
import { openStore } from '../server/store/open.ts';
import { byRole, openBrowser, pause } from '../test/browser/browser.ts';
import { cell, selectInOutline, sheet } from '../test/browser/workbench.ts';
import { siteOf } from './page.ts';

/**
 * Runs in the workbench: for each key press, the time until the element's size in each sheet is another one and the
 * frame with it has been handed over to be painted (a message posted in an animation frame arrives after it).
 */
const WATCH = `
  window.presses = [];
  const frames = [...document.querySelectorAll('iframe')];
  const active = frames.find((frame) => frame.closest('section').querySelector('[aria-pressed=true]'));
  const sizes = () => frames.map((frame) => frame.contentWindow.getComputedStyle(frame.contentDocument.querySelector('.n-e4')).fontSize);
  window.addEventListener('keydown', (event) => {
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    const before = sizes();
    const press = { active: null, all: null };
    window.presses.push(press);
    const watch = () => requestAnimationFrame(() => {
      const now = sizes();
      const channel = new MessageChannel();
      channel.port1.onmessage = () => {
        const passed = performance.now() - event.timeStamp;
        if (press.active === null && now[frames.indexOf(active)] !== before[frames.indexOf(active)]) press.active = passed;
        if (now.every((size, index) => size !== before[index])) press.all = passed;
        else if (passed < 3000) watch();
      };
      channel.port2.postMessage(0);
    });
    watch();
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

export interface Painted {
  /** ms; 95 of 100 presses were painted in the active sheet, and in all four, within this time. */
  active: number;
  all: number;
  /** ms of script for one press, all that the workbench does for it, as Chromium accounts for it. */
  script: number;
  /** ms; 95 of 100 frames took no longer while a list was scrolled. */
  outline: number;
  values: number;
}

const p95 = (times: number[]): number => times.sort((a, b) => a - b)[Math.ceil(times.length * 0.95) - 1];

/** Does something in the workbench, open on a page of a size. */
async function inWorkbench<R>(size: number, work: (driver: Driver) => Promise<R>): Promise<R> {
  const folder = await mkdtemp(join(tmpdir(), 'dimorphe-benchmark-'));
  const { files } = await demoSite();
  const store = await openStore(folder);
  await store.add({ site: await siteOf(size), files });
  await store.close();
  const running = await start({ port: 0, hostPort: 0, dataFolder: folder, pages: builtPages });
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
export const swept = (size: number): Promise<{ sweep: number; layouts: number }> =>
  inWorkbench(size, async (driver) => {
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

/** Presses a key that changes a value in every view, many times, with four sheets side by side. */
export function paintedAfterKey(size: number, presses = 24): Promise<Painted> {
  return inWorkbench(size, async (driver) => {
    await (await byRole(driver, 'button', 'Side by side')).click();
    for (const view of ['Wide', 'Tablet']) await (await byRole(driver, 'checkbox', view)).click();
    for (const view of ['Wide', 'Tablet', 'Mobile']) await sheet(driver, view);
    await selectInOutline(driver, 'heading e4');
    await (await cell(driver, 'Size', 'Desktop')).click();
    await (await byRole(driver, 'button', 'Everywhere')).click();
    await (await cell(driver, 'Size', 'Desktop')).click();
    await pause(1500);
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
      const key = count % 2 === 0 ? Key.ARROW_UP : Key.ARROW_DOWN;
      await driver.actions().keyDown(Key.CONTROL).sendKeys(key).keyUp(Key.CONTROL).perform();
      await pause(1300);
    };
    for (let count = 0; count < 6; count++) await press(count);
    const before = await script();
    for (let count = 0; count < 10; count++) await press(count);
    const each = ((await script()) - before) / 10;
    await driver.executeScript(WATCH);
    for (let count = 0; count < presses; count++) await press(count);
    const scrolled = async (list: string) => p95(await driver.executeAsyncScript<number[]>(SCROLL, list));
    const outline = await scrolled('[role=treegrid]');
    const values = await scrolled('[role=grid]');
    const times =
      await driver.executeScript<{ active: number | null; all: number | null }[]>('return window.presses');
    return {
      active: p95(times.map(({ active }) => active ?? Infinity)),
      all: p95(times.map(({ all }) => all ?? Infinity)),
      script: each,
      outline,
      values,
    };
  });
}
