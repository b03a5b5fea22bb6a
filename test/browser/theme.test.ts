/** The theme: text styles in the table, colours, the spacing scale and fonts, with steps that can be undone. */
import { expect } from 'chai';
import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import { By, Key } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import type { SiteFrame } from '../../core/index.ts';
import { byRole, eventually, still } from './browser.ts';
import {
  cellShows,
  chooseView,
  computed,
  inSheet,
  kept,
  lastStep,
  expectStep,
  selectInOutline,
  sheet,
  type,
  useBench,
} from './workbench.ts';

const FONT = createRequire(import.meta.url)
  .resolve('@fontsource-variable/atkinson-hyperlegible-next/package.json')
  .replace('package.json', 'files/atkinson-hyperlegible-next-latin-wght-normal.woff2');

describe('the workbench: theme', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { chord } = bench;

  const frame = async (): Promise<SiteFrame> => {
    const response = await fetch(bench.running.url + paths.site('brindle-hill'));
    return ((await response.json()) as { frame: SiteFrame }).frame;
  };
  const openTheme = async () => {
    await (await byRole(bench.driver, 'button', 'Theme')).click();
    return byRole(bench.driver, 'region', 'Theme');
  };

  it('shows text styles in the same table, says who follows, and changes every follower', async () => {
    const { driver } = bench;
    await openTheme();
    await (await byRole(driver, 'option', /^Heading 3/)).click();
    const values = await byRole(driver, 'region', 'Values of the Heading 3 style');
    expect(await values.getText()).to.match(/6 on this page follow it/);
    await type(driver, 'Size', 'Tablet', '27', [Key.SHIFT, Key.ENTER]);
    await expectStep(driver, 'Heading 3: size in Tablet 24 → 27');
    await chooseView(driver, 'Tablet');
    for (const id of ['saturn-title', 'eyes-title'])
      expect(await computed(driver, 'Tablet', id, 'font-size')).to.equal('27px');
    await kept(driver);
    expect(
      (await frame()).textStyles.find(({ id }) => id === 'heading-3')!.style.self!.size!.at,
    ).to.have.property('tablet');
    await selectInOutlineFromTheme('Saturn: title');
    await type(driver, 'Size', 'Tablet', '40');
    await openTheme();
    await (await byRole(driver, 'option', /^Heading 3/)).click();
    await eventually('who does not follow', async () =>
      (await (await byRole(driver, 'region', 'Values of the Heading 3 style')).getText()).includes(
        '1 not in Tablet',
      ),
    );
    await chord(Key.CONTROL, 'z');
    await chord(Key.CONTROL, 'z');
    await eventually(
      'as it was',
      async () => (await computed(driver, 'Tablet', 'saturn-title', 'font-size')) === '24px',
    );
  });

  async function selectInOutlineFromTheme(name: string): Promise<void> {
    await (await byRole(bench.driver, 'button', 'Tree')).click();
    await selectInOutline(bench.driver, name);
  }

  it('keeps its steps with those of the page over a reload', async () => {
    const { driver } = bench;
    await openTheme();
    await (await byRole(driver, 'option', /^Small/)).click();
    await type(driver, 'Size', 'Desktop', '13');
    await kept(driver);
    await selectInOutlineFromTheme('Headline');
    await type(driver, 'Weight', 'Desktop', '500');
    await kept(driver);
    await driver.navigate().refresh();
    await sheet(driver, 'Desktop');
    await byRole(driver, 'button', /^Undo: Headline: weight/);
    await chord(Key.CONTROL, 'z');
    await byRole(driver, 'button', 'Undo: Small: size in Desktop 15 → 13');
    expect(await computed(driver, 'Desktop', 'saturn-text', 'font-size')).to.equal('13px');
    await chord(Key.CONTROL, 'z');
    await eventually(
      'the style as before',
      async () => (await computed(driver, 'Desktop', 'saturn-text', 'font-size')) === '15px',
    );
    await kept(driver);
  });

  it('gives an element another text style', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Lead paragraph');
    await (await byRole(driver, 'combobox', /Text style/)).click();
    await (await byRole(driver, 'option', 'Small')).click();
    await expectStep(driver, 'Lead paragraph: text style Small in every view');
    expect(await computed(driver, 'Desktop', 'lead', 'font-size')).to.equal('15px');
    await cellShows(driver, 'Size in Desktop: 15');
  });

  it('changes and adds colours, and does not let one go that is used', async () => {
    const { driver } = bench;
    await openTheme();
    await (await byRole(driver, 'button', /^Colour Lamp/)).click();
    const card = await byRole(driver, 'dialog', 'Colour Lamp');
    const field = await byRole(driver, 'textbox', 'Colour', { inside: card });
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '#00aa55');
    await (await byRole(driver, 'button', 'Change everywhere', { inside: card })).click();
    await expectStep(driver, 'Colour Lamp: #f0a93b → #00aa55');
    await eventually(
      'the button in the new colour',
      async () => (await computed(driver, 'Desktop', 'book', 'background-color')) === 'rgb(0, 170, 85)',
    );
    await (await byRole(driver, 'button', /^Colour Lamp/)).click();
    await (
      await byRole(driver, 'button', 'Remove', { inside: await byRole(driver, 'dialog', 'Colour Lamp') })
    ).click();
    await eventually('why not', async () =>
      /Lamp is used by .+ on Home, .+ give them another colour first\. Nothing was removed\./.test(
        await driver.findElement(By.css('body')).getText(),
      ),
    );
    await driver.actions().sendKeys(Key.ESCAPE).perform();
    await byRole(driver, 'button', /^Colour Lamp/);
    await still(driver);
  });

  it('changes a step of the spacing scale in a view, and everything that takes it', async () => {
    const { driver } = bench;
    await openTheme();
    const field = await byRole(driver, 'textbox', 'M in Tablet');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '20', Key.ENTER);
    await expectStep(driver, 'Space M: 20 px in Tablet and onward');
    await chooseView(driver, 'Tablet');
    expect(await computed(driver, 'Tablet', 'shared-foot-foot-social', 'row-gap')).to.equal('20px');
    const step = await byRole(driver, 'textbox', 'M in Tablet');
    await step.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.DELETE, Key.ENTER);
    await expectStep(driver, 'Space M: Tablet cleared');
    expect(await computed(driver, 'Tablet', 'shared-foot-foot-social', 'row-gap')).to.equal('24px');
  });

  it('lets a step grow with the window, be called otherwise, and go where nothing takes it', async () => {
    const { driver } = bench;
    await openTheme();
    const enter = async (text: string) => {
      const field = await byRole(driver, 'textbox', 'M in Desktop');
      await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
    };
    await enter('a lot');
    await eventually('why not', async () =>
      /“a lot” is not a number from 0 to 600 px\. The step was not changed\./.test(
        await driver.findElement(By.css('body')).getText(),
      ),
    );
    await enter('10–50 @ 280–2280');
    await expectStep(driver, 'Space M: 10–50 px in Desktop');
    // At 1280 px, half the way.
    expect(await computed(driver, 'Desktop', 'shared-foot-foot-social', 'row-gap')).to.equal('30px');
    expect(await (await byRole(driver, 'textbox', 'M in Desktop')).getAttribute('value')).to.equal('10–50');
    // Only looked at, an override stays as it is, also where another reach is chosen.
    const tablet = await byRole(driver, 'textbox', 'M in Tablet');
    await tablet.sendKeys(Key.chord(Key.CONTROL, 'a'), '10–20', Key.chord(Key.SHIFT, Key.ENTER));
    await expectStep(driver, 'Space M: 10–20 px in Tablet');
    await (await byRole(driver, 'textbox', 'M in Mobile')).click();
    await tablet.click();
    await tablet.sendKeys(Key.TAB);
    await still(driver);
    expect(await lastStep(driver)).to.equal('Space M: 10–20 px in Tablet');
    await (await byRole(driver, 'button', /^Undo: Space M: 10–20 px in Tablet/)).click();
    await (await byRole(driver, 'button', 'Step M')).click();
    const card = () => byRole(driver, 'dialog', /^Step /);
    await (await byRole(driver, 'button', 'Remove', { inside: await card() })).click();
    await eventually('why not', async () =>
      /M is used by .+ give (it|them) another step first\./.test(
        await driver.findElement(By.css('body')).getText(),
      ),
    );
    const name = await byRole(driver, 'textbox', 'Name', { inside: await card() });
    await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Middle', Key.ENTER);
    await expectStep(driver, 'Space M: renamed to Middle');
    await (await byRole(driver, 'button', 'Add a step')).click();
    await (await byRole(driver, 'button', 'Step Step 1')).click();
    await (await byRole(driver, 'button', 'Remove', { inside: await card() })).click();
    await expectStep(driver, 'Space Step 1 removed');
    for (let steps = 0; steps < 4; steps += 1) await chord(Key.CONTROL, 'z');
    expect(await computed(driver, 'Desktop', 'shared-foot-foot-social', 'row-gap')).to.equal('24px');
  });

  it('takes in a woff2 font, shows it in a sheet and publishes it; other files are refused in a sentence', async () => {
    const { driver, running } = bench;
    await openTheme();
    const input = await driver.findElement(By.css('input[type=file][aria-label="Font file"]'));
    await driver.executeScript('arguments[0].hidden = false', input);
    await input.sendKeys(FONT);
    await expectStep(driver, 'Font Atkinson Hyperlegible Next added');
    await selectInOutlineFromTheme('Headline');
    await type(driver, 'Family', 'Desktop', 'Atkinson Hyperlegible Next');
    await expectStep(driver, 'Headline: family in Desktop Fraunces → Atkinson Hyperlegible Next');
    await eventually('the font in the sheet', () =>
      inSheet<boolean>(
        driver,
        'Desktop',
        'headline',
        `const name = window.getComputedStyle(element).fontFamily.split(',')[0];
         return window.document.fonts.check('20px ' + name) && [...window.document.fonts].some((face) => name.includes(face.family.replaceAll('"', '')) && face.status === 'loaded')`,
      ),
    );
    await kept(driver);
    const live = (await (
      await fetch(running.url + paths.publications('brindle-hill'), { method: 'POST' })
    ).json()) as { url: string };
    const page = await (await fetch(live.url)).text();
    const css = await (await fetch(new URL(/href="([^"]+\.css)"/.exec(page)![1], live.url))).text();
    const file = /url\("(fonts\/font-atkinson[^"]+\.woff2)"\)/.exec(css)![1];
    const font = await fetch(new URL(`assets/${file}`, live.url));
    expect(font.status).to.equal(200);
    expect(
      Buffer.from(await font.arrayBuffer())
        .subarray(0, 4)
        .toString('latin1'),
    ).to.equal('wOF2');

    await openTheme();
    const again = await driver.findElement(By.css('input[type=file][aria-label="Font file"]'));
    await driver.executeScript('arguments[0].hidden = false', again);
    await again.sendKeys(fileURLToPath(new URL('../../package.json', import.meta.url)));
    await eventually('the sentence', async () =>
      (await driver.findElement(By.css('body')).getText()).includes(
        'It is not one of the types that a site can use:',
      ),
    );
  });
});
