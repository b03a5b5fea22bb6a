/** Which part of an image is seen: drawn on the page, by pointer and by keys, view by view, and published cut to it. */
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { editor, set } from '../server/editing.ts';
import { byRole, eventually } from './browser.ts';
import { chooseView, expectStep, inSheet, pointAt, selectInOutline, useBench } from './workbench.ts';

/** px of the demo's image of Saturn. */
const IMAGE = { width: 900, height: 600 };

describe('the crop of an image, on the page', function () {
  this.timeout(120_000);
  const bench = useBench();
  const ID = 'saturn-picture';

  const open = async (view: string) => {
    await selectInOutline(bench.driver, 'Saturn: image');
    await eventually('the frame of the crop', async () => {
      const at = await pointAt(bench.driver, view, ID);
      await bench.driver.actions({ async: true }).move(at).doubleClick().perform();
      return (await bench.driver.findElements({ css: '.crop-frame' })).length > 0;
    });
    return byRole(bench.driver, 'slider', 'Part of Saturn that is seen');
  };
  /** What the image is made of that a sheet shows: the part of the file, as its address says it. */
  const shown = (view: string) =>
    inSheet<{ part: number[]; box: number[] }>(
      bench.driver,
      view,
      ID,
      `const image = element.querySelector('img');
       const name = new URL(image.currentSrc).pathname.split('/').at(-1).replace(/\\..*/, '');
       const { width, height } = element.getBoundingClientRect();
       return { part: name.split('-').slice(1).map(Number), box: [width, height] }`,
    );
  const size = async (css: string) => {
    const { width, height, x, y } = await bench.driver.findElement({ css }).getRect();
    return { width, height, x, y };
  };
  const press = async (role: string, name: string | RegExp) =>
    (await byRole(bench.driver, role, name)).click();

  it('is drawn by an edge, moved under its frame and zoomed, and kept in one step for the view', async () => {
    const { driver } = bench;
    await chooseView(driver, 'Mobile');
    const part = await open('Mobile');
    expect(await driver.switchTo().activeElement().getAccessibleName()).to.equal(
      'Part of Saturn that is seen',
    );
    const frame = await size('.crop-frame');
    const whole = await size('.crop-whole');
    expect(frame.width / frame.height).to.be.closeTo(whole.width / whole.height, 0.01);
    // A third from the right goes: then what is left is two thirds as wide, and is drawn as wide as the image was.
    const edge = await byRole(driver, 'slider', 'Right edge of the crop');
    await driver
      .actions({ async: true })
      .move({ origin: edge })
      .press()
      .move({ origin: edge, x: -Math.round(frame.width / 3) })
      .release()
      .perform();
    const after = await size('.crop-frame');
    expect(after.width).to.be.closeTo(frame.width, 1);
    expect(after.width / after.height).to.be.closeTo(((2 / 3) * frame.width) / frame.height, 0.02);
    // Drawn to the left by a quarter of what is seen, more of the right comes into sight.
    await driver
      .actions({ async: true })
      .move({ origin: part, x: 20, y: 40 })
      .press()
      .move({ origin: part, x: 20 - Math.round(frame.width / 4), y: 40 })
      .release()
      .perform();
    await part.sendKeys('+', '+');
    const words = String(await part.getAttribute('aria-valuetext'));
    // A sixth of the image is a half of the third that is left over; then 5 per cent twice.
    const [, across, down, zoom] = /^(\d+) % from the left, (\d+) % from the top, zoom (\d+) %$/
      .exec(words)!
      .map(Number);
    expect(across).to.be.closeTo(50, 3);
    expect(down).to.equal(50);
    expect(zoom).to.equal(110);
    await part.sendKeys(Key.ENTER);
    await expectStep(driver, /^Saturn: image: crop 1(\.0\d*)?:1(\.0\d*)?, zoom 110\.25 % in Mobile$/);
    expect(await driver.findElements({ css: '.crop' })).to.deep.equal([]);
    await eventually('the part in the sheet', async () => (await shown('Mobile')).part.length === 4);
    const { part: cut, box } = await shown('Mobile');
    expect(cut[2] / cut[3]).to.be.closeTo(1, 0.03);
    expect(cut[2]).to.be.closeTo(600 / 1.1025, 12);
    expect(cut[0]).to.be.closeTo((IMAGE.width - cut[2]) / 2, 15);
    expect(box[0] / box[1]).to.be.closeTo(cut[2] / cut[3], 0.02);
    await chooseView(driver, 'Desktop');
    expect((await shown('Desktop')).part).to.deep.equal([]);
    await bench.chord(Key.CONTROL, 'z');
    await expectStep(driver, /^Undone: Saturn: image: crop/);
    await chooseView(driver, 'Mobile');
    await eventually('all of it again', async () => (await shown('Mobile')).part.length === 0);
  });

  it('takes a shape, is left as it was by Escape, and shows the whole image again', async () => {
    const { driver } = bench;
    await chooseView(driver, 'Desktop');
    await open('Desktop');
    await press('combobox', 'Aspect ratio');
    await press('option', '16:9');
    await press('button', 'Done');
    await expectStep(driver, 'Saturn: image: crop 16:9 in Desktop');
    await selectInOutline(driver, 'Saturn: image');
    await press('button', 'More for Saturn: image');
    await press('menuitem', 'Crop in Desktop …');
    await (
      await byRole(driver, 'slider', 'Part of Saturn that is seen')
    ).sendKeys('+', Key.ARROW_LEFT, Key.ESCAPE);
    expect(await driver.findElements({ css: '.crop' })).to.deep.equal([]);
    await expectStep(driver, 'Saturn: image: crop 16:9 in Desktop');
    await open('Desktop');
    await press('button', 'Whole image');
    // What is beside it ends it, and keeps it.
    const { x, y } = await pointAt(driver, 'Desktop', ID);
    await driver
      .actions({ async: true })
      .move({ x, y: y - 120 })
      .click()
      .perform();
    await expectStep(driver, 'Saturn: image: the whole image is shown in Desktop');
  });

  it('is the part that was chosen, and the same one where all of the file is drawn larger', async () => {
    const { driver } = bench;
    const others = editor(() => bench.running.url, 'another-window');
    await others.made([
      set(`/pages/home/nodes/${ID}/style/self/zoom`, { base: 200 }),
      set(`/pages/home/nodes/${ID}/style/self/focalPoint`, { base: { x: 25, y: 75 } }),
    ]);
    await eventually('half of it', async () => (await shown('Desktop')).part.length === 4);
    // Twice as large: half of each side, a quarter of what is left over from the left, three quarters from the top.
    expect((await shown('Desktop')).part).to.deep.equal([113, 225, 450, 300]);
    // A file that is not cut is scaled about the same point, so that the same part is seen (CSS Transforms 2, §5).
    const seen = await inSheet<number[]>(
      driver,
      'Desktop',
      ID,
      `element.style.setProperty('--whole-file', '1');
       const box = element.getBoundingClientRect(); const all = element.querySelector('img').getBoundingClientRect();
       element.removeAttribute('style');
       return [(box.left - all.left) / all.width, (box.top - all.top) / all.height, box.width / all.width, box.height / all.height]`,
    );
    [0.125, 0.375, 0.5, 0.5].forEach((share, index) => expect(seen[index]).to.be.closeTo(share, 0.002));
  });

  it('of an image that fills an area is drawn larger about its focal point, by the page itself', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Row: text + dome');
    await press('button', 'More for Row: text + dome');
    await press('menuitem', 'Turn it into an overlay');
    await expectStep(driver, /^Row: text \+ dome: now an overlay/);
    const part = '/pages/home/nodes/dome/style/self';
    await editor(() => bench.running.url, 'another-window').made([
      set(`${part}/heldAcross`, { base: 'stretch' }),
      set(`${part}/heldDown`, { base: 'stretch' }),
      set(`${part}/zoom`, { base: 150 }),
      set(`${part}/focalPoint`, { base: { x: 0, y: 100 } }),
    ]);
    const box = () =>
      inSheet<number[]>(
        driver,
        'Desktop',
        'dome',
        `const box = element.getBoundingClientRect(); const all = element.querySelector('img').getBoundingClientRect();
         return [all.width / box.width, all.height / box.height, all.left - box.left, all.bottom - box.bottom]`,
      );
    await eventually('the image drawn larger', async () => (await box())[0] > 1.4);
    for (const [index, wanted] of [1.5, 1.5, 0, 0].entries())
      expect((await box())[index]).to.be.closeTo(wanted, 0.01);
    await selectInOutline(driver, 'Dome image');
    await press('button', 'More for Dome image');
    await press('menuitem', 'Crop in Desktop …');
    // Its shape is that of the area: there is none to choose.
    const bar = await byRole(driver, 'toolbar', 'Crop of Dome image');
    expect(await bar.getText()).to.include('In the shape of its area');
    await (await byRole(driver, 'slider', 'Focal point')).sendKeys(Key.ARROW_RIGHT, Key.ENTER);
    await expectStep(driver, 'Dome image: crop zoom 150 % in Desktop');
    // Another view in its place ends it, and keeps what was done.
    await press('button', 'More for Dome image');
    await press('menuitem', 'Crop in Desktop …');
    await (await byRole(driver, 'slider', 'Part of Dome at dusk that is seen')).sendKeys('-', '-');
    await chooseView(driver, 'Mobile');
    await expectStep(driver, 'Dome image: crop zoom 136.05 % in Desktop');
    expect(await driver.findElements({ css: '.crop' })).to.deep.equal([]);
  });
});
