/** The sizes of text styles: typed by view, seen over all widths, checked, and taken from a scale. */
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import { expectStep, useBench } from './workbench.ts';

describe('the type of a site', function () {
  this.timeout(120_000);
  const bench = useBench();

  const press = async (role: string, name: string | RegExp) =>
    (await byRole(bench.driver, role, name)).click();
  const toType = async () => {
    await press('link', 'Type');
    await byRole(bench.driver, 'table', 'Sizes of text styles');
  };
  const fill = async (name: string, text: string) => {
    const box = await byRole(bench.driver, 'textbox', name);
    await box.click();
    await bench.driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).perform();
    await box.sendKeys(text, Key.ENTER);
    return box;
  };
  const valueOf = async (name: string) => (await byRole(bench.driver, 'textbox', name)).getAttribute('value');
  const undo = () => press('button', /^Undo/);

  it('has a table to type sizes in, by view, with the widths between which they grow', async () => {
    const { driver } = bench;
    await toType();
    expect(await valueOf('Size of Heading 1 in Tablet')).to.equal('44–56');
    await fill('Size of Heading 1 in Mobile', '30–40 @ 400–600');
    await expectStep(driver, 'Heading 1: size in Mobile 36 → fluid 30–40');
    expect(await valueOf('Size of Heading 1 in Mobile')).to.equal('30–40');
    await driver.findElement({ css: 'body' }).sendKeys(Key.TAB);
    const table = await byRole(driver, 'table', 'Sizes of text styles');
    // The base view's sheet is 1280 px wide, where the marker stands at first.
    expect(await table.getText()).to.match(/At 1280/);
    await fill('Size of Heading 1 in Mobile', 'large');
    expect(await (await byRole(driver, 'group', /^Shown as/)).isDisplayed()).to.equal(true);
    const row = await driver.findElement({ css: '.type-table tr.chosen' });
    expect(await row.getText()).to.include('Not saved; it is still “30–40”.');
    await byRole(driver, 'textbox', 'Size of Heading 1 in Mobile').then((box) => box.sendKeys(Key.ESCAPE));
    await undo();
    await expectStep(driver, /^Undone: Heading 1: size in Mobile/);
    expect(await valueOf('Size of Heading 1 in Mobile')).to.equal('36');
  });

  it('draws the sizes over all widths, says what it draws, and has it as a table', async () => {
    const { driver } = bench;
    await toType();
    await press('button', 'Heading 1');
    await byRole(
      driver,
      'image',
      'Size against width, from 280 to 2559 px. Heading 1: 36 px in Mobile, 49.6 px in Tablet, 64 px in Desktop, 80 px in Wide, jumps from 36 to 44 px at 640 px, jumps from 56 to 64 px at 1024 px, jumps from 64 to 80 px at 1440 px.',
    );
    const marker = await byRole(driver, 'slider', 'Marked width');
    await marker.sendKeys(Key.HOME);
    const told = () => driver.findElement({ css: '.type-told' }).getText();
    expect(await told()).to.equal('Heading 1 is 36 px at 280 px, Mobile.');
    await press('button', 'Body');
    expect(await told()).to.equal('Body is 16 px at 280 px, Mobile.');
    // A click on a curve chooses it and marks the width: the largest size is drawn along the upper edge, 20 px below that of the chart.
    const canvas = await driver.findElement({ css: '.type-chart canvas' });
    const { width, height } = await canvas.getRect();
    await driver
      .actions({ async: true })
      .move({ origin: canvas, x: Math.round(width / 4), y: Math.round(22 - height / 2) })
      .click()
      .perform();
    expect(await told()).to.match(/^Heading 1 is 80 px at 1[5-9]\d\d px, Wide\.$/);
    const curves = await byRole(driver, 'region', 'Curves');
    await (await byRole(driver, 'button', 'Table', { inside: curves })).click();
    const table = await byRole(driver, 'table', 'Sizes by width');
    const lines = (await table.getText()).split('\n');
    expect(lines[0]).to.equal('Width, px 280 639 640 1023 1024 1439 1440 2559');
    expect(lines).to.include('Heading 1 36 36 44 56 64 64 80 80');
    expect(lines).to.include('Body 16 16 17 17 17 17 17 17');
    await press('button', 'Curves');
  });

  it('draws the texts of a page as well, marks where sizes cross, and goes to a value', async () => {
    const { driver } = bench;
    await toType();
    await press('button', 'Texts on Home');
    const chart = () => byRole(driver, 'image', /^Size against width/);
    expect(await (await chart()).getAccessibleName()).to.match(/ px\. Headline: 34 px in Mobile, /);
    await (
      await byRole(driver, 'button', 'Table', { inside: await byRole(driver, 'region', 'Curves') })
    ).click();
    const lines = (await (await byRole(driver, 'table', 'Sizes by width')).getText()).split('\n');
    expect(lines).to.include('Headline 34 34 44 56 64 64 80 80');
    await press('button', 'Curves');
    await press('button', 'Go to its value');
    await byRole(driver, 'grid', 'Values of Headline');
    await driver.navigate().back();
    await toType();
    await fill('Size of Heading 3 in Tablet', '60');
    // Larger than Heading 2 on the whole tablet view: from 640 to 1023 px.
    await eventually('crossings', async () =>
      / Sizes cross at 2 widths\.$/.test(await (await chart()).getAccessibleName()) ? true : undefined,
    );
    await undo();
  });

  it('says what is wrong, at which widths, and leads there', async () => {
    const { driver } = bench;
    await toType();
    const before = await (await byRole(driver, 'list', 'Problems')).getText();
    // The demo's text styles are sound; some of the lines on its home page are long, or short beside images.
    expect(
      before
        .split('\n')
        .filter(
          (line) =>
            !/^(Lines of |Headline goes |\d sizes are |Go there|Make it |Let it grow |Dismiss …)/.test(line),
        ),
    ).to.deep.equal([]);
    await fill('Size of Meta in Mobile', '10');
    const list = await byRole(driver, 'list', 'Problems');
    const text = await list.getText();
    expect(text).to.include('Meta is 10 px from 280 to 639 px. Make it 12 px or more there.');
    expect(text).to.include('Meta goes from 10 px to 14 px at 640 px, by 40 %.');
    await (await byRole(driver, 'button', 'Go there', { inside: list })).click();
    const chosen = await byRole(driver, 'button', 'Meta');
    expect(await chosen.getAttribute('aria-pressed')).to.equal('true');
    await undo();
    await expectStep(driver, /^Undone: Meta/);
    const lines = await driver.findElement({ xpath: `//li[contains(., 'Invitation: text')]//button` });
    await lines.click();
    await byRole(driver, 'treegrid', /./);
    expect(await driver.findElement({ css: '[role=row][aria-selected=true]' }).getText()).to.include(
      'Invitation: text',
    );
    await driver.navigate().back();
    await byRole(driver, 'table', 'Sizes of text styles');
  });

  it('shows how long lines are at every width, with what is read well, and as a table', async () => {
    const { driver } = bench;
    await toType();
    const chart = await byRole(driver, 'image', /^Characters per line against width/);
    expect(await chart.getAccessibleName()).to.match(/Lead paragraph: \d+ in Mobile, \d+ in Tablet/);
    const section = await byRole(driver, 'region', 'Length of lines');
    await (await byRole(driver, 'button', 'Table', { inside: section })).click();
    const table = await byRole(driver, 'table', 'Characters per line by width');
    expect(await table.getText()).to.match(/Lead paragraph \d+ \d+ \d+ \d+ \d+ \d+ \d+ \d+/);
  });

  it('has sizes for a view, suggested or by a factor, of which some can be left', async () => {
    const { driver } = bench;
    await toType();
    await press('button', 'Sizes for a view …');
    const dialog = await byRole(driver, 'dialog', 'Sizes for a view');
    const table = await byRole(driver, 'table', 'Sizes in Mobile', { inside: dialog });
    // 16 · (64 ÷ 17)^0.55 = 33.2
    expect(await table.getText()).to.match(/Heading 1 36 33/);
    await byRole(
      driver,
      'image',
      /^Sizes against width, before and after\. Heading 1: 36 to 33 px at 390 px, 80 to 80 px at 1\d+ px; /,
    );
    await (await byRole(driver, 'button', 'By a factor', { inside: dialog })).click();
    const percent = await byRole(driver, 'textbox', 'Percent', { inside: dialog });
    await percent.sendKeys(Key.chord(Key.CONTROL, 'a'), '50');
    expect(await (await byRole(driver, 'table', 'Sizes in Mobile')).getText()).to.match(
      /Heading 1 36 18[\s\S]*Body 16 12, the smallest allowed/,
    );
    await (await byRole(driver, 'checkbox', 'Change Body', { inside: dialog })).click();
    await (await byRole(driver, 'button', /^Change 14 styles in Mobile$/, { inside: dialog })).click();
    await expectStep(driver, '14 text styles: sizes in Mobile');
    expect(await valueOf('Size of Heading 1 in Mobile')).to.equal('18');
    expect(await valueOf('Size of Body in Mobile')).to.equal('16');
    expect(await valueOf('Size of Heading 1 in Tablet')).to.equal('44–56');
    await undo();
    await expectStep(driver, /^Undone: 14 text styles/);
  });

  it('takes sizes from a scale, as seen before, but for styles that are not included, in one step', async () => {
    const { driver } = bench;
    await toType();
    await press('button', 'Sizes from a scale …');
    const dialog = await byRole(driver, 'dialog', 'Sizes from a scale');
    const take = await byRole(driver, 'button', /^Give 15 styles/, { inside: dialog });
    const ratio = await byRole(driver, 'textbox', 'Wide end: Ratio', { inside: dialog });
    await ratio.sendKeys(Key.chord(Key.CONTROL, 'a'), '9');
    const alert = await dialog.findElement({ css: '[role=alert]' });
    expect(await alert.getText()).to.equal('The wide end needs a ratio from 1 to 2.');
    expect(await take.isEnabled()).to.equal(false);
    await ratio.sendKeys(Key.chord(Key.CONTROL, 'a'), '1.25');
    await (await byRole(driver, 'checkbox', 'Logo follows the scale', { inside: dialog })).click();
    const step = await byRole(driver, 'spinbutton', 'Step of Heading 1', { inside: dialog });
    await step.sendKeys(Key.chord(Key.CONTROL, 'a'), '5');
    // Body is 16 px on a phone of 390 px and 17 on a screen of 1680: 16 · 1.2⁵ = 39.8 and 17 · 1.25⁵ = 51.9, in halves.
    expect(await (await byRole(driver, 'table', 'What each style gets')).getText()).to.match(
      /Heading 1 36 → 40 80 → 52/,
    );
    await (await byRole(driver, 'button', /^Give 14 styles/, { inside: dialog })).click();
    await expectStep(
      driver,
      '14 text styles on a scale, from 16 px × 1.2 at 390 px to 17 px × 1.25 at 1680 px',
    );
    expect(await valueOf('Size of Heading 1 in Mobile')).to.equal('40–52');
    expect(await valueOf('Size of Logo in Mobile')).to.equal('20');
    await undo();
    await expectStep(driver, /^Undone: 14 text styles/);
    expect(await valueOf('Size of Heading 1 in Wide')).to.equal('80');
  });
});
