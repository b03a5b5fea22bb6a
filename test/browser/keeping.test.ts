import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import { byRole, eventually, pause } from './browser.ts';
import { cell, kept, label, selectInOutline, type, useBench } from './workbench.ts';

describe('the workbench: keeping', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { chord } = bench;

  describe('keeping', () => {
    it('undoes and redoes with names, and lists the steps', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
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
      const operations = [
        { op: 'add', path: `/nodes/evening-title/style/self/${property}`, value: { base: value } },
      ];
      const response = await fetch(url, {
        method: 'PATCH',
        headers: { 'If-Match': `"${revision}"`, 'Content-Type': 'application/json' },
        body: JSON.stringify({ operations, inverse: [], by: 'edit', sentence }),
      });
      expect(response.status).to.equal(200);
    };

    it('merges what was changed elsewhere on other values', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
      await elsewhere('backgroundColour', '{lamp}', 'Evening: title: background in Desktop → Lamp');
      await type(driver, 'Padding top', 'Desktop', '40');
      await kept(driver);
      expect(await label(await cell(driver, 'Background', 'Desktop'))).to.equal(
        'Background in Desktop: Lamp, base value',
      );
      expect(await label(await cell(driver, 'Padding top', 'Desktop'))).to.equal(
        'Padding top in Desktop: 40, base value',
      );
    });

    it('asks when the same value was changed elsewhere, and does as told', async () => {
      const { driver } = bench;
      // Through the list, so that the way back is one within the application.
      await driver.get(bench.running.url);
      await (await byRole(driver, 'link', 'Open Brindle Hill Observatory in the workbench')).click();
      await selectInOutline(driver, 'Evening: title');
      await elsewhere('paddingTop', 70, 'Evening: title: padding top in Desktop → 70');
      await type(driver, 'Padding top', 'Desktop', '50');
      const dialog = await byRole(driver, 'dialog', 'The same values were changed elsewhere');
      expect(await dialog.getText())
        .to.include('padding top in Desktop → 70')
        .and.include('→ 50');
      await (await byRole(driver, 'button', 'Put mine on top')).click();
      await kept(driver);
      expect(await label(await cell(driver, 'Padding top', 'Desktop'))).to.equal(
        'Padding top in Desktop: 50, base value',
      );
      await elsewhere('paddingTop', 71, 'Evening: title: padding top in Desktop → 71');
      await pause(400);
      await type(driver, 'Padding top', 'Desktop', '51');
      await byRole(driver, 'dialog', 'The same values were changed elsewhere');
      await driver.navigate().back();
      await pause(300);
      expect(await driver.getCurrentUrl(), 'no way out that drops the edit').to.match(/pages\/home$/);
      await (await byRole(driver, 'button', 'Take theirs, drop mine')).click();
      await eventually(
        'their value',
        async () =>
          (await label(await cell(driver, 'Padding top', 'Desktop'))) ===
          'Padding top in Desktop: 71, base value',
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
