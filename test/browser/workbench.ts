/** What tests do in the workbench, as a person would: by role and accessible name, with clicks, drags and keys. */
import { mkdtemp, readdir, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key, type WebElement } from 'selenium-webdriver';
import type { Driver } from 'selenium-webdriver/chrome.js';
import { builtPages } from '../../server/pages.ts';
import { served, type Served } from '../server/serving.ts';
import { beginAnew, type Browser, byRole, eventually, openBrowser, resize, still } from './browser.ts';

export interface Bench extends Browser {
  running: Served;
  /** Opens a page of the demo site and waits until its sheet shows it. */
  open(page?: string): Promise<void>;
  end(): Promise<void>;
}

export async function openBench(settings: Parameters<typeof served>[0] = {}): Promise<Bench> {
  const running = await served({ pages: builtPages, ...settings });
  const browser = await openBrowser();
  return {
    ...browser,
    running,
    open: async (page = 'home') => {
      await browser.driver.get(`${running.url}/sites/brindle-hill/pages/${page}`);
      await sheet(browser.driver, 'Desktop');
    },
    async end() {
      await browser.close();
      await running.end();
    },
  };
}

/** The frame of the sheet in a view, once the page is in it. */
export async function sheet(driver: Driver, view: string): Promise<WebElement> {
  return eventually(`a sheet in ${view}`, async () => {
    const [frame] = await driver.findElements(By.css(`iframe[title^="Page in ${view}"]`));
    if (!frame) return undefined;
    const ready = await driver.executeScript(
      'return arguments[0].contentDocument.querySelectorAll("body > *").length > 1',
      frame,
    );
    return ready ? frame : undefined;
  });
}

/** Reads something inside a sheet: the element of a class, through a function body with `element` and `window`. */
export async function inSheet<T>(driver: Driver, view: string, id: string, body: string): Promise<T> {
  const frame = await sheet(driver, view);
  return driver.executeScript<T>(
    `const window = arguments[0].contentWindow; const element = arguments[0].contentDocument.querySelector('.n-${id}'); ${body}`,
    frame,
  );
}

/** The middle of an element in a sheet, in the window's pixels: the sheet is scaled, which the driver does not reckon with. */
export async function pointAt(driver: Driver, view: string, id: string): Promise<{ x: number; y: number }> {
  return inSheet(
    driver,
    view,
    id,
    `const frame = window.frameElement.getBoundingClientRect(); const scale = frame.width / window.innerWidth; const box = element.getBoundingClientRect();
     return { x: Math.round(frame.left + (box.left + box.width / 2) * scale), y: Math.round(frame.top + (box.top + box.height / 2) * scale) }`,
  );
}

/** Opens the words of an element in a sheet by a double click, and answers their bar. A sheet may be laid out again while it is aimed at. */
export const openWords = (driver: Driver, view: string, id: string, name: string): Promise<WebElement> =>
  eventually(`the words of ${name}`, async () => {
    await driver
      .actions()
      .move(await pointAt(driver, view, id))
      .doubleClick()
      .perform();
    return byRole(driver, 'toolbar', `Text of ${name}`, { within: 3000 });
  });

/** Whether an element is there and drawn in a view. */
export const isSeen = (driver: Driver, view: string, id: string) =>
  inSheet<boolean>(driver, view, id, 'return element?.checkVisibility() ?? false');

export const computed = (driver: Driver, view: string, id: string, property: string) =>
  inSheet<string>(
    driver,
    view,
    id,
    `return window.getComputedStyle(element).getPropertyValue('${property}')`,
  );

/** The name of an element in the outline, scrolled into sight. */
export const outlineRow = (driver: Driver, name: string): Promise<WebElement> =>
  scrolledTo(driver, '[role=treegrid]', `[role=treegrid] [role=gridcell][title="${name}"]`);

/** Begins to rename an element by a double click: a slow machine gets the driver's two clicks too far apart to be one, so that they are made again. */
export const beginRenaming = (driver: Driver, name: string): Promise<WebElement> =>
  eventually(`the field for the name of ${name}`, async () => {
    const row = await outlineRow(driver, name);
    await driver.actions().doubleClick(row).perform();
    return byRole(driver, 'textbox', `New name of ${name}`, { within: 3000 });
  });

/** Replaces the text of a field and presses Enter. */
export async function fillField(driver: Driver, name: string, text: string): Promise<void> {
  const box = await byRole(driver, 'textbox', name);
  await box.click();
  await driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).perform();
  await box.sendKeys(text, Key.ENTER);
}

