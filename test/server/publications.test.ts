/** Publications: each kept as it was, made live again, taken down; and what visitors get meanwhile. */
import { expect } from 'chai';
import sharp from 'sharp';
import { paths } from '../../api/paths.ts';
import type { LivePublication, Problem, PublicationLine, PublicationsResponse } from '../../api/responses.ts';
import type { Site } from '../../core/index.ts';
import { editor, inHome, set } from './editing.ts';
import { publishedOften, served, type Served } from './serving.ts';

const SITE = 'brindle-hill';

describe('publications', function () {
  this.timeout(180_000);
  let running: Served;
  before(async () => {
    running = await served();
  });
  after(() => running.end());

  const { made } = editor(() => running.url);
  const ask = (path: string, method = 'GET', body?: unknown) =>
    fetch(running.url + path, {
      method,
      ...(body !== undefined && {
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      }),
    });
  const publish = async (note?: string) => {
    const response = await ask(paths.publications(SITE), 'POST', note === undefined ? {} : { note });
    expect(response.status).to.equal(201);
    return (await response.json()) as LivePublication;
  };
  const list = async (): Promise<PublicationLine[]> =>
    ((await (await ask(paths.publications(SITE))).json()) as PublicationsResponse).publications;
  const reword = (text: string) => made([set(inHome('headline', 'content/text'), text)]);
  /** Makes the headline as large as a number, so that the style sheet is another one, and the words tell which. */
  const enlarge = (size: number) =>
    made([
      set(inHome('headline', 'content/text'), `Now ${size}`),
      set(inHome('headline', 'style/self/size/base'), size),
    ]);
  const visit = async (path: string) => {
    const response = await fetch(running.hostUrl + path);
    return { status: response.status, text: await response.text() };
  };
  const sheetOf = (html: string): string => /href="(assets\/[^"]+\.css)"/.exec(html)![1];

  it('are listed with number, time, note and pages; the one that is live is marked', async () => {
    expect(await list()).to.deep.equal([]);
    await reword('First');
    await publish('The first evening');
    await reword('Second');
    await publish();
    const [second, first] = await list();
    expect(first).to.include({
      number: 1,
      note: 'The first evening',
      pages: 4,
      live: false,
      comparable: true,
    });
    expect(second).to.include({ number: 2, note: '', live: true });
    expect(Date.parse(second.publishedAt)).to.be.at.least(Date.parse(first.publishedAt));
    const long = await ask(paths.publications(SITE), 'POST', { note: 'x'.repeat(501) });
    expect(long.status).to.equal(422);
    expect(((await long.json()) as Problem).detail).to.match(/500 characters/);
  });

  it('keep the site as it was, and can be looked at as they were', async () => {
    const was = (await (await ask(paths.publication(SITE, 1))).json()) as Site;
    const { headline } = was.pages['home' as keyof Site['pages']].nodes as Record<
      string,
      { content: unknown }
    >;
    expect(headline.content).to.deep.include({ text: 'First' });
    const [second, first] = await list();
    for (const [line, words] of [
      [first, 'First'],
      [second, 'Second'],
    ] as const) {
      const page = await fetch(line.url!);
      expect(page.headers.get('X-Robots-Tag')).to.equal('noindex');
      const html = await page.text();
      expect(html).to.contain(`>${words}<`);
      expect((await fetch(new URL(sheetOf(html), line.url!))).status).to.equal(200);
      expect((await fetch(new URL('visits/', line.url!))).status).to.equal(200);
    }
    // What was taken down is for nobody who guesses.
    for (const guess of ['1', '9', '0'.repeat(64)])
      expect((await visit(`/publication/${guess}/${SITE}/`)).status, guess).to.equal(404);
    expect((await visit('/publication/x/')).status).to.equal(404);
    expect((await ask(paths.publication(SITE, 9))).status).to.equal(404);
    expect((await ask(`${paths.publications(SITE)}/first`)).status).to.equal(404);
  });

  it('are made live again and taken down; the draft stays as it is, and none of them is lost', async () => {
    expect((await visit(`/${SITE}/`)).text).to.contain('>Second<');
    const again = await ask(paths.live(SITE), 'PUT', { number: 1 });
    expect((await again.json()) as LivePublication).to.include({
      number: 1,
      url: `${running.hostUrl}/${SITE}/`,
    });
    expect((await visit(`/${SITE}/`)).text).to.contain('>First<');
    expect((await list()).map(({ live }) => live)).to.deep.equal([false, true]);
    const none = await ask(paths.live(SITE), 'PUT', { number: 7 });
    expect(none.status).to.equal(404);
    expect(((await none.json()) as Problem).detail).to.match(/What is live stays live/);
    expect((await visit(`/${SITE}/`)).text).to.contain('>First<');

    expect((await ask(paths.live(SITE), 'DELETE')).status).to.equal(204);
    const notice = await visit(`/${SITE}/`);
    expect(notice.status).to.equal(404);
    expect(notice.text).to.contain('This site is not available').and.not.to.contain('First');
    expect((await visit('/never-published/')).text).to.contain('Page not found');
    expect((await list()).map(({ live }) => live)).to.deep.equal([false, false]);
    // Publishing goes on with the next number.
    expect((await publish()).number).to.equal(3);
    expect((await visit(`/${SITE}/`)).text).to.contain('>Second<');
  });

  it('leave style sheets and images where somebody may hold an old page, but not old pages', async () => {
    const old = await visit(`/${SITE}/`);
    await enlarge(71);
    await publish();
    const now = await visit(`/${SITE}/`);
    expect(sheetOf(now.text)).not.to.equal(sheetOf(old.text));
    const kept = await fetch(`${running.hostUrl}/${SITE}/${sheetOf(old.text)}`);
    expect(kept.status).to.equal(200);
    expect(kept.headers.get('Cache-Control')).to.match(/immutable/);
    await made([set('/frame/pages/visits/slug', 'come')]);
    await publish();
    expect((await visit(`/${SITE}/visits/`)).status).to.equal(404);
    await made([set('/frame/pages/visits/slug', 'visits')]);
    await ask(paths.live(SITE), 'DELETE');
    expect((await visit(`/${SITE}/${sheetOf(old.text)}`)).status).to.equal(404);
  });

  it('come whole: a thousand visits during twenty publications get no page with the style sheet of another', async () => {
    await enlarge(40);
    await publish();
    const seen = new Set<string>();
    const visitor = async () => {
      for (let visits = 0; visits < 13; visits += 1) {
        const page = await visit(`/${SITE}/`);
        expect(page.status).to.equal(200);
        const size = /Now (\d+)/.exec(page.text)![1];
        const sheet = await visit(`/${SITE}/${sheetOf(page.text)}`);
        expect(sheet.status, `the style sheet of ${size}`).to.equal(200);
        // The headline’s own rule holds the size that its words tell, in rem.
        expect(sheet.text, `the style sheet of ${size}`).to.contain(`font-size:${Number(size) / 16}rem`);
        seen.add(size);
      }
    };
    for (let size = 101; size <= 120; size += 1) {
      await enlarge(size);
      await Promise.all([publish(), visitor(), visitor(), visitor(), visitor()]);
    }
    expect(seen.size, 'publications that were seen').to.be.above(10);
    expect((await visit(`/${SITE}/`)).text).to.contain('Now 120');
  });

  it('say who published, and hold pages back that stay as visitors have them', async () => {
    const unpublished = async () =>
      ((await (await ask(paths.site(SITE))).json()) as { unpublished: string[] }).unpublished;
    const inVisits = (path: string) => `/pages/visits/nodes/page/${path}`;
    await reword('Shown');
    await publish();
    await reword('Held');
    const before = (await list()).length;
    await made([set(inVisits('name'), 'Come and see')]);
    expect(await unpublished()).to.deep.equal(['home', 'visits']);
    const some = await ask(paths.publications(SITE), 'POST', { by: ' Ann ', heldBack: ['home'] });
    expect(some.status).to.equal(201);
    expect((await list())[0]).to.include({ by: 'Ann', heldBack: 1, pages: 4, live: true });
    expect((await visit(`/${SITE}/`)).text)
      .to.contain('Shown')
      .and.not.contain('Held');
    expect(await unpublished()).to.deep.equal(['home']);
    // Nothing but what is held back is left: the same again needs no other publication.
    await ask(paths.publications(SITE), 'POST', { heldBack: ['home'] });
    expect(await list()).to.have.length(before + 1);
    // It stays behind over another publication, too.
    await made([set(inVisits('name'), 'Visits')]);
    await ask(paths.publications(SITE), 'POST', { heldBack: ['home'] });
    expect(await unpublished()).to.deep.equal(['home']);
    await publish();
    expect((await visit(`/${SITE}/`)).text).to.contain('Held');
    expect((await list())[0]).to.include({ by: '', heldBack: 0 });
    expect(await unpublished()).to.deep.equal([]);
  });

  it('are refused in a sentence where what is not included does not go with the rest, or a character is not text', async () => {
    const sentence = async (body: unknown) => {
      const response = await ask(paths.publications(SITE), 'POST', body);
      expect(response.status).to.equal(422);
      return ((await response.json()) as Problem).detail;
    };
    const was = await list();
    expect(await sentence({ heldBack: ['../home'] })).to.match(/by their ids/);
    expect(await sentence({ by: 'x'.repeat(61) })).to.match(/60 characters/);
    expect(await sentence({ note: '\0' })).to.match(/not text.*stays live/);
    expect(await sentence({ by: '\ud800' })).to.match(/not text.*stays live/);
    expect(await list()).to.deep.equal(was);
  });

  it('have forms of the image that is chosen as the sign: whole, square, and on a ground where systems ask for one', async () => {
    await made([set('/frame/icon', 'saturn')]);
    await publish();
    const get = async (path: string) => {
      const response = await fetch(`${running.hostUrl}/${SITE}/${path}`);
      expect(response.status, path).to.equal(200);
      return response;
    };
    const answer = await get('site.webmanifest');
    expect(answer.headers.get('Content-Type')).to.equal('application/manifest+json');
    const policy = (await get('')).headers.get('Content-Security-Policy');
    expect(policy).to.match(/manifest-src 'self'/);
    const { icons } = (await answer.json()) as { icons: { src: string; sizes: string; purpose?: string }[] };
    const html = await (await get('')).text();
    const touch = /rel="apple-touch-icon" sizes="180x180" href="([^"]+)"/.exec(html)![1];
    const tab = /rel="icon" type="image\/png" sizes="32x32" href="([^"]+)"/.exec(html)![1];
    const corner = async (src: string) => {
      const picture = sharp(Buffer.from(await (await get(src)).arrayBuffer()));
      const { format, width, height } = await picture.metadata();
      const { data, info } = await picture.ensureAlpha().raw().toBuffer({ resolveWithObject: true });
      const at = (x: number, y: number) => [
        ...data.subarray(4 * (y * info.width + x), 4 * (y * info.width + x) + 4),
      ];
      return {
        format,
        size: `${width}x${height}`,
        corner: at(0, 0),
        middle: at(info.width / 2, info.height / 2)[3],
      };
    };
    const clear = [0, 0, 0, 0];
    const white = [255, 255, 255, 255];
    // The image is wider than high: what is over it in a square is free.
    for (const [src, size, wanted] of [
      [tab, '32x32', clear],
      [touch, '180x180', white],
      [icons[0].src, '192x192', clear],
      [icons[1].src, '512x512', clear],
      [icons[2].src, '512x512', white],
    ] as const)
      expect(await corner(src), src).to.deep.equal({ format: 'png', size, corner: wanted, middle: 255 });
  });

  it('are listed in parts, the last ones first; the live one is told however early it is', async () => {
    const often = await served({ dataFolder: await publishedOften(53) });
    const asking = (query: string) => fetch(often.url + paths.publications(SITE) + query);
    const asked = async (query = '') => (await (await asking(query)).json()) as PublicationsResponse;
    const numbers = ({ publications }: PublicationsResponse) => publications.map(({ number }) => number);
    const first = await asked();
    expect(numbers(first)).to.deep.equal(Array.from({ length: 50 }, (_, index) => 53 - index));
    expect([first.more, first.live?.number]).to.deep.equal([true, 53]);
    await fetch(often.url + paths.live(SITE), {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ number: 2 }),
    });
    const again = await asked();
    expect(again.live).to.include({ number: 2, live: true });
    expect(again.publications.filter(({ live }) => live)).to.deep.equal([]);
    const rest = await asked('?before=4');
    expect(numbers(rest)).to.deep.equal([3, 2, 1]);
    expect([rest.more, rest.publications[1].live]).to.deep.equal([false, true]);
    for (const before of ['0', 'x', '1.5'])
      expect((await asking(`?before=${before}`)).status, before).to.equal(400);
    await often.end();
  });

  it('go out one at a time, from the revision that was seen; the same state has one number', async () => {
    const on = async () => (await editor(() => running.url).page()).revision;
    const from = (revision: string) =>
      fetch(running.url + paths.publications(SITE), { method: 'POST', headers: { 'If-Match': revision } });
    const seen = await on();
    await reword('Not seen');
    const late = await from(`"${seen}"`);
    expect(late.status).to.equal(409);
    expect(((await late.json()) as Problem).detail).to.match(/has changed since you looked.*stays live/);
    expect((await visit(`/${SITE}/`)).text).not.to.contain('Not seen');
    for (const wrong of ['12', '"x"', '"0"', 'W/"1"', '"1", "2"'])
      expect((await from(wrong)).status, wrong).to.equal(400);
    const before = (await list()).length;
    const revision = await on();
    const eight = await Promise.all(Array.from({ length: 8 }, () => from(`"${revision}"`)));
    const numbers = await Promise.all(
      eight.map(async (each) => ((await each.json()) as LivePublication).number),
    );
    expect(eight.map(({ status }) => status)).to.deep.equal(Array.from({ length: 8 }, () => 201));
    expect(new Set(numbers).size).to.equal(1);
    expect(await list()).to.have.length(before + 1);
  });
});
