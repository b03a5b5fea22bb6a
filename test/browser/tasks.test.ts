/**
 * What common tasks cost a person's hands: a click, a drag, a key and a text typed in one go are one action each. The numbers are written by
 * hand; a change of the program that makes a task longer makes its test fail, as the same actions do not lead there any more.
 */
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import { handsAt } from './hands.ts';
import {
  beginRenaming,
  cell,
  computed,
  expectStep,
  isSeen,
  openWords,
  outlineRow,
  pointAt,
  sheet,
  type,
  useBench,
} from './workbench.ts';

describe('the actions that a task takes', function () {
  this.timeout(120_000);
  const bench = useBench();
  const hand = handsAt(bench);
  const { button, head } = hand;
  const row = (name: string) => outlineRow(bench.driver, name);
  const tile = (name: string, view: string) =>
    byRole(bench.driver, 'gridcell', new RegExp(`^${name} in ${view}:`));
  const step = (says: string | RegExp) => expectStep(bench.driver, says);

  /** Takes a block by its name, and lets it go a little above the middle of another. */
  const drag = async (name: string, view: string, onto: string) => {
    const to = await pointAt(bench.driver, view, onto);
    await bench.driver
      .actions({ async: true })
      .move({ origin: await button(new RegExp(`^${name}.*, move$`)) })
      .press()
      .move(to)
      .move({ x: to.x, y: to.y - 20 })
      .release()
      .perform();
  };

  /** A task, with the most actions that it may take. */
  const task = (what: string, most: number, work: () => Promise<void>) =>
    it(`${what}: ${most}`, async () => {
      hand.begin();
      await work();
      expect(hand.actions).to.equal(most);
    });

  task('clear an override', 3, async () => {
    await hand.click(row('Headline'));
    await hand.click(cell(bench.driver, 'Size', 'Mobile'));
    await hand.key(Key.DELETE);
    await step(/^Headline: size in Mobile cleared/);
  });

  task('hide a block in one view, by its tile', 1, async () => {
    await row('Lead paragraph');
    await hand.click(tile('Lead paragraph', 'Mobile'));
    await step('Lead paragraph: hidden in Mobile');
  });

  task('hide a block in the view that is looked at, by a key', 3, async () => {
    await hand.click(head('Mobile'));
    await hand.click(row('Book a night'));
    await hand.key('h');
    await step('Book a night: hidden in Mobile');
    expect(await isSeen(bench.driver, 'Mobile', 'opening-button')).to.equal(false);
  });

  task('hide instead of deleting, where delete was pressed in a narrow view', 4, async () => {
    await hand.click(head('Mobile'));
    await hand.click(row('The chart room: text'));
    await hand.key(Key.DELETE);
    await hand.click(button('Hide in Mobile instead'));
    await step('The chart room: text: hidden in Mobile');
  });

  task('see what differs in a view', 2, async () => {
    await hand.click(head('Mobile'));
    await hand.click(button('What differs'));
    await byRole(bench.driver, 'table', 'What differs in Mobile');
  });

  task('rename a block', 3, async () => {
    await hand.act(() => beginRenaming(bench.driver, 'Lead paragraph'));
    await hand.text('Introduction');
    await hand.key(Key.ENTER);
    await step(/renamed .*Introduction|Introduction/);
  });

  task('duplicate a block', 2, async () => {
    await hand.click(row('Book a night'));
    await hand.chord(Key.CONTROL, 'd');
    await step(/^Book a night: duplicated/);
  });

  task('undo the last step', 1, async () => {
    await hand.chord(Key.CONTROL, 'z');
    await step(/^Undone/);
  });

  task('change three cards at once', 5, async () => {
    await hand.click(row('Saturn: title'));
    await hand.clickHolding(Key.SHIFT, row('The Ember cluster: title'));
    await hand.click(cell(bench.driver, 'Background', 'Desktop'));
    await hand.text('#102030');
    await hand.key(Key.ENTER);
    await step(/^3 elements: background/);
    expect(await computed(bench.driver, 'Desktop', 'moon', 'background-color')).to.equal('rgb(16, 32, 48)');
  });

  task('add a ready-made section at the end of the page', 2, async () => {
    await hand.click(button('Add an element'));
    await hand.click(byRole(bench.driver, 'button', 'Opening hours'));
    await step(/^Opening hours: added to/);
  });

  task('see two views side by side', 2, async () => {
    await hand.click(head('Mobile'));
    await hand.click(button('Side by side'));
    await sheet(bench.driver, 'Desktop');
    await sheet(bench.driver, 'Mobile');
  });

  task('say that the first section of a view is fine', 3, async () => {
    await hand.click(head('Tablet'));
    await hand.click(button('Walk through'));
    await hand.click(button('Fine'));
    await step('Header: fine in Tablet, on all pages');
  });

  task('give a headline another size in one view', 4, async () => {
    await hand.click(row('Headline'));
    await hand.click(cell(bench.driver, 'Size', 'Tablet'));
    await hand.text('40');
    await hand.key(Key.ENTER);
    await step(/^Headline: size in Tablet and onward .* → 40$/);
  });

  task('move a block before another in one view', 3, async () => {
    await hand.click(head('Tablet'));
    await hand.click(row('Introduction'));
    await hand.chord(Key.ALT, Key.ARROW_UP);
    await step(/order of parts in Tablet/);
  });

  task('look for what only the page layout shows, at every width', 2, async () => {
    await hand.click(button('Findings'));
    await hand.click(button('Sweep all widths'));
    await eventually('swept', async () =>
      (await (await byRole(bench.driver, 'status', 'Sweep')).getText()).startsWith('Swept at every width'),
    );
  });

  task('show a block again in one view, by its tile', 1, async () => {
    await row('Introduction');
    await hand.click(tile('Introduction', 'Mobile'));
    await step('Introduction: shown in Mobile');
  });

  task('delete a block in every view', 2, async () => {
    await hand.click(row('The chart room: text'));
    await hand.key(Key.DELETE);
    await step('The chart room: text: deleted in every view');
    await bench.chord(Key.CONTROL, 'z');
    await step(/^Undone/);
  });

  task('copy a block to another place', 4, async () => {
    await hand.click(row('Introduction'));
    await hand.chord(Key.CONTROL, 'c');
    await hand.click(row('Saturn: title'));
    await hand.chord(Key.CONTROL, 'v');
    await step(/^Introduction: pasted into Card: Saturn/);
  });

  task('group two blocks', 3, async () => {
    await hand.click(row('Headline'));
    await hand.clickHolding(Key.SHIFT, row('Introduction'));
    await hand.chord(Key.CONTROL, 'g');
    await step('2 elements of Text: grouped');
  });

  task('take a group apart', 2, async () => {
    await hand.click(row('Group'));
    await hand.chord(Key.CONTROL, Key.SHIFT, 'g');
    await step(/^Group: taken apart in every view/);
  });

  task('make a block a column narrower', 2, async () => {
    await hand.click(row('Text'));
    await hand.key('-');
    await step('Text: columns in Desktop 7 → 6');
  });

  task('hide three cards at once in one view', 4, async () => {
    await hand.click(head('Mobile'));
    await hand.click(row('Saturn: title'));
    await hand.clickHolding(Key.SHIFT, row('The Ember cluster: title'));
    await hand.key('h');
    await step('3 elements: hidden in Mobile');
  });

  task('find a property by another word for it', 3, async () => {
    await hand.click(row('Headline'));
    await hand.key('/');
    await hand.text('leading');
    await cell(bench.driver, 'Line height', 'Desktop');
  });

  task('write other words where they stand', 4, async () => {
    await hand.act(() => openWords(bench.driver, 'Desktop', 'headline', 'Headline'));
    await hand.chord(Key.CONTROL, 'a');
    await hand.text('The dome is open');
    await hand.chord(Key.CONTROL, Key.ENTER);
    await step(/^Headline: text in Desktop .* → The dome is open$/);
  });

  task('take a value over into another view', 5, async () => {
    await hand.click(row('Headline'));
    await hand.click(cell(bench.driver, 'Line height', 'Desktop'));
    await hand.chord(Key.CONTROL, 'c');
    await hand.click(cell(bench.driver, 'Line height', 'Wide'));
    await hand.chord(Key.CONTROL, 'v');
    await step(/^Headline: line height in Wide/);
  });

  task('give a value to one view alone', 5, async () => {
    await hand.click(row('Introduction'));
    await hand.click(button('Here'));
    await hand.click(cell(bench.driver, 'Size', 'Tablet'));
    await hand.text('19');
    await hand.key(Key.ENTER);
    await step(/^Introduction: size in Tablet .* → 19$/);
  });

  task('add a divider below a block', 4, async () => {
    await hand.click(row('Headline'));
    await hand.click(button('Add an element'));
    await hand.click(button('Elements'));
    await hand.click(button('Divider'));
    await step('Divider added to Text');
  });

  task('see all sections in all views', 1, async () => {
    await hand.click(button('Overview'));
    await eventually('heights of four views', async () => {
      const text = await bench.driver.executeScript<string>('return document.body.textContent');
      return (text.match(/px tall/g) ?? []).length === 4;
    });
  });

  task('go on to another page', 2, async () => {
    await hand.click(button(/^Page Home; choose another/));
    await hand.click(byRole(bench.driver, 'menuitem', /^Visits/));
    await sheet(bench.driver, 'Desktop');
    await eventually('the page', async () => (await bench.driver.getCurrentUrl()).endsWith('/pages/visits'));
  });

  task('say from when a page is', 5, async () => {
    await hand.click(byRole(bench.driver, 'link', 'Pages'));
    await hand.click(button(/^Visits/));
    await hand.click(byRole(bench.driver, 'textbox', 'Date'));
    await hand.text('2026-02-14');
    await hand.key(Key.ENTER);
    await step('Page Visits: date → 2026-02-14');
  });

  task('add a page', 5, async () => {
    await hand.click(byRole(bench.driver, 'link', 'Pages'));
    await hand.click(button('Add a page'));
    await hand.click(byRole(bench.driver, 'textbox', 'Title'));
    await hand.text('Winter nights');
    await hand.key(Key.ENTER);
    await step(/^Page Winter nights added/);
  });

  task('publish', 2, async () => {
    await hand.click(byRole(bench.driver, 'link', 'Publish …'));
    await hand.click(button('Publish'));
    await eventually('live', async () =>
      (await (await byRole(bench.driver, 'region', 'Publish the site')).getText()).includes('is live.'),
    );
  });

  task('mend a finding', 2, async () => {
    await (await row('Introduction')).click();
    await type(bench.driver, 'Size', 'Mobile', '10');
    await step(/→ 10$/);
    await hand.click(button('Findings'));
    await hand.click(button('Make it 16 px in Mobile'));
    await step('Introduction: size in Mobile 10 → 16');
  });

  task('interleave two columns in one view', 4, async () => {
    await hand.click(head('Mobile'));
    await hand.click(row('Headline'));
    await hand.act(() => drag('Headline', 'Mobile', 'dome'));
    await hand.click(byRole(bench.driver, 'menuitem', /^Interleave columns in Mobile/));
    await step(/columns interleaved in Mobile$/);
    await bench.chord(Key.CONTROL, 'z');
    await step(/^Undone/);
  });

  task('place a block freely, over what else is in its row', 2, async () => {
    await hand.click(row('Dome image'));
    await hand.act(async () => {
      await bench.driver.actions({ async: true }).keyDown(Key.ALT).perform();
      await drag('Dome image', 'Desktop', 'headline');
      await bench.driver.actions({ async: true }).keyUp(Key.ALT).perform();
    });
    await step(/^Dome image: placed freely in Desktop only/);
  });

  task('keep a section for other pages', 3, async () => {
    await hand.click(row('Moon phase strip'));
    await hand.click(button('More for Moon phase strip'));
    await hand.click(byRole(bench.driver, 'menuitem', 'Save Moon phase strip as a block'));
    await step(/^Moon phase strip: saved/);
  });

  task('cut an image for one view', 4, async () => {
    await hand.click(row('Saturn: image'));
    await hand.act(async () =>
      bench.driver
        .actions({ async: true })
        .move(await pointAt(bench.driver, 'Desktop', 'saturn-picture'))
        .doubleClick()
        .perform(),
    );
    await hand.act(async () => {
      const edge = await byRole(bench.driver, 'slider', 'Right edge of the crop');
      await bench.driver.actions().dragAndDrop(edge, { x: -20, y: 0 }).perform();
    });
    await hand.key(Key.ENTER);
    await step(/^Saturn: image: crop .* in Desktop$/);
  });

  task('give a page another layout', 5, async () => {
    await hand.click(row('Home'));
    await hand.click(button('More for Home'));
    await hand.click(byRole(bench.driver, 'menuitem', 'Choose the layout of the page …'));
    await hand.click(button(/^Main and aside/));
    await hand.click(button('Use this layout'));
    await step(/^Home: layout Main and aside/);
    await bench.chord(Key.CONTROL, 'z');
    await step(/^Undone/);
  });

  task('change a colour wherever it is used', 6, async () => {
    await hand.click(button('Theme'));
    await hand.click(button(/^Colour Lamp/));
    await hand.click(byRole(bench.driver, 'textbox', 'Colour'));
    await hand.chord(Key.CONTROL, 'a');
    await hand.text('#ffd27a');
    await hand.click(button('Change everywhere'));
    await step('Colour Lamp: #f0a93b → #ffd27a');
  });

  task('begin a site in a look', 4, async () => {
    await bench.driver.get(`${bench.running.url}/`);
    await hand.click(button('New site'));
    await hand.text('Marsh Lane');
    await hand.click(byRole(bench.driver, 'radio', /^Kiln/));
    await hand.click(button('Create site'));
    await sheet(bench.driver, 'Desktop');
    expect(await bench.driver.getCurrentUrl()).to.match(/\/marsh-lane\//);
  });
});
