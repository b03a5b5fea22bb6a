import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import { made, node } from '../core/acting.ts';
import { clear, editor, inHome, put, set, take } from '../server/editing.ts';
import { byRole, eventually, online } from './browser.ts';
import {
  cellShows,
  kept,
  openWords,
  expectStep,
  selectInOutline,
  sheet,
  sidesApart,
  type,
  useBench,
} from './workbench.ts';

describe('the workbench: keeping', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { chord } = bench;

  describe('keeping', () => {
    it('undoes and redoes with names, and lists the steps', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
      await sidesApart(driver, 'padding');
      await type(driver, 'Padding top', 'Desktop', '12');
      await type(driver, 'Padding bottom', 'Desktop', '8');
      await byRole(driver, 'button', 'Undo: Evening: title: padding bottom in Desktop 0 → 8');
      await chord(Key.CONTROL, 'z');
      await byRole(driver, 'button', 'Redo: Evening: title: padding bottom in Desktop 0 → 8');
      await driver
        .actions()
        .keyDown(Key.CONTROL)
        .keyDown(Key.SHIFT)
        .sendKeys('z')
        .keyUp(Key.SHIFT)
        .keyUp(Key.CONTROL)
        .perform();
      await (await byRole(driver, 'button', 'List of steps')).click();
      const list = await byRole(driver, 'dialog', 'Steps');
      expect(await list.getText()).to.equal(
        'Evening: title: padding bottom in Desktop 0 → 8\nEvening: title: padding top in Desktop 0 → 12',
      );
      await (
        await byRole(driver, 'button', 'Evening: title: padding top in Desktop 0 → 12', { inside: list })
      ).click();
      await cellShows(driver, 'Padding top in Desktop: 0');
      await cellShows(driver, 'Padding bottom in Desktop: 0');
      await kept(driver);
    });

    it('says loudly when the server cannot be reached, and keeps everything once it can', async () => {
      const { driver, running } = bench;
      await selectInOutline(driver, 'Evening: title');
      await sidesApart(driver, 'padding');
      await online(driver, false);
      await type(driver, 'Padding start', 'Desktop', '20');
      const alert = await eventually(
        'the alarm',
        async () => (await driver.findElements(By.css('header [role=alert]')))[0],
      );
      expect(await alert.getText()).to.match(
        /1 change is not saved.*cannot be reached.*tries again automatically/s,
      );
      await type(driver, 'Padding end', 'Desktop', '24');
      await online(driver, true);
      await kept(driver);
      const { page } = (await (await fetch(running.url + paths.page('brindle-hill', 'home'))).json()) as {
        page: any;
      };
      expect(page.nodes['evening-title'].style.self.paddingLeft.base).to.equal(20);
      expect(page.nodes['evening-title'].style.self.paddingRight.base).to.equal(24);
    });

    it('keeps after a reload what could not be saved before, on top of what others did meanwhile', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
      await online(driver, false);
      await type(driver, 'Weight', 'Mobile', '650');
      await type(driver, 'Letter spacing', 'Mobile', '0.05');
      await eventually(
        'the alarm',
        async () => (await driver.findElements(By.css('header [role=alert]')))[0],
      );
      await elsewhere('weight/base', 480, 'Evening: title: weight in Desktop → 480');
      await elsewhere('letterSpacing/at/mobile', { value: 0.02, reach: 'here' }, 'Theirs');
      // As after a crash: the page is opened again, with nothing of it in memory.
      await driver.get('about:blank');
      await online(driver, true);
      await bench.reload();
      await selectInOutline(driver, 'Evening: title');
      await cellShows(driver, 'Weight in Mobile: 650, override, onward');
      await cellShows(driver, 'Weight in Desktop: 480, base value');
      await cellShows(driver, 'Letter spacing in Mobile: 0.05, override, onward');
      const weight = async () =>
        ((await others.page()).page.nodes['evening-title' as never] as any).style.self.weight.at.mobile;
      await eventually('it is kept', async () => (await weight())?.value === 650);
      await byRole(driver, 'button', /^Undo: Evening: title: letter spacing in Mobile/);
    });

    it('sets aside what no longer fits, says why, and has it saved to a file or let go', async () => {
      const { driver } = bench;
      await others.made(
        [
          set('/pages/home/nodes/short-lived', {
            id: 'short-lived',
            kind: 'text',
            name: 'Short lived',
            parent: 'evening',
            children: [],
            style: {},
            content: { text: '<p>Here for a moment</p>' },
          }),
          put(inHome('evening', 'children'), 'short-lived', []),
        ],
        { sentence: 'Text added to How an evening goes' },
      );
      await selectInOutline(driver, 'Short lived');
      await online(driver, false);
      await type(driver, 'Weight', 'Desktop', '650');
      await others.made([
        take(inHome('evening', 'children'), 'short-lived'),
        clear('/pages/home/nodes/short-lived'),
      ]);
      await online(driver, true);
      const aside = await byRole(driver, 'button', '1 change not applied', { within: 40_000 });
      // The bar is laid out again when it stops saying that something is not kept.
      await eventually('a calm bar', async () =>
        (await driver.findElements(By.css('header [role=alert]'))).length === 0 ? true : undefined,
      );
      await aside.click();
      const dialog = await byRole(driver, 'dialog', '1 change could not be saved');
      expect(await dialog.getText()).to.match(
        /Short lived: weight in Desktop .* → 650\s+The element is no longer on this page\./,
      );
      await byRole(driver, 'button', 'Save to a file', { inside: dialog });
      await (await byRole(driver, 'button', 'Discard them', { inside: dialog })).click();
      await eventually(
        'the notice gone',
        async () =>
          (await driver.findElements(By.xpath('//button[contains(., "not applied")]'))).length === 0,
      );
      await bench.reload();
      expect(await driver.findElements(By.xpath('//button[contains(., "not applied")]'))).to.have.length(0);
    });

    const others = editor(() => bench.running.url, 'others');
    const elsewhere = (property: string, value: unknown, sentence: string) =>
      others.made([set(inHome('evening-title', `style/self/${property}`), value)], { sentence });

    it('merges what was changed elsewhere on other values, and on another view of the same value', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
      await online(driver, false);
      await elsewhere('backgroundColour/base', '{lamp}', 'Evening: title: background in Desktop → Lamp');
      await type(driver, 'Weight', 'Desktop', '500');
      await online(driver, true);
      await kept(driver);
      await cellShows(driver, 'Background in Desktop: Lamp, base value');
      await cellShows(driver, 'Weight in Desktop: 500, base value');
      await elsewhere(
        'weight/at/tablet',
        { value: 650, reach: 'here' },
        'Evening: title: weight in Tablet → 650',
      );
      await type(driver, 'Weight', 'Mobile', '700');
      await kept(driver);
      await cellShows(driver, 'Weight in Tablet: 650, override, here');
      await cellShows(driver, 'Weight in Mobile: 700, override, onward');
      expect(await driver.findElements(By.xpath('//*[contains(., "Your change replaced")]'))).to.have.length(
        0,
      );
    });

    it('tells the later writer what it overwrote, and gives it back', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
      await online(driver, false);
      await type(driver, 'Line height', 'Desktop', '1.3');
      await elsewhere('lineHeight/base', 1.7, 'Evening: title: line height in Desktop → 1.7');
      await online(driver, true);
      await eventually('the notice', async () =>
        (await driver.findElement(By.css('body')).getText()).includes(
          'Your change replaced what another window had just saved: Evening: title: line height in Desktop → 1.7.',
        ),
      );
      await kept(driver);
      await cellShows(driver, 'Line height in Desktop: 1.3, base value');
      await (await byRole(driver, 'button', 'Restore it')).click();
      await expectStep(driver, 'Restored: Evening: title: line height in Desktop → 1.7');
      await cellShows(driver, 'Line height in Desktop: 1.7, base value');
      await kept(driver);
      await bench.chord(Key.CONTROL, 'z');
      await cellShows(driver, 'Line height in Desktop: 1.3, base value');
    });

    it('ends a text whose element another window deletes, and sets aside what was written', async () => {
      const { driver, running } = bench;
      const other = editor(() => running.url, 'another-window');
      const frame = await sheet(driver, 'Desktop');
      await openWords(driver, 'Desktop', 'lead', 'Lead paragraph');
      await driver.switchTo().frame(frame);
      const write = driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL);
      await write.sendKeys('An hour of writing').perform();
      await driver.switchTo().defaultContent();
      const { parent } = (await other.page()).page.nodes[node('lead')];
      await other.made([
        take(`/pages/home/nodes/${parent}/children`, 'lead'),
        clear('/pages/home/nodes/lead'),
      ]);
      await (await byRole(driver, 'button', '1 change not applied')).click();
      const aside = await byRole(driver, 'dialog', '1 change could not be saved');
      expect(await aside.getText()).to.include('Lead paragraph: text in Desktop → An hour of writing');
      expect(await aside.getText()).to.include('The element is no longer on this page.');
      await (await byRole(driver, 'button', 'Discard them', { inside: aside })).click();
      await eventually('a sheet without it', async () =>
        driver.executeScript<boolean>(
          `return arguments[0].contentDocument.querySelector('.n-lead') === null`,
          frame,
        ),
      );
    });
  });

  describe('addresses that lead nowhere', () => {
    it('are those of a page that is deleted in another window; the others are a step away', async () => {
      const { driver, running } = bench;
      await bench.open('find-us');
      const { operations } = made('removePage', { page: node('find-us') });
      await editor(() => running.url, 'others').made([...operations]);
      await byRole(driver, 'alert', /^/);
      expect(await driver.findElement(By.css('[role=alert]')).getText()).to.include(
        'This page has been deleted in another window.',
      );
      await (await byRole(driver, 'link', 'To the pages of the site')).click();
      await byRole(driver, 'heading', 'Pages');
      await byRole(driver, 'button', /^Visits/);
    });

    it('are those of screens of a site that is not there, or that cannot be reached just now', async () => {
      const { driver, running } = bench;
      const says = (words: string) =>
        eventually(words, async () =>
          (await driver.findElement(By.css('[role=alert]')).getText()).includes(words),
        );
      await driver.get(`${running.url}/sites/nowhere/publications`);
      await says('There is no such site');
      await byRole(driver, 'link', 'To the list of sites');
      const lost = (urls: string[]) => driver.sendDevToolsCommand('Network.setBlockedURLs', { urls });
      await driver.sendDevToolsCommand('Network.enable', {});
      await lost(['*/api/*']);
      await driver.get(`${running.url}/sites/brindle-hill/pages`);
      await says('cannot be reached');
      await lost([]);
      await (await byRole(driver, 'button', 'Try again')).click();
      await byRole(driver, 'heading', 'Pages');
    });

    it('say so in a sentence', async () => {
      const { driver, running } = bench;
      await driver.get(`${running.url}/sites/brindle-hill/pages/nowhere`);
      await eventually('the sentence', async () =>
        (await driver.findElement(By.css('[role=alert]')).getText()).includes(
          'There is no such page on this site.',
        ),
      );
      await (await byRole(driver, 'link', 'To the pages of the site')).click();
      await byRole(driver, 'heading', 'Pages');
      await driver.get(`${running.url}/sites/nowhere/pages/home`);
      await byRole(driver, 'link', 'To the list of sites');
      expect(await driver.findElements(By.linkText('To the pages of the site'))).to.deep.equal([]);
      await driver.get(`${running.url}/nothing/here`);
      await eventually('the sentence', async () =>
        (await driver.findElement(By.css('[role=alert]')).getText()).includes(
          'There is no screen at this address',
        ),
      );
    });
  });

  describe('a page on a slow connection', () => {
    it('says that it takes longer than usual, offers a way back, and opens', async () => {
      const { driver } = bench;
      await online(driver, true, 4000);
      await (await byRole(driver, 'button', /^Page Home/)).click();
      await (await byRole(driver, 'menuitem', /^Visits/)).click();
      await byRole(driver, 'link', 'To the list of sites');
      expect(await driver.findElement(By.css('[role=alert]')).getText()).to.equal(
        'Opening takes longer than usual. It continues as soon as everything has loaded.',
      );
      await online(driver, true);
      await sheet(driver, 'Desktop');
      expect(await driver.findElements(By.linkText('To the list of sites'))).to.deep.equal([]);
    });
  });
});
