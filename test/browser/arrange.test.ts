/** Whole layouts for narrow views: proposed, taken in part, tidied; and the lower edges of sections. */
import { expect } from 'chai';
import { Key, type WebElement } from 'selenium-webdriver';
import { clear, editor, set, take } from '../server/editing.ts';
import { byRole, eventually } from './browser.ts';
import { chooseReach, chooseView, inSheet, expectStep, selectInOutline, useBench } from './workbench.ts';

describe('the workbench: arranging', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { chord } = bench;

  type Boxes = Record<string, { left: number; top: number; width: number; height: number }>;
  const boxes = (view: string, ids: readonly string[]) =>
    inSheet<Boxes>(
      bench.driver,
      view,
      'page',
      `return Object.fromEntries(${JSON.stringify(ids)}.map((id) => {
         const { left, top, width, height } = window.document.querySelector('.n-' + id).getBoundingClientRect();
         return [id, { left, top: top + window.scrollY, width, height }];
       }))`,
    );
  const choose = async (name: string, entry: string) => {
    await selectInOutline(bench.driver, name);
    await (await byRole(bench.driver, 'button', `More for ${name}`)).click();
    await (await byRole(bench.driver, 'menuitem', entry)).click();
  };
  const inDialog = (dialog: WebElement, role: string, name: string | RegExp) =>
    byRole(bench.driver, role, name, { inside: dialog });
  const undo = async (sentence: string) => {
    await chord(Key.CONTROL, 'z');
    await expectStep(bench.driver, `Undone: ${sentence}`);
  };

  it('proposes layouts for an overlay, which are drawn, taken whole or in part, and undone in one step', async () => {
    const { driver } = bench;
    await choose('Row: text + dome', 'Turn it into an overlay');
    await expectStep(driver, 'Row: text + dome: now an overlay in every view; every part stays where it was');
    const desktop = await boxes('Desktop', ['dome']);
    await chooseView(driver, 'Mobile');
    const tops = async () => {
      const { dome, lead } = await boxes('Mobile', ['dome', 'lead']);
      return [dome.top + dome.height, lead.top];
    };
    const before = await tops();
    expect(before[0]).to.be.below(before[1]);
    await choose('Row: text + dome', 'Arrange in Mobile …');
    const dialog = await byRole(driver, 'dialog', 'Arrange Row: text + dome in Mobile');
    const stacked = await inDialog(dialog, 'button', /^Stacked ?\d+ px high/);
    expect(await stacked.getAttribute('aria-pressed')).to.equal('true');
    await inDialog(dialog, 'button', /^Images first ?\d+ px high/);
    // Twenty characters of a headline of 34 px have no room in half of the width.
    expect(await dialog.getText()).to.not.include('Two across');
    await (await inDialog(dialog, 'checkbox', 'Place Dome image')).click();
    await inDialog(dialog, 'button', 'Place 1 of 2 elements');
    await (await inDialog(dialog, 'checkbox', 'Place Dome image')).click();
    // The words come first in the base, and now here, too.
    await (await inDialog(dialog, 'button', 'Arrange in Mobile')).click();
    await expectStep(driver, 'Row: text + dome: 2 elements arranged in Mobile');
    const after = await tops();
    expect(after[1]).to.be.below(after[0]);
    await chooseView(driver, 'Desktop');
    expect(await boxes('Desktop', ['dome'])).to.deep.equal(desktop);
    await undo('Row: text + dome: 2 elements arranged in Mobile');
    await chooseView(driver, 'Mobile');
    expect(await tops()).to.deep.equal(before);
    await choose('Row: text + dome', 'Arrange in Mobile …');
    await (await byRole(driver, 'checkbox', 'Only where nothing was set manually in Mobile')).click();
    // Both were placed here when the row became an overlay.
    const take = await byRole(driver, 'button', 'Arrange in Mobile');
    expect(await take.isEnabled()).to.equal(false);
    await (await byRole(driver, 'button', 'Keep it as it is')).click();
    await chooseView(driver, 'Desktop');
    await undo('Row: text + dome: now an overlay in every view; every part stays where it was');
  });

  it('says which rows of a section stack, in the columns of the view, and leaves the others', async () => {
    const { driver } = bench;
    const ids = ['eyes-words', 'eyes-picture', 'glass-words', 'glass-picture'];
    await chooseView(driver, 'Tablet');
    const before = await boxes('Tablet', ids);
    expect(before['eyes-words'].width).to.be.below(before['eyes-picture'].left);
    await choose('Row: your own eyes', 'Arrange in Tablet …');
    const dialog = await byRole(driver, 'dialog', 'Arrange Row: your own eyes in Tablet');
    const changes = await inDialog(dialog, 'list', 'What it would change');
    expect(await changes.getText()).to.match(/^Your own eyes: words\nColumns: 6 → 12\n/);
    await (await inDialog(dialog, 'button', 'Arrange in Tablet')).click();
    await expectStep(driver, /^Row: your own eyes: 2 elements arranged in Tablet/);
    const after = await boxes('Tablet', ids);
    // Both are as wide as the row now, the words first, as in the base; the next row is as it was, further down.
    expect(after['eyes-picture'].top).to.be.above(after['eyes-words'].top + after['eyes-words'].height);
    expect(after['eyes-picture'].width).to.be.closeTo(after['eyes-words'].width, 1);
    expect(after['glass-picture'].width).to.be.closeTo(before['glass-picture'].width, 0.1);
    expect(after['glass-picture'].left).to.be.below(after['glass-words'].left);
    await choose('Row: your own eyes', 'Arrange in Tablet …');
    const again = await byRole(driver, 'dialog', 'Arrange Row: your own eyes in Tablet');
    // It is stacked already: that is not proposed again.
    await inDialog(again, 'button', /^Images first/);
    const names = await Promise.all(
      (await again.findElements({ css: '[role=group] button' })).map((each) => each.getText()),
    );
    expect(names.join()).to.match(/^Two across.*Images first/s);
    await (await inDialog(again, 'button', 'Keep it as it is')).click();
    await chooseView(driver, 'Desktop');
  });

  it('goes on where somebody takes a part away meanwhile', async () => {
    const { driver } = bench;
    await chooseView(driver, 'Tablet');
    await choose('Row: through the glass', 'Arrange in Tablet …');
    const dialog = await byRole(driver, 'dialog', 'Arrange Row: through the glass in Tablet');
    const words = async () => (await dialog.getText()).includes('Through the glass: image');
    await inDialog(dialog, 'list', 'What it would change');
    expect(await words()).to.equal(true);
    await editor(() => bench.running.url, 'another-window').made([
      take('/pages/home/nodes/glass/children', 'glass-picture'),
      clear('/pages/home/nodes/glass-picture'),
    ]);
    await eventually('the part gone from the proposals', async () => !(await words()));
    await (await inDialog(dialog, 'button', /^(Close|Keep it as it is)$/)).click();
    await chooseView(driver, 'Desktop');
  });

  it('arranges a whole page, as far as it is chosen, and leaves what pages share', async () => {
    const { driver } = bench;
    await chooseView(driver, 'Mobile');
    const ids = ['eyes-words', 'eyes-picture', 'chart-words', 'chart-picture'];
    const before = await boxes('Mobile', ids);
    expect(before['eyes-picture'].top).to.be.below(before['eyes-words'].top);
    await choose('Home', 'Arrange in Mobile …');
    const dialog = await byRole(driver, 'dialog', 'Arrange Home in Mobile');
    await (await inDialog(dialog, 'button', /^Stacked ?\d+ px high/)).click();
    expect(await dialog.getText()).to.include('Sections that other pages share stay as they are');
    await (await inDialog(dialog, 'checkbox', 'Place Row: the chart room')).click();
    await (await inDialog(dialog, 'button', /^Place \d of \d elements$/)).click();
    await expectStep(driver, /^Home: \d elements arranged in Mobile/);
    const after = await boxes('Mobile', ids);
    expect(after['eyes-picture'].top).to.be.above(after['eyes-words'].top);
    expect(after['chart-picture'].top).to.be.below(after['chart-words'].top);
    await chord(Key.CONTROL, 'z');
    await expectStep(driver, /^Undone: Home/);
    expect(await boxes('Mobile', ids)).to.deep.equal(before);
    await chooseView(driver, 'Desktop');
  });

  it('tidies what is wrong, says what, and finds nothing then', async () => {
    const { driver } = bench;
    await choose('Text', 'Turn it into an overlay');
    await expectStep(driver, 'Text: now an overlay in every view; every part stays where it was');
    // What lies over one another in the base view is meant to.
    await chooseView(driver, 'Tablet');
    await chooseReach(driver, 'Here');
    await selectInOutline(driver, 'Lead paragraph');
    const name = await byRole(driver, 'button', /^Lead paragraph.*, place$/);
    // Up over the headline.
    for (let step = 0; step < 4; step += 1) await name.sendKeys(Key.ARROW_UP);
    await expectStep(driver, /^Lead paragraph: columns/);
    const misplaced = await boxes('Tablet', ['headline', 'lead']);
    expect(misplaced.lead.top).to.be.below(misplaced.headline.top + misplaced.headline.height - 40);
    await choose('Text', 'Tidy in Tablet …');
    const dialog = await byRole(driver, 'dialog', 'Tidy Text in Tablet');
    const mends = await inDialog(dialog, 'list', 'What is fixed');
    expect(await mends.getText()).to.include('Lead paragraph covered Headline: it goes below it');
    await (await inDialog(dialog, 'button', 'Tidy in Tablet')).click();
    await expectStep(driver, /^Text: \d elements? tidied in Tablet$/);
    const { headline, lead, book } = await boxes('Tablet', ['headline', 'lead', 'book']);
    expect(lead.top).to.be.at.least(headline.top + headline.height - 1);
    expect(book.top).to.be.at.least(lead.top + lead.height - 1);
    await choose('Text', 'Tidy in Tablet …');
    const again = await byRole(driver, 'dialog', 'Tidy Text in Tablet');
    await inDialog(again, 'button', 'Close');
    expect(await again.getText()).to.include('Nothing in it is covered');
    await (await inDialog(again, 'button', 'Close')).click();
    await chooseView(driver, 'Desktop');
  });

  it('draws the lower edge of a section, no higher than what is in it needs', async () => {
    const { driver } = bench;
    const height = async () => (await boxes('Desktop', ['evening'])).evening.height;
    const before = await height();
    await selectInOutline(driver, 'How an evening goes');
    const edge = await byRole(driver, 'slider', 'Lower edge of How an evening goes');
    await edge.sendKeys(Key.ARROW_DOWN, Key.ARROW_DOWN, Key.ARROW_DOWN);
    await expectStep(driver, /^How an evening goes: min. height in Desktop/);
    const higher = await height();
    expect(higher % 8).to.equal(0);
    expect(higher - before).to.be.within(20, 32);
    const from = { origin: await byRole(driver, 'slider', 'Lower edge of How an evening goes') };
    await driver
      .actions({ async: true })
      .move(from)
      .press()
      .move({ ...from, x: 0, y: -200 })
      .perform();
    expect(await driver.findElement({ css: '.edge-drawn' }).getText()).to.match(/, the minimum that fits$/);
    await driver.actions().release().perform();
    await expectStep(driver, /^How an evening goes: min. height in Desktop .* → 0$/);
    expect(await height()).to.be.closeTo(before, 0.1);
  });

  it('draws the edge of an image in a column, in shares of it, and back to all of it', async () => {
    const { driver } = bench;
    const width = async () => (await boxes('Desktop', ['saturn-picture']))['saturn-picture'].width;
    const whole = await width();
    await selectInOutline(driver, 'Saturn: image');
    const grip = () => byRole(driver, 'slider', 'Width of Saturn: image');
    expect(await (await grip()).getAttribute('aria-valuetext')).to.equal('100 % of the column');
    await (await grip()).sendKeys(Key.ARROW_LEFT, Key.ARROW_LEFT, Key.ARROW_LEFT);
    await expectStep(driver, /^Saturn: image: width in Desktop .* → 85 %$/);
    await eventually('85 % of it', async () => Math.abs((await width()) - 0.85 * whole) < 0.1);
    const draw = async (x: number) =>
      driver
        .actions({ async: true })
        .move({ origin: await grip() })
        .press()
        .move({ origin: await grip(), x })
        .release()
        .perform();
    await draw(-20);
    await expectStep(driver, /^Saturn: image: width in Desktop 85 % → \d[05] %$/);
    expect(await width()).to.be.below(0.84 * whole);
    await draw(400);
    await expectStep(driver, /^Saturn: image: width in Desktop .* → auto$/);
    await eventually('all of it', async () => Math.abs((await width()) - whole) < 0.1);
    // What is centred is only as wide as its content where nothing is set.
    await editor(() => bench.running.url, 'another-window').made([
      set('/pages/home/nodes/saturn-picture/style/self/blockAlign', { base: 'center' }),
      set('/pages/home/nodes/saturn-picture/style/self/width', { base: { percent: 95 } }),
    ]);
    await eventually('95 % of it', async () => Math.abs((await width()) - 0.95 * whole) < 0.1);
    await (await grip()).sendKeys(Key.ARROW_RIGHT);
    await expectStep(driver, /^Saturn: image: width in Desktop 95 % → 100 %$/);
    await eventually('all of it again', async () => Math.abs((await width()) - whole) < 0.1);
  });

  it('places by pointer and keys where lines run from right to left, and keeps what stood there', async () => {
    const { driver } = bench;
    const others = editor(() => bench.running.url, 'another-window');
    await others.made([set('/frame/lang', 'ar')]);
    await eventually('lines from right to left', () =>
      inSheet<boolean>(driver, 'Desktop', 'page', `return window.document.dir === 'rtl'`),
    );
    const before = await boxes('Desktop', ['eyes-words', 'eyes-picture']);
    // What stands first stands at the right.
    expect(before['eyes-picture'].left + before['eyes-picture'].width).to.be.below(before['eyes-words'].left);
    await selectInOutline(driver, 'Your own eyes: image');
    const columns = await byRole(driver, 'slider', 'Columns of Your own eyes: image');
    const count = Number(await columns.getAttribute('aria-valuenow'));
    // It ends at its left: to the right it takes fewer columns.
    await columns.sendKeys(Key.ARROW_RIGHT);
    await expectStep(driver, `Your own eyes: image: columns in Desktop ${count} → ${count - 1}`);
    const narrower = await boxes('Desktop', ['eyes-words', 'eyes-picture']);
    expect(narrower['eyes-picture'].left).to.be.above(before['eyes-picture'].left + 20);
    expect(narrower['eyes-picture'].left + narrower['eyes-picture'].width).to.be.closeTo(
      before['eyes-picture'].left + before['eyes-picture'].width,
      1,
    );
    await chord(Key.CONTROL, 'z');
    await expectStep(driver, /^Undone: Your own eyes: image/);

    await choose('Row: your own eyes', 'Turn it into an overlay');
    await expectStep(
      driver,
      'Row: your own eyes: now an overlay in every view; every part stays where it was',
    );
    const overlay = await boxes('Desktop', ['eyes-words', 'eyes-picture']);
    for (const id of ['eyes-words', 'eyes-picture'])
      for (const side of ['left', 'width', 'top'] as const)
        expect(overlay[id][side], `${side} of ${id}`).to.be.closeTo(before[id][side], 1);
    await selectInOutline(driver, 'Your own eyes: image');
    const name = await byRole(driver, 'button', /^Your own eyes: image.*, place$/);
    const scale = await inSheet<number>(
      driver,
      'Desktop',
      'page',
      'return window.frameElement.getBoundingClientRect().width / window.innerWidth',
    );
    await driver
      .actions({ async: true })
      .keyDown(Key.ALT)
      .move({ origin: name })
      .press()
      .move({ origin: name, x: 90, y: 0 })
      .release()
      .keyUp(Key.ALT)
      .perform();
    await expectStep(driver, /^Your own eyes: image: columns? \d/);
    const drawn = await boxes('Desktop', ['eyes-picture']);
    // As far to the right as it was drawn, up to a column where it takes whole ones.
    expect(drawn['eyes-picture'].left - overlay['eyes-picture'].left).to.be.within(
      90 / scale - 60,
      90 / scale + 60,
    );
    await name.sendKeys(Key.ARROW_LEFT);
    const left = await eventually('a step to the left', async () => {
      const { 'eyes-picture': picture } = await boxes('Desktop', ['eyes-picture']);
      return picture.left < drawn['eyes-picture'].left - 20 && picture.left;
    });
    expect(left).to.be.above(0);
    await others.made([set('/frame/lang', 'en-GB')]);
  });
});
