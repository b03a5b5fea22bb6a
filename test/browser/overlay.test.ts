/** Free placing in overlays: containers that become one, parts that are drawn, placed by keys, lined up and fitted. */
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import {
  addElement,
  chooseReach,
  chooseView,
  computed,
  inSheet,
  expectStep,
  selectInOutline,
  useBench,
} from './workbench.ts';

const PARTS = ['headline', 'lead', 'book'];

describe('the workbench: placing freely', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { chord } = bench;

  type Boxes = Record<string, { left: number; top: number; width: number; height: number }>;
  const boxes = (view: string, ids: readonly string[] = PARTS) =>
    inSheet<Boxes>(
      bench.driver,
      view,
      'page',
      `return window.document.fonts.ready.then(() => {
         const { top: from } = window.document.querySelector('.n-lead').parentElement.getBoundingClientRect();
         return Object.fromEntries(${JSON.stringify(ids)}.map((id) => {
           const { left, top, width, height } = window.document.querySelector('.n-' + id).getBoundingClientRect();
           return [id, { left, top: top - from, width, height }];
         }));
       })`,
    );
  const choose = async (name: string, entry: string) => {
    await selectInOutline(bench.driver, name);
    await (await byRole(bench.driver, 'button', `More for ${name}`)).click();
    await (await byRole(bench.driver, 'menuitem', entry)).click();
  };
  /** The words of the opening section as an overlay, which the tests after the first go on with. */
  const makeOverlay = async () => {
    await chooseView(bench.driver, 'Desktop');
    const there = await inSheet<boolean>(
      bench.driver,
      'Desktop',
      'lead',
      `return element.parentElement.classList.contains('overlay')`,
    );
    if (there) return;
    await choose('Text', 'Turn it into an overlay');
    await expectStep(bench.driver, 'Text: now an overlay in every view; every part stays where it was');
  };
  const tag = (name: RegExp) => byRole(bench.driver, 'button', name);
  /** px of the page to px on screen. */
  const scale = () =>
    inSheet<number>(
      bench.driver,
      'Desktop',
      'page',
      'return window.frameElement.getBoundingClientRect().width / window.innerWidth',
    );
  const near = (found: Boxes, wanted: Boxes) => {
    for (const [id, box] of Object.entries(wanted))
      for (const [side, px] of Object.entries(box))
        expect(found[id][side as 'left'], `${side} of ${id}`).to.be.closeTo(px, 1);
  };

  it('lets a column be an overlay, and a column again, with every part where it stood, in every view', async () => {
    const { driver } = bench;
    const views = ['Desktop', 'Tablet', 'Mobile', 'Wide'];
    const before: Record<string, Boxes> = {};
    for (const view of views) {
      await chooseView(driver, view);
      before[view] = await boxes(view);
    }
    await makeOverlay();
    for (const view of views) {
      await chooseView(driver, view);
      near(await boxes(view), before[view]);
    }
    await choose('Text', 'Turn it into a column in every view');
    await expectStep(driver, 'Text: a column of 3 parts now, in every view; every part stays where it was');
    for (const view of views) {
      await chooseView(driver, view);
      near(await boxes(view), before[view]);
    }
  });

  it('draws a part to another area, which is said meanwhile; Escape gives up, Alt frees', async () => {
    const { driver } = bench;
    await makeOverlay();
    const before = await boxes('Desktop');
    await selectInOutline(driver, 'Book a night');
    const name = await tag(/^Book a night.*, place$/);
    const drawing = (x: number, y: number) =>
      driver.actions({ async: true }).move({ origin: name }).press().move({ origin: name, x, y });
    await drawing(120, -30).perform();
    const said = await driver.findElement({ css: '.area-words[role=status]' });
    expect(await said.getText()).to.match(/^columns? \d+.*, rows? \d+/);
    await driver.actions().sendKeys(Key.ESCAPE).perform();
    await driver.actions().release().perform();
    near(await boxes('Desktop'), before);

    await driver.actions({ async: true }).keyDown(Key.ALT).perform();
    await drawing(120, 10).release().perform();
    await driver.actions({ async: true }).keyUp(Key.ALT).perform();
    await expectStep(driver, /^Book a night: columns \d+–\d+, rows \d+–\d+ in Desktop$/);
    const [after, drawn] = [await boxes('Desktop'), await scale()];
    expect(after.book.left - before.book.left).to.be.closeTo(120 / drawn, 1);
    expect(after.book.top - before.book.top).to.be.closeTo(10 / drawn, 1);
    near({ headline: after.headline, lead: after.lead }, { headline: before.headline, lead: before.lead });
    await chord(Key.CONTROL, 'z');
    await expectStep(driver, /^Undone: Book a night/);
    near(await boxes('Desktop'), before);
  });

  it('says what a part overlaps that is drawn onto others, and pushes that down', async () => {
    const { driver } = bench;
    await makeOverlay();
    await selectInOutline(driver, 'Lead paragraph');
    const name = await tag(/^Lead paragraph.*, place$/);
    await driver
      .actions({ async: true })
      .move({ origin: name })
      .press()
      .move({ origin: name, y: 50 })
      .perform();
    const said = await driver.findElement({ css: '.area-words[role=status]' });
    expect(await said.getText()).to.match(/ · overlaps Book a night$/);
    await driver.actions({ async: true }).release().perform();
    await eventually('what it overlaps', async () =>
      (await driver.findElement({ css: 'body' }).getText()).includes(
        'Lead paragraph overlaps Book a night now.',
      ),
    );
    const covered = await boxes('Desktop');
    expect(covered.lead.top + covered.lead.height).to.be.above(covered.book.top);
    await (await byRole(driver, 'button', 'Push it down')).click();
    await expectStep(driver, 'Book a night: pushed down in Desktop');
    const after = await boxes('Desktop');
    expect(after.lead.top).to.be.closeTo(covered.lead.top, 1);
    expect(after.book.top).to.be.at.least(after.lead.top + after.lead.height - 1);
    await chord(Key.CONTROL, 'z');
    await expectStep(driver, 'Undone: Book a night: pushed down in Desktop');
    // The same from the menu, for who does not drag.
    await choose('Lead paragraph', 'Push down Book a night in Desktop');
    await expectStep(driver, 'Book a night: pushed down in Desktop');
    await chord(Key.CONTROL, 'z');
    await chord(Key.CONTROL, 'z');
    await eventually('where it was', async () => (await boxes('Desktop')).lead.top < covered.lead.top - 10);
  });

  it('draws the edges of a part to columns and rows, and moves it by keys; other views stay', async () => {
    const { driver } = bench;
    await makeOverlay();
    await chooseView(driver, 'Tablet');
    const inTablet = await boxes('Tablet');
    await chooseView(driver, 'Desktop');
    await selectInOutline(driver, 'Lead paragraph');
    const columns = await byRole(driver, 'slider', 'Columns of Lead paragraph');
    await columns.sendKeys(Key.ARROW_LEFT, Key.ARROW_LEFT);
    await expectStep(driver, /^Lead paragraph: columns 1–10, rows \d+–\d+ in Desktop$/);
    const narrower = await boxes('Desktop');
    const half = await scale();
    await driver
      .actions({ async: true })
      .move({ origin: columns })
      .press()
      .move({ origin: columns, x: -Math.round(narrower.lead.width * half * 0.4), y: 0 })
      .release()
      .perform();
    await expectStep(driver, /^Lead paragraph: columns 1–6, rows \d+–\d+ in Desktop$/);

    await chooseReach(driver, 'Here');
    const name = await tag(/^Lead paragraph.*, place$/);
    await name.sendKeys(Key.ARROW_RIGHT);
    await expectStep(driver, /^Lead paragraph: columns 2–7, rows/);
    await name.sendKeys(Key.chord(Key.SHIFT, Key.ARROW_RIGHT));
    await expectStep(driver, /^Lead paragraph: columns 2–8, rows/);
    const held = await boxes('Desktop');
    await name.sendKeys(Key.chord(Key.CONTROL, Key.ARROW_DOWN));
    await name.sendKeys(Key.chord(Key.CONTROL, Key.ARROW_DOWN));
    const shifted = await boxes('Desktop');
    expect(shifted.lead.top - held.lead.top).to.be.closeTo(2, 0.1);
    // Across it takes all of its area: there is nothing to be offset from.
    await name.sendKeys(Key.chord(Key.CONTROL, Key.ARROW_RIGHT));
    await expectStep(driver, /^Lead paragraph takes all of its area horizontally; .* Nothing was changed\.$/);
    await chooseView(driver, 'Tablet');
    await selectInOutline(driver, 'Lead paragraph');
    const lead = await tag(/^Lead paragraph.*, place$/);
    await lead.sendKeys(Key.ARROW_DOWN);
    await expectStep(driver, /^Lead paragraph: columns .* in Tablet$/);
    const moved = await boxes('Tablet');
    expect(moved.headline).to.deep.equal(inTablet.headline);
    await chooseView(driver, 'Desktop');
    near(await boxes('Desktop'), shifted);
  });

  it('lines several parts up, spaces them evenly, and fits them to what is in them', async () => {
    const { driver } = bench;
    await makeOverlay();
    await selectInOutline(driver, 'Headline');
    for (const name of ['Lead paragraph', 'Book a night'])
      await driver
        .actions()
        .keyDown(Key.CONTROL)
        .click(await driver.findElement({ css: `[role=treegrid] [role=gridcell][title="${name}"]` }))
        .keyUp(Key.CONTROL)
        .perform();
    const together = async (entry: string) => {
      await (await byRole(driver, 'button', 'More for 3 elements')).click();
      await (await byRole(driver, 'menuitem', entry)).click();
    };
    await together('One row apart');
    await expectStep(driver, '3 parts: spaced evenly in Desktop');
    const rows = (id: string) =>
      inSheet<number[]>(
        driver,
        'Desktop',
        id,
        `const style = window.getComputedStyle(element); const from = Number(style.gridRowStart); return [from, from + Number(style.gridRowEnd.replace('span ', ''))];`,
      );
    const [headline, lead, book] = [await rows('headline'), await rows('lead'), await rows('book')];
    expect([lead[0] - headline[1], book[0] - lead[1]]).to.deep.equal([1, 1]);
    await together('Align right edges');
    await expectStep(driver, '3 parts: lined up in Desktop');
    const lined = await boxes('Desktop');
    const end = ({ left, width }: Boxes[string]) => left + width;
    expect(end(lined.book)).to.be.closeTo(end(lined.headline), 1);
    expect(end(lined.lead)).to.be.closeTo(end(lined.headline), 1);
    await together('Fit to content in Desktop');
    await expectStep(driver, '3 parts: fitted to their content in Desktop');
    const [from, to] = await rows('book');
    const height = await inSheet<number>(
      driver,
      'Desktop',
      'book',
      `return parseFloat(window.getComputedStyle(element.parentElement).getPropertyValue('--row-height'))`,
    );
    const { book: fitted } = await boxes('Desktop');
    expect((to - from) * height).to.be.at.least(fitted.height - 1);
    expect((to - from - 1) * height).to.be.below(fitted.height);
  });

  it('adds an overlay with words over an image; the image fills its area, and words that grow push down', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Hero: the dome opens at dusk');
    await addElement(driver, 'Overlay');
    await expectStep(driver, 'Overlay added to Hero: the dome opens at dusk');
    const seen = () =>
      inSheet<number[]>(
        driver,
        'Desktop',
        'page',
        `const overlay = [...window.document.querySelectorAll('.overlay')].find((each) => each.querySelector('img')); const picture = overlay.querySelector('img').getBoundingClientRect(); const words = overlay.querySelector('.heading').getBoundingClientRect();
         return [picture.width, overlay.clientWidth, picture.height, overlay.clientHeight, words.top - picture.top, picture.bottom - words.bottom];`,
      );
    const [width, whole, height, high, above, below] = await seen();
    expect(width).to.be.closeTo(whole, 1);
    // Twelve rows of 24 px.
    expect(height).to.be.closeTo(288, 1);
    expect(high).to.be.closeTo(288, 1);
    // The words begin in the fifth row, on the picture.
    expect(above).to.be.closeTo(96, 1);
    expect(below).to.be.above(0);
    await inSheet(
      driver,
      'Desktop',
      'page',
      `const overlay = [...window.document.querySelectorAll('.overlay')].find((each) => each.querySelector('img')); overlay.querySelector('.heading').style.fontSize = '200px'; return 1`,
    );
    const grown = await seen();
    // Rows are as high as their content needs, and the image with them.
    expect(grown[2]).to.be.above(height);
    expect(grown[5]).to.be.above(0);
  });

  it('brings the content of a block to scale in one view', async () => {
    const { driver } = bench;
    const size = (view: string) => computed(driver, view, 'headline', 'font-size');
    const before = await size('Desktop');
    await chooseView(driver, 'Mobile');
    expect(await size('Mobile')).to.equal('34px');
    await choose('Headline', 'Scale content in Mobile …');
    const dialog = await byRole(driver, 'dialog', 'Scale the content of Headline in Mobile');
    const field = await byRole(driver, 'textbox', 'Scale', { inside: dialog });
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '5');
    const go = await byRole(driver, 'button', 'Scale', { inside: dialog });
    expect(await go.isEnabled()).to.equal(false);
    // What it would change is seen before it is done.
    const rows = async () =>
      driver.executeScript<string[][]>(
        'return [...document.querySelectorAll("[aria-label=\'What will change\'] tbody tr")].map((row) => [...row.cells].map((each) => each.textContent))',
      );
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '30');
    expect(await rows()).to.deep.include(['Headline', 'Size', '34', '12']);
    expect(await dialog.getText()).to.include('One text is kept at 12 px or more.');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '50');
    expect(await rows()).to.deep.include(['Headline', 'Size', '34', '17']);
    expect(await dialog.getText()).not.to.include('kept at');
    await field.sendKeys(Key.ENTER);
    await expectStep(driver, /^Headline: content at 50 % in Mobile, \d values?$/);
    expect(await size('Mobile')).to.equal('17px');
    await chord(Key.CONTROL, 'z');
    await choose('Headline', 'Scale content in Mobile …');
    await (await byRole(driver, 'radio', 'Text sizes alone')).click();
    await (await byRole(driver, 'textbox', 'Scale')).sendKeys(Key.chord(Key.CONTROL, 'a'), '50', Key.ENTER);
    await expectStep(driver, 'Headline: text at 50 % in Mobile, 1 value');
    expect(await size('Mobile')).to.equal('17px');
    await chord(Key.CONTROL, 'z');
    await chooseView(driver, 'Desktop');
    expect(await size('Desktop')).to.equal(before);
  });
});