export async function selectInOutline(driver: Driver, name: string): Promise<void> {
  await (await outlineRow(driver, name)).click();
  await byRole(driver, 'grid', `Values of ${name}`);
}

export async function chooseView(driver: Driver, view: string): Promise<void> {
  await (
    await byRole(driver, 'button', new RegExp(`^(\\d+ of )?\\d*(base ?)?${view} ?[\\d<]`), {
      inside: await byRole(driver, 'region', 'Ledger'),
    })
  ).click();
  await sheet(driver, view);
}

/** Something in a list that draws only what is in sight: scrolls from the top until it is there. */
async function scrolledTo(driver: Driver, list: string, selector: string): Promise<WebElement> {
  return eventually(selector, () =>
    driver.executeAsyncScript<WebElement | undefined>(
      `const [list, selector, done] = arguments;
       const frames = () => new Promise((next) => requestAnimationFrame(() => requestAnimationFrame(next)));
       (async () => {
         let scroller = document.querySelector(list);
         if (!scroller) return done(undefined);
         while (scroller && getComputedStyle(scroller).overflowY !== 'auto') scroller = scroller.parentElement;
         let found = document.querySelector(selector);
         const look = async () => {
           for (let top = 0; !found && top < scroller.scrollHeight; top += scroller.clientHeight / 2) {
             scroller.scrollTop = top;
             await frames();
             found = document.querySelector(selector);
           }
         };
         await look();
         // What is not usual is folded away until it is asked for.
         for (let folded; !found && (folded = await unfold()); await look()) {}
         async function unfold() {
           for (let top = 0; top < scroller.scrollHeight; top += scroller.clientHeight / 2) {
             scroller.scrollTop = top;
             await frames();
             const heading = scroller.querySelector('.group-heading[aria-expanded=false]');
             if (heading) { heading.click(); await frames(); return true; }
           }
           return false;
         }
         if (found) { found.scrollIntoView({ block: 'center' }); await frames(); }
         done(document.querySelector(selector));
       })();`,
      list,
      selector,
    ),
  );
}

/** Takes the four sides of a padding, a margin or a border apart where one row stands for all of them. */
export async function sidesApart(driver: Driver, sides: string): Promise<void> {
  const name = `Set the sides of the ${sides} apart`;
  await (await scrolledTo(driver, '[role=grid]', `[role=grid] button[aria-label="${name}"]`)).click();
}

/** Unfolds the values of a part, or folds a group away. */
export async function turnGroup(driver: Driver, label: string): Promise<void> {
  const selector = '[role=grid] [role=rowheader] > [aria-expanded]';
  const heading = await eventually(`the heading ${label}`, async () => {
    await driver.executeScript(
      'const s = document.querySelector("[role=grid]").parentElement.parentElement; s.scrollTop = s.scrollTop + s.clientHeight >= s.scrollHeight - 1 ? 0 : s.scrollTop + s.clientHeight * 0.6;',
    );
    await still(driver);
    for (const found of await driver.findElements(By.css(selector)))
      if (new RegExp(`^${label}(?! and )`, 'i').test(await found.getText())) return found;
    return undefined;
  });
  await heading.click();
}

/** A cell of the values table, by property and view. */
export async function cell(driver: Driver, property: string, view: string): Promise<WebElement> {
  const selector = `[role=grid] [role=gridcell][aria-label^="${property} in ${view}:"]`;
  return scrolledTo(driver, '[role=grid]', selector);
}

export const label = async (element: WebElement) => element.getAccessibleName();

/** Waits until a cell of the values table says this: the table is drawn a frame after what it shows. */
export function cellShows(driver: Driver, words: string): Promise<boolean> {
  const [, property, view] = /^(.+) in ([^:]+):/.exec(words)!;
  return eventually(words, async () => (await label(await cell(driver, property, view))) === words);
}

/** Types a value into a cell and ends with Enter, or with another way of pressing it. */
export async function type(
  driver: Driver,
  property: string,
  view: string,
  text: string,
  enter: string[] = [Key.ENTER],
): Promise<void> {
  const target = await cell(driver, property, view);
  await target.click();
  await driver.actions().sendKeys(text).perform();
  await byRole(driver, 'textbox', `${property} in ${view}`);
  const actions = driver.actions();
  for (const key of enter.slice(0, -1)) actions.keyDown(key);
  actions.sendKeys(enter.at(-1)!);
  for (const key of enter.slice(0, -1)) actions.keyUp(key);
  await actions.perform();
}

