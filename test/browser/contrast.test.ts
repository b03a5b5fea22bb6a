/** The contrast that the trace tells is the one of the colours that Chromium paints. */
import { expect } from 'chai';
import { By } from 'selenium-webdriver';
import { composed, pagesOf, contrastIn, type NodeId, type ViewId } from '../../core/index.ts';
import { demoSite } from '../demo.ts';
import { eventually } from './browser.ts';
import { cell, inSheet, selectInOutline, type, useBench } from './workbench.ts';

/**
 * For each element: the pixel that Chromium paints of all background colours above it, laid over one another on white,
 * and the one with its text colour on top. Chromium reads and mixes the colours; nothing of ours is asked.
 */
const PIXELS = `
  const canvas = window.document.createElement('canvas');
  const context = canvas.getContext('2d', { willReadFrequently: true });
  return ids.map((id) => {
    const element = window.document.querySelector('.n-' + id);
    const layers = [];
    for (let at = element; at; at = at.parentElement) layers.unshift(window.getComputedStyle(at).backgroundColor);
    const paint = (colour) => { context.fillStyle = colour; context.fillRect(0, 0, 1, 1); };
    const pixel = () => [...context.getImageData(0, 0, 1, 1).data].slice(0, 3);
    ['white', ...layers].forEach(paint);
    const behind = pixel();
    paint(window.getComputedStyle(element).color);
    return { behind, text: pixel() };
  });`;

/** WCAG 2.2, relative luminance and contrast ratio (https://www.w3.org/TR/WCAG22/#dfn-contrast-ratio). */
function ratioOf(one: number[], other: number[]): number {
  const luminance = (channels: number[]) =>
    channels
      .map((value) => value / 255)
      .map((value) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4))
      .reduce((sum, value, index) => sum + value * [0.2126, 0.7152, 0.0722][index], 0);
  const [low, high] = [luminance(one), luminance(other)].sort((a, b) => a - b);
  return (high + 0.05) / (low + 0.05);
}

describe('contrast', function () {
  this.timeout(120_000);
  const bench = useBench();

  it('of every text of the home page is that of the colours Chromium paints', async () => {
    const { site } = await demoSite();
    const home = composed(site.frame, pagesOf(site)[0]);
    const reported = Object.values(home.nodes).flatMap((node) => {
      const contrast = contrastIn(site.frame, home, node, 'self', 'desktop' as ViewId);
      return contrast ? [{ id: node.id, ratio: contrast.ratio }] : [];
    });
    const ids: NodeId[] = reported.map(({ id }) => id);
    const pixels = await inSheet<{ behind: number[]; text: number[] }[]>(
      bench.driver,
      'Desktop',
      'page',
      `const ids = ${JSON.stringify(ids)}; ${PIXELS}`,
    );
    expect(reported.length).to.be.greaterThan(20);
    // A pixel has whole numbers only, which moves the ratio of dark colours a little.
    reported.forEach(({ id, ratio }, index) =>
      expect(ratioOf(pixels[index].text, pixels[index].behind), id).to.be.closeTo(ratio, ratio * 0.02),
    );
  });

  it('stands in the trace of a colour, and says when text needs more', async () => {
    const { driver } = bench;
    const trace = async () => (await driver.findElement(By.css('[aria-label="Trace"]'))).getText();
    await selectInOutline(driver, 'Lead paragraph');
    await (await cell(driver, 'Colour', 'Desktop')).click();
    await eventually('the contrast', async () => /contrast \d+\.\d : 1$/.test(await trace()));
    await type(driver, 'Colour', 'Desktop', '#333a55');
    await (await cell(driver, 'Colour', 'Desktop')).click();
    await eventually('the warning, said once', async () => {
      const said = await trace();
      return said.includes('Lead paragraph has a contrast of 1.') && said.split('4.5 : 1').length === 2;
    });
  });
});
