/** What is found and said in the values panel: names, letters as shortcuts, the search, the trace, and how much of a list is in sight. */
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import {
  cell,
  chooseView,
  isSeen,
  expectStep,
  pointAt,
  selectInOutline,
  useBench,
  beginRenaming,
} from './workbench.ts';

describe('the workbench: names, letters and the list of values', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { press } = bench;

  it('renames by a double click in the outline, and by F2 with the keyboard in a sheet', async () => {
    const { driver } = bench;
    await beginRenaming(driver, 'Book a night');
    await driver.actions().sendKeys('Booking', Key.ENTER).perform();
    await expectStep(driver, 'Book a night: renamed to Booking');
    await driver
      .actions()
      .move(await pointAt(driver, 'Desktop', 'lead'))
      .click()
      .perform();
    await byRole(driver, 'grid', 'Values of Lead paragraph');
    await press(Key.F2);
    await byRole(driver, 'textbox', 'New name of Lead paragraph');
    await driver.actions().sendKeys('Introduction', Key.ENTER).perform();
    await expectStep(driver, 'Lead paragraph: renamed to Introduction');
  });

  it('hears letters only where what they act on has the keyboard, says what they did with the way back, and not at all once they are off', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Headline');
    await press('h');
    await expectStep(driver, /^Headline: hidden in Desktop/);
    await (await byRole(driver, 'button', 'Undo')).click();
    await expectStep(driver, /^Undone: Headline: hidden/);
    // With the keyboard on a control, a letter is nothing.
    await driver.executeScript('arguments[0].focus()', await byRole(driver, 'button', 'Here'));
    await press('h');
    await driver.executeScript('document.activeElement.blur()');
    await press('h');
    await (await byRole(driver, 'button', 'Guide and shortcuts')).click();
    await (await byRole(driver, 'tab', 'Shortcuts')).click();
    await (await byRole(driver, 'checkbox', /^Use single-key shortcuts/)).click();
    await (await byRole(driver, 'button', 'Got it')).click();
    await selectInOutline(driver, 'Headline');
    await press('h');
    await bench.chord(Key.ALT, Key.ARROW_DOWN);
    // What has a modifier is heard still; had a letter been, it would be the step before.
    await expectStep(driver, /^Text: order of parts in Desktop 1·2·3 → 2·1·3$/);
    expect(await isSeen(driver, 'Desktop', 'headline')).to.equal(true);
  });

  it('begins with what is set or usual, all of it in sight, and unfolds the rest for good', async () => {
    const { driver } = bench;
    await chooseView(driver, 'Desktop');
    await selectInOutline(driver, 'Headline');
    const rows = () =>
      driver.executeScript<string[]>(
        `const box = document.querySelector('[role=grid]').closest('.ledger-scroller').getBoundingClientRect();
         return [...document.querySelectorAll('[role=grid] [role=row]')]
           .filter((row) => row.querySelector('[role=gridcell]'))
           .filter((row) => row.getBoundingClientRect().top >= box.top - 1 && row.getBoundingClientRect().bottom <= box.bottom + 31)
           .map((row) => row.querySelector('[role=rowheader]').textContent)`,
      );
    const front = await rows();
    for (const usual of ['Text', 'Size', 'Line height', 'Align text', 'Colour', 'Shown', 'Align block'])
      expect(front, usual).to.include(usual);
    expect(front).to.not.include('Letter spacing');
    const headings = () =>
      driver.executeScript<string[]>(
        `return [...document.querySelectorAll('.group-heading')].map((each) => each.textContent + each.getAttribute('aria-expanded'))`,
      );
    await cell(driver, 'Letter spacing', 'Desktop');
    await bench.reload();
    await selectInOutline(driver, 'Headline');
    await eventually('the group as it was left', async () => {
      await cell(driver, 'Letter spacing', 'Desktop');
      return (await headings()).some((each) => each.endsWith('true')) || undefined;
    });
  });

  it('finds properties by the words of the trade, and where something around has what is meant', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Headline');
    const field = await byRole(driver, 'textbox', 'Find a property');
    const found = async (typed: string) => {
      await field.sendKeys(Key.chord(Key.CONTROL, 'a'), typed);
      return eventually(typed, async () => {
        const names = await driver.findElements(By.css('[role=grid] [role=rowheader]'));
        const said = await Promise.all(names.map((each) => each.getText()));
        return said.length > 0 ? said : undefined;
      });
    };
    expect(await found('hide')).to.include('Shown');
    expect(await found('center')).to.include('Align text');
    expect(await found('text-align')).to.include('Align text');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), 'interleave');
    await (await byRole(driver, 'button', 'Select Row: text + dome')).click();
    await byRole(driver, 'grid', 'Values of Row: text + dome');
  });

  it('traces a value within two lines, and all of it where that is asked for', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Headline');
    await chooseView(driver, 'Mobile');
    await (await cell(driver, 'Size', 'Mobile')).click();
    const lines = () =>
      driver.executeScript<number>(
        `return document.querySelector('.trace').getBoundingClientRect().height / parseFloat(getComputedStyle(document.querySelector('.trace')).lineHeight)`,
      );
    await eventually('two lines', async () => (await lines()) <= 2.1);
    const more = await byRole(driver, 'button', 'More');
    await more.click();
    await eventually('all of it', async () => (await lines()) > 2.1);
    await (await byRole(driver, 'button', 'Less')).click();
    await eventually('two lines again', async () => (await lines()) <= 2.1);
  });
});
