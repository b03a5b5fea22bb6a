/**
 * Hands that know nothing: clicks and keys at random in the workbench and on the other screens of a site, all of which are undone at the end;
 * and those of two people in two windows, which show the same at the end.
 */
import { isDeepStrictEqual } from 'node:util';
import fc from 'fast-check';
import { Key } from 'selenium-webdriver';
import type { Driver } from 'selenium-webdriver/chrome.js';
import { paths } from '../api/paths.ts';
import { siteFaults } from '../core/index.ts';
import { DEMO_PAGES } from '../demo/site.ts';
import { openStore } from '../server/store/open.ts';
import { byRole, eventually, pause, resize, still } from '../test/browser/browser.ts';
import { kept, openBench } from '../test/browser/workbench.ts';
import { SITE } from '../test/server/editing.ts';

const KEYS = [
  ...[Key.ESCAPE, Key.ENTER, Key.TAB, Key.DELETE, Key.F2, Key.ARROW_DOWN, Key.ARROW_UP],
  ...[Key.ARROW_RIGHT, Key.ARROW_LEFT, 'h', '+', '-', '/', '5', ' '],
];
const HELD = ['z', 'y', 'c', 'x', 'v', 'd', 'g'];

/** One move of a hand; numbers choose among what is there. */
const MOVE = fc.oneof(
  { weight: 8, arbitrary: fc.record({ click: fc.nat(9999), how: fc.nat(11) }) },
  { weight: 2, arbitrary: fc.record({ key: fc.constantFrom(...KEYS) }) },
  { weight: 1, arbitrary: fc.record({ held: fc.constantFrom(...HELD) }) },
);

type Move = { click: number; how: number } | { key: string } | { held: string };

/** What can be clicked in the workbench, in front of all else where something is; nothing that leads away from it. */
const PICK = `
  const front = [...document.querySelectorAll('.MuiModal-root')].at(-1) ?? document.querySelector('main') ?? document.body;
  const all = [...front.querySelectorAll('button, input, .outline-cell, [role=gridcell], [role=row], [role^=menuitem], [role=option], [role=radio], [role=checkbox], [role=combobox], [role=slider]')]
    .map((each) => ({ each, box: each.getBoundingClientRect() }))
    .filter(({ each, box }) => box.width > 2 && box.height > 2 && box.top >= 0 && box.bottom <= innerHeight && box.left >= 0 && box.right <= innerWidth && each.type !== 'file');
  if (all.length === 0) return null;
  const { box } = all[arguments[0] % all.length];
  return [Math.round(box.left + box.width / 2), Math.round(box.top + box.height / 2)];`;

/** Keeps what a page says of faults, so that it can be asked for. */
const LISTEN = `
  window.faults ??= (() => {
    const faults = [];
    // A window that comes to the front measures in two frames what it would have in one: the browser says so, and no problems found.
    addEventListener('error', ({ message }) => message.startsWith('ResizeObserver loop completed') || faults.push(message));
    addEventListener('unhandledrejection', ({ reason }) => faults.push(String(reason?.stack ?? reason)));
    const { error } = console;
    console.error = (...all) => { faults.push(all.map(String).join(' ')); error(...all); };
    return faults;
  })();
  return window.faults.splice(0).concat([...document.querySelectorAll('[role=alert]')].filter((each) => /could not be drawn/.test(each.textContent)).map((each) => each.textContent));`;

/** Makes one move of a hand, and answers what the page says of faults since the one before. */
async function moved(driver: Driver, move: Move): Promise<string[]> {
  if ('key' in move) await driver.actions().sendKeys(move.key).perform();
  else if ('held' in move)
    await driver.actions().keyDown(Key.CONTROL).sendKeys(move.held).keyUp(Key.CONTROL).perform();
  else {
    const at = await driver.executeScript<[number, number] | null>(PICK, move.click);
    if (!at) return [];
    const there = driver.actions().move({ x: at[0], y: at[1] });
    await (
      move.how === 0 ? there.contextClick() : move.how === 1 ? there.doubleClick() : there.click()
    ).perform();
  }
  return driver.executeScript<string[]>(LISTEN);
}

/** What was tried, and what was wrong. */
interface Handled {
  tried: number;
  faults: string[];
}

/** What is wrong with the site as it is kept, once its server has stopped. */
async function faultsKept(folder: string): Promise<string[]> {
  const store = await openStore(folder);
  try {
    return siteFaults((await store.history.snapshot(SITE))!.site).map(({ sentence }) => sentence);
  } finally {
    await store.close();
  }
}

