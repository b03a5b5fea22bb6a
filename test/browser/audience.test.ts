/** What is for signed-in or signed-out visitors: chosen in the workbench, looked at as each of them, and tried at the host. */
import { expect } from 'chai';
import { By } from 'selenium-webdriver';
import { byRole, eventually } from './browser.ts';
import { card, closeCard, inSheet, kept, expectStep, selectInOutline, useBench } from './workbench.ts';

describe('what is for some visitors only', function () {
  this.timeout(120_000);
  const bench = useBench();

  const option = async (field: string, choice: string) => {
    await (await byRole(bench.driver, 'combobox', field)).click();
    await (await byRole(bench.driver, 'option', choice)).click();
  };
  const seen = (id: string) =>
    inSheet<boolean>(bench.driver, 'Desktop', id, 'return element.getClientRects().length > 0');

  it('is chosen beside what is the same in every view, and looked at as each visitor', async () => {
    const { driver } = bench;
    await selectInOutline(driver, 'Moon phase strip');
    await option('Audience', 'signed-in visitors');
    await expectStep(driver, 'Moon phase strip: for signed-in visitors');
    await selectInOutline(driver, 'Lead paragraph');
    await option('Audience', 'signed-out visitors');
    await expectStep(driver, 'Lead paragraph: for signed-out visitors');
    await selectInOutline(driver, 'Headline');
    expect([await seen('moon-strip'), await seen('lead')]).to.deep.equal([true, true]);
    await option('Seen by', 'Signed out');
    await eventually('the strip is gone', async () => ((await seen('moon-strip')) ? undefined : true));
    expect(await seen('lead')).to.equal(true);
    await (await byRole(driver, 'button', /^Not shown( \d+)?$/)).click();
    await byRole(driver, 'listitem', 'Moon phase strip: for other visitors');
    await (await byRole(driver, 'button', 'Tree')).click();
    await option('Seen by', 'Signed in');
    await eventually('the lead is gone', async () => ((await seen('lead')) ? undefined : true));
    expect(await seen('moon-strip')).to.equal(true);
    // What is selected is seen, whoever looks.
    await selectInOutline(driver, 'Lead paragraph');
    await eventually('the lead is seen', async () => ((await seen('lead')) ? true : undefined));
    await option('Seen by', 'All visitors');
    await kept(driver);
  });

  it('is tried at the host, where a name is enough to sign in', async () => {
    const { driver, running } = bench;
    await selectInOutline(driver, 'Book a night');
    const inside = await card(driver, 'Leads to', 'Desktop');
    await (await byRole(driver, 'combobox', /./, { inside })).click();
    await (await byRole(driver, 'option', 'where visitors sign in')).click();
    await closeCard(driver);
    await kept(driver);
    const answer = await fetch(`${running.url}/api/sites/brindle-hill/publications`, { method: 'POST' });
    const { url } = (await answer.json()) as { url: string };
    await driver.get(url);
    expect(await driver.findElements(By.css('.n-moon-strip'))).to.have.length(0);
    await (await byRole(driver, 'link', 'Book a night')).click();
    await (await byRole(driver, 'textbox', 'Your name')).sendKeys('Ada');
    await (await byRole(driver, 'button', 'Sign in')).click();
    await eventually('what is for members', async () =>
      (await driver.findElements(By.css('.n-moon-strip'))).length === 1 ? true : undefined,
    );
    expect(await driver.getCurrentUrl()).to.equal(url);
    expect(await driver.findElements(By.css('.n-lead'))).to.have.length(0);
    await driver.get(`${url}sign-out/`);
    await (await byRole(driver, 'button', 'Sign out')).click();
    await eventually('what is for everyone', async () =>
      (await driver.findElements(By.css('.n-lead'))).length === 1 ? true : undefined,
    );
  });

  it('may be a whole page, chosen where it is described: others find the way to sign in there', async () => {
    const { driver, running } = bench;
    await driver.get(`${running.url}/sites/brindle-hill/pages`);
    await (await byRole(driver, 'button', /^Visits/)).click();
    await option('Who can see it', 'signed-in visitors');
    await expectStep(driver, 'Visits: for signed-in visitors');
    await byRole(driver, 'textbox', 'Notice in its place');
    await kept(driver);
    await driver.get(`${running.url}/sites/brindle-hill/pages/visits`);
    const own = () =>
      inSheet<number>(
        driver,
        'Desktop',
        'shared-head-head',
        'return [...element.ownerDocument.querySelectorAll("main > *")].filter((each) => each.checkVisibility()).length',
      );
    await eventually('the page', async () => (await own()) > 1);
    await option('Seen by', 'Signed out');
    const says = () =>
      inSheet<string>(
        driver,
        'Desktop',
        'shared-head-head',
        'return element.ownerDocument.querySelector("main").innerText.replace(/\\s+/g, " ").trim()',
      );
    // What they are told is there in its place, between what all pages share.
    await eventually(
      'the notice',
      async () => (await says()) === 'Visits This page is for visitors who are signed in. Sign in',
    );
    // What is selected is seen, whoever looks; in its own place.
    await selectInOutline(driver, 'Headline');
    await eventually('the heading', async () => (await says()).includes('Three ways up the hill'));
    expect(await says()).not.to.include('This page is for visitors');
    await selectInOutline(driver, 'Visits');
    await eventually('the notice again', async () => /^Visits This page is for/.test(await says()));
    await option('Seen by', 'Signed in');
    await eventually('the page for members', async () => (await own()) > 1);
    await option('Seen by', 'All visitors');
    const answer = await fetch(`${running.url}/api/sites/brindle-hill/publications`, { method: 'POST' });
    const { url } = (await answer.json()) as { url: string };
    await driver.get(`${url}visits/`);
    await byRole(driver, 'heading', 'Visits');
    expect(await (await driver.findElement(By.css('main'))).getText()).to.match(
      /This page is for visitors who are signed in\.\s+Sign in$/,
    );
    await (await byRole(driver, 'link', 'Sign in')).click();
    await (await byRole(driver, 'textbox', 'Your name')).sendKeys('Ada');
    await (await byRole(driver, 'button', 'Sign in')).click();
    await byRole(driver, 'heading', 'Three ways up the hill');
    expect(await driver.getCurrentUrl()).to.equal(`${url}visits/`);
  });
});
