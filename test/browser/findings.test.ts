/** What the checks find on a page: told in a line, on tiles, on the width bar and in a list; gone to, and mended. */
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import type { NodeId } from '../../core/index.ts';
import { clear, editor, inHome, set } from '../server/editing.ts';
import { byRole, eventually, still } from './browser.ts';
import {
  cell,
  computed,
  lastStep,
  outlineRow,
  inSheet,
  expectStep,
  selectInOutline,
  type,
  chooseView,
  useBench,
} from './workbench.ts';

describe('the workbench: findings', function () {
  this.timeout(120_000);
  const bench = useBench();

  const press = async (role: string, name: string | RegExp, inside?: Parameters<typeof byRole>[3]) =>
    (await byRole(bench.driver, role, name, inside)).click();
  const status = async () => (await byRole(bench.driver, 'status', 'Checks')).getText();
  const list = async () =>
    bench.driver.executeScript<string[]>(
      'return [...document.querySelectorAll("[aria-label=Findings] > li")].map((each) => each.textContent)',
    );
  const listed = (what: RegExp) =>
    eventually(`a finding ${what}`, async () => (await list()).find((each) => what.test(each)));
  const gone = (what: RegExp) =>
    eventually(`no finding ${what}`, async () =>
      (await list()).some((each) => what.test(each)) ? undefined : true,
    );
  const tile = async (name: string, view: number) => {
    const row = await (
      await outlineRow(bench.driver, name)
    ).findElement(By.xpath('ancestor::*[@role="row"]'));
    return (await row.findElements(By.css('.outline-cell')))[view].getAccessibleName();
  };
  const at = async () =>
    (await byRole(bench.driver, 'slider', 'Width of the sheet')).getAttribute('aria-valuetext');
  const undo = () => press('button', /^Undo/);
  const item = async (what: RegExp) => {
    const items = await bench.driver.findElements(By.css('[aria-label=Findings] > li'));
    for (const each of items) if (what.test(await each.getText())) return { inside: each };
    throw new Error(`No finding ${what}.`);
  };

  it('are told where they are: in a line, on the tile, on the width bar, and in the list', async () => {
    const { driver } = bench;
    await eventually(
      'the page is looked over',
      async () => /goes from|close together|^Checks\s+Lines of/.test(await status()) || undefined,
    );
    await selectInOutline(driver, 'Lead paragraph');
    await type(driver, 'Size', 'Mobile', '10');
    await chooseView(driver, 'Mobile');
    await eventually('it is told', async () =>
      /Lead paragraph is 10 px/.test(await status()) ? true : undefined,
    );
    // Wide, Desktop, Tablet, Mobile.
    await eventually('the tile', async () => / finding/.test(await tile('Lead paragraph', 3)) || undefined);
    expect(await tile('Lead paragraph', 1)).not.to.contain('finding');
    const trouble = await driver.findElement(By.css('[role=img][aria-label^="Problem from"]'));
    expect(await trouble.getAttribute('aria-label')).to.match(/^Problem from 280 to /);
    await chooseView(driver, 'Desktop');
    await press('button', 'Findings');
    await listed(/^Lead paragraph is 10 px from 280 to 639 px\./);
    await press('button', 'Go there', await item(/^Lead paragraph is 10 px/));
    await byRole(driver, 'grid', 'Values of Lead paragraph');
    expect(await at()).to.equal('390 px, Mobile');
    // Pointed at, a mend is shown in the sheet and told, and nothing is done yet.
    const mend = await byRole(
      driver,
      'button',
      'Make it 16 px in Mobile',
      await item(/^Lead paragraph is 10 px/),
    );
    const size = (wanted: string) =>
      eventually(`${wanted} in the sheet`, async () =>
        (await computed(driver, 'Mobile', 'lead', 'font-size')) === wanted ? true : undefined,
      );
    await size('10px');
    await driver.actions().move({ origin: mend }).perform();
    await size('16px');
    await byRole(driver, 'tooltip', 'Lead paragraph: size in Mobile 10 → 16');
    expect(await lastStep(driver)).to.equal('Lead paragraph: size in Mobile 18 → 10');
    await driver
      .actions()
      .move({ origin: await byRole(driver, 'button', 'Tree') })
      .perform();
    await size('10px');
    // By the keyboard, too.
    await driver.executeScript('arguments[0].focus()', mend);
    await driver.actions().sendKeys(Key.TAB).keyDown(Key.SHIFT).sendKeys(Key.TAB).keyUp(Key.SHIFT).perform();
    await size('16px');
    await mend.sendKeys(Key.ENTER);
    await expectStep(driver, 'Lead paragraph: size in Mobile 10 → 16');
    await size('16px');
    await gone(/^Lead paragraph is 10 px/);
    await undo();
    await size('10px');
    await listed(/^Lead paragraph is 10 px/);
    await undo();
    await gone(/^Lead paragraph is 10 px/);
  });

  it('are listed for the view that is looked at alone, and by words', async () => {
    const { driver } = bench;
    await press('button', 'Findings');
    await listed(/^Headline goes from/);
    const all = (await list()).length;
    await chooseView(driver, 'Mobile');
    await press('combobox', 'Findings listed');
    await press('option', /^In Mobile: \d+/);
    await still(driver);
    const here = await list();
    expect(here.length).to.be.below(all).and.above(0);
    for (const each of here) expect(each).to.contain('Mobile');
    const filter = await byRole(driver, 'textbox', 'Find in the outline');
    await filter.sendKeys('no such thing');
    await eventually('nothing', async () => ((await list()).length === 0 ? true : undefined));
  });

  it('of the longest word are measured in its font: as wide as a browser draws it', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Invitation: title');
    await type(driver, 'Size', 'Mobile', '28');
    await type(driver, 'Text', 'Mobile', 'Interferometrieforschung');
    await press('button', 'Findings');
    const sentence = await listed(
      /^“Interferometrieforschung” in Invitation: title is wider than its container/,
    );
    const [, to, wide, room] = /from 280 to (\d+) px: (\d+) of (\d+) px/.exec(sentence)!.map(Number);
    await chooseView(driver, 'Mobile');
    const drawn = await inSheet<number>(
      driver,
      'Mobile',
      'invitation-title',
      `const words = [...element.querySelectorAll('*'), element].find((each) => getComputedStyle(each).display !== 'none' && each.textContent.includes('Interfero') && each.children.length === 0) ?? element;
       const probe = words.cloneNode(true); probe.style.cssText = 'position:absolute;display:inline-block;white-space:nowrap;overflow-wrap:normal;width:max-content';
       element.append(probe); const { width } = probe.getBoundingClientRect(); probe.remove(); return width;`,
    );
    expect(wide).to.be.closeTo(drawn, 1);
    // Two margins of 20 px: where the word just fits.
    expect(to).to.be.closeTo(drawn + 40, 2);
    expect(room).to.equal(240);
    await press('button', /^Make it [\d.]+ px in Mobile$/, await item(/^“Interfero/));
    await gone(/^“Interfero/);
  });

  it('over an image are those of its worst part', async () => {
    const { driver } = bench;
    await press('button', 'Tree');
    await selectInOutline(driver, 'Invitation');
    await type(driver, 'Background image', 'Desktop', 'Milky Way');
    await type(driver, 'Gradient', 'Desktop', 'none');
    await selectInOutline(driver, 'Invitation: text');
    await type(driver, 'Colour', 'Desktop', '#3a3560');
    await press('button', 'Findings');
    await listed(
      /^Invitation: text has a contrast of 1\.\d : 1 at the worst point of the background image in /,
    );
  });

  it('are marked on the values that can mend them, and told by the trace', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Lead paragraph');
    await type(driver, 'Size', 'Mobile', '10');
    const label = (at: string) =>
      cell(driver, 'Size', at).then((each) => each.getAttribute('aria-description'));
    await eventually(
      'the mark',
      async () => /^\d findings?$/.test((await label('Mobile')) ?? '') || undefined,
    );
    expect(await label('Desktop')).to.equal(null);
    await (await cell(driver, 'Size', 'Mobile')).click();
    await eventually(
      'the trace',
      async () =>
        /· Lead paragraph is 10 px from 280 to 639 px\./.test(
          await (await byRole(driver, 'status', 'Trace')).getText(),
        ) || undefined,
    );
    await undo();
    await eventually('no mark', async () => (await label('Mobile')) === null || undefined);
  });

  it('are dismissed with a reason, listed as such, come back when their element changes, and stand by rule or by place', async () => {
    const { driver } = bench;
    const choose = async (list: string, option: RegExp) => {
      await press('combobox', list);
      await press('option', option);
    };
    await selectInOutline(driver, 'Lead paragraph');
    await type(driver, 'Size', 'Mobile', '10');
    await press('button', 'Findings');
    const small = /^Lead paragraph is 10 px/;
    await listed(small);
    await press('button', 'Dismiss …', await item(small));
    const reason = await byRole(driver, 'textbox', 'Why it can stay as it is');
    await reason.sendKeys('It is a legend.');
    await press('button', 'Dismiss', await item(small));
    await expectStep(driver, 'Lead paragraph: “text too small” is dismissed');
    await gone(small);
    await choose('Findings listed', /^Dismissed: 1/);
    expect(await listed(small)).to.contain('Dismissed: It is a legend.');
    // Another change of its element: it may be another finding now.
    await type(driver, 'Line height', 'Mobile', '1.7');
    await eventually('all findings are listed, as none is dismissed', async () =>
      /^In all views/.test(await (await byRole(driver, 'combobox', 'Findings listed')).getText())
        ? true
        : undefined,
    );
    await listed(small);
    await undo();
    await gone(small);
    await choose('Findings listed', /^Dismissed: 1/);
    await press('button', 'Reopen', await item(small));
    await expectStep(driver, 'Lead paragraph: “text too small” is reopened');
    // Nothing is dismissed any more: all are listed.
    await listed(small);
    const headings = () =>
      driver.executeScript<string[]>(
        'return [...document.querySelectorAll(".finding-heading")].map((each) => each.textContent)',
      );
    await choose('Order of findings', /^by place/);
    expect(await headings()).to.include('Lead paragraph');
    await choose('Order of findings', /^by rule/);
    expect(await headings()).to.include('text too small');
    for (let steps = 0; steps < 3; steps += 1) await undo();
    await gone(small);
  });

  it('are told of links to places on other pages, as others change those', async () => {
    const others = editor(() => bench.running.url, 'another-window');
    const shown = '/pages/visits/nodes/visits-list/style/self/shown';
    const link = inHome('book', 'content/link');
    const { content } = (await others.page()).page.nodes['book' as NodeId];
    await others.made([set(link, 'page:visits#visits-list')]);
    await press('button', 'Findings');
    const hidden = /^Book a night leads to Kinds of visit on Visits, which is not shown in Mobile\./;
    // The page is read as soon as a link leads to a place on it.
    await others.made([set(shown, { at: { mobile: { value: false, reach: 'here' } } })]);
    await listed(hidden);
    await others.made([set(link, content.link), clear(shown)]);
    await gone(hidden);
    await press('button', 'Findings');
  });
});