/** Hands at an address that each move is made at, wherever the one before led to. What they changed of the site is undone. */
async function handsAt(seed: number, count: number, addressOf: (step: number) => string): Promise<Handled> {
  const bench = await openBench({ demo: DEMO_PAGES });
  const { driver, running } = bench;
  const faults: string[] = [];
  const site = async () => (await (await fetch(running.url + paths.file(SITE))).json()) as unknown;
  try {
    const before = await site();
    await bench.open();
    for (const [step, move] of fc.sample(MOVE, { seed, numRuns: count }).entries()) {
      const address = addressOf(step);
      if (new URL(await driver.getCurrentUrl()).pathname !== address) await driver.get(running.url + address);
      faults.push(...(await moved(driver, move)));
    }
    // All of it is undone: what is kept then is what was there. Which pages and views there are now is not known.
    await driver.get(`${running.url}/sites/${SITE}/pages`);
    await byRole(driver, 'heading', 'Pages');
    await kept(driver).catch(() => undefined);
    const undo = 'button[aria-label^="Undo: "]';
    const nothingToUndo = () =>
      driver.executeScript<boolean>(`return document.querySelector(arguments[0]) === null`, undo);
    const undoneOf = async () => {
      await driver.executeScript(`document.querySelector(arguments[0])?.click()`, undo);
      if (!(await nothingToUndo())) return false;
      // Steps from long ago may still be on their way.
      await pause(500);
      return nothingToUndo();
    };
    await eventually('all is undone', undoneOf, 120_000);
    await kept(driver);
    if (!isDeepStrictEqual(await site(), before))
      faults.push('What random hands did was undone, and something is not as it was.');
  } finally {
    await bench.close();
    await running.stop();
  }
  faults.push(...(await faultsKept(running.folder)));
  return { tried: count, faults };
}

/** Hands in the workbench, on one page. */
export const hands = (seed: number, count: number): Promise<Handled> =>
  handsAt(seed, count, () => `/sites/${SITE}/pages/${DEMO_PAGES[seed % DEMO_PAGES.length]}`);

/** The screens of a site besides the workbench. */
const SCREENS = ['pages', 'shelf', 'views', 'type', 'messages', 'publications'];

/** How many moves are made on one screen before the next. */
const STAY = 25;

/** Hands on the other screens of a site, one after the other. */
export const handsOnScreens = (seed: number, count: number): Promise<Handled> =>
  handsAt(
    seed,
    count,
    (step) => `/sites/${SITE}/${SCREENS[Math.floor(step / STAY + seed) % SCREENS.length]}`,
  );

/** What the first sheet shows, as HTML; null where none is there. */
const SHOWN = `return document.querySelector('iframe[title^="Page in"]')?.contentDocument.body.outerHTML ?? null`;

/** Whether two sheets show the same, but for what is marked in them while one works. */
const ALIKE = `
  const [one, other] = [...arguments].map((html) => {
    const { body } = new DOMParser().parseFromString(html, 'text/html');
    for (const each of body.querySelectorAll('*')) {
      // A choice that was made in a form of the sheet is the visitor's.
      for (const { name } of [...each.attributes]) if (/^(data-|contenteditable|tabindex|spellcheck|selected)/.test(name)) each.removeAttribute(name);
      each.className = [...each.classList].filter((name) => !/selected|pointed|ghost/.test(name)).sort().join(' ');
    }
    return body;
  });
  return one.isEqualNode(other);`;

/** Lets a window fetch images for the screen that it is on, where hands have chosen another. */
async function forThisScreen(driver: Driver): Promise<void> {
  const chosen = await driver.executeScript<boolean>(
    `const screens = [...document.querySelectorAll('button[aria-haspopup=menu]')].find((each) => /, [\\d.]+×$/.test(each.textContent));
     screens?.click();
     return screens !== undefined;`,
  );
  if (chosen) await (await byRole(driver, 'menuitem', 'this screen')).click();
}

/** How many moves one makes before the other goes on. */
const TURN = 4;

/** Two windows on one page, in turns: each shows in the end what a window shows that is opened then. */
export async function handsOfTwo(seed: number, count: number): Promise<Handled> {
  const bench = await openBench({ demo: DEMO_PAGES });
  const { driver, running } = bench;
  const faults: string[] = [];
  try {
    const page = DEMO_PAGES[seed % DEMO_PAGES.length];
    await bench.open(page);
    const first = await driver.getWindowHandle();
    await driver.switchTo().newWindow('tab');
    await resize(driver, 1280, 800);
    await bench.open(page);
    const windows = [first, await driver.getWindowHandle()];
    const home = await driver.getCurrentUrl();
    for (const [step, move] of fc.sample(MOVE, { seed, numRuns: count }).entries()) {
      if (step % TURN === 0) await driver.switchTo().window(windows[(step / TURN) % 2]);
      faults.push(...(await moved(driver, move)));
      if ((await driver.getCurrentUrl()) !== home) await bench.open(page);
    }
    for (const each of windows) {
      await driver.switchTo().window(each);
      // What is typed and not yet taken is given up; the sheets come back.
      for (let open = 0; open < 3; open++) await driver.actions().sendKeys(Key.ESCAPE).perform();
      await eventually('everything kept', () =>
        driver.executeScript<boolean>(
          `return /^All changes saved/.test(document.querySelector('[aria-label="Save status"]').textContent)`,
        ),
      );
    }
    for (const each of windows) {
      await driver.switchTo().window(each);
      await forThisScreen(driver);
      await still(driver);
      const shown = await driver.executeScript<string | null>(SHOWN);
      await bench.open(page);
      await still(driver);
      const anew = await driver.executeScript<string | null>(SHOWN);
      // The overview has no such sheet.
      if (shown !== null && !(await driver.executeScript<boolean>(ALIKE, shown, anew)))
        faults.push('A window shows something else than one that is opened anew.');
    }
  } finally {
    await bench.close();
    await running.stop();
  }
  faults.push(...(await faultsKept(running.folder)));
  return { tried: count, faults };
}
