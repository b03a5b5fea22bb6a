/** The sizes of text styles: typed by view, seen over all widths, checked, and taken from a scale. */
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import {
  curveAt,
  curvePiece,
  mostByZoom,
  runningTexts,
  scaleSize,
  sizeAt,
  textSizeCss,
  type Curve,
  type NodeId,
  type TextSize,
  type ViewId,
} from '../../core/index.ts';
import { files as pictures, home, made, onlyPages, site } from '../core/acting.ts';
import { byRole, openBrowser, resize, visit, type Browser } from './browser.ts';
import { fileServer } from './files.ts';
import { saysStep, useBench } from './workbench.ts';

describe('the type of a site', function () {
  this.timeout(120_000);
  const bench = useBench();

  const press = async (role: string, name: string | RegExp) =>
    (await byRole(bench.driver, role, name)).click();
  const toType = async () => {
    await press('link', 'Type');
    await byRole(bench.driver, 'table', 'Sizes of text styles');
  };
  const fill = async (name: string, text: string) => {
    const box = await byRole(bench.driver, 'textbox', name);
    await box.click();
    await bench.driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).perform();
    await box.sendKeys(text, Key.ENTER);
    return box;
  };
  const valueOf = async (name: string) => (await byRole(bench.driver, 'textbox', name)).getAttribute('value');
  const undo = () => press('button', /^Undo/);

  it('has a table to type sizes in, by view, with the widths between which they grow', async () => {
    const { driver } = bench;
    await toType();
    expect(await valueOf('Size of Heading 1 in Tablet')).to.equal('44–56');
    await fill('Size of Heading 1 in Mobile', '30–40 @ 400–600');
    await saysStep(driver, 'Heading 1: size in Mobile and onward 36 → fluid 30–40');
    expect(await valueOf('Size of Heading 1 in Mobile')).to.equal('30–40');
    await driver.findElement({ css: 'body' }).sendKeys(Key.TAB);
    const table = await byRole(driver, 'table', 'Sizes of text styles');
    // The base view's sheet is 1280 px wide, where the marker stands at first.
    expect(await table.getText()).to.match(/At 1280/);
    await fill('Size of Heading 1 in Mobile', 'large');
    expect(await (await byRole(driver, 'group', /^Shown as/)).isDisplayed()).to.equal(true);
    const row = await driver.findElement({ css: '.type-table tr.chosen' });
    expect(await row.getText()).to.include('Not kept; it is still “30–40”.');
    await byRole(driver, 'textbox', 'Size of Heading 1 in Mobile').then((box) => box.sendKeys(Key.ESCAPE));
    await undo();
    await saysStep(driver, /^Undone: Heading 1: size in Mobile/);
    expect(await valueOf('Size of Heading 1 in Mobile')).to.equal('36');
  });

  it('draws the sizes over all widths, says what it draws, and has it as a table', async () => {
    const { driver } = bench;
    await toType();
    await press('button', 'Heading 1');
    await byRole(
      driver,
      'image',
      'Size against width, from 280 to 2559 px. Heading 1: 36 px in Mobile, 49.6 px in Tablet, 64 px in Desktop, 80 px in Wide, jumps from 36 to 44 px at 640 px, jumps from 56 to 64 px at 1024 px, jumps from 64 to 80 px at 1440 px.',
    );
    const marker = await byRole(driver, 'slider', 'Marked width');
    await marker.sendKeys(Key.HOME);
    const told = () => driver.findElement({ css: '.type-told' }).getText();
    expect(await told()).to.equal('Heading 1 is 36 px at 280 px, Mobile.');
    await press('button', 'Body');
    expect(await told()).to.equal('Body is 16 px at 280 px, Mobile.');
    // A click on a curve chooses it and marks the width: the largest size is drawn along the upper edge, 20 px below that of the chart.
    const canvas = await driver.findElement({ css: '.type-chart canvas' });
    const { width, height } = await canvas.getRect();
    await driver
      .actions({ async: true })
      .move({ origin: canvas, x: Math.round(width / 4), y: Math.round(22 - height / 2) })
      .click()
      .perform();
    expect(await told()).to.match(/^Heading 1 is 80 px at 1[5-9]\d\d px, Wide\.$/);
    const curves = await byRole(driver, 'region', 'Curves');
    await (await byRole(driver, 'button', 'Table', { inside: curves })).click();
    const table = await byRole(driver, 'table', 'Sizes by width');
    const lines = (await table.getText()).split('\n');
    expect(lines[0]).to.equal('Width, px 280 639 640 1023 1024 1439 1440 2559');
    expect(lines).to.include('Heading 1 36 36 44 56 64 64 80 80');
    expect(lines).to.include('Body 16 16 17 17 17 17 17 17');
    await press('button', 'Curves');
  });

  it('says what is amiss, at which widths, and leads there', async () => {
    const { driver } = bench;
    await toType();
    const before = await (await byRole(driver, 'list', 'What is amiss')).getText();
    // The demo's text styles are sound; some of the lines on its home page are long, or short beside pictures.
    expect(before.split('\n').filter((line) => !/^(Lines of |Go there)/.test(line))).to.deep.equal([]);
    await fill('Size of Meta in Mobile', '10');
    const list = await byRole(driver, 'list', 'What is amiss');
    const text = await list.getText();
    expect(text).to.include('Meta is 10 px from 280 to 639 px. Make it 12 px or more there.');
    expect(text).to.include('Meta goes from 10 px to 14 px at 640 px, by 40 %.');
    await (await byRole(driver, 'button', 'Go there', { inside: list })).click();
    const chosen = await byRole(driver, 'button', 'Meta');
    expect(await chosen.getAttribute('aria-pressed')).to.equal('true');
    await undo();
    await saysStep(driver, /^Undone: Meta/);
    const lines = await driver.findElement({ xpath: `//li[contains(., 'Invitation: text')]//button` });
    await lines.click();
    await byRole(driver, 'treegrid', /./);
    expect(await driver.findElement({ css: '[role=row][aria-selected=true]' }).getText()).to.include(
      'Invitation: text',
    );
    await driver.navigate().back();
    await byRole(driver, 'table', 'Sizes of text styles');
  });

  it('shows how long lines are at every width, with what is read well, and as a table', async () => {
    const { driver } = bench;
    await toType();
    const chart = await byRole(driver, 'image', /^Characters a line against width/);
    expect(await chart.getAccessibleName()).to.match(/Lead paragraph: \d+ in Mobile, \d+ in Tablet/);
    const section = await byRole(driver, 'region', 'Length of lines');
    await (await byRole(driver, 'button', 'Table', { inside: section })).click();
    const table = await byRole(driver, 'table', 'Characters a line by width');
    expect(await table.getText()).to.match(/Lead paragraph \d+ \d+ \d+ \d+ \d+ \d+ \d+ \d+/);
  });

  it('has sizes for a view, suggested or by a factor, of which some can be left', async () => {
    const { driver } = bench;
    await toType();
    await press('button', 'Sizes for a view …');
    const dialog = await byRole(driver, 'dialog', 'Sizes for a view');
    const table = await byRole(driver, 'table', 'Sizes in Mobile', { inside: dialog });
    // 16 · (64 ÷ 17)^0.55 = 33.2
    expect(await table.getText()).to.match(/Heading 1 36 33/);
    await (await byRole(driver, 'button', 'By a factor', { inside: dialog })).click();
    const percent = await byRole(driver, 'textbox', 'Percent', { inside: dialog });
    await percent.sendKeys(Key.chord(Key.CONTROL, 'a'), '50');
    expect(await (await byRole(driver, 'table', 'Sizes in Mobile')).getText()).to.match(
      /Heading 1 36 18[\s\S]*Body 16 12, as small as it may be/,
    );
    await (await byRole(driver, 'checkbox', 'Change Body', { inside: dialog })).click();
    await (await byRole(driver, 'button', /^Change 14 styles in Mobile$/, { inside: dialog })).click();
    await saysStep(driver, '14 text styles: sizes in Mobile and onward');
    expect(await valueOf('Size of Heading 1 in Mobile')).to.equal('18');
    expect(await valueOf('Size of Body in Mobile')).to.equal('16');
    expect(await valueOf('Size of Heading 1 in Tablet')).to.equal('44–56');
    await undo();
    await saysStep(driver, /^Undone: 14 text styles/);
  });

  it('takes sizes from a scale, as seen before, but for styles that are held back, in one step', async () => {
    const { driver } = bench;
    await toType();
    await press('button', 'Sizes from a scale …');
    const dialog = await byRole(driver, 'dialog', 'Sizes from a scale');
    const take = await byRole(driver, 'button', /^Give 15 styles/, { inside: dialog });
    const ratio = await byRole(driver, 'textbox', 'Wide end: Ratio', { inside: dialog });
    await ratio.sendKeys(Key.chord(Key.CONTROL, 'a'), '9');
    const alert = await dialog.findElement({ css: '[role=alert]' });
    expect(await alert.getText()).to.equal('The wide end needs a ratio from 1 to 2.');
    expect(await take.isEnabled()).to.equal(false);
    await ratio.sendKeys(Key.chord(Key.CONTROL, 'a'), '1.25');
    await (await byRole(driver, 'checkbox', 'Logo follows the scale', { inside: dialog })).click();
    const step = await byRole(driver, 'spinbutton', 'Step of Heading 1', { inside: dialog });
    await step.sendKeys(Key.chord(Key.CONTROL, 'a'), '5');
    // Body is 16 px on a phone of 390 px and 17 on a screen of 1680: 16 · 1.2⁵ = 39.8 and 17 · 1.25⁵ = 51.9, in halves.
    expect(await (await byRole(driver, 'table', 'What each style gets')).getText()).to.match(
      /Heading 1 36 → 40 80 → 52/,
    );
    await (await byRole(driver, 'button', /^Give 14 styles/, { inside: dialog })).click();
    await saysStep(
      driver,
      '14 text styles on a scale, from 16 px × 1.2 at 390 px to 17 px × 1.25 at 1680 px',
    );
    expect(await valueOf('Size of Heading 1 in Mobile')).to.equal('40–52');
    expect(await valueOf('Size of Logo in Mobile')).to.equal('20');
    await undo();
    await saysStep(driver, /^Undone: 14 text styles/);
    expect(await valueOf('Size of Heading 1 in Wide')).to.equal('80');
  });
});

