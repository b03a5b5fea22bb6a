/** What is said before publishing: sample texts that are left, and what only a sweep of all pages finds. */
import { expect } from 'chai';
import { paths } from '../../api/paths.ts';
import { newSite, writeSiteFile } from '../../core/index.ts';
import { byRole, eventually } from './browser.ts';
import { expectStep, selectInOutline, type, useBench } from './workbench.ts';
import { startFiles } from '../startfiles.ts';

describe('before a site is published', function () {
  this.timeout(180_000);
  const bench = useBench();
  const text = async (role: string, name: string) => (await byRole(bench.driver, role, name)).getText();

  it('sample texts are listed with the way there, and all pages can be swept, or not to the end', async () => {
    const { driver } = bench;
    const site = newSite({ id: 'hall', name: 'Fish & Hall', lang: 'en', look: 'quarry', views: '4' });
    const added = await fetch(bench.running.url + paths.sites(), {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: writeSiteFile(site, startFiles('quarry')),
    });
    expect(added.status).to.equal(201);
    await driver.get(`${bench.running.url}/sites/hall/publications`);
    const FIXED = 'Must be fixed before publishing';
    await eventually('sample texts', async () =>
      /Welcome to Fish & Hall still has its sample text, as have \d+ more blocks of Hero\./.test(
        await text('region', FIXED),
      ),
    );
    expect(await text('status', 'Sweep')).to.match(/have not been checked\.$/);
    await (await byRole(driver, 'button', 'Sweep all pages')).click();
    await (await byRole(driver, 'button', 'Stop')).click();
    expect(await text('status', 'Sweep')).to.match(/^Stopped: \d pages? not swept\.$/);
    await (await byRole(driver, 'button', 'Sweep the rest')).click();
    await eventually('swept', async () =>
      (await text('status', 'Sweep')).startsWith('All pages were swept at every width from 320 to 1920 px'),
    );
    const [link] = await (await byRole(driver, 'region', FIXED)).findElements({ css: 'button' });
    await link.click();
    await byRole(driver, 'grid', 'Values of Hero');
  });

  it('a page that was swept in the workbench counts as long as it is as it was', async () => {
    const { driver } = bench;
    const swept = () => text('status', 'Sweep');
    const go = async (screen: string) => (await byRole(driver, 'link', screen)).click();
    await bench.open('find-us');
    await (await byRole(driver, 'button', /^Findings/)).click();
    await (await byRole(driver, 'button', 'Sweep all widths')).click();
    await eventually('the page swept', async () => (await swept()).startsWith('Swept at every width'));
    await (await byRole(driver, 'button', 'Do not follow changes')).click();
    await go('Publications');
    await eventually(
      'the others left',
      async () => (await swept()) === '3 pages not swept since the last change.',
    );
    await byRole(driver, 'button', 'Sweep the rest');
    await go('Workbench');
    await (await byRole(driver, 'button', 'Tree')).click();
    await selectInOutline(driver, 'Footer');
    await type(driver, 'Padding top', 'Desktop', '50');
    await expectStep(driver, /padding top/);
    await go('Publications');
    await eventually('none', async () => /have not been checked\.$/.test(await swept()));
    await byRole(driver, 'button', 'Sweep all pages');
  });

  it('is said to be live as long as it is', async () => {
    const { driver } = bench;
    await driver.get(`${bench.running.url}/sites/hall/publications`);
    const panel = () => text('region', 'Publish the site');
    await (await byRole(driver, 'button', 'Publish')).click();
    await eventually('live', async () => (await panel()).includes('Publication 1 is live.'));
    await (await byRole(driver, 'button', 'Take down …')).click();
    const dialog = await byRole(driver, 'dialog', 'Take the site down?');
    await (await byRole(driver, 'button', 'Take down', { inside: dialog })).click();
    await eventually('taken down', async () => (await panel()).includes('The site has been taken down'));
    expect(await panel()).not.to.include('Publication 1 is live.');
  });
});
