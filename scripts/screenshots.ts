/** Takes the images in docs/screenshots from the demo data: `npm run screenshots` (after `npm start` has built once). */
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { paths } from '../api/paths.ts';
import { builtPages } from '../server/pages.ts';
import { start } from '../server/start.ts';
import { byRole, openBrowser, pause, resize } from '../test/browser/browser.ts';
import { cell, chooseView, kept, selectInOutline, sheet, type } from '../test/browser/workbench.ts';
import { editor } from '../test/server/editing.ts';

const folder = await mkdtemp(join(tmpdir(), 'dimorphe-screenshots-'));
const running = await start({ port: 0, hostPort: 0, dataFolder: folder, pages: builtPages });
const browser = await openBrowser();
const { driver } = browser;

async function keep(name: string): Promise<void> {
  await pause(900);
  await writeFile(
    new URL(`../docs/screenshots/${name}.png`, import.meta.url),
    Buffer.from(await driver.takeScreenshot(), 'base64'),
  );
  console.log(`${name}.png`);
}

try {
  await resize(driver, 1280, 800);
  await driver.get(running.url);
  await byRole(driver, 'heading', 'Welcome');
  await keep('welcome');
  await (await byRole(driver, 'button', 'New site')).click();
  await (await byRole(driver, 'textbox', /^Name/)).sendKeys('Marsh Lane Pottery');
  await (await byRole(driver, 'radio', /^Kiln/)).click();
  await (await byRole(driver, 'button', 'Create site')).click();
  await sheet(driver, 'Desktop');

  await fetch(running.url + paths.demo(), { method: 'POST' });
  await fetch(running.url + paths.publications('brindle-hill'), { method: 'POST' });
  await driver.get(running.url);
  await byRole(driver, 'heading', 'Your sites');
  await pause(1500);
  await keep('sites');

  await driver.get(`${running.url}/sites/brindle-hill/pages`);
  await (await byRole(driver, 'button', /^Visits/)).click();
  await keep('pages');

  await driver.get(`${running.url}/sites/brindle-hill/shelf`);
  await (await byRole(driver, 'button', /^Milky Way/)).click();
  await keep('shelf');

  await driver.get(`${running.url}/sites/brindle-hill/type`);
  await byRole(driver, 'table', 'Sizes of text styles');
  await keep('type');

  await driver.get(`${running.url}/sites/brindle-hill/views`);
  await byRole(driver, 'table', 'Views');
  await keep('views');

  await driver.get(`${running.url}/sites/brindle-hill/pages/home`);
  await sheet(driver, 'Desktop');
  await selectInOutline(driver, 'Text');
  await keep('workbench-desktop');

  await (await byRole(driver, 'button', 'Add an element')).click();
  await (await byRole(driver, 'button', 'Sections')).click();
  await pause(1500);
  await keep('workbench-add');
  await (await byRole(driver, 'button', 'Close Add')).click();
  await pause(400);

  await chooseView(driver, 'Tablet');
  await selectInOutline(driver, 'How an evening goes');
  await (await byRole(driver, 'button', 'Overview')).click();
  await pause(2500);
  await keep('workbench-overview');

  await (await byRole(driver, 'button', 'Side by side')).click();
  for (const view of ['Mobile', 'Desktop']) {
    await (await byRole(driver, 'button', /^\d of 4 views$/)).click();
    await (await byRole(driver, 'menuitemcheckbox', view)).click();
    await driver.actions().sendKeys(Key.ESCAPE).perform();
    await pause(400);
  }
  await sheet(driver, 'Mobile');
  await selectInOutline(driver, 'Dome image');
  await (await cell(driver, 'Columns', 'Tablet')).click();
  await keep('workbench-side-by-side');

  await (await byRole(driver, 'button', 'One sheet')).click();
  await chooseView(driver, 'Tablet');
  await selectInOutline(driver, 'Row: your own eyes');
  await (await byRole(driver, 'button', 'More for Row: your own eyes')).click();
  await pause(400);
  await (await byRole(driver, 'menuitem', 'Arrange in Tablet …')).click();
  await byRole(driver, 'group', 'Layouts');
  await pause(1000);
  await keep('workbench-arrange');
  await driver.actions().sendKeys(Key.ESCAPE).perform();
  await pause(400);
  await chooseView(driver, 'Desktop');

  await selectInOutline(driver, 'Lead paragraph');
  await type(driver, 'Colour', 'Mobile', '#3a4260');
  await chooseView(driver, 'Mobile');
  await (await byRole(driver, 'button', 'Findings')).click();
  await pause(1500);
  await keep('workbench-findings');
  await (await byRole(driver, 'button', /^Undo/)).click();
  await (await byRole(driver, 'button', 'Tree')).click();
  await chooseView(driver, 'Desktop');

  await (await byRole(driver, 'button', 'Theme')).click();
  await (await byRole(driver, 'option', /^Heading 1/)).click();
  await keep('workbench-theme');

  await driver.get(`${running.url}/sites/brindle-hill/pages/tonight`);
  await sheet(driver, 'Desktop');
  await (await byRole(driver, 'button', 'Tree')).click();
  await selectInOutline(driver, 'Banner: words');
  const name = await byRole(driver, 'button', /^Banner: words.*, place$/);
  const drawn = driver.actions({ async: true });
  await drawn.move({ origin: name }).press().move({ origin: name, x: 150, y: -50 }).perform();
  await keep('workbench-overlay');
  await driver.actions().sendKeys(Key.ESCAPE).perform();
  await driver.actions().release().perform();
  await driver.get(`${running.url}/sites/brindle-hill/pages/home`);
  await sheet(driver, 'Desktop');

  // Two windows on one page: one's own steps, those of the other window, and what it replaced.
  await (await byRole(driver, 'button', 'Tree')).click();
  await selectInOutline(driver, 'Headline');
  await type(driver, 'Size', 'Mobile', '36');
  await type(driver, 'Align text', 'Tablet', 'centre');
  await kept(driver);
  const others = editor(() => running.url, 'another-window');
  const visits = (await others.page('visits')).page;
  await others.made(
    [
      {
        op: 'set',
        path: '/pages/home/nodes/headline/style/self/size/at/mobile',
        value: { value: 32, reach: 'onward' },
      },
    ],
    { sentence: 'Headline: size in Mobile and onward 36 → 32' },
  );
  await others.made(
    [{ op: 'set', path: `/pages/visits/nodes/${visits.root}/name`, value: 'Visits and prices' }],
    { sentence: 'Visits: renamed to Visits and prices' },
  );
  await byRole(driver, 'button', 'Restore mine');
  await (await byRole(driver, 'button', 'List of steps')).click();
  await keep('two-windows');
  await driver.actions().sendKeys(Key.ESCAPE).perform();

  await driver.get(`${running.url}/sites/brindle-hill/publications`);
  await byRole(driver, 'table', 'Changes');
  await pause(3000);
  await keep('publications');

  // Letters, as visitors write them.
  const hire = `${running.hostUrl}/brindle-hill/telescope-hire/`;
  const form = /name="letter" value="([^"]+)"/.exec(await (await fetch(hire)).text())![1];
  const write = (...fields: string[]) =>
    fetch(hire, {
      method: 'POST',
      redirect: 'manual',
      body: new URLSearchParams([
        ['letter', form],
        ...fields.map((words, index) => [`field-${index + 1}`, words]),
      ]),
    });
  await write('Ida Reede', 'ida@reede.example', 'The sun glass', '2031-07-03', '', 'on');
  await write('Tomas', 'tomas@oak.example', 'Big binoculars', '', 'The Milky Way, from the ridge.');
  await write(
    ...['Nell Ashby', 'nell@ashby.example', 'The rocker', '2031-06-19'],
    'Saturn, if it is up by then.\n\nWe are four, and one of us is six years old: is there a stool to stand on?',
  );
  await driver.get(`${running.url}/sites/brindle-hill/messages`);
  await (await byRole(driver, 'button', /^(Not read )?Nell Ashby/)).click();
  await pause(1500);
  await keep('messages');

  await driver.get(`${running.hostUrl}/brindle-hill/`);
  await driver.findElement(By.css('h1'));
  await keep('published-1280');
  await resize(driver, 390, 844);
  await keep('published-390');
} finally {
  await browser.close();
  await running.stop();
  await rm(folder, { recursive: true, force: true });
}
