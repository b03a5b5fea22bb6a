/** What is said before publishing: sample texts that are left, and what only a sweep of all pages finds. */
import { expect } from 'chai';
import { paths } from '../../api/paths.ts';
import { newSite, writeSiteFile } from '../../core/index.ts';
import { byRole, eventually } from './browser.ts';
import { useBench } from './workbench.ts';

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
      body: writeSiteFile(site, {}),
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
    expect(await text('status', 'Sweep')).to.equal('Stopped: some widths have not been checked.');
    await (await byRole(driver, 'button', 'Sweep all pages')).click();
    await eventually('swept', async () =>
      (await text('status', 'Sweep')).startsWith('All pages were swept at every width from 320 to 1920 px'),
    );
    const [link] = await (await byRole(driver, 'region', FIXED)).findElements({ css: 'button' });
    await link.click();
    await byRole(driver, 'grid', 'Values of Hero');
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
