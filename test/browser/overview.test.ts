/** A page as its sections, in all views beside each other: what is read there, and what can be done. */
import { expect } from 'chai';
import { By, Key, Origin } from 'selenium-webdriver';
import { byRole, eventually, still } from './browser.ts';
import { inSheet, expectStep, useBench } from './workbench.ts';

describe('the workbench: the overview', function () {
  this.timeout(120_000);
  const bench = useBench();
  const VIEWS = ['Wide', 'Desktop', 'Tablet', 'Mobile'];

  const open = async () => {
    await (await byRole(bench.driver, 'button', 'Overview')).click();
    for (const view of VIEWS)
      await byRole(bench.driver, 'button', new RegExp(`^Invitation, [\\d,]+ px in ${view}`));
    await still(bench.driver);
  };
  /** The names of the sections in a column, from the top. */
  const column = (view: string) =>
    bench.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('section[aria-label="Overview: ${view}"] button[aria-pressed]')]
         .sort((one, other) => one.getBoundingClientRect().top - other.getBoundingClientRect().top)
         .map((each) => each.getAttribute('aria-label').replace(/, [\\d,]+ px.*$/, ''))`,
    );
  const mark = (name: string, view: string) =>
    byRole(bench.driver, 'button', new RegExp(`^${name}, [\\d,]+ px in ${view}`));

  it('shows the real page in every view, with the height of each section as a browser lays it out', async () => {
    const { driver } = bench;
    const tall = await inSheet<number>(
      driver,
      'Desktop',
      'opening',
      'return Math.round(element.getBoundingClientRect().height)',
    );
    await open();
    for (const view of VIEWS)
      expect((await column(view)).slice(0, 3), view).to.deep.equal([
        'Header',
        'Hero: the dome opens at dusk',
        'How an evening goes',
      ]);
    expect(await column('Mobile'), 'hidden there').to.not.include('Moon phase strip');
    expect(await column('Desktop')).to.include('Moon phase strip');
    await eventually('the height that the sheet has', async () => {
      const label = await (await mark('Hero: the dome opens at dusk', 'Desktop')).getAccessibleName();
      return label === `Hero: the dome opens at dusk, ${tall.toLocaleString('en-GB')} px in Desktop`
        ? true
        : undefined;
    });
  });

  it('gives the sheets their room back when it is left', async () => {
    const { driver } = bench;
    const across = () =>
      inSheet<number>(
        driver,
        'Desktop',
        'opening',
        'return window.frameElement.getBoundingClientRect().width',
      );
    const width = await across();
    await open();
    await (await byRole(driver, 'button', 'Side by side')).click();
    await still(driver);
    await (await byRole(driver, 'button', 'One sheet')).click();
    await still(driver);
    expect(await across()).to.equal(width);
  });

  it('lets a section that takes more than three screens stand out', async () => {
    await open();
    const long = await bench.driver.executeScript<{ name: string; px: number; screens: boolean }[]>(
      `return [...document.querySelectorAll('section[aria-label="Overview: Mobile"] button[aria-pressed]')].map((each) => {
         const label = each.getAttribute('aria-label');
         return { name: label, px: Number(/([\\d,]+) px/.exec(label)[1].replace(',', '')), screens: / screens$/.test(label) };
       })`,
    );
    // The demo's Mobile sheet is 390 × 844 px.
    for (const { name, px, screens } of long) expect(screens, name).to.equal(px / 844 > 3);
    expect(long.some(({ screens }) => !screens)).to.equal(true);
  });

  it('hides in one view, shows again, copies, orders and deletes, by buttons', async () => {
    const { driver } = bench;
    await open();
    // What all pages share is chosen like any other, by a click.
    await (await mark('Header', 'Mobile')).click();
    await byRole(driver, 'grid', 'Values of Header');
    await (await mark('What is up this week', 'Tablet')).sendKeys(Key.ENTER);
    const tools = await byRole(driver, 'toolbar', 'What is up this week in Tablet');
    await (await byRole(driver, 'button', 'Hide What is up this week in Tablet', { inside: tools })).click();
    await expectStep(driver, 'What is up this week: hidden in Tablet');
    await eventually('it is gone there', async () =>
      (await column('Tablet')).includes('What is up this week') ? undefined : true,
    );
    expect(await column('Desktop')).to.include('What is up this week');
    await (await byRole(driver, 'button', 'Show What is up this week in Tablet')).click();
    await eventually('it is there again', async () =>
      (await column('Tablet')).includes('What is up this week') ? true : undefined,
    );
    await (await mark('What is up this week', 'Desktop')).sendKeys(Key.ENTER);
    await (await byRole(driver, 'button', 'Move What is up this week up in every view')).click();
    await expectStep(driver, 'What is up this week: moved in Home, in every view');
    for (const view of VIEWS)
      await eventually(`the new order in ${view}`, async () =>
        (await column(view))[2] === 'What is up this week' ? true : undefined,
      );
    await (await byRole(driver, 'button', 'Move What is up this week down in every view')).click();
    await expectStep(driver, 'What is up this week: moved in Home, in every view');
    await (await byRole(driver, 'button', 'Duplicate What is up this week')).click();
    await expectStep(driver, /^What is up this week: duplicated with \d+ elements in it$/);
    await eventually('the copy', async () =>
      (await column('Wide')).includes('What is up this week 2') ? true : undefined,
    );
    await (await byRole(driver, 'button', 'Delete What is up this week 2')).click();
    await expectStep(driver, /^What is up this week 2: deleted in every view/);
  });

  it('lets a section be drawn to another place, and goes to it', async () => {
    const { driver } = bench;
    await open();
    const grip = await mark('Invitation', 'Mobile');
    const target = await mark('How an evening goes', 'Mobile');
    await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', grip);
    const [from, to] = [await grip.getRect(), await target.getRect()];
    const top = await driver.executeScript<number>('return arguments[0].getBoundingClientRect().top', target);
    const start = await driver.executeScript<number>('return arguments[0].getBoundingClientRect().top', grip);
    await driver
      .actions({ async: true })
      .move({ x: Math.round(from.x + 30), y: Math.round(start + 8), origin: Origin.VIEWPORT })
      .press()
      .move({ x: Math.round(to.x + 30), y: Math.round(Math.max(130, top + 3)), origin: Origin.VIEWPORT })
      .move({ x: Math.round(to.x + 31), y: Math.round(Math.max(130, top + 2)), origin: Origin.VIEWPORT })
      .release()
      .perform();
    // Under a view it is the order of that view; the others stay.
    await expectStep(driver, /^Home: order of parts in Mobile /);
    await eventually('the new order', async () => {
      const names = await column('Mobile');
      return names.indexOf('Invitation') < names.indexOf('What is up this week') ? true : undefined;
    });
    const names = await column('Desktop');
    expect(names.indexOf('Invitation')).to.be.greaterThan(names.indexOf('Moon phase strip'));
    await (await mark('Invitation', 'Mobile')).sendKeys(Key.ENTER);
    await (await byRole(driver, 'button', 'Move Invitation down in Mobile')).click();
    await eventually('it stands lower in that view', async () => {
      const now = await column('Mobile');
      return now.indexOf('Invitation') > now.indexOf('What is up this week') ? true : undefined;
    });
    expect(await column('Desktop')).to.deep.equal(names);
    await (await mark('Invitation', 'Mobile')).sendKeys(Key.ENTER);
    await (await byRole(driver, 'button', 'Go to Invitation')).click();
    await byRole(driver, 'grid', 'Values of Invitation');
    expect(await driver.findElements(By.css('iframe[title^="Page in Mobile"]'))).to.have.length(1);
  });
});
