/** A header and footer that all pages share: changed on any of them, left out by some, given back to each. */
import { expect } from 'chai';
import { By } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import { byRole, eventually, openBrowser, resize, still, type Browser } from './browser.ts';
import {
  addElement,
  chooseView,
  computed,
  inSheet,
  kept,
  expectStep,
  selectInOutline,
  sheet,
  type,
  useBench,
} from './workbench.ts';

describe('what all pages share', function () {
  this.timeout(120_000);
  const bench = useBench();
  let other: Browser | undefined;
  after(() => other?.close());

  const sectionsIn = (view = 'Desktop'): Promise<string[]> =>
    inSheet(
      bench.driver,
      view,
      'page',
      'return [...element.querySelectorAll(":scope > header, :scope > footer")].map((each) => each.localName)',
    );
  const menu = async (button: string, entry: string) => {
    await (await byRole(bench.driver, 'button', button)).click();
    await still(bench.driver);
    await (await byRole(bench.driver, 'menuitem', entry)).click();
    await eventually(
      'the menu gone',
      async () => (await bench.driver.findElements(By.css('[role=menu]'))).length === 0,
    );
  };
  const undo = async () => (await byRole(bench.driver, 'button', /^Undo: /)).click();

  it('is changed on one page for all, in another window at once, and in what is published', async () => {
    other ??= await openBrowser();
    await other.driver.get(`${bench.running.url}/sites/brindle-hill/pages/hire`);
    await sheet(other.driver, 'Desktop');
    await selectInOutline(bench.driver, 'Header');
    expect(await (await byRole(bench.driver, 'note', '')).getText()).to.match(/^On all pages: a change here/);
    await selectInOutline(bench.driver, 'Page links');
    await chooseView(bench.driver, 'Tablet');
    await type(bench.driver, 'Gap', 'Tablet', '33');
    await expectStep(bench.driver, /^Page links: gap in Tablet and onward .* → 33, on all pages$/);
    await kept(bench.driver);
    await chooseView(other.driver, 'Tablet');
    await eventually(
      'the gap in the other window',
      async () => (await computed(other!.driver, 'Tablet', 'shared-head-pages', 'column-gap')) === '33px',
    );
    const published = await fetch(bench.running.url + paths.publications('brindle-hill'), { method: 'POST' });
    expect(published.ok).to.equal(true);
    await bench.driver.get(`${bench.running.hostUrl}/brindle-hill/find-us/`);
    await resize(bench.driver, 900, 700);
    const gap = await bench.driver.executeScript(
      'return getComputedStyle(document.querySelector("nav")).columnGap',
    );
    expect(gap).to.equal('33px');
  });

  it('is left out by one page, and comes back with undo', async () => {
    await bench.open('find-us');
    expect(await sectionsIn()).to.deep.equal(['header', 'footer']);
    await selectInOutline(bench.driver, 'Footer');
    await menu('Change that …', 'Leave it out on Find us');
    await expectStep(bench.driver, 'Page Find us: without the footer of all pages');
    await eventually('a page without it', async () => (await sectionsIn()).join() === 'header');
    await bench.driver.get(`${bench.running.url}/sites/brindle-hill/pages`);
    await (await byRole(bench.driver, 'button', /^Find us/)).click();
    const shows = await byRole(bench.driver, 'checkbox', 'Shows “Footer”, which all pages share');
    expect(await shows.isSelected()).to.equal(false);
    await shows.click();
    await expectStep(bench.driver, 'Page Find us: with the footer of all pages');
    await kept(bench.driver);
    await undo();
    await undo();
    await kept(bench.driver);
    await bench.open('find-us');
    expect(await sectionsIn()).to.deep.equal(['header', 'footer']);
  });

  it('is given to each page, and one of theirs is put on all again but where a page keeps its own', async () => {
    await selectInOutline(bench.driver, 'Header');
    await menu('Change that …', 'Give each page its own');
    await expectStep(bench.driver, 'Header: each page now has its own');
    await selectInOutline(bench.driver, 'Header');
    await (await byRole(bench.driver, 'button', 'Put on all pages …')).click();
    const dialog = await byRole(bench.driver, 'dialog', 'Put Header on all pages');
    await (await byRole(bench.driver, 'checkbox', 'Telescope hire', { inside: dialog })).click();
    await (await byRole(bench.driver, 'button', 'Put on all pages', { inside: dialog })).click();
    await expectStep(bench.driver, 'Header: now on all pages, instead of their own on 2 pages');
    await kept(bench.driver);
    await bench.open('hire');
    await selectInOutline(bench.driver, 'Header');
    expect(await (await byRole(bench.driver, 'note', '')).getText()).to.match(
      /Only on this page; the others share/,
    );
    await (await byRole(bench.driver, 'button', 'Show theirs')).click();
    await expectStep(bench.driver, 'Header: Telescope hire shows that of all pages instead of its own');
    expect(await sectionsIn()).to.deep.equal(['header', 'footer']);
    await kept(bench.driver);
  });

  it('takes new elements, which are on all pages too', async () => {
    await selectInOutline(bench.driver, 'Where');
    await addElement(bench.driver, 'Quote');
    await expectStep(bench.driver, 'Quote added to Where, on all pages');
    await kept(bench.driver);
    await bench.open('visits');
    const inFoot = await inSheet<number>(
      bench.driver,
      'Desktop',
      'shared-foot-foot',
      'return element.querySelectorAll(".quote").length',
    );
    expect(inFoot).to.equal(1);
  });
});
