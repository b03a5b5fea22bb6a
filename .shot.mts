// usage: node --import=tsx .shot.mts script.mts  ; script exports default async (t) => {}
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { paths } from './api/paths.ts';
import { builtPages } from './server/pages.ts';
import { start } from './server/start.ts';
import * as B from './test/browser/browser.ts';
import * as W from './test/browser/workbench.ts';
const folder = await mkdtemp(join(tmpdir(), 'shot-'));
const running = await start({ port: 0, hostPort: 0, dataFolder: folder, pages: builtPages });
const browser = await B.openBrowser();
const { driver } = browser;
const shot = async (name: string) => { await B.pause(700); await writeFile(`/tmp/spike/${name}.png`, Buffer.from(await driver.takeScreenshot(), 'base64')); console.log('shot', name); };
try {
  await B.resize(driver, 1280, 800);
  await (await import(process.argv[2])).default({ driver, running, shot, B, W, By, Key, paths });
} catch (e) { console.error(e); await shot('error'); }
finally { await browser.close?.(); await running.close?.(); await rm(folder, { recursive: true, force: true }); process.exit(0); }
