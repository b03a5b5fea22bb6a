/** What core works out of text sizes, against what Chromium computes: scales, shares of places, lines, zoom. */
import { expect } from 'chai';
import {
  curveAt,
  runningTexts,
  scaleSize,
  sizeAt,
  type Curve,
  type NodeId,
  type TextSize,
  type ViewId,
} from '../../core/index.ts';
import { curvePiece, mostByZoom } from '../../core/type/curve.ts';
import { textSizeCss } from '../../core/type/textsize.ts';
import { files as pictures, home, made, onlyPages, site } from '../core/acting.ts';
import { openBrowser, resize, visit, type Browser } from './browser.ts';
import { fileServer } from './files.ts';

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
    let narrow = made(
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
    // What follows the window beside them is no share of the place: paddings of columns, and gaps.
    const fluid = { min: 0, max: 120, fromWidth: 320, toWidth: 1600 };
    const column = home.nodes['lead' as NodeId].parent!;
    for (const [nodes, property] of [
      [[column, home.nodes['glass-words' as NodeId].parent!], 'paddingLeft'],
      [[column], 'paddingRight'],
      [[row.id, home.nodes[column].parent!], 'gap'],
    ] as [NodeId[], string][])
      narrow = made(
        'setValue',
        { nodes, property, view: site.frame.views.base, value: fluid, reach: 'everywhere' as const },
        narrow.page,
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
