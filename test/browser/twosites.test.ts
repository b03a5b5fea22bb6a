/** Values copied in one site and pasted in another, in the same browser. */
import { expect } from 'chai';
import { demoSite } from '../demo.ts';
import { siteFaults, type Site } from '../../core/index.ts';
import { openStore } from '../../server/store/open.ts';
import { freshFolder } from '../server/serving.ts';
import { byRole, eventually, still } from './browser.ts';
import {
  cell,
  computed,
  label,
  openBench,
  saysStep,
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
    await saysStep(driver, /^Evening: title: colour in Desktop .* → Sand$/);
    await menu('Evening: title', 'Copy values');

    await driver.get(`${running.url}/sites/low-moor/pages/home`);
    await sheet(driver, 'Desktop');
    expect(await computed(driver, 'Desktop', 'headline', 'font-size')).not.to.equal('52px');
    await menu('Headline', 'Paste values of Evening: title …');
    const dialog = await byRole(driver, 'dialog', 'Paste values of Evening: title');
    await (await byRole(driver, 'button', /^Paste \d+ values$/, { inside: dialog })).click();
    await saysStep(driver, /^Headline: \d+ values? pasted; left out: .*colour/);
    await eventually(
      'the size',
      async () => (await computed(driver, 'Desktop', 'headline', 'font-size')) === '52px',
    );
    expect(await label(await cell(driver, 'Size', 'Tablet'))).to.match(
      /^Size in Tablet: 41, override, onward$/,
    );
  });
});
