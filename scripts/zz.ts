import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { paths } from '../api/paths.ts';
import { builtPages } from '../server/pages.ts';
import { start } from '../server/start.ts';
import { byRole, openBrowser, pause, resize } from '../test/browser/browser.ts';
const folder = await mkdtemp(join(tmpdir(), 'dimorphe-screenshots-'));
const { openStore } = await import('../server/store/open.ts');
const { siteOf } = await import('../benchmarks/page.ts');
const { demoSite } = await import('../demo/site.ts');
if (process.env.SIZE) { const store = await openStore(folder); await store.add({ site: await siteOf(Number(process.env.SIZE)), files: (await demoSite()).files }); await store.close(); }
const running = await start({ port: 0, hostPort: 0, dataFolder: folder, pages: builtPages });
const browser = await openBrowser();
const { driver } = browser;
const shot = async (n: string) => writeFile(`/tmp/shots/${n}.png`, Buffer.from(await driver.takeScreenshot(), 'base64'));
try {
  await resize(driver, 1280, 800);
  if (!process.env.SIZE) await fetch(running.url + paths.demo(), { method: 'POST' });
  await driver.get(`${running.url}/sites/brindle-hill/pages/home`);
  await byRole(driver, 'button', 'Findings').then((b) => b.click());
  await pause(2500);
  await driver.executeScript(`window.long=[]; new PerformanceObserver((l)=>l.getEntries().forEach(e=>window.long.push(Math.round(e.duration)))).observe({type:'longtask'})`);
  await byRole(driver, 'button', 'Sweep all widths').then((b) => b.click());
  const t = Date.now();
  await pause(900);
  await shot('sweep-going');
  for (let i = 0; i < 400; i++) {
    const s = await byRole(driver, 'status', 'Sweep').then((e) => e.getText());
    if (/^Swept|could not/.test(s)) { console.log(s); break; }
    await pause(100);
  }
  console.log('ms', Date.now() - t, await driver.executeScript('return [window.long, window.T]'));
  await pause(500);
  await shot('sweep-done');
  console.log(await driver.executeScript(`return [...document.querySelectorAll('[aria-label=Findings] > li')].map((e)=>e.className+' '+e.textContent).join('\\n')`));
  for (const line of (await driver.manage().logs().get('browser').catch(() => []))) console.log(line.message);
} finally { await browser.close?.(); await driver.quit().catch(() => 0); await running.stop(); await rm(folder, { recursive: true, force: true }); process.exit(0); }
