/** Where links lead: pages, places on them, files, mail and telephones; and what is said of those that lead nowhere. */
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { byRole, eventually, still } from './browser.ts';
import {
  card,
  closeCard,
  kept,
  openWords,
  pointAt,
  expectStep,
  selectInOutline,
  useBench,
} from './workbench.ts';

describe('a link', function () {
  this.timeout(120_000);
  const bench = useBench();

  const choose = async (field: string, option: string | RegExp) => {
    await (await byRole(bench.driver, 'combobox', field)).click();
    await still(bench.driver);
    await (await byRole(bench.driver, 'option', option)).click();
    await eventually(
      'the list gone',
      async () => (await bench.driver.findElements(By.css('[role=listbox]'))).length === 0,
    );
  };
  const typeInto = async (field: string, text: string) => {
    const box = await byRole(bench.driver, 'textbox', field);
    await box.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
  };
  const linkOf = async (): Promise<unknown> => {
    await kept(bench.driver);
    const response = await fetch(`${bench.running.url}/api/sites/brindle-hill/pages/home`);
    const { page } = (await response.json()) as {
      page: { nodes: Record<string, { content: Record<string, unknown> }> };
    };
    return page.nodes.book.content.link;
  };

  it('of a button is chosen: a place on another page, a file, an email address, a telephone number, a web address', async () => {
    await selectInOutline(bench.driver, 'Book a night');
    await card(bench.driver, 'Leads to', 'Desktop');
    await choose('Leads to', 'a place on a page …');
    await choose('On the page', 'Telescope hire');
    await choose('Place', 'Prices and hours');
    await expectStep(bench.driver, 'Book a night: leads to in Desktop Visits → a place on Telescope hire');
    expect(await linkOf()).to.equal('page:hire#hire-prices');
    await choose('Leads to', 'a file from the shelf …');
    await choose('File', 'Milky Way');
    expect(await linkOf()).to.equal('shelf:milky-way');
    await choose('Leads to', 'an email address …');
    await typeInto('Email address', 'hello@brindlehill.example');
    expect(await linkOf()).to.equal('mailto:hello@brindlehill.example');
    await choose('Leads to', 'a telephone number …');
    await typeInto('Telephone number', '+44 1632 960 001');
    expect(await linkOf()).to.equal('tel:+44-1632-960-001');
    await choose('Leads to', 'another address …');
    await typeInto('Address', 'stars.example/tonight');
    expect(await linkOf()).to.equal('https://stars.example/tonight');
    await choose('Leads to', 'nowhere');
    expect(await linkOf()).to.equal('');
    await closeCard(bench.driver);
  });

  it('that leads to what is gone says so where it is set, and before publishing, with the way there', async () => {
    await bench.driver.get(`${bench.running.url}/sites/brindle-hill/pages`);
    await (await byRole(bench.driver, 'button', /^Visits/)).click();
    await (await byRole(bench.driver, 'button', 'Delete …')).click();
    const dialog = await byRole(bench.driver, 'dialog', 'Delete Visits');
    await (await byRole(bench.driver, 'checkbox', /Remove these links/, { inside: dialog })).click();
    await (await byRole(bench.driver, 'button', 'Delete', { inside: dialog })).click();
    await kept(bench.driver);
    await (await byRole(bench.driver, 'link', 'Publish …')).click();
    const publish = await byRole(bench.driver, 'region', 'Must be fixed before publishing');
    await eventually('the links that lead nowhere', async () =>
      /(?:leads to a page that no longer exists[^]*){3}/.test(await publish.getText()),
    );
    expect(await publish.getText()).to.match(/Page links on all pages leads to a page that no longer exists/);
    await (await byRole(bench.driver, 'button', 'Page links', { inside: publish })).click();
    await eventually(
      'the menu selected',
      async () =>
        (await bench.driver.findElements(By.css('[role=grid][aria-label="Values of Page links"]'))).length >
        0,
    );
    const links = await card(bench.driver, 'Links', 'Desktop');
    await eventually('a link that says what is gone', async () =>
      /The page it led to no longer exists/.test(await links.getText()),
    );
    await closeCard(bench.driver);
    await (await byRole(bench.driver, 'button', /^Undo: Page Visits: deleted/)).click();
    await kept(bench.driver);
  });

  it('in words is chosen the same way', async () => {
    await openWords(bench.driver, 'Desktop', 'lead', 'Lead paragraph');
    await bench.driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).perform();
    await (await byRole(bench.driver, 'button', 'Link')).click();
    await choose('Leads to', 'Find us');
    const { x: awayX, y: awayY } = await pointAt(bench.driver, 'Desktop', 'dome');
    await bench.driver.actions().move({ x: awayX, y: awayY }).click().perform();
    await kept(bench.driver);
    const response = await fetch(`${bench.running.url}/api/sites/brindle-hill/pages/home`);
    expect(await response.text()).to.include('<a href=\\"page:find-us\\">');
  });
});
