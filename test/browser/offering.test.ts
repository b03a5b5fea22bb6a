/** Pages that are left out of menus, or not offered at all, in some views: on the pages screen, in the workbench and in what is shown. */
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import {
  chooseReach,
  chooseView,
  inSheet,
  kept,
  expectStep,
  selectInOutline,
  sheet,
  useBench,
} from './workbench.ts';

describe('where a page is offered', function () {
  this.timeout(120_000);
  const bench = useBench();

  const choose = async (view: string, offering: string) => {
    await (await byRole(bench.driver, 'combobox', new RegExp(`^${view}`))).click();
    await (await byRole(bench.driver, 'option', offering)).click();
  };
  const toPages = async (name: string) => {
    await (await byRole(bench.driver, 'link', 'Pages')).click();
    await (await byRole(bench.driver, 'button', new RegExp(`^${name}`))).click();
    await byRole(bench.driver, 'region', `Page ${name}`);
  };
  /** The labels of the links in the menu that a sheet displays. */
  const inMenu = (view: string) =>
    inSheet<string[]>(
      bench.driver,
      view,
      'page',
      'return [...element.ownerDocument.querySelectorAll(".navigation li a")].filter((link) => { const item = link.parentElement; return getComputedStyle(item).display !== "none" }).map((link) => link.textContent)',
    );
  const said = () =>
    bench.driver.executeScript<string>(
      'return [...document.querySelectorAll("[class*=SnackbarItem], [class*=notistack]")].map((each) => each.textContent).join("|")',
    );

  it('is chosen view by view, and what leads there can be hidden in the same views', async () => {
    const { driver } = bench;
    await toPages('Visits');
    await choose('Tablet', 'Not in menus');
    await expectStep(driver, 'Page Visits: not in menus in Tablet');
    await choose('Mobile', 'Does not appear');
    await expectStep(driver, 'Page Visits: does not appear in Mobile');
    const list = await byRole(driver, 'list', 'What links there');
    expect(await list.getText()).to.match(/Page links on all pages, leaves it out there automatically/);
    await (await byRole(driver, 'button', 'Hide those links in these views too')).click();
    await expectStep(driver, /^Links to Visits in Mobile: /);
    await eventually('only the menu is left', async () =>
      (await (await byRole(driver, 'list', 'What links there')).findElements(By.css('li'))).length === 1
        ? true
        : undefined,
    );
    const notice = await byRole(driver, 'textbox', 'Notice in its place');
    await notice.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Visits are planned on a larger screen.', Key.TAB);
    await expectStep(driver, 'Page Visits: notice where it does not appear');
    await kept(driver);
  });

  it('leaves it out of the menus of those views, on every page', async () => {
    await bench.open('home');
    expect(await inMenu('Desktop')).to.deep.equal(['Home', 'Visits', 'Telescope hire', 'Find us']);
    await chooseView(bench.driver, 'Tablet');
    expect(await inMenu('Tablet')).to.deep.equal(['Home', 'Telescope hire', 'Find us']);
    await chooseView(bench.driver, 'Mobile');
    expect(await inMenu('Mobile')).to.deep.equal(['Home', 'Telescope hire', 'Find us']);
  });

  it('puts a notice and a way on in its place, and keeps it to be worked on', async () => {
    const { driver } = bench;
    await bench.open('visits');
    await chooseView(driver, 'Mobile');
    const seen = () =>
      inSheet<{ main: string; header: boolean; way: string | null }>(
        driver,
        'Mobile',
        'page',
        `const main = element.ownerDocument.querySelector("main");
         return { main: main.innerText.trim().replace(/\\s+/g, " "), header: element.ownerDocument.querySelector("header").checkVisibility(), way: main.querySelector(".notice a").getAttribute("href") }`,
      );
    const { main, header, way } = await seen();
    expect(main).to.match(/^Visits.* Visits are planned on a larger screen\. Brindle Hill/);
    expect(header).to.equal(true);
    expect(way).to.equal('#home');
    await (await byRole(driver, 'checkbox', 'Show ghosts')).click();
    await eventually('its own matter as ghosts', async () =>
      (await seen()).main.length > 400 ? true : undefined,
    );
    await (await byRole(driver, 'checkbox', 'Show ghosts')).click();
    await (await byRole(driver, 'button', /^Not shown( \d+)?$/)).click();
    await byRole(driver, 'listitem', /: its page does not appear here$/);
    await (await byRole(driver, 'button', 'Tree')).click();
  });

  it('is offered again by the key that shows and hides, as far as the reach goes', async () => {
    const { driver } = bench;
    await bench.open('visits');
    await chooseView(driver, 'Mobile');
    await chooseReach(driver, 'Here');
    await selectInOutline(driver, 'Visits');
    await bench.press('h');
    await expectStep(driver, 'Page Visits: in menus in Mobile');
    await sheet(driver, 'Mobile');
    await bench.press('h');
    await expectStep(driver, 'Page Visits: does not appear in Mobile');
    await bench.chord(Key.CONTROL, 'z');
    await expectStep(driver, 'Undone: Page Visits: does not appear in Mobile');
  });

  it('says at once where a page has no menu any more', async () => {
    const { driver } = bench;
    await bench.open('visits');
    await chooseView(driver, 'Mobile');
    await selectInOutline(driver, 'Header');
    await bench.press('h');
    await eventually('a warning', async () =>
      /shows no menu in Mobile now: visitors cannot navigate there/.test(await said()) ? true : undefined,
    );
  });
});
