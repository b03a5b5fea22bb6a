/** The walk through a view: section after section, each fine or for later, until the next view. */
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import { cell, chooseView, expectStep, sheet, type, useBench } from './workbench.ts';

describe('the workbench: walking through a view', function () {
  this.timeout(120_000);
  const bench = useBench();
  const walk = (view: string) => byRole(bench.driver, 'region', `Walk through ${view}`);
  const begin = async () => {
    await chooseView(bench.driver, 'Tablet');
    await (await byRole(bench.driver, 'button', 'Walk through')).click();
  };
  const press = async (view: string, name: string | RegExp) =>
    (await byRole(bench.driver, 'button', name, { inside: await walk(view) })).click();
  const says = (view: string, words: string) =>
    eventually(words, async () => (await (await walk(view)).getText()).includes(words) || undefined);
  const head = (view: string, title: RegExp) =>
    eventually(`${view}: ${title.source}`, async () => {
      const [found] = (
        await bench.driver.executeScript<string[]>(
          `return [...document.querySelectorAll('button[aria-pressed][title]')].map((each) => each.innerText + ' ' + each.title)`,
        )
      ).filter((text) => text.includes(view) && title.test(text));
      return found;
    });

  it('leads from section to section, with what differs there, and keeps what was found fine', async () => {
    const { driver } = bench;
    await begin();
    await says('Tablet', 'Tablet: 0 of 7 fine');
    await press('Tablet', 'Fine');
    await expectStep(driver, 'Header: fine in Tablet, on all pages');
    await says('Tablet', 'Hero: the dome opens');
    await press('Tablet', 'Later');
    await says('Tablet', 'How an evening goes');
    await press('Tablet', /^6 differ from Desktop$/);
    await (await byRole(driver, 'menuitem', 'How an evening goes: gap 56 instead of 80')).click();
    await byRole(driver, 'grid', 'Values of How an evening goes');
    await press('Tablet', 'Fine');
    await says('Tablet', 'Tablet: 2 of 7 fine');
    await head('Tablet', /2 of 7 sections fine/);
    await driver.navigate().refresh();
    await sheet(driver, 'Desktop');
    await head('Tablet', /2 of 7 sections fine/);
  });

  it('says what has changed since, only in the views that show the change, and forgets with Undo', async () => {
    const { driver } = bench;
    await begin();
    await press('Tablet', 'Next section');
    await says('Tablet', 'How an evening goes');
    await type(driver, 'Gap', 'Mobile', '40');
    await expectStep(driver, /gap in Mobile 48 → 40$/);
    await says('Tablet', '2 of 7 fine');
    await cell(driver, 'Gap', 'Tablet');
    await type(driver, 'Gap', 'Tablet', '60');
    await says('Tablet', '1 of 7 fine');
    await says('Tablet', 'changed since it was fine');
    await driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
    await expectStep(driver, /^Undone/);
    await says('Tablet', '2 of 7 fine');
  });

  it('ends with the wider view beside it, and goes on in the next view', async () => {
    const { driver } = bench;
    await begin();
    for (let left = 5; left > 0; left--) {
      await says('Tablet', `${7 - left} of 7 fine`);
      const fine = await driver.findElements({ xpath: "//section//button[normalize-space()='Fine']" });
      if (fine.length === 0) await press('Tablet', 'Next section');
      await press('Tablet', 'Fine');
    }
    await says('Tablet', 'All 7 sections of Tablet are fine');
    await press('Tablet', 'Compare with Desktop');
    await sheet(driver, 'Desktop');
    await press('Tablet', 'Next: Mobile');
    await says('Mobile', 'Mobile: 0 of ');
    await press('Mobile', 'End the walk');
    expect(await driver.findElements({ css: '[aria-label^="Walk through "]' })).to.have.length(0);
  });
});
