/** The screen of publications: what the next one changes, in words and images; publishing; going back. */
import { expect } from 'chai';
import pixelmatch from 'pixelmatch';
import { PNG } from 'pngjs';
import { By } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import type { LivePublication } from '../../api/responses.ts';
import { perform, type NodeId, type Site, type ViewId } from '../../core/index.ts';
import { editor, inHome, put, set } from '../server/editing.ts';
import { publishedOften } from '../server/serving.ts';
import { byRole, eventually, online, resize, still } from './browser.ts';
import { openBench, useBench, type Bench } from './workbench.ts';

interface Sides {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

describe('the screen of publications', function () {
  this.timeout(180_000);
  const bench = useBench();
  const { made } = editor(() => bench.running.url);
  const open = () => bench.driver.get(`${bench.running.url}/sites/brindle-hill/publications`);
  const press = async (role: string, name: string | RegExp, inside?: Parameters<typeof byRole>[3]) =>
    (await byRole(bench.driver, role, name, inside)).click();
  const publish = () => fetch(bench.running.url + paths.publications('brindle-hill'), { method: 'POST' });
  const says = (role: string, name: string, what: RegExp) =>
    eventually(`${name} says ${what}`, async () => {
      const text = await (await byRole(bench.driver, role, name)).getText();
      return what.test(text) ? text : undefined;
    });
  const rows = () =>
    bench.driver.executeScript<string[]>(
      'return [...document.querySelectorAll("[aria-label=Changes] tbody tr")].map((row) => [...row.cells].map((cell) => cell.textContent).join(" · "))',
    );

  it('is empty before the first, publishes with a note, and leads to the live site', async () => {
    const { driver } = bench;
    await press('link', 'Publish …');
    await says('region', 'Publish the site', /everything is new to visitors/);
    await says('region', 'Publications', /None yet/);
    await (await byRole(driver, 'textbox', /^Note/)).sendKeys('The season opens');
    await press('button', 'Publish');
    await says('region', 'Publish the site', /Publication 1 is live/);
    await says('region', 'Publications', /Publication 1\s*live[^]*4 pages[^]*The season opens/);
    const live = await (await byRole(driver, 'link', 'Open the published site')).getAttribute('href');
    expect((await fetch(live!)).status).to.equal(200);
    // What is live as it is needs no other publication.
    expect(await (await byRole(driver, 'button', 'Publish')).isEnabled()).to.equal(false);
  });

  it('does not say what visitors see before it knows', async () => {
    await online(bench.driver, true, 1500);
    await press('link', 'Publish …');
    await says('region', 'Publish the site', /^Loading the published version …/);
    await online(bench.driver, true);
    await says('region', 'Publish the site', /^Visitors see publication 1; nothing has changed since/);
  });

  it('says what changes for visitors, page by page, with values, and frames the places that look different', async () => {
    const { driver } = bench;
    await made([
      set(inHome('headline', 'content/text'), 'The dome opens at dusk on Fridays'),
      set(inHome('book', 'style/self/backgroundColour/base'), '{moon}'),
    ]);
    await open();
    await says('status', 'Images', /^2 places look different in Desktop/);
    expect(await rows()).to.include.members([
      'Headline · text · The dome opens at dusk. Bring a coat. · The dome opens at dusk on Fridays',
      'Book a night · background in Desktop · Lamp · Moon',
    ]);
    await still(driver);
    // Where the two images differ, by their px, a frame stands, and in each frame they do.
    await resize(driver, 1280, 1400);
    await says('status', 'Images', /^2 places/);
    const sides = await driver.executeScript<{ pictures: Sides[]; framed: Sides[][] }>(`
      const sides = (element) => { const { left, top, right, bottom } = element.getBoundingClientRect(); return { left, top, right, bottom }; };
      const pictures = [...document.querySelectorAll('.compared-picture > div')];
      return { pictures: pictures.map(sides), framed: pictures.map((each) => [...each.querySelectorAll('.differing')].map(sides)) };
    `);
    await driver.executeScript(
      'for (const each of document.querySelectorAll(".differing")) each.style.visibility = "hidden"',
    );
    const shot = PNG.sync.read(Buffer.from(await driver.takeScreenshot(), 'base64'));
    const [one, other] = sides.pictures;
    const [width, height] = [Math.floor(one.right - one.left) - 2, 500];
    const part = ({ left, top }: Sides) => {
      const made_ = new PNG({ width, height });
      PNG.bitblt(shot, made_, Math.round(left) + 1, Math.round(top) + 1, width, height, 0, 0);
      return made_.data;
    };
    const difference = new PNG({ width, height });
    pixelmatch(part(one), part(other), difference.data, width, height, { threshold: 0.2, diffMask: true });
    const frames = sides.framed[0].map((each) => ({
      left: each.left - one.left - 2,
      top: each.top - one.top - 2,
      right: each.right - one.left + 1,
      bottom: each.bottom - one.top + 1,
    }));
    const met = frames.map(() => 0);
    let outside = 0;
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1) {
        if (difference.data[4 * (y * width + x) + 3] === 0) continue;
        const at = frames.findIndex(
          ({ left, top, right, bottom }) => x >= left && x <= right && y >= top && y <= bottom,
        );
        if (at < 0) outside += 1;
        else met[at] += 1;
      }
    expect(frames).to.have.length(2);
    expect(outside, 'px that differ outside of all frames').to.equal(0);
    for (const count of met) expect(count).to.be.above(20);
  });

  it('frames what only stands elsewhere in another way, and tells each view for itself', async () => {
    const { driver } = bench;
    await publish();
    await made([
      put(inHome('opening-words', 'children'), 'lead', ['book']),
      set(inHome('book', 'style/self/backgroundColour/at/mobile'), { value: '{lamp}', reach: 'here' }),
    ]);
    await open();
    await says('status', 'Images', /^Things have moved in Desktop/);
    expect(await driver.findElements(By.css('.differing.looks'))).to.have.length(0);
    expect(await driver.findElements(By.css('.differing.place'))).not.to.have.length(0);
    await press('combobox', 'View');
    await press('option', /^Mobile/);
    await says('status', 'Images', /^1 place looks different in Mobile/);
    await press('combobox', 'Page');
    await press('option', 'Visits');
    await says('status', 'Images', /^Nothing looks different in Mobile/);
  });

  it('compares any two, makes an earlier one live again after asking, and takes the site down', async () => {
    const { driver } = bench;
    await open();
    const line = (number: number) =>
      driver.findElement(By.xpath(`//li[contains(@class, "publication-line")][b="Publication ${number}"]`));
    await eventually('both', async () => (await line(1)) && true);
    await press('button', 'Compare', { inside: await line(1) });
    await says('region', 'Review', /^From publication 1 to the draft: \d+ changes/);
    await press('combobox', 'After');
    await press('option', 'Publication 2');
    await says('region', 'Review', /^From publication 1 to publication 2: \d+ changes/);
    await press('button', 'Make live …', { inside: await line(1) });
    const dialog = await byRole(driver, 'dialog', 'Make publication 1 live again?');
    await press('button', 'Make live', { inside: dialog });
    await says('region', 'Publications', /Publication 1\s*live/);
    const live = `${bench.running.hostUrl}/brindle-hill/`;
    expect(await (await fetch(live)).text()).to.contain('Bring a coat.');
    await still(driver);
    await press('button', 'Take down …', { inside: await line(1) });
    await press('button', 'Take down', { inside: await byRole(driver, 'dialog', 'Take the site down?') });
    await eventually('nothing live', async () =>
      (await driver.findElements(By.css('.publication-live'))).length === 0 ? true : undefined,
    );
    expect(await (await fetch(live)).text()).to.contain('This site is not available');
    await says('region', 'Publish the site', /The site has been taken down: visitors see a plain notice/);
  });

  it('holds pages back that are not ready, says who published, and tells the steps that led there', async () => {
    const { driver } = bench;
    await publish();
    await made([set(inHome('headline', 'content/text'), 'Not ready yet')], {
      sentence: 'Headline: text half written',
    });
    await made([set('/pages/visits/nodes/page/content/stopFilm', 'Halt')], {
      sentence: 'Visits: text that stops a background video',
    });
    await open();
    await says('region', 'Review', /the draft: 2 changes/);
    const steps = await eventually('the steps', async () => {
      const [found] = await driver.findElements(By.css('.steps-between'));
      return found;
    });
    expect(await steps.getText()).to.equal('How it got here: 2 steps');
    await (await steps.findElement(By.css('summary'))).click();
    expect(await steps.findElement(By.css('ul')).getText()).to.match(
      /^Visits: text that stops a background video .*\n?.*Headline: text half written /,
    );
    const going = await byRole(driver, 'group', 'Publish');
    expect(await going.getText()).to.match(/Home · 1 change\s+Visits · 1 change/);
    await (await byRole(driver, 'checkbox', /^Home/, { inside: going })).click();
    await says('region', 'Review', /to what will be published: 1 change$/m);
    const name = await byRole(driver, 'textbox', 'Your name');
    await name.sendKeys('Ann');
    await press('button', 'Publish');
    await says('region', 'Publications', /live[^]*4 pages, 1 not included · by Ann/);
    expect(await (await fetch(`${bench.running.hostUrl}/brindle-hill/`)).text()).not.to.contain(
      'Not ready yet',
    );
    // It is still to be published, and the name is remembered.
    await open();
    await says('region', 'Review', /the draft: 1 change$/m);
    expect(await (await byRole(driver, 'textbox', 'Your name')).getAttribute('value')).to.equal('Ann');
    await press('button', 'Publish');
    await says('region', 'Publish the site', /nothing has changed since/);
    expect(await (await fetch(`${bench.running.hostUrl}/brindle-hill/`)).text()).to.contain('Not ready yet');
  });

  it('says why a page cannot be left out where it does not go with what all pages share now', async () => {
    const { driver } = bench;
    const { number } = (await (await publish()).json()) as LivePublication;
    const was = await fetch(bench.running.url + paths.publication('brindle-hill', number));
    const fewer = perform((await was.json()) as Site, 'home' as NodeId, 'removeView', {
      view: 'wide' as ViewId,
      values: 'drop',
    });
    if (!fewer.ok) throw new Error(fewer.sentence);
    await made(fewer.value.operations);
    await open();
    const going = await byRole(driver, 'group', 'Publish');
    await (await byRole(driver, 'checkbox', /^Home/, { inside: going })).click();
    await says('group', 'Publish', /“Brindle Hill Observatory” as it is published does not match/);
    expect(await (await byRole(driver, 'button', 'Publish')).isEnabled()).to.equal(false);
    await (await byRole(driver, 'checkbox', /^Home/, { inside: going })).click();
    await eventually('it can go live', async () => (await byRole(driver, 'button', 'Publish')).isEnabled());
  });
});

