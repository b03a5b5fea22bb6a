import { request } from 'node:http';
import { expect } from 'chai';
import { demoSite } from '../demo.ts';
import { madeName, paths } from '../../api/paths.ts';
import type { Problem } from '../../api/responses.ts';
import { pagesOf, readSiteFile } from '../../core/index.ts';
import { editor, inHome, put, set, SITE } from './editing.ts';
import { served, type Served } from './serving.ts';

const WEIGHT = inHome('headline', 'style/self/weight/base');

/** An image of the demo. */
const saturn = (await demoSite()).site.frame.assets.find(({ id }) => id === 'saturn')!;

describe('the application’s server', () => {
  let running: Served;
  before(async () => {
    running = await served();
  });
  after(() => running.end());

  const get = (path: string, init?: RequestInit) => fetch(running.url + path, init);
  const { send, post, page } = editor(() => running.url);
  const problem = async (response: Response, status: number): Promise<Problem> => {
    expect(response.status).to.equal(status);
    expect(response.headers.get('Content-Type')).to.match(/^application\/problem\+json/);
    const body = (await response.json()) as Problem;
    expect(body).to.include({ status, type: 'about:blank' });
    expect(body.detail).to.match(/[.]$/);
    expect(JSON.stringify(body)).not.to.match(/node_modules|\.ts:\d|Error:/);
    return body;
  };

  it('answers health when ready, and the list of sites', async () => {
    expect(await (await get(paths.health())).json()).to.deep.equal({ ready: true });
    const [site] = (await (await get(paths.sites())).json()) as Record<string, unknown>[];
    expect(site).to.include({
      id: SITE,
      name: 'Brindle Hill Observatory',
      pages: 4,
      firstPage: 'home',
      live: null,
    });
  });

  it('keeps an edit made on the present revision and answers the next', async () => {
    const { revision } = await page();
    const response = await post([set(WEIGHT, 500)], { on: revision });
    expect(response.status).to.equal(200);
    expect(response.headers.get('ETag')).to.equal(`"${revision + 1}"`);
    expect(await response.json()).to.deep.equal({ revision: revision + 1 });
    const after = await page();
    expect(after.revision).to.equal(revision + 1);
    expect(after.page.nodes['headline' as never]).to.have.nested.property('style.self.weight.base', 500);
  });

  it('keeps an edit of a window that was loaded before the program was updated, in the present form', async () => {
    const { revision } = await page();
    // Version 2 had another name for this rule; a finding is dismissed under the name of its rule.
    const dismissed = { reason: 'It is meant so.', of: '0123456789' };
    const old = edit(set(inHome('headline', 'aside/words-over-words'), dismissed));
    expect((await send(JSON.stringify({ ...old, version: 2 }), { on: revision })).status).to.equal(200);
    const { aside } = (await page()).page.nodes['headline' as never] as { aside: object };
    expect(aside).to.deep.equal({ 'text-over-text': dismissed });
  });

  const edit = (...operations: unknown[]) => ({ operations, session: 'a-test', by: 'edit', sentence: 'x' });
  const faulty: [string, unknown, number, RegExp][] = [
    ['malformed JSON', '{"operations":', 400, /not valid JSON/],
    ['null', 'null', 400, /not valid JSON/],
    ['a list', '[]', 422, /not a JSON object/],
    ['no operations', { ...edit(), operations: undefined }, 422, /operations/],
    ['empty operations', edit(), 422, /at least one/],
    ['operations that are null', edit(null), 422, /Nothing was changed/],
    ['an operation that is a list', edit([]), 422, /is an object/],
    ['operations in lists', edit([set(WEIGHT, 500)]), 422, /is an object/],
    ['an unknown operation', edit({ op: 'move', path: WEIGHT }), 422, /set, clear, put, take/],
    ['a path that is no pointer', edit(set('pages', 1)), 422, /JSON Pointer/],
    ['a path into nothing', edit(set(inHome('ghost', 'style/self/weight/base'), 1)), 422, /no longer fits/],
    ['a path into a prototype', edit(set('/__proto__/polluted', 1)), 422, /no longer fits/],
    ['a path that no place has', edit(set(inHome('headline', 'kind'), 'text')), 422, /no longer fits/],
    ['a path of only slashes', edit(set('/'.repeat(390), 1)), 422, /no longer fits/],
    ['an unknown property', edit(set(inHome('headline', 'style/self/glow/base'), 1)), 422, /not valid/],
    ['a value out of range', edit(set(WEIGHT, 5000)), 422, /at most 900/],
    ['a whole list at once', edit(set(inHome('headline', 'children'), [])), 422, /no longer fits/],
    ['a site without its pages', edit(set('/pages', {})), 422, /no longer fits/],
    ['a child that is not there', edit(put(inHome('opening', 'children'), 'ghost', [])), 422, /no element/],
    ['a page that the list does not know', edit({ op: 'clear', path: '/pages/visits' }), 422, /do not agree/],
    [
      'a script in a text',
      edit(set(inHome('headline', 'content/text'), '<script>1</script>')),
      422,
      /cleaned/,
    ],
    ['half a character', edit(set(inHome('headline', 'name'), 'a\ud83d')), 422, /not text/],
    ['a NUL', edit(set(inHome('headline', 'content/text'), 'a\0b')), 422, /not text/],
    ['a NUL in its sentence', { ...edit(set(WEIGHT, 500)), sentence: 'a\0b' }, 422, /not text/],
    ['an unknown member', { ...edit(set(WEIGHT, 500)), extra: 1 }, 422, /extra/],
    ['an edit of a version to come', { ...edit(set(WEIGHT, 500)), version: 99 }, 422, /newer version/],
    ['an edit of no version', { ...edit(set(WEIGHT, 500)), version: 0 }, 422, /whole number/],
    ['no session', { ...edit(set(WEIGHT, 500)), session: undefined }, 422, /session/],
    ['an undo of nothing', { ...edit(set(WEIGHT, 500)), by: 'undo' }, 422, /named by its key/],
    ['no sentence', { ...edit(set(WEIGHT, 500)), sentence: undefined }, 422, /sentence/],
  ];
  for (const [name, body, status, detail] of faulty) {
    it(`refuses ${name} and changes nothing`, async () => {
      const before = await page();
      const text = typeof body === 'string' ? body : JSON.stringify(body);
      expect((await problem(await send(text, { on: before.revision }), status)).detail).to.match(detail);
      expect(await page()).to.deep.equal(before);
      expect(({} as Record<string, unknown>).polluted).to.equal(undefined);
    });
  }

  it('names the fault of an edit with a pointer into the site', async () => {
    const { revision } = await page();
    const body = await problem(await post([set(WEIGHT, -1)], { on: revision }), 422);
    expect(body.faults![0].path).to.equal('/pages/home/nodes/headline/style/self/weight/base');
  });

  it('wants If-Match and Idempotency-Key, each of its form', async () => {
    await problem(await post([set(WEIGHT, 500)], { on: null }), 428);
    for (const on of ['*', '"x"', '1', 'W/"1"', '"0"'])
      await problem(await post([set(WEIGHT, 500)], { on }), 400);
    await problem(await post([set(WEIGHT, 500)], { on: 1, key: null }), 400);
    for (const key of ['short', 'with blanks in it', 'x'.repeat(65), '"half'])
      await problem(await post([set(WEIGHT, 500)], { on: 1, key }), 400);
  });

  it('answers what says it is compressed and is not with 400, and changes nothing', async () => {
    const before = await page();
    for (const coding of ['gzip', 'br', 'deflate']) {
      const response = await get(paths.edits(SITE), {
        method: 'POST',
        headers: {
          'Content-Type': 'application/json',
          'Content-Encoding': coding,
          'Idempotency-Key': '"damaged-coding"',
          'If-Match': `"${before.revision}"`,
        },
        body: JSON.stringify(edit(set(WEIGHT, 500))),
      });
      await problem(response, 400);
    }
    expect(await page()).to.deep.equal(before);
  });

  it('refuses a body over the limit', async () => {
    await problem(await post([set(WEIGHT, 'x'.repeat(3_000_000))], { on: 1 }), 413);
  });

  it('answers 404 with a sentence for what is not there', async () => {
    await problem(await get(paths.site('nowhere')), 404);
    await problem(await get(paths.page(SITE, 'nowhere')), 404);
    await problem(await post([set(WEIGHT, 500)], { on: 1, site: 'nowhere' }), 404);
    await problem(await get(paths.edits('nowhere')), 404);
    await problem(await get(paths.edits('nowhere'), { headers: { Accept: 'text/event-stream' } }), 404);
    await problem(await get(paths.edit(SITE, 99_999)), 404);
    await problem(await get(`${paths.edits(SITE)}/x`), 404);
    await problem(await get(paths.edit(SITE, 99_999_999_999)), 404);
    for (const query of ['after=-1', 'after=x', 'after=1&after=2', 'after[a]=1', 'after=99999999999'])
      await problem(await get(`${paths.edits(SITE)}?${query}`), 400);
    await problem(await get(`${paths.steps(SITE)}?before=99999999999`), 400);
    await problem(await get(`${paths.steps(SITE)}?session=..%2F`), 400);
    await problem(await get(paths.asset(SITE, 'nowhere')), 404);
    await problem(await get(paths.asset(SITE, 'ab'.repeat(32))), 404);
    await problem(await get(paths.made(SITE, saturn.hash, madeName(9999))), 404);
    await problem(await get(`${paths.asset(SITE, saturn.hash)}/x.webp`), 404);
    await problem(await get(paths.font('nowhere.woff2')), 404);
    await problem(await get('/api/nothing'), 404);
    await problem(await get('/api/sites/..%2f..%2fetc'), 404);
    await problem(await get(paths.publications('nowhere'), { method: 'POST' }), 404);
    await problem(await get(paths.previews('nowhere'), { method: 'POST' }), 404);
    await problem(await get('/api/sites/%E0%A4%A'), 400);
  });

  it('takes requests only from its own pages, and counts no others', async () => {
    const from = (headers: Record<string, string>, method = 'POST') =>
      get(method === 'POST' ? paths.publications(SITE) : paths.sites(), { method, headers });
    await problem(await from({ Origin: 'http://elsewhere.example' }), 403);
    // Published pages stand on the same machine, at another port.
    await problem(await from({ Origin: running.hostUrl }), 403);
    // What a browser says of an image or a form of another site's page (Fetch Metadata, §2.3).
    for (const site of ['cross-site', 'same-site'])
      await problem(await from({ 'Sec-Fetch-Site': site }, 'GET'), 403);
    const own = await from({ 'Sec-Fetch-Site': 'same-origin' }, 'GET');
    expect(own.status).to.equal(200);
    const left = (response: Response) => Number(/r=(\d+)/.exec(response.headers.get('RateLimit')!)![1]);
    const before = left(own);
    for (let count = 0; count < 20; count++) await from({ 'Sec-Fetch-Site': 'cross-site' }, 'GET');
    expect(left(await from({}, 'GET'))).to.equal(before - 1);
  });

  it('answers under this machine’s own names, and under those it was given', async () => {
    const ask = (port: string, host: string | undefined, path: string) =>
      new Promise<{ status: number; text: string }>((resolve, reject) => {
        const asking = request(
          {
            port,
            host: '127.0.0.1',
            path,
            setHost: false,
            headers: host === undefined ? {} : { Host: host },
          },
          (response) => {
            let text = '';
            response.on('data', (data) => (text += String(data)));
            response.on('end', () => resolve({ status: response.statusCode!, text }));
          },
        );
        asking.on('error', reject).end();
      });
    const own = await served({ allowedHosts: ['builder.example', 'Named.example:8080'] });
    try {
      const ports = [new URL(own.url).port, new URL(own.hostUrl).port];
      for (const port of ports) {
        for (const host of [
          `127.0.0.1:${port}`,
          `localhost:${port}`,
          'LOCALHOST',
          `[::1]:${port}`,
          'site.localhost',
          'builder.example',
          'named.example:1',
        ])
          expect((await ask(port, host, '/')).status, host).to.be.oneOf([200, 404]);
        for (const host of [
          'rebound.example',
          `rebound.example:${port}`,
          '127.0.0.1.rebound.example',
          'localhost@rebound.example',
          '10.0.0.1',
          'xlocalhost',
          '',
        ]) {
          const answer = await ask(port, host, '/api/sites');
          expect(answer.status, host).to.equal(421);
          expect(answer.text).to.include('ALLOWED_HOSTS').and.not.include('Brindle');
        }
      }
    } finally {
      await own.end();
    }
  });

  it('refuses what is nested deeper than anything valid, in a sentence', async () => {
    const { revision } = await page();
    for (const [open, close] of [
      ['[', ']'],
      ['{"a":', '}'],
    ]) {
      const deep = open.repeat(100_000) + '1' + close.repeat(100_000);
      const body = `{"operations":[{"op":"set","path":"${WEIGHT}","value":${deep}}],"session":"a-test","by":"edit","sentence":"x"}`;
      expect((await problem(await send(body, { on: revision }), 400)).detail).to.include('nested too deep');
    }
    const words = `<p>${'<strong>'.repeat(3000)}x${'</strong>'.repeat(3000)}</p>`;
    await problem(await post([set(inHome('lead', 'content/text'), words)], { on: revision }), 422);
    expect((await page()).revision).to.equal(revision);
  });

  it('gives images and fonts with their types', async () => {
    const picture = await get(paths.asset(SITE, saturn.hash));
    expect(picture.headers.get('Content-Type')).to.equal('image/webp');
    const again = await get(paths.asset(SITE, saturn.hash), {
      headers: { 'If-None-Match': picture.headers.get('ETag')!, 'Cache-Control': 'max-age=0' },
    });
    expect(again.status).to.equal(304);
    const font = await get(paths.font('fraunces-latin-wght-normal.woff2'));
    expect(font.headers.get('Content-Type')).to.equal('font/woff2');
    // WOFF File Format 2.0, §4.1: the signature is "wOF2" (https://www.w3.org/TR/WOFF2/#woff20Header).
    expect(
      Buffer.from(await font.arrayBuffer())
        .subarray(0, 4)
        .toString(),
    ).to.equal('wOF2');
  });

  it('gives the whole site as a file that reads again', async () => {
    const file = readSiteFile(await (await get(paths.file(SITE))).text());
    expect(file.ok && pagesOf(file.value.site).map(({ id }) => id)).to.deep.equal([
      'home',
      'visits',
      'hire',
      'find-us',
    ]);
  });
});
