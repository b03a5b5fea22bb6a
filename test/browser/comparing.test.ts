/** Sheets side by side: at a size that can be read, one section alone, and with the room of the values panel. */
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { byRole, still } from './browser.ts';
import { chooseView, inSheet, pointAt, selectInOutline, useBench } from './workbench.ts';

describe('the workbench: comparing sheets', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { press } = bench;

  it('compares at a size that can be read, all in sight where that is asked for, or one section alone', async () => {
    const { driver } = bench;
    await chooseView(driver, 'Mobile');
    await selectInOutline(driver, 'Invitation');
    await (await byRole(driver, 'button', 'Side by side')).click();
    const choose = async (name: string) => {
      await (await byRole(driver, 'button', /^\d of 4 views$/)).click();
      await (await byRole(driver, 'menuitemcheckbox', name)).click();
      await press(Key.ESCAPE);
      await still(driver);
    };
    await choose('Wide');
    await choose('Tablet');
    /** px on screen of the words of a paragraph in a sheet, and of the sheet’s height. */
    const words = (view: string) =>
      inSheet<number>(
        driver,
        view,
        'lead',
        `return parseFloat(window.getComputedStyle(window.document.querySelector('.n-eyes-text')).fontSize)
           * window.frameElement.getBoundingClientRect().width / window.innerWidth`,
      );
    for (const view of ['Wide', 'Desktop', 'Tablet', 'Mobile'])
      expect(await words(view), view).to.be.at.least(9);
    await choose('Fit all in the window');
    expect(await words('Mobile')).to.be.lessThan(9);
    await choose('Fit all in the window');
    const heights = () =>
      driver.executeScript<number[]>(
        `return [...document.querySelectorAll('.sheet-page')].map((each) => each.getBoundingClientRect().height)`,
      );
    const whole = await heights();
    await choose('Only the selected section');
    const cut = await heights();
    cut.forEach((height, index) => expect(height).to.be.lessThan(whole[index] / 4));
    const seen = await pointAt(driver, 'Tablet', 'invite-button').catch(() => undefined);
    expect(seen === undefined || seen.y < 800).to.equal(true);
    await choose('Only the selected section');
    await (await byRole(driver, 'button', 'One sheet')).click();
    await chooseView(driver, 'Desktop');
  });

  it('gives the sheets the room of the values panel, and back', async () => {
    const { driver } = bench;
    const across = async () => (await (await byRole(driver, 'region', 'Sheets')).getRect()).width;
    const before = await across();
    await (await byRole(driver, 'button', 'Fold the values panel')).click();
    expect(await across()).to.be.greaterThan(before + 300);
    await (await byRole(driver, 'button', 'Show the values panel')).click();
    await byRole(driver, 'treegrid', /./);
    expect(await across()).to.be.closeTo(before, 2);
  });
});
