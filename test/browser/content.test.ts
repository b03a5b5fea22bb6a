/** What is the same in every view: lists of entries, words with marks, and what visitors can do with the result. */
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import { byRole, eventually, visit } from './browser.ts';
import {
  card,
  closeCard,
  inSheet,
  kept,
  openWords,
  expectStep,
  selectInOutline,
  sheet,
  useBench,
} from './workbench.ts';

describe('the workbench: content', function () {
  this.timeout(120_000);
  const bench = useBench();
  const { press, chord } = bench;

  const openHire = async () => {
    await bench.driver.get(`${bench.running.url}/sites/brindle-hill/pages/hire`);
    await sheet(bench.driver, 'Desktop');
  };
  const same = () => byRole(bench.driver, 'region', 'Same in every view');
  const entry = (name: string) => byRole(bench.driver, 'group', name);
  const items = (id: string) =>
    inSheet<string[]>(
      bench.driver,
      'Desktop',
      id,
      'return [...element.querySelectorAll("li")].map((item) => item.innerHTML)',
    );
  /** Brings something into sight and presses it. */
  const hit = async (name: string, within: string) => {
    const button = await byRole(bench.driver, 'button', name, { inside: await entry(within) });
    await bench.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', button);
    await button.click();
  };

  describe('a list of entries', () => {
    beforeEach(openHire);

    it('is added to, moved in and taken from, each as a step that concerns every view', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'What to bring');
      const before = await items('hire-bring');
      await card(driver, 'Items', 'Desktop');
      await hit('Move item 1 down', 'item 1');
      await expectStep(driver, 'What to bring: items in Desktop changed');
      expect(await items('hire-bring')).to.deep.equal([before[1], before[0], ...before.slice(2)]);
      await hit('Add an item', 'Items');
      await eventually('one more', async () => (await items('hire-bring')).length === before.length + 1);
      expect((await items('hire-bring')).at(-1)).to.equal('New item');
      await hit('Remove item 1', 'item 1');
      await eventually('one less', async () => (await items('hire-bring')).length === before.length);
      const first = await byRole(driver, 'button', 'Move item 1 up', { inside: await entry('item 1') });
      expect(await first.isEnabled()).to.equal(false);
      await closeCard(driver);
      for (let steps = 0; steps < 3; steps++) await chord(Key.CONTROL, 'z');
      await eventually('all as before', async () => {
        const now = await items('hire-bring');
        return now.join('|') === before.join('|');
      });
    });

    it('has words with marks and links, edited where they are listed and kept with them', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'What to bring');
      const before = await items('hire-bring');
      expect(before[2]).to.match(/<a href/);
      await card(driver, 'Items', 'Desktop');
      const words = await byRole(driver, 'textbox', 'Text', { inside: await entry('item 3') });
      await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', words);
      await words.click();
      await driver
        .actions()
        .sendKeys(Key.END)
        .sendKeys(' And ')
        .keyDown(Key.CONTROL)
        .sendKeys('b')
        .keyUp(Key.CONTROL)
        .sendKeys('tea')
        .perform();
      await press(Key.ENTER);
      await expectStep(driver, 'What to bring: items in Desktop changed');
      expect((await items('hire-bring'))[2])
        .to.match(/^a torch with <a href="[^"]*">red glass<\/a>/)
        .and.match(/And <strong>tea<\/strong>$/);
      await driver.actions().sendKeys(' thrown away').perform();
      await closeCard(driver);
      expect((await items('hire-bring'))[2]).to.match(/<strong>tea<\/strong>$/);
      await kept(driver);
      await chord(Key.CONTROL, 'z');
      await eventually('as before', async () => (await items('hire-bring'))[2] === before[2]);
    });

    it('takes prices with their notes, and says what is wrong with an email address', async () => {
      const { driver } = bench;
      await selectInOutline(driver, 'Price list');
      await card(driver, 'Prices', 'Desktop');
      const price = await byRole(driver, 'textbox', 'Price', { inside: await entry('price 1') });
      await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', price);
      await price.click();
      await chord(Key.CONTROL, 'a');
      await press('a song', Key.ENTER);
      await expectStep(driver, 'Price list: prices in Desktop changed');
      await closeCard(driver);
      expect((await items('hire-price-list'))[0]).to.contain('a song');
      await selectInOutline(driver, 'Booking form');
      const mail = await byRole(driver, 'textbox', 'Email address, if not to Messages');
      await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', mail);
      await mail.click();
      await chord(Key.CONTROL, 'a');
      await press('hire@brindlehill.example');
      await press(Key.TAB);
      await expectStep(driver, /Booking form/);
      await mail.click();
      await chord(Key.CONTROL, 'a');
      await press('nobody at all');
      expect(await (await same()).getText()).to.match(/email address/);
      expect(await mail.getAttribute('aria-invalid')).to.equal('true');
      await press(Key.TAB);
      expect(await inSheet<string>(driver, 'Desktop', 'hire-form', 'return element.action')).to.equal(
        'mailto:hire@brindlehill.example',
      );
    });
  });

  it('makes a heading, a quote and a list of a text’s paragraphs, in place', async () => {
    const { driver } = bench;
    const frame = await sheet(driver, 'Desktop');
    await selectInOutline(driver, 'Lead paragraph');
    for (const [button, made] of [
      ['Heading', 'h3'],
      ['Quote', 'blockquote'],
      ['Numbered list', 'ol'],
    ] as const) {
      await openWords(driver, 'Desktop', 'lead', 'Lead paragraph');
      await (await byRole(driver, 'button', button)).click();
      expect(await (await byRole(driver, 'button', button)).getAttribute('aria-pressed')).to.equal('true');
      await (await byRole(driver, 'button', 'Done')).click();
      await expectStep(driver, 'Lead paragraph: text in Desktop changed');
      expect(await inSheet<string>(driver, 'Desktop', 'lead', 'return element.innerHTML')).to.match(
        new RegExp(`^<${made}>`),
      );
      await chord(Key.CONTROL, 'z');
      await eventually('a paragraph again', async () =>
        (await inSheet<string>(driver, 'Desktop', 'lead', 'return element.innerHTML')).startsWith('<p>'),
      );
    }
    expect(await frame.isDisplayed()).to.equal(true);
  });

  describe('a published form and a video', () => {
    it('is sent as mail once what must be filled in is, and plays by itself, silent, where it is to', async () => {
      const { driver, running } = bench;
      await openHire();
      await selectInOutline(driver, 'Video: turning sky');
      const plays = await byRole(driver, 'combobox', 'Plays');
      await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', plays);
      await plays.click();
      await (await byRole(driver, 'option', 'automatically, muted, in a loop')).click();
      await expectStep(driver, 'Video: turning sky: plays changed in every view');
      await kept(driver);
      await fetch(running.url + paths.publications('brindle-hill'), { method: 'POST' });
      // To who asked for less motion it would be a still picture.
      await driver.sendDevToolsCommand('Emulation.setEmulatedMedia', {
        features: [{ name: 'prefers-reduced-motion', value: 'no-preference' }],
      });
      await visit(driver, `${running.hostUrl}/brindle-hill/telescope-hire/`);
      const film = await driver.findElement(By.css('video'));
      await driver.executeScript('arguments[0].scrollIntoView()', film);
      const state = () =>
        driver.executeScript<{ paused: boolean; muted: boolean; loop: boolean; time: number }>(
          'const { paused, muted, loop, currentTime: time } = arguments[0]; return { paused, muted, loop, time }',
          film,
        );
      await eventually('the video plays', async () => {
        const now = await state();
        return !now.paused && now.time > 0;
      });
      expect(await state()).to.include({ muted: true, loop: true });

      // What a browser would hand to the mail program: a form is never sent while something is missing.
      await driver.executeScript(
        `window.sent = []; const form = document.querySelector('form');
         form.addEventListener('submit', (event) => { event.preventDefault(); window.sent.push([form.action, form.enctype, [...new FormData(form)].map((pair) => pair.join('='))]); });`,
      );
      const send = await byRole(driver, 'button', 'Ask for it');
      await send.click();
      expect(await driver.executeScript('return window.sent.length')).to.equal(0);
      await (await byRole(driver, 'textbox', /^Your name/)).sendKeys('Nell');
      await (await byRole(driver, 'textbox', /^Email address/)).sendKeys('nell@b.example');
      await (await byRole(driver, 'checkbox', 'Please put a blanket in')).click();
      await send.click();
      const [[action, enctype, fields]] =
        await driver.executeScript<[string, string, string[]][]>('return window.sent');
      expect([action, enctype]).to.deep.equal(['mailto:hire@brindlehill.example', 'text/plain']);
      expect(fields).to.include.members([
        'Your name=Nell',
        'Email address=nell@b.example',
        'Please put a blanket in=on',
      ]);
    });
  });
});
