import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { paths } from '../api/paths.ts';
import { builtPages } from '../server/pages.ts';
import { start } from '../server/start.ts';
import { byRole, openBrowser, pause, resize } from '../test/browser/browser.ts';
import { cell, selectInOutline, type } from '../test/browser/workbench.ts';
const folder = await mkdtemp(join(tmpdir(), 'dimorphe-screenshots-'));
const running = await start({ port: 0, hostPort: 0, dataFolder: folder, pages: builtPages });
const browser = await openBrowser();
const { driver } = browser;
const shot = async (n: string) => writeFile(`/tmp/shots/${n}.png`, Buffer.from(await driver.takeScreenshot(), 'base64'));
try {
  await resize(driver, 1280, 800);
  await fetch(running.url + paths.demo(), { method: 'POST' });
  await driver.get(`${running.url}/sites/brindle-hill/pages/home`);
  await selectInOutline(driver, 'Lead paragraph');
  await type(driver, 'Size', 'Mobile', '10');
  await (await byRole(driver, 'button', 'Findings')).click();
  await (await byRole(driver, 'button', 'Sweep all widths')).click();
  await pause(1500);
  await (await cell(driver, 'Size', 'Mobile')).click();
  await shot('going');
  await pause(5000);
  await driver.findElement({ css: '.finding .MuiButton-colorInherit' }).click();
  await pause(300);
  await shot('aside');
} finally { await browser.close(); await running.stop(); await rm(folder, { recursive: true, force: true }); process.exit(0); }
