/** What stays at the edges of the window, added in the workbench and seen as visitors see it. */
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import type { LivePublication } from '../../api/responses.ts';
import { byRole, eventually, resize, visit } from './browser.ts';
import { addElement, cell, inSheet, kept, expectStep, selectInOutline, useBench } from './workbench.ts';

const axe = await readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Box {
  top: number;
  bottom: number;
  left: number;
  right: number;
}

describe('what stays at the edges of the window', function () {
  this.timeout(150_000);
  const bench = useBench();
  const press = async (role: string, name: string | RegExp) =>
    (await byRole(bench.driver, role, name)).click();
  const media = (features: { name: string; value: string }[], type = '') =>
    bench.driver.sendDevToolsCommand('Emulation.setEmulatedMedia', { media: type, features });
  const boxOf = (selector: string) =>
    bench.driver.executeScript<Box>(
      'const { top, bottom, left, right } = document.querySelector(arguments[0]).getBoundingClientRect(); return { top, bottom, left, right }',
      selector,
    );
  const styleOf = (selector: string, name: string) =>
    bench.driver.executeScript<string>(
      'return getComputedStyle(document.querySelector(arguments[0]))[arguments[1]]',
      selector,
      name,
    );
  const scrollTo = async (top: number) => {
    await bench.driver.executeScript('scrollTo(0, arguments[0])', top);
    await bench.driver.executeAsyncScript('requestAnimationFrame(() => requestAnimationFrame(arguments[0]))');
  };
  let live: LivePublication;

  it('is added to the page whatever is selected, and put on all pages', async () => {
    const { driver, running } = bench;
    for (const name of ['Contact bar', 'Back-to-top button']) {
      await addElement(driver, name);
      await expectStep(driver, new RegExp(`${name} added to Home`));
      await press('button', 'Put on all pages …');
      await press('button', 'Put on all pages');
      await expectStep(driver, `${name}: now on all pages`);
    }
    // It has no place among the sections, by keys or in the list of them.
    await selectInOutline(driver, 'Contact bar');
    await driver.actions().keyDown(Key.ALT).sendKeys(Key.ARROW_UP).keyUp(Key.ALT).perform();
    await expectStep(driver, /^Contact bar stays at an edge of the window/);
    await selectInOutline(driver, 'Home');
    await (await cell(driver, 'Order of parts', 'Mobile')).click();
    await driver.actions().sendKeys(Key.ENTER).perform();
    const places = await driver.findElements(By.css('ol[aria-label="Order in Mobile"] li'));
    const listed = await Promise.all(places.map((each) => each.getText()));
    expect(listed[0]).to.match(/^Header/);
    expect(listed.at(-1)).to.match(/^Footer/);
    await driver.actions().sendKeys(Key.ESCAPE).perform();
    // In a sheet, which is as tall as its page, both are at the page's end.
    const [page, strip, up] = await Promise.all(
      ['page', 'strip', 'up'].map((kind) =>
        inSheet<Box>(
          driver,
          'Desktop',
          'opening',
          `const { top, bottom, left, right } = element.ownerDocument.querySelector('.${kind}').getBoundingClientRect(); return { top, bottom, left, right }`,
        ),
      ),
    );
    expect(strip.bottom).to.be.closeTo(page.bottom, 0.5);
    expect(up.bottom).to.be.closeTo(page.bottom - 72 - 16, 0.5);
    await kept(driver);
    const answer = await fetch(running.url + paths.publications('brindle-hill'), { method: 'POST' });
    live = (await answer.json()) as LivePublication;
  });

  it('lies at the lower edge while a page is read, and below its foot at the end, in four widths', async () => {
    const { driver } = bench;
    for (const width of [320, 768, 1280, 1600]) {
      await resize(driver, width, 800);
      for (const path of ['', 'visits/']) {
        await visit(driver, live.url + path);
        for (const top of [0, 900]) {
          await scrollTo(top);
          expect((await boxOf('.strip')).bottom, `${width} px, ${path}, at ${top}`).to.be.closeTo(800, 0.5);
        }
        await scrollTo(1_000_000);
        const strip = await boxOf('.strip');
        expect(strip.bottom).to.be.closeTo(800, 0.5);
        expect((await boxOf('footer')).bottom).to.be.closeTo(strip.top, 0.5);
        for (const action of await driver.executeScript<Box[]>(
          'return [...document.querySelectorAll(".strip a")].map((each) => each.getBoundingClientRect().toJSON())',
        )) {
          expect(action.right - action.left, 'as wide as a thumb').to.be.at.least(44);
          expect(action.bottom - action.top, 'as high as a thumb').to.be.at.least(44);
        }
        const up = await boxOf('.up');
        expect(up.bottom).to.be.at.most(strip.top);
        expect(up.right).to.be.closeTo(width - 16, 0.5);
      }
    }
  });

  it('leads back up once a window’s height was read, and the focus goes on at the top', async () => {
    const { driver } = bench;
    await resize(driver, 390, 800);
    for (const motion of ['no-preference', 'reduce']) {
      await media([{ name: 'prefers-reduced-motion', value: motion }]);
      await visit(driver, live.url);
      const isUp = (visibility: string) =>
        eventually(`the back-to-top button is ${visibility}, ${motion}`, async () =>
          (await styleOf('.up', 'visibility')) === visibility ? true : undefined,
        );
      await isUp('hidden');
      await scrollTo(900);
      await isUp('visible');
      await press('link', 'Back to the top');
      await eventually('the top is there, with the focus', () =>
        driver.executeScript('return scrollY === 0 && document.activeElement.id === "top-of-page"'),
      );
      await driver.actions().sendKeys(Key.TAB).perform();
      expect(await driver.executeScript('return Boolean(document.activeElement.closest("header"))')).to.equal(
        true,
      );
    }
  });

  it('covers nothing that takes the focus, has names, and is not printed', async () => {
    const { driver } = bench;
    await resize(driver, 390, 800);
    await visit(driver, live.url);
    // One after the other takes the focus, as with the tabulator; none lies under the strip then.
    const covered = await driver.executeScript<string[]>(`
      const strip = document.querySelector('.strip').getBoundingClientRect();
      const links = [...document.querySelectorAll('main a, footer a')].filter((link) => link.getClientRects().length > 0);
      scrollTo(0, 0);
      return links.filter((link) => {
        link.focus();
        const { top, bottom } = link.getBoundingClientRect();
        return bottom > strip.top + 0.5 && top < strip.bottom;
      }).map((link) => link.textContent);`);
    expect(covered).to.deep.equal([]);
    await driver.executeScript(axe);
    const violations = await driver.executeAsyncScript<string[]>(
      `axe.run({ include: [['.strip'], ['.up']] }).then((result) => arguments[0](result.violations.map(({ id }) => id)))`,
    );
    expect(violations).to.deep.equal([]);
    await media([], 'print');
    expect([await styleOf('.strip', 'display'), await styleOf('.up', 'display')]).to.deep.equal([
      'none',
      'none',
    ]);
    await media([]);
  });

  it('covers the page for a while when it is opened, goes by itself, at a touch or a key, and never moves for who asked for that', async () => {
    const { driver, running } = bench;
    await addElement(driver, 'Splash screen');
    await expectStep(driver, /Splash screen added to Home/);
    await kept(driver);
    await fetch(running.url + paths.publications('brindle-hill'), { method: 'POST' });
    await resize(driver, 390, 800);
    const over = () =>
      driver.executeScript<boolean>(
        'return Boolean(document.elementFromPoint(195, 400)?.closest(".openingscreen"))',
      );
    /** Opens the page with its animations where they begin, however long opening it has taken. */
    const opened = async () => {
      await visit(driver, live.url);
      await driver.executeScript(
        'for (const each of document.querySelector(".openingscreen").getAnimations()) { each.pause(); each.currentTime = 0; }',
      );
    };
    const at = (ms: number) =>
      driver.executeScript<string>(
        'const screen = document.querySelector(".openingscreen"); for (const each of screen.getAnimations()) each.currentTime = arguments[0]; const { visibility, opacity, transform } = getComputedStyle(screen); return [visibility, opacity, transform].join(" ")',
        ms,
      );
    await media([{ name: 'prefers-reduced-motion', value: 'no-preference' }]);
    await opened();
    expect(await over()).to.equal(true);
    expect(await at(1500)).to.equal('visible 1 none');
    expect(await at(2100)).to.match(/^visible 0\.\d+ none$/);
    expect(await at(2200)).to.equal('hidden 0 none');
    expect(await over()).to.equal(false);
    await opened();
    await driver.actions().move({ x: 195, y: 400 }).click().perform();
    expect(await over(), 'touched').to.equal(false);
    await opened();
    await driver.actions().sendKeys(Key.TAB).perform();
    expect(await over(), 'the keyboard is in the page').to.equal(false);
    await media([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
    await opened();
    expect([await at(1499), await at(1501)]).to.deep.equal(['visible 1 none', 'hidden 0 none']);
    await media([]);
    // Who hears the page has it at once.
    expect(
      await driver.executeScript(
        'return document.querySelector(".openingscreen").getAttribute("aria-hidden")',
      ),
    ).to.equal('true');
    await media([], 'print');
    expect(await styleOf('.openingscreen', 'display')).to.equal('none');
    await media([]);
  });
});
