/** Hands that know nothing: clicks and keys at random in the workbench, all of which are taken back at the end. */
import { isDeepStrictEqual } from 'node:util';
import fc from 'fast-check';
import { Key } from 'selenium-webdriver';
import { paths } from '../api/paths.ts';
import type { PageResponse } from '../api/responses.ts';
import { siteFaults } from '../core/index.ts';
import { DEMO_PAGES } from '../demo/site.ts';
import { openStore } from '../server/store/open.ts';
import { eventually } from '../test/browser/browser.ts';
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
    addEventListener('error', ({ message }) => faults.push(message));
    addEventListener('unhandledrejection', ({ reason }) => faults.push(String(reason)));
    const { error } = console;
    console.error = (...all) => { faults.push(all.map(String).join(' ')); error(...all); };
    return faults;
  })();
  return window.faults.splice(0).concat([...document.querySelectorAll('[role=alert]')].filter((each) => /could not be drawn/.test(each.textContent)).map((each) => each.textContent));`;

export async function hands(seed: number, count: number): Promise<{ tried: number; faults: string[] }> {
  const bench = await openBench({ demo: DEMO_PAGES });
  const { driver, running } = bench;
  const faults: string[] = [];
  const pages = () =>
    Promise.all(
      DEMO_PAGES.map(
        async (id) => (await (await fetch(running.url + paths.page(SITE, id))).json()) as PageResponse,
      ),
    );
  try {
    const page = DEMO_PAGES[seed % DEMO_PAGES.length];
    await bench.open(page);
    const before = await pages();
    const home = await driver.getCurrentUrl();
    for (const move of fc.sample(MOVE, { seed, numRuns: count })) {
      if ('key' in move) await driver.actions().sendKeys(move.key).perform();
      else if ('held' in move)
        await driver.actions().keyDown(Key.CONTROL).sendKeys(move.held).keyUp(Key.CONTROL).perform();
      else {
        const at = await driver.executeScript<[number, number] | null>(PICK, move.click);
        if (!at) continue;
        const there = driver.actions().move({ x: at[0], y: at[1] });
        await (
          move.how === 0 ? there.contextClick() : move.how === 1 ? there.doubleClick() : there.click()
        ).perform();
      }
      if ((await driver.getCurrentUrl()) !== home) await bench.open(page);
      faults.push(...(await driver.executeScript<string[]>(LISTEN)));
    }
    // All of it is taken back: what is kept then is what was there.
    await bench.open(page);
    await kept(driver).catch(() => undefined);
    const undo = 'button[aria-label^="Undo: "]';
    const takenBack = async () => {
      await driver.executeScript(`document.querySelector(arguments[0])?.click()`, undo);
      return (
        (await driver.executeScript<boolean>(`return document.querySelector(arguments[0]) === null`, undo)) ||
        undefined
      );
    };
    await eventually('all is taken back', takenBack, 120_000);
    await kept(driver);
    const after = await pages();
    const same = after.every((each, index) =>
      isDeepStrictEqual({ ...each, revision: 0 }, { ...before[index], revision: 0 }),
    );
    if (!same) faults.push('What random hands did was taken back, and something is not as it was.');
  } finally {
    await bench.close();
    await running.stop();
  }
  const store = await openStore(running.folder);
  faults.push(...siteFaults((await store.history.snapshot(SITE))!.site).map(({ sentence }) => sentence));
  await store.close();
  return { tried: count, faults };
}