export async function chooseReach(driver: Driver, reach: 'Here' | 'Onward' | 'Everywhere'): Promise<void> {
  await (await byRole(driver, 'button', new RegExp(`^${reach}$`))).click();
}

/** What the workbench last said about an edit. */
export const lastStep = async (driver: Driver) =>
  (await driver.findElement(By.css('[aria-label="Last step"]'))).getAttribute('textContent');

export async function expectStep(driver: Driver, sentence: string | RegExp): Promise<void> {
  let said = '';
  const fits = () => (typeof sentence === 'string' ? said === sentence : sentence.test(said));
  await eventually(`the step ${String(sentence)}`, async () => {
    said = (await lastStep(driver)) ?? '';
    return fits();
  }).catch(() => {
    throw new Error(`The last step should be “${String(sentence)}” and is “${said}”.`);
  });
}

/** Waits until the top bar says that everything is kept. */
export const kept = (driver: Driver) =>
  eventually('everything kept', async () => {
    const text = await (await driver.findElement(By.css('[aria-label="Save status"]'))).getText();
    return /^All changes saved · \d{1,2}:\d\d( [AP]M)?$/i.test(text);
  });

/** A workbench for the tests of a suite: opened before the first, on the home page before each. */
export function useBench() {
  let bench: Bench | undefined;
  beforeEach(async () => {
    bench ??= await openBench();
    await resize(bench.driver, 1280, 800);
    // Every test starts as in a new browser, with no preference.
    const at = await bench.driver.executeScript<string>('return location.origin');
    if (at !== bench.running.url) await bench.driver.get(`${bench.running.url}/api/nothing`);
    await beginAnew(bench.driver);
    await bench.open();
  });
  after(() => bench?.end());
  const focused = async () => (await bench!.driver.switchTo().activeElement()).getAccessibleName();
  return {
    get driver() {
      return bench!.driver;
    },
    get running() {
      return bench!.running;
    },
    open: (page?: string) => bench!.open(page),
    reload: () => bench!.open(),
    press: (...keys: string[]) =>
      bench!.driver
        .actions()
        .sendKeys(...keys)
        .perform(),
    /** Presses a key while one or more others are held. */
    chord(...keys: [held: string, ...string[]]) {
      const actions = bench!.driver.actions();
      const [key, ...held] = keys.reverse();
      held.reverse().forEach((each) => actions.keyDown(each));
      actions.sendKeys(key);
      held.forEach((each) => actions.keyUp(each));
      return actions.perform();
    },
    focusedCell: (name: RegExp) =>
      eventually(`the focus on ${String(name)}`, async () => name.test(await focused())),
  };
}

/** The panel of what can be added, opened where it is not, at one of its shelves. */
export async function addPanel(driver: Driver, shelf: 'Sections' | 'Elements'): Promise<WebElement> {
  const button = await byRole(driver, 'button', 'Add an element');
  if ((await button.getAttribute('aria-expanded')) !== 'true') await button.click();
  const panel = await byRole(driver, 'region', 'Add');
  await (await byRole(driver, 'button', shelf, { inside: panel })).click();
  return panel;
}

/** Adds an element of a kind where the panel says that it goes. */
export async function addElement(driver: Driver, kind: string): Promise<void> {
  const panel = await addPanel(driver, 'Elements');
  await (await byRole(driver, 'button', kind, { inside: panel })).click();
}

/** Opens the card of a cell and answers it. */
export async function card(driver: Driver, property: string, view: string): Promise<WebElement> {
  const target = await cell(driver, property, view);
  await driver.actions().move({ origin: target }).doubleClick().perform();
  const opened = await byRole(driver, 'dialog', `${property} in ${view}`);
  await still(driver);
  return opened;
}

/** Chooses a link that gives a file, and answers the text of what was saved under a name. */
export async function savedBy(driver: Driver, link: WebElement, name: string): Promise<string> {
  const folder = await mkdtemp(join(tmpdir(), 'dimorphe-saved-'));
  await driver.sendDevToolsCommand('Browser.setDownloadBehavior', {
    behavior: 'allow',
    downloadPath: folder,
  });
  await link.click();
  await eventually(`the file ${name}`, async () => (await readdir(folder)).includes(name));
  const text = await readFile(join(folder, name), 'utf8');
  await rm(folder, { recursive: true });
  return text;
}

/** Closes the card that is open. */
export async function closeCard(driver: Driver): Promise<void> {
  await driver.actions().sendKeys(Key.ESCAPE).perform();
  await eventually(
    'no card',
    async () => (await driver.findElements(By.css('.MuiPopover-root'))).length === 0,
  );
}
