/** Which sites there are: made, imported, copied, taken out, archived, had back, removed; and what is refused. */
import { expect } from 'chai';
import { createHash } from 'node:crypto';
import { rm } from 'node:fs/promises';
import { gzipSync } from 'node:zlib';
import { paths } from '../../api/paths.ts';
import type { AddedSite, PageResponse, Problem, SiteSummary } from '../../api/responses.ts';
import { compileSite, newSite, readSiteFile, writeSiteFile, type Site } from '../../core/index.ts';
import { demoSite } from '../demo.ts';
import { openStore } from '../../server/store/open.ts';
import { SITE } from './editing.ts';
import { freshFolder, served, type Served } from './serving.ts';
import { unzipped } from './zips.ts';
import { startFiles } from '../startfiles.ts';

const begun = (id: string, name: string): Site => newSite({ id, name, lang: 'en', look: 'kiln', views: '4' });

/** An image of the demo. */
const saturn = (await demoSite()).site.frame.assets.find(({ id }) => id === 'saturn')!;

describe('sites', function () {
  this.timeout(120_000);
  let running: Served;
  before(async () => (running = await served()));
  after(() => running.end());

  const ask = (path: string, method = 'GET', body?: string, headers: Record<string, string> = {}) =>
    fetch(running.url + path, {
      method,
      body,
      headers: { ...(body !== undefined && { 'Content-Type': 'application/json' }), ...headers },
    });
  const bring = (text: string) => ask(paths.sites(), 'POST', text);
  const list = async () => (await (await ask(paths.sites())).json()) as SiteSummary[];
  const listed = async (id: string) => (await list()).find((each) => each.id === id);
  const faultsOf = async (text: string) => {
    const count = (await list()).length;
    const answer = await bring(text);
    expect(answer.status).to.equal(422);
    const problem = (await answer.json()) as Problem;
    expect(problem.detail).to.match(/Nothing was saved/);
    expect(await list(), 'nothing was saved').to.have.length(count);
    return problem.faults!;
  };
  const demoFile = async () => (await ask(paths.file(SITE))).text();

  it('are imported as a file, and get another address where theirs is taken', async () => {
    const made = await bring(writeSiteFile(begun('marsh-lane', 'Marsh Lane'), startFiles('kiln')));
    expect(made.status).to.equal(201);
    expect(made.headers.get('Location')).to.equal(paths.site('marsh-lane'));
    expect(await made.json()).to.deep.equal({ id: 'marsh-lane', firstPage: 'home' });
    const again = await bring(writeSiteFile(begun('marsh-lane', 'Marsh Lane, again'), startFiles('kiln')));
    expect(((await again.json()) as AddedSite).id).to.equal('marsh-lane-again');
    const { frame } = (await (await ask(paths.page('marsh-lane-again', 'home'))).json()) as PageResponse;
    expect([frame.id, frame.name]).to.deep.equal(['marsh-lane-again', 'Marsh Lane, again']);
    expect(await listed('marsh-lane')).to.deep.include({
      name: 'Marsh Lane',
      pages: 1,
      firstPage: 'home',
      live: null,
      putAwayAt: null,
    });
  });

  it('come out as a file and in again with all that was in it', async () => {
    const text = await demoFile();
    const { id } = (await (await bring(text)).json()) as AddedSite;
    expect(id).to.equal('brindle-hill-observatory');
    const back = readSiteFile(await (await ask(paths.file(id))).text());
    const given = readSiteFile(text);
    if (!back.ok || !given.ok) throw new Error('not read');
    expect(back.value.files).to.deep.equal(given.value.files);
    expect({ ...back.value.site.frame, id: SITE }).to.deep.equal(given.value.site.frame);
    expect(back.value.site.pages).to.deep.equal(given.value.site.pages);
  });

  it('are refused with every fault, its path and a sentence', async () => {
    expect(await faultsOf('{"format":')).to.deep.equal([
      { path: '', sentence: 'This is not JSON: the file is incomplete or isn’t a site file.' },
    ]);
    expect((await faultsOf('{"format":"other"}'))[0].path).to.equal('/format');
    const file = JSON.parse(await demoFile());
    const broken = structuredClone(file);
    broken.pages[0].nodes.lead.style.self.colour = { base: 'no colour' };
    expect((await faultsOf(JSON.stringify(broken)))[0].path).to.equal(
      '/pages/0/nodes/lead/style/self/colour/base',
    );
    const cut = structuredClone(file);
    cut.files.saturn = cut.files.saturn.slice(0, 400);
    expect((await faultsOf(JSON.stringify(cut)))[0].sentence).to.match(/“Saturn” is damaged/);
    for (const character of ['\u0000', '\ud800']) {
      const unkeepable = structuredClone(file);
      unkeepable.pages[0].nodes.lead.name = `a${character}b`;
      expect((await faultsOf(JSON.stringify(unkeepable)))[0].sentence).to.match(
        /not text and cannot be saved/,
      );
    }
    const reserved = { ...file, id: 'preview' };
    expect((await faultsOf(JSON.stringify(reserved))).length).to.be.greaterThan(0);
  });

  it('are refused with an image or a font that is something else than it says', async () => {
    const file = JSON.parse(await demoFile());
    const script = Buffer.from('<script>alert(1)</script>'.repeat(10));
    file.assets.find(({ id }: { id: string }) => id === 'saturn').hash = createHash('sha256')
      .update(script)
      .digest('hex');
    file.files.saturn = script.toString('base64');
    file.fonts = [
      {
        id: 'font-own',
        name: 'Own',
        style: 'normal',
        weights: '400',
        hash: createHash('sha256').update(script).digest('hex'),
      },
    ];
    file.files['font-own'] = script.toString('base64');
    expect(await faultsOf(JSON.stringify(file))).to.deep.equal([
      { path: '/files/saturn', sentence: 'The file of “Saturn” is no image/webp.' },
      { path: '/files/font-own', sentence: 'The font “Own” is no woff2 font, or damaged.' },
    ]);
  });

  it('are not read past the limit, also where they come packed small', async () => {
    const bomb = gzipSync(Buffer.alloc(110_000_000, 32));
    expect(bomb.length).to.be.below(1_000_000);
    const answer = await fetch(running.url + paths.sites(), {
      method: 'POST',
      body: bomb,
      headers: { 'Content-Type': 'application/json', 'Content-Encoding': 'gzip' },
    });
    expect(answer.status).to.equal(413);
    expect(((await answer.json()) as Problem).detail).to.match(/larger than 100 MB/);
  });

  it('are copied under another name, with images, and without what was published', async () => {
    const answer = await ask(paths.copies(SITE), 'POST', JSON.stringify({ name: 'A second hill' }));
    expect(answer.status).to.equal(201);
    expect(await answer.json()).to.deep.equal({ id: 'a-second-hill', firstPage: 'home' });
    expect(await listed('a-second-hill')).to.deep.include({ name: 'A second hill', pages: 4, live: null });
    expect((await ask(paths.asset('a-second-hill', saturn.hash))).headers.get('Content-Type')).to.equal(
      'image/webp',
    );
    for (const name of ['', '  ', 'a\u0000', '\ud800', 'x'.repeat(81), 7])
      expect((await ask(paths.copies(SITE), 'POST', JSON.stringify({ name }))).status).to.equal(422);
    expect((await ask(paths.copies('nowhere'), 'POST', '{"name":"a"}')).status).to.equal(404);
  });

  it('are archived and had back; what is published stays until it is taken down, and only then can they be removed', async () => {
    const { id } = (await (
      await bring(writeSiteFile(begun('pier', 'Pier'), startFiles('kiln')))
    ).json()) as AddedSite;
    expect((await ask(paths.site(id), 'DELETE')).status, 'not archived').to.equal(409);
    const { url } = (await (await ask(paths.publications(id), 'POST')).json()) as { url: string };
    expect((await ask(paths.archived(id), 'PUT')).status).to.equal(204);
    expect((await listed(id))!.putAwayAt).to.match(/^20/);
    expect((await fetch(url)).status, 'published still').to.equal(200);
    const refused = await ask(paths.site(id), 'DELETE');
    expect(refused.status).to.equal(409);
    expect(((await refused.json()) as Problem).detail).to.match(/still published; take them down first/);
    expect((await ask(paths.archived(id), 'DELETE')).status).to.equal(204);
    expect((await listed(id))!.putAwayAt).to.equal(null);
    await ask(paths.archived(id), 'PUT');
    expect((await ask(paths.live(id), 'DELETE')).status).to.equal(204);
    expect((await fetch(url)).status, 'taken down').to.equal(404);
    expect((await ask(paths.site(id), 'DELETE')).status).to.equal(204);
    expect(await listed(id)).to.equal(undefined);
    for (const [path, method] of [
      [paths.site(id), 'DELETE'],
      [paths.archived(id), 'PUT'],
      [paths.page(id, 'home'), 'GET'],
    ])
      expect((await ask(path, method)).status).to.equal(404);
  });

  it('leave nothing behind for another site that comes to have their address', async () => {
    await bring(writeSiteFile(begun('quay', 'Quay'), startFiles('kiln')));
    await ask(paths.page('quay', 'home'));
    await ask(paths.archived('quay'), 'PUT');
    await ask(paths.site('quay'), 'DELETE');
    await bring(writeSiteFile(begun('quay', 'Another quay'), startFiles('kiln')));
    const { frame } = (await (await ask(paths.page('quay', 'home'))).json()) as PageResponse;
    expect(frame.name).to.equal('Another quay');
  });

  it('come out as the folder of their pages, in one zip', async () => {
    const answer = await ask(paths.zip(SITE));
    expect(answer.headers.get('Content-Disposition')).to.match(/brindle-hill\.zip/);
    const files = unzipped(Buffer.from(await answer.arrayBuffer()));
    const { site } = await demoSite();
    // A copy in files takes no letters, and says so.
    const expected = compileSite(site, { still: true });
    expect([...files.keys()]).to.have.members([...expected.map(({ path }) => path), 'WHAT-IS-NOT-HERE.txt']);
    expect(files.get('WHAT-IS-NOT-HERE.txt')!.toString()).to.match(
      /cannot be sent from there: Booking form\./,
    );
    for (const file of expected)
      if ('text' in file) expect(files.get(file.path)!.toString('utf8')).to.equal(file.text);
  });

  it('can be tried on the demo, once more each time', async () => {
    const answer = await ask(paths.demo(), 'POST');
    expect(answer.status).to.equal(201);
    const { id, firstPage } = (await answer.json()) as AddedSite;
    expect(id).to.match(/^brindle-hill-observatory/);
    expect((await ask(paths.page(id, firstPage))).status).to.equal(200);
  });
});

describe('what is archived', function () {
  this.timeout(120_000);
  it('is forgotten after thirty days where it is not published, when the program starts', async () => {
    const folder = await freshFolder();
    const first = await openStore(folder);
    const ids: string[] = [];
    for (const name of ['Kept', 'Long gone', 'Published', 'Just now'])
      ids.push(await first.add({ site: begun('site', name), files: startFiles('kiln') }));
    expect(ids).to.deep.equal(['site', 'long-gone', 'published', 'just-now']);
    const day = 86_400_000;
    await first.publications.publish(
      'published',
      { manifest: {}, revision: 1, note: null, by: null, heldBack: null, state: null },
      await first.publications.start('published'),
    );
    await first.sites.putAway('long-gone', new Date(Date.now() - 31 * day));
    await first.sites.putAway('published', new Date(Date.now() - 31 * day));
    await first.sites.putAway('just-now', new Date(Date.now() - 29 * day));
    await first.close();
    const again = await openStore(folder);
    expect((await again.sites.list()).map(({ id }) => id)).to.deep.equal([
      SITE,
      'site',
      'published',
      'just-now',
    ]);
    await again.close();
    await rm(folder, { recursive: true });
  });
});