describe('text sizes in Chromium', function () {
  this.timeout(120_000);
  let browser: Browser;
  before(async () => {
    browser = await openBrowser();
  });
  after(() => browser.close());

  /** px; what Chromium makes of a size in a window so wide, zoomed: so many px of the page, each so many of the screen. */
  async function sizeIn(window: number, zoom = 1): Promise<number> {
    await browser.driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
      width: Math.round(window / zoom),
      height: 800,
      deviceScaleFactor: zoom,
      mobile: false,
    });
    const size = await browser.driver.executeScript<string>(
      'return getComputedStyle(document.querySelector("h1")).fontSize',
    );
    return Number.parseFloat(size) * zoom;
  }
  const show = (css: string) =>
    browser.driver.get(
      `data:text/html,${encodeURIComponent(`<!DOCTYPE html><style>${css}</style><h1>Size</h1>`)}`,
    );
  const rule = (size: TextSize) => `h1{font-size:${textSizeCss(size)}}`;

  it('are at 50 widths what their scale says', async () => {
    const ends = {
      narrow: { width: 360, base: 16, ratio: 1.2 },
      wide: { width: 1440, base: 19, ratio: 1.333 },
    };
    const size = scaleSize({ ...ends, rounding: 'none' }, 4);
    if (!size.ok) throw new Error(size.sentence);
    await resize(browser.driver, 1280, 800);
    await show(rule(size.value));
    for (let index = 0; index < 50; index += 1) {
      const width = 300 + index * 27;
      expect(await sizeIn(width), `${width} px`).to.be.closeTo(sizeAt(size.value, width), 0.01);
    }
  });

  it('have lines as long as is worked out, in every view', async () => {
    const files = await fileServer();
    try {
      const only = onlyPages(site, 'home');
      const url = await files.put('lines', only, pictures);
      const texts = runningTexts(only.frame, only.pages[home.id]);
      expect(texts.length).to.be.above(3);
      for (const width of [320, 390, 700, 820, 1100, 1280, 1500, 1920]) {
        await resize(browser.driver, width, 800);
        await visit(browser.driver, url);
        for (const { node: id, lineAt } of texts) {
          const found = await browser.driver.executeScript<number | null>(
            `const element = document.querySelector('.n-' + arguments[0]);
             if (!element?.checkVisibility()) return null;
             const style = getComputedStyle(element);
             const room = element.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight);
             return room / parseFloat(style.fontSize) / 0.5;`,
            id,
          );
          if (found === null) expect(lineAt(width), `${id} at ${width}`).to.equal(undefined);
          else expect(lineAt(width), `${id} at ${width}`).to.be.closeTo(found, 0.2);
        }
      }
    } finally {
      files.close();
    }
  });

  it('that are a share of their place are so much of it at every width, in all kinds of places', async () => {
    // In a column of a row, which in one view is as wide as its words; straight in a section; in a column of a card; straight in a row.
    const share = { share: 7, least: 14, most: 90 };
    const texts = ['headline', 'lead', 'evening-title', 'saturn-title', 'glass-title'] as NodeId[];
    const row = home.nodes[home.nodes['glass-words' as NodeId].parent!];
    const moved = made('moveElements', { nodes: ['glass-title' as NodeId], parent: row.id, after: null });
    const sized = made(
      'setValue',
      {
        ...{ nodes: texts, property: 'size', view: site.frame.views.base },
        ...{ value: share, reach: 'everywhere' as const },
      },
      moved.page,
    );
    const narrow = made(
      'setValue',
      {
        ...{
          nodes: [home.nodes['lead' as NodeId].parent!],
          property: 'blockAlign',
          view: 'tablet' as ViewId,
        },
        ...{ value: 'center', reach: 'here' as const },
      },
      sized.page,
    );
    const files = await fileServer();
    try {
      const only = onlyPages(
        { ...narrow.site, pages: { ...narrow.site.pages, [home.id]: narrow.page } },
        'home',
      );
      const url = await files.put('shares', only, pictures);
      for (const width of [320, 390, 520, 700, 820, 1023, 1100, 1280, 1500, 1920]) {
        await resize(browser.driver, width, 800);
        await visit(browser.driver, url);
        for (const id of texts) {
          const [size, place] = await browser.driver.executeScript<[number, number]>(
            `const element = document.querySelector('.n-' + arguments[0]);
             const size = parseFloat(getComputedStyle(element).fontSize);
             // The grid area that it has: a box that is stretched over it.
             const probe = document.createElement('div');
             const style = getComputedStyle(element);
             for (const name of ['grid-area', 'grid-column', 'grid-row']) probe.style.setProperty(name, style.getPropertyValue(name));
             probe.style.justifySelf = 'stretch';
             element.style.display = 'none';
             element.before(probe);
             const across = probe.getBoundingClientRect().width;
             probe.remove();
             element.style.display = '';
             return [size, across];`,
            id,
          );
          const wanted = Math.min(90, Math.max(14, place * 0.07));
          expect(size, `${id} at ${width}, in ${place}`).to.be.closeTo(wanted, 0.05);
        }
        // A reader whose own font size is 20 px: what is not at a limit grows by the 4 px.
        const grown = await browser.driver.executeScript<number>(
          `const size = () => parseFloat(getComputedStyle(document.querySelector('.n-evening-title')).fontSize);
           const before = size();
           document.documentElement.style.fontSize = '20px';
           return size() - before;`,
        );
        expect(grown, `at ${width}`).to.be.within(3.5, 22.6);
      }
    } finally {
      files.close();
    }
  });

  it('get by zoom as large as is worked out, in one view and across the limit of another', async () => {
    const cases: { curve: Curve; css: string; widths: number[] }[] = [
      ...[
        { min: 16, max: 96, fromWidth: 320, toWidth: 1280 },
        { min: 20, max: 40, fromWidth: 400, toWidth: 1200 },
      ].map((size) => ({
        curve: [curvePiece(1, 9000, size)],
        css: rule(size),
        widths: [640, 1280],
      })),
      {
        curve: [curvePiece(1, 640, 12), curvePiece(640, 9000, 60)],
        css: `${rule(12)}@media (min-width:640px){${rule(60)}}`,
        widths: [1000, 1600],
      },
    ];
    const zooms = Array.from({ length: 33 }, (_each, index) => 1 + index / 8);
    for (const { curve, css, widths } of cases) {
      await show(css);
      for (const width of widths) {
        const sizes: number[] = [];
        for (const zoom of zooms) sizes.push(await sizeIn(width, zoom));
        const most = Math.max(...sizes) / curveAt(curve, width);
        // Between two steps of zoom there may be a little more.
        const said = mostByZoom(curve, width);
        expect(said, `${css} at ${width} px`).to.be.at.least(most - 0.02);
        expect(said, `${css} at ${width} px`).to.be.at.most(most * 1.1);
        expect(most >= 2, `${css} at ${width} px`).to.equal(said >= 2);
      }
    }
  });
});
