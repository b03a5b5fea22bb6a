/** Saved blocks that pages link, as a person uses them, and as visitors get them. */
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import type { Driver } from 'selenium-webdriver/chrome.js';
import { byRole, eventually } from './browser.ts';
import { inSheet, kept, expectStep, selectInOutline, useBench } from './workbench.ts';

/** What the strip above the values says of what is selected. */
const said = (driver: Driver) =>
  driver.executeScript<string>(
    `return [...document.querySelectorAll('[role=note]')].map((each) => each.textContent).join(' | ')`,
  );
const says = (driver: Driver, sentence: RegExp) =>
  eventually(`the strip ${String(sentence)}`, async () => sentence.test(await said(driver)));
const shownIn = (driver: Driver, text: string) =>
  eventually(`“${text}” in the sheet`, () =>
    inSheet<boolean>(
      driver,
      'Desktop',
      'page',
      `return element.ownerDocument.body.textContent.includes(${JSON.stringify(text)})`,
    ),
  );
async function rename(driver: Driver, name: string, next: string): Promise<void> {
  await selectInOutline(driver, name);
  await driver.actions().sendKeys(Key.F2).perform();
  await byRole(driver, 'textbox', `New name of ${name}`);
  await driver
    .actions()
    .keyDown(Key.CONTROL)
    .sendKeys('a')
    .keyUp(Key.CONTROL)
    .sendKeys(next, Key.ENTER)
    .perform();
}

describe('A linked block', () => {
  const bench = useBench();

  it('is kept where it stands, linked on another page, changed from there, and given back', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'What is up this week');
    await (await byRole(driver, 'button', 'More for What is up this week')).click();
    await (await byRole(driver, 'menuitem', 'Save What is up this week as a block, linked here')).click();
    await expectStep(driver, /^What is up this week: saved, and linked here with \d+ elements in it$/);
    await says(driver, /Linked: on this page only, so far/);
    await kept(driver);

    await bench.open('find-us');
    await selectInOutline(driver, 'Ways to come');
    await (await byRole(driver, 'button', 'Add an element')).click();
    const panel = await byRole(driver, 'region', 'Add');
    await (await byRole(driver, 'button', 'Saved blocks', { inside: panel })).click();
    await (await byRole(driver, 'button', 'Linked', { inside: panel })).click();
    const offer = () => byRole(driver, 'button', 'What is up this week', { inside: panel });
    await (await offer()).click();
    await expectStep(
      driver,
      /^What is up this week: linked in .*; a change here changes it wherever it is linked$/,
    );
    await says(driver, /Linked: a change here changes it on 2 pages/);
    await shownIn(driver, 'What is up this week');
    // A page links a block once.
    expect(await (await offer()).getAttribute('disabled')).to.equal('true');
    expect(await panel.getText()).to.match(
      /This page already links it, and a page can link a block only once\./,
    );

    await rename(driver, 'Card: Saturn', 'Card: the ringed one');
    await expectStep(driver, 'Card: Saturn: renamed to Card: the ringed one, wherever it is linked');
    await kept(driver);
    await bench.open('home');
    await selectInOutline(driver, 'Card: the ringed one');
    await says(driver, /Linked: a change here changes it on 2 pages/);

    await (await byRole(driver, 'button', 'Change that …')).click();
    await (await byRole(driver, 'menuitem', 'Give Home its own')).click();
    await expectStep(driver, 'What is up this week: Home now has its own');
    await kept(driver);
    await rename(driver, 'Card: the ringed one', 'Card: Saturn again');
    await expectStep(driver, 'Card: the ringed one: renamed to Card: Saturn again');
    await kept(driver);
    await bench.open('find-us');
    await selectInOutline(driver, 'Card: the ringed one');

    // Taken off this page, it stays kept.
    await selectInOutline(driver, 'What is up this week');
    await (await byRole(driver, 'button', 'More for What is up this week')).click();
    await (
      await byRole(driver, 'menuitem', /^Delete What is up this week and the \d+ in it from this page/)
    ).click();
    await expectStep(driver, /^What is up this week: deleted in every view with \d+ elements in it$/);
    expect(await (await offer2(driver)).getAttribute('disabled')).to.equal(null);
  });
  const offer2 = async (driver: Driver) => {
    await (await byRole(driver, 'button', 'Add an element')).click();
    const panel = await byRole(driver, 'region', 'Add');
    await (await byRole(driver, 'button', 'Saved blocks', { inside: panel })).click();
    await (await byRole(driver, 'button', 'Linked', { inside: panel })).click();
    return byRole(driver, 'button', 'What is up this week', { inside: panel });
  };
});
