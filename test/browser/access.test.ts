/** axe-core 4.14 finds no violation of WCAG 2.2 A and AA, or of its best practices, on what people and visitors see. */
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { expect } from 'chai';
import { paths } from '../../api/paths.ts';
import { DEMO_PAGES } from '../../demo/site.ts';
import { byRole, resize, still, visit } from './browser.ts';
import { cell, chooseView, openBench, selectInOutline, type Bench } from './workbench.ts';
import { By, Key } from 'selenium-webdriver';

/** The addresses of all pages of the demo site. */
const PUBLISHED = [
  ...['', 'tonight/', 'visits/', 'telescope-hire/', 'journal/', 'journal-the-shutter/'],
  ...['journal-the-comet/', 'find-us/'],
];

const axeSource = await readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

describe('access', function () {
  this.timeout(120_000);
  let bench: Bench;
  before(async () => {
    bench = await openBench({ demo: DEMO_PAGES });
    await fetch(bench.running.url + paths.publications('brindle-hill'), { method: 'POST' });
  });
  after(() => bench?.end());

  async function violations(): Promise<string[]> {
    const { driver } = bench;
    await still(driver);
    await driver.executeScript(axeSource);
    const scheme = (value: string) =>
      driver.sendDevToolsCommand('Emulation.setEmulatedMedia', {
        features: [{ name: 'prefers-color-scheme', value }],
      });
    // The sheets show a site's own pages, which are judged on their own.
    const found = (only?: string) =>
      driver.executeAsyncScript<string[]>(
        `const [only, done] = arguments;
       axe.run({ exclude: [['iframe']] }, { iframes: false, resultTypes: ['violations'], ...(only && { runOnly: [only] }) }).then((result) => done(result.violations.flatMap((violation) => violation.nodes.map((node) => violation.id + ': ' + node.target.join(' ') + ' — ' + (node.failureSummary || '').split('\\n').slice(1, 3).join('; ')))), (error) => done([String(error)]));`,
        only ?? null,
      );
    const usual = await found();
    await scheme('dark');
    await still(driver);
    const dark = await found('color-contrast');
    await scheme('light');
    await still(driver);
    return [...usual, ...dark.map((each) => `on dark ground, ${each}`)];
  }

  it('to the list of sites', async () => {
    await resize(bench.driver, 1280, 800);
    await bench.driver.get(bench.running.url);
    await byRole(bench.driver, 'heading', 'Your sites');
    expect(await violations()).to.deep.equal([]);
    await (await byRole(bench.driver, 'button', 'New site')).click();
    await byRole(bench.driver, 'dialog', 'New site');
    expect(await violations(), 'a new site').to.deep.equal([]);
    await fetch(bench.running.url + paths.archived('brindle-hill'), { method: 'PUT' });
    await bench.driver.get(bench.running.url);
    await byRole(bench.driver, 'heading', 'Welcome');
    expect(await violations(), 'the first minutes').to.deep.equal([]);
    await (await byRole(bench.driver, 'button', 'Archived (1)')).click();
    await byRole(bench.driver, 'button', /^Restore/);
    expect(await violations(), 'archived').to.deep.equal([]);
    await fetch(bench.running.url + paths.archived('brindle-hill'), { method: 'DELETE' });
  });

  it('to the pages of a site, and to what is asked before one is added or deleted', async () => {
    const { driver } = bench;
    await driver.get(`${bench.running.url}/sites/brindle-hill/pages`);
    const visits = await byRole(driver, 'button', /^Visits/);
    // Of the first page the address is told and cannot be changed.
    expect(await violations(), 'the first page').to.deep.equal([]);
    await visits.click();
    expect(await violations(), 'the list').to.deep.equal([]);
    for (const [button, dialog] of [
      ['Add a page', 'Add a page'],
      ['Delete …', 'Delete Visits'],
    ]) {
      await (await byRole(driver, 'button', button)).click();
      await byRole(driver, 'dialog', dialog);
      expect(await violations(), dialog).to.deep.equal([]);
      await driver.actions().sendKeys(Key.ESCAPE).perform();
      await still(driver);
    }
  });

  it('to system messages, as usual and in words of one’s own', async () => {
    const { driver } = bench;
    await driver.get(`${bench.running.url}/sites/brindle-hill/pages`);
    await (await byRole(driver, 'button', /^Whole site/)).click();
    await (await byRole(driver, 'button', 'System messages …')).click();
    const words = await byRole(driver, 'textbox', 'This must be filled in.');
    await words.sendKeys(' Please.', Key.ENTER);
    await byRole(driver, 'button', 'Reset to default: This must be filled in.');
    expect(await violations()).to.deep.equal([]);
  });

  it('to the views of a site, and to what is told before one is deleted', async () => {
    const { driver } = bench;
    await driver.get(`${bench.running.url}/sites/brindle-hill/views`);
    await byRole(driver, 'table', 'Views');
    expect(await violations(), 'the table').to.deep.equal([]);
    for (const [button, dialog] of [
      ['Add a view …', 'Add a view'],
      ['Ready-made sets …', 'Ready-made sets of views'],
      ['Delete Mobile …', 'Delete Mobile'],
    ]) {
      await (await byRole(driver, 'button', button)).click();
      await byRole(driver, 'dialog', dialog);
      expect(await violations(), dialog).to.deep.equal([]);
      await driver.actions().sendKeys(Key.ESCAPE).perform();
      await still(driver);
    }
  });

  it('to layouts that are proposed, drawn beside the one that is there', async () => {
    const { driver } = bench;
    await driver.get(`${bench.running.url}/sites/brindle-hill/pages/home`);
    await chooseView(driver, 'Tablet');
    await selectInOutline(driver, 'Row: your own eyes');
    await (await byRole(driver, 'button', 'More for Row: your own eyes')).click();
    await (await byRole(driver, 'menuitem', 'Arrange in Tablet …')).click();
    await byRole(driver, 'group', 'Layouts');
    await still(driver);
    expect(await violations(), 'layouts').to.deep.equal([]);
    await (await byRole(driver, 'button', 'Keep it as it is')).click();
  });

  it('to what was found on a page, in a line and in the list', async () => {
    const { driver } = bench;
    await driver.get(`${bench.running.url}/sites/brindle-hill/pages/home`);
    await chooseView(driver, 'Mobile');
    await (await byRole(driver, 'button', 'Findings')).click();
    await byRole(driver, 'list', 'Findings');
    await still(driver);
    expect(await violations(), 'findings').to.deep.equal([]);
    await (await byRole(driver, 'button', 'Tree')).click();
  });

  it('to the type of a site, its curves as a table, and sizes from a scale', async () => {
    const { driver } = bench;
    await driver.get(`${bench.running.url}/sites/brindle-hill/type`);
    await byRole(driver, 'table', 'Sizes of text styles');
    expect(await violations(), 'curves').to.deep.equal([]);
    const curves = await byRole(driver, 'region', 'Curves');
    await (await byRole(driver, 'button', 'Table', { inside: curves })).click();
    await byRole(driver, 'table', 'Sizes by width');
    expect(await violations(), 'the table').to.deep.equal([]);
    await (await byRole(driver, 'button', 'Sizes from a scale …')).click();
    await byRole(driver, 'dialog', 'Sizes from a scale');
    expect(await violations(), 'the scale').to.deep.equal([]);
  });

  it('to the shelf, what it says of an image, and what is told before one is deleted', async () => {
    const { driver } = bench;
    await driver.get(`${bench.running.url}/sites/brindle-hill/shelf`);
    await (await byRole(driver, 'button', /^Dome at dusk/)).click();
    expect(await violations(), 'an image').to.deep.equal([]);
    await (await byRole(driver, 'button', 'Delete …')).click();
    await byRole(driver, 'dialog', 'Delete Dome at dusk');
    expect(await violations(), 'deleting').to.deep.equal([]);
  });

  it('to the workbench: nothing selected, an element selected, side by side, an editor open, publishing', async () => {
    const { driver } = bench;
    await bench.open();
    expect(await violations(), 'nothing selected').to.deep.equal([]);
    for (const name of [
      'Headline',
      'Row: text + dome',
      'Dome image',
      'Page links',
      'Book a night',
      'Header',
    ]) {
      await selectInOutline(driver, name);
      expect(await violations(), name).to.deep.equal([]);
    }
    await (await byRole(driver, 'button', 'Add an element')).click();
    for (const shelf of ['Sections', 'Elements', 'Saved blocks']) {
      await (await byRole(driver, 'button', shelf)).click();
      expect(await violations(), shelf).to.deep.equal([]);
    }
    await (await byRole(driver, 'button', 'Close Add')).click();
    await (await byRole(driver, 'button', 'Overview')).click();
    await byRole(driver, 'button', /^Invitation, [\d,]+ px in Mobile/);
    expect(await violations(), 'overview').to.deep.equal([]);
    await (await byRole(driver, 'button', 'Side by side')).click();
    expect(await violations(), 'side by side').to.deep.equal([]);
    for (const [name, property] of [
      ['Headline', 'Size'],
      ['Headline', 'Colour'],
      ['Headline', 'Align text'],
      ['Dome image', 'Image'],
      ['Dome image', 'Width'],
      ['Dome image', 'Place in row'],
    ] as const) {
      await selectInOutline(driver, name);
      await (await cell(driver, property, 'Mobile')).click();
      await driver.actions().sendKeys(Key.ENTER).perform();
      await byRole(driver, 'dialog', `${property} in Mobile`);
      expect(await violations(), property).to.deep.equal([]);
      await driver.actions().sendKeys(Key.ESCAPE).perform();
      await still(driver);
    }
    await (await byRole(driver, 'link', 'Publish …')).click();
    await byRole(driver, 'region', 'Must be fixed before publishing');
    expect(await violations(), 'publishing').to.deep.equal([]);
  });

  it('to an image whose crop is changed on the page', async () => {
    const { driver } = bench;
    await bench.open();
    await selectInOutline(driver, 'Saturn: image');
    await (await byRole(driver, 'button', 'More for Saturn: image')).click();
    await (await byRole(driver, 'menuitem', /^Crop in /)).click();
    await byRole(driver, 'toolbar', 'Crop of Saturn: image');
    expect(await violations()).to.deep.equal([]);
    await driver.actions().sendKeys(Key.ESCAPE).perform();
  });

  it('to the lists of the ledger, and to what is asked before a block is brought to scale or carried over', async () => {
    const { driver } = bench;
    await bench.open();
    await chooseView(driver, 'Mobile');
    for (const list of ['What differs', /^Not shown( \d+)?$/, 'Theme']) {
      await (await byRole(driver, 'button', list)).click();
      expect(await violations(), String(list)).to.deep.equal([]);
    }
    for (const [button, card] of [
      ['Step M', 'Step M'],
      [/^Colour Lamp/, 'Colour Lamp'],
    ] as const) {
      await (await byRole(driver, 'button', button)).click();
      await byRole(driver, 'dialog', card);
      expect(await violations(), card).to.deep.equal([]);
      await driver.actions().sendKeys(Key.ESCAPE).perform();
      await still(driver);
    }
    await (await byRole(driver, 'button', 'Tree')).click();
    await selectInOutline(driver, 'Row: text + dome');
    for (const entry of ['Scale content in Mobile …', 'Copy to another view …']) {
      await (await byRole(driver, 'button', 'More for Row: text + dome')).click();
      // An open menu is all there is then, and stands in no landmark.
      const problems = (await violations()).filter((each) => !each.startsWith('region:'));
      expect(problems, 'menu').to.deep.equal([]);
      await (await byRole(driver, 'menuitem', entry)).click();
      await byRole(driver, 'dialog', /^(Scale the content of|Copy overrides)/);
      expect(await violations(), entry).to.deep.equal([]);
      await driver.actions().sendKeys(Key.ESCAPE).perform();
      await still(driver);
    }
    await (await byRole(driver, 'button', 'List of steps')).click();
    expect(await violations(), 'steps').to.deep.equal([]);
    await driver.actions().sendKeys(Key.ESCAPE).perform();
  });

  it('to the workbench at 1024 and 1920 px', async () => {
    for (const width of [1024, 1920]) {
      await resize(bench.driver, width, 800);
      await bench.open();
      await selectInOutline(bench.driver, 'Headline');
      expect(await violations(), String(width)).to.deep.equal([]);
      expect(
        await bench.driver.executeScript('return document.documentElement.scrollWidth <= innerWidth'),
      ).to.equal(true);
    }
  });

  it('to all of it in half the width and height, as where a window is zoomed to 200 % (WCAG 2.2, 1.4.4)', async () => {
    const { driver } = bench;
    await resize(driver, 640, 400);
    await bench.open();
    const inSight = (selector: string) =>
      driver.executeScript<string[]>(
        `return [...document.querySelectorAll(arguments[0])].filter((each) => {
           const { left, right, top, bottom } = each.getBoundingClientRect();
           return left < 0 || right > innerWidth || top < 0 || bottom > innerHeight;
         }).map((each) => each.textContent || each.getAttribute('aria-label'))`,
        selector,
      );
    expect(await inSight('header a, header button')).to.deep.equal([]);
    // The desk lies beside the ledger, and is scrolled to.
    const tools = await byRole(driver, 'button', 'Overview');
    await driver.executeScript('arguments[0].scrollIntoView()', tools);
    await tools.click();
    await byRole(driver, 'button', /^Invitation, [\d,]+ px in Mobile/);
    await driver.get(`${bench.running.url}/sites/brindle-hill/views`);
    await byRole(driver, 'table', 'Views');
    for (const width of [640, 1024]) {
      await resize(driver, width, 800);
      await still(driver);
      // Images of views stay in their columns.
      const over = await driver.executeScript<number>(
        `return [...document.querySelectorAll('.views iframe')].filter((each) =>
           each.parentElement.getBoundingClientRect().right > each.closest('th').getBoundingClientRect().right).length`,
      );
      expect(over, String(width)).to.equal(0);
    }
    expect(await violations()).to.deep.equal([]);
  });

  for (const width of [390, 820, 1280, 1680]) {
    it(`to the published pages at ${width} px`, async () => {
      await resize(bench.driver, width, 900);
      for (const page of PUBLISHED) {
        await visit(bench.driver, `${bench.running.hostUrl}/brindle-hill/${page}`);
        expect(await bench.driver.findElements(By.css('body.page')), page).to.have.length(1);
        expect(await violations(), page).to.deep.equal([]);
        expect(
          await bench.driver.executeScript('return document.documentElement.scrollWidth <= innerWidth'),
          'no scrolling sideways',
        ).to.equal(true);
      }
    });
  }
});
