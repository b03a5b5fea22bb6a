/** Visitors who sign in at the stand-in host: what is for them is sent to nobody else. */
import { expect } from 'chai';
import { paths } from '../../api/paths.ts';
import type { LivePublication } from '../../api/responses.ts';
import { editor, inHome, set } from './editing.ts';
import { served, type Served } from './serving.ts';
import { unzipped } from './zips.ts';

describe('visitors of a published site', () => {
  let running: Served;
  let live: LivePublication;
  before(async () => {
    running = await served();
    const { made } = editor(() => running.url);
    await made([
      set(inHome('moon-strip', 'audience'), 'signed-in'),
      set(inHome('lead', 'audience'), 'signed-out'),
      set(inHome('book', 'content/link'), 'visitor:in'),
    ]);
    const response = await fetch(running.url + paths.publications('brindle-hill'), { method: 'POST' });
    live = (await response.json()) as LivePublication;
  });
  after(() => running.end());

  const get = (path: string, cookie?: string, headers: Record<string, string> = {}) =>
    fetch(new URL(path, live.url), {
      redirect: 'manual',
      headers: { ...headers, ...(cookie && { cookie }) },
    });
  const send = (path: string, fields: Record<string, string>, cookie?: string) =>
    fetch(new URL(path, live.url), {
      method: 'POST',
      redirect: 'manual',
      body: new URLSearchParams(fields),
      headers: cookie ? { cookie } : {},
    });
  const signIn = async (name = 'Ada') => {
    const answer = await send('sign-in/', { name, back: '/brindle-hill/visits/' });
    return { answer, cookie: answer.headers.get('Set-Cookie')?.split(';')[0] };
  };

  it('get what is for everyone and what is for those who have not signed in', async () => {
    const page = await get('');
    const html = await page.text();
    expect(html).to.include('with a volunteer at each').and.not.include('n-moon-strip');
    expect(html).to.include('href="sign-in/"');
    expect(page.headers.get('Vary')).to.equal('Accept-Encoding, Cookie');
    expect((await get('visits/')).headers.get('Vary')).to.equal('Accept-Encoding');
  });

  it('sign in with a name, are led back, and then get what is for them', async () => {
    const form = await (await get('sign-in/', undefined, { referer: `${live.url}visits/` })).text();
    expect(form).to.include('name="name"').and.include('value="/brindle-hill/visits/"');
    const { answer, cookie } = await signIn();
    expect([answer.status, answer.headers.get('Location')]).to.deep.equal([303, '/brindle-hill/visits/']);
    expect(answer.headers.get('Set-Cookie')).to.match(
      /^visitor=[\w-]{32}; Path=\/brindle-hill\/; Max-Age=\d+; HttpOnly; SameSite=Lax$/,
    );
    const page = await get('', cookie);
    const html = await page.text();
    expect(html).to.include('n-moon-strip').and.not.include('with a volunteer at each');
    expect(page.headers.get('Cache-Control')).to.equal('private, no-cache');
    const [, css] = /href="(assets\/[^"]+\.css)"/.exec(html)!;
    expect((await get(css, cookie)).status).to.equal(200);
    expect((await get(css, cookie)).headers.get('Cache-Control')).to.match(/^private, max-age/);
    expect(await (await get('sign-in/', cookie)).text()).to.include('You have signed in as Ada.');
    const tagged = await get('', cookie, { 'if-none-match': (await get('')).headers.get('ETag')! });
    expect(tagged.status, 'the page of others is not theirs').to.equal(200);
  });

  it('find nothing of it under any address without signing in, nor with the token of another site or a guess', async () => {
    const { cookie } = await signIn();
    const html = await (await get('', cookie)).text();
    const theirs = [...html.matchAll(/(?:href|src)="(assets\/[^"]+)"/g)].map(([, path]) => path);
    const common = await (await get('')).text();
    const only = theirs.filter((path) => !common.includes(path));
    expect(only.length).to.be.greaterThan(1);
    for (const path of [
      ...only.filter((each) => /\.css$|moon-phases/.test(each)),
      './signed-in:index.html',
      'signed-in%3Aindex.html',
    ])
      for (const token of [undefined, 'visitor=guess', 'visitor=', `other=${cookie!.slice(8)}`])
        expect((await get(path, token)).status, `${path} with ${String(token)}`).to.equal(404);
    const { url } = (await (
      await fetch(running.url + paths.previews('brindle-hill'), { method: 'POST' })
    ).json()) as { url: string };
    const draft = await fetch(url, { headers: { cookie: cookie! } });
    expect(await draft.text()).to.not.include('n-moon-strip');
    const signed = await fetch(`${url}sign-in/`, {
      method: 'POST',
      redirect: 'manual',
      body: new URLSearchParams({ name: 'Ben' }),
    });
    const theirsThere = await fetch(url, {
      headers: { cookie: signed.headers.get('Set-Cookie')!.split(';')[0] },
    });
    expect(await theirsThere.text()).to.include('n-moon-strip');
  });

  it('sign out, and are told what was wrong with what they sent', async () => {
    const { cookie } = await signIn('  <b>Ada</b> & "co"  ');
    expect(await (await get('sign-out/', cookie)).text()).to.include(
      '&#60;b&#62;Ada&#60;/b&#62; &#38; &#34;co&#34;',
    );
    const out = await send('sign-out/', { back: 'https://elsewhere.example/' }, cookie);
    expect([out.status, out.headers.get('Location')]).to.deep.equal([303, '/brindle-hill/']);
    expect(await (await get('', cookie)).text()).to.not.include('n-moon-strip');
    const empty = await send('sign-in/', { name: '  ' });
    expect([empty.status, await empty.text()]).to.satisfy(
      ([status, body]: [number, string]) => status === 400 && /Say a name/.test(body),
    );
    expect((await send('sign-in/', { name: 'x'.repeat(5000) })).status).to.equal(413);
    for (const back of [
      '//evil.example',
      '/brindle-hill/../../x',
      'javascript:alert(1)',
      '/brindle-hill//evil.example',
    ])
      expect((await send('sign-in/', { name: 'Ada', back })).headers.get('Location'), back).to.equal(
        '/brindle-hill/',
      );
    expect((await send('visits/', { name: 'Ada' })).status).to.equal(405);
    expect((await fetch(`${running.hostUrl}/nothing/sign-in/`)).status).to.equal(404);
    for (const site of ['nothing', 'a%0d%0ab', 'x;Domain=example.org', 'preview/guess']) {
      const body = new URLSearchParams({ name: 'Ada' });
      const answer = await fetch(`${running.hostUrl}/${site}/sign-in/`, { method: 'POST', body });
      expect([answer.status, answer.headers.get('Set-Cookie')], site).to.deep.equal([404, null]);
    }
  });

  it('are not known to a copy in files, which says so', async () => {
    const zip = unzipped(
      Buffer.from(await (await fetch(running.url + paths.zip('brindle-hill'))).arrayBuffer()),
    );
    const names = [...zip.keys()];
    expect(zip.get('WHAT-IS-NOT-HERE.txt')!.toString()).to.include('not included: Moon phase strip.');
    expect(names.some((name) => name.startsWith('signed-in'))).to.equal(false);
  });
});
