import { once } from 'node:events';
import { mkdir, mkdtemp, readdir, readFile, rm, utimes, writeFile } from 'node:fs/promises';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { paths } from '../../api/paths.ts';
import type { SiteFrame } from '../../core/index.ts';
import { clearDrafts, fileStore } from '../../server/store/files.ts';
import { FolderRefused, unusable } from '../../server/store/folder.ts';
import { holderOf, lockFolder } from '../../server/store/lock.ts';
import { start } from '../../server/start.ts';
import { editor, inHome, set } from './editing.ts';
import { launched } from './killing.ts';
import { running } from './program.ts';
import { freshFolder, served } from './serving.ts';

const HOME = paths.page('brindle-hill', 'home');

describe('a data folder', () => {
  it('serves one process; a second is refused with a sentence and changes nothing', async () => {
    const running = await served();
    try {
      let sentence = '';
      await start({ port: 0, hostPort: 0, dataFolder: running.folder }).catch(
        (error: Error) => (sentence = error.message),
      );
      expect(sentence).to.match(/in use by another Dimorphe .*Nothing was changed.*DIMORPHE_DATA/);
      expect((await fetch(running.url + paths.health())).status).to.equal(200);
      expect(holderOf(running.folder)).to.include({ pid: process.pid, url: running.url });
    } finally {
      await running.end();
    }
  });

  it('is free again when its process is gone, even if that was killed', async () => {
    const folder = await freshFolder();
    // What a killed process said of itself stays, and a living process has its id by now.
    await writeFile(join(folder, 'lock.json'), JSON.stringify({ pid: process.pid }));
    expect(holderOf(folder)).to.equal(undefined);
    const lock = await lockFolder(folder);
    expect(holderOf(folder)).to.include({ pid: process.pid });
    lock.release();
    expect(holderOf(folder)).to.equal(undefined);
    await rm(folder, { recursive: true });
  });

  it('is seen as taken from where processes are counted again, as in another container', async () => {
    const folder = await freshFolder();
    const lock = await lockFolder(folder);
    // From there the holder is a process that does not exist: Linux gives out at most 4194304 (proc(5), kernel.pid_max).
    await writeFile(join(folder, 'lock.json'), JSON.stringify({ pid: 4194305 }));
    const message = await lockFolder(folder).then(
      () => 'taken',
      (error: Error) => error.message,
    );
    expect(message).to.match(/is in use by another Dimorphe \(process 4194305\)/);
    lock.release();
    await rm(folder, { recursive: true });
  });

  it('goes to one of many that want it at once, also over a lock that was left behind', async () => {
    const { spawn } = await import('node:child_process');
    for (let round = 0; round < 4; round++) {
      const folder = await freshFolder();
      if (round % 2 === 1) await writeFile(join(folder, 'lock.json'), JSON.stringify({ pid: 1 }));
      // Each takes the lock at the same moment, says whether it has it, and keeps it until all have said so.
      const program = `process.stdin.once('data', async () => console.log(await lockFolder(${JSON.stringify(folder)}).then(() => 'yes', () => 'no')));
        process.stdin.once('end', () => process.exit(0)); console.log('ready');`;
      const children = Array.from({ length: 4 }, () =>
        spawn(process.execPath, running('server/lock', '{ lockFolder }', program), {
          stdio: ['pipe', 'pipe', 'inherit'],
        }),
      );
      const says = async (child: (typeof children)[number]) =>
        ((await once(child.stdout, 'data')) as [Buffer])[0].toString().trim();
      await Promise.all(children.map(says));
      const answers = Promise.all(children.map(says));
      children.forEach((child) => child.stdin.write('go'));
      expect(
        (await answers).filter((answer) => answer === 'yes'),
        `round ${round}`,
      ).to.have.length(1);
      await Promise.all(children.map((child) => (child.stdin.end(), once(child, 'exit'))));
      await rm(folder, { recursive: true });
    }
  }).timeout(120_000);

  it('holds every acknowledged edit, though the process is killed right after', async () => {
    const folder = await freshFolder();
    const { child, url } = await launched(folder);
    const { made } = editor(() => url);
    for (let weight = 501; weight <= 505; weight++)
      await made([set(inHome('headline', 'style/self/weight/base'), weight)]);
    child.kill('SIGKILL');
    await once(child, 'exit');
    const again = await served({ dataFolder: folder });
    try {
      const kept = (await (await fetch(again.url + HOME)).json()) as {
        revision: number;
        page: { nodes: any };
      };
      expect(kept.revision).to.equal(6);
      expect(kept.page.nodes.headline.style.self.weight).to.deep.equal({ base: 505 });
    } finally {
      await again.end();
    }
  });

  it('is left free when a port is taken, which is said with the variable to change', async () => {
    const other = createServer().listen(0, '127.0.0.1');
    await once(other, 'listening');
    const { port } = other.address() as { port: number };
    const folder = await freshFolder();
    let sentence = '';
    await start({ port, hostPort: 0, dataFolder: folder }).catch(
      (error: Error) => (sentence = error.message),
    );
    expect(sentence).to.equal(
      `Port ${port} is taken by another program. End it, or choose another port with PORT.`,
    );
    expect(holderOf(folder)).to.equal(undefined);
    other.close();
    await rm(folder, { recursive: true });
  });

  /** Why a folder is not taken. */
  const refused = (dataFolder: string): Promise<string> =>
    start({ port: 0, hostPort: 0, dataFolder }).then(
      async (running) => (await running.stop(), 'taken'),
      (error: Error) => (error instanceof FolderRefused ? error.message : `a fault: ${error.stack}`),
    );

  /** Every file below a folder, with its bytes. */
  const contents = async (folder: string): Promise<Record<string, string>> => {
    const names = await readdir(folder, { recursive: true, withFileTypes: true });
    const files = names.filter((entry) => entry.isFile() && entry.name !== 'lock.json');
    return Object.fromEntries(
      await Promise.all(
        files.map(async ({ parentPath, name }) => {
          const path = join(parentPath, name);
          return [path, (await readFile(path)).toString('base64')] as const;
        }),
      ),
    );
  };

  it('is left alone where what should name proxies does not, which is said', async () => {
    const folder = await freshFolder();
    const begun = (trustedProxies: string[]) =>
      start({ port: 0, hostPort: 0, dataFolder: folder, trustedProxies }).then(
        (running) => running.stop().then(() => 'started'),
        (error: Error) => error.message,
      );
    for (const wrong of ['everyone', '10.0.0.0/99', '10.0.0.'])
      expect(await begun([wrong])).to.match(
        new RegExp(`TRUSTED_PROXIES is “${wrong}”, and should be addresses`),
      );
    expect(holderOf(folder)).to.equal(undefined);
    expect(await begun(['loopback', '10.0.0.0/8', '::1'])).to.equal('started');
    await rm(folder, { recursive: true });
  });

  it('that is not whole is refused with what is missing, and nothing is written over it', async () => {
    const takeAway: [string, RegExp][] = [
      ['database/PG_VERSION', /database .* is not complete: PG_VERSION is missing/],
      ['database/global/pg_control', /is not complete: global\/pg_control is missing/],
      ['database/base', /is not complete: base is missing/],
      ['database/pg_wal', /is not complete: pg_wal is missing/],
      ['database', /holds files, but no database/],
    ];
    for (const [path, sentence] of takeAway) {
      const folder = await freshFolder();
      await rm(join(folder, path), { recursive: true });
      const before = await contents(folder);
      const message = await refused(folder);
      expect(message).to.match(sentence);
      expect(message).to.include('Nothing was changed').and.include('restore BACKUP');
      expect(await contents(folder)).to.deep.equal(before);
      await rm(folder, { recursive: true });
    }
  }).timeout(60_000);

  it('with other things in it and no database is left alone; an empty one is begun', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'dimorphe-test-'));
    await writeFile(join(folder, 'letters.txt'), 'mine');
    expect(await refused(folder)).to.match(/holds letters\.txt, but no database/);
    await rm(join(folder, 'letters.txt'));
    // What a first start left that was killed half way.
    await mkdir(join(folder, 'database.draft-1', 'base'), { recursive: true });
    expect(await refused(folder)).to.equal('taken');
    expect(await readdir(folder)).to.have.members(['database', 'lock.json']);
    await rm(folder, { recursive: true });
  }).timeout(60_000);

  it('whose catalogue is damaged is refused with a sentence, and left as it is', async () => {
    const folder = await freshFolder();
    await writeFile(join(folder, 'database', 'global', 'pg_control'), Buffer.alloc(8192, 7));
    const message = await refused(folder);
    expect(message).to.match(/^The database in .* cannot be opened: .*It was not changed\..*restore BACKUP/s);
    await rm(folder, { recursive: true });
  }).timeout(60_000);

  it('that cannot be written says so, with what to do', async function () {
    // To the superuser nothing is forbidden; a folder below a file cannot be made by anyone.
    const file = join(await mkdtemp(join(tmpdir(), 'dimorphe-test-')), 'file');
    await writeFile(file, '');
    expect(await refused(join(file, 'data'))).to.match(/cannot be used: a part of its path is a file/);
    const error = (code: string) =>
      (unusable('/data', Object.assign(new Error(), { code })) as Error).message;
    expect(error('EACCES')).to.match(/this user may not write there/);
    expect(error('EROFS')).to.match(/can only be read/);
    expect(error('ENOSPC')).to.match(/the disk is full/);
    expect(unusable('/data', 'else')).to.equal('else');
  });
});

