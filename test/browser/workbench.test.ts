import { expect } from 'chai';
import { By, Key, type WebElement } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import { byRole, eventually, pause, resize } from './browser.ts';
import {
  cell,
  chooseReach,
  chooseView,
  computed,
  inSheet,
  kept,
  label,
  openBench,
  pointAt,
  saysStep,
  selectInOutline,
  sheet,
  type,
  type Bench,
} from './workbench.ts';

describe('the workbench', function () {
  this.timeout(120_000);
  let bench: Bench;
  beforeEach(async () => {
    bench ??= await openBench();
    await resize(bench.driver, 1280, 800);
    await bench.open();
  });
  after(() => bench?.end());

  const press = (...keys: string[]) =>
    bench.driver
      .actions()
      .sendKeys(...keys)
      .perform();
  const chord = (held: string, key: string) =>
    bench.driver.actions().keyDown(held).sendKeys(key).keyUp(held).perform();
  const focused = async () => (await bench.driver.switchTo().activeElement()).getAccessibleName();
  const focusedCell = (name: RegExp) =>
    eventually(`the focus on ${String(name)}`, async () => name.test(await focused()));

  describe('values', () => {
    it('walk with the arrows, edit with Enter, Shift+Enter and Alt+Enter, clear with Delete', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
      await chooseReach(driver, 'Onward');
      await (await cell(driver, 'Line height', 'Desktop')).click();
      await press(Key.ARROW_RIGHT);
      await focusedCell(/^Line height in Tablet/);
      await press(Key.ARROW_DOWN);
      await focusedCell(/^Weight in Tablet/);
      await press(Key.ARROW_UP, Key.HOME);
      await focusedCell(/^Line height in Wide/);
      await press(Key.END);
      await focusedCell(/^Line height in Mobile/);

      await type(driver, 'Line height', 'Tablet', '1.3');
      await saysStep(driver, 'Evening: title: line height in Tablet and onward 1.15 → 1.3');
      await focusedCell(/^Line height in Tablet: 1.3, override, onward/);
      await type(driver, 'Line height', 'Mobile', '1.4', [Key.SHIFT, Key.ENTER]);
      expect(await label(await cell(driver, 'Line height', 'Mobile'))).to.equal(
        'Line height in Mobile: 1.4, override, here',
      );
      await type(driver, 'Line height', 'Wide', '1.2', [Key.ALT, Key.ENTER]);
      await saysStep(driver, 'Evening: title: line height in every view 1.15 → 1.2');
      expect(await label(await cell(driver, 'Line height', 'Mobile'))).to.equal('Line height in Mobile: 1.2');
      expect(await label(await cell(driver, 'Line height', 'Desktop'))).to.equal(
        'Line height in Desktop: 1.2, base value',
      );
      await (await cell(driver, 'Line height', 'Desktop')).click();
      await press(Key.DELETE);
      await saysStep(driver, 'Evening: title: line height in Desktop cleared');
      expect(await label(await cell(driver, 'Line height', 'Desktop'))).to.equal(
        'Line height in Desktop: 1.15',
      );
    });

    it('say what is wrong with typed text, keep the old value, and give up with Escape', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
      const before = await label(await cell(driver, 'Weight', 'Tablet'));
      await type(driver, 'Weight', 'Tablet', '5000');
      expect(
        await (
          await eventually(
            'the refusal',
            async () => (await driver.findElements(By.css('[role=grid] [role=alert]')))[0],
          )
        ).getText(),
      ).to.equal('“5000” is not a whole number from 100 to 900.');
      await press(Key.ESCAPE);
      await focusedCell(/^Weight in Tablet/);
      expect(await label(await cell(driver, 'Weight', 'Tablet'))).to.equal(before);
    });

    it('step with the arrows while typing, and copy from cell to cell', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Evening: title');
      await chooseReach(driver, 'Here');
      await (await cell(driver, 'Weight', 'Wide')).click();
      await press(Key.ENTER);
      await byRole(driver, 'textbox', 'Weight in Wide');
      await press(Key.ARROW_UP, Key.ARROW_UP, Key.ARROW_DOWN, Key.ENTER);
      await saysStep(driver, 'Evening: title: weight in Wide 600 → 650');
      await chord(Key.CONTROL, 'c');
      await press(Key.END);
      await focusedCell(/^Weight in Mobile/);
      await chord(Key.CONTROL, 'v');
      await saysStep(driver, 'Evening: title: weight in Mobile 600 → 650');
    });

    it('change the reach of an override by drawing its end, and by a key', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Three objects');
      await type(driver, 'Gap', 'Tablet', '31', [Key.SHIFT, Key.ENTER]);
      const end = await (await cell(driver, 'Gap', 'Tablet')).findElement(By.css('[data-reach-handle]'));
      const draw = (element: WebElement, x: number) =>
        driver
          .actions({ async: true })
          .move({ origin: element })
          .press()
          .move({ origin: element, x, y: 0, duration: 100 })
          .release()
          .perform();
      await draw(end, 50);
      await saysStep(driver, 'Three objects: gap now holds in Tablet and onward');
      expect(await label(await cell(driver, 'Gap', 'Mobile'))).to.equal('Gap in Mobile: 31');
      await (await cell(driver, 'Gap', 'Tablet')).click();
      await driver.actions().keyDown(Key.ALT).sendKeys(Key.ARROW_LEFT).keyUp(Key.ALT).perform();
      await saysStep(driver, 'Three objects: gap now holds in Tablet only');
      expect(await label(await cell(driver, 'Gap', 'Mobile'))).to.equal('Gap in Mobile: 16');
    });

    it('tell where a value comes from', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Dome picture');
      await (await cell(driver, 'Columns', 'Mobile')).click();
      const trace = async () => (await driver.findElement(By.css('[aria-label="Trace"]'))).getText();
      await eventually(
        'the trace',
        async () =>
          (await trace()) === 'Columns in Mobile: 4 of 4, set in Tablet · instead of 5 of 12 in Desktop',
      );
      await selectInOutline(driver, 'Lead paragraph');
      await (await cell(driver, 'Size', 'Wide')).click();
      await eventually(
        'the trace',
        async () => (await trace()) === 'Size in Wide: 23, from the text style Lead, Wide',
      );
    });

    it('are chosen in the editor that suits them', async () => {
      const { driver } = bench;
      const open = async (property: string, view: string) => {
        await (await cell(driver, property, view)).click();
        await press(Key.ENTER);
        return byRole(driver, 'dialog', `${property} in ${view}`);
      };
      await selectInOutline(driver, 'Evening: title');
      await chooseReach(driver, 'Here');
      const inside = await open('Colour', 'Mobile');
      await (await byRole(driver, 'button', 'Lamp', { inside })).click();
      await saysStep(driver, 'Evening: title: colour in Mobile Ink → Lamp');
      await pause(300);
      await open('Align text', 'Tablet');
      await (await byRole(driver, 'menuitem', 'end')).click();
      await saysStep(driver, 'Evening: title: align text in Tablet centre → end');
      await pause(300);
      await selectInOutline(driver, 'Dome picture');
      await open('Picture', 'Mobile');
      await (await byRole(driver, 'button', 'Telescope')).click();
      await saysStep(driver, 'Dome picture: picture in Mobile Dome, close → Telescope');
      await chooseView(driver, 'Mobile');
      expect(
        await inSheet<string>(driver, 'Mobile', 'dome', 'return element.querySelector("img").currentSrc'),
      ).to.match(/telescope$/);
      await selectInOutline(driver, 'Headline');
      await open('Size', 'Wide');
      await (await byRole(driver, 'button', 'Fluid')).click();
      const largest = await byRole(driver, 'textbox', 'Largest');
      await largest.sendKeys(Key.chord(Key.CONTROL, 'a'), '96');
      await (await byRole(driver, 'button', 'Set size')).click();
      await saysStep(driver, 'Headline: size in Wide 80 → fluid 80–96');
    });

    it('that are the same in every view stand in their own group', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Dome picture');
      const field = await byRole(driver, 'textbox', 'Text alternative', {
        inside: await byRole(driver, 'region', 'Same in every view'),
      });
      await field.sendKeys(Key.chord(Key.CONTROL, 'a'), 'A dome.', Key.ENTER);
      await saysStep(driver, 'Dome picture: text alternative changed in every view');
      expect(
        await inSheet<string>(driver, 'Desktop', 'dome', 'return element.querySelector("img").alt'),
      ).to.equal('A dome.');
    });
  });

  describe('the outline', () => {
    it('walks with the keyboard, folds, shows and hides, and renames', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Moon phases');
      await chooseReach(driver, 'Here');
      await selectInOutline(driver, 'Moon phases');
      await press(Key.ARROW_LEFT);
      await byRole(driver, 'grid', 'Values of Moon phase strip');
      await press(Key.ARROW_LEFT);
      const row = () =>
        driver
          .findElement(By.css('[data-row="moon-strip"]'))
          .then((element) => element.getAttribute('aria-expanded'));
      await eventually('the fold', async () => (await row()) === 'false');
      await press(Key.ARROW_RIGHT);
      await eventually('the unfolding', async () => (await row()) === 'true');
      await press(Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ARROW_RIGHT);
      await focusedCell(/^Moon phase strip in Tablet: shown/);
      await press(' ');
      await saysStep(driver, 'Moon phase strip: hidden in Tablet');
      await focusedCell(/^Moon phase strip in Tablet: not shown/);
      await press(' ');
      await saysStep(driver, 'Moon phase strip: shown in Tablet');
      await press(Key.F2);
      const field = await byRole(driver, 'textbox', 'New name of Moon phase strip');
      await field.sendKeys('Phases of the moon', Key.ENTER);
      await saysStep(driver, 'Moon phase strip: renamed to Phases of the moon');
      await chord(Key.CONTROL, 'z');
      await saysStep(driver, 'Undone: Moon phase strip: renamed to Phases of the moon');
    });
  });

  describe('the desk', () => {
    it('selects by a click in any sheet, and Escape lets go', async () => {
      const { driver } = bench;
      await (await byRole(driver, 'button', 'Side by side')).click();
      await driver
        .actions()
        .move(await pointAt(driver, 'Mobile', 'book'))
        .click()
        .perform();
      await byRole(driver, 'grid', 'Values of Book a night');
      expect(await driver.getCurrentUrl()).to.match(/pages\/home$/);
      await press(Key.ESCAPE);
      await eventually(
        'nothing selected',
        async () => (await driver.findElements(By.css('[role=grid]'))).length === 0,
      );
      await (await byRole(driver, 'button', 'One sheet')).click();
    });

    it('has a marker that goes through all widths, by keys and by hand', async () => {
      const { driver } = bench;
      const marker = await byRole(driver, 'slider', 'Width of the sheet');
      const width = async () => Number(await marker.getAttribute('aria-valuenow'));
      await chooseView(driver, 'Tablet');
      await marker.sendKeys(Key.PAGE_DOWN, Key.ARROW_LEFT);
      expect(await width()).to.equal(639);
      await sheet(driver, 'Mobile');
      expect(await inSheet<number>(driver, 'Mobile', 'page', 'return window.innerWidth')).to.equal(639);
      await marker.sendKeys(Key.ARROW_RIGHT);
      await sheet(driver, 'Tablet');
      await driver
        .actions({ async: true })
        .move({ origin: marker })
        .press()
        .move({ origin: marker, x: 120, y: 0, duration: 150 })
        .release()
        .perform();
      const drawn = await width();
      expect(drawn).to.be.within(800, 1000);
      await eventually(
        'the sheet at the marker',
        async () => (await inSheet<number>(driver, 'Tablet', 'page', 'return window.innerWidth')) === drawn,
      );
    });

    it('shows what is hidden as ghosts when asked', async () => {
      const { driver } = bench;
      await chooseView(driver, 'Mobile');
      expect(await computed(driver, 'Mobile', 'moon-strip', 'display')).to.equal('none');
      const ghosts = await byRole(driver, 'checkbox', 'Ghosts of hidden elements');
      await ghosts.click();
      await eventually(
        'the ghost',
        async () => (await computed(driver, 'Mobile', 'moon-strip', 'display')) === 'grid',
      );
      await ghosts.click();
      await eventually(
        'the ghost gone',
        async () => (await computed(driver, 'Mobile', 'moon-strip', 'display')) === 'none',
      );
    });

    it('edits text in place, with marks, as one step', async () => {
      const { driver } = bench;
      const frame = await sheet(driver, 'Desktop');
      await driver
        .actions()
        .move(await pointAt(driver, 'Desktop', 'lead'))
        .doubleClick()
        .perform();
      await byRole(driver, 'toolbar', 'Words of Lead paragraph');
      await driver.switchTo().frame(frame);
      await driver
        .actions()
        .keyDown(Key.CONTROL)
        .sendKeys('a')
        .keyUp(Key.CONTROL)
        .sendKeys('Stars, ')
        .keyDown(Key.CONTROL)
        .sendKeys('b')
        .keyUp(Key.CONTROL)
        .sendKeys('bold')
        .perform();
      await driver.switchTo().defaultContent();
      await (await byRole(driver, 'button', 'Done')).click();
      await saysStep(driver, 'Lead paragraph: words changed in every view');
      expect(await inSheet<string>(driver, 'Desktop', 'lead', 'return element.innerHTML')).to.equal(
        '<p>Stars, <strong>bold</strong></p>',
      );
      expect(
        await inSheet<string>(
          driver,
          'Desktop',
          'lead',
          'return element.getAttribute("contenteditable") + element.className',
        ),
      ).to.equal('nulltext t-lead n-lead');
      await chord(Key.CONTROL, 'z');
      await eventually('the old words', async () =>
        (await inSheet<string>(driver, 'Desktop', 'lead', 'return element.textContent')).startsWith(
          'Public stargazing',
        ),
      );
    });

    it('edits a heading as one run, ends with Escape, and cleans what is pasted', async () => {
      const { driver } = bench;
      const frame = await sheet(driver, 'Desktop');
      await driver
        .actions()
        .move(await pointAt(driver, 'Desktop', 'headline'))
        .doubleClick()
        .perform();
      await byRole(driver, 'toolbar', 'Words of Headline');
      await driver.switchTo().frame(frame);
      await driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).perform();
      await driver.switchTo().defaultContent();
      await driver.executeScript(
        `const frame = arguments[0]; const data = new DataTransfer(); data.setData('text/html', '<h2 onclick="window.top.hacked=1">Pasted <img src=x onerror="window.top.hacked=1"><b>sky</b></h2>');
        frame.contentDocument.querySelector('.n-headline').dispatchEvent(new frame.contentWindow.ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`,
        frame,
      );
      await driver.switchTo().frame(frame);
      await press(Key.ESCAPE);
      await driver.switchTo().defaultContent();
      await saysStep(driver, 'Headline: words changed in every view');
      expect(await inSheet<string>(driver, 'Desktop', 'headline', 'return element.innerHTML'))
        .to.match(/Pasted\s*<strong>sky<\/strong>$/)
        .and.not.match(/<img|<h2|onclick/);
      expect(await driver.executeScript('return window.hacked')).to.equal(null);
      await chord(Key.CONTROL, 'z');
    });
  });

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
      await press(Key.ESCAPE);
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
        body: JSON.stringify({ operations, sentence }),
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
