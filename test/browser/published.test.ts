/** Published pages at their edges: long words, wide gaps, images that come late, other directions, other ways of looking and of moving about. */
import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import { composed, knownKind, LOOKS, newSite, nodeClass, VIEW_SETS, type Site } from '../../core/index.ts';
import { files as pictures, home, made, node, onlyPages, site, view } from '../core/acting.ts';
import { eventually, openBrowser, resize, visit, type Browser } from './browser.ts';
import { everything } from './everything.ts';
import { fileServer, type FileServer } from './files.ts';

const WORD = 'Donaudampfschifffahrtselektrizitaetenhauptbetriebswerkbauunterbeamtengesellschaft';

/** Every text in a value replaced by one long word. */
const inLongWords = (value: unknown, key = ''): unknown => {
  if (typeof value === 'string')
    return ['picture', 'icon', 'type', 'link', 'to', 'file', 'poster', 'playing'].includes(key)
      ? value
      : WORD;
  if (Array.isArray(value)) return value.map((each) => inLongWords(each));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([name, each]) => [name, inLongWords(each, name)]));
};

/** Content for kinds that begin with little. */
const MORE: Record<string, Record<string, unknown>> = {
  navigation: { links: [{ label: 'a', link: '' }] },
  social: { links: [{ icon: 'mail', label: 'a', link: '' }] },
  hours: { hours: [{ day: 'a', hours: 'b' }] },
  form: {
    fields: ['text', 'lines', 'choice', 'tick'].map((type) => ({
      label: 'a',
      type,
      required: true,
      options: 'b',
    })),
  },
};

const set = (on: Site, nodes: string[], property: string, value: unknown): Site =>
  made(
    'setValue',
    { nodes: nodes.map(node), property, view: view('desktop'), value, reach: 'everywhere' },
    on.pages[home.id],
    on,
  ).site;

