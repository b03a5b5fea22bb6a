/** The theme over HTTP: edits of what all pages share, and fonts. */
import { createHash } from 'node:crypto';
import { brotliCompressSync, constants } from 'node:zlib';
import { expect } from 'chai';
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { FAMILIES } from '../../core/index.ts';
import { fontBytes } from '../../server/media/bytes.ts';
import { paths } from '../../api/paths.ts';
import type { FontResponse, Problem, SiteResponse } from '../../api/responses.ts';
import { clear, editor, inHome, put, set, take } from './editing.ts';
import { served, type Served } from './serving.ts';

const FONT = createRequire(import.meta.url)
  .resolve('@fontsource-variable/literata/package.json')
  .replace('package.json', 'files/literata-latin-wght-italic.woff2');

/** A font of one table (cmap, tag 0) that says and is so many bytes long: WOFF File Format 2.0, §4.1 and §4.2. */
function unpacking(length: number): Buffer<ArrayBuffer> {
  const header = Buffer.alloc(48);
  header.write('wOF2', 0, 'latin1');
  header.writeUInt16BE(1, 12);
  const septets = [21, 14, 7, 0].map((shift) => ((length >> shift) & 0x7f) | (shift > 0 ? 0x80 : 0));
  return Buffer.concat([
    header,
    Buffer.from([0, ...septets]),
    brotliCompressSync(Buffer.alloc(length), { params: { [constants.BROTLI_PARAM_QUALITY]: 1 } }),
  ]);
}

/** Made beforehand: what takes long here would keep the server waiting, which lives in the same process. */
const BOMB = unpacking(64_000_000);

describe('fonts that ship with the application', () => {
  it('are published under names that change with their bytes, so that browsers keep them', async () => {
    for (const family of FAMILIES) {
      for (const file of family.files) {
        const sum = createHash('sha256')
          .update(await fontBytes(family, file))
          .digest('hex');
        expect(file.publishedAs).to.equal(file.file.replace('.woff2', `-${sum.slice(0, 10)}.woff2`));
      }
    }
  });
});

describe('the theme', () => {
  let running: Served;
  before(async () => {
    running = await served();
  });
  after(() => running.end());

  const get = (path: string, init?: RequestInit) => fetch(running.url + path, init);
  const site = async () => (await (await get(paths.site('brindle-hill'))).json()) as SiteResponse;
  const { post, made, page } = editor(() => running.url);
  const lamp = (value: string) => set('/frame/colours/lamp/value', value);

  it('is edited on the site’s revision, stays valid for every page, and knows its entries by id', async () => {
    const { revision } = await site();
    const accepted = await made([lamp('#123456')]);
    expect(accepted.revision).to.equal(revision + 1);
    const colour = async () => (await site()).frame.colours.find(({ id }) => id === 'lamp')!.value;
    expect(await colour()).to.equal('#123456');
    const used = await post([clear('/frame/colours/lamp')], { on: revision + 1 });
    expect(used.status).to.equal(422);
    expect(((await used.json()) as Problem).detail).to.match(
      /On the page .+: The site has no colour “lamp”\..* Nothing was changed\./,
    );
    expect((await post([set('/frame/id', 'other')], { on: revision + 1 })).status).to.equal(422);
    expect((await post([set('/frame/colours/gone/value', 'red')], { on: revision + 1 })).status).to.equal(
      422,
    );
    expect((await post([lamp('red')], { on: 1, site: 'nowhere' })).status).to.equal(404);
    expect(await colour()).to.equal('#123456');
    expect((await site()).revision).to.equal(revision + 1);
  });

  it('keeps a block that another window has just linked, until its page has its own', async () => {
    const tree = {
      id: 'kept-hours',
      root: 'shared-kept-hours-b',
      nodes: {
        'shared-kept-hours-b': {
          ...{ id: 'shared-kept-hours-b', kind: 'section', name: 'Hours', parent: null },
          ...{ children: [], style: {}, content: {} },
        },
      },
    };
    await made([set('/frame/shared/kept-hours', tree)]);
    const root = (await page('visits')).page.root;
    const { revision } = await made([put(`/pages/visits/nodes/${root}/children`, 'shared-kept-hours-b', [])]);
    // The window that puts the block away has not read that page.
    const away = await post([clear('/frame/shared/kept-hours')], { on: revision });
    expect(away.status).to.equal(422);
    expect(((await away.json()) as Problem).detail).to.match(
      /There is no element “shared-kept-hours-b”\..* Nothing was changed\./,
    );
    // And the other way round: a block that has gone is not linked.
    await made([take(`/pages/visits/nodes/${root}/children`, 'shared-kept-hours-b')]);
    const gone = await made([clear('/frame/shared/kept-hours')]);
    const late = await post([put(`/pages/visits/nodes/${root}/children`, 'shared-kept-hours-b', [])], {
      on: gone.revision,
    });
    expect(late.status).to.equal(422);
  });

  it('counts overrides by page and view, and what is not published yet', async () => {
    const { pages, unpublished } = await site();
    const home = pages.find(({ id }) => id === 'home')!;
    expect(home.overrides.desktop).to.equal(0);
    expect(home.overrides.mobile).to.be.greaterThan(20);
    expect(unpublished).to.have.length(4);
    const publish = async () =>
      (await (await get(paths.publications('brindle-hill'), { method: 'POST' })).json()) as {
        number: number;
      };
    const { number } = await publish();
    expect((await site()).unpublished).to.deep.equal([]);
    expect((await publish()).number, 'nothing new to publish').to.equal(number);
    await made([set(inHome('headline', 'name'), 'Head')]);
    expect((await site()).unpublished).to.deep.equal(['home']);
    await made([lamp('#f0a93b')]);
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
      BOMB,
    ]) {
      const refused = await post(bad);
      expect(refused.status).to.equal(422);
      expect(((await refused.json()) as Problem).detail).to.equal(
        'This isn’t a woff2 font, it is damaged, or it unpacks to more than 32 MB. Nothing was saved; choose another file.',
      );
    }
    const large = await post(Buffer.alloc(4_000_001));
    expect(large.status).to.equal(413);
    expect(((await large.json()) as Problem).detail).to.equal(
      'The request is larger than 4 MB. Nothing was changed.',
    );
    expect((await get(paths.ownFont('brindle-hill', 'a'.repeat(64)))).status).to.equal(404);
    const picture = (await site()).frame.assets[0].hash;
    expect((await get(paths.ownFont('brindle-hill', picture))).status, 'no way to other files').to.equal(404);
  });
});
