/** Adding, duplicating and deleting elements, by pointer and keyboard. */
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import {
  addElement,
  addPanel,
  inSheet,
  kept,
  outlineRow,
  expectStep,
  selectInOutline,
  sheet,
  useBench,
} from './workbench.ts';

describe('the workbench: elements come and go', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { press, chord, focusedCell } = bench;

  const names = async () =>
    bench.driver.executeScript<string[]>(
      'return [...document.querySelectorAll("[role=treegrid] [data-column=\\"-1\\"]")].map((cell) => cell.title)',
    );
  const addOf = (kind: string) => addElement(bench.driver, kind);
  const inSheets = (selector: string) =>
    inSheet<number>(
      bench.driver,
      'Desktop',
      'page',
      `return window.document.querySelectorAll(${JSON.stringify(selector)}).length`,
    );

  it('adds one below the selected element, selects it, and edits it like any other', async () => {
    const { driver } = bench;
    const before = await inSheets('.quote');
    await selectInOutline(driver, 'Dome image');
    await addOf('Quote');
    await expectStep(driver, 'Quote added to Row: text + dome');
    await byRole(driver, 'grid', 'Values of Quote');
    const listed = await names();
    expect(listed[listed.indexOf('Dome image') + 1]).to.equal('Quote');
    expect(await inSheets('.quote')).to.equal(before + 1);
    await chord(Key.CONTROL, 'z');
    await expectStep(driver, 'Undone: Quote added to Row: text + dome');
    expect(await inSheets('.quote')).to.equal(before);
    await chord(Key.CONTROL, 'y');
    await eventually('the quote is back', async () => (await inSheets('.quote')) === before + 1);
  });

  it('adds inside a container or below it, and a section behind the one that is worked in', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Text');
    await addOf('Divider');
    await expectStep(driver, 'Divider added to Text');
    await selectInOutline(driver, 'Text');
    await (await byRole(driver, 'button', 'Below Text')).click();
    await addOf('Card');
    await expectStep(driver, 'Card added to Row: text + dome');
    await selectInOutline(driver, 'Headline');
    await addOf('Section');
    await expectStep(driver, 'Section added to Home');
    await byRole(driver, 'grid', 'Values of Section');
    const listed = await names();
    expect(listed.slice(listed.indexOf('Section'), listed.indexOf('Section') + 4)).to.deep.equal([
      'Section',
      'Heading',
      'Text',
      'How an evening goes',
    ]);
  });

  it('duplicates and deletes by keyboard, with the focus on what is selected next, kept over a reload', async () => {
    const { driver } = bench;
    const cards = await inSheets('.card, .column');
    await selectInOutline(driver, 'Card: Saturn');
    await chord(Key.CONTROL, 'd');
    await expectStep(driver, /^Card: Saturn: duplicated with \d+ elements in it$/);
    expect(await inSheets('.card, .column')).to.equal(cards + 1);
    await focusedCell(/^Card: Saturn 2$/);
    await press(Key.DELETE);
    await expectStep(driver, /^Card: Saturn 2: deleted in every view with \d+ elements in it$/);
    expect(await inSheets('.card, .column')).to.equal(cards);
    await focusedCell(/./);
    // Chosen together with what holds it: the next thing that stays is selected.
    await selectInOutline(driver, 'Headline');
    await driver
      .actions()
      .keyDown(Key.CONTROL)
      .click(await outlineRow(driver, 'Text'))
      .keyUp(Key.CONTROL)
      .perform();
    await byRole(driver, 'grid', 'Values of 2 elements');
    await press(Key.DELETE);
    await expectStep(driver, /^Text: deleted in every view with \d+ elements in it$/);
    await byRole(driver, 'grid', /^Values of (Card|Dome image)$/);
    await chord(Key.CONTROL, 'z');
    await selectInOutline(driver, 'Dome image');
    await press(Key.DELETE);
    await expectStep(driver, 'Dome image: deleted in every view');
    await kept(driver);
    await bench.reload();
    await sheet(driver, 'Desktop');
    expect(await inSheets('.n-dome')).to.equal(0);
    await chord(Key.CONTROL, 'z');
    await expectStep(driver, 'Undone: Dome image: deleted in every view');
    expect(await inSheets('.n-dome')).to.equal(1);
    await outlineRow(driver, 'Dome image');
  });

  it('duplicates several at once, in one step, behind the last of them', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Card: Saturn');
    await driver
      .actions()
      .keyDown(Key.CONTROL)
      .click(await outlineRow(driver, 'Card: The young moon'))
      .keyUp(Key.CONTROL)
      .perform();
    await byRole(driver, 'grid', 'Values of 2 elements');
    await chord(Key.CONTROL, 'd');
    await expectStep(driver, '2 elements: duplicated in Three objects with 6 elements in it');
    await byRole(driver, 'grid', 'Values of 2 elements');
    const listed = (await names()).filter((name) => name.startsWith('Card: '));
    expect(listed).to.deep.equal([
      ...['Card: Saturn', 'Card: The young moon', 'Card: Saturn 2', 'Card: The young moon 2'],
      'Card: The Ember cluster',
    ]);
    await chord(Key.CONTROL, 'z');
    await expectStep(driver, /^Undone: 2 elements: duplicated/);
  });

  it('lets a block take a column more or less of its row by + and −, and says where there is no row', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Text');
    await press('-');
    await expectStep(driver, 'Text: columns in Desktop 7 → 6');
    await press('+');
    await expectStep(driver, 'Text: columns in Desktop 6 → 7');
    await selectInOutline(driver, 'Headline');
    await press('-');
    await eventually('why not', async () =>
      /Headline is not in a row, so it cannot span columns/.test(
        await driver.executeScript<string>('return document.body.textContent'),
      )
        ? true
        : undefined,
    );
  });

  it('offers only what can be done: nothing of the page itself goes, and what fits nowhere is not offered', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Home');
    const panel = await addPanel(driver, 'Elements');
    expect(await (await byRole(driver, 'button', 'Section', { inside: panel })).isEnabled()).to.equal(true);
    expect(await (await byRole(driver, 'button', 'Heading', { inside: panel })).isEnabled()).to.equal(false);
    await (await byRole(driver, 'textbox', 'Find what to add', { inside: panel })).click();
    await press(Key.ESCAPE);
    await eventually(
      'the panel is closed',
      async () => (await driver.findElements(By.css('section[aria-label="Add"]'))).length === 0,
    );
    await (await byRole(driver, 'button', 'More for Home')).click();
    const entry = await byRole(driver, 'menuitem', /^Delete Home/);
    expect(await entry.getAttribute('aria-disabled')).to.equal('true');
    await press(Key.ESCAPE);
  });
});