describe('published pages', function () {
  this.timeout(180_000);
  let browser: Browser;
  let files: FileServer;
  before(async () => {
    [browser, files] = await Promise.all([openBrowser(), fileServer()]);
  });
  after(async () => {
    await browser?.close();
    files?.close();
  });
  const { on: all, ids } = everything();
  const run = <T>(script: string, ...args: unknown[]) => browser.driver.executeScript<T>(script, ...args);
  const emulate = (features: { name: string; value: string }[]) =>
    browser.driver.sendDevToolsCommand('Emulation.setEmulatedMedia', { features });

  it('break a word of 81 letters in every kind of element, and are never wider than the window', async () => {
    let long = all;
    for (const [kind, elements] of ids) {
      for (const id of elements) {
        for (const { name, type, initial } of knownKind(kind).content) {
          if (type.editor === 'choice' || type.editor === 'yes or no' || type.editor === 'asset') continue;
          const value = MORE[kind]?.[name] ?? long.pages[home.id].nodes[id].content[name] ?? initial;
          const words = inLongWords(value, name);
          if (name === 'link' || name === 'to' || JSON.stringify(words) === JSON.stringify(value)) continue;
          long = made('setContent', { node: id, field: name, value: words }, long.pages[home.id], long).site;
        }
      }
    }
    const url = await files.put('long', long, pictures);
    for (const width of [320, 390, 700]) {
      await resize(browser.driver, width, 800);
      await visit(browser.driver, url);
      const wide = await run<string[]>(
        `const edge = document.documentElement.clientWidth;
         return [...document.querySelectorAll('body *')].filter((each) => each.getBoundingClientRect().right > edge + 0.5 && each.checkVisibility()).map((each) => each.tagName + '.' + each.className);`,
      );
      expect(wide, `at ${width} px`).to.deep.equal([]);
      expect(await run('return document.documentElement.scrollWidth')).to.be.at.most(width);
    }
  });

  it('give way in gaps before a row is wider than what it stands in', async () => {
    const url = await files.put('gaps', set(onlyPages(site, 'home'), ['opening-row'], 'gap', 400), pictures);
    for (const width of [320, 640, 1024, 1440, 2560]) {
      await resize(browser.driver, width, 800);
      await visit(browser.driver, url);
      const [inner, outer] = await run<number[]>(
        `const row = document.querySelector('.n-opening-row'); return [row.scrollWidth, row.clientWidth];`,
      );
      expect(inner, `at ${width} px`).to.be.at.most(outer);
    }
    // Where there is room for what was set, it is what was set.
    const modest = await files.put(
      'modest',
      set(onlyPages(site, 'home'), ['opening-row'], 'gap', 40),
      pictures,
    );
    await visit(browser.driver, modest);
    const gap = await run<number>(
      `const [one, other] = document.querySelector('.n-opening-row').children; return other.getBoundingClientRect().left - one.getBoundingClientRect().right;`,
    );
    expect(gap).to.be.closeTo(40, 0.5);
  });

  it('show a logo’s image in the views that have one and its words in the others, and fetch it only there', async () => {
    // A page that has the image nowhere else.
    const plain = onlyPages(site, 'find-us');
    const page = plain.pages[node('find-us')];
    const logo = Object.values(composed(plain.frame, page).nodes).find(({ kind }) => kind === 'logo')!.id;
    const args = {
      nodes: [logo],
      property: 'source',
      view: view('tablet'),
      value: 'saturn',
      reach: 'here' as const,
    };
    const on = made('setValue', args, page, plain).site;
    for (const [width, picture] of [
      [390, false],
      [800, true],
      [1280, false],
    ] as const) {
      await resize(browser.driver, width, 800);
      files.asked();
      // Under another address each time, so that nothing comes from the browser's own store.
      await visit(browser.driver, `${await files.put(`signs-${width}`, on, pictures)}find-us/`);
      const seen = await run<boolean[]>(
        `const logo = document.querySelector('.' + arguments[0]); return ['img', '.words'].map((part) => logo.querySelector(part).checkVisibility());`,
        nodeClass(logo),
      );
      expect(seen, `at ${width} px`).to.deep.equal([picture, !picture]);
      if (picture)
        await eventually('the image', async () =>
          run<boolean>(
            `return document.querySelector('.' + arguments[0] + ' img').naturalWidth > 0`,
            nodeClass(logo),
          ),
        );
      expect(
        files.asked().some((path) => path.includes(`signs-${width}`) && path.includes('/saturn-')),
        `fetched at ${width} px`,
      ).to.equal(picture);
    }
  });

  it('hold the room of images before they have come, however these are aligned', async () => {
    const frames = [...ids.get('picture')!, ...ids.get('logo')!];
    const { nodes } = all.pages[home.id];
    const [inOverlays, others] = [true, false].map((within) =>
      frames.filter((id) => (nodes[nodes[id].parent!].kind === 'overlay') === within),
    );
    for (const align of ['stretch', 'start', 'center', 'end']) {
      let aligned = set(all, others, 'blockAlign', align);
      aligned = set(aligned, inOverlays, 'heldAcross', align);
      aligned = set(aligned, ids.get('picture')!, 'source', 'dome-at-dusk');
      const url = await files.put(`late-${align}`, aligned, pictures);
      await resize(browser.driver, 1280, 800);
      // In a frame: the driver waits for a page of its own, and that would wait for the images.
      await browser.driver.get(`${files.url}/frame`);
      const inFrame = <T>(script: string, ...args: unknown[]) =>
        run<T>(
          `const { contentDocument: document } = window.document.getElementById('frame'); ${script}`,
          ...args,
        );
      const boxes = () =>
        inFrame<number[][]>(
          `return arguments[0].map((name) => { const { x, width, height } = document.querySelector('.' + name).getBoundingClientRect(); return [x, width, height].map(Math.round); });`,
          frames.map(nodeClass),
        );
      const release = files.hold(/\.(webp|avif)$/);
      await run(
        `const frame = document.getElementById('frame'); frame.style.width = '1280px'; frame.src = arguments[0];`,
        url,
      );
      await eventually('the page without its images', async () =>
        (await inFrame<boolean>(
          `const sheet = document.querySelector('link[rel=stylesheet]')?.sheet; return !!sheet && !!document.querySelector('.' + arguments[0]);`,
          nodeClass(frames.at(-1)!),
        ))
          ? true
          : undefined,
      );
      const before = await boxes();
      expect(await inFrame('return [...document.images].every((each) => each.naturalWidth === 0)')).to.equal(
        true,
      );
      release();
      await inFrame(`for (const each of document.images) each.loading = 'eager'`);
      await eventually('the images', async () =>
        (await inFrame<boolean>(
          'return [...document.images].every((each) => each.complete && each.naturalWidth > 0)',
        ))
          ? true
          : undefined,
      );
      expect(await boxes(), align).to.deep.equal(before);
      expect(Math.min(...before.flatMap(([, width, height]) => [width, height])), align).to.be.greaterThan(
        20,
      );
    }
  });

  it('are mirrored where their language is written from right to left', async () => {
    const arabic = set(onlyPages(site, 'home'), ['headline'], 'paddingLeft', 60);
    const url = await files.put('rtl', { ...arabic, frame: { ...arabic.frame, lang: 'ar' } }, pictures);
    await resize(browser.driver, 1280, 800);
    await visit(browser.driver, url);
    const style = await run<string[]>(
      `const style = getComputedStyle(document.querySelector('.n-headline')); return [style.direction, style.paddingRight, style.paddingLeft];`,
    );
    expect(style).to.deep.equal(['rtl', '60px', '0px']);
    const [words, dome] = await run<number[]>(
      `return [...document.querySelector('.n-opening-row').children].map((each) => each.getBoundingClientRect().left)`,
    );
    expect(words).to.be.greaterThan(dome);
  });

  it('show dividers and buttons in a person’s own colours, and a still image to who asked for less motion', async () => {
    let still = all;
    const [film] = ids.get('video')!;
    for (const [field, value] of Object.entries({ playing: 'always', poster: 'saturn' }))
      still = made('setContent', { node: film, field, value }, still.pages[home.id], still).site;
    const url = await files.put('looks', still, pictures);
    await resize(browser.driver, 1280, 800);
    const seen = () =>
      run<string[]>(
        `const style = (selector) => getComputedStyle(document.querySelector(selector));
         return [style('.n-' + arguments[0] + ' video').display, style('.n-' + arguments[0] + ' .still').display, style('.divider').borderTopStyle, style('.button').outlineColor];`,
        film,
      );
    await emulate([{ name: 'prefers-reduced-motion', value: 'no-preference' }]);
    await visit(browser.driver, url);
    expect(await seen()).to.deep.equal(['block', 'none', 'solid', 'rgba(0, 0, 0, 0)']);
    await emulate([
      { name: 'prefers-reduced-motion', value: 'reduce' },
      { name: 'forced-colors', value: 'active' },
    ]);
    const [video, picture, line, outline] = await seen();
    expect([video, picture, line]).to.deep.equal(['none', 'block', 'solid']);
    expect(outline).not.to.equal('rgba(0, 0, 0, 0)');
    await emulate([]);
  });

  it('have a menu whose list goes when the focus goes elsewhere, and that can be closed from within', async () => {
    const { driver } = browser;
    const menu = Object.values(composed(site.frame, home).nodes).find(
      ({ kind }) => kind === 'navigation',
    )!.id;
    const links = [
      { label: 'Home', link: 'page:home' },
      { label: 'Below', link: '#headline' },
    ];
    const linked = made(
      'setContent',
      { node: menu, field: 'links', value: links },
      home,
      onlyPages(site, 'home'),
    ).site;
    const url = await files.put('menu', linked, pictures);
    await resize(driver, 390, 800);
    await visit(driver, url);
    const isOpen = () => run<boolean>(`return document.querySelector('.n-${menu} ul').checkVisibility()`);
    const focused = () => run<string>('return document.activeElement.textContent');
    const opener = await driver.findElement(By.css(`.n-${menu} > button`));
    expect(await isOpen()).to.equal(false);
    await opener.click();
    expect(await isOpen()).to.equal(true);
    expect(await run(`return document.querySelector('[aria-current]').textContent`)).to.equal('Home');
    for (const name of ['Close', 'Home', 'Below']) {
      await driver.actions().sendKeys(Key.TAB).perform();
      expect(await focused()).to.equal(name);
      expect(await isOpen()).to.equal(true);
    }
    await driver.actions().sendKeys(Key.TAB).perform();
    expect(await focused()).not.to.equal('Below');
    expect(await isOpen(), 'with the focus behind it').to.equal(false);
    await visit(driver, url);
    await driver.findElement(By.css(`.n-${menu} > button`)).click();
    await driver.findElement(By.css(`.n-${menu} .close button`)).click();
    expect(await isOpen()).to.equal(false);
    await driver.findElement(By.css(`.n-${menu} > button`)).click();
    await driver.findElement(By.linkText('Below')).click();
    expect(await isOpen(), 'after an in-page link').to.equal(false);
    expect(await run('return document.activeElement.id')).to.equal('headline');
    await driver.findElement(By.css(`.n-${menu} > button`)).click();
    expect(await isOpen(), 'with one click, again').to.equal(true);
    await driver.findElement(By.linkText('Below')).click();
    await resize(driver, 1280, 800);
    expect(await isOpen(), 'where the window has become wide').to.equal(true);
    await driver.actions().sendKeys(Key.ESCAPE).perform();
    expect(await isOpen(), 'and in its place').to.equal(true);
    expect(await run(`return getComputedStyle(document.querySelector('.n-${menu} ul')).position`)).to.equal(
      'static',
    );
  });

  it('hold for a video the shape of the video, also while its image of another shape stands there', async () => {
    const [film] = ids.get('video')!;
    const args = { node: film, field: 'poster', value: 'moon-phases' };
    const url = await files.put('poster', made('setContent', args, all.pages[home.id], all).site, pictures);
    await visit(browser.driver, url);
    const [width, height, ready] = await run<number[]>(
      `const film = document.querySelector('.' + arguments[0] + ' video'); const box = film.getBoundingClientRect(); return [box.width, box.height, film.readyState];`,
      nodeClass(film),
    );
    expect(ready, 'nothing of the video has been fetched').to.equal(0);
    // The video is 640 by 360 px, the image 2000 by 240.
    expect(width / height).to.be.closeTo(640 / 360, 0.01);
  });

  it('ask for the fonts of the first screen with the style sheet, and for no others', async () => {
    const url = await files.put('fonts', site, pictures);
    await visit(browser.driver, url);
    const asked = await run<string[][]>(
      `return document.fonts.ready.then(() => [[...document.querySelectorAll('link[rel=preload]')].map(({ href }) => href), [...document.fonts].filter(({ status }) => status === 'loaded').map(({ family, style }) => family + ' ' + style)])`,
    );
    expect(asked[0].map((href) => href.replace(/^.*\/|-[0-9a-f]{10}.*$/g, ''))).to.have.members([
      'figtree-latin-wght-normal',
      'fraunces-latin-wght-normal',
    ]);
    expect(asked[1]).to.include.members(['figtree normal', 'fraunces normal']);
  });

  it('are never wider than the window in any look that a new site can begin with', async () => {
    for (const [index, { id: look }] of LOOKS.entries()) {
      const { id: views, views: set } = VIEW_SETS[index % VIEW_SETS.length];
      const begun = newSite({ id: look, name: 'Marsh Lane Pottery', lang: 'en', look, views });
      const url = await files.put(look, begun);
      for (const width of [320, ...set.list.flatMap(({ from, sheet }) => [from, sheet.width])]) {
        if (width < 320) continue;
        await resize(browser.driver, width, 800);
        await visit(browser.driver, url);
        const [wide, menu] = await run<number[]>(
          `const button = document.querySelector('nav > button').getBoundingClientRect(); return [document.documentElement.scrollWidth, button.height];`,
        );
        expect(wide, `${look} at ${width} px`).to.be.at.most(width);
        // One line of words, with some room: it is not squeezed.
        expect(menu, `the menu’s button in ${look} at ${width} px`).to.be.at.most(48);
      }
    }
  });
});
