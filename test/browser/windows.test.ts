/** Two windows on one site, as two people have them: each sees the other's edits, and undoes its own. */
import { once } from 'node:events';
import { createServer, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { editor, inHome, put, set } from '../server/editing.ts';
import { byRole, eventually, openBrowser, type Browser } from './browser.ts';
import {
  cell,
  cellShows,
  kept,
  label,
  expectStep,
  selectInOutline,
  sheet,
  type,
  useBench,
} from './workbench.ts';

describe('two windows', function () {
  this.timeout(120_000);
  const bench = useBench();
  let other: Browser | undefined;
  beforeEach(async () => {
    other ??= await openBrowser();
    await other.driver.get(`${bench.running.url}/sites/brindle-hill/pages/home`);
    await sheet(other.driver, 'Desktop');
  });
  after(() => other?.close());

  const undoOf = (driver: Browser['driver']) =>
    driver.findElement(By.css('header button[aria-label^="Undo"]')).getAttribute('aria-label');
  const chord = (driver: Browser['driver'], key: string) =>
    driver.actions().keyDown(Key.CONTROL).sendKeys(key).keyUp(Key.CONTROL).perform();

  it('show each other’s edits, and keep the selection, the cell and the place', async () => {
    const [mine, theirs] = [bench.driver, other!.driver];
    await selectInOutline(theirs, 'Evening: title');
    await (await cell(theirs, 'Weight', 'Tablet')).click();
    const scrolled = () => theirs.executeScript('return document.querySelector(".desk-sheets").scrollTop');
    await theirs.executeScript('document.querySelector(".desk-sheets").scrollTop = 300');
    await selectInOutline(mine, 'Evening: title');
    await type(mine, 'Weight', 'Desktop', '640');
    await cellShows(theirs, 'Weight in Desktop: 640, base value');
    expect(await (await theirs.switchTo().activeElement()).getAccessibleName()).to.match(/^Weight in Tablet/);
    expect(await scrolled()).to.equal(300);
    const weight = await theirs.executeScript(
      'return getComputedStyle(document.querySelector("iframe").contentDocument.querySelector(".n-evening-title")).fontWeight',
    );
    expect(weight).to.equal('640');
    await kept(mine);
  });

  it('undo their own steps, in their order, over each other’s', async () => {
    const [mine, theirs] = [bench.driver, other!.driver];
    await selectInOutline(mine, 'Evening: title');
    await selectInOutline(theirs, 'Evening: title');
    await type(mine, 'Weight', 'Desktop', '610');
    await kept(mine);
    await type(theirs, 'Line height', 'Desktop', '1.9');
    await kept(theirs);
    await cellShows(mine, 'Line height in Desktop: 1.9, base value');
    expect(await undoOf(mine)).to.match(/^Undo: Evening: title: weight in Desktop .* → 610$/);
    expect(await undoOf(theirs)).to.match(/^Undo: Evening: title: line height in Desktop .* → 1.9$/);
    await (await byRole(mine, 'button', 'List of steps')).click();
    const list = await byRole(mine, 'dialog', 'Steps');
    expect(await list.getText()).to.match(
      /line height in Desktop .* → 1.9\nin another window\n.*weight in Desktop/,
    );
    await mine.actions().sendKeys(Key.ESCAPE).perform();
    await chord(mine, 'z');
    await eventually(
      'mine undone',
      async () => !(await label(await cell(mine, 'Weight', 'Desktop'))).includes('610'),
    );
    await cellShows(mine, 'Line height in Desktop: 1.9, base value');
    await eventually(
      'and there',
      async () => !(await label(await cell(theirs, 'Weight', 'Desktop'))).includes('610'),
    );
    await kept(mine);
  });

  it('are told when the other replaces what was set here, and why a step cannot be undone then', async () => {
    const [mine, theirs] = [bench.driver, other!.driver];
    await selectInOutline(mine, 'Evening: title');
    await type(mine, 'Opacity', 'Desktop', '0.8');
    await kept(mine);
    await selectInOutline(theirs, 'Evening: title');
    await type(theirs, 'Opacity', 'Desktop', '0.6');
    await kept(theirs);
    await eventually('the notice', async () =>
      (await mine.findElement(By.css('body')).getText()).includes(
        'Another window replaced what you had set: Evening: title: opacity in Desktop',
      ),
    );
    await (await byRole(mine, 'button', 'Close')).click();
    const before = await undoOf(mine);
    await selectInOutline(mine, 'Evening: title');
    await chord(mine, 'z');
    await eventually('the reason', async () =>
      (await mine.findElement(By.css('body')).getText()).includes(
        'cannot be undone: what it changed has been changed since. It stays in the list of steps.',
      ),
    );
    expect(await label(await cell(mine, 'Opacity', 'Desktop'))).to.match(/0.6/);
    expect(await undoOf(mine), 'the next try goes past it').not.to.equal(before);
  });

  it('have their steps after a reload, and take over edits of what a page is made of', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Evening: title');
    await type(driver, 'Weight', 'Desktop', '620');
    await kept(driver);
    await bench.reload();
    await byRole(driver, 'button', /^Undo: Evening: title: weight in Desktop .* → 620$/);
    await editor(() => bench.running.url, 'others').made(
      [
        set('/pages/home/nodes/added', {
          id: 'added',
          kind: 'text',
          name: 'Added elsewhere',
          parent: 'evening',
          children: [],
          style: {},
          content: { text: '<p>From elsewhere</p>' },
        }),
        put(inHome('evening', 'children'), 'added', ['evening-title']),
      ],
      { sentence: 'Text added to How an evening goes' },
    );
    await expectStep(driver, 'Updated from elsewhere: Text added to How an evening goes.');
    await selectInOutline(driver, 'Added elsewhere');
    await chord(driver, 'z');
    await selectInOutline(driver, 'Evening: title');
    await eventually(
      'undone after the reload',
      async () => !(await label(await cell(driver, 'Weight', 'Desktop'))).includes('620'),
    );
    await kept(driver);
  });

  it('of one browser hear through one connection, have steps of their own, and go on when one is closed', async () => {
    const { driver } = bench;
    const address = `${bench.running.url}/sites/brindle-hill/pages/home`;
    const first = await driver.getWindowHandle();
    await driver.switchTo().newWindow('tab');
    const second = await driver.getWindowHandle();
    await driver.get(address);
    await sheet(driver, 'Desktop');
    const streams = () =>
      driver.executeScript<number>(
        // What is asked for once, to catch up, is no connection.
        'return performance.getEntriesByType("resource").filter(({ name, initiatorType }) => name.includes("/edits?after=") && initiatorType !== "fetch").length',
      );
    expect(await streams(), 'the first window holds the connection').to.equal(0);
    await selectInOutline(driver, 'Evening: title');
    const undo = () => driver.findElements(By.css('header button[aria-label^="Undo: "]'));
    expect(await undo(), 'it is another one than the first').to.have.length(0);

    await driver.switchTo().window(first);
    await selectInOutline(driver, 'Evening: title');
    await type(driver, 'Weight', 'Desktop', '630');
    await kept(driver);
    await driver.switchTo().window(second);
    await cellShows(driver, 'Weight in Desktop: 630, base value');
    expect(await undo()).to.have.length(0);

    // The window that held the connection goes; the other gets it, and its name is free for the next.
    await driver.switchTo().window(first);
    await driver.close();
    await driver.switchTo().window(second);
    await editor(() => bench.running.url, 'others').made(
      [set(inHome('evening-title', 'style/self/weight/base'), 640)],
      { sentence: 'Weight to 640' },
    );
    await cellShows(driver, 'Weight in Desktop: 640, base value');
    await driver.switchTo().newWindow('tab');
    await driver.get(address);
    await sheet(driver, 'Desktop');
    await byRole(driver, 'button', /^Undo: Evening: title: weight in Desktop .* → 630$/);
  });

  it('have their steps after a reload, however late the page before lets go of its name, and none of a window that stays', async () => {
    const { driver } = other!;
    const reloaded = await driver.getWindowHandle();
    await selectInOutline(driver, 'Evening: title');
    await type(driver, 'Weight', 'Desktop', '650');
    await kept(driver);
    const name = await driver.executeScript<string>(
      'return JSON.parse(sessionStorage.getItem("dimorphe.session"))[0]',
    );
    // Stands for a page that is long in going: it has the name, and answers nobody.
    await driver.switchTo().newWindow('tab');
    const late = await driver.getWindowHandle();
    await driver.get(`${bench.running.url}/api/health`);
    await driver.executeScript(
      `navigator.locks.request('dimorphe session ' + arguments[0], () => new Promise((resolve) => (window.letGo = resolve)))`,
      name,
    );
    const waiting = () =>
      driver.executeScript<number>(
        `return navigator.locks.query().then(({ pending }) => pending.filter(({ name }) => name === 'dimorphe session ' + arguments[0]).length)`,
        name,
      );
    await driver.switchTo().window(reloaded);
    await driver.navigate().refresh();
    await driver.switchTo().window(late);
    await eventually('the page that was loaded again, waiting', async () => (await waiting()) === 1);
    await driver.executeScript('window.letGo()');
    await driver.switchTo().window(reloaded);
    await byRole(driver, 'button', /^Undo: Evening: title: weight in Desktop .* → 650$/);

    // A second tab with all that the first remembers, as when a tab is doubled: it is a window of its own.
    await driver.switchTo().window(late);
    await driver.executeScript(
      'sessionStorage.setItem("dimorphe.session", JSON.stringify([arguments[0]]))',
      name,
    );
    await driver.get(`${bench.running.url}/sites/brindle-hill/pages/home`);
    await sheet(driver, 'Desktop');
    expect(await undoOf(driver)).to.equal('Undo');
    await driver.close();
    await driver.switchTo().window(reloaded);
  });

  it('hear of others again after a server in between has answered with faults', async () => {
    const { host, hostname, port } = new URL(bench.running.url);
    let faults = 2;
    const between = createServer((asked, answer) => {
      if (asked.headers.accept === 'text/event-stream' && faults-- > 0) {
        answer.writeHead(503).end();
        return;
      }
      const { url: path, method, headers } = asked;
      const further = request({ hostname, port, path, method, headers: { ...headers, host } }, (found) => {
        answer.writeHead(found.statusCode!, found.headers);
        found.pipe(answer);
      });
      asked.pipe(further);
      further.on('error', () => answer.destroy());
      answer.on('close', () => further.destroy());
    });
    await once(between.listen(0, '127.0.0.1'), 'listening');
    try {
      const { driver } = other!;
      const { port: own } = between.address() as AddressInfo;
      await driver.get(`http://127.0.0.1:${own}/sites/brindle-hill/pages/home`);
      await sheet(driver, 'Desktop');
      await selectInOutline(driver, 'Evening: title');
      await editor(() => bench.running.url, 'others').made([
        set(inHome('evening-title', 'style/self/weight/base'), 670),
      ]);
      await cellShows(driver, 'Weight in Desktop: 670, base value');
      expect(faults).to.be.below(0);
    } finally {
      between.close();
      between.closeAllConnections();
    }
  });
});
