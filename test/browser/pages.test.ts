/** The pages of a site: adding, copying, naming, ordering and deleting them, each a step that can be undone. */
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import type { LivePublication, PageResponse, SiteResponse } from '../../api/responses.ts';
import { byRole, eventually, resize } from './browser.ts';
import { addElement, fillField, sheet, useBench } from './workbench.ts';

describe('the pages of a site', function () {
  this.timeout(120_000);
  const bench = useBench();
  const SITE = 'brindle-hill';

  const press = async (role: string, name: string | RegExp) =>
    (await byRole(bench.driver, role, name)).click();
  const toPages = async () => {
    await bench.driver.get(`${bench.running.url}/sites/${SITE}/pages`);
    await byRole(bench.driver, 'heading', 'Pages');
  };
  const summary = async () =>
    (await (await fetch(bench.running.url + paths.site(SITE))).json()) as SiteResponse;
  const kept = (what: string, holds: (site: SiteResponse) => boolean) =>
    eventually(what, async () => (holds(await summary()) ? true : undefined));
  const slugs = (site: SiteResponse) => site.frame.pages.map(({ slug }) => slug || '/').join(' ');
  const field = (name: string, text: string) => fillField(bench.driver, name, text);
  const undone = async () => {
    await eventually('the dialog to have gone', async () =>
      (await bench.driver.findElements(By.css('[role=dialog]'))).length === 0 ? true : undefined,
    );
    await bench.driver.findElement(By.css('h1')).click();
    await bench.chord(Key.CONTROL, 'z');
  };

  it('are reached from the workbench and lead back to it', async () => {
    await press('link', 'Pages');
    await byRole(bench.driver, 'heading', 'Pages');
    expect(await bench.driver.getCurrentUrl()).to.match(/\/sites\/brindle-hill\/pages$/);
    await press('button', /^Visits/);
    await press('link', 'Open in the workbench');
    await sheet(bench.driver, 'Desktop');
    expect(await bench.driver.getCurrentUrl()).to.match(/\/pages\/visits$/);
  });

  it('are added empty behind the chosen one, with an address of their own, and that is one step', async () => {
    await toPages();
    await press('button', /^Visits/);
    await press('button', 'Add a page');
    await press('button', 'Add');
    const dialog = await byRole(bench.driver, 'dialog', 'Add a page');
    expect(await dialog.getText()).to.match(/A page has a title/);
    await (await byRole(bench.driver, 'textbox', 'Title', { inside: dialog })).sendKeys('Find us', Key.ENTER);
    await kept('the page', (site) => slugs(site) === '/ visits find-us-2 telescope-hire find-us');
    // An empty page says what comes next.
    await eventually('the dialog to have gone', async () =>
      (await bench.driver.findElements(By.css('[role=dialog]'))).length === 0 ? true : undefined,
    );
    await press('link', 'Open in the workbench');
    await press('button', 'Add to this page');
    await addElement(bench.driver, 'Section');
    const added = (await bench.driver.getCurrentUrl()).split('/').at(-1)!;
    await eventually('the section', async () => {
      const { page } = (await (
        await fetch(bench.running.url + paths.page(SITE, added))
      ).json()) as PageResponse;
      return Object.values(page.nodes).some(({ kind }) => kind === 'section') ? true : undefined;
    });
    await bench.chord(Key.CONTROL, 'z');
    await toPages();
    await undone();
    await kept('that it is gone', (site) => slugs(site) === '/ visits telescope-hire find-us');
  });

  it('find room beside each other in a narrow window, also with a long name', async () => {
    const { driver } = bench;
    await resize(driver, 1024, 768);
    await toPages();
    await press('button', /^Find us/);
    await field(
      'Name in the workbench',
      'How to find the workshop behind the old mill by the river and back again',
    );
    await eventually('the name', async () =>
      (await driver.findElements(By.css('section[aria-label^="Page How to find"]'))).length > 0
        ? true
        : undefined,
    );
    const [list, details] = await driver.executeScript<{ left: number; right: number }[]>(
      `return ['ul[aria-label="Pages"] > li > *', 'section[aria-label^="Page "] > *'].map((selector) => {
         const boxes = [...document.querySelectorAll(selector)].map((each) => each.getBoundingClientRect());
         return { left: Math.min(...boxes.map((box) => box.left)), right: Math.max(...boxes.map((box) => box.right)) };
       });`,
    );
    expect(list.right).to.be.below(details.left);
    expect(details.right).to.be.at.most(1024);
    await undone();
    await resize(driver, 1280, 800);
  });

  it('are copied with all that is on them, and published at their address', async () => {
    await toPages();
    await press('button', /^Telescope hire/);
    await press('button', 'Copy …');
    const dialog = await byRole(bench.driver, 'dialog', 'Add a page');
    await (
      await byRole(bench.driver, 'textbox', 'Title', { inside: dialog })
    ).sendKeys('Hire in winter', Key.ENTER);
    await kept('the copy', (site) => slugs(site) === '/ visits telescope-hire hire-in-winter find-us');
    const { pages } = await summary();
    expect(pages[3].overrides).to.deep.equal(pages[2].overrides);
    const { url } = (await (
      await fetch(bench.running.url + paths.publications(SITE), { method: 'POST' })
    ).json()) as LivePublication;
    const html = await (await fetch(`${url}hire-in-winter/`)).text();
    expect(html).to.include('<title>Hire in winter · Brindle Hill Observatory</title>');
    await undone();
    await kept('that it is gone', (site) => slugs(site) === '/ visits telescope-hire find-us');
  });

  it('get another title, address and description; one that another has is refused and stays typed', async () => {
    await toPages();
    await press('button', /^Visits/);
    await field('Address', 'find-us');
    const form = await byRole(bench.driver, 'region', 'Page Visits');
    await eventually('the refusal', async () =>
      (await form.getText()).includes('Not saved; it is still “visits”.') ? true : undefined,
    );
    await field('Address', 'come-up');
    await field('Title', 'Come up the hill');
    await kept('the change', ({ frame }) => {
      const head = frame.pages.find(({ id }) => id === 'visits')!;
      return head.slug === 'come-up' && head.title === 'Come up the hill';
    });
    const { steps } = (await (await fetch(bench.running.url + paths.steps(SITE))).json()) as {
      steps: { sentence: string }[];
    };
    expect(steps.slice(-2).map(({ sentence }) => sentence)).to.have.members([
      'Page Visits: title → Come up the hill',
      'Page Visits: address visits → come-up',
    ]);
    await undone();
    await undone();
    await kept('both as before', ({ frame }) => {
      const head = frame.pages.find(({ id }) => id === 'visits')!;
      return head.slug === 'visits' && head.title === 'Visits';
    });
  });

  it('say which image stands for a page where it is shared, while none is chosen', async () => {
    await toPages();
    await press('button', /^Home/);
    const choice = await byRole(bench.driver, 'combobox', 'Sharing image');
    expect(await choice.getText()).to.equal('automatic: Dome at dusk');
    await choice.click();
    await press('option', 'Saturn');
    await kept('the image is chosen', ({ frame }) => frame.pages[0].picture === 'saturn');
    await undone();
    await kept('no image is chosen', ({ frame }) => frame.pages[0].picture === undefined);
  });

  it('are moved in their order, and another becomes the home page', async () => {
    await toPages();
    await press('button', /^Find us/);
    await press('button', 'Move up');
    await kept('the order', (site) => slugs(site) === '/ visits find-us telescope-hire');
    await press('button', 'Make it the home page');
    await kept('the home page', (site) => slugs(site) === 'brindle-hill-observatory visits / telescope-hire');
    expect(await (await byRole(bench.driver, 'button', 'Delete …')).isEnabled()).to.equal(false);
    await undone();
    await undone();
    await kept('all as before', (site) => slugs(site) === '/ visits telescope-hire find-us');
  });

  it('are deleted after what links to them was told, with those links, and had back in one step', async () => {
    await toPages();
    await press('button', /^Visits/);
    await press('button', 'Delete …');
    const dialog = await byRole(bench.driver, 'dialog', 'Delete Visits');
    const told = await dialog.getText();
    for (const line of ['Page links on all pages', 'Book a night on Home', 'What to bring on Telescope hire'])
      expect(told).to.include(line);
    await press('button', 'Delete');
    await kept('the deletion', (site) => slugs(site) === '/ telescope-hire find-us');
    const file = await (await fetch(bench.running.url + paths.file(SITE))).text();
    expect(file).not.to.include('page:visits');
    await undone();
    await kept('all as before', (site) => slugs(site) === '/ visits telescope-hire find-us');
    expect(await (await fetch(bench.running.url + paths.file(SITE))).text()).to.include('page:visits');
  });

  it('stay with what another window does to them', async () => {
    await toPages();
    const { frame, revision } = await summary();
    const answer = await fetch(bench.running.url + paths.edits(SITE), {
      method: 'POST',
      headers: {
        'Content-Type': 'application/json',
        'Idempotency-Key': '"another-window-1"',
        'If-Match': `"${revision}"`,
      },
      body: JSON.stringify({
        operations: [{ op: 'set', path: '/frame/pages/hire/title', value: 'Telescopes to borrow' }],
        session: 'another',
        by: 'edit',
        sentence: 'Page Telescope hire: title → Telescopes to borrow',
      }),
    });
    expect(answer.status).to.equal(200);
    expect(frame.pages[2].title).to.equal('Telescope hire');
    await press('button', /^Telescope hire/);
    await eventually('the other title', async () =>
      (await (await byRole(bench.driver, 'textbox', 'Title')).getAttribute('value')) ===
      'Telescopes to borrow'
        ? true
        : undefined,
    );
  });

  it('have one name, one language and one sign for all of them, each a step that can be undone', async () => {
    await toPages();
    await press('button', /^Whole site/);
    await field('Name', 'The hill at night');
    await kept('the name', ({ frame }) => frame.name === 'The hill at night');
    await press('combobox', /^Language/);
    await press('option', 'German');
    await kept('the language', ({ frame }) => frame.lang === 'de');
    await press('combobox', /^Site icon/);
    await press('option', 'Saturn');
    await kept('the sign', ({ frame }) => frame.icon === 'saturn');
    await eventually('the sign', async () => bench.driver.findElement(By.css('img[alt="The icon: Saturn"]')));
    for (const holds of [
      ({ frame }: SiteResponse) => frame.icon === undefined,
      ({ frame }: SiteResponse) => frame.lang === 'en',
      ({ frame }: SiteResponse) => frame.name === 'Brindle Hill Observatory',
    ]) {
      await undone();
      await kept('what was before', holds);
    }
    await press('button', /^Visits/);
    await byRole(bench.driver, 'region', 'Page Visits');
  });

  it('tell visitors what the site says by itself in words of one’s own, in each language that it is written in', async () => {
    const { driver } = bench;
    await toPages();
    await press('button', /^Visits/);
    await press('combobox', /^Language/);
    await press('option', 'Welsh');
    await kept('the language', (site) => site.frame.pages.some(({ lang }) => lang === 'cy'));
    await press('button', /^Whole site/);
    await press('button', 'System messages …');
    const dialog = await byRole(driver, 'dialog', 'System messages');
    expect(await (await byRole(driver, 'textbox', 'This must be filled in.')).getAttribute('value')).to.equal(
      'This must be filled in.',
    );
    await press('combobox', /Language/);
    await press('option', 'Welsh');
    expect(await dialog.getText()).to.include(
      'There are no texts in Welsh yet. Until they are written here, visitors see them in English.',
    );
    const words = await byRole(driver, 'textbox', 'This must be filled in.');
    expect(await words.getAttribute('value')).to.equal('');
    await words.sendKeys('Rhaid llenwi hwn.', Key.ENTER);
    await kept('the text', ({ frame }) => frame.words?.cy?.needed === 'Rhaid llenwi hwn.');
    expect(await dialog.getText()).to.include('31 of these are not available in Welsh yet');
    // What has to be filled in has to be said.
    const many = await byRole(driver, 'textbox', /^This is too long/);
    await many.sendKeys('Rhy hir.', Key.ENTER);
    await eventually('the refusal', async () =>
      (await dialog.getText()).includes('Not saved; it is still empty.') ? true : undefined,
    );
    await (await byRole(driver, 'button', /^Reset to default: /, { inside: dialog })).click();
    await kept('the usual words', ({ frame }) => frame.words === undefined);
  });
});
