import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { byRole, eventually, resize, still } from './browser.ts';
import {
  chooseReach,
  chooseView,
  computed,
  inSheet,
  openWords,
  pointAt,
  expectStep,
  selectInOutline,
  sheet,
  useBench,
} from './workbench.ts';

describe('the workbench: outline and desk', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { press, chord, focusedCell } = bench;

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
      await expectStep(driver, 'Moon phase strip: hidden in Tablet');
      await focusedCell(/^Moon phase strip in Tablet: not shown/);
      await press(' ');
      await expectStep(driver, 'Moon phase strip: shown in Tablet');
      await press(Key.F2);
      const field = await byRole(driver, 'textbox', 'New name of Moon phase strip');
      await field.sendKeys('Phases of the moon', Key.ENTER);
      await expectStep(driver, 'Moon phase strip: renamed to Phases of the moon');
      await chord(Key.CONTROL, 'z');
      await expectStep(driver, 'Undone: Moon phase strip: renamed to Phases of the moon');
    });

    it('is narrowed by name, by kind and by what the active view does, and lists what differs', async () => {
      const { driver } = bench;
      const names = async () =>
        driver.executeScript<string[]>(
          `return [...document.querySelectorAll('[role=treegrid] [data-column="-1"]')].map((cell) => cell.title)`,
        );
      await chooseView(driver, 'Mobile');
      const find = await byRole(driver, 'textbox', 'Find in the outline');
      await find.sendKeys('headl');
      await eventually(
        'the found one with those above it',
        async () =>
          (await names()).join(' > ') ===
          'Home > Hero: the dome opens at dusk > Row: text + dome > Text > Headline',
      );
      await find.sendKeys(Key.ESCAPE);
      const rows = async () =>
        Number(await (await byRole(driver, 'treegrid', 'Outline')).getAttribute('aria-rowcount'));
      await eventually('all again', async () => (await rows()) > 50);
      await (await byRole(driver, 'button', /^Not shown( \d+)?$/)).click();
      const absent = await byRole(driver, 'list', 'Not shown in Mobile');
      const said = async () =>
        Promise.all(
          (await absent.findElements(By.css('[role=listitem]'))).map((each) =>
            each.getAttribute('aria-label'),
          ),
        );
      await eventually('the hidden one', async () =>
        (await said()).includes('Moon phase strip: hidden itself'),
      );
      await (await byRole(driver, 'button', 'What differs')).click();
      const table = await byRole(driver, 'table', 'What differs in Mobile');
      const line = await eventually(
        'the line',
        async () => (await table.findElements(By.xpath('.//tr[td[1]="Headline" and td[2]="Size"]')))[0],
      );
      expect(await line.getText()).to.match(/^Headline\s+Size\s+34\s+36$/);
      await line.click();
      await focusedCell(/^Size in Mobile: 34, override, onward/);
      // By keys as well: each line is led by a button with the element's name.
      await (
        await (
          await byRole(driver, 'table', 'What differs in Mobile')
        ).findElement(By.xpath('.//tr[td[1]="Headline" and td[2]="Size"]//button'))
      ).sendKeys(Key.ENTER);
      await focusedCell(/^Size in Mobile: 34, override, onward/);
      await (await byRole(driver, 'button', 'Tree')).click();
    });
  });

  describe('the desk', () => {
    it('selects by a click in any sheet, and Escape lets go', async () => {
      const { driver } = bench;
      await (await byRole(driver, 'button', 'Side by side')).click();
      await driver.executeScript(
        'arguments[0].scrollIntoView({ inline: "end" })',
        await sheet(driver, 'Mobile'),
      );
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

    it('shows the base beside the active view when sheets are to stand side by side', async () => {
      const { driver } = bench;
      await chooseView(driver, 'Mobile');
      await (await byRole(driver, 'button', 'Side by side')).click();
      await sheet(driver, 'Desktop');
      await sheet(driver, 'Mobile');
      await (await byRole(driver, 'button', '2 of 4 views')).click();
      await (await byRole(driver, 'menuitemcheckbox', 'Tablet')).click();
      await sheet(driver, 'Tablet');
      await press(Key.ESCAPE);
      await (await byRole(driver, 'button', 'One sheet')).click();
      await chooseView(driver, 'Desktop');
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

    it('lets a block be drawn to another place by its name, stacked and side by side', async () => {
      const { driver } = bench;
      const draw = async (from: { x: number; y: number }, to: { x: number; y: number }) => {
        const actions = driver.actions({ async: true });
        await actions
          .move(from)
          .press()
          .move({ x: Math.round((from.x + to.x) / 2), y: Math.round((from.y + to.y) / 2), duration: 80 })
          .move({ ...to, duration: 80 })
          .release()
          .perform();
      };
      const grip = async () => {
        const [found] = await driver.findElements(By.css('[data-move-grip]'));
        const { x, y, width, height } = await found.getRect();
        return { x: Math.round(x + width / 2), y: Math.round(y + height / 2) };
      };
      await selectInOutline(driver, 'Card: Saturn');
      await still(driver);
      const cluster = await pointAt(driver, 'Desktop', 'cluster');
      await draw(await grip(), { x: cluster.x + 40, y: cluster.y });
      await expectStep(driver, 'Three objects: order of parts in Desktop 1·2·3 → 2·3·1');
      expect(await computed(driver, 'Desktop', 'saturn', 'order')).to.equal('2');
      await chord(Key.CONTROL, 'z');
      await resize(driver, 1280, 1200);
      await chooseView(driver, 'Mobile');
      await selectInOutline(driver, 'Dome image');
      await still(driver);
      // Over the lower edge of the column, which is at its last part.
      const words = await pointAt(driver, 'Mobile', 'book');
      await draw(await grip(), { x: words.x, y: words.y + 5 });
      await expectStep(driver, 'Row: text + dome: order of parts in Mobile 2·1 → 1·2');
      await chord(Key.CONTROL, 'z');
    });

    it('changes the columns of a block by its edges, in the view of the sheet, with a word on who moves', async () => {
      const { driver } = bench;
      await chooseView(driver, 'Desktop');
      await selectInOutline(driver, 'Dome image');
      const spans = () => computed(driver, 'Desktop', 'dome', 'grid-column-end');
      const right = await byRole(driver, 'slider', 'Columns of Dome image');
      const press = (x: number) => {
        const actions = driver.actions({ async: true });
        return actions.move({ origin: right }).press().move({ origin: right, x, y: 3, duration: 80 });
      };
      const says = (words: string) =>
        eventually(words, async () => (await driver.findElement(By.css('.span-words')).getText()) === words);
      // Given up: nothing changes.
      await press(-110).perform();
      await says('3 of 12 columns');
      await driver.actions().sendKeys(Key.ESCAPE).perform();
      await driver.actions().release().perform();
      expect(await spans()).to.equal('span 5');
      await press(-110).release().perform();
      await expectStep(driver, 'Dome image: columns in Desktop 5 → 3');
      expect(await spans()).to.equal('span 3');
      await chord(Key.CONTROL, 'z');
      await eventually('five columns', async () => (await spans()) === 'span 5');

      const left = await byRole(driver, 'slider', 'First column of Dome image');
      expect(await left.getAttribute('aria-valuetext')).to.equal('5 of 12 columns, from column 8');
      // Let go on the column where it stands: nothing is set.
      await driver
        .actions({ async: true })
        .move({ origin: left })
        .press()
        .move({ origin: left, x: -4, y: 3, duration: 80 })
        .perform();
      await says('5 of 12 columns, from column 8');
      await driver.actions().release().perform();
      await expectStep(driver, 'Undone: Dome image: columns in Desktop 5 → 3');
      await driver
        .actions({ async: true })
        .move({ origin: left })
        .press()
        .move({ origin: left, x: -60, y: 3, duration: 80 })
        .perform();
      await says('6 of 12 columns, from column 7\nDome image moves down');
      await driver.actions().release().perform();
      await expectStep(driver, 'Dome image: columns in Desktop 5 → 6, from column 7');
      await chord(Key.CONTROL, 'z');
    });

    it('changes the columns by the arrow keys too, with the chosen reach', async () => {
      const { driver } = bench;
      await chooseView(driver, 'Tablet');
      await selectInOutline(driver, 'Dome image');
      await chooseReach(driver, 'Here');
      const right = await byRole(driver, 'slider', 'Columns of Dome image');
      await right.click();
      await driver.actions().sendKeys(Key.ARROW_LEFT).perform();
      await expectStep(driver, 'Dome image: columns in Tablet 12 → 11');
      await driver.actions().sendKeys(Key.ARROW_LEFT).perform();
      await expectStep(driver, 'Dome image: columns in Tablet 11 → 10');
      expect(await computed(driver, 'Tablet', 'dome', 'grid-column-end')).to.equal('span 10');
      // Keys that come faster than what they do is shown are all heard.
      await driver
        .actions()
        .sendKeys(...Array.from({ length: 4 }, () => Key.ARROW_LEFT))
        .perform();
      await expectStep(driver, 'Dome image: columns in Tablet 7 → 6');
      for (let steps = 0; steps < 6; steps += 1) await chord(Key.CONTROL, 'z');
      await chooseReach(driver, 'Onward');
    });

    it('shows what is hidden as ghosts when asked', async () => {
      const { driver } = bench;
      await chooseView(driver, 'Mobile');
      expect(await computed(driver, 'Mobile', 'moon-strip', 'display')).to.equal('none');
      const ghosts = await byRole(driver, 'checkbox', 'Show ghosts');
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
      await openWords(driver, 'Desktop', 'lead', 'Lead paragraph');
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
      await expectStep(driver, /^Lead paragraph: text in Desktop .* → Stars, bold$/);
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

    it('edits a heading as one run, ends with Ctrl+Enter, and cleans what is pasted', async () => {
      const { driver } = bench;
      const frame = await sheet(driver, 'Desktop');
      await openWords(driver, 'Desktop', 'headline', 'Headline');
      await driver.switchTo().frame(frame);
      await driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).perform();
      await driver.switchTo().defaultContent();
      await driver.executeScript(
        `const frame = arguments[0]; const data = new DataTransfer(); data.setData('text/html', '<h2 onclick="window.top.hacked=1">Pasted <img src=x onerror="window.top.hacked=1"><b>sky</b></h2>');
        frame.contentDocument.querySelector('.n-headline').dispatchEvent(new frame.contentWindow.ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`,
        frame,
      );
      await driver.switchTo().frame(frame);
      await chord(Key.CONTROL, Key.ENTER);
      await driver.switchTo().defaultContent();
      await expectStep(driver, /^Headline: text in Desktop .* → Pasted sky$/);
      expect(await inSheet<string>(driver, 'Desktop', 'headline', 'return element.innerHTML'))
        .to.match(/Pasted\s*<strong>sky<\/strong>$/)
        .and.not.match(/<img|<h2|onclick/);
      expect(await driver.executeScript('return window.hacked')).to.equal(null);
      await chord(Key.CONTROL, 'z');
    });
  });
});
