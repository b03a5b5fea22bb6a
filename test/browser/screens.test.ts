/** The workbench as it is looked at: what is told, what stays in sight, and what keys reach. */
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { byRole, eventually, still } from './browser.ts';
import {
  cell,
  chooseView,
  outlineRow,
  expectStep,
  selectInOutline,
  sheet,
  type,
  useBench,
} from './workbench.ts';

describe('the workbench, looked at', function () {
  this.timeout(120_000);
  const bench = useBench();

  const trace = async () => (await bench.driver.findElement(By.css('[aria-label="Trace"]'))).getText();

  it('is set in the font that ships with it, buttons and fields too', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Headline');
    const others = await driver.executeScript<string[]>(
      `return [...document.querySelectorAll('#root *')].filter((each) => each.textContent.trim() && !getComputedStyle(each).fontFamily.startsWith('"Atkinson')).map((each) => each.outerHTML.slice(0, 80))`,
    );
    expect(others).to.deep.equal([]);
    const cut = await driver.executeScript<string[]>(
      `return [...document.querySelectorAll('button[aria-pressed] span')].filter((each) => each.scrollWidth > each.parentElement.clientWidth).map((each) => each.textContent)`,
    );
    expect(cut, 'names and widths of views').to.deep.equal([]);
  });

  it('has a title of its own on every screen', async () => {
    const { driver } = bench;
    const titles = new Set([await driver.getTitle()]);
    const links = await driver.findElements(By.css('nav[aria-label="Screens of the site"] a'));
    for (const name of await Promise.all(links.map((link) => link.getText()))) {
      await (await byRole(driver, 'link', new RegExp(`^${name}`))).click();
      const [screen] = name.split('\n');
      if (screen !== 'Workbench')
        await eventually(`the title of ${screen}`, async () =>
          (await driver.getTitle()) === `${screen} · Brindle Hill Observatory · Dimorphe` ? true : undefined,
        );
      titles.add(await driver.getTitle());
    }
    expect(titles.size).to.equal(links.length);
    expect([...titles][0]).to.equal('Home · Brindle Hill Observatory · Dimorphe');
    // The messages were at another address before.
    await driver.get((await driver.getCurrentUrl()).replace(/[^/]+$/, 'letters'));
    await eventually('the messages', async () =>
      (await driver.getCurrentUrl()).endsWith('/messages') ? true : undefined,
    );
    await (await byRole(driver, 'link', 'Workbench')).click();
    await sheet(driver, 'Desktop');
  });

  it('tells of the view that was chosen, and first what would stand there if it were cleared', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Headline');
    await cell(driver, 'Size', 'Desktop').then((found) => found.click());
    expect(await trace()).to.match(/^Size in Desktop:/);
    await chooseView(driver, 'Mobile');
    await eventually('the trace of Mobile', async () =>
      // What the checks find of the value stands behind it.
      (await trace()).startsWith(
        'Size in Mobile: 34 from Mobile (onward) · if cleared: 36 from the Heading 1 style, Mobile · instead of 64 in Desktop',
      )
        ? true
        : undefined,
    );
  });

  it('keeps the selected element in sight when another view is chosen', async () => {
    const { driver } = bench;
    await (await outlineRow(driver, 'Evening: title')).click();
    for (const view of ['Mobile', 'Wide', 'Tablet']) {
      await chooseView(driver, view);
      await still(driver);
      const inSight = () =>
        driver.executeScript<boolean>(
          `const desk = document.querySelector('.desk-sheets').getBoundingClientRect();
           const mark = document.querySelector('[data-move-grip]').parentElement.getBoundingClientRect();
           return mark.top >= desk.top - 1 && mark.bottom <= desk.bottom + 1;`,
        );
      await eventually(`the title in sight in ${view}`, async () => ((await inSight()) ? true : undefined));
    }
  });

  it('shows a sheet beside the active one, whichever is active', async () => {
    const { driver } = bench;
    await (await byRole(driver, 'button', 'Side by side')).click();
    await chooseView(driver, 'Mobile');
    const sheets = async () =>
      Promise.all(
        (await driver.findElements(By.css('iframe[title^="Page in"]'))).map((each) =>
          each.getAttribute('title'),
        ),
      );
    await eventually('two sheets', async () => ((await sheets()).length === 2 ? true : undefined));
    expect((await sheets()).map((title) => title!.replace(/,.*/, ''))).to.have.members([
      'Page in Desktop',
      'Page in Mobile',
    ]);
    // Another one comes to those that are there, and goes again alone.
    await (await byRole(driver, 'button', '2 of 4 views')).click();
    await (await byRole(driver, 'menuitemcheckbox', 'Wide')).click();
    await eventually('three sheets', async () => ((await sheets()).length === 3 ? true : undefined));
    await (await byRole(driver, 'menuitemcheckbox', 'Wide')).click();
    await eventually('two sheets again', async () => ((await sheets()).length === 2 ? true : undefined));
    await driver.actions().sendKeys(Key.ESCAPE).perform();
    await still(driver);
    await (await byRole(driver, 'button', 'One sheet')).click();
  });

  it('calls every page by one name', async () => {
    const { driver } = bench;
    await bench.open('visits');
    await (await byRole(driver, 'button', /^Page Visits; choose another/)).click();
    await still(driver);
    const names = await Promise.all(
      (await driver.findElements(By.css('[role=menuitem] > span:first-child'))).map((each) => each.getText()),
    );
    expect(names).to.include('Home').and.include('Visits').and.not.include('Brindle Hill Observatory');
    await driver.actions().sendKeys(Key.ESCAPE).perform();
  });

  it('moves a block from its name in the sheet by the arrow keys', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Lead paragraph');
    const grip = await byRole(driver, 'button', /^Lead paragraph.*, move$/);
    await grip.sendKeys(Key.ARROW_DOWN);
    await expectStep(driver, /^Text: order of parts in Desktop .*1·3·2/);
    await (await byRole(driver, 'button', /^Lead paragraph.*, move$/)).sendKeys(Key.HOME);
    await expectStep(driver, /^Text: order of parts in Desktop .*2·1·3/);
  });

  it('numbers the rows of the outline and of the values for assistive technology', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Headline');
    const numbers = (grid: string) =>
      driver.executeScript<[number[], number]>(
        `const grid = document.querySelector(arguments[0]);
         return [[...grid.querySelectorAll('[role=row]')].map((row) => Number(row.ariaRowIndex)), Number(grid.ariaRowCount)];`,
        grid,
      );
    for (const grid of ['[role=treegrid]', '[role=grid]']) {
      const [rows, count] = await numbers(grid);
      expect(rows.length).to.be.greaterThan(5);
      expect(rows).to.deep.equal(rows.map((_row, index) => rows[0] + index));
      expect(rows.at(-1)).to.be.at.most(count);
    }
  });

  it('shows in the sheet what is wider than the page, and leads to it', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Headline');
    expect(await driver.findElements(By.css('.sheet-overflow'))).to.deep.equal([]);
    await type(driver, 'Width', 'Desktop', '1400');
    // The page is 1280 px wide and its margin 80 px: 1400 px from there end 200 px beyond it.
    const finding = await byRole(driver, 'button', '200 px wider than the page: Headline');
    await selectInOutline(driver, 'Dome image');
    await finding.click();
    await byRole(driver, 'grid', 'Values of Headline');
    await sheet(driver, 'Desktop');
    await type(driver, 'Width', 'Desktop', 'auto');
    await eventually('nothing wider', async () =>
      (await driver.findElements(By.css('.sheet-overflow'))).length === 0 ? true : undefined,
    );
  });
});
