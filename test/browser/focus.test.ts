/** What has the keyboard is seen (WCAG 2.2, 2.4.7 https://www.w3.org/TR/WCAG22/#focus-visible): pictures with and without it differ. */
import { expect } from 'chai';
import { PNG } from 'pngjs';
import { Key } from 'selenium-webdriver';
import { still } from './browser.ts';
import { selectInOutline, useBench } from './workbench.ts';

interface Stop {
  name: string;
  box: { left: number; top: number; width: number; height: number };
}

/** px; what is drawn around a control belongs to it. */
const AROUND = 4;

/** Fewer pixels are no mark that anyone would see. */
const LEAST = 8;

/** More tab stops than any screen has. */
const MOST = 90;

/** What has the keyboard and where it stands; null: the document itself, or the sheet, whose content is the visitor's page. */
const STOP = `const at = document.activeElement;
  if (!at || at === document.body || at.tagName === 'IFRAME') return null;
  const { left, top, width, height } = at.getBoundingClientRect();
  const name = at.getAttribute('aria-label') ?? at.textContent.trim().slice(0, 40);
  return { name: at.tagName + ' ' + (at.getAttribute('role') ?? at.type ?? '') + ' ' + name, box: { left, top, width, height } };`;

/** How many pixels differ between two pictures in and around a box. */
function differing(one: PNG, other: PNG, { left, top, width, height }: Stop['box']): number {
  let count = 0;
  const [fromX, fromY] = [left, top].map((edge) => Math.max(0, Math.floor(edge) - AROUND));
  const toX = Math.min(one.width, Math.ceil(left + width) + AROUND);
  const toY = Math.min(one.height, Math.ceil(top + height) + AROUND);
  for (let y = fromY; y < toY; y += 1)
    for (let x = fromX; x < toX; x += 1) {
      const at = (y * one.width + x) * 4;
      if ([0, 1, 2].some((channel) => Math.abs(one.data[at + channel] - other.data[at + channel]) > 24))
        count += 1;
    }
  return count;
}

describe('the focus of the keyboard', function () {
  this.timeout(300_000);
  const bench = useBench();

  /** The tab stops of the screen at which no pixel shows that they have the keyboard. */
  async function unseen(): Promise<{ stops: number; unseen: string[] }> {
    const { driver, press } = bench;
    const picture = async () => PNG.sync.read(Buffer.from(await driver.takeScreenshot(), 'base64'));
    const missed: string[] = [];
    let count = 0;
    let before: { stop: Stop; shot: PNG } | undefined;
    const first: string[] = [];
    for (let turn = 0; turn < MOST; turn += 1) {
      await press(Key.TAB);
      await still(driver);
      const stop = await driver.executeScript<Stop | null>(STOP);
      const shot = await picture();
      if (before && differing(before.shot, shot, before.stop.box) < LEAST) {
        // A picture can be taken before a slow machine has drawn: what is not seen twice is not there.
        await driver.actions().keyDown(Key.SHIFT).sendKeys(Key.TAB).keyUp(Key.SHIFT).perform();
        await still(driver);
        const again = await picture();
        await press(Key.TAB);
        await still(driver);
        if (differing(again, await picture(), before.stop.box) < LEAST) missed.push(before.stop.name);
      }
      before = stop ? { stop, shot } : undefined;
      if (!stop) continue;
      const key = JSON.stringify(stop);
      if (first.length > 0 && key === first[0]) break;
      first.push(key);
      count += 1;
    }
    return { stops: count, unseen: missed };
  }

  it('is seen on every control of the workbench', async () => {
    await selectInOutline(bench.driver, 'Headline');
    const { stops, unseen: missed } = await unseen();
    expect(stops).to.be.above(20);
    expect(missed).to.deep.equal([]);
  });

  for (const [screen, least] of [
    ['', 3],
    ['/sites/brindle-hill/pages', 12],
    ['/sites/brindle-hill/views', 10],
    ['/sites/brindle-hill/type', 12],
    ['/sites/brindle-hill/shelf', 10],
  ] as const)
    it(`is seen on every control of ${screen === '' ? 'the start screen' : screen}`, async () => {
      await bench.driver.get(`${bench.running.url}${screen}`);
      await still(bench.driver);
      const { stops, unseen: missed } = await unseen();
      expect(stops).to.be.above(least);
      expect(missed).to.deep.equal([]);
    });
});
