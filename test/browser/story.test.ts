import { expect } from 'chai';
import { By, Key, type WebElement } from 'selenium-webdriver';
import { builtPages } from '../../server/pages.ts';
import { served, type Served } from '../server/serving.ts';
import { byRole, eventually, openBrowser, resize, type Browser, visit } from './browser.ts';
import {
  cell,
  cellShows,
  chooseReach,
  chooseView,
  computed,
  inSheet,
  kept,
  expectStep,
  selectInOutline,
  sheet,
  type,
} from './workbench.ts';

/** Draws an element with the pointer, in steps, as a hand does. */
async function draw(browser: Browser, from: WebElement, by: { x: number; y: number }): Promise<void> {
  const actions = browser.driver.actions({ async: true });
  await actions
    .move({ origin: from })
    .press()
    .move({ origin: from, x: Math.round(by.x / 2), y: Math.round(by.y / 2), duration: 120 })
    .move({ origin: from, ...by, duration: 120 })
    .release()
    .perform();
}

describe('the whole story: adapt a page, publish it, find it again', function () {
  this.timeout(180_000);
  let running: Served;
  let browser: Browser;
  before(async () => {
    running = await served({ pages: builtPages });
    browser = await openBrowser();
  });
  after(async () => {
    await browser?.close();
    await running?.end();
  });

  it('as a person would', async () => {
    const { driver } = browser;

    // The list of sites leads to the home page in the workbench.
    await driver.get(running.url);
    await (await byRole(driver, 'link', 'Open Brindle Hill Observatory in the workbench')).click();
    await sheet(driver, 'Desktop');

    // Four views, each at its own width.
    for (const [view, width] of [
      ['Wide', 1680],
      ['Tablet', 820],
      ['Mobile', 390],
      ['Desktop', 1280],
    ] as const) {
      await chooseView(driver, view);
      expect(await inSheet<number>(driver, view, 'page', 'return window.innerWidth')).to.equal(width);
    }

    // A headline that scales with the width, entered as two numbers in a view that is not the active one.
    await selectInOutline(driver, 'Headline');
    await chooseReach(driver, 'Here');
    await type(driver, 'Size', 'Tablet', '40-52');
    await expectStep(driver, 'Headline: size in Tablet fluid 44–56 → fluid 40–52');
    await cellShows(driver, 'Size in Tablet: 40–52, override, here');

    // An override that goes on to Mobile; the cell there says so by having no override of its own.
    await chooseReach(driver, 'Onward');
    await type(driver, 'Line height', 'Tablet', '1.2');
    await expectStep(driver, 'Headline: line height in Tablet and onward 1.08 → 1.2');
    await chooseView(driver, 'Mobile');
    await eventually(
      'the line height in Mobile',
      async () => (await computed(driver, 'Mobile', 'headline', 'line-height')) === '40.8px',
    );

    // Hide an element in Mobile with its tile.
    await chooseReach(driver, 'Here');
    const tile = await byRole(driver, 'gridcell', /^Lead paragraph in Mobile: shown/);
    await tile.click();
    await expectStep(driver, 'Lead paragraph: hidden in Mobile');
    // As long as it is selected it stands there as a ghost.
    await selectInOutline(driver, 'Headline');
    await eventually('gone', async () => (await computed(driver, 'Mobile', 'lead', 'display')) === 'none');

    // Reorder the stacked columns of a row: drag in the active view's order.
    await selectInOutline(driver, 'Card: Saturn');
    await (await cell(driver, 'Place in row', 'Mobile')).click();
    await driver.actions().sendKeys(Key.ENTER).perform();
    const grip = await byRole(driver, 'button', 'Move Card: Saturn');
    await draw(browser, grip, { x: 0, y: 80 });
    await expectStep(driver, 'Three objects: order of parts in Mobile 1·2·3 → 2·3·1');
    await driver.actions().sendKeys(Key.ESCAPE).perform();
    expect(
      await inSheet<boolean>(
        driver,
        'Mobile',
        'saturn',
        `return element.getBoundingClientRect().top > window.document.querySelector('.n-cluster').getBoundingClientRect().top`,
      ),
    ).to.equal(true);

    // And another row by its Reverse button.
    await selectInOutline(driver, 'Text');
    await (await byRole(driver, 'button', 'Reverse the order of Row: text + dome in Mobile')).click();
    await expectStep(driver, 'Row: text + dome: order reversed in Mobile');

    // A mistake, and back.
    await type(driver, 'Gap', 'Mobile', '90');
    await expectStep(driver, /^Text: gap in Mobile 16 → 90$/);
    await driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
    await expectStep(driver, 'Undone: Text: gap in Mobile 16 → 90');
    expect(await computed(driver, 'Mobile', 'opening-words', 'row-gap')).to.equal('16px');
    await kept(driver);

    // Try it: the draft on the host's origin, without publishing.
    const workbench = await driver.getWindowHandle();
    await (await byRole(driver, 'button', 'Preview')).click();
    await eventually('a second tab', async () => (await driver.getAllWindowHandles()).length === 2);
    const draft = (await driver.getAllWindowHandles()).find((handle) => handle !== workbench)!;
    await driver.switchTo().window(draft);
    await eventually('the draft', async () =>
      (await driver.getCurrentUrl()).startsWith(`${running.hostUrl}/preview/`),
    );
    expect(await (await driver.findElement(By.css('h1'))).getText()).to.include('The dome opens at dusk');
    expect((await fetch(`${running.hostUrl}/brindle-hill/`)).status).to.equal(404);
    await driver.close();
    await driver.switchTo().window(workbench);

    // Publish, and open the published page.
    await (await byRole(driver, 'link', 'Publish …')).click();
    await (await byRole(driver, 'button', 'Publish')).click();
    await byRole(driver, 'link', 'Open the published site');
    await eventually('it is said', async () =>
      /Publication 1 is live/.test(await (await byRole(driver, 'region', 'Publish the site')).getText()),
    );
    const live = await (await byRole(driver, 'link', 'Open the published site')).getAttribute('href');
    expect(live).to.equal(`${running.hostUrl}/brindle-hill/`);

    // The published page, narrowed, is what the sheets promised.
    const published = async (id: string, property: string) =>
      driver.executeScript<string>(
        `return getComputedStyle(document.querySelector('.n-${id}')).getPropertyValue('${property}')`,
      );
    await visit(driver, live!);
    await resize(driver, 1280, 800);
    expect(await published('headline', 'font-size')).to.equal('64px');
    expect(await published('lead', 'display')).to.equal('block');
    await resize(driver, 832, 800);
    // Half way from 640 to 1024 is half way from 40 to 52.
    expect(parseFloat(await published('headline', 'font-size'))).to.be.closeTo(46, 0.01);
    expect(parseFloat(await published('headline', 'line-height'))).to.be.closeTo(46 * 1.2, 0.05);
    await resize(driver, 390, 800);
    expect(await published('headline', 'font-size')).to.equal('34px');
    expect(await published('lead', 'display')).to.equal('none');
    expect(
      await Promise.all(['saturn', 'moon', 'cluster'].map((id) => published(id, 'order'))),
    ).to.deep.equal(['2', '0', '1']);
    expect(await Promise.all(['opening-words', 'dome'].map((id) => published(id, 'order')))).to.deep.equal([
      '0',
      '1',
    ]);

    // Stop the program, start it again, and find everything as it was.
    await resize(driver, 1280, 800);
    const { folder, url, hostUrl } = running;
    await running.stop();
    const [port, hostPort] = [url, hostUrl].map((address) => Number(new URL(address).port));
    running = await served({ pages: builtPages, dataFolder: folder, port, hostPort });
    await driver.get(`${running.url}/sites/brindle-hill/pages/home`);
    await sheet(driver, 'Desktop');
    await selectInOutline(driver, 'Headline');
    await cellShows(driver, 'Size in Tablet: 40–52, override, here');
    await byRole(driver, 'gridcell', /^Lead paragraph in Mobile: not shown/);
    // Even the steps: the last one can still be undone.
    await byRole(driver, 'button', 'Undo: Row: text + dome: order reversed in Mobile');
    await byRole(driver, 'button', 'Redo: Text: gap in Mobile 16 → 90');
    expect(await (await fetch(`${running.hostUrl}/brindle-hill/`)).text()).to.include(
      'The dome opens at dusk',
    );
  });
});
