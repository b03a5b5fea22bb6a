import { expect } from 'chai';
import { By, Key, type WebElement } from 'selenium-webdriver';
import { site } from '../core/acting.ts';
import { byRole, eventually, still } from './browser.ts';
import {
  cell,
  cellShows,
  chooseReach,
  chooseView,
  inSheet,
  label,
  expectStep,
  selectInOutline,
  type,
  useBench,
} from './workbench.ts';

describe('the workbench: values', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { press, chord, focusedCell } = bench;

  describe('values', () => {
    it('walk with the arrows, edit with Enter, Shift+Enter and Alt+Enter, clear with Delete', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
      await chooseReach(driver, 'Onward');
      await (await cell(driver, 'Line height', 'Desktop')).click();
      await press(Key.ARROW_RIGHT);
      await focusedCell(/^Line height in Tablet/);
      await press(Key.ARROW_DOWN);
      await focusedCell(/^Align text in Tablet/);
      await press(Key.ARROW_UP, Key.HOME);
      await focusedCell(/^Line height in Wide/);
      await press(Key.END);
      await focusedCell(/^Line height in Mobile/);

      await type(driver, 'Line height', 'Tablet', '1.3');
      await expectStep(driver, 'Evening: title: line height in Tablet and onward 1.15 → 1.3');
      await focusedCell(/^Line height in Tablet: 1.3, override, onward/);
      await type(driver, 'Line height', 'Mobile', '1.4', [Key.SHIFT, Key.ENTER]);
      await focusedCell(/^Line height in Mobile: 1.4, override, here$/);
      await type(driver, 'Line height', 'Wide', '1.2', [Key.ALT, Key.ENTER]);
      await expectStep(driver, 'Evening: title: line height in every view 1.15 → 1.2');
      await cellShows(driver, 'Line height in Mobile: 1.2');
      await cellShows(driver, 'Line height in Desktop: 1.2, base value');
      await (await cell(driver, 'Line height', 'Desktop')).click();
      await press(Key.DELETE);
      await expectStep(driver, 'Evening: title: line height in Desktop cleared');
      await cellShows(driver, 'Line height in Desktop: 1.15');
    });

    it('start with the reach that was chosen last in this browser', async () => {
      const { driver } = bench;
      const pressed = async (reach: string) =>
        (await byRole(driver, 'button', reach)).getAttribute('aria-pressed');
      await selectInOutline(driver, 'Evening: title');
      await chooseReach(driver, 'Here');
      await bench.reload();
      await selectInOutline(driver, 'Evening: title');
      expect(await pressed('Here')).to.equal('true');
      await chooseReach(driver, 'Onward');
    });

    it('say what is wrong with typed text, keep the old value, and give up with Escape', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
      const before = await label(await cell(driver, 'Weight', 'Tablet'));
      await type(driver, 'Weight', 'Tablet', '5000');
      expect(
        await (
          await eventually(
            'the refusal',
            async () => (await driver.findElements(By.css('[role=grid] [role=alert]')))[0],
          )
        ).getText(),
      ).to.equal('“5000” is not a whole number from 100 to 900.');
      await press(Key.ESCAPE);
      await focusedCell(/^Weight in Tablet/);
      expect(await label(await cell(driver, 'Weight', 'Tablet'))).to.equal(before);
    });

    it('step with the arrows while typing, and copy from cell to cell', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
      await chooseReach(driver, 'Here');
      await (await cell(driver, 'Weight', 'Wide')).click();
      await press(Key.ENTER);
      await byRole(driver, 'textbox', 'Weight in Wide');
      await press(Key.ARROW_UP, Key.ARROW_UP, Key.ARROW_DOWN, Key.ENTER);
      await expectStep(driver, 'Evening: title: weight in Wide 600 → 650');
      await chord(Key.CONTROL, 'c');
      await press(Key.END);
      await focusedCell(/^Weight in Mobile/);
      await chord(Key.CONTROL, 'v');
      await expectStep(driver, 'Evening: title: weight in Mobile 600 → 650');
    });

    it('copy what a cell has by now, though the table is not drawn again yet', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Lead paragraph');
      await chooseReach(driver, 'Here');
      await (await cell(driver, 'Weight', 'Wide')).click();
      await focusedCell(/^Weight in Wide: 400/);
      await driver.executeScript(
        'window.drawLater = window.requestAnimationFrame; window.requestAnimationFrame = () => 0;',
      );
      await chord(Key.CONTROL, Key.ARROW_UP);
      await chord(Key.CONTROL, 'c');
      expect(await label(await driver.switchTo().activeElement())).to.match(/^Weight in Wide: 400/);
      await driver.executeScript('window.requestAnimationFrame = window.drawLater;');
      await press(Key.END);
      await focusedCell(/^Weight in Mobile/);
      await chord(Key.CONTROL, 'v');
      await expectStep(driver, 'Lead paragraph: weight in Mobile 400 → 450');
    });

    it('change the reach of an override by drawing its end, and by a key', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Three objects');
      await type(driver, 'Gap', 'Tablet', '31', [Key.SHIFT, Key.ENTER]);
      const end = await eventually('the end of the bar', async () => {
        const [found] = await (
          await cell(driver, 'Gap', 'Tablet')
        ).findElements(By.css('[data-reach-handle]'));
        return found;
      });
      const draw = (element: WebElement, x: number) =>
        driver
          .actions({ async: true })
          .move({ origin: element })
          .press()
          .move({ origin: element, x, y: 0, duration: 100 })
          .release()
          .perform();
      await draw(end, 50);
      await expectStep(driver, 'Three objects: gap now holds in Tablet and onward');
      await cellShows(driver, 'Gap in Mobile: 31');
      await (await cell(driver, 'Gap', 'Tablet')).click();
      await driver.actions().keyDown(Key.ALT).sendKeys(Key.ARROW_LEFT).keyUp(Key.ALT).perform();
      await expectStep(driver, 'Three objects: gap now holds in Tablet only');
      await cellShows(driver, 'Gap in Mobile: 16');
    });

    it('tell where a value comes from', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Dome image');
      await (await cell(driver, 'Columns', 'Mobile')).click();
      const trace = async () => (await driver.findElement(By.css('[aria-label="Trace"]'))).getText();
      await eventually('the trace', async () =>
        (await trace()).startsWith(
          'Columns in Mobile: 4 of 4 from Tablet (onward) · instead of 5 of 12 in Desktop',
        ),
      );
      await selectInOutline(driver, 'Lead paragraph');
      await (await cell(driver, 'Size', 'Wide')).click();
      await eventually('the trace', async () =>
        (await trace()).startsWith('Size in Wide: 23 from the Lead style, Wide'),
      );
    });

    it('are chosen in the editor that suits them', async () => {
      const { driver } = bench;
      const open = async (property: string, view: string) => {
        await (await cell(driver, property, view)).click();
        await press(Key.ENTER);
        return byRole(driver, 'dialog', `${property} in ${view}`);
      };
      await selectInOutline(driver, 'Evening: title');
      await chooseReach(driver, 'Here');
      const inside = await open('Colour', 'Mobile');
      await (await byRole(driver, 'button', 'Lamp', { inside })).click();
      await expectStep(driver, 'Evening: title: colour in Mobile Ink → Lamp');
      await still(driver);
      await open('Align text', 'Tablet');
      await (await byRole(driver, 'menuitem', 'end')).click();
      await expectStep(driver, 'Evening: title: align text in Tablet centre → end');
      await still(driver);
      await selectInOutline(driver, 'Dome image');
      await open('Image', 'Mobile');
      await (await byRole(driver, 'button', 'Telescope')).click();
      await expectStep(driver, 'Dome image: image in Mobile Dome, close → Telescope');
      await chooseView(driver, 'Mobile');
      const { hash } = site.frame.assets.find(({ id }) => id === 'telescope')!;
      await eventually('the telescope in the sheet', async () =>
        (
          await inSheet<string>(driver, 'Mobile', 'dome', 'return element.querySelector("img").currentSrc')
        ).includes(hash)
          ? true
          : undefined,
      );
      await selectInOutline(driver, 'Headline');
      await open('Size', 'Wide');
      await (await byRole(driver, 'button', 'Fluid')).click();
      const largest = await byRole(driver, 'textbox', 'Largest');
      await largest.sendKeys(Key.chord(Key.CONTROL, 'a'), '96');
      await (await byRole(driver, 'button', 'Set size')).click();
      await expectStep(driver, 'Headline: size in Wide 80 → fluid 80–96');
      await open('Size', 'Desktop');
      await (await byRole(driver, 'button', 'Proportional')).click();
      const share = await byRole(driver, 'textbox', 'Percent of its container');
      const asLarge = Number(await share.getAttribute('value'));
      await (await byRole(driver, 'button', 'Calculate')).click();
      await eventually('a share', async () =>
        Number(await share.getAttribute('value')) < 5 ? true : undefined,
      );
      await (await byRole(driver, 'button', 'Set size')).click();
      await expectStep(driver, /^Headline: size in Desktop only 64 → 3\.\d+ %$/);
      await chooseView(driver, 'Desktop');
      // The share that was offered first is the size that it had: 64 px at the sheet's 1280.
      const column = await inSheet<number>(
        driver,
        'Desktop',
        'headline',
        'return element.parentElement.getBoundingClientRect().width',
      );
      expect((asLarge * column) / 100).to.be.closeTo(64, 0.1);
      // Its words, on one line, are 60 % as wide as the column that it stands in, at any width.
      for (const width of [1280, 1180]) {
        const marker = await byRole(driver, 'slider', 'Width of the sheet');
        while (Number(await marker.getAttribute('aria-valuenow')) > width)
          await marker.sendKeys(Key.chord(Key.SHIFT, Key.ARROW_LEFT));
        const taken = () =>
          inSheet<number>(
            driver,
            'Desktop',
            'headline',
            `const words = element.ownerDocument.createRange(); words.selectNodeContents(element);
             return words.getBoundingClientRect().width / element.parentElement.getBoundingClientRect().width;`,
          );
        await eventually(`60 % at ${width} px`, async () =>
          Math.abs((await taken()) - 0.6) < 0.01 ? true : undefined,
        );
      }
    });

    it('that are the same in every view stand in their own group', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Home');
      await byRole(driver, 'combobox', 'Audience', {
        inside: await byRole(driver, 'region', 'Same in every view'),
      });
      await selectInOutline(driver, 'Headline');
      const level = await byRole(driver, 'combobox', 'Level', {
        inside: await byRole(driver, 'region', 'Same in every view'),
      });
      await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', level);
      await level.click();
      await (await byRole(driver, 'option', 'Heading 3')).click();
      await expectStep(driver, 'Headline: level changed in every view');
      expect(await inSheet<string>(driver, 'Desktop', 'headline', 'return element.tagName')).to.equal('H3');
      await chord(Key.CONTROL, 'z');
    });

    it('that are the same in every view are folded away in a view that adapts the base, until one asks for them', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Headline');
      await chooseView(driver, 'Mobile');
      const same = () => byRole(driver, 'region', 'Same in every view');
      const levels = async () => (await same()).findElements({ css: '[role=combobox]' });
      expect(await levels()).to.deep.equal([]);
      await (await byRole(driver, 'button', /^same in every view/i, { inside: await same() })).click();
      await byRole(driver, 'combobox', 'Level', { inside: await same() });
      await selectInOutline(driver, 'Lead paragraph');
      await byRole(driver, 'combobox', 'Audience', { inside: await same() });
      await (await byRole(driver, 'button', /^same in every view/i, { inside: await same() })).click();
      expect(await levels()).to.deep.equal([]);
      await chooseView(driver, 'Desktop');
      await byRole(driver, 'combobox', 'Audience', { inside: await same() });
    });

    it('of a whole element are counted and cleared, copied, given to siblings and carried over in one step', async () => {
      const { driver } = bench;
      const choose = async (name: string, entry: string | RegExp) => {
        await selectInOutline(driver, name);
        await (await byRole(driver, 'button', `More for ${name}`)).click();
        await still(driver);
        await (await byRole(driver, 'menuitem', entry)).click();
        await still(driver);
      };
      await chooseView(driver, 'Tablet');
      await choose('Hero: the dome opens at dusk', 'Clear 2 overrides in Tablet');
      await expectStep(driver, 'Hero: the dome opens at dusk: 2 overrides in Tablet cleared');
      await chord(Key.CONTROL, 'z');
      await byRole(driver, 'gridcell', 'Hero: the dome opens at dusk in Tablet: shown, 2 overrides');
      await choose('Card: Saturn', 'Copy values');
      await choose('Text', 'Paste values of Card: Saturn …');
      const paste = await byRole(driver, 'dialog', 'Paste values of Card: Saturn');
      await (await byRole(driver, 'button', 'Paste 4 values', { inside: paste })).click();
      await expectStep(driver, 'Text: 4 values pasted');
      await chord(Key.CONTROL, 'z');
      await choose('Text', 'Paste values of Card: Saturn …');
      const some = await byRole(driver, 'dialog', 'Paste values of Card: Saturn');
      for (const group of ['Layout', 'Background'])
        await (await byRole(driver, 'checkbox', group, { inside: some })).click();
      await (await byRole(driver, 'button', 'Paste 1 value', { inside: some })).click();
      await expectStep(driver, 'Text: 1 value pasted');
      await chord(Key.CONTROL, 'z');
      await still(driver);
      await type(driver, 'Gap', 'Tablet', '4');
      await choose('Text', 'Copy to another view …');
      const carry = await byRole(driver, 'dialog', 'Copy overrides to another view');
      // Offered is the next narrower view; chosen another.
      const to = await byRole(driver, 'combobox', /^To/, { inside: carry });
      expect(await to.getText()).to.equal('Mobile');
      await to.click();
      await (await byRole(driver, 'option', 'Wide')).click();
      const preview = await byRole(driver, 'table', 'What will change', { inside: carry });
      expect(await preview.getText())
        .to.match(/Text Columns 7 of 12 12 of 12/)
        .and.match(/Text Gap 24 4/);
      await (await byRole(driver, 'button', /^Copy \d+ overrides$/, { inside: carry })).click();
      await expectStep(driver, /overrides copied from Tablet to Wide$/);
      await selectInOutline(driver, 'Card: Saturn');
      await type(driver, 'Gap', 'Tablet', '6');
      await choose('Card: Saturn', /^Give its \d+ overrides? to 2 siblings of its kind$/);
      await expectStep(driver, 'Card: Saturn: overrides given to 2 siblings');
      await byRole(driver, 'gridcell', 'Card: The Ember cluster in Tablet: shown, 1 override');
    });
  });
});
