import { existsSync, readFileSync, unlinkSync, writeFileSync } from 'node:fs';
import * as se from 'selenium-webdriver';
import * as wb from '../test/browser/workbench.ts';
import * as br from '../test/browser/browser.ts';
import { editor } from '../test/server/editing.ts';
import { paths } from '../api/paths.ts';
const bench = await wb.openBench();
const { driver, running } = bench;
const shot = async (name: string, wait = 900) => { await br.pause(wait); writeFileSync(`/tmp/shots/${name}.png`, Buffer.from(await driver.takeScreenshot(), 'base64')); };
const AsyncFunction = Object.getPrototypeOf(async function () {}).constructor;
console.log('ready', running.url);
for (;;) {
  if (existsSync('/tmp/cmd.js')) {
    const code = readFileSync('/tmp/cmd.js', 'utf8'); unlinkSync('/tmp/cmd.js');
    let out: unknown;
    try { out = await new AsyncFunction('bench','driver','running','shot','wb','br','se','editor','paths', code)(bench, driver, running, shot, wb, br, se, editor, paths); }
    catch (e) { out = String((e as Error).stack).slice(0, 1500); }
    writeFileSync('/tmp/out.txt', typeof out === 'string' ? out : JSON.stringify(out, null, 1) ?? 'done');
  }
  await br.pause(100);
}
