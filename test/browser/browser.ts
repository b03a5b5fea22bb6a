/** Chromium for tests, and finding things in a page as a person with assistive technology would: by role and name. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, type WebDriver, type WebElement } from 'selenium-webdriver';
import { Options, ServiceBuilder, type Driver } from 'selenium-webdriver/chrome.js';

export interface Browser {
  driver: Driver;
  close(): Promise<void>;
}

/** `zoom`: how much larger than usual pages are shown, as people set it in their browser; 1 is as usual. */
export async function openBrowser({ zoom = 1 } = {}): Promise<Browser> {
  const profile = mkdtempSync(join(tmpdir(), 'dimorphe-chromium-'));
  const options = new Options();
  options.setChromeBinaryPath('/usr/bin/chromium');
  // Chromium counts zoom in steps of 1.2.
  options.setUserPreferences({
    partition: { default_zoom_level: { x: Math.log(zoom) / Math.log(1.2) } },
  });
  options.addArguments(
    '--headless=new',
    '--no-sandbox',
    '--disable-gpu',
    // Elements say the role and the name that assistive technology is told of them.
    '--enable-blink-features=ComputedAccessibilityInfo',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // Menus and dialogs stand at once where they will stand, so that a click meets what it aimed at.
    '--force-prefers-reduced-motion',
    '--force-color-profile=srgb',
    '--hide-scrollbars',
    '--lang=en-GB',
    `--user-data-dir=${profile}`,
  );
  const driver = (await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
    .build()) as Driver;
  // People who have been told what is where; a newcomer is one who says so.
  await driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
    source: `try {
      if (sessionStorage.getItem('anew')) { localStorage.clear(); sessionStorage.removeItem('anew'); }
      if (!sessionStorage.getItem('newcomer')) localStorage.setItem('dimorphe.places', 'told');
    } catch {}`,
  });
  await driver.manage().setTimeouts({ script: 60_000 });
  await resize(driver, 1280, 800);
  return {
    driver,
    async close() {
      await driver.quit();
      rmSync(profile, { recursive: true, force: true, maxRetries: 3 });
    },
  };
}

/** Lets the next page of the same origin find nothing of what the browser remembers, whatever the page that is left still writes. */
export const beginAnew = (driver: Driver): Promise<void> =>
  driver.executeScript(`sessionStorage.setItem('anew', 'yes')`);

/** A true viewport of the size; the window's own size would lose the height of a title bar. */
export const resize = (driver: Driver, width: number, height: number) =>
  driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: false,
  });

/** Takes the network away from the page, or gives it back; each answer then takes `latency` ms longer. */
export async function online(driver: Driver, on: boolean, latency = 0): Promise<void> {
  await driver.sendDevToolsCommand('Network.enable', {});
  const throughput = { latency, downloadThroughput: -1, uploadThroughput: -1 };
  await driver.sendDevToolsCommand('Network.emulateNetworkConditions', { offline: !on, ...throughput });
}

/** Elements that can have a role, by selector; the browser then says which role and name they really have. */
const CANDIDATES: Record<string, string> = {
  button: 'button, [role=button]',
  region: 'section[aria-label], [role=region]',
  link: 'a[href]',
  textbox: 'input:not([type=checkbox], [type=radio]), textarea, [role=textbox]',
  checkbox: 'input[type=checkbox]',
  radio: 'input[type=radio]',
  heading: 'h1, h2, h3, h4, h5, h6',
  combobox: '[role=combobox], select',
  table: 'table',
  option: '[role=option]',
  spinbutton: 'input[type=number]',
  slider: '[role=slider], input[type=range]',
  image: 'img, [role=img]',
};

/** ms to wait for what has to come: long, as a machine may be slow, and only what never comes takes so long. */
const WAIT = 45_000;

export interface Wanted {
  /** Only below this element. */
  inside?: WebElement;
  /** ms to wait for it to appear. */
  within?: number;
}

