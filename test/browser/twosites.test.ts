/** Values copied in one site and pasted in another, in the same browser. */
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { demoSite } from '../demo.ts';
import { newSite, pagesOf, siteFaults, writeSiteFile, type Site } from '../../core/index.ts';
import { openStore } from '../../server/store/open.ts';
import { freshFolder } from '../server/serving.ts';
import { startFiles } from '../startfiles.ts';
import { paths } from '../../api/paths.ts';
import type { SiteResponse } from '../../api/responses.ts';
import { byRole, eventually, still } from './browser.ts';
import {
  cell,
  computed,
  inSheet,
  kept,
  label,
  openBench,
  savedBy,
  expectStep,
  selectInOutline,
  sheet,
  type,
  type Bench,
} from './workbench.ts';

describe('between two sites', function () {
  this.timeout(120_000);
  let bench: Bench;
  before(async () => {
    const { site, files } = await demoSite();
    // The other site has no colour of the name that the first one uses for its cards.
    const other: Site = structuredClone(site);
    Object.assign(other.frame, { id: 'low-moor', name: 'Low Moor Observatory' });
    other.frame.colours = other.frame.colours.map((colour) =>
      colour.id === 'sand' ? { ...colour, id: 'clay' } : colour,
    );
    const text = JSON.stringify(other).replaceAll('{sand}', '{clay}');
    const second = JSON.parse(text) as Site;
    expect(siteFaults(second)).to.deep.equal([]);
    const folder = await freshFolder();
    const store = await openStore(folder);
    await store.add({ site: second, files });
    await store.close();
    bench = await openBench({ dataFolder: folder });
  });
  after(() => bench?.end());

  it('takes values with their overrides and reach, and leaves out, and says, what the other site does not know', async () => {
    const { driver, running } = bench;
    const menu = async (name: string, entry: string) => {
      await selectInOutline(driver, name);
      await (await byRole(driver, 'button', `More for ${name}`)).click();
      await still(driver);
      await (await byRole(driver, 'menuitem', entry)).click();
    };
    await bench.open();
    await selectInOutline(driver, 'Evening: title');
    await type(driver, 'Size', 'Desktop', '52');
    await type(driver, 'Size', 'Tablet', '41');
    await type(driver, 'Colour', 'Desktop', 'sand');
    await expectStep(driver, /^Evening: title: colour in Desktop .* → Sand$/);
    await menu('Evening: title', 'Copy values');

    await driver.get(`${running.url}/sites/low-moor/pages/home`);
    await sheet(driver, 'Desktop');
    expect(await computed(driver, 'Desktop', 'headline', 'font-size')).not.to.equal('52px');
    await menu('Headline', 'Paste values of Evening: title …');
    const dialog = await byRole(driver, 'dialog', 'Paste values of Evening: title');
    await (await byRole(driver, 'button', /^Paste \d+ values$/, { inside: dialog })).click();
    await expectStep(driver, /^Headline: \d+ values? pasted; left out: .*colour/);
    await eventually(
      'the size',
      async () => (await computed(driver, 'Desktop', 'headline', 'font-size')) === '52px',
    );
    expect(await label(await cell(driver, 'Size', 'Tablet'))).to.match(
      /^Size in Tablet: 41, override, onward$/,
    );
  });

  it('takes elements with the images they show, from the clipboard and out of a file', async () => {
    const { driver, running } = bench;
    const fresh = newSite({ id: 'fresh', name: 'Fresh', lang: 'en', look: 'kiln', views: '3' });
    const answer = await fetch(running.url + paths.sites(), {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: writeSiteFile(fresh, startFiles('kiln')),
    });
    expect(answer.status).to.equal(201);
    const shelf = async () => {
      const { frame } = (await (await fetch(running.url + paths.site('fresh'))).json()) as SiteResponse;
      return frame.assets.map(({ name }) => name).sort();
    };
    const own = ['Bowl on the wheel', 'Fire door', 'Pots on a shelf'];
    expect(await shelf()).to.deep.equal(own);
    const key = (message: string) =>
      driver.actions().keyDown(Key.CONTROL).sendKeys(message).keyUp(Key.CONTROL).perform();

    await bench.open();
    // One section is kept and taken out to a file, another copied.
    await selectInOutline(driver, 'Moon phase strip');
    await (await byRole(driver, 'button', 'More for Moon phase strip')).click();
    await (await byRole(driver, 'menuitem', 'Save Moon phase strip as a block')).click();
    const more = await byRole(driver, 'button', 'More for Moon phase strip', {
      inside: await openKept(),
    });
    await more.click();
    const link = await byRole(driver, 'menuitem', 'Export to a file');
    const text = await savedBy(driver, link, 'moon-phase-strip.block.json');
    await still(driver);
    await selectInOutline(driver, 'What is up this week');
    await key('c');
    await kept(driver);

    await driver.get(`${running.url}/sites/fresh/pages/${pagesOf(fresh)[0].id}`);
    await sheet(driver, 'Desktop');
    await key('v');
    await expectStep(driver, 'What is up this week: pasted into Home with 14 elements in it');
    await eventually('the image of it', () =>
      inSheet<boolean>(
        driver,
        'Desktop',
        'page',
        `const image = [...element.ownerDocument.images].find((each) => /^Saturn/.test(each.alt)); return image && image.complete && image.naturalWidth > 0`,
      ),
    );
    await kept(driver);
    expect(await shelf()).to.deep.equal([...own, 'Cluster', 'Crescent', 'Saturn'].sort());

    const folder = await mkdtemp(join(tmpdir(), 'dimorphe-blocks-'));
    await writeFile(join(folder, 'moon.block.json'), text);
    await openKept();
    const input = await driver.findElement(By.css('input[aria-label="Files of blocks"]'));
    await input.sendKeys(join(folder, 'moon.block.json'));
    await expectStep(driver, 'Moon phase strip: saved with 1 element in it');
    await kept(driver);
    expect(await shelf()).to.have.length(own.length + 4);
    await rm(folder, { recursive: true });
  });

  /** The panel of what can be added, at the blocks that the site keeps. */
  async function openKept() {
    const { driver } = bench;
    const button = await byRole(driver, 'button', 'Add an element');
    if ((await button.getAttribute('aria-expanded')) !== 'true') await button.click();
    const panel = await byRole(driver, 'region', 'Add');
    await (await byRole(driver, 'button', 'Saved blocks', { inside: panel })).click();
    return panel;
  }
});
