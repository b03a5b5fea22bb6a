/** The keyboard stays somewhere, whatever it was on goes (WCAG 2.2, 2.4.3 https://www.w3.org/TR/WCAG22/#focus-order). */
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import { cell, expectStep, selectInOutline, useBench } from './workbench.ts';

describe('the keyboard', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { press } = bench;
  /** What has it, by role or tag, and by name; the document itself has neither. */
  const holder = () =>
    bench.driver.executeScript<string | null>(
      `const at = document.activeElement;
       return at === document.body ? null : (at.getAttribute('aria-label') ?? at.textContent.trim()) || at.tagName`,
    );
  const isOn = (name: RegExp) =>
    eventually(`the keyboard on ${name.source}`, async () => name.test((await holder()) ?? ''));
  const click = async (role: string, name: string | RegExp) =>
    (await byRole(bench.driver, role, name)).click();

  it('goes back to what opened a panel, by Escape and by its own button', async () => {
    const { driver } = bench;
    for (const close of [() => press(Key.ESCAPE), () => click('button', /^Close/)]) {
      await click('button', 'Add an element');
      await byRole(driver, 'button', /^Close/);
      await close();
      await isOn(/^Add an element$/);
    }
  });

  it('goes on beside what can do nothing any more, has been mended or was taken off', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Lead paragraph');
    await press(Key.DELETE);
    await expectStep(driver, /^Lead paragraph: deleted/);
    await isOn(/^Book a night/);
    await click('button', /^Undo/);
    await isOn(/^Redo/);
    await click('button', 'Findings');
    const before = await byRole(driver, 'button', /^Let it grow to 44 px/);
    await before.click();
    await eventually('mended', async () => (await holder()) !== null);
    await isOn(/./);
    await click('button', 'Tree');
    await selectInOutline(driver, 'Headline');
    await (await cell(driver, 'Size', 'Desktop')).click();
    await press(Key.ESCAPE);
    await isOn(/./);
  });

  it('is on what a screen is about after one has come to it', async () => {
    const { driver } = bench;
    await driver.get(`${bench.running.url}/`);
    await click('button', /New site/);
    await byRole(driver, 'dialog', /./);
    await driver.actions().sendKeys('Mill').perform();
    await click('button', 'Create site');
    await isOn(/^Page Home; choose another$/);
    expect(await driver.getTitle()).to.equal('Home · Mill · Dimorphe');
  });
});
