/** The theme over HTTP: edits of what all pages share, steps of both documents, fonts, and folders of an earlier version. */
import { expect } from 'chai';
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { paths } from '../../api/paths.ts';
import type { FontResponse, PageResponse, Problem, SiteResponse } from '../../api/responses.ts';
import { served, type Served } from './serving.ts';

const FONT = createRequire(import.meta.url)
  .resolve('@fontsource-variable/literata/package.json')
  .replace('package.json', 'files/literata-latin-wght-italic.woff2');

describe('the theme', () => {
  let running: Served;
  before(async () => {
    running = await served();
  });
  after(() => running.end());

  const get = (path: string, init?: RequestInit) => fetch(running.url + path, init);
  const site = async () => (await (await get(paths.site('brindle-hill'))).json()) as SiteResponse;
  const steps = async () =>
    ((await (await get(paths.page('brindle-hill', 'home'))).json()) as PageResponse).steps;
  const patch = (path: string, revision: number, operations: unknown[], rest: object = {}) =>
    get(path, {
      method: 'PATCH',
      headers: { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` },
      body: JSON.stringify({
        operations,
        inverse: [{ op: 'replace', path: '/colours/8/value', value: '#f0a93b' }],
        by: 'edit',
        sentence: 'A change',
        ...rest,
      }),
    });
  const lamp = (value: string) => [{ op: 'replace', path: '/colours/8/value', value }];
  const frame = paths.frame('brindle-hill');

  it('is edited on its revision, stays valid for every page, and tells what was missed', async () => {
    expect((await site()).revision).to.equal(1);
    const accepted = await patch(frame, 1, lamp('#123456'));
    expect(accepted.headers.get('ETag')).to.equal('"2"');
    expect((await site()).frame.colours[8].value).to.equal('#123456');
    const late = await patch(frame, 1, lamp('#654321'));
    expect(late.status).to.equal(412);
    const { missed } = (await late.json()) as Problem;
    expect(missed![0]).to.include({ revision: 2, sentence: 'A change' });
    expect(missed![0].inverse).to.have.length(1);
    const used = await patch(frame, 2, [{ op: 'remove', path: '/colours/8' }]);
    expect(used.status).to.equal(422);
    expect(((await used.json()) as Problem).detail).to.match(
      /On the page .+: The site has no colour “lamp”\..* Nothing was changed\./,
    );
    expect((await patch(frame, 2, [{ op: 'replace', path: '/id', value: 'other' }])).status).to.equal(422);
    expect(
      (await patch(frame, 2, [{ op: 'replace', path: '/colours/99/value', value: 'red' }])).status,
    ).to.equal(422);
    expect((await patch(paths.frame('nowhere'), 1, lamp('red'))).status).to.equal(404);
    expect((await site()).revision).to.equal(2);
  });

  it('has its steps among those of a page, in the order in which they were made', async () => {
    const home = paths.page('brindle-hill', 'home');
    const weight = [{ op: 'add', path: '/nodes/headline/style/self/weight', value: { base: 500 } }];
    const back = { inverse: [{ op: 'remove', path: '/nodes/headline/style/self/weight' }] };
    expect((await patch(home, 1, weight, { ...back, sentence: 'On the page' })).status).to.equal(200);
    expect((await patch(frame, 2, lamp('#222222'), { sentence: 'On the site' })).status).to.equal(200);
    expect((await steps()).undo.map(({ on, sentence }) => `${on}: ${sentence}`)).to.deep.equal([
      'site: A change',
      'page: On the page',
      'site: On the site',
    ]);
    const undo = { by: 'undo', sentence: 'On the site' };
    expect((await patch(frame, 3, lamp('#123456'), undo)).status).to.equal(200);
    const after = await steps();
    expect(after.undo.map(({ sentence }) => sentence)).to.deep.equal(['A change', 'On the page']);
    expect(after.redo.map(({ sentence }) => sentence)).to.deep.equal(['On the site']);
  });

  it('counts overrides by page and view, and what is not published yet', async () => {
    const { pages, unpublished } = await site();
    const home = pages.find(({ id }) => id === 'home')!;
    expect(home.overrides.desktop).to.equal(0);
    expect(home.overrides.mobile).to.be.greaterThan(20);
    expect(unpublished).to.have.length(4);
    await get(paths.publications('brindle-hill'), { method: 'POST' });
    expect((await site()).unpublished).to.deep.equal([]);
    const { revision } = await site();
    await patch(frame, revision, lamp('#f0a93b'));
    expect((await site()).unpublished, 'a change of the theme concerns every page').to.have.length(4);
  });

  it('takes in woff2 fonts, says what they are, and refuses all else with a sentence', async () => {
    const post = (body: BodyInit) =>
      get(paths.ownFonts('brindle-hill'), {
        method: 'POST',
        headers: { 'Content-Type': 'font/woff2' },
        body,
      });
    const response = await post(await readFile(FONT));
    expect(response.status).to.equal(201);
    const font = (await response.json()) as FontResponse;
    expect(font).to.include({ name: 'Literata', style: 'italic', weights: '200 900' });
    const given = await get(paths.ownFont('brindle-hill', font.hash));
    expect(given.headers.get('Content-Type')).to.equal('font/woff2');
    for (const bad of [
      'no font',
      'wOF2 cut short',
      Buffer.concat([(await readFile(FONT)).subarray(0, 900)]),
    ]) {
      const refused = await post(bad);
      expect(refused.status).to.equal(422);
      expect(((await refused.json()) as Problem).detail).to.equal(
        'This is no woff2 font, or it is damaged. Nothing was kept; choose another file.',
      );
    }
    expect((await get(paths.ownFont('brindle-hill', 'a'.repeat(64)))).status).to.equal(404);
    const picture = (await site()).frame.assets[0].hash;
    expect((await get(paths.ownFont('brindle-hill', picture))).status, 'no way to other files').to.equal(404);
  });
});
