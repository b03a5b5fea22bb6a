import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import { byRole, eventually } from './browser.ts';
import { cell, kept, label, saysStep, selectInOutline, sidesApart, type, useBench } from './workbench.ts';

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
      await eventually(
        'both steps taken back',
        async () =>
          (await label(await cell(driver, 'Padding top', 'Desktop'))) === 'Padding top in Desktop: 0',
      );
      expect(await label(await cell(driver, 'Padding bottom', 'Desktop'))).to.equal(
        'Padding bottom in Desktop: 0',
      );
      await kept(driver);
    });

    it('says loudly when the server cannot be reached, and keeps everything once it can', async () => {
      const { driver, running } = bench;
      await selectInOutline(driver, 'Evening: title');
      await sidesApart(driver, 'padding');
      await driver.sendDevToolsCommand('Network.enable', {});
      await driver.sendDevToolsCommand('Network.emulateNetworkConditions', {
        offline: true,
        latency: 0,
        downloadThroughput: -1,
        uploadThroughput: -1,
      });
      await type(driver, 'Padding left', 'Desktop', '20');
      const alert = await eventually(
        'the alarm',
        async () => (await driver.findElements(By.css('header [role=alert]')))[0],
      );
      expect(await alert.getText()).to.match(
        /1 change is not kept.*cannot be reached.*Leave this page open/s,
      );
      await type(driver, 'Padding right', 'Desktop', '24');
      await driver.sendDevToolsCommand('Network.emulateNetworkConditions', {
        offline: false,
        latency: 0,
        downloadThroughput: -1,
        uploadThroughput: -1,
      });
      await (await byRole(driver, 'button', 'Try now')).click();
      await kept(driver);
      const { page } = (await (await fetch(running.url + paths.page('brindle-hill', 'home'))).json()) as {
        page: any;
      };
      expect(page.nodes['evening-title'].style.self.paddingLeft.base).to.equal(20);
      expect(page.nodes['evening-title'].style.self.paddingRight.base).to.equal(24);
    });

    const elsewhere = async (property: string, value: unknown, sentence: string) => {
      const url = bench.running.url + paths.page('brindle-hill', 'home');
      const { revision } = (await (await fetch(url)).json()) as { revision: number };
      const operations = [{ op: 'add', path: `/nodes/evening-title/style/self/${property}`, value }];
      const response = await fetch(url, {
        method: 'PATCH',
        headers: { 'If-Match': `"${revision}"`, 'Content-Type': 'application/json' },
        body: JSON.stringify({ operations, inverse: [], by: 'edit', sentence }),
      });
      expect(response.status).to.equal(200);
    };

    it('merges what was changed elsewhere on other values, and on another view of the same value', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
      await elsewhere('backgroundColour', { base: '{lamp}' }, 'Evening: title: background in Desktop → Lamp');
      await type(driver, 'Weight', 'Desktop', '500');
      await kept(driver);
      expect(await label(await cell(driver, 'Background', 'Desktop'))).to.equal(
        'Background in Desktop: Lamp, base value',
      );
      expect(await label(await cell(driver, 'Weight', 'Desktop'))).to.equal(
        'Weight in Desktop: 500, base value',
      );
      await elsewhere(
        'weight/at',
        { tablet: { value: 650, reach: 'here' } },
        'Evening: title: weight in Tablet → 650',
      );
      await type(driver, 'Weight', 'Mobile', '700');
      await kept(driver);
      expect(await label(await cell(driver, 'Weight', 'Tablet'))).to.equal(
        'Weight in Tablet: 650, override, here',
      );
      expect(await label(await cell(driver, 'Weight', 'Mobile'))).to.equal(
        'Weight in Mobile: 700, override, onward',
      );
      expect(await driver.findElements(By.xpath('//*[contains(., "Your change replaced")]'))).to.have.length(
        0,
      );
    });

    it('tells the later writer what it overwrote, and gives it back', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
      await elsewhere('lineHeight', { base: 1.7 }, 'Evening: title: line height in Desktop → 1.7');
      await type(driver, 'Line height', 'Desktop', '1.3');
      await eventually('the notice', async () =>
        (await driver.findElement(By.css('body')).getText()).includes(
          'Your change replaced what another window had just kept: Evening: title: line height in Desktop → 1.7.',
        ),
      );
      await kept(driver);
      expect(await label(await cell(driver, 'Line height', 'Desktop'))).to.equal(
        'Line height in Desktop: 1.3, base value',
      );
      await (await byRole(driver, 'button', 'Have it back')).click();
      await saysStep(driver, 'Had back: Evening: title: line height in Desktop → 1.7');
      expect(await label(await cell(driver, 'Line height', 'Desktop'))).to.equal(
        'Line height in Desktop: 1.7, base value',
      );
      await kept(driver);
      await bench.chord(Key.CONTROL, 'z');
      await eventually(
        'mine again',
        async () =>
          (await label(await cell(driver, 'Line height', 'Desktop'))) ===
          'Line height in Desktop: 1.3, base value',
      );
    });
  });

  describe('addresses that lead nowhere', () => {
    it('say so in a sentence', async () => {
      const { driver, running } = bench;
      await driver.get(`${running.url}/sites/brindle-hill/pages/nowhere`);
      await eventually('the sentence', async () =>
        (await driver.findElement(By.css('[role=alert]')).getText()).includes(
          'There is no such page on this site.',
        ),
      );
      await driver.get(`${running.url}/nothing/here`);
      await eventually('the sentence', async () =>
        (await driver.findElement(By.css('[role=alert]')).getText()).includes(
          'There is no screen at this address',
        ),
      );
    });
  });
});