/**
 * The first displayed element with a role and a name, as the browser tells them to assistive technology; else what the candidates may be
 * called. The browser works long on what it tells, and is asked only about those that may be it. What can be ticked or drawn may be drawn
 * by what lies behind it.
 */
const FOUND = `
  const [inside, candidates, role, name, pattern, flags] = arguments;
  const fits = (label) => (pattern === null ? label === name : new RegExp(pattern, flags).test(label));
  const guesses = (element) => {
    const labelled = (element.getAttribute('aria-labelledby') || '').split(' ').map((id) => document.getElementById(id)?.textContent || '').join(' ');
    const labels = [...(element.labels || [])].map((label) => label.textContent).join(' ');
    return [element.getAttribute('aria-label'), labelled, labels, element.textContent].map((text) => (text || '').trim());
  };
  const drawn = (element) =>
    ['checkbox', 'radio', 'slider'].includes(role) ||
    (element.checkVisibility({ opacityProperty: true, visibilityProperty: true }) && element.getClientRects().length > 0);
  const told = (element) => element.closest('[aria-hidden=true], [inert]') === null;
  const all = [...(inside || document).querySelectorAll(candidates)].map((element) => ({ element, guess: guesses(element) }));
  const found = all.find(
    ({ element, guess }) =>
      guess.some(fits) && told(element) && drawn(element) && element.computedRole === role && fits((element.computedName || '').replaceAll('\u200b', '').trim()),
  );
  return found?.element ?? all.slice(0, 40).map(({ guess }) => guess.find(Boolean) ?? '');`;

/** The first displayed element with a role whose accessible name is the text, or matches the pattern. */
export async function byRole(
  driver: WebDriver,
  role: string,
  name: string | RegExp,
  { inside, within = WAIT }: Wanted = {},
): Promise<WebElement> {
  const wanted = typeof name === 'string' ? [name, null, ''] : ['', name.source, name.flags];
  const until = Date.now() + within;
  let seen: string[] = [];
  do {
    const found = await driver.executeScript<WebElement | string[]>(
      FOUND,
      inside ?? null,
      CANDIDATES[role] ?? `[role=${role}]`,
      role,
      ...wanted,
    );
    if (!Array.isArray(found)) return found;
    seen = found;
    await pause(50);
  } while (Date.now() < until);
  throw new Error(`There is no ${role} named ${String(name)}. There are: ${seen.join(' | ')}`);
}

export const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Waits until a question is answered with something true; says what was waited for when it never is. */
export async function eventually<T>(
  what: string,
  ask: () => Promise<T>,
  within = WAIT,
): Promise<NonNullable<T>> {
  const until = Date.now() + within;
  let last: unknown;
  do {
    try {
      const answer = await ask();
      if (answer) return answer;
      last = answer;
    } catch (error) {
      last = error;
    }
    await pause(60);
  } while (Date.now() < until);
  throw new Error(`Waited in vain: ${what}. Last: ${String(last)}`);
}

/** Waits until nothing on screen moves any more: what was under way is over, and two frames have been drawn since. */
export const still = (driver: WebDriver): Promise<void> =>
  driver.executeAsyncScript(`
    const done = arguments[0];
    const wait = () => {
      const under = document.getAnimations().filter((each) =>
        // What follows the scrolling is over when that is, and not by itself.
        each.playState === 'running' && each.timeline === document.timeline && each.effect.getComputedTiming().iterations !== Infinity);
      if (under.length > 0) Promise.allSettled(under.map((each) => each.finished)).then(wait);
      else requestAnimationFrame(() => requestAnimationFrame(() => done()));
    };
    wait();`);

/** Opens a published page and waits until the browser says that all of it is there, its style sheet too. */
export async function visit(driver: WebDriver, address: string): Promise<void> {
  await driver.get(address);
  await eventually('the whole page', () =>
    driver.executeScript<boolean>(
      `return document.readyState === 'complete' && [...document.querySelectorAll('link[rel=stylesheet]')].every((link) => link.sheet !== null)`,
    ),
  );
}
