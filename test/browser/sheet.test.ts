/** A sheet and the published page at the same width are the same picture. */
import { writeFile } from 'node:fs/promises';
import { expect } from 'chai';
import pixelmatch from 'pixelmatch';
import { PNG } from 'pngjs';
import type { Driver } from 'selenium-webdriver/chrome.js';
import { paths } from '../../api/paths.ts';
import { byRole, eventually, resize, still, visit } from './browser.ts';
import { chooseView, inSheet, openBench, sheet, type Bench } from './workbench.ts';

interface Clip {
  x: number;
  y: number;
  width: number;
  height: number;
}

async function picture(driver: Driver, clip: Clip): Promise<PNG> {
  const result = (await driver.sendAndGetDevToolsCommand('Page.captureScreenshot', {
    format: 'png',
    clip: { ...clip, scale: 1 },
  })) as unknown as { data: string };
  return PNG.sync.read(Buffer.from(result.data, 'base64'));
}

/**
 * Runs in a document: ends when every font is loaded and every image that shows is there and decoded. `dark`: images are only boxes.
 */
const SETTLE = `const [frame, dark, done] = arguments; const doc = frame ? frame.contentDocument : document;
  if (dark) for (const image of doc.images) image.style.filter = 'brightness(0)';
  const shown = [...doc.images].filter((image) => image.checkVisibility());
  Promise.all([doc.fonts.ready, ...shown.map((image) => image.decode())]).then(() => done(shown.length), (error) => done(String(error)));`;

describe('a sheet shows what is published', function () {
  this.timeout(120_000);
  let bench: Bench;
  before(async () => {
    bench = await openBench();
    await fetch(bench.running.url + paths.publications('brindle-hill'), { method: 'POST' });
  });
  after(() => bench?.end());

  for (const [view, width] of [
    ['Mobile', 390],
    ['Tablet', 820],
    ['Desktop', 1280],
    ['Wide', 1680],
  ] as const) {
    it(`in ${view}, to the pixel`, async () => {
      const { driver, running } = bench;
      // The sheet was a desktop's before: a browser goes on showing the larger images that it has from there.
      const dark = width < 1280;
      await resize(driver, 2400, 1000);
      await bench.open();
      await chooseView(driver, view);
      await (await byRole(driver, 'button', 'Show at 100 %')).click();
      const height = await eventually('the page’s height', () =>
        inSheet<number>(driver, view, 'page', 'return Math.ceil(element.getBoundingClientRect().height)'),
      );
      await resize(driver, 2400, height + 300);
      const frame = await sheet(driver, view);
      const pictures = await driver.executeAsyncScript(SETTLE, frame, dark);
      await still(driver);
      const box = await driver.executeScript<Clip>(
        // The frame may be taller than its page, and is cut off below it.
        'const b = arguments[0].getBoundingClientRect(); return { x: b.x, y: b.y, width: b.width, height: arguments[1] }',
        frame,
        height,
      );
      expect(box.width).to.equal(width);
      const inEditor = await picture(driver, box);

      await resize(driver, width, box.height);
      await visit(driver, `${running.hostUrl}/brindle-hill/`);
      expect(await driver.executeAsyncScript(SETTLE, null, dark))
        .to.equal(pictures)
        .and.be.greaterThan(6);
      await still(driver);
      const published = await picture(driver, { x: 0, y: 0, width, height: box.height });

      expect([inEditor.width, inEditor.height]).to.deep.equal([published.width, published.height]);
      const difference = new PNG({ width: published.width, height: published.height });
      const count = pixelmatch(
        inEditor.data,
        published.data,
        difference.data,
        published.width,
        published.height,
        { threshold: 0.1 },
      );
      if (count > 0) await writeFile(`/tmp/dimorphe-difference-${view}.png`, PNG.sync.write(difference));
      expect(count, `differing pixels; see /tmp/dimorphe-difference-${view}.png`).to.equal(0);
      expect(new Set(published.data.subarray(0, 400_000)).size, 'the image is not empty').to.be.greaterThan(
        20,
      );
    });
  }
});
