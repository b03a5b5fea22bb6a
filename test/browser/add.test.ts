/** The panel of what can be added: ready-made sections and elements, by click, by key, by search and by drag, in any view. */
import { expect } from 'chai';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key, Origin } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import {
  addPanel,
  chooseReach,
  chooseView,
  inSheet,
  outlineRow,
  savedBy,
  expectStep,
  selectInOutline,
  sheet,
  useBench,
} from './workbench.ts';

describe('the workbench: what can be added', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { press, chord } = bench;

  const names = () =>
    bench.driver.executeScript<string[]>(
      'return [...document.querySelectorAll("[role=treegrid] [data-column=\\"-1\\"]")].map((cell) => cell.title)',
    );
  const sectionsIn = (view: string) =>
    inSheet<string[]>(
      bench.driver,
      view,
      'page',
      'return [...element.ownerDocument.querySelectorAll(".section")].filter((each) => each.checkVisibility()).map((each) => each.querySelector("h1,h2,h3,blockquote")?.textContent ?? "")',
    );
  const noted = () =>
    bench.driver.executeScript<string>(
      'return [...document.querySelectorAll("[role=status]")].map((each) => each.textContent).join("|")',
    );

  it('has ready-made sections in the site’s own theme, and adds one below the selected section', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Hero: the dome opens at dusk');
    const panel = await addPanel(driver, 'Sections');
    const offers = await panel.findElements(By.css('[role=listitem] button'));
    expect(offers.length).to.be.at.least(16);
    const colour = await eventually('a section drawn', () =>
      driver.executeScript<string>(
        `const frame = document.querySelector('section[aria-label="Add"] iframe');
         const band = frame?.contentDocument?.querySelector('.section');
         return band && getComputedStyle(band).backgroundColor`,
      ),
    );
    // Drawn or not, each is as high: what is aimed at stays under the pointer.
    const heights = await Promise.all(offers.map(async (each) => (await each.getRect()).height));
    expect([...new Set(heights)]).to.have.lengthOf(1);
    // The observatory's Dusk, #1d2b4f.
    expect(colour).to.equal('rgb(29, 43, 79)');
    await (await byRole(driver, 'button', 'Below Hero: the dome opens at dusk', { inside: panel })).click();
    await (await byRole(driver, 'button', 'Prices', { inside: panel })).click();
    await expectStep(driver, 'Prices: added to Home with 2 elements in it');
    await byRole(driver, 'grid', 'Values of Prices');
    const list = await names();
    expect(list.indexOf('Prices')).to.be.greaterThan(list.indexOf('Dome image'));
    expect(list.indexOf('Prices')).to.be.lessThan(list.indexOf('How an evening goes'));
    expect((await sectionsIn('Desktop'))[2]).to.equal('What it costs');
    // It stays open, and the next goes below the one that was added.
    await (await byRole(driver, 'button', 'Quote', { inside: panel })).click();
    await expectStep(driver, 'Quote: added to Home with 1 element in it');
    expect((await sectionsIn('Desktop')).slice(2, 4)).to.deep.equal([
      'What it costs',
      'A sentence somebody said about you, in their own words.',
    ]);
  });

  it('is opened by a key and searched by what a thing is for; Enter adds the first that is found', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Lead paragraph');
    await press('/');
    const field = await byRole(driver, 'textbox', 'Find what to add');
    await eventually('the field has the keyboard', async () =>
      (await field.getId()) === (await driver.switchTo().activeElement().getId()) ? true : undefined,
    );
    await field.sendKeys('accordion');
    const panel = await byRole(driver, 'region', 'Add');
    const found = await panel.findElements(By.css('[role=listitem] button'));
    expect(await Promise.all(found.map((each) => each.getAccessibleName()))).to.deep.equal([
      'Questions and answers',
    ]);
    await field.sendKeys(Key.ENTER);
    await expectStep(driver, 'Questions and answers: added to Home with 2 elements in it');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), 'xyzzy');
    expect(await panel.getText()).to.match(/Nothing to add matches “xyzzy”/);
    await press(Key.ESCAPE);
    expect(await field.getAttribute('value')).to.equal('');
    // The key goes to the field of the open panel, and leaves what it shows.
    await (await byRole(driver, 'button', 'Saved blocks', { inside: panel })).click();
    await press('/');
    await eventually('the field has the keyboard again', async () =>
      (await field.getId()) === (await driver.switchTo().activeElement().getId()) ? true : undefined,
    );
    expect(await field.getAttribute('value')).to.equal('');
    expect(await panel.getText()).to.match(/No saved blocks yet/);
    await press(Key.ESCAPE);
    await eventually('the panel is closed', async () =>
      (await driver.findElements(By.css('section[aria-label="Add"]'))).length === 0 ? true : undefined,
    );
  });

  it('is said not to be there where it cannot be loaded; all else goes on, and it comes when tried again', async () => {
    const { driver } = bench;
    const blocked = (urls: string[]) => driver.sendDevToolsCommand('Network.setBlockedURLs', { urls });
    await driver.sendDevToolsCommand('Network.enable', {});
    await blocked(['*AddPanel*']);
    await driver.navigate().refresh();
    await sheet(driver, 'Desktop');
    await (await byRole(driver, 'button', 'Add an element')).click();
    await eventually('that it could not be loaded', async () =>
      /could not be loaded\. Your work is safe/.test(await (await byRole(driver, 'alert', '')).getText()),
    );
    await selectInOutline(driver, 'Lead paragraph');
    await byRole(driver, 'grid', 'Values of Lead paragraph');
    await (await byRole(driver, 'button', 'Try again')).click();
    // A browser may not ask for it a third time: the page itself is loaded then.
    const again = await byRole(driver, 'button', 'Load again');
    await blocked([]);
    await again.click();
    await sheet(driver, 'Desktop');
    await (await byRole(driver, 'button', 'Add an element')).click();
    await byRole(driver, 'region', 'Add');
    await driver.navigate().refresh();
    await sheet(driver, 'Desktop');
  });

  it('lets a thing be drawn to a place in a sheet, and says where each view has it', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Lead paragraph');
    const panel = await addPanel(driver, 'Elements');
    const offer = await byRole(driver, 'button', 'Divider', { inside: panel });
    const frame = await sheet(driver, 'Desktop');
    const at = await driver.executeScript<{ x: number; y: number }>(
      `const frame = arguments[0]; const box = frame.getBoundingClientRect(); const scale = box.width / frame.clientWidth;
       const own = frame.contentDocument.querySelector('.n-lead').getBoundingClientRect();
       return { x: Math.round(box.left + (own.left + own.width / 2) * scale), y: Math.round(box.top + (own.top + 3) * scale) }`,
      frame,
    );
    const actions = () => driver.actions({ async: true });
    await actions()
      .move({ origin: offer })
      .press()
      .move({ ...at, origin: Origin.VIEWPORT })
      .perform();
    await eventually('what comes of it', async () =>
      /In Text: 2nd of 4, in every view/.test(await noted()) ? true : undefined,
    );
    await actions().release().perform();
    await expectStep(driver, 'Divider added to Text');
    const list = await names();
    expect(list.indexOf('Divider')).to.equal(list.indexOf('Headline') + 1);
    // After a drag, keys add as before.
    await selectInOutline(driver, 'Lead paragraph');
    await (await byRole(driver, 'button', 'Spacer', { inside: panel })).sendKeys(Key.ENTER);
    await expectStep(driver, 'Spacer added to Text');
    // Given up with Escape, it changes nothing.
    await actions()
      .move({ origin: offer })
      .press()
      .move({ ...at, origin: Origin.VIEWPORT })
      .perform();
    await press(Key.ESCAPE);
    await actions().release().perform();
    expect((await names()).filter((name) => name === 'Divider')).to.have.length(1);
  });

  it('lets a section be drawn between rows of the outline', async () => {
    const { driver } = bench;
    const panel = await addPanel(driver, 'Sections');
    const offer = await byRole(driver, 'button', 'Hero', { inside: panel });
    const row = await outlineRow(driver, 'Hero: the dome opens at dusk');
    const box = await row.getRect();
    const at = { x: Math.round(box.x + 60), y: Math.round(box.y + 2), origin: Origin.VIEWPORT };
    await driver
      .actions({ async: true })
      .move({ origin: offer })
      .press()
      .move(at)
      .move({ ...at, x: at.x + 3 })
      .release()
      .perform();
    await expectStep(driver, 'Hero: added to Home with 6 elements in it');
    expect((await sectionsIn('Desktop')).slice(1, 3)).to.deep.equal([
      'What you do, in five words',
      'The dome opens at dusk. Bring a coat.',
    ]);
  });

  it('shows what is added in another view than the base there only, as the reach says', async () => {
    const { driver } = bench;
    await chooseView(driver, 'Mobile');
    await selectInOutline(driver, 'Home');
    await chooseReach(driver, 'Here');
    const panel = await addPanel(driver, 'Sections');
    expect(await panel.getText()).to.include('Shows only in Mobile');
    await (await byRole(driver, 'button', 'Numbers', { inside: panel })).click();
    await expectStep(driver, 'Numbers: added to Home with 14 elements in it, shown only in Mobile');
    expect(await sectionsIn('Mobile')).to.include('In numbers');
    await eventually('what was added is in sight', async () => {
      const top = await driver.executeScript<number | null>(
        'return [...document.querySelectorAll("[data-move-grip]")].find((each) => each.textContent.startsWith("Numbers"))?.getBoundingClientRect().top ?? null',
      );
      return top !== null && top > 100 && top < 700 ? true : undefined;
    });
    // What is selected is shown as a ghost where it is hidden: something else is.
    await selectInOutline(driver, 'Headline');
    await chooseView(driver, 'Desktop');
    await eventually('it is not on Desktop', async () =>
      (await sectionsIn('Desktop')).includes('In numbers') ? undefined : true,
    );
    await chord(Key.CONTROL, 'z');
    await expectStep(driver, /^Undone: Numbers: added/);
  });

  it('opens answers by themselves, without a script', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Hero: the dome opens at dusk');
    const panel = await addPanel(driver, 'Sections');
    await (await byRole(driver, 'button', 'Questions and answers', { inside: panel })).click();
    await expectStep(driver, /^Questions and answers: added/);
    const closed = await inSheet<boolean>(
      driver,
      'Desktop',
      'page',
      'const one = element.ownerDocument.querySelector("details"); const before = one.querySelector("p").checkVisibility({ contentVisibilityAuto: true }); one.open = true; return !before && one.querySelector("p").getClientRects().length > 0',
    );
    expect(closed).to.equal(true);
  });

  it('keeps a block under a name, draws it, places it on another page, and brings one in from a file', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Card: Saturn');
    await (await byRole(driver, 'button', 'More for Card: Saturn')).click();
    await (await byRole(driver, 'menuitem', /^Save Card: Saturn as a block/)).click();
    await expectStep(driver, 'Card: Saturn: saved with 3 elements in it');
    const panel = await byRole(driver, 'region', 'Add');
    await (await byRole(driver, 'button', 'More for Card: Saturn', { inside: panel })).click();
    await (await byRole(driver, 'menuitem', 'Rename')).click();
    const field = () => byRole(driver, 'textbox', 'New name of Card: Saturn', { inside: panel });
    // Given up, the name is as it was, and the panel is still there.
    await (await field()).sendKeys(Key.ESCAPE);
    await (await byRole(driver, 'button', 'More for Card: Saturn', { inside: panel })).click();
    await (await byRole(driver, 'menuitem', 'Rename')).click();
    await (await field()).sendKeys(Key.chord(Key.CONTROL, 'a'), 'Saturn, kept', Key.ENTER);
    await expectStep(driver, 'Card: Saturn: saved as Saturn, kept');
    await byRole(driver, 'button', 'Saturn, kept', { inside: panel });
    await (await byRole(driver, 'button', 'More for Saturn, kept', { inside: panel })).click();
    const link = await byRole(driver, 'menuitem', 'Export to a file');
    const file = await savedBy(driver, link, 'saturn-kept.block.json');
    await bench.open('find-us');
    await selectInOutline(driver, 'Ways to come');
    await (await byRole(driver, 'button', 'Add an element')).click();
    const again = await byRole(driver, 'region', 'Add');
    await (await byRole(driver, 'button', 'Saved blocks', { inside: again })).click();
    await (await byRole(driver, 'button', 'Saturn, kept', { inside: again })).click();
    await expectStep(driver, 'Saturn, kept: added to Ways to come with 3 elements in it');
    const drawn = await eventually('the image of the block', () =>
      driver.executeScript<string>(
        `const frame = document.querySelector('section[aria-label="Add"] iframe');
         return frame?.contentDocument?.querySelector('h3')?.textContent`,
      ),
    );
    expect(drawn).to.equal('Saturn');
    // Imported from the file that was taken out, and from one that is none.
    const folder = await mkdtemp(join(tmpdir(), 'dimorphe-blocks-'));
    await writeFile(join(folder, 'saturn.block.json'), file);
    await writeFile(join(folder, 'letter.json'), '{"format":"a letter"}');
    const input = await driver.findElement(By.css('input[aria-label="Files of blocks"]'));
    await input.sendKeys(join(folder, 'saturn.block.json'));
    await expectStep(driver, 'Saturn, kept: saved with 3 elements in it');
    await (
      await driver.findElement(By.css('input[aria-label="Files of blocks"]'))
    ).sendKeys(join(folder, 'letter.json'));
    await eventually('why it was not imported', async () =>
      /letter\.json isn’t an exported block/.test(
        await driver.executeScript<string>('return document.body.textContent'),
      )
        ? true
        : undefined,
    );
    await rm(folder, { recursive: true });
    const tools = await driver.findElements(
      By.css('section[aria-label="Add"] button[aria-label="More for Saturn, kept"]'),
    );
    expect(tools).to.have.length(2);
    await tools[0].click();
    await (await byRole(driver, 'menuitem', 'Remove from the saved blocks')).click();
    await expectStep(driver, 'Saturn, kept: removed from the saved blocks');
    await chord(Key.CONTROL, 'z');
    await expectStep(driver, 'Undone: Saturn, kept: removed from the saved blocks');
  });
});
