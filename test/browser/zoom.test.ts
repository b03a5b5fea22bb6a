/** Pages that a reader has zoomed, in windows that end just at a limit of views: there a width is no whole number of px. */
import { expect } from 'chai';
import type { Site, ViewId } from '../../core/index.ts';
import { home, made, node, site, view } from '../core/acting.ts';
import { openBrowser, resize, visit, type Browser } from './browser.ts';
import { fileServer, type FileServer } from './files.ts';

/** Where the views of the demo begin, px. */
const LIMITS = { tablet: 640, desktop: 1024, wide: 1440 };

/** In each view one element is shown, and nowhere else. */
const ONLY = { mobile: 'lead', tablet: 'book', desktop: 'headline', wide: 'dome' };

function shownInTurn(): Site {
  let on = site;
  const shown = (id: string, at: ViewId, value: boolean, reach: 'here' | 'everywhere') => {
    const set = { nodes: [node(id)], property: 'shown', view: at, value, reach };
    on = made('setValue', set, on.pages[home.id], on).site;
  };
  for (const [only, id] of Object.entries(ONLY)) {
    shown(id, view('desktop'), only === 'desktop', 'everywhere');
    for (const each of Object.keys(ONLY))
      if (each !== 'desktop') shown(id, view(each), each === only, 'here');
  }
  return on;
}

for (const percent of [110, 90, 125])
  describe(`a page at a zoom of ${percent} %`, function () {
    this.timeout(120_000);
    let browser: Browser;
    let files: FileServer;
    before(async () => {
      [browser, files] = await Promise.all([openBrowser({ zoom: percent / 100 }), fileServer()]);
    });
    after(async () => {
      await browser?.close();
      files?.close();
    });

    it('shows what is shown in exactly one view, at every px of the screen around each limit', async () => {
      const { driver } = browser;
      await visit(driver, await files.put('zoomed', shownInTurn()));
      let between = 0;
      for (const limit of Object.values(LIMITS)) {
        const first = Math.ceil((limit * percent) / 100);
        for (let screen = first - 3; screen <= first + 3; screen += 1) {
          await resize(driver, screen, 800);
          const { width, there } = await driver.executeScript<{ width: number; there: string[] }>(
            `return {
              width: document.documentElement.getBoundingClientRect().width,
              there: arguments[0].filter((id) => document.querySelector('.n-' + id).getClientRects().length > 0),
            }`,
            Object.values(ONLY),
          );
          expect(width).to.be.closeTo((100 * screen) / percent, 0.02);
          if (!Number.isInteger(width)) between += 1;
          const meant =
            Object.entries(LIMITS).findLast(([, from]) => 100 * screen >= from * percent)?.[0] ?? 'mobile';
          expect(there, `${screen} px of the screen, ${width} of the page`).to.deep.equal([
            ONLY[meant as keyof typeof ONLY],
          ]);
        }
      }
      expect(between, 'widths between whole px').to.be.greaterThan(6);
    });
  });
