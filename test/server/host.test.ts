import { request, type IncomingHttpHeaders } from 'node:http';
import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import { expect } from 'chai';
import { paths } from '../../api/paths.ts';
import type { LivePublication, SiteResponse } from '../../api/responses.ts';
import { clear, editor, inHome, set } from './editing.ts';
import { served, type Served } from './serving.ts';

describe('the host', () => {
  let running: Served;
  before(async () => {
    running = await served();
  });
  after(() => running.end());

  const post = async <T>(path: string) =>
    (await (await fetch(running.url + path, { method: 'POST' })).json()) as T;
  const host = (path: string, init?: RequestInit) =>
    fetch(running.hostUrl + path, { redirect: 'manual', ...init });
  const { made } = editor(() => running.url);
  const reword = (text: string) => made([set(inHome('headline', 'content/text'), text)]);

  it('shows nothing of a site before it is published, but a preview to who has its address', async () => {
    expect((await host('/brindle-hill/')).status).to.equal(404);
    const { url } = await post<{ url: string }>(paths.previews('brindle-hill'));
    expect(url).to.match(new RegExp(`^${running.hostUrl}/preview/[\\w-]{21}/$`));
    const response = await fetch(url);
    expect(response.status).to.equal(200);
    expect(response.headers.get('Cache-Control')).to.equal('no-store');
    expect(await response.text()).to.include('The dome opens at dusk');
    expect((await host('/preview/guess/')).status).to.equal(404);
  });

  it('serves a publication with types, caching and a policy under which no script runs', async () => {
    const live = await post<LivePublication>(paths.publications('brindle-hill'));
    expect(live).to.include({ number: 1, url: `${running.hostUrl}/brindle-hill/` });
    const page = await fetch(live.url);
    expect(page.headers.get('Content-Type')).to.equal('text/html; charset=utf-8');
    expect(page.headers.get('Cache-Control')).to.equal('no-cache');
    expect(page.headers.get('Content-Security-Policy'))
      .to.match(/default-src 'none'/)
      .and.not.match(/script-src/);
    expect(page.headers.get('X-Content-Type-Options')).to.equal('nosniff');
    const html = await page.text();
    const again = await fetch(live.url, {
      headers: { 'If-None-Match': page.headers.get('ETag')!, 'Cache-Control': 'max-age=0' },
    });
    expect(again.status).to.equal(304);
    const references = [...html.matchAll(/(?:href|src|srcset)="((?:assets|visits|find-us)[^"]*)"/g)].flatMap(
      ([, list]) => list.split(', ').map((each) => each.split(' ')[0]),
    );
    expect(references.length).to.be.greaterThan(8);
    for (const reference of references) {
      const response = await fetch(new URL(reference, live.url));
      expect(response.status, reference).to.equal(200);
      if (reference.startsWith('assets'))
        expect(response.headers.get('Cache-Control')).to.equal('public, max-age=31536000, immutable');
    }
    const css = await (await fetch(new URL(references[0], live.url))).text();
    const font = await fetch(
      new URL(/url\("(fonts\/fraunces[^"]+)"\)/.exec(css)![1], new URL(references[0], live.url)),
    );
    expect(font.headers.get('Content-Type')).to.equal('font/woff2');
  });

  it('tells robots of drafts and of publications that are kept to leave them alone, and serves each site’s own list', async () => {
    expect(await (await host('/robots.txt')).text()).to.equal(
      'User-agent: *\nDisallow: /preview/\nDisallow: /publication/\n',
    );
    const list = await host('/brindle-hill/sitemap.xml');
    expect(list.headers.get('Content-Type')).to.match(/^application\/xml/);
    expect(await list.text()).to.contain(`<loc>${running.hostUrl}/brindle-hill/visits/</loc>`);
  });

  it('sends each text in the smallest form that is accepted, made once, under a tag of its own', async () => {
    await post(paths.publications('brindle-hill'));
    // Not fetch, which decodes what it gets.
    const get = (headers: Record<string, string>) =>
      new Promise<{ status: number; headers: IncomingHttpHeaders; body: Buffer }>((resolve, reject) => {
        request(`${running.hostUrl}/brindle-hill/`, { headers }, (response) => {
          const chunks: Buffer[] = [];
          response.on('data', (chunk: Buffer) => chunks.push(chunk));
          response.on('end', () =>
            resolve({ status: response.statusCode!, headers: response.headers, body: Buffer.concat(chunks) }),
          );
        })
          .on('error', reject)
          .end();
      });
    const plain = await get({});
    expect(plain.headers).not.to.have.property('content-encoding');
    expect(plain.body.toString()).to.include('<!DOCTYPE html>');
    const tags = new Set([plain.headers.etag]);
    // Quality values as RFC 9110, §12.4.2 has them: nothing is taken that is given a 0.
    for (const [header, coding, decode] of [
      ['gzip, deflate, br, zstd', 'br', brotliDecompressSync],
      ['gzip', 'gzip', gunzipSync],
      ['br;q=0, gzip;q=0.5', 'gzip', gunzipSync],
      ['*', 'br', brotliDecompressSync],
      ['identity, *;q=0', undefined, (bytes: Buffer) => bytes],
    ] as const) {
      const { headers, body } = await get({ 'Accept-Encoding': header });
      expect(headers['content-encoding'], header).to.equal(coding);
      expect(headers.vary).to.equal('Accept-Encoding');
      expect(Number(headers['content-length'])).to.equal(body.length);
      expect(decode(body).equals(plain.body), header).to.equal(true);
      tags.add(headers.etag);
      const again = await get({ 'Accept-Encoding': header, 'If-None-Match': headers.etag! });
      expect([again.status, again.body.length]).to.deep.equal([304, 0]);
    }
    expect(tags.size).to.equal(3);
    const picture = await fetch(
      `${running.hostUrl}/brindle-hill/${/assets\/dome-at-dusk[^"]*/.exec(plain.body.toString())![0]}`,
    );
    expect(picture.headers.get('Content-Encoding'), 'is compressed by its own format').to.equal(null);
  });

  it('sends a page’s address without its closing slash on, and what is not there to a plain page', async () => {
    const moved = await host('/brindle-hill/visits');
    expect([moved.status, moved.headers.get('Location')]).to.deep.equal([301, '/brindle-hill/visits/']);
    for (const path of [
      '/brindle-hill/nothing/',
      '/nothing/',
      '/brindle-hill/assets/../../x',
      '/brindle-hill/__proto__',
      '/brindle-hill/constructor',
      '/preview',
    ]) {
      const missing = await host(path);
      expect(missing.status, path).to.equal(404);
      expect(await missing.text()).to.match(/<h1>Page not found<\/h1>/);
    }
    expect((await host('/brindle-hill/%E0%A4%A')).status).to.equal(400);
    expect((await host('/brindle-hill/', { method: 'POST' })).status).to.equal(405);
  });

  it('answers what cannot be read, and what only reads, with a plain page', async () => {
    for (const [path, status] of [
      ['/brindle-hill/%E0%A4%A', 400],
      ['/brindle-hill/%00', 400],
      ['/', 200],
      ['/preview', 404],
      ['/brindle-hill/../../etc/passwd', 404],
      ['/brindle-hill/__proto__', 404],
    ] as const) {
      const response = await host(path);
      expect(response.status, path).to.equal(status);
      expect(response.headers.get('Content-Type')).to.equal('text/html; charset=utf-8');
      expect(response.headers.get('X-Content-Type-Options')).to.equal('nosniff');
    }
    const posted = await host('/brindle-hill/', { method: 'POST' });
    expect([posted.status, posted.headers.get('Allow')]).to.deep.equal([405, 'GET, HEAD']);
    const head = await host('/brindle-hill/', { method: 'HEAD' });
    expect([head.status, await head.text()]).to.deep.equal([200, '']);
  });

  it('shows a draft’s change only after it is published, and keeps the number and the files of the publication before', async () => {
    const text = async () => (await (await host('/brindle-hill/')).text()).includes('New words');
    await reword('New words');
    expect(await text()).to.equal(false);
    const site = async () =>
      (await (await fetch(running.url + paths.site('brindle-hill'))).json()) as SiteResponse;
    expect((await site()).unpublished).to.deep.equal(['home']);
    const live = await post<LivePublication>(paths.publications('brindle-hill'));
    expect(live.number).to.equal(2);
    expect(await text()).to.equal(true);
    expect((await site()).unpublished).to.deep.equal([]);
  });

  it('gives videos in the parts that are asked for', async () => {
    // RFC 9110, §14: first and last byte, from a byte on, the last bytes, and what there is not.
    const parts: [header: string, part: string, status: number][] = [
      ['bytes=0-3', '0-3', 206],
      ['bytes=10-', '10-', 206],
      ['bytes=-5', '-5', 206],
      ['bytes=0-999999999', '0-', 206],
      ['bytes=999999999-', '', 416],
      ['bytes=5-2', 'whole', 200],
      ['bytes=0-1,4-5', 'whole', 200],
      ['lines=1-2', 'whole', 200],
    ];
    const live = await post<LivePublication>(paths.publications('brindle-hill'));
    const html = await (await fetch(new URL('telescope-hire/', live.url))).text();
    const film = new URL(
      /<source src="([^"]+\.webm)" type/.exec(html)![1],
      new URL('telescope-hire/', live.url),
    );
    const whole = Buffer.from(await (await fetch(film)).arrayBuffer());
    for (const [header, part, status] of parts) {
      const answer = await fetch(film, { headers: { Range: header } });
      expect(answer.status, header).to.equal(status);
      const bytes = Buffer.from(await answer.arrayBuffer());
      const [start, end] = part.split('-');
      const wanted =
        part === 'whole'
          ? whole
          : part === ''
            ? Buffer.alloc(0)
            : start === ''
              ? whole.subarray(-Number(end))
              : whole.subarray(Number(start), end === '' ? undefined : Number(end) + 1);
      expect(bytes.equals(wanted), header).to.equal(true);
      if (status === 416) expect(answer.headers.get('Content-Range')).to.equal(`bytes */${whole.length}`);
      if (status !== 206) continue;
      const first = whole.length - (start === '' ? Number(end) : whole.length - Number(start));
      expect(answer.headers.get('Content-Range')).to.equal(
        `bytes ${first}-${first + wanted.length - 1}/${whole.length}`,
      );
    }
    const stale = await fetch(film, { headers: { Range: 'bytes=0-3', 'If-Range': '"another"' } });
    expect(stale.status).to.equal(200);
    const page = await fetch(live.url, { headers: { Range: 'bytes=0-3', 'Accept-Encoding': 'gzip' } });
    expect(page.status, 'what is compressed is sent whole').to.equal(200);
  });

  it('leads on from addresses that pages had, and shows the site’s own page where there is none', async () => {
    await made([
      set('/frame/pages/find-us/slug', 'the-way'),
      set('/frame/pages/find-us/earlier', ['find-us']),
      set('/frame/pages/hire/missing', true),
    ]);
    const { url: draft } = await post<{ url: string }>(paths.previews('brindle-hill'));
    await post(paths.publications('brindle-hill'));
    for (const root of ['/brindle-hill/', new URL(draft).pathname]) {
      for (const path of ['find-us/', 'find-us']) {
        const moved = await host(root + path);
        expect([moved.status, moved.headers.get('Location')]).to.deep.equal([301, `${root}the-way/`]);
        expect(moved.headers.get('Cache-Control')).to.equal('no-cache');
      }
      const missing = await host(`${root}no/such/place/`);
      expect(missing.status).to.equal(404);
      const html = await missing.text();
      expect(html).to.match(/<title>Telescope hire/);
      const css = new RegExp(`href="(${root}assets/[^"]+\\.css)"`).exec(html)![1];
      expect((await host(css)).status).to.equal(200);
    }
    expect(await (await host('/nowhere/')).text()).to.match(/Page not found/);
    await made([
      set('/frame/pages/find-us/slug', 'find-us'),
      clear('/frame/pages/find-us/earlier'),
      clear('/frame/pages/hire/missing'),
    ]);
    await fetch(running.url + paths.live('brindle-hill'), { method: 'DELETE' });
  });
});
