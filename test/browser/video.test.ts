/** A video behind a page: chosen in the workbench, seen as visitors see it. */
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import type { LivePublication } from '../../api/responses.ts';
import { byRole, eventually, resize, visit } from './browser.ts';
import { card, inSheet, kept, expectStep, selectInOutline, useBench } from './workbench.ts';

const axe = await readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

describe('a video behind a page', function () {
  this.timeout(150_000);
  const bench = useBench();
  const media = (motion: 'reduce' | 'no-preference', type = '') =>
    bench.driver.sendDevToolsCommand('Emulation.setEmulatedMedia', {
      media: type,
      features: [{ name: 'prefers-reduced-motion', value: motion }],
    });
  const publish = async () =>
    (await (
      await fetch(bench.running.url + paths.publications('brindle-hill'), { method: 'POST' })
    ).json()) as LivePublication;
  /** What the page fetched that is a film. */
  const films = () =>
    bench.driver.executeScript<string[]>(
      'return performance.getEntriesByType("resource").map(({ name }) => name).filter((name) => name.endsWith(".webm"))',
    );
  const shown = (selector: string) =>
    bench.driver.executeScript<boolean>(
      'return [...document.querySelectorAll(arguments[0])].some((each) => each.checkVisibility())',
      selector,
    );
  const plays = () =>
    bench.driver.executeScript<boolean>(
      'const film = document.querySelector(".film video"); return !film.paused && film.muted && film.currentTime > 0',
    );
  afterEach(() => media('reduce'));

  it('is one of the videos on the shelf, in the view in which it is chosen', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Home');
    const inside = await card(driver, 'Background video', 'Desktop');
    const films = await byRole(driver, 'group', 'Videos of the site', { inside });
    expect(await films.getText()).to.match(/none\s+Turning sky/);
    await (await byRole(driver, 'button', 'Turning sky', { inside })).click();
    await expectStep(driver, /background video/i);
    await (
      await byRole(driver, 'button', 'none', { inside: await card(driver, 'Background video', 'Mobile') })
    ).click();
    await expectStep(driver, /background video in Mobile.* → none/);
    // Nothing moves in it here, where less motion is asked for.
    const still = `return [...element.ownerDocument.querySelectorAll('.film, .film-stop')].map((each) => getComputedStyle(each).display).join()`;
    await eventually(
      'the video is in the sheet',
      async () => (await inSheet<string>(driver, 'Desktop', 'opening', still)) === 'none,none',
    );
    await kept(driver);
  });

  it('plays behind all of the page, and can be stopped by a touch and by the keyboard', async () => {
    const { driver } = bench;
    const live = await publish();
    await media('no-preference');
    await resize(driver, 1280, 800);
    await visit(driver, live.url);
    await eventually('the video plays', plays);
    const box = await driver.executeScript<number[]>(
      'const { left, top, width, height } = document.querySelector(".film").getBoundingClientRect(); return [left, top, width, height]',
    );
    expect(box).to.deep.equal([0, 0, 1280, 800]);
    // What is read lies over it, wherever it is touched.
    expect(
      await driver.executeScript(
        'return document.elementsFromPoint(640, 400).findIndex((each) => each.closest(".film")) > document.elementsFromPoint(640, 400).findIndex((each) => each.closest("main"))',
      ),
    ).to.equal(true);
    const stop = await byRole(driver, 'checkbox', 'Stop the video');
    const target = await driver.executeScript<number>(
      'return arguments[0].closest("label").getBoundingClientRect().height',
      stop,
    );
    expect(target, 'px; WCAG 2.2, 2.5.8').to.be.at.least(24);
    await stop.click();
    expect(await shown('.film')).to.equal(false);
    await stop.sendKeys(Key.SPACE);
    expect(await shown('.film')).to.equal(true);
    await media('no-preference', 'print');
    expect(await shown('.film, .film-stop'), 'on paper').to.equal(false);
  });

  it('is as good for assistive technology as the page without it', async () => {
    const { driver } = bench;
    const { url } = await publish();
    for (const width of [700, 1280]) {
      await resize(driver, width, 800);
      await media('no-preference');
      await visit(driver, url);
      await eventually('the video plays', plays);
      await driver.executeScript(axe);
      const found = await driver.executeAsyncScript<{ id: string; nodes: { html: string }[] }[]>(
        'axe.run(document).then(({ violations }) => arguments[0](violations))',
      );
      expect(found.map(({ id, nodes }) => `${id}: ${nodes[0].html}`)).to.deep.equal([]);
    }
  });

  it('is not fetched where less motion is asked for, nor in a view that has none', async () => {
    const { driver } = bench;
    await bench.driver.sendDevToolsCommand('Network.setCacheDisabled', { cacheDisabled: true });
    const { url } = await publish();
    const fetched = async (motion: 'reduce' | 'no-preference', width: number) => {
      await media(motion);
      await resize(driver, width, 800);
      await visit(driver, url);
      await driver.executeAsyncScript('requestIdleCallback(() => arguments[0]())');
      return films();
    };
    await media('no-preference');
    await resize(driver, 1280, 800);
    await visit(driver, url);
    await eventually('the video is fetched', async () => (await films()).length === 1);
    expect(await fetched('reduce', 1280)).to.deep.equal([]);
    expect(await fetched('no-preference', 390)).to.deep.equal([]);
    expect(await shown('.film, .film-stop')).to.equal(false);
  });
});