describe('the screen of publications of a site that was published often', function () {
  this.timeout(120_000);
  let bench: Bench;
  before(async () => {
    bench = await openBench({ dataFolder: await publishedOften(54) });
  });
  after(() => bench?.end());

  it('shows the live publication however early it is, and earlier ones when they are asked for', async () => {
    const { driver, running } = bench;
    const says = (what: RegExp) =>
      eventually(`the publications say ${what}`, async () => {
        const text = await (await byRole(driver, 'region', 'Publications')).getText();
        return what.test(text) ? text : undefined;
      });
    await fetch(running.url + paths.live('brindle-hill'), {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ number: 1 }),
    });
    await driver.get(`${running.url}/sites/brindle-hill/publications`);
    // What the next one changes is told from what visitors have.
    await eventually('the review', async () =>
      /the draft is the same as publication 1\./.test(
        await (await byRole(driver, 'region', 'Review')).getText(),
      ),
    );
    const numbers = async () =>
      ((await says(/Publication 1\s*live/)).match(/(?<=Publication )\d+/g) ?? []).map(Number);
    expect(await numbers()).to.deep.equal([...Array.from({ length: 50 }, (_, index) => 54 - index), 1]);
    await (await byRole(driver, 'button', 'Show earlier publications')).click();
    await says(/Publication 2\b/);
    expect(await numbers()).to.deep.equal(Array.from({ length: 54 }, (_, index) => 54 - index));
    expect(await driver.findElements(By.xpath('//button[.="Show earlier publications"]'))).to.have.lengthOf(
      0,
    );
  });
});
