/** Layouts of pages: chosen by seeing them, switched with every section in the region of its name, hidden and removed. */
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import { chooseView, expectStep, inSheet, selectInOutline, useBench } from './workbench.ts';

describe('the workbench: the layout of a page', function () {
  this.timeout(120_000);
  const bench = useBench();

  const press = async (role: string, name: string | RegExp) =>
    (await byRole(bench.driver, role, name)).click();
  const fromMenu = async (name: string, entry: string | RegExp) => {
    await selectInOutline(bench.driver, name);
    await press('button', `More for ${name}`);
    await press('menuitem', entry);
  };
  const choose = async (layout: RegExp) => {
    await fromMenu('Home', 'Choose the layout of the page …');
    await press('button', layout);
  };
  /** Where the regions of the page stand in a view, in shares of its width, and how many sections are in each. */
  const regions = (view: string) =>
    inSheet<{ left: number; width: number; top: number; sections: number }[]>(
      bench.driver,
      view,
      'page',
      `const whole = window.innerWidth;
       return [...window.document.querySelectorAll('.region')].filter((each) => each.checkVisibility()).map((each) => {
         const { left, width, top } = each.getBoundingClientRect();
         return { left: left / whole, width: width / whole, top, sections: each.children.length };
       })`,
    );

  it('is chosen by seeing it, and says before what goes where', async () => {
    const { driver } = bench;
    await choose(/^Main and aside/);
    const where = await byRole(driver, 'table', 'What goes where');
    expect(await where.getText()).to.match(/Page\s+5 sections: .*\s+Main/);
    await press('button', 'Use this layout');
    await expectStep(driver, 'Home: layout Main and aside, 5 sections in 2 regions');
    const [main, aside] = await regions('Desktop');
    expect(main.sections).to.equal(5);
    expect(aside.sections).to.equal(0);
    expect(aside.top).to.equal(main.top);
    // 1120 of 1280 px between the margins, in twelve columns with gaps of 32 px: eight of them are 736, four 352.
    expect(main.width * 1280).to.be.closeTo(736, 1);
    expect(aside.width * 1280).to.be.closeTo(352, 1);
    await chooseView(driver, 'Mobile');
    const narrow = await regions('Mobile');
    expect(narrow[1].top).to.be.above(narrow[0].top);
    expect(narrow[0].width).to.be.closeTo(narrow[1].width, 0.001);
    await chooseView(driver, 'Desktop');
  });

  it('takes a section into another region, keeps it there when it is switched, and asks where it has no place', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Aside');
    await press('button', 'Add an element');
    await press('button', 'Sections');
    await press('button', /^Quote/);
    await eventually('the quote in the aside', async () => (await regions('Desktop'))[1].sections === 1);
    await press('button', 'Close Add');
    await choose(/^Three columns/);
    await press('button', 'Use this layout');
    await expectStep(driver, 'Home: layout Three columns, 6 sections in 3 regions');
    expect((await regions('Desktop')).map(({ sections }) => sections)).to.deep.equal([0, 5, 1]);
    await choose(/^Two halves/);
    await press('combobox', 'Region for what is in Aside');
    await press('option', 'Second');
    await press('button', 'Use this layout');
    await expectStep(driver, 'Home: layout Two halves, 6 sections in 2 regions; Aside → Second');
    expect((await regions('Desktop')).map(({ sections }) => sections)).to.deep.equal([5, 1]);
    await bench.chord(Key.CONTROL, 'z');
    await expectStep(driver, /^Undone: Home: layout Two halves/);
  });

  it('hides a region in a view, or removes it from the layout in all, in different words', async () => {
    const { driver } = bench;
    await chooseView(driver, 'Mobile');
    await fromMenu('Aside', /^Hide in Mobile(?! instead)/);
    // What is selected is drawn even where it is hidden.
    await selectInOutline(driver, 'Home');
    await eventually('one region fewer', async () => (await regions('Mobile')).length === 2);
    await chooseView(driver, 'Desktop');
    expect(await regions('Desktop')).to.have.length(3);
    await fromMenu('Aside', 'Remove Aside from the layout in every view; its 1 section to Main');
    await expectStep(driver, 'Aside: removed from the layout in every view; 1 section now in Main');
    expect((await regions('Desktop')).map(({ sections }) => sections)).to.deep.equal([0, 6]);
    // What it hid stays hidden.
    await chooseView(driver, 'Mobile');
    const seen = await inSheet<boolean>(
      driver,
      'Mobile',
      'page',
      `return [...window.document.querySelectorAll('.region > *')].at(-1).checkVisibility()`,
    );
    expect(seen).to.equal(false);
    await chooseView(driver, 'Desktop');
  });

  it('is saved as a layout of the site, renamed, taken by another page and removed again', async () => {
    const { driver } = bench;
    await fromMenu('Three columns', 'Save Three columns as a layout of the site');
    await expectStep(driver, 'Three columns: saved with 2 elements in it');
    await bench.open('visits');
    await fromMenu('Visits', 'Choose the layout of the page …');
    await press('button', 'Rename Three columns');
    const field = await byRole(driver, 'textbox', 'New name of Three columns');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Ours', Key.ENTER);
    await press('button', /^Ours/);
    await press('button', 'Use this layout');
    await expectStep(driver, 'Visits: layout Ours, 2 sections in 2 regions');
    await fromMenu('Visits', 'Choose the layout of the page …');
    await press('button', 'Remove Ours from the layouts of the site');
    await eventually('no layout of the site', async () => {
      const own = await driver.findElements({ css: '[aria-label^="Rename "]' });
      return own.length === 0;
    });
    await press('button', /^No layout/);
    await press('button', 'Use this layout');
    await expectStep(driver, 'Visits: no layout; 2 sections one below another');
  });
});
