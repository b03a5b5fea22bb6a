/** A list of pages: what pages say of themselves, which of them an element lists, and how each view shows it. */
import { expect } from 'chai';
import { By } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import {
  addElement,
  cell,
  expectStep,
  fillField,
  inSheet,
  isSeen,
  kept,
  selectInOutline,
  sheet,
  type,
  useBench,
} from './workbench.ts';

describe('a list of pages', function () {
  this.timeout(120_000);
  const bench = useBench();
  const field = (name: string, text: string) => fillField(bench.driver, name, text);
  /** The titles of what stands in the list, as a view shows it. */
  const titles = (view: string, id: string) =>
    inSheet<string[]>(
      bench.driver,
      view,
      id,
      'return [...element.querySelectorAll("li")].filter((each) => each.offsetHeight > 0).map((each) => each.querySelector("a").textContent)',
    );

  it('has the newest first, as pages say it, follows them, and differs by view', async () => {
    const { driver } = bench;
    await driver.get(`${bench.running.url}/sites/brindle-hill/pages`);
    await (await byRole(driver, 'button', /^Visits/)).click();
    await field('Date', '2026-02-30');
    await eventually('the refusal', async () =>
      (await driver.findElement(By.css('body')).getText()).includes(
        '“2026-02-30” isn’t a valid date. Nothing was changed. Try 2026-11-30.',
      ),
    );
    await field('Date', '2026-02-14');
    await field('Author', 'Ada Pell');
    await field('Tags', 'nights, groups');
    await kept(driver);
    await (await byRole(driver, 'button', /^Find us/)).click();
    await field('Date', '2026-11-02');
    await kept(driver);

    await bench.open();
    await selectInOutline(driver, 'Lead paragraph');
    await addElement(driver, 'Page list');
    await expectStep(driver, /^Page list.* added/);
    const id = await eventually('the list in the sheet', async () => {
      const found = await driver.executeScript<string | null>(
        'return document.querySelector("iframe[title^=\\"Page in Desktop\\"]").contentDocument.querySelector("ul.pages")?.className.match(/n-([\\w-]+)/)?.[1] ?? null',
      );
      return found ?? undefined;
    });
    expect(await titles('Desktop', id)).to.deep.equal(['Find us', 'Visits', 'Telescope hire']);
    const meta = await inSheet<string>(
      driver,
      'Desktop',
      id,
      'return element.querySelectorAll("small")[1].textContent',
    );
    expect(meta).to.match(/2026 · Ada Pell · nights, groups$/);

    // Which pages: what belongs to a choice is asked for only where it is made.
    const same = await byRole(driver, 'region', 'Same in every view');
    expect(await same.getText()).to.not.include('Tag');
    await (await byRole(driver, 'combobox', /^Which pages/)).click();
    await (await byRole(driver, 'option', 'by tag')).click();
    await field('Tag', 'Groups');
    await eventually('one page', async () => (await titles('Desktop', id)).join() === 'Visits');
    await kept(driver);

    // Descriptions in Mobile only.
    await (await cell(driver, 'Descriptions', 'Mobile')).click();
    await type(driver, 'Descriptions', 'Mobile', 'not shown');
    await expectStep(driver, /Descriptions|descriptions in Mobile/);
    const described = (view: string) =>
      inSheet<number>(driver, view, id, 'return element.querySelector("p").offsetHeight');
    expect(await described('Desktop')).to.be.above(0);
    await (await byRole(driver, 'button', /^(\d+ of )?\d*(base ?)?Mobile ?[\d<]/)).click();
    await sheet(driver, 'Mobile');
    expect(await described('Mobile')).to.equal(0);
    expect(await isSeen(driver, 'Mobile', id)).to.equal(true);

    // What a page is called since is what the list says.
    await kept(driver);
    await driver.get(`${bench.running.url}/sites/brindle-hill/pages`);
    await (await byRole(driver, 'button', /^Visits/)).click();
    await field('Title', 'Come and see');
    await kept(driver);
    await bench.open();
    await eventually('the new title', async () => (await titles('Desktop', id)).join() === 'Come and see');
  });
});
