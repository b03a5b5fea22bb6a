/** Where publications go besides the host: folders that any static server serves. */
import { expect } from 'chai';
import { mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Writable } from 'node:stream';
import { paths } from '../../api/paths.ts';
import type { LivePublication, Problem } from '../../api/responses.ts';
import { demoSite } from '../demo.ts';
import { folderTarget } from '../../server/targets/folder.ts';
import type { Delivered } from '../../server/targets/target.ts';
import { zipTarget } from '../../server/targets/zip.ts';
import { editor, inHome, set } from './editing.ts';
import { served, type Served } from './serving.ts';
import { unzipped } from './zips.ts';

const SITE = 'brindle-hill';

async function* files(all: Record<string, string>): AsyncGenerator<Delivered> {
  for (const [path, text] of Object.entries(all)) yield { path, type: 'text/html', bytes: Buffer.from(text) };
}

describe('a folder', () => {
  let folder: string;
  const target = () => folderTarget(join(folder, 'site'));
  const there = async () =>
    (await readdir(join(folder, 'site'), { recursive: true, withFileTypes: true }))
      .filter((each) => each.isFile() && !each.name.startsWith('.'))
      .map((each) => join(each.parentPath, each.name).slice(join(folder, 'site').length + 1))
      .sort();
  const SHEETS = ['a', 'b', 'c'].map((each) => `assets/index-${each.repeat(10)}.css`);
  beforeEach(async () => {
    folder = await mkdtemp(join(tmpdir(), 'dimorphe-target-'));
  });
  afterEach(() => rm(folder, { recursive: true, force: true }));

  it('is made, filled and brought up to date; what has gone leaves, its style sheets one publication later', async () => {
    expect(
      await target().take(files({ 'index.html': '1', 'visits/index.html': '1', [SHEETS[0]]: '1' })),
    ).to.deep.equal({ written: 3, removed: 0 });
    expect(await there()).to.deep.equal([SHEETS[0], 'index.html', 'visits/index.html']);
    expect(await target().take(files({ 'index.html': '2', [SHEETS[1]]: '2' }))).to.deep.equal({
      ...{ written: 2, removed: 1 },
    });
    expect(await there()).to.deep.equal([SHEETS[0], SHEETS[1], 'index.html']);
    expect(await readFile(join(folder, 'site', 'index.html'), 'utf8')).to.equal('2');
    // Nor does the folder stay that the page was alone in.
    expect(await readdir(join(folder, 'site'))).not.to.include('visits');
    await target().take(files({ 'index.html': '3', [SHEETS[2]]: '3' }));
    expect(await there()).to.deep.equal([SHEETS[1], SHEETS[2], 'index.html']);
  });

  it('is empty again where nothing is published any more, but for what others put there', async () => {
    await target().take(files({ 'index.html': '1', 'visits/index.html': '1', [SHEETS[0]]: '1' }));
    await target().take(files({ 'index.html': '2', [SHEETS[1]]: '2' }));
    await writeFile(join(folder, 'site', 'CNAME'), 'hill.example');
    expect(await target().take(files({}))).to.deep.equal({ written: 0, removed: 3 });
    expect(await readdir(join(folder, 'site'), { recursive: true })).to.deep.equal(['CNAME']);
  });

  it('keeps what somebody else put there, also where nothing is known of before, or what is known was damaged', async () => {
    await mkdir(join(folder, 'site', 'mine'), { recursive: true });
    for (const [name, text] of [
      ['CNAME', 'hill.example'],
      ['mine/notes.txt', 'Mine'],
      ['.dimorphe-publication.json', '{"files":["CNAME", 3],"leaving":'],
    ])
      await writeFile(join(folder, 'site', name), text);
    await target().take(files({ 'index.html': '1', 'mine/index.html': '1' }));
    await target().take(files({ 'index.html': '2' }));
    expect(await there()).to.deep.equal(['CNAME', 'index.html', 'mine/notes.txt']);
  });

  it('refuses to write over what somebody else put there, and has changed nothing then', async () => {
    await target().take(files({ 'index.html': '1', [SHEETS[0]]: '1' }));
    for (const [path, text] of [
      ['visits/index.html', 'Theirs'],
      ['robots.txt', 'Theirs, too'],
    ]) {
      await mkdir(join(folder, 'site', 'visits'), { recursive: true });
      await writeFile(join(folder, 'site', path), text);
      const fault = await target()
        .take(files({ [SHEETS[1]]: '2', 'index.html': '2', [path]: '2', [SHEETS[2]]: '2' }))
        .catch((error: unknown) => error);
      expect(String(fault)).to.contain(
        `a file ${path} that Dimorphe didn’t put there. Nothing in the folder was changed`,
      );
      expect(await readFile(join(folder, 'site', path), 'utf8')).to.equal(text);
      expect(await readFile(join(folder, 'site', 'index.html'), 'utf8')).to.equal('1');
      expect(await there())
        .to.include(SHEETS[0])
        .and.not.include(SHEETS[1]);
      // Taken down, it goes without what is theirs.
      await target().take(files({}));
      expect(await readFile(join(folder, 'site', path), 'utf8')).to.equal(text);
      await rm(join(folder, 'site', path));
      await target().take(files({ 'index.html': '1', [SHEETS[0]]: '1' }));
    }
  });

  it('removes nothing outside of itself, whatever is said to have been put there', async () => {
    await writeFile(join(folder, 'secret'), 'Mine');
    await mkdir(join(folder, 'site'));
    await writeFile(
      join(folder, 'site', '.dimorphe-publication.json'),
      JSON.stringify({
        files: ['../secret', '..', '/etc/hostname', join(folder, 'secret')],
        leaving: ['../secret'],
      }),
    );
    await target().take(files({ 'index.html': '1' }));
    expect(await readFile(join(folder, 'secret'), 'utf8')).to.equal('Mine');
  });

  it('has what pages need before the pages, and is whole again with the next publication after one that broke off', async () => {
    await target().take(files({ 'index.html': '1', 'old/index.html': '1', [SHEETS[0]]: '1' }));
    const broken = async function* (): AsyncGenerator<Delivered> {
      yield* files({ 'index.html': '2', 'new/index.html': '2', [SHEETS[1]]: '2' });
      throw new Error('no more');
    };
    const ended = await target()
      .take(broken())
      .then(
        () => 'taken',
        (error: Error) => error.message,
      );
    expect(ended).to.equal('no more');
    expect(await readFile(join(folder, 'site', 'index.html'), 'utf8'), 'as it was').to.equal('1');
    await target().take(files({ 'index.html': '3', [SHEETS[2]]: '3' }));
    expect(await there())
      .to.include.members(['index.html', SHEETS[2]])
      .and.not.include('old/index.html');
  });
});

