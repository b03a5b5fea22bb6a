/** What is told of the places of the workbench: once by itself, and whenever it is asked for; and screens of devices for the sheet. */
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { byRole, eventually, still } from './browser.ts';
import { inSheet, sheet, useBench } from './workbench.ts';

describe('what is where', function () {
  this.timeout(120_000);
  const bench = useBench();
  const TITLE = 'Guide and shortcuts';
  const told = async () =>
    (await bench.driver.findElements(By.css(`[role=dialog][aria-label="${TITLE}"]`))).length > 0;
  const gone = () => eventually('it to have gone', async () => ((await told()) ? undefined : true));

  it('is told to a newcomer once, without standing in the way, and again when it is asked for', async () => {
    const { driver } = bench;
    await driver.executeScript('sessionStorage.setItem("newcomer", "1"); localStorage.clear()');
    await bench.open();
    const dialog = await byRole(driver, 'dialog', TITLE);
    const text = await dialog.getText();
    for (const place of ['Top bar', 'Views', 'Outline', 'Values', 'Width bar', 'Sheets'])
      expect(text).to.include(`${place}.`);
    // The workbench can be used beside it.
    await (await byRole(driver, 'button', 'Side by side')).click();
    await sheet(driver, 'Mobile');
    await (await byRole(driver, 'button', 'Got it')).click();
    await gone();
    await bench.open();
    expect(await told()).to.equal(false);
    await driver.executeScript('sessionStorage.clear()');
    await driver.actions().sendKeys('?').perform();
    await byRole(driver, 'dialog', TITLE);
    await (await byRole(driver, 'tab', 'Shortcuts')).click();
    expect(await (await byRole(driver, 'dialog', TITLE)).getText()).to.match(/Shift Enter/);
    await (await byRole(driver, 'tab', 'Guide by task')).click();
    await (await byRole(driver, 'button', 'Publishing')).click();
    await byRole(driver, 'heading', 'Publishing');
    expect(await (await byRole(driver, 'dialog', TITLE)).getText()).to.match(/Pages carry no script\./);
    await (await byRole(driver, 'button', 'All chapters')).click();
    await byRole(driver, 'button', 'Scaling text');
    await driver.actions().sendKeys(Key.ESCAPE).perform();
    await gone();
    await (await byRole(driver, 'button', TITLE)).click();
    await byRole(driver, 'dialog', TITLE);
  });

  it('the sheet takes the screen of a device, upright or turned, and images for its density', async () => {
    const { driver } = bench;
    const choose = async (item: string | RegExp) => {
      await (await byRole(driver, 'button', /^Screen/)).click();
      const entry = await byRole(driver, 'menuitem', item);
      await still(driver);
      await entry.click();
      await eventually('the menu to have gone', async () =>
        (await driver.findElements(By.css('[role=menu]'))).length === 0 ? true : undefined,
      );
    };
    await choose(/^Phone/);
    await byRole(driver, 'region', 'Sheet: Mobile, 390 px');
    expect(await driver.findElement(By.css('.sheet-fold')).getText()).to.equal(
      'end of the first screen, 844 px',
    );
    const fetched = () =>
      inSheet<string>(
        driver,
        'Mobile',
        'eyes-picture',
        'return element.querySelector("img").getAttribute("sizes").split(", ").at(-1)',
      );
    const before = await fetched();
    expect(before).to.equal('calc(100vw - 40px)');
    await choose('screens of 2×');
    await eventually('images for two px to the px', async () =>
      (await fetched()) === 'calc(200vw - 80px)' ? true : undefined,
    );
    await choose('this screen');
    await choose('Turn it to 844 × 390');
    await byRole(driver, 'region', 'Sheet: Tablet, 844 px');
    expect(await driver.findElement(By.css('.sheet-fold')).getText()).to.equal(
      'end of the first screen, 390 px',
    );
    await (await byRole(driver, 'slider', 'Width of the sheet')).sendKeys(Key.ARROW_LEFT);
    await byRole(driver, 'region', 'Sheet: Tablet, 843 px');
    expect(await driver.findElements(By.css('.sheet-fold'))).to.have.length(0);
  });
});
