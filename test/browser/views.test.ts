/** The views of a site: changing, adding and deleting them, on their screen and on the width bar. */
import { expect } from 'chai';
import pixelmatch from 'pixelmatch';
import { PNG } from 'pngjs';
import { By, Key } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import type { SiteResponse } from '../../api/responses.ts';
import { files as pictures, made, onlyPages, site, view } from '../core/acting.ts';
import { editor } from '../server/editing.ts';
import { byRole, eventually, openBrowser, resize, still, visit } from './browser.ts';
import { fileServer } from './files.ts';
import { computed, kept, expectStep, sheet, useBench } from './workbench.ts';

describe('the views of a site', function () {
  this.timeout(120_000);
  const bench = useBench();
  const SITE = 'brindle-hill';

  const press = async (role: string, name: string | RegExp) =>
    (await byRole(bench.driver, role, name)).click();
  const toViews = async () => {
    await press('link', 'Views');
    await byRole(bench.driver, 'table', 'Views');
  };
  const views = async () =>
    ((await (await fetch(bench.running.url + paths.site(SITE))).json()) as SiteResponse).frame.views;
  const limits = async () => (await views()).list.map(({ name, from }) => `${name} ${from}`).join(', ');
  const becomes = (what: string) =>
    eventually(what, async () => ((await limits()) === what ? true : undefined));
  const fill = async (name: string, text: string) => {
    const box = await byRole(bench.driver, 'textbox', name);
    await box.click();
    await bench.driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).perform();
    await box.sendKeys(text, Key.ENTER);
  };
  const gone = (role: string) =>
    eventually(`no ${role}`, async () =>
      (await bench.driver.findElements(By.css(`[role=${role}]`))).length === 0 ? true : undefined,
    );
  const undo = () => press('button', /^Undo/);
  const BEFORE = 'Mobile 0, Tablet 640, Desktop 1024, Wide 1440';

  it('are changed on their screen: name, limit, sheet and grid; what cannot be is refused with a sentence', async () => {
    await toViews();
    await press('button', 'Common devices, Mobile');
    await press('menuitem', /^Small phone/);
    await gone('menu');
    await press('button', 'Turn the sheet of Mobile to 568 × 320');
    await expectStep(bench.driver, 'View Mobile: sheet 568 × 320 px');
    await fill('From, Tablet', '700 px');
    await becomes('Mobile 0, Tablet 700, Desktop 1024, Wide 1440');
    await fill('Name, Tablet', 'Slate');
    await becomes('Mobile 0, Slate 700, Desktop 1024, Wide 1440');
    await press('button', 'Common devices, Slate');
    await press('menuitem', /^Small tablet/);
    await gone('menu');
    await expectStep(bench.driver, 'View Slate: sheet 744 × 1133 px');
    await fill('Columns, Slate', '8');
    await fill('Content max., Slate', 'fluid');
    await expectStep(bench.driver, 'View Slate: grid changed');
    // On its side it would be as wide as a desktop.
    await press('button', 'Turn the sheet of Slate to 1133 × 744');
    await expectStep(bench.driver, /as wide as the view allows/);
    await fill('From, Slate', '1010');
    await expectStep(
      bench.driver,
      /^Desktop would start 14 px after Slate; views start at least 40 px apart/,
    );
    await kept(bench.driver);
    const { list } = await views();
    expect(list[0].sheet).to.deep.equal({ width: 568, height: 320 });
    expect(list[1].grid).to.deep.equal({ columns: 8, gutter: 24, margin: 40, maxWidth: 4000 });
  });

  it('are added in the widest gap, and deleted with what is set in them told and handed over as chosen', async () => {
    await toViews();
    await press('button', 'Add a view …');
    const from = await byRole(bench.driver, 'textbox', 'Starts at, px');
    // Slate begins at 700 by now: between it and the narrowest sheet lie 500 px, the most there are up to 1920.
    expect(await from.getAttribute('value')).to.equal('450');
    await (await byRole(bench.driver, 'textbox', 'Name')).sendKeys('Large mobile', Key.ENTER);
    await becomes('Mobile 0, Large mobile 450, Slate 700, Desktop 1024, Wide 1440');

    // It looks as the view that it parts: what was set there begins in it now, and goes on from it.
    await press('button', 'Delete Large mobile …');
    const dialog = await byRole(bench.driver, 'dialog', 'Delete Large mobile');
    expect(await dialog.getText()).to.match(/0 moved to Slate, \d+ deleted/);
    await press('checkbox', 'Move size of Headline');
    expect(await dialog.getText()).to.match(/1 moved to Slate, \d+ deleted/);
    await (await byRole(bench.driver, 'button', 'Delete', { inside: dialog })).click();
    await becomes('Mobile 0, Slate 700, Desktop 1024, Wide 1440');
    await expectStep(
      bench.driver,
      /^View Large mobile: deleted, 1 value moved to Slate, \d+ values dropped$/,
    );
    await gone('dialog');
    await undo();
    await becomes('Mobile 0, Large mobile 450, Slate 700, Desktop 1024, Wide 1440');
  });

  it('have another base, or are those of a ready-made set', async () => {
    await toViews();
    await press('radio', 'Slate is the base');
    await expectStep(bench.driver, 'Base: Desktop → Slate');
    await press('button', 'Ready-made sets …');
    const dialog = await byRole(bench.driver, 'dialog', 'Ready-made sets of views');
    await press('radio', /^Mobile, tablet, desktop and wide/);
    expect(await dialog.getText()).to.match(/Large mobile goes/);
    await press('button', 'Use this set');
    await becomes('Mobile 0, Slate 640, Desktop 1024, Wide 1440');
    expect((await views()).base).to.equal('desktop');
    await fill('Name, Slate', 'Tablet');
    await becomes(BEFORE);
  });

  it('begin where their edge on the width bar is drawn to, and the sheet follows it', async () => {
    const { driver } = bench;
    const edge = await byRole(driver, 'slider', 'Where Desktop begins');
    const pull = (x: number) =>
      driver.actions({ async: true }).move({ origin: edge }).press().move({ origin: edge, x });
    const heading = () => computed(driver, 'Desktop', 'headline', 'text-align');
    expect(await heading()).to.be.a('string');
    await pull(40).perform();
    const from = Number(await edge.getAttribute('aria-valuenow'));
    expect(from).to.be.within(1060, 1200);
    // The sheet is as wide as the view would begin, and already shows it.
    await sheet(driver, 'Desktop');
    await byRole(driver, 'region', `Sheet: Desktop, ${from} px`);
    expect(await limits()).to.equal(BEFORE);
    await driver.actions().sendKeys(Key.ESCAPE).perform();
    await driver.actions().release().perform();
    await byRole(driver, 'region', 'Sheet: Desktop, 1280 px');
    expect(await edge.getAttribute('aria-valuenow')).to.equal('1024');

    await pull(40).release().perform();
    await becomes(BEFORE.replace('1024', String(from)));
    await edge.sendKeys(Key.ARROW_LEFT);
    await becomes(BEFORE.replace('1024', String(from - 1)));
    await undo();
    await becomes(BEFORE.replace('1024', String(from)));
    await undo();
    await becomes(BEFORE);
  });

  it('are added at the marker, too', async () => {
    const marker = await byRole(bench.driver, 'slider', 'Width of the sheet');
    await marker.sendKeys(Key.PAGE_DOWN, Key.PAGE_DOWN, Key.chord(Key.SHIFT, Key.ARROW_RIGHT));
    await press('button', 'Add a view from 650 px');
    await expectStep(bench.driver, /^Tablet 650 would start 10 px after Tablet/);
    for (let count = 0; count < 5; count += 1) await marker.sendKeys(Key.chord(Key.SHIFT, Key.ARROW_RIGHT));
    await press('button', 'Add a view from 700 px');
    await becomes('Mobile 0, Tablet 640, Tablet 700 700, Desktop 1024, Wide 1440');
    await byRole(bench.driver, 'region', 'Sheet: Tablet 700, 700 px');
    await undo();
    await becomes(BEFORE);
  });

  it('have room on their screen, on the width bar and in the ledger where there are eight of them, at 1024 px', async () => {
    const { driver, running } = bench;
    const others = editor(() => running.url, 'others');
    let on = site;
    const steps = [480, 800, 1200, 1700].map((from) => {
      const step = made('addView', { id: view(`v${from}`), name: `View ${from}`, from }, undefined, on);
      on = step.site;
      return step;
    });
    for (const { operations } of steps) await others.made(operations);
    await resize(driver, 1024, 768);
    await byRole(driver, 'button', /^View 1700/);
    await still(driver);
    const boxes = (selector: string) =>
      driver.executeScript<[number, number][]>(
        `return [...document.querySelectorAll(arguments[0])].map((each) => each.getBoundingClientRect()).map(({ left, right }) => [left, right])`,
        selector,
      );
    const apart = (list: readonly [number, number][]) =>
      list.every(([left], index) => index === 0 || left >= list[index - 1][1]);
    const numbers = await boxes('.ruler-number');
    expect(numbers.length).to.be.greaterThan(2);
    expect(apart(numbers), 'numbers of the ruler').to.equal(true);

    expect(await driver.executeScript('return document.documentElement.scrollWidth')).to.equal(1024);
    await toViews();
    await still(driver);
    const pictures = await boxes('.views thead iframe');
    expect(pictures).to.have.length(8);
    const shown = await boxes('.views thead th > div');
    expect(apart(shown), 'images of views').to.equal(true);
    for (const { inverse } of steps.reverse()) await others.made(inverse);
    await becomes(BEFORE);
  });

  it('look the same to the pixel with any of them the base', async () => {
    const browser = await openBrowser();
    const files = await fileServer();
    try {
      let visitor = 0;
      const pictured = async (address: string, width: number) => {
        await resize(browser.driver, width, 2400);
        // Each time another visitor: a browser that has a larger image already goes on showing that.
        await visit(browser.driver, address.replace(/\/$/, `~${visitor++}/`));
        const drawn = await browser.driver.executeAsyncScript(
          `const done = arguments[0];
           const whole = async (image, tries = 20) => {
             Object.assign(image, { loading: 'eager', decoding: 'sync' });
             // Decoding is refused where another size of the picture is chosen meanwhile.
             await image.decode().catch((fault) => {
               if (tries === 0) throw fault;
               return new Promise(requestAnimationFrame).then(() => whole(image, tries - 1));
             });
           };
           Promise.all([document.fonts.ready, ...[...document.images].map((image) => whole(image))])
             .then(() => requestAnimationFrame(() => requestAnimationFrame(() => done('whole'))))
             .catch((fault) => done(String(fault)));`,
        );
        expect(drawn).to.equal('whole');
        return PNG.sync.read(Buffer.from(await browser.driver.takeScreenshot(), 'base64'));
      };
      const home = onlyPages(site, 'home');
      const before = await files.put('before', home, pictures);
      for (const base of ['mobile', 'wide']) {
        const after = await files.put(
          base,
          onlyPages(made('setBase', { view: view(base) }).site, 'home'),
          pictures,
        );
        for (const { sheet: shown } of site.frame.views.list) {
          const [one, other] = [await pictured(before, shown.width), await pictured(after, shown.width)];
          const { width, height } = one;
          expect([other.width, other.height]).to.deep.equal([width, height]);
          const apart = pixelmatch(one.data, other.data, undefined, width, height, { threshold: 0 });
          expect(apart, `${base}, ${shown.width} px`).to.equal(0);
        }
      }
    } finally {
      await browser.close();
      files.close();
    }
  });
});
