/** Messages, from the form on the published page to the screen where they are read. */
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import type { LivePublication } from '../../api/responses.ts';
import { byRole, eventually } from './browser.ts';
import { useBench } from './workbench.ts';

describe('messages', function () {
  this.timeout(120_000);
  const bench = useBench();
  const press = async (role: string, name: string | RegExp) =>
    (await byRole(bench.driver, role, name)).click();
  const open = () => bench.driver.get(`${bench.running.url}/sites/brindle-hill/messages`);
  const says = (what: string | RegExp) =>
    eventually(`the page says ${what}`, async () => {
      const text = await bench.driver.executeScript<string>('return document.body.innerText');
      return typeof what === 'string' ? text.includes(what) : what.test(text);
    });
  const fill = async (name: string | RegExp, words: string) =>
    (await byRole(bench.driver, 'textbox', name)).sendKeys(words);
  const unread = () =>
    bench.driver.executeScript<number>('return document.querySelectorAll(".letter-new").length');
  let live: LivePublication;

  it('have a place that says what will arrive there', async () => {
    await open();
    await says(
      /No messages yet\. What visitors of the published site send with “Booking form” arrives here\./,
    );
  });

  it('are written in the published page, given back where something lacks, and thanked for', async () => {
    const { driver } = bench;
    const answer = await fetch(bench.running.url + paths.publications('brindle-hill'), { method: 'POST' });
    live = (await answer.json()) as LivePublication;
    await driver.get(`${live.url}telescope-hire/`);
    await fill(/^Your name/, 'Nell Ashby');
    await fill(/^What would you love/, 'Saturn');
    // What browsers look at is looked at again by the host, for those that do not.
    await driver.executeScript('document.querySelector("form").noValidate = true');
    await press('button', 'Ask for it');
    await says('This has not been sent yet. What you wrote is still here.');
    // A browser gives the focus once it has drawn the page.
    const focused = (what: string, script: string, is: string) =>
      eventually(what, async () => (await driver.executeScript(script)) === is);
    await focused('the focus on what is said', 'return document.activeElement.getAttribute("role")', 'alert');
    const mail = await byRole(driver, 'textbox', /^Email address/);
    expect(await mail.getAttribute('aria-invalid')).to.equal('true');
    expect(await (await byRole(driver, 'textbox', /^Your name/)).getAttribute('value')).to.equal(
      'Nell Ashby',
    );
    await press('link', 'Email address');
    await focused('the focus in the field', 'return document.activeElement.name', 'field-2');
    await driver.actions().sendKeys('nell@b.example', Key.ENTER).perform();
    await says('Thank you. We answer by daylight, in a day or two.');
    await focused('the focus on the thanks', 'return document.activeElement.className', 'sent');
    expect(
      await driver.executeScript('return getComputedStyle(document.querySelector(".trap")).position'),
    ).to.equal('absolute');
    // Seen again, it is not sent again.
    await driver.navigate().refresh();
    await says('Thank you. We answer by daylight, in a day or two.');
  });

  it('are listed unread, opened and read, and counted in the bar on top', async () => {
    const { driver } = bench;
    await open();
    await byRole(driver, 'link', /^Messages ?1/);
    await eventually('it is listed', async () => (await unread()) === 1);
    await press('button', /^(Not read )?Nell Ashby/);
    const message = await byRole(driver, 'region', 'Message');
    expect(await message.getText()).to.match(
      /Book a telescope[^]*sent from \/telescope-hire\/[^]*Your name\s+Nell Ashby[^]*Saturn[^]*blanket in\s+no/,
    );
    await byRole(driver, 'link', 'Messages');
    expect(await unread()).to.equal(0);
    await press('button', 'Mark as not read');
    await eventually('it is not read', async () => (await unread()) === 1);
    await press('button', /^Book a telescope ?1 new · 1$/);
    expect(await (await byRole(driver, 'link', 'Export as CSV')).getAttribute('href')).to.match(
      /letters\/hire-form\.csv$/,
    );
  });

  it('are put with those of robots and back, and deleted once that is confirmed', async () => {
    await open();
    await press('button', /^(Not read )?Nell Ashby/);
    await press('button', 'Spam');
    await says('There are no messages here.');
    await press('button', /^Possible spam/);
    await press('button', /Nell Ashby/);
    await press('button', 'Not spam');
    await press('button', /^All messages/);
    await press('checkbox', 'Choose the message: Nell Ashby');
    await press('button', 'Delete …');
    await press('button', 'Cancel');
    await byRole(bench.driver, 'checkbox', 'Choose the message: Nell Ashby');
    await press('button', 'Delete …');
    await press('button', 'Delete');
    await says(/No messages yet/);
  });

  it('are kept for a time of choice; a shorter one is asked about', async () => {
    const { driver } = bench;
    await open();
    await press('combobox', 'Keep messages');
    await press('option', 'for 30 days');
    await says('Older ones are deleted now');
    await press('button', 'Cancel');
    expect(await (await byRole(driver, 'combobox', 'Keep messages')).getText()).to.equal('for a year');
    await press('combobox', 'Keep messages');
    await press('option', 'for 30 days');
    await press('button', 'Change');
    await eventually(
      'it is said',
      async () => (await (await byRole(driver, 'combobox', 'Keep messages')).getText()) === 'for 30 days',
    );
  });
});
