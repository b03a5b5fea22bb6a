/** Several elements at once, the parts of an element, linked sides, and the way along a trace. */
import { expect } from 'chai';
import { Key, type WebElement } from 'selenium-webdriver';
import { byRole, eventually, still } from './browser.ts';
import {
  cell,
  cellShows,
  chooseView,
  computed,
  inSheet,
  label,
  outlineRow,
  pointAt,
  expectStep,
  selectInOutline,
  sidesApart,
  turnGroup,
  type,
  useBench,
} from './workbench.ts';

describe('the workbench: several at once', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { chord } = bench;

  const clickWith = async (key: string, element: WebElement) =>
    bench.driver.actions().keyDown(key).click(element).keyUp(key).perform();

  describe('a selection of several', () => {
    it('grows by Ctrl and Shift in the outline and in a sheet, shows mixed values and changes all in one step', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Saturn: title');
      await type(driver, 'Size', 'Desktop', '30');
      await clickWith(Key.CONTROL, await outlineRow(driver, 'The young moon: title'));
      await byRole(driver, 'grid', 'Values of 2 elements');
      await cellShows(driver, 'Size in Desktop: mixed, base value');
      expect(await label(await cell(driver, 'Weight', 'Desktop'))).to.match(/^Weight in Desktop: \d+$/);
      await type(driver, 'Size', 'Desktop', '+4');
      await expectStep(driver, '2 elements: size in Desktop +4');
      expect(await computed(driver, 'Desktop', 'saturn-title', 'font-size')).to.equal('34px');
      expect(await computed(driver, 'Desktop', 'moon-title', 'font-size')).to.equal('28px');
      await type(driver, 'Size', 'Desktop', '*0.5');
      await expectStep(driver, '2 elements: size in Desktop × 50 %');
      expect(await computed(driver, 'Desktop', 'saturn-title', 'font-size')).to.equal('17px');
      await (await cell(driver, 'Size', 'Desktop')).click();
      await driver.actions().keyDown(Key.CONTROL).sendKeys(Key.ARROW_UP).keyUp(Key.CONTROL).perform();
      await expectStep(driver, '2 elements: size in Desktop +1');
      expect(await computed(driver, 'Desktop', 'moon-title', 'font-size')).to.equal('15px');
      await type(driver, 'Size', 'Desktop', '22');
      await expectStep(driver, '2 elements: size in Desktop 22');
      await cellShows(driver, 'Size in Desktop: 22, base value');
      await (await cell(driver, 'Size', 'Desktop')).click();
      await driver.actions().sendKeys(Key.DELETE).perform();
      await expectStep(driver, '2 elements: size in Desktop cleared');
      for (let steps = 0; steps < 2; steps++) await chord(Key.CONTROL, 'z');
      expect(await computed(driver, 'Desktop', 'saturn-title', 'font-size'), 'one step for both').to.equal(
        '18px',
      );
    });

    it('is a run with Shift, by clicks and by arrows, and hides all in one step', async () => {
      const { driver } = bench;
      // What stands in different containers is a run of those: hidden, each is one.
      await selectInOutline(driver, 'Saturn: title');
      await clickWith(Key.SHIFT, await outlineRow(driver, 'The Ember cluster: text'));
      await byRole(driver, 'grid', 'Values of 3 elements');
      await type(driver, 'Shown', 'Mobile', 'no');
      await expectStep(driver, '3 elements: hidden in Mobile');
      await byRole(driver, 'gridcell', /^Card: Saturn in Mobile: not shown/);
      await byRole(driver, 'gridcell', /^Saturn: title in Mobile: not shown with Card: Saturn/);
      await chord(Key.CONTROL, 'z');
      await selectInOutline(driver, 'Saturn: image');
      await driver
        .actions()
        .keyDown(Key.SHIFT)
        .sendKeys(Key.ARROW_DOWN, Key.ARROW_DOWN)
        .keyUp(Key.SHIFT)
        .perform();
      await byRole(driver, 'grid', 'Values of 3 elements');
      await type(driver, 'Shown', 'Mobile', 'no');
      await expectStep(driver, '3 elements: hidden in Mobile');
      await byRole(driver, 'gridcell', /^Saturn: title in Mobile: not shown/);
      await chord(Key.CONTROL, 'z');
      await byRole(driver, 'gridcell', /^Saturn: title in Mobile: shown/);
    });

    it('is a run with Shift in a sheet, in the order of its view', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Saturn: image');
      const at = await pointAt(driver, 'Desktop', 'cluster-picture');
      await driver.actions().keyDown(Key.SHIFT).move({ x: at.x, y: at.y }).click().keyUp(Key.SHIFT).perform();
      await byRole(driver, 'grid', 'Values of 3 elements');
      await chord(Key.CONTROL, 'g');
      await expectStep(driver, /^3 elements/);
      await chord(Key.CONTROL, 'z');
    });

    it('grows in a sheet, and its overrides are cleared together', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Text');
      const at = await pointAt(driver, 'Desktop', 'dome');
      await driver
        .actions()
        .keyDown(Key.CONTROL)
        .move({ x: at.x, y: at.y })
        .click()
        .keyUp(Key.CONTROL)
        .perform();
      await byRole(driver, 'grid', 'Values of 2 elements');
      await (await byRole(driver, 'button', 'More for 2 elements')).click();
      await still(driver);
      await (await byRole(driver, 'menuitem', /^Clear \d+ overrides in every view$/)).click();
      await expectStep(driver, /^2 elements: \d+ overrides in every view cleared$/);
    });
  });

  describe('parts', () => {
    it('take the element’s letter spacing in ems of their own size', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'The chart room: text');
      await type(driver, 'Letter spacing', 'Desktop', '0.1');
      await turnGroup(driver, 'Lists');
      await type(driver, 'Lists: size', 'Desktop', '30');
      await expectStep(driver, /^The chart room: text: lists: size in Desktop .* → 30$/);
      const spacing = (inside: string) =>
        inSheet<string>(
          driver,
          'Desktop',
          'chart-text',
          `return window.getComputedStyle(element.querySelector("${inside}")).letterSpacing`,
        );
      await eventually('the spacing of the list', async () => (await spacing('ul')) === '3px');
      const size = parseFloat(await computed(driver, 'Desktop', 'chart-text', 'font-size'));
      expect(parseFloat(await spacing('p'))).to.be.closeTo(size / 10, 0.001);
    });

    it('of a text have values of their own in every view', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'The chart room: text');
      await chooseView(driver, 'Mobile');
      const rows = await byRole(driver, 'grid', 'Values of The chart room: text');
      expect(await rows.getAttribute('aria-rowcount')).to.match(/^\d+$/);
      await type(driver, 'Lists: padding start', 'Mobile', '48');
      await expectStep(driver, 'The chart room: text: lists: padding start in Mobile 24 → 48');
      const indent = () =>
        inSheet<string>(
          driver,
          'Mobile',
          'chart-text',
          'return window.getComputedStyle(element.querySelector("ul")).paddingLeft',
        );
      await eventually('the indent', async () => (await indent()) === '48px');
      await chord(Key.CONTROL, 'z');
      await eventually('the indent as before', async () => (await indent()) === '24px');
    });
  });

  describe('sides', () => {
    it('that are alike stand in one row, and can be taken apart', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Headline');
      await type(driver, 'Padding', 'Desktop', '12');
      await expectStep(driver, 'Headline: padding in Desktop 0 → 12');
      for (const side of ['top', 'right', 'bottom', 'left'])
        expect(await computed(driver, 'Desktop', 'headline', `padding-${side}`)).to.equal('12px');
      await sidesApart(driver, 'padding');
      await type(driver, 'Padding start', 'Desktop', 'L');
      await expectStep(driver, 'Headline: padding start in Desktop 12 → L');
      expect(await computed(driver, 'Desktop', 'headline', 'padding-left')).to.equal('40px');
      expect(await computed(driver, 'Desktop', 'headline', 'padding-right')).to.equal('12px');
      await chooseView(driver, 'Mobile');
      expect(await computed(driver, 'Mobile', 'headline', 'padding-left'), 'the step in Mobile').to.equal(
        '24px',
      );
    });
  });

  describe('a trace', () => {
    it('is a chain whose links lead to the cells they speak of, by pointer and by key', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Headline');
      await (await cell(driver, 'Size', 'Mobile')).click();
      const trace = async () => (await byRole(driver, 'status', 'Trace')).getText();
      await eventually('the chain', async () =>
        // What the checks find of the value stands behind it.
        (await trace()).startsWith(
          'Size in Mobile: 34 from Mobile (onward) · if cleared: 36 from the Heading 1 style, Mobile · instead of 64 in Desktop',
        ),
      );
      await driver.actions().keyDown(Key.CONTROL).sendKeys('i').keyUp(Key.CONTROL).perform();
      const link = await byRole(driver, 'button', 'if cleared: 36 from the Heading 1 style, Mobile');
      await link.sendKeys(Key.ENTER);
      await byRole(driver, 'grid', 'Values of the Heading 1 style');
      await eventually(
        'the keyboard in the cell of the style',
        async () =>
          (await driver.executeScript('return document.activeElement.getAttribute("aria-label")')) ===
          'Size in Mobile: 36, override, onward',
      );
    });
  });
});
