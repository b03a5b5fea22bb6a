/** Structure by view: what is shown, in which words, by which alternate, in which order; with the mouse and with keys. */
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { byRole, eventually, still } from './browser.ts';
import {
  card,
  cell,
  chooseReach,
  chooseView,
  inSheet,
  isSeen,
  kept,
  outlineRow,
  openWords,
  pointAt,
  expectStep,
  selectInOutline,
  type,
  sheet,
  useBench,
} from './workbench.ts';

describe('the workbench: structure by view', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { press, chord } = bench;
  const seen = (view: string, id: string) => isSeen(bench.driver, view, id);
  /** Opens the menu of an element in a sheet with the right button of the mouse. */
  const menuIn = async (view: string, id: string) => {
    await bench.driver
      .actions()
      .move(await pointAt(bench.driver, view, id))
      .contextClick()
      .perform();
    await byRole(bench.driver, 'menu', /^/);
    await still(bench.driver);
  };
  const entry = async (name: string | RegExp) => {
    const found = await byRole(bench.driver, 'menuitem', name);
    await bench.driver.executeScript('arguments[0].scrollIntoView({ block: "nearest" })', found);
    await found.click();
  };
  const inView = (view: string) => chooseView(bench.driver, view);
  const tile = (name: string, view: string) =>
    eventually(`the tile of ${name} in ${view}`, async () => {
      const selector = `[role=treegrid] [role=gridcell][aria-label^="${name} in ${view}:"]`;
      return (await bench.driver.findElements(By.css(selector)))[0];
    });

  it('hides with H, as far as the reach goes, shows a ghost of what is selected, and shows again', async () => {
    const { driver } = bench;
    await inView('Tablet');
    await selectInOutline(driver, 'Lead paragraph');
    await press('h');
    await expectStep(driver, 'Lead paragraph: hidden in Tablet and onward');
    // Selected, it is seen as a ghost; let go, it is gone.
    expect(await seen('Tablet', 'lead')).to.equal(true);
    await selectInOutline(driver, 'Headline');
    await eventually('gone', async () => !(await seen('Tablet', 'lead')));
    await selectInOutline(driver, 'Lead paragraph');
    await press('h');
    await expectStep(driver, 'Lead paragraph: shown in Tablet and onward');
  });

  it('offers in the menu at the block to show it in any set of views', async () => {
    const { driver } = bench;
    await inView('Desktop');
    await menuIn('Desktop', 'book');
    await (await byRole(driver, 'menuitemcheckbox', 'In Tablet')).click();
    await expectStep(driver, 'Book a night: hidden in Tablet');
    expect(
      await (await byRole(driver, 'menuitemcheckbox', 'In Tablet')).getAttribute('aria-checked'),
    ).to.equal('false');
    await entry('Show only in Desktop');
    await expectStep(driver, 'Book a night: shown only in Desktop');
    expect(await (await tile('Book a night', 'Mobile')).getAttribute('aria-label')).to.match(/not shown/);
  });

  it('says other words in a view: in the sheet, after saying which views change, and in the table', async () => {
    const { driver } = bench;
    await inView('Tablet');
    const bar = await openWords(driver, 'Tablet', 'headline', 'Headline');
    expect(await bar.getText()).to.match(/Changes Tablet, Mobile · 37 characters, \d lines?; 37 in Desktop/);
    await chord(Key.CONTROL, 'a');
    await press('Stars tonight');
    await (await byRole(driver, 'button', 'Done')).click();
    await expectStep(
      driver,
      'Headline: text in Tablet and onward The dome opens at dusk. Bring a coat. → Stars tonight',
    );
    const read = (view: string) => inSheet<string>(driver, view, 'headline', 'return element.innerText');
    expect(await read('Tablet')).to.equal('Stars tonight');
    await inView('Desktop');
    expect(await read('Desktop')).to.equal('The dome opens at dusk. Bring a coat.');
    await inView('Mobile');
    await selectInOutline(driver, 'Headline');
    await chooseReach(driver, 'Here');
    await type(driver, 'Text', 'Mobile', 'Stars');
    await expectStep(driver, 'Headline: text in Mobile Stars tonight → Stars');
    expect(await read('Mobile')).to.equal('Stars');
    await chooseReach(driver, 'Onward');
    // A person reads each heading once, whatever the window.
    await inView('Tablet');
    expect(await read('Tablet')).to.equal('Stars tonight');
  });

  it('marks words that may have to follow, until someone says that they are right', async () => {
    const { driver } = bench;
    await inView('Desktop');
    await selectInOutline(driver, 'Headline');
    await type(driver, 'Text', 'Desktop', 'The dome opens at nine.');
    await eventually('a mark', async () =>
      /may need an update/.test(
        (await (await cell(driver, 'Text', 'Tablet')).getAttribute('aria-label')) ?? '',
      ),
    );
    const opened = await card(driver, 'Text', 'Tablet');
    expect(await opened.getText()).to.match(
      /13 characters[\s\S]*Desktop, 23 characters\s*The dome opens at nine\./,
    );
    await (await byRole(driver, 'button', 'Still correct', { inside: opened })).click();
    await expectStep(driver, 'Headline: text in Tablet is still correct');
    await eventually(
      'no card',
      async () => (await driver.findElements(By.css('.MuiPopover-root'))).length === 0,
    );
    expect(await (await cell(driver, 'Text', 'Tablet')).getAttribute('aria-label')).not.to.match(
      /need an update/,
    );
    expect(await (await cell(driver, 'Text', 'Mobile')).getAttribute('aria-label')).to.match(
      /need an update/,
    );
  });

  it('makes an alternate for a view, with a letter a view that goes round', async () => {
    const { driver } = bench;
    await inView('Mobile');
    await menuIn('Mobile', 'dome');
    await entry('Make an alternate for Mobile');
    await expectStep(driver, 'Dome image: alternate made for Mobile');
    // The copy is selected, so its set is unfolded.
    await outlineRow(driver, 'Dome image, Mobile');
    const letters = async () =>
      Promise.all(
        ['Wide', 'Desktop', 'Tablet', 'Mobile'].map(async (view) =>
          (await tile('Dome image', view)).getText(),
        ),
      );
    expect(await letters()).to.deep.equal(['A', 'A', 'A', 'B']);
    await selectInOutline(driver, 'Dome image');
    await (await tile('Dome image', 'Tablet')).click();
    await eventually('B in Tablet', async () => (await letters()).join('') === 'AABB');
    await chord(Key.CONTROL, 'z');
    await eventually('A in Tablet', async () => (await letters()).join('') === 'AAAB');
    expect(await seen('Mobile', 'dome')).to.equal(false);
    await selectInOutline(driver, 'Dome image, other views');
    await (await tile('Dome image, other views', 'Mobile')).click();
    await eventually('A in Mobile', async () => (await letters()).join('') === 'AAAA');
    await chord(Key.CONTROL, 'z');
    await selectInOutline(driver, 'Dome image');
    await (await byRole(driver, 'button', 'More for Dome image')).click();
    await still(driver);
    await entry('Turn them into ordinary blocks, hidden as they are');
    await eventually(
      'no set',
      async () => !(await driver.findElements(By.css('[data-row^="e"] .letter'))).length,
    );
    expect(await (await tile('Dome image, Mobile', 'Desktop')).getAttribute('aria-label')).to.match(
      /not shown/,
    );
    for (let steps = 0; steps < 2; steps++) await chord(Key.CONTROL, 'z');
  });

  it('lays nothing over the entry of a menu that has the focus (WCAG 2.2, 2.4.11)', async () => {
    const { driver } = bench;
    await menuIn('Desktop', 'opening');
    const entries = (await driver.findElements(By.css('[role=menu] [role^=menuitem]:not([aria-disabled])')))
      .length;
    expect(entries).to.be.greaterThan(12);
    // From the last to the first: what comes into sight comes in at the upper edge.
    await press(Key.END);
    for (let at = 1; at < entries; at += 1) {
      await press(Key.ARROW_UP);
      const covered = await driver.executeScript<string | null>(`
        const entry = document.activeElement, { top, left, height, width } = entry.getBoundingClientRect();
        const free = [2, height / 2, height - 2].every((down) =>
          [8, width / 2].every((across) => entry.contains(document.elementFromPoint(left + across, top + down))));
        return free ? null : entry.textContent;`);
      expect(covered).to.equal(null);
    }
    await press(Key.ESCAPE);
  });

  it('moves earlier and later in a view with Alt and arrows, groups, and takes the group apart', async () => {
    const { driver } = bench;
    await inView('Desktop');
    await selectInOutline(driver, 'Book a night');
    await chord(Key.ALT, Key.ARROW_UP);
    await expectStep(driver, /^Text: order of parts in Desktop 1·2·3 → 1·3·2$/);
    await chord(Key.CONTROL, 'z');
    await selectInOutline(driver, 'Lead paragraph');
    await driver
      .actions()
      .keyDown(Key.CONTROL)
      .click(await outlineRow(driver, 'Book a night'))
      .keyUp(Key.CONTROL)
      .perform();
    await chord(Key.CONTROL, 'g');
    await expectStep(driver, '2 elements of Text: grouped');
    await outlineRow(driver, 'Group');
    await chord(Key.CONTROL, Key.SHIFT, 'g');
    await expectStep(driver, 'Group: taken apart in every view, 2 elements left in its place');
    for (let steps = 0; steps < 2; steps++) await chord(Key.CONTROL, 'z');
    await kept(driver);
  });

  it('moves in the source by dragging in the outline, after asking where a view has an order of its own', async () => {
    const { driver } = bench;
    await inView('Desktop');
    const rows = () =>
      driver.executeScript<string[]>(
        `return [...document.querySelectorAll('[role=treegrid] [data-column="-1"]')].map((cell) => cell.title)`,
      );
    const drag = async (from: string, to: string, down: number) => {
      const actions = driver.actions();
      await actions
        .move({ origin: await outlineRow(driver, from) })
        .press()
        .move({ origin: await outlineRow(driver, to), y: 2 })
        .move({ origin: await outlineRow(driver, to), y: down })
        .perform();
    };
    await drag('Book a night', 'Headline', -9);
    await eventually('what each view gets', async () =>
      /1st of 3, in every view/.test(await driver.findElement(By.css('body')).getText()),
    );
    await driver.actions().release().perform();
    await expectStep(driver, 'Book a night: moved in Text, in every view');
    await eventually('first', async () => {
      const names = await rows();
      return names.indexOf('Book a night') < names.indexOf('Headline');
    });
    await chord(Key.CONTROL, 'z');
    // The row has an order of its own in Mobile.
    await drag('Dome image', 'Text', -9);
    await driver.actions().release().perform();
    const asked = await byRole(driver, 'dialog', /Mobile has an order of its own/);
    await (await byRole(driver, 'button', 'Leave Mobile as it is', { inside: asked })).click();
    await expectStep(driver, 'Dome image: moved in Row: text + dome, in every view');
    await eventually(
      'no dialog',
      async () => (await driver.findElements(By.css('[role=dialog]'))).length === 0,
    );
    await chord(Key.CONTROL, 'z');
    // Into itself it cannot go, and that is said.
    await drag('Row: text + dome', 'Text', 0);
    await eventually('why not', async () =>
      /cannot be put into Text, which is inside it/.test(await driver.findElement(By.css('body')).getText()),
    );
    await driver.actions().release().perform();
    await kept(driver);
  });

  it('finds rows that alternate, shows what each view gets, and evens them out where it is wanted', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'How an evening goes');
    await (await byRole(driver, 'button', 'More for How an evening goes')).click();
    await still(driver);
    await entry('Even out 3 rows that alternate …');
    const dialog = await byRole(driver, 'dialog', 'Even out 3 rows that alternate');
    expect(await dialog.getText()).to.match(/text first\s*side by side[\s\S]*image first\s*stacked/);
    // Every view that stacks them begins with the image already; none is chosen beforehand.
    expect(await (await byRole(driver, 'button', 'Even out', { inside: dialog })).isEnabled()).to.equal(
      false,
    );
    await (await byRole(driver, 'checkbox', 'Even out in Mobile', { inside: dialog })).click();
    await (await byRole(driver, 'button', 'Text first', { inside: dialog })).click();
    await (await byRole(driver, 'button', 'Even out', { inside: dialog })).click();
    await expectStep(driver, '3 rows: the text first in Mobile');
    await chord(Key.CONTROL, 'z');
    await kept(driver);
  });

  it('copies elements with all that is in them, here and to another page, and says what it cannot paste', async () => {
    const { driver, running } = bench;
    await inView('Desktop');
    await selectInOutline(driver, 'Lead paragraph');
    await chord(Key.CONTROL, 'c');
    await chord(Key.CONTROL, 'v');
    await expectStep(driver, 'Lead paragraph: pasted into Text');
    await kept(driver);
    await chord(Key.CONTROL, 'z');
    await driver.get(`${running.url}/sites/brindle-hill/pages/hire`);
    await sheet(driver, 'Desktop');
    await selectInOutline(driver, 'What to bring');
    await chord(Key.CONTROL, 'v');
    await expectStep(driver, /^Lead paragraph: pasted into /);
    await chord(Key.CONTROL, 'z');
    await kept(driver);
  });
});