describe('a folder for other servers', function () {
  this.timeout(120_000);
  let running: Served;
  let folder: string;
  before(async () => {
    folder = await mkdtemp(join(tmpdir(), 'dimorphe-published-'));
    running = await served({ publishTo: { folder } });
  });
  after(async () => {
    await running.end();
    await rm(folder, { recursive: true, force: true });
  });
  const { made } = editor(() => running.url);
  const ask = (path: string, method: string, body?: unknown) =>
    fetch(running.url + path, {
      method,
      headers: { 'Content-Type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
  const page = () => readFile(join(folder, SITE, 'index.html'), 'utf8');
  const reword = (text: string) => made([set(inHome('headline', 'content/text'), text)]);

  it('has what is live: what was published last, what was made live again, nothing of what was taken down', async () => {
    await reword('First');
    const first = (await (await ask(paths.publications(SITE), 'POST', {})).json()) as LivePublication;
    expect(first).not.to.have.property('notDelivered');
    expect(await page()).to.contain('First');
    await reword('Second');
    await ask(paths.publications(SITE), 'POST', {});
    expect(await page()).to.contain('Second');
    await ask(paths.live(SITE), 'PUT', { number: first.number });
    expect(await page()).to.contain('First');
    // All that a page names is there, by addresses that hold wherever the folder is served.
    const html = await page();
    const named = [...html.matchAll(/(?:href|src)="((?:\.\/)?assets\/[^"]+)"/g)].map(([, path]) => path);
    expect(named.length).to.be.above(5);
    for (const path of named) await readFile(join(folder, SITE, path));
    expect((await ask(paths.live(SITE), 'DELETE')).status).to.equal(204);
    expect((await readdir(folder)).includes(SITE) ? await readdir(join(folder, SITE)) : []).to.deep.equal([]);
  });

  it('has the last of several publications that were asked for at once', async () => {
    for (const round of [1, 2, 3]) {
      const all = [1, 2, 3, 4].map(async (each) => {
        await reword(`Round ${round}, edit ${each}`);
        return ask(paths.publications(SITE), 'POST', {});
      });
      await Promise.allSettled(all);
      const live = await (await fetch(`${running.hostUrl}/${SITE}/`)).text();
      expect(/Round \d, edit \d/.exec(await page())![0]).to.equal(/Round \d, edit \d/.exec(live)![0]);
    }
  });

  it('that cannot be written keeps nothing from going live, and that is said', async () => {
    await rm(join(folder, SITE), { recursive: true, force: true });
    await writeFile(join(folder, SITE), 'not a folder');
    const live = (await (await ask(paths.publications(SITE), 'POST', {})).json()) as LivePublication;
    expect(live.notDelivered).to.match(
      /^The folder .*brindle-hill could not be updated \(E[A-Z]+\); see to its rights/,
    );
    expect((await fetch(`${running.hostUrl}/${SITE}/`)).status).to.equal(200);
    const down = await ask(paths.live(SITE), 'DELETE');
    expect(down.status).to.equal(500);
    expect(((await down.json()) as Problem).detail).to.match(/^The site is taken down here\. The folder /);
    expect((await fetch(`${running.hostUrl}/${SITE}/`)).status).not.to.equal(200);
    await rm(join(folder, SITE));
    // What is live already is brought there by publishing once more.
    await ask(paths.publications(SITE), 'POST', {});
    await rm(join(folder, SITE), { recursive: true });
    expect(await (await ask(paths.publications(SITE), 'POST', {})).json()).not.to.have.property(
      'notDelivered',
    );
    expect(await page()).to.contain('<!DOCTYPE html>');
  });
});

describe('a zip', () => {
  const pages = () => files({ 'index.html': 'x'.repeat(400_000), 'visits/index.html': 'Visits' });
  /** A stream that takes everything. */
  function taking() {
    const chunks: Buffer[] = [];
    const to = new Writable({
      write(chunk: Buffer, _encoding, next) {
        chunks.push(chunk);
        next();
      },
    });
    return { to, bytes: () => Buffer.concat(chunks) };
  }
  /** What a piece of work rejects with, and whatever was rejected meanwhile without anybody to hear of it. */
  async function failing(work: () => Promise<unknown>): Promise<{ fault: unknown; unheard: unknown[] }> {
    const unheard: unknown[] = [];
    const others = process.listeners('unhandledRejection');
    process.removeAllListeners('unhandledRejection').on('unhandledRejection', (why) => unheard.push(why));
    try {
      const fault = await work().then(
        () => undefined,
        (error: unknown) => error,
      );
      // Rejections that nobody heard of are reported after the promises of a turn have run.
      for (let turn = 0; turn < 5; turn++) await new Promise((resolve) => setImmediate(resolve));
      return { fault, unheard };
    } finally {
      process.removeAllListeners('unhandledRejection');
      others.forEach((each) => process.on('unhandledRejection', each));
    }
  }

  it('is the same bytes for the same files, whenever it is made', async () => {
    const made = [taking(), taking()];
    for (const { to } of made) await zipTarget(to).take(pages());
    expect(made[0].bytes().equals(made[1].bytes())).to.equal(true);
    expect([...unzipped(made[0].bytes()).keys()]).to.deep.equal(['index.html', 'visits/index.html']);
    // MS-DOS date and time (PKWARE APPNOTE, §4.4.6): the first of January 1980, midnight.
    expect(made[0].bytes().readUInt32LE(10)).to.equal((1 << 21) | (1 << 16));
  });

  it('rejects where the one who fetches it goes away, and nothing else is left that fails', async () => {
    const { to } = taking();
    async function* cut(): AsyncGenerator<Delivered> {
      yield* files({ 'index.html': 'Home' });
      to.destroy();
      await new Promise((resolve) => setImmediate(resolve));
      yield* files({ 'visits/index.html': 'Visits' });
    }
    const { fault, unheard } = await failing(() => zipTarget(to).take(cut()));
    expect(fault).to.have.property('code', 'ERR_STREAM_PREMATURE_CLOSE');
    expect(unheard).to.deep.equal([]);
  });

  it('rejects where a file cannot be made, and ends what was sent so far', async () => {
    const { to } = taking();
    async function* failingFiles(): AsyncGenerator<Delivered> {
      yield* files({ 'index.html': 'Home' });
      throw new Error('no image');
    }
    const { fault, unheard } = await failing(() => zipTarget(to).take(failingFiles()));
    expect(fault).to.have.property('message', 'no image');
    expect(unheard).to.deep.equal([]);
    expect(to.destroyed).to.equal(true);
  });

  it('of a site with a damaged image is answered with a sentence, and the program goes on', async () => {
    const running = await served();
    try {
      const { site } = await demoSite();
      const { hash, name } = site.frame.assets.find(({ id }) => id === 'saturn')!;
      await writeFile(join(running.folder, 'files', hash.slice(0, 2), hash), 'damaged');
      const answer = await fetch(running.url + paths.zip(SITE));
      expect(answer.status).to.equal(500);
      expect(((await answer.json()) as Problem).detail).to.contain(name);
      // The download of another is cut off half way.
      const ended = new AbortController();
      const cut = await fetch(running.url + paths.zip(SITE), { signal: ended.signal }).catch(() => undefined);
      ended.abort();
      await cut?.body?.cancel().catch(() => undefined);
      expect((await fetch(running.url + paths.sites())).status).to.equal(200);
    } finally {
      await running.end();
    }
  });
});
