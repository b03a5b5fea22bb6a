/** Dragging blocks by their names in a sheet: within what they stand in, into other containers, and between the parts of columns. */
import { expect } from 'chai';
import { Key, type WebElement } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import { chooseView, expectStep, inSheet, pointAt, selectInOutline, useBench } from './workbench.ts';

describe('the workbench: dragging blocks in a sheet', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { chord } = bench;

  type Boxes = Record<string, number[]>;
  /** The boxes of all that shows in the opening section of a view, in px of the page. */
  const boxes = (view: string) =>
    inSheet<Boxes>(
      bench.driver,
      view,
      'opening',
      `return window.document.fonts.ready.then(() => Object.fromEntries([...element.querySelectorAll('[class*=n-]')]
         .filter((each) => each.getClientRects().length > 0)
         .map((each) => { const { left, top, width, height } = each.getBoundingClientRect(); return [each.className, [left, top, width, height]]; })));`,
    );
  const grip = (name: string): Promise<WebElement> =>
    byRole(bench.driver, 'button', new RegExp(`^${name}.*, move$`));
  /** What is said at the pointer. */
  const said = () =>
    eventually('words at the pointer', async () => {
      const [words] = await bench.driver.findElements({ css: '.drop-words[role=status]' });
      return (await words?.getText()) || undefined;
    });
  /** Presses the name of a block, and draws it to below the middle of another; answers what is said there. */
  const drawTo = async (name: string, view: string, id: string, below = 20) => {
    const { driver } = bench;
    const from = await grip(name);
    const to = await pointAt(driver, view, id);
    await driver
      .actions({ async: true })
      .move({ origin: from })
      .press()
      .move({ x: to.x, y: to.y })
      .move({ x: to.x, y: to.y + below })
      .perform();
    return said();
  };
  const release = () => bench.driver.actions().release().perform();
  const tops = async (view: string, ids: readonly string[]) => {
    const found: number[] = [];
    for (const id of ids)
      found.push(await inSheet<number>(bench.driver, view, id, 'return element.getBoundingClientRect().top'));
    return found;
  };

  it('past the image of the next column in one view: columns interleave there, and every other view stays to the pixel', async () => {
    const { driver } = bench;
    const before: Record<string, Boxes> = {};
    for (const view of ['Wide', 'Desktop', 'Tablet']) {
      await chooseView(driver, view);
      before[view] = await boxes(view);
    }
    await chooseView(driver, 'Mobile');
    await selectInOutline(driver, 'Lead paragraph');
    const words = await drawTo('Lead paragraph', 'Mobile', 'dome', -20);
    expect(words).to.equal('Interleave columns in Mobile, or move into Row: text + dome in every view');
    await release();
    await (await byRole(driver, 'menuitem', 'Interleave columns in Mobile; other views stay')).click();
    await expectStep(driver, 'Lead paragraph: 1st of 4 in Row: text + dome, columns interleaved in Mobile');
    const [lead, dome, headline, book] = await tops('Mobile', ['lead', 'dome', 'headline', 'book']);
    expect([lead < dome, dome < headline, headline < book]).to.deep.equal([true, true, true]);
    for (const view of ['Wide', 'Desktop', 'Tablet']) {
      await chooseView(driver, view);
      expect(await boxes(view), view).to.deep.equal(before[view]);
    }

    // In what is interleaved already it goes on without a question, by keys too.
    await chooseView(driver, 'Mobile');
    await selectInOutline(driver, 'Lead paragraph');
    await (await grip('Lead paragraph')).sendKeys(Key.ARROW_DOWN);
    await expectStep(driver, /^Lead paragraph: 2nd of 4 in Row: text \+ dome/);
    expect(await drawTo('Lead paragraph', 'Mobile', 'headline', 8)).to.equal('3rd of 4 in Row: text + dome');
    await release();
    await expectStep(driver, /^Lead paragraph: 3rd of 4 in Row: text \+ dome/);
    await chord(Key.CONTROL, 'z');
    await expectStep(driver, /^Undone: Lead paragraph: 3rd/);
  });

  it('into another column: in every view, and says so at the pointer', async () => {
    const { driver } = bench;
    await chooseView(driver, 'Desktop');
    await selectInOutline(driver, 'Your own eyes: title');
    const words = await drawTo('Your own eyes: title', 'Desktop', 'book', 5);
    expect(words).to.equal('Move into Text in every view');
    await release();
    await expectStep(driver, /moved to Text, in every view$/);
    const [book, moved] = await Promise.all([tops('Desktop', ['book']), tops('Desktop', ['eyes-title'])]);
    expect(moved[0]).to.be.greaterThan(book[0]);
  });

  it('with Alt anywhere, in two actions: its column is an overlay then, and every other view stays', async () => {
    const { driver } = bench;
    const NAME = 'The chart room: text';
    const others = ['Wide', 'Tablet', 'Mobile'];
    const ids = ['chart-title', 'chart-text', 'chart-picture'];
    const before: Record<string, number[]> = {};
    for (const view of others) {
      await chooseView(driver, view);
      before[view] = await tops(view, ids);
    }
    await chooseView(driver, 'Desktop');
    await selectInOutline(driver, NAME);
    const was = await tops('Desktop', ids);
    const from = await grip(NAME);
    await driver.actions({ async: true }).keyDown(Key.ALT).perform();
    await driver
      .actions({ async: true })
      .move({ origin: from })
      .press()
      .move({ origin: from, y: 30 })
      .move({ origin: from, y: 60 })
      .perform();
    expect(await said()).to.equal(
      'Placed freely in Desktop only; The chart room: words becomes an overlay, in every view',
    );
    await release();
    await driver.actions({ async: true }).keyUp(Key.ALT).perform();
    await expectStep(
      driver,
      `${NAME}: placed freely in Desktop only; The chart room: words is now an overlay in every view`,
    );
    const scale = await inSheet<number>(
      driver,
      'Desktop',
      'page',
      'return window.frameElement.getBoundingClientRect().width / window.innerWidth',
    );
    // What is taller now stands elsewhere in its row: distances are compared.
    const [title, text] = await tops('Desktop', ids);
    expect(text - title - (was[1] - was[0])).to.be.closeTo(60 / scale, 1);
    for (const view of others) {
      await chooseView(driver, view);
      (await tops(view, ids)).forEach((top, index) =>
        expect(top, view).to.be.closeTo(before[view][index], 1),
      );
    }
    await chord(Key.CONTROL, 'z');
    await expectStep(driver, /^Undone: The chart room: text/);
  });

  it('with Alt not where columns are interleaved, as a part could not stay where it is there', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Lead paragraph');
    await driver.actions({ async: true }).keyDown(Key.ALT).perform();
    expect(await drawTo('Lead paragraph', 'Desktop', 'book')).to.equal(
      'Row: text + dome interleaves its columns in Mobile; keep them together there first.',
    );
    await release();
    await driver.actions({ async: true }).keyUp(Key.ALT).perform();
    await expectStep(driver, /keep them together there first. Nothing was changed\.$/);
  });

  it('to where it cannot be, which is said at the pointer; Escape gives up', async () => {
    const { driver } = bench;
    await chooseView(driver, 'Desktop');
    await selectInOutline(driver, 'Book a night');
    const words = await drawTo('Book a night', 'Desktop', 'shared-head-mark', 0);
    expect(words).to.match(/^Book a night is on this page only, and .* does not; copy it instead\.$/);
    await driver.actions().sendKeys(Key.ESCAPE).perform();
    await release();
    await eventually('no mark', async () => {
      const marks = await driver.findElements({ css: '.drop-words' });
      return marks.length === 0 || undefined;
    });
  });
});
