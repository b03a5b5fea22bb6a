/** The shelf of a site: bringing images in by choosing, pasting and dropping; what is said of them; replacing and deleting. */
import { expect } from 'chai';
import { copyFile, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key, type WebElement } from 'selenium-webdriver';
import sharp from 'sharp';
import { paths } from '../../api/paths.ts';
import type { PageResponse, SiteResponse, SiteSummary } from '../../api/responses.ts';
import { newSite, writeSiteFile } from '../../core/index.ts';
import { unzipped } from '../server/zips.ts';
import { byRole, eventually, resize } from './browser.ts';
import {
  addElement,
  cell,
  inSheet,
  kept,
  openBench,
  expectStep,
  selectInOutline,
  sheet,
  type Bench,
} from './workbench.ts';

/** A font of an open licence, from the registry. */
const FONT = createRequire(import.meta.url)
  .resolve('@fontsource-variable/atkinson-hyperlegible-next/package.json')
  .replace('package.json', 'files/atkinson-hyperlegible-next-latin-wght-normal.woff2');

/** An image of waves, so that it is not of one colour only. */
const waves = (width: number, height: number, colour: string) =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="100%" height="100%" fill="${colour}"/><circle cx="30%" cy="40%" r="20%" fill="#fff"/></svg>`,
    ),
  );

describe('the shelf', function () {
  this.timeout(120_000);
  let folder: string;
  let bench: Bench;
  const file = (name: string) => join(folder, name);
  before(async () => {
    folder = await mkdtemp(join(tmpdir(), 'dimorphe-test-'));
    await waves(1500, 1000, '#24405c').jpeg().toFile(file('night-hill_02.jpg'));
    await waves(800, 800, '#803020').png().toFile(file('Kiln.png'));
    await waves(1200, 700, '#305030').webp().toFile(file('meadow.webp'));
    await writeFile(
      file('sign.svg'),
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 20"><script>alert(1)</script><path d="M0 0h40v20z"/></svg>',
    );
    await writeFile(file('letter.png'), 'Dear all,');
    await copyFile(FONT, file('letters.woff2'));
    const body =
      '%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n2 0 obj<</Type/Pages/Kids[]/Count 0>>endobj\n';
    await writeFile(
      file('price list.pdf'),
      `${body}xref\n0 3\ntrailer<</Root 1 0 R/Size 3>>\nstartxref\n${body.length}\n%%EOF\n`,
    );
    await writeFile(file('sky-words.vtt'), 'WEBVTT\n\n00:01.000 --> 00:03.000\nThe dome turns.\n');
    bench = await openBench();
    await resize(bench.driver, 1280, 800);
  });
  after(async () => {
    await bench?.end();
    await rm(folder, { recursive: true, force: true });
  });

  const SITE = 'brindle-hill';
  const press = async (role: string, name: string | RegExp) =>
    (await byRole(bench.driver, role, name)).click();
  const frameOf = async (site = SITE) =>
    ((await (await fetch(bench.running.url + paths.site(site))).json()) as SiteResponse).frame;
  const onShelf = (name: string, site = SITE) =>
    eventually(`${name} on the shelf`, async () =>
      (await frameOf(site)).assets.find((asset) => asset.name === name),
    );
  const choose = async (label: string, ...names: string[]) =>
    (await bench.driver.findElement(By.css(`input[type=file][aria-label="${label}"]`))).sendKeys(
      names.map(file).join('\n'),
    );
  const toShelf = async () => {
    await press('link', 'Shelf');
    await byRole(bench.driver, 'heading', 'Shelf');
  };
  const fill = async (name: string, text: string, end: string = Key.ENTER) => {
    const box = await byRole(bench.driver, 'textbox', name);
    await box.click();
    await bench.driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).perform();
    await box.sendKeys(text, end);
  };
  /** Lets a file go on a thing as the browser tells it: nothing outside a page can drag into it. */
  const letGo = async (name: string, onto: WebElement, inFrame?: string) => {
    const bytes = (await sharp(file(name)).toBuffer()).toString('base64');
    await bench.driver.executeScript(
      `const [bytes, name, frame, selector] = arguments;
       const target = selector ? frame.contentDocument.querySelector(selector) : frame;
       const view = target.ownerDocument.defaultView;
       const data = new view.DataTransfer();
       data.items.add(new view.File([Uint8Array.from(atob(bytes), (each) => each.charCodeAt(0))], name));
       for (const type of ['dragenter', 'dragover', 'drop']) target.dispatchEvent(new view.DragEvent(type, { bubbles: true, cancelable: true, dataTransfer: data }));`,
      bytes,
      name,
      onto,
      inFrame,
    );
  };

  it('takes several files at once, tells how far each is, and says why one is not taken', async () => {
    await bench.open();
    await toShelf();
    await choose('Files for the shelf', 'night-hill_02.jpg', 'letter.png', 'sign.svg');
    const hill = await onShelf('night hill 02');
    expect(hill).to.deep.include({ type: 'image/jpeg', width: 1500, height: 1000 });
    expect(await onShelf('sign')).to.deep.include({ type: 'image/svg+xml', width: 40, height: 20 });
    const alert = await byRole(bench.driver, 'region', 'Files being imported');
    expect(await alert.getText()).to.match(
      /letter\.png was not imported\n.*not one of the types.*Nothing was saved\./,
    );
    await press('button', 'Close the message about letter.png');
    await press('button', /^Undo: Image (sign|night hill 02) added/);
    await press('button', /^Redo/);
    await onShelf('sign');
  });

  it('says of each where it stands and leads there; its name, words and focal point can be changed', async () => {
    await press('button', /^Dome at dusk/);
    await fill('Name', 'Dome in the evening');
    await onShelf('Dome in the evening');
    await fill('Text alternative', 'A white dome under the first stars', Key.TAB);
    await eventually('the text', async () =>
      (await onShelf('Dome in the evening')).alt === 'A white dome under the first stars' ? true : undefined,
    );
    const focus = await byRole(bench.driver, 'slider', 'Focal point');
    await focus.sendKeys(Key.chord(Key.SHIFT, Key.ARROW_LEFT));
    await eventually('the point', async () => {
      const point = (await onShelf('Dome in the evening')).focus;
      return point?.x === 40 && point.y === 50 ? true : undefined;
    });
    await press('button', 'Dome image');
    await byRole(bench.driver, 'grid', 'Values of Dome image');
    // What the shelf says holds on the page: the image keeps to that point.
    expect(
      await inSheet<string>(
        bench.driver,
        'Desktop',
        'dome',
        'return window.getComputedStyle(element.querySelector("img")).objectPosition',
      ),
    ).to.equal('40% 50%');
  });

  it('takes what is let go on an image in a sheet, or on a cell, and puts it there', async () => {
    const { driver } = bench;
    await letGo('meadow.webp', await sheet(driver, 'Desktop'), '.n-dome img');
    await expectStep(driver, /^Dome image: image in Desktop .* → meadow$/);
    await onShelf('meadow');
    await selectInOutline(driver, 'Dome image');
    await letGo('Kiln.png', await cell(driver, 'Image', 'Mobile'));
    await expectStep(driver, /^Dome image: image in Mobile .* → Kiln$/);
    await kept(driver);
    const { page } = (await (
      await fetch(bench.running.url + paths.page(SITE, 'home'))
    ).json()) as PageResponse;
    const { source } = page.nodes['dome' as never].style.self as Record<
      string,
      { base: string; at: Record<string, { value: string }> }
    >;
    expect(source.base).to.match(/^meadow-\w{6}$/);
    expect(source.at.mobile.value).to.match(/^kiln-\w{6}$/);
  });

  it('takes an image in from the card of a cell', async () => {
    const { driver } = bench;
    await (await cell(driver, 'Image', 'Tablet')).click();
    await driver.actions().sendKeys(Key.ENTER).perform();
    await byRole(driver, 'dialog', 'Image in Tablet');
    await choose('An image for the shelf', 'night-hill_02.jpg');
    await expectStep(driver, /^Dome image: image in Tablet .* → night hill 02 2$/);
  });

  it('takes documents, captions and fonts, each to where it belongs', async () => {
    const { driver } = bench;
    await toShelf();
    await choose('Files for the shelf', 'price list.pdf', 'sky-words.vtt', 'letters.woff2');
    expect((await onShelf('price list')).type).to.equal('application/pdf');
    expect((await onShelf('sky words')).type).to.equal('text/vtt');
    await byRole(driver, 'button', /^price list.*PDF document · not used/);
    const fonts = await byRole(driver, 'region', 'Fonts');
    expect(await fonts.getText()).to.match(/Atkinson Hyperlegible Next\n200–800/);
    await (await byRole(driver, 'button', 'Remove', { inside: fonts })).click();
    await expectStep(driver, 'Font Atkinson Hyperlegible Next removed');
    // A video takes the captions, which Chromium reads.
    await bench.open('hire');
    await selectInOutline(driver, 'Video: turning sky');
    const field = await byRole(driver, 'combobox', 'Captions: what is said in it');
    await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', field);
    await field.click();
    await press('option', 'sky words');
    await expectStep(driver, /captions: what is said in it changed in every view$/);
    await eventually('the words of the video', async () =>
      driver.executeScript<boolean>(
        `const { track } = document.querySelector('iframe').contentDocument.querySelector('video track') || {};
         return track && track.cues && track.cues[0].text === 'The dome turns.';`,
      ),
    );
    await kept(driver);
    await bench.open();
  });

  it('puts another file in the place of one, and tells what will be missing before one is deleted', async () => {
    const { driver } = bench;
    await toShelf();
    await press('button', /^meadow/);
    await choose('Replace the file of meadow', 'Kiln.png');
    await eventually('the other file', async () =>
      (await onShelf('meadow')).type === 'image/png' ? true : undefined,
    );
    await press('button', 'Delete …');
    const dialog = await byRole(driver, 'dialog', 'Delete meadow');
    expect(await dialog.getText()).to.match(/missing in these places.*\nDome image on Home/s);
    await (await byRole(driver, 'button', 'Delete', { inside: dialog })).click();
    await expectStep(driver, 'Image meadow deleted, and removed from 1 element');
    await eventually('that it is gone', async () =>
      (await frameOf()).assets.some(({ name }) => name === 'meadow') ? undefined : true,
    );
    await fill('Filter the shelf', 'xyz', '');
    expect(await driver.findElement(By.css('main')).getText()).to.include(
      'Nothing on the shelf matches “xyz”.',
    );
  });

  it('says that it is empty', async () => {
    const { driver, running } = bench;
    const begun = newSite({ id: 'bare', name: 'Bare', lang: 'en', look: 'lantern', views: '2' });
    const [page] = Object.values(begun.pages);
    const images = Object.values(page.nodes).filter(({ kind }) => kind === 'picture');
    for (const { id, parent } of images) {
      const holder = page.nodes[parent!];
      holder.children = holder.children.filter((each) => each !== id);
      delete page.nodes[id];
    }
    const bare = { ...begun, frame: { ...begun.frame, assets: [] } };
    const answer = await fetch(running.url + paths.sites(), {
      ...{ method: 'POST', headers: { 'Content-Type': 'application/json' }, body: writeSiteFile(bare, {}) },
    });
    expect(answer.status, await answer.text()).to.equal(201);
    await driver.get(`${running.url}/sites/bare/shelf`);
    await eventually('the empty shelf', async () =>
      (await driver.findElement(By.css('main')).getText()).includes('The shelf is empty.'),
    );
  });

  it('has its part in a site from nothing: pages, images, a view more; published, taken out, imported again, the same to the byte', async () => {
    const { driver } = bench;
    const NEW = 'harbour-pots';
    await driver.get(bench.running.url);
    await press('button', 'New site');
    await (await byRole(driver, 'textbox', /^Name/)).sendKeys('Harbour Pots');
    await press('button', 'Create site');
    await sheet(driver, 'Desktop');
    await press('link', 'Pages');
    for (const title of ['Opening hours', 'Find us']) {
      await press('button', 'Add a page');
      const dialog = await byRole(driver, 'dialog', 'Add a page');
      await (await byRole(driver, 'textbox', 'Title', { inside: dialog })).sendKeys(title, Key.ENTER);
      await eventually('the page', async () =>
        (await frameOf(NEW)).pages.some((head) => head.title === title) ? true : undefined,
      );
      await eventually('the dialog to have gone', async () =>
        (await driver.findElements(By.css('[role=dialog]'))).length === 0 ? true : undefined,
      );
    }
    await toShelf();
    for (const own of ['Stone face', 'Cut blocks', 'Crane']) await onShelf(own, NEW);
    await choose('Files for the shelf', 'night-hill_02.jpg', 'Kiln.png', 'meadow.webp', 'sign.svg');
    for (const name of ['night hill 02', 'Kiln', 'meadow', 'sign']) await onShelf(name, NEW);
    await press('link', 'Views');
    await press('button', 'Add a view …');
    await (await byRole(driver, 'textbox', 'Name')).sendKeys('Large mobile', Key.ENTER);
    await eventually('the view', async () =>
      (await frameOf(NEW)).views.list.length === 5 ? true : undefined,
    );
    await driver.get(`${bench.running.url}/sites/${NEW}/pages/home`);
    await sheet(driver, 'Desktop');
    await addElement(driver, 'Section');
    for (let count = 0; count < 2; count++) await addElement(driver, 'Gallery');
    await kept(driver);
    await press('link', 'Publish …');
    await press('button', 'Publish');
    await byRole(driver, 'link', 'Open the published site', { within: 60_000 });

    const ask = (path: string, method = 'GET') => fetch(bench.running.url + path, { method });
    const publishedFiles = async () => unzipped(Buffer.from(await (await ask(paths.zip(NEW))).arrayBuffer()));
    const before = await publishedFiles();
    expect([...before.keys()].filter((name) => /\.(avif|webp)$/.test(name)).length).to.be.greaterThan(10);
    const text = await (await ask(paths.file(NEW))).text();
    expect((await ask(paths.live(NEW), 'DELETE')).status).to.equal(204);
    expect((await ask(paths.archived(NEW), 'PUT')).status).to.equal(204);
    expect((await ask(paths.site(NEW), 'DELETE')).status).to.equal(204);
    await writeFile(file('harbour.json'), text);
    await driver.get(bench.running.url);
    await byRole(driver, 'button', 'New site');
    await driver.findElement(By.css('input[type=file]')).sendKeys(file('harbour.json'));
    await sheet(driver, 'Desktop');
    const sites = (await (await ask(paths.sites())).json()) as SiteSummary[];
    expect(sites.find(({ id }) => id === NEW)?.pages).to.equal(3);
    const after = await publishedFiles();
    expect([...after.keys()]).to.deep.equal([...before.keys()]);
    for (const [name, bytes] of before) expect(after.get(name)!.equals(bytes), name).to.equal(true);
  });
});
