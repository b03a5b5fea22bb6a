import { expect } from 'chai';
import { paths } from '../../api/paths.ts';
import type { Problem } from '../../api/responses.ts';
import { readSiteFile, type Page } from '../../core/index.ts';
import { served, type Served } from './serving.ts';

const HOME = paths.page('brindle-hill', 'home');
const weight = { op: 'add', path: '/nodes/headline/style/self/weight', value: { base: 500 } };

describe('the application’s server', () => {
  let running: Served;
  before(async () => {
    running = await served();
  });
  after(() => running.end());

  const get = (path: string, init?: RequestInit) => fetch(running.url + path, init);
  const patch = (body: unknown, revision: string | null = '"1"', path = HOME) =>
    get(path, {
      method: 'PATCH',
      headers: { 'Content-Type': 'application/json', ...(revision === null ? {} : { 'If-Match': revision }) },
      body: typeof body === 'string' ? body : JSON.stringify(body),
    });
  const edit = (...operations: unknown[]) => ({
    operations,
    inverse: [],
    by: 'edit',
    sentence: 'A test’s edit',
  });
  const problem = async (response: Response, status: number): Promise<Problem> => {
    expect(response.status).to.equal(status);
    expect(response.headers.get('Content-Type')).to.match(/^application\/problem\+json/);
    const body = (await response.json()) as Problem;
    expect(body).to.include({ status, type: 'about:blank' });
    expect(body.detail).to.match(/[.]$/);
    expect(JSON.stringify(body)).not.to.match(/node_modules|\.ts:\d|Error:/);
    return body;
  };
  const page = async () => (await (await get(HOME)).json()) as { page: Page; revision: number };

  it('answers health when ready, and the list of sites', async () => {
    expect(await (await get(paths.health())).json()).to.deep.equal({ ready: true });
    const [site] = (await (await get(paths.sites())).json()) as Record<string, unknown>[];
    expect(site).to.include({
      id: 'brindle-hill',
      name: 'Brindle Hill Observatory',
      pages: 4,
      firstPage: 'home',
      live: null,
    });
  });

  it('keeps an edit made on the present revision and answers the next', async () => {
    const { revision } = await page();
    const response = await patch(edit(weight), `"${revision}"`);
    expect(response.status).to.equal(200);
    expect(response.headers.get('ETag')).to.equal(`"${revision + 1}"`);
    const after = await page();
    expect(after.revision).to.equal(revision + 1);
    expect(after.page.nodes['headline' as never]).to.have.nested.property('style.self.weight.base', 500);
  });

  it('refuses an edit made on an old revision, with what it missed, and changes nothing', async () => {
    const before = await page();
    await patch(edit({ ...weight, op: 'replace', value: { base: 600 } }), `"${before.revision}"`);
    const body = await problem(
      await patch(edit({ ...weight, value: { base: 700 } }), `"${before.revision}"`),
      412,
    );
    expect(body.missed).to.have.length(1);
    expect(body.missed![0]).to.deep.include({ revision: before.revision + 1, sentence: 'A test’s edit' });
    expect((await page()).page.nodes['headline' as never]).to.have.nested.property(
      'style.self.weight.base',
      600,
    );
  });

  const faulty: [string, unknown, number, RegExp][] = [
    ['malformed JSON', '{"operations":', 400, /not valid JSON/],
    ['null', 'null', 400, /not valid JSON/],
    ['a list', [], 422, /not a JSON object/],
    ['no operations', { inverse: [], by: 'edit', sentence: 'x' }, 422, /operations/],
    ['empty operations', { operations: [], inverse: [], by: 'edit', sentence: 'x' }, 422, /at least one/],
    [
      'operations that are null',
      { operations: [null], inverse: [], by: 'edit', sentence: 'x' },
      422,
      /Nothing was changed/,
    ],
    ['an unknown operation', edit({ ...weight, op: 'move' }), 422, /add, replace, remove/],
    ['a path that is no pointer', edit({ ...weight, path: 'nodes' }), 422, /JSON Pointer/],
    ['a path into nothing', edit({ ...weight, path: '/nodes/ghost/style/self' }), 422, /does not fit/],
    ['a path into a prototype', edit({ ...weight, path: '/__proto__/polluted' }), 422, /does not fit/],
    ['an unknown property', edit({ ...weight, path: '/nodes/headline/style/self/glow' }), 422, /not valid/],
    ['a value out of range', edit({ ...weight, value: { base: 5000 } }), 422, /at most 900/],
    ['another page’s id', edit({ op: 'replace', path: '/id', value: 'other' }), 422, /keeps its id/],
    [
      'a script in a text',
      edit({ op: 'replace', path: '/nodes/headline/content/text', value: '<script>1</script>' }),
      422,
      /cleaned/,
    ],
    ['an unknown member', { ...edit(weight), extra: 1 }, 422, /extra/],
    ['no way back', { operations: [weight], by: 'edit', sentence: 'x' }, 422, /taken back/],
    ['no sentence', { operations: [weight], inverse: [], by: 'edit' }, 422, /sentence/],
  ];
  for (const [name, body, status, detail] of faulty) {
    it(`refuses ${name} and changes nothing`, async () => {
      const before = await page();
      expect((await problem(await patch(body, `"${before.revision}"`), status)).detail).to.match(detail);
      expect(await page()).to.deep.equal(before);
      expect(({} as Record<string, unknown>).polluted).to.equal(undefined);
    });
  }

  it('remembers the steps of a page: what can be taken back and what made again', async () => {
    const at = '/nodes/lead/style/self/weight';
    const send = async (by: string, operations: unknown[], inverse: unknown[]) => {
      const { revision } = await page();
      const response = await patch({ operations, inverse, by, sentence: `Lead: ${by}` }, `"${revision}"`);
      expect(response.status).to.equal(200);
    };
    const set = [{ op: 'add', path: at, value: { base: 450 } }];
    const drop = [{ op: 'remove', path: at }];
    await send('edit', set, drop);
    const steps = async () =>
      ((await (await get(HOME)).json()) as { steps: Record<'undo' | 'redo', unknown[]> }).steps;
    expect((await steps()).undo.at(-1)).to.deep.equal({
      on: 'page',
      operations: set,
      inverse: drop,
      sentence: 'Lead: edit',
    });
    await send('undo', drop, set);
    expect((await steps()).redo).to.deep.equal([
      { on: 'page', operations: set, inverse: drop, sentence: 'Lead: edit' },
    ]);
    await send('redo', set, drop);
    expect((await steps()).redo).to.deep.equal([]);
    await send('undo', drop, set);
  });

  it('names the fault of an edit with a pointer into the page', async () => {
    const { revision } = await page();
    const body = await problem(await patch(edit({ ...weight, value: { base: -1 } }), `"${revision}"`), 422);
    expect(body.faults![0].path).to.equal('/nodes/headline/style/self/weight/base');
  });

  it('wants If-Match, and one that names a revision', async () => {
    await problem(await patch(edit(weight), null), 428);
    for (const header of ['*', '"x"', '1', 'W/"1"', '"0"'])
      await problem(await patch(edit(weight), header), 400);
  });

  it('refuses a body over the limit', async () => {
    await problem(await patch(edit({ ...weight, value: 'x'.repeat(3_000_000) })), 413);
  });

  it('answers 404 with a sentence for what is not there', async () => {
    await problem(await get(paths.site('nowhere')), 404);
    await problem(await get(paths.page('brindle-hill', 'nowhere')), 404);
    await problem(await patch(edit(weight), '"1"', paths.page('nowhere', 'home')), 404);
    await problem(await patch(edit(weight), '"1"', paths.page('brindle-hill', 'nowhere')), 404);
    await problem(await get(paths.asset('brindle-hill', 'nowhere')), 404);
    await problem(await get(paths.font('nowhere.woff2')), 404);
    await problem(await get('/api/nothing'), 404);
    await problem(await get('/api/sites/..%2f..%2fetc'), 404);
    await problem(await get(paths.publications('nowhere'), { method: 'POST' }), 404);
    await problem(await get(paths.previews('nowhere'), { method: 'POST' }), 404);
    await problem(await get('/api/sites/%E0%A4%A'), 400);
  });

  it('takes changes only from its own pages', async () => {
    const response = await get(paths.publications('brindle-hill'), {
      method: 'POST',
      headers: { Origin: 'http://elsewhere.example' },
    });
    await problem(response, 403);
  });

  it('gives pictures and fonts with their types', async () => {
    const picture = await get(paths.asset('brindle-hill', 'saturn'));
    expect(picture.headers.get('Content-Type')).to.equal('image/webp');
    const again = await get(paths.asset('brindle-hill', 'saturn'), {
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
    const file = readSiteFile(await (await get(paths.file('brindle-hill'))).text());
    expect(file.ok && file.value.site.pages.map(({ id }) => id)).to.deep.equal([
      'home',
      'visits',
      'hire',
      'find-us',
    ]);
  });
});
