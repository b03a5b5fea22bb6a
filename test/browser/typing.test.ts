/** What is typed in a cell: kept wherever one presses next, and told beforehand where it is a change and no value. */
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import { cell, cellShows, expectStep, outlineRow, selectInOutline, type, useBench } from './workbench.ts';

describe('typing in the values table', function () {
  this.timeout(120_000);
  const bench = useBench();
  const begin = async (text: string) => {
    const { driver } = bench;
    await (await cell(driver, 'Size', 'Desktop')).click();
    await driver.actions().sendKeys(text).perform();
    await byRole(driver, 'textbox', 'Size in Desktop');
  };
  const told = (words: string) =>
    eventually(
      words,
      async () =>
        (await (
          await byRole(bench.driver, 'status', /^/, { inside: await byRole(bench.driver, 'grid', /^Values/) })
        ).getText()) === words,
    );

  it('keeps what was typed where an element of the outline, another cell or the search is pressed next', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Headline');
    await begin('61');
    await (await outlineRow(driver, 'Lead paragraph')).click();
    await byRole(driver, 'grid', 'Values of Lead paragraph');
    await expectStep(driver, 'Headline: size in Desktop 64 → 61');
    await selectInOutline(driver, 'Headline');
    await begin('60');
    await (await cell(driver, 'Weight', 'Desktop')).click();
    await expectStep(driver, 'Headline: size in Desktop 61 → 60');
    await begin('much');
    await (await outlineRow(driver, 'Lead paragraph')).click();
    await expectStep(driver, /isn’t a valid text size/);
    await selectInOutline(driver, 'Headline');
    await begin('59');
    const search = await byRole(driver, 'textbox', /^Find a property/);
    await search.click();
    await expectStep(driver, 'Headline: size in Desktop 60 → 59');
    // The keyboard stays where the person went.
    await driver.actions().sendKeys('h').perform();
    await eventually('the letter in the search', async () => (await search.getAttribute('value')) === 'h');
    await expectStep(driver, 'Headline: size in Desktop 60 → 59');
  });

  it('takes a percentage of a size as the share of the width that its hint says', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Headline');
    await type(driver, 'Size', 'Desktop', '8 %');
    await expectStep(driver, /^Headline: size in Desktop \d+ → 8 %$/);
    await driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
    await expectStep(driver, /^Undone/);
  });

  it('says what a relative change makes before it is made', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Headline');
    await type(driver, 'Size', 'Desktop', '64');
    await cellShows(driver, 'Size in Desktop: 64, base value');
    for (const [text, words] of [
      ['*0.75', '64 → 48'],
      ['-25%', '64 → 48'],
      ['+4', '64 → 68'],
      ['*0.01', '64 → 6, as far as it goes'],
    ]) {
      await begin(text);
      await told(words);
      await driver.actions().sendKeys(Key.ESCAPE).perform();
    }
    await begin('*0.75');
    await driver.actions().sendKeys(Key.ENTER).perform();
    await expectStep(driver, 'Headline: size in Desktop × 75 %');
    expect(await (await cell(driver, 'Size', 'Desktop')).getAccessibleName()).to.include('48');
  });
});
