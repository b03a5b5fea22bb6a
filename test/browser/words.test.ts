/** Texts that are edited where they stand: each by a double click on it, given up by Escape, and never lost by loading the page again. */
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import { editor, set } from '../server/editing.ts';
import { byRole, eventually } from './browser.ts';
import {
  addPanel,
  chooseView,
  expectStep,
  inSheet,
  kept,
  lastStep,
  outlineRow,
  useBench,
} from './workbench.ts';

describe('a text where it stands', function () {
  this.timeout(120_000);
  const bench = useBench();

  /** Scrolls to what a selector finds in an element of a sheet; returns its middle in the window’s pixels. */
  const pointOf = (view: string, id: string, selector: string) =>
    inSheet<{ x: number; y: number }>(
      bench.driver,
      view,
      id,
      `const text = element.querySelector(${JSON.stringify(selector)});
       const sheets = window.frameElement.closest('.desk-sheets');
       const place = () => {
         const frame = window.frameElement.getBoundingClientRect(); const scale = frame.width / window.innerWidth; const box = text.getBoundingClientRect();
         return { x: Math.round(frame.left + (box.left + box.width / 2) * scale), y: Math.round(frame.top + (box.top + box.height / 2) * scale) };
       };
       sheets.scrollTop += place().y - 400;
       return place();`,
    );
  const click = async (view: string, id: string, selector: string) =>
    bench.driver
      .actions()
      .move(await pointOf(view, id, selector))
      .click()
      .perform();
  /** Double-clicks what a selector finds in an element of a sheet, until the text toolbar is open. */
  const open = (view: string, id: string, selector: string, name?: string) =>
    eventually(`the toolbar of ${selector} in ${id}`, async () => {
      await bench.driver
        .actions()
        .move(await pointOf(view, id, selector))
        .doubleClick()
        .perform();
      return byRole(bench.driver, 'toolbar', name === undefined ? /^Text of / : `Text of ${name}`, {
        within: 3000,
      });
    });
  const write = async (words: string) => {
    await bench.chord(Key.CONTROL, 'a');
    await bench.press(words);
  };
  const says = (view: string, id: string, selector: string) =>
    inSheet<string>(
      bench.driver,
      view,
      id,
      // Of several that stand in for one another, the one that the view shows.
      `const all = [...window.document.querySelectorAll('.n-${id}')];
       return (all.find((each) => each.checkVisibility()) ?? element).querySelector(${JSON.stringify(selector)}).textContent`,
    );

  /** Waits until the server has some words. */
  const atServer = (words: string) =>
    eventually(`${words} at the server`, async () => {
      const answer = await fetch(bench.running.url + paths.page('brindle-hill', 'hire'));
      return (await answer.text()).includes(words);
    });

  /** On the page of telescopes to hire: an element, where a text of it stands, and what it is called. */
  const TEXTS: [id: string, selector: string, name: string, field: RegExp][] = [
    ['hire-quote', 'figcaption', 'Quote: the rings', /author/i],
    ['hire-quote', 'blockquote', 'Quote: the rings', /text/i],
    ['hire-bring', 'li:nth-child(2)', 'What to bring', /items/i],
    ['hire-price-list', 'li:nth-child(2) b', 'Price list', /prices/i],
    ['hire-price-list', 'li:nth-child(2) span', 'Price list', /prices/i],
    ['hire-price-list', 'li:nth-child(1) small', 'Price list', /prices/i],
    ['hire-hours', 'caption', 'Hero hours', /caption/i],
    ['hire-hours', 'tr:nth-child(2) td', 'Hero hours', /hours/i],
    ['hire-hours', 'tr:nth-child(3) th', 'Hero hours', /hours/i],
    ['hire-gallery', 'li:nth-child(2) figcaption', 'Gallery', /images/i],
    ['hire-film', 'figcaption', 'Video: turning sky', /caption/i],
    ['hire-form', 'p:nth-of-type(2) label span', 'Booking form', /fields/i],
    // Space would activate a button.
    ['hire-form', ':scope > button', 'Booking form', /button/i],
    ['shared-head-pages', 'li:nth-child(3) a', 'Page links', /links/i],
    ['shared-foot-foot-social', 'li:nth-child(2) a span', 'Social links', /places/i],
  ];

  it('is the one that was double-clicked, of every kind that has several', async () => {
    await bench.open('hire');
    for (const [index, [id, selector, name, field]] of TEXTS.entries()) {
      const words = `Words ${index}`;
      await open('Desktop', id, selector, name);
      await write(words);
      await bench.chord(Key.CONTROL, Key.ENTER);
      await expectStep(bench.driver, new RegExp(`^${name}: (.*)`));
      expect(await lastStep(bench.driver)).to.match(field);
      await eventually(
        `${words} in ${selector}`,
        async () => (await says('Desktop', id, selector)) === words,
      );
    }
    await kept(bench.driver);
  });

  it('is edited in what was just added, with spaces in what Space would open', async () => {
    const { driver } = bench;
    await bench.open('hire');
    for (const [section, kind, texts] of [
      ['Questions and answers', 'questions', ['details:nth-child(2) summary', 'details:nth-child(2) p']],
      ['Timetable', 'timetable', ['tr:nth-child(2) th', 'tr:nth-child(2) td > span']],
    ] as const) {
      await addPanel(driver, 'Sections');
      await (await byRole(driver, 'button', section)).click();
      await expectStep(driver, new RegExp(`^${section}: added to`));
      const id = await eventually(`${section} in the sheet`, () =>
        driver.executeScript<string | undefined>(
          `const element = document.querySelector('iframe[title^="Page in Desktop"]').contentDocument.querySelector('.${kind}');
           return element?.className.match(/n-([\\w-]+)/)?.[1];`,
        ),
      );
      for (const selector of texts) {
        if (selector.endsWith(' p')) await click('Desktop', id, 'details:nth-child(2) summary');
        await open('Desktop', id, selector);
        await write('Is it very cold?');
        await bench.chord(Key.CONTROL, Key.ENTER);
        await eventually(
          `the text in ${selector}`,
          async () => (await says('Desktop', id, selector)) === 'Is it very cold?',
        );
      }
      await (await byRole(driver, 'button', 'Close Add')).click();
    }
    await kept(driver);
  });

  it('is another one in the view in which it is written, as far as the reach goes', async () => {
    await bench.open('hire');
    await chooseView(bench.driver, 'Mobile');
    const bar = await open('Mobile', 'hire-price-list', 'li:nth-child(1) span', 'Price list');
    expect(await bar.getText()).to.match(/^Changes Mobile · 9 characters/);
    await write('£18');
    await bench.press(Key.ENTER);
    await expectStep(bench.driver, /^Price list: prices in Mobile/);
    await eventually(
      'the price in Mobile',
      async () => (await says('Mobile', 'hire-price-list', 'li:nth-child(1) span')) === '£18',
    );
    await chooseView(bench.driver, 'Desktop');
    expect(await says('Desktop', 'hire-price-list', 'li:nth-child(1) span')).to.equal('18 pounds');
  });

  it('is as it was after Escape, whatever was written', async () => {
    await bench.open('hire');
    const before = await says('Desktop', 'hire-quote', 'blockquote');
    const step = await lastStep(bench.driver);
    await open('Desktop', 'hire-quote', 'blockquote', 'Quote: the rings');
    await write('Not this');
    await bench.press(Key.ESCAPE);
    await eventually(
      'the words from before',
      async () => (await says('Desktop', 'hire-quote', 'blockquote')) === before,
    );
    expect(await lastStep(bench.driver)).to.equal(step);
  });

  it('is written into its entry, where others have put one before it meanwhile', async () => {
    await bench.open('hire');
    const other = editor(() => bench.running.url, 'another-window');
    const entry = await says('Desktop', 'hire-bring', 'li:nth-child(2)');
    await open('Desktop', 'hire-bring', 'li:nth-child(2)', 'What to bring');
    await write('a large car');
    const items = ['a map,', 'something with your name and address on it,', entry, 'a torch.'];
    await other.made([
      set(
        '/pages/hire/nodes/hire-bring/content/items',
        items.map((text) => ({ text })),
      ),
      set('/pages/hire/nodes/hire-bring/name', 'Bring along'),
    ]);
    // Heard of here, which the text in editing does not show.
    await outlineRow(bench.driver, 'Bring along');
    await bench.chord(Key.CONTROL, Key.ENTER);
    await kept(bench.driver);
    await eventually('all four', async () => {
      const all = await inSheet<string[]>(
        bench.driver,
        'Desktop',
        'hire-bring',
        'return [...element.querySelectorAll("li")].map(({ textContent }) => textContent)',
      );
      return all.join('|') === 'a map,|something with your name and address on it,|a large car|a torch.';
    });
  });

  it('is there after the page was loaded again in the middle of it', async () => {
    await bench.open('hire');
    await open('Desktop', 'hire-film', 'figcaption', 'Video: turning sky');
    await write('An hour in five seconds');
    await bench.driver.navigate().refresh();
    await eventually(
      'what was written',
      async () => (await says('Desktop', 'hire-film', 'figcaption')) === 'An hour in five seconds',
    );
    await atServer('An hour in five seconds');
  });

  it('in a field is there as well after the page was loaded again in the middle of it', async () => {
    const { driver } = bench;
    await driver.get(`${bench.running.url}/sites/brindle-hill/pages`);
    const page = async () => (await byRole(driver, 'button', /^Telescope hire/)).click();
    await page();
    const author = async () => byRole(driver, 'textbox', 'Author');
    await (await author()).sendKeys('Ada Pell');
    await driver.navigate().refresh();
    await page();
    await eventually(
      'what was typed',
      async () => (await (await author()).getAttribute('value')) === 'Ada Pell',
    );
    await atServer('Ada Pell');
  });
});
