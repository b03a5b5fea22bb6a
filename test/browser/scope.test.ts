/** How far an edit goes is said before it is made. */
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { byRole, eventually, still } from './browser.ts';
import {
  cell,
  cellShows,
  chooseReach,
  chooseView,
  expectStep,
  isSeen,
  kept,
  selectInOutline,
  sheet,
  type,
  useBench,
} from './workbench.ts';

describe('the workbench: how far an edit goes', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { press, chord } = bench;
  const seen = (view: string, id: string) => isSeen(bench.driver, view, id);
  const inView = (view: string) => chooseView(bench.driver, view);
  const undone = async (step: string) => {
    await chord(Key.CONTROL, 'z');
    await expectStep(bench.driver, `Undone: ${step}`);
  };
  const mobileHeader = async () =>
    byRole(bench.driver, 'button', /^(\d+ of )?\d*Mobile ?</, {
      inside: await byRole(bench.driver, 'region', 'Ledger'),
    });
  const asked = (title: string) => byRole(bench.driver, 'dialog', title);
  const answer = async (title: string, button: string) =>
    (await byRole(bench.driver, 'button', button, { inside: await asked(title) })).click();
  /** The names of the entries in the menu of what is selected, which it closes again. */
  const entries = async (name: string): Promise<string[]> => {
    const { driver } = bench;
    await (await byRole(driver, 'button', `More for ${name}`)).click();
    await byRole(driver, 'menu', /^/);
    const names = await driver.executeScript<string[]>(
      'return [...document.querySelectorAll("[role=menuitem] > span:first-of-type")].map((each) => each.textContent)',
    );
    await press(Key.ESCAPE);
    // The menu lies over the page until it is gone.
    await eventually('no menu', async () => (await driver.findElements(By.css('[role=menu]'))).length === 0);
    await still(driver);
    return names;
  };

  it('asks before a key in a narrow view deletes in every view, and hides there instead', async () => {
    const { driver } = bench;
    await inView('Mobile');
    await selectInOutline(driver, 'Lead paragraph');
    await press(Key.DELETE);
    await answer('Delete Lead paragraph in every view?', 'Hide in Mobile instead');
    await expectStep(driver, /^Lead paragraph: hidden in Mobile/);
    await press(Key.DELETE);
    const dialog = await asked('Delete Lead paragraph in every view?');
    // It is hidden there already.
    expect(await dialog.getText()).not.to.include('Hide in Mobile instead');
    await press(Key.ESCAPE);
    await expectStep(driver, /^Lead paragraph: hidden in Mobile/);
    await selectInOutline(driver, 'Headline');
    await press(Key.DELETE);
    await asked('Delete Headline in every view?');
    // Enter answers it: the button that does it has the keyboard.
    await press(Key.ENTER);
    await expectStep(driver, 'Headline: deleted in every view');
    await inView('Desktop');
    expect(await seen('Desktop', 'headline')).to.equal(false);
    expect(await seen('Desktop', 'lead')).to.equal(true);
    await undone('Headline: deleted in every view');
  });

  it('asks before cutting and taking apart, and not where the base is looked at or nothing else shows it', async () => {
    const { driver } = bench;
    await inView('Tablet');
    await selectInOutline(driver, 'Headline');
    await chord(Key.CONTROL, 'x');
    await answer('Cut Headline in every view?', 'Cut in every view');
    await expectStep(driver, 'Headline: deleted in every view');
    await undone('Headline: deleted in every view');
    await selectInOutline(driver, 'Lead paragraph');
    await chord(Key.CONTROL, 'g');
    await expectStep(driver, /: grouped$/);
    await selectInOutline(driver, 'Group');
    await chord(Key.CONTROL, Key.SHIFT, 'g');
    await answer('Take Group apart in every view?', 'Take apart in every view');
    await expectStep(driver, /^Group: taken apart in every view/);
    await inView('Desktop');
    await selectInOutline(driver, 'Lead paragraph');
    await press(Key.DELETE);
    await expectStep(driver, 'Lead paragraph: deleted in every view');
    await undone('Lead paragraph: deleted in every view');
  });

  it('says what is on all pages, asks nothing that cannot be done, and once only what the menu has said', async () => {
    const { driver } = bench;
    await inView('Tablet');
    await selectInOutline(driver, 'Header');
    await press(Key.DELETE);
    await asked('Delete Header in every view, on all pages?');
    await press(Key.ESCAPE);
    await selectInOutline(driver, 'Headline');
    await chord(Key.CONTROL, Key.SHIFT, 'g');
    await expectStep(driver, /^Headline is no group that could be taken apart/);
    await (await byRole(driver, 'button', 'More for Headline')).click();
    const cut = await byRole(driver, 'menuitem', /^Cut Headline in every view/);
    await driver.executeScript('arguments[0].scrollIntoView({ block: "nearest" })', cut);
    await still(driver);
    await cut.click();
    await expectStep(driver, 'Headline: deleted in every view');
    await undone('Headline: deleted in every view');
  });

  it('hides with the dialog in that view alone, however far edits go', async () => {
    const { driver } = bench;
    await inView('Tablet');
    await selectInOutline(driver, 'Book a night');
    await press(Key.DELETE);
    await answer('Delete Book a night in every view?', 'Hide in Tablet instead');
    await expectStep(driver, 'Book a night: hidden in Tablet');
    await inView('Mobile');
    expect(await seen('Mobile', 'book')).to.equal(true);
  });

  it('says so in the menu, with hiding beside it', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Headline');
    expect(await entries('Headline')).to.include.members(['Delete Headline', 'Cut Headline']);
    await inView('Mobile');
    const names = await entries('Headline');
    expect(names).to.include('Cut Headline in every view');
    const at = names.indexOf('Delete Headline in every view');
    expect(at).to.be.above(-1);
    expect(names[at + 1]).to.equal('Hide in Mobile instead');
  });

  it('clears a page without what other pages show too, which is an entry of its own', async () => {
    const { driver } = bench;
    await inView('Mobile');
    await selectInOutline(driver, 'Home');
    const names = await entries('Home');
    const own = names.find((name) => /^Clear \d+ overrides in Mobile with what is in it$/.test(name))!;
    const shared = names.find((name) =>
      /^Clear \d+ overrides? in Mobile, in parts that other pages share$/.test(name),
    )!;
    const count = (name: string) => Number(/\d+/.exec(name)![0]);
    const header = await mobileHeader();
    const all = Number(/^(\d+) overrides/.exec((await header.getAttribute('title'))!)![1]);
    expect(count(own) + count(shared)).to.equal(all);
    await (await byRole(driver, 'button', 'More for Home')).click();
    const entry = await byRole(driver, 'menuitem', own);
    await driver.executeScript('arguments[0].scrollIntoView({ block: "nearest" })', entry);
    await still(driver);
    await entry.click();
    await eventually('only what is shared is left', async () =>
      (await header.getAttribute('title'))!.startsWith(`${count(shared)} override`),
    );
  });

  it('changes the base and no other view with Here, which is remembered for the site', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Headline');
    const before = /: (.*?),/.exec(await (await cell(driver, 'Opacity', 'Tablet')).getAccessibleName())?.[1];
    await chooseReach(driver, 'Here');
    await type(driver, 'Opacity', 'Desktop', '0.5');
    await expectStep(driver, /^Headline: opacity in Desktop only/);
    await eventually('Tablet as before', async () => {
      const now = await (await cell(driver, 'Opacity', 'Tablet')).getAccessibleName();
      return now.includes(before ?? '1') && !now.includes('0.5');
    });
    await kept(driver);
    await driver.navigate().refresh();
    await sheet(driver, 'Desktop');
    const here = await byRole(driver, 'button', /^Here$/);
    expect(await here.getAttribute('aria-pressed')).to.equal('true');
    // Nothing is selected after a reload; the reach is in sight all the same.
    expect(await here.isDisplayed()).to.equal(true);
    await chooseReach(driver, 'Onward');
  });

  it('says in the header of a view how many of its overrides what is selected has', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Headline');
    await inView('Mobile');
    await chooseReach(driver, 'Here');
    await type(driver, 'Size', 'Mobile', '33');
    await cellShows(driver, await (await cell(driver, 'Size', 'Mobile')).getAccessibleName());
    const header = await mobileHeader();
    const title = (await header.getAttribute('title'))!;
    const [, all, own] = /^(\d+) overrides, (\d+) of Headline$/.exec(title)!;
    expect(await header.getText()).to.include(`${own} of ${all}`);
    await chooseReach(driver, 'Onward');
  });
});