describe('files', () => {
  it('that are cut, changed or gone are told, never served, and mended when the same is imported again', async () => {
    const running = await served();
    try {
      const { frame } = (await (await fetch(running.url + HOME)).json()) as { frame: SiteFrame };
      const asset = frame.assets.find(({ id }) => id === 'dome-at-dusk')!;
      const path = join(running.folder, 'files', asset.hash.slice(0, 2), asset.hash);
      const bytes = await readFile(path);
      const changed = Buffer.from(bytes);
      changed[200] ^= 1;
      const get = () => fetch(running.url + paths.asset('brindle-hill', asset.hash));
      for (const [damage, word] of [
        [() => writeFile(path, bytes.subarray(0, 900)), 'damaged'],
        [() => writeFile(path, changed), 'damaged'],
        [() => rm(path), 'missing'],
      ] as const) {
        await damage();
        const answer = await get();
        expect(answer.status).to.equal(500);
        expect(((await answer.json()) as { detail: string }).detail).to.match(
          new RegExp(`“${asset.name}” is ${word} .*Nothing was changed.*restore BACKUP`),
        );
        const publishing = await fetch(running.url + paths.publications('brindle-hill'), { method: 'POST' });
        expect(publishing.status).to.equal(500);
        expect(((await publishing.json()) as { detail: string }).detail).to.include(asset.name);
        expect((await fetch(`${running.hostUrl}/brindle-hill/`)).status).to.equal(404);
        expect(await fileStore(join(running.folder, 'files')).put(bytes)).to.equal(asset.hash);
        expect((await get()).status).to.equal(200);
      }
    } finally {
      await running.end();
    }
  });

  it('are not named by an edit before they are kept', async () => {
    const running = await served();
    try {
      const { post, revision } = editor(() => running.url);
      const font = { id: 'font-x', name: 'X', hash: 'ab'.repeat(32), weights: '400', style: 'normal' };
      const add = [set('/frame/fonts/font-x', font)];
      const answer = await post(add, { on: await revision() });
      expect(answer.status).to.equal(422);
      expect(((await answer.json()) as { detail: string }).detail).to.include(
        '“X” has no file in the data folder',
      );
    } finally {
      await running.end();
    }
  });

  it('half written by a killed process are cleared, those of a living one are not', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'dimorphe-test-'));
    await mkdir(join(folder, 'drafts'));
    for (const name of ['old', 'new']) await writeFile(join(folder, 'drafts', name), 'half');
    const aDayAgo = new Date(Date.now() - 86_400_000);
    await utimes(join(folder, 'drafts', 'old'), aDayAgo, aDayAgo);
    await clearDrafts(folder);
    expect(await readdir(join(folder, 'drafts'))).to.deep.equal(['new']);
    await rm(folder, { recursive: true });
  });
});
