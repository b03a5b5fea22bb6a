/** The list of sites: the first minutes, making one, bringing one in, taking it out, putting it away. */
import { expect } from 'chai';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import type { LivePublication, PageResponse, SiteSummary } from '../../api/responses.ts';
import { composed, newSite, writeSiteFile } from '../../core/index.ts';
import { byRole, eventually, resize } from './browser.ts';
import { openBench, sheet, type Bench } from './workbench.ts';
import { startFiles } from '../startfiles.ts';

describe('the list of sites', function () {
  this.timeout(120_000);
  let folder: string;
  let bench: Bench;
  before(async () => {
    folder = await mkdtemp(join(tmpdir(), 'dimorphe-test-'));
    // As on a machine on which it has never run.
    bench = await openBench({ dataFolder: join(folder, 'data'), demo: undefined });
    await resize(bench.driver, 1280, 800);
  });
  after(async () => {
    await bench?.end();
    await rm(folder, { recursive: true, force: true });
  });

  const toList = () => bench.driver.get(bench.running.url);
  const press = async (role: string, name: string | RegExp) =>
    (await byRole(bench.driver, role, name)).click();
  const summaries = async () =>
    (await (await fetch(bench.running.url + paths.sites())).json()) as SiteSummary[];
  const said = (text: RegExp) =>
    eventually(`a note of ${String(text)}`, async () => {
      const notes = await bench.driver.findElements(By.css('[class*=SnackbarItem], [class*=notistack]'));
      const texts = await Promise.all(notes.map((note) => note.getText().catch(() => '')));
      return texts.some((each) => text.test(each)) ? true : undefined;
    });
  const names = () =>
    eventually('the lines of the list', async () => {
      const found = await bench.driver.findElements(By.css('[role=listitem] h2'));
      return Promise.all(found.map((each) => each.getText())).catch(() => undefined);
    });
  const inMenu = async (site: string, item: string) => {
    await press('button', `More for ${site}`);
    await press('menuitem', item);
  };
  /** Bytes of every file of a publication that its pages name, by name. */
  const published = async (url: string) => {
    const html = await (await fetch(url)).text();
    const css = /href="([^"]+\.css)"/.exec(html)![1];
    return { html, css: await (await fetch(new URL(css, url))).text() };
  };

  it('shows a newcomer one page at the width that is drawn or chosen, with its images', async () => {
    await toList();
    const { driver } = bench;
    const slider = await byRole(driver, 'slider', 'Width of the window');
    const window = () =>
      driver.executeScript<{ width: number; stacked: boolean; loaded: boolean }>(`
        const { contentDocument } = document.querySelector('iframe[title="The top of Brindle Hill Observatory"]');
        const image = contentDocument.querySelector('img');
        const title = contentDocument.querySelector('h1').getBoundingClientRect();
        return {
          width: contentDocument.documentElement.clientWidth,
          stacked: image.getBoundingClientRect().bottom <= title.top,
          loaded: image.complete && image.naturalWidth > 0,
        };`);
    const shows = (width: number, stacked: boolean) =>
      eventually(`the page at ${width} px`, async () => {
        const now = await window();
        return now.width === width && now.stacked === stacked && now.loaded;
      });
    await shows(1280, false);
    await press('button', 'Mobile');
    await shows(390, true);
    expect(await slider.getAttribute('aria-valuetext')).to.equal('390 px, Mobile');
    await slider.sendKeys(Key.ARROW_RIGHT);
    await shows(400, true);
    const thumb = await driver.findElement(By.css('.MuiSlider-thumb'));
    const left = async () => (await thumb.getRect()).x;
    const before = await left();
    await driver.actions({ async: true }).dragAndDrop(thumb, { x: 300, y: 0 }).perform();
    await eventually('the thumb at the right edge of the page', async () => {
      const { right } = await driver.executeScript<{ right: number }>(
        'return document.querySelector("iframe").getBoundingClientRect()',
      );
      const { x, width } = await thumb.getRect();
      return (await left()) > before + 250 && Math.abs(x + width / 2 - right) < 6;
    });
  });

  it('greets a newcomer with three ways on, of which one is the observatory', async () => {
    await toList();
    const { driver } = bench;
    for (const name of ['Try it on the observatory', 'New site', 'Import a site file'])
      await byRole(driver, 'button', name);
    await press('button', 'Try it on the observatory');
    await sheet(driver, 'Desktop');
    expect(await driver.getCurrentUrl()).to.match(/\/sites\/brindle-hill\/pages\/home$/);
  });

  it('keeps the way on in sight where not all looks fit', async () => {
    const { driver } = bench;
    await resize(driver, 1024, 768);
    await toList();
    await press('button', 'New site');
    const { y, height } = await (await byRole(driver, 'button', 'Create site')).getRect();
    await byRole(driver, 'radio', /^Almanac/);
    expect(y + height).to.be.below(768);
    await resize(driver, 1280, 800);
  });

  it('makes a site from a name, a look, views and a language, and opens it', async () => {
    const { driver } = bench;
    await toList();
    await press('button', 'New site');
    await press('button', 'Create site');
    await byRole(driver, 'textbox', /^Name/);
    expect(await driver.findElement(By.css('form')).getText()).to.match(/A site has a name/);
    await (await byRole(driver, 'textbox', /^Name/)).sendKeys('Marsh  Lane');
    await press('radio', /^Kiln/);
    await press('radio', /^Mobile and desktop/);
    await press('combobox', /Language/);
    await press('option', 'Arabic');
    await press('button', 'Create site');
    await sheet(driver, 'Desktop');
    expect(await driver.getCurrentUrl()).to.match(/\/sites\/marsh-lane\/pages\/home$/);
    const { frame, page } = (await (
      await fetch(bench.running.url + paths.page('marsh-lane', 'home'))
    ).json()) as PageResponse;
    expect([frame.name, frame.lang]).to.deep.equal(['Marsh Lane', 'ar']);
    expect(frame.views.list.map(({ name }) => name)).to.deep.equal(['Mobile', 'Desktop']);
    const whole = composed(frame, page);
    expect(Object.values(whole.nodes).filter(({ kind }) => kind === 'section')).to.have.length(5);
  });

  it('shows the top of each home page as it is, and says what was published', async () => {
    const { driver } = bench;
    await fetch(bench.running.url + paths.publications('marsh-lane'), { method: 'POST' });
    await toList();
    const headlines = () =>
      driver.executeScript<string[]>(
        `return [...document.querySelectorAll('[role=listitem] iframe')].map((each) => each.contentDocument.querySelector('h1')?.textContent ?? '')`,
      );
    await eventually('the images', async () => {
      const seen = await headlines();
      return seen.includes('Welcome to Marsh Lane') && seen.some((each) => each.startsWith('The dome opens'))
        ? true
        : undefined;
    });
    const live = await byRole(driver, 'link', 'Publication 1 is live');
    expect(await live.getAttribute('href')).to.match(/\/marsh-lane\/$/);
  });

  it('renames a site in a step that its history has, and copies it', async () => {
    const { driver } = bench;
    await toList();
    await inMenu('Marsh Lane', 'Rename');
    const field = await byRole(driver, 'textbox', 'New name of Marsh Lane');
    await field.sendKeys('Marsh Lane Pottery\n');
    await byRole(driver, 'heading', 'Marsh Lane Pottery');
    const steps = (await (await fetch(bench.running.url + paths.steps('marsh-lane'))).json()) as {
      steps: { sentence: string }[];
    };
    expect(steps.steps[0].sentence).to.equal('Marsh Lane: name → Marsh Lane Pottery');
    await inMenu('Marsh Lane Pottery', 'Duplicate');
    await said(/Marsh Lane Pottery, copied is in the list/);
    await byRole(driver, 'heading', 'Marsh Lane Pottery, copied');
  });

  it('puts a site away and has it back; it is removed for good only after its name was typed', async () => {
    const { driver } = bench;
    await toList();
    await inMenu('Marsh Lane Pottery, copied', 'Archive');
    await said(/archived for thirty days/);
    await eventually('the list without it', async () =>
      (await names()).includes('Marsh Lane Pottery, copied') ? undefined : true,
    );
    await press('button', 'Archived (1)');
    await press('button', 'Restore Marsh Lane Pottery, copied');
    await said(/is back in the list/);
    await inMenu('Marsh Lane Pottery, copied', 'Archive');
    await press('button', 'Archived (1)');
    await press('button', 'Remove … Marsh Lane Pottery, copied');
    const remove = await byRole(driver, 'button', 'Remove');
    expect(await remove.isEnabled()).to.equal(false);
    await (
      await byRole(driver, 'textbox', 'Type its name to confirm')
    ).sendKeys('Marsh Lane Pottery, copied');
    await remove.click();
    await eventually('that it is gone', async () =>
      (await summaries()).some(({ id }) => id.startsWith('marsh-lane-pottery')) ? undefined : true,
    );
  });

  it('keeps what is published when a site is archived, and says so', async () => {
    const { driver } = bench;
    await toList();
    await inMenu('Marsh Lane Pottery', 'Archive');
    await said(/published pages stay until they are taken down/);
    await press('button', 'Archived (1)');
    await byRole(driver, 'link', 'Publication 1 is live');
    await press('button', 'Take down the pages of Marsh Lane Pottery');
    await byRole(driver, 'button', 'Remove … Marsh Lane Pottery');
    await press('button', 'Restore Marsh Lane Pottery');
    await eventually('it in the list', async () =>
      (await summaries()).some(({ id, putAwayAt }) => id === 'marsh-lane' && putAwayAt === null)
        ? true
        : undefined,
    );
  });

  it('brings a site file in that was taken out, and publishes the same to the byte', async () => {
    const { driver } = bench;
    const { url } = (await (
      await fetch(bench.running.url + paths.publications('marsh-lane'), { method: 'POST' })
    ).json()) as LivePublication;
    const before = await published(url);
    const text = await (await fetch(bench.running.url + paths.file('marsh-lane'))).text();
    for (const [path, method] of [
      [paths.live('marsh-lane'), 'DELETE'],
      [paths.archived('marsh-lane'), 'PUT'],
      [paths.site('marsh-lane'), 'DELETE'],
    ])
      expect((await fetch(bench.running.url + path, { method })).status).to.equal(204);
    const file = join(folder, 'marsh lane.json');
    await writeFile(file, text);
    await toList();
    await byRole(driver, 'button', 'New site');
    await driver.findElement(By.css('input[type=file]')).sendKeys(file);
    await sheet(driver, 'Desktop');
    expect(await driver.getCurrentUrl()).to.match(/\/sites\/marsh-lane\/pages\/home$/);
    const again = (await (
      await fetch(bench.running.url + paths.publications('marsh-lane'), { method: 'POST' })
    ).json()) as LivePublication;
    expect(await published(again.url)).to.deep.equal(before);
  });

  it('says with path and sentence what is wrong with a file, and keeps nothing of it', async () => {
    const { driver } = bench;
    const count = (await summaries()).length;
    const site = JSON.parse(
      writeSiteFile(newSite({ id: 'bad', name: 'Bad', lang: 'en', look: 'kiln', views: '4' }), {}),
    );
    site.pages[0].nodes.headline.style = { self: { colour: { base: 'no colour' } } };
    const file = join(folder, 'bad.json');
    await writeFile(file, JSON.stringify(site));
    await toList();
    await byRole(driver, 'button', 'New site');
    await driver.findElement(By.css('input[type=file]')).sendKeys(file);
    const dialog = await byRole(driver, 'dialog', 'bad.json was not imported');
    expect(await dialog.getText()).to.match(
      /Nothing was saved\.*\n.*colour.*\nat \/pages\/0\/nodes\/headline/s,
    );
    await press('button', 'Close');
    expect(await summaries()).to.have.length(count);
  });

  it('is filtered and sorted from ten sites on', async () => {
    const { driver } = bench;
    for (let number = 1; number <= 12; number++) {
      const text = writeSiteFile(
        newSite({
          id: `number-${number}`,
          name: `Number ${number}`,
          lang: 'en',
          look: 'lantern',
          views: '2',
        }),
        startFiles('lantern'),
      );
      await fetch(bench.running.url + paths.sites(), {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: text,
      });
    }
    await toList();
    await eventually('the last one first', async () =>
      (await names())[0] === 'Number 12' ? true : undefined,
    );
    await press('combobox', 'Order');
    await press('option', 'By name');
    await eventually('them by name', async () =>
      (await names())[0] === 'Brindle Hill Observatory' ? true : undefined,
    );
    await (await byRole(driver, 'textbox', 'Filter by name')).sendKeys('number 1');
    await eventually('those of a name', async () => {
      const seen = await names();
      return seen.join() === 'Number 1,Number 10,Number 11,Number 12' ? true : undefined;
    });
    await (await byRole(driver, 'textbox', 'Filter by name')).sendKeys('xyz');
    await eventually('that there is none', async () =>
      (await driver.findElement(By.css('main')).getText()).includes('No site name contains “number 1xyz”.')
        ? true
        : undefined,
    );
  });
});
