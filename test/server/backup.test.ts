/** Backups: written while the program runs and by themselves, read again, refused when they are not whole; and looking whether all is whole. */
import { execFile } from 'node:child_process';
import { cp, mkdtemp, readdir, readFile, rm, stat, utimes, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import { paths } from '../../api/paths.ts';
import { readBackup } from '../../server/store/backup.ts';
import { backUpDaily, KEPT } from '../../server/store/daily.ts';
import { openDatabase } from '../../server/store/database.ts';
import { openStore } from '../../server/store/open.ts';
import { restoreBackup } from '../../server/store/restore.ts';
import type { Site } from '../../core/index.ts';
import { demoSite } from '../demo.ts';
import { editor, inHome, set } from './editing.ts';
import { startPostgres } from './postgres.ts';
import { commandLine } from './program.ts';
import { freshFolder, served } from './serving.ts';

/** The command line in a process of its own; the server that it may ask can live in this one. */
async function run(args: string[], data: string) {
  const done = { status: 0, stdout: '', stderr: '' };
  try {
    const { stdout, stderr } = await promisify(execFile)(process.execPath, commandLine(...args), {
      env: { ...process.env, DIMORPHE_DATA: data },
    });
    Object.assign(done, { stdout, stderr });
  } catch (error) {
    const { code, stdout, stderr } = error as { code: number; stdout: string; stderr: string };
    Object.assign(done, { status: code, stdout, stderr });
  }
  expect(done.stderr).not.to.match(/\n\s+at /);
  return done;
}

const temporary = () => mkdtemp(join(tmpdir(), 'dimorphe-backup-'));

/** A backup of a folder that no program has open. */
async function backedUp(folder: string): Promise<string> {
  const target = join(await temporary(), 'copy');
  const store = await openStore(folder);
  await store.backup(target);
  await store.close();
  return target;
}

async function verified(folder: string) {
  const store = await openStore(folder);
  const found = await store.verify();
  await store.close();
  return found;
}

/** Why a backup is not restored. */
const refusal = (backup: string, folder: string): Promise<string> =>
  restoreBackup(backup, folder).then(
    () => 'restored',
    (error: Error) => error.message,
  );

/** All that a person would miss: the site, its steps, and what is published. */
async function state(url: string, hostUrl: string) {
  const get = async (path: string) => (await fetch(url + path)).json();
  const { live, revision } = await get(paths.site('brindle-hill'));
  return {
    file: await get(paths.file('brindle-hill')),
    steps: (await get(paths.steps('brindle-hill'))).steps,
    revision,
    live: live && { number: live.number, publishedAt: live.publishedAt },
    published: await (await fetch(`${hostUrl}/brindle-hill/`)).text(),
  };
}

describe('a backup', function () {
  this.timeout(180_000);

  it('taken while the program runs brings everything back: pages, steps, publications and files', async () => {
    const target = join(await temporary(), 'copy');
    const running = await served();
    const { made } = editor(() => running.url);
    await made([set(inHome('headline', 'style/self/weight/base'), 555)]);
    await fetch(running.url + paths.publications('brindle-hill'), { method: 'POST' });
    await made([set(inHome('headline', 'style/self/weight/base'), 666)]);
    const before = await state(running.url, running.hostUrl);
    const result = await run(['backup', target], running.folder);
    expect(result.status, result.stderr).to.equal(0);
    // The copy that was asked for does not stay behind, and one that is there is not written over.
    expect(await readdir(join(running.folder, 'backups'))).to.deep.equal([]);
    expect((await run(['backup', target], running.folder)).stderr).to.match(
      /is not empty\. Nothing was written/,
    );
    // A running program is not restored over.
    expect((await run(['restore', target], running.folder)).stderr).to.match(/in use by another Dimorphe/);
    await made([set(inHome('headline', 'style/self/weight/base'), 777)]);
    await running.stop();

    const restored = await run(['restore', target], running.folder);
    expect(restored.status, restored.stderr).to.equal(0);
    const aside = /is in (\S+before-restore-\S+);/.exec(restored.stderr)![1];
    expect(await readdir(join(aside, 'database'))).to.include('PG_VERSION');
    const again = await served({ dataFolder: running.folder });
    try {
      const after = await state(again.url, again.hostUrl);
      for (const [name, value] of Object.entries(before))
        expect(after[name as keyof typeof after], name).to.deep.equal(value);
      // Steps are still undone, and edits go on.
      await editor(() => again.url).made([set(inHome('headline', 'style/self/weight/base'), 601)]);
    } finally {
      await again.end();
    }
  });

  it('brings back a folder that has lost its database, or everything', async () => {
    const folder = await freshFolder();
    const target = await backedUp(folder);
    await rm(join(folder, 'database'), { recursive: true });
    expect((await restoreBackup(target, folder)).aside).to.equal(undefined);
    expect((await verified(folder)).findings).to.deep.equal([]);
    const empty = await temporary();
    expect((await restoreBackup(target, empty)).damaged).to.deep.equal([]);
    expect((await run(['verify'], empty)).stdout).to.match(
      /^1 site, \d+ pages, 0 edits, 0 publications, \d+ files: all is whole\.\n$/,
    );
  });

  it('is of one moment, though edits, pages, letters and sites come and go while it is written', async () => {
    for (const database of ['embedded', 'server'] as const) {
      const postgres = database === 'server' ? await startPostgres() : undefined;
      const folder = postgres ? await temporary() : await freshFolder();
      const store = await openStore(folder, postgres?.url);
      const { site: demo } = await demoSite();
      const named = (id: string): Site => ({ ...demo, frame: { ...demo.frame, id } });
      if (postgres) await store.add({ site: demo, files: (await demoSite()).files });
      // Rows enough for many readings.
      for (let copy = 0; copy < (postgres ? 18 : 6); copy++)
        await store.add({ site: named(`copy-${copy}`), files: {} });
      const target = join(await temporary(), 'copy');
      let isDone = false;
      let revision = 1;
      const edit = async (turn: number) => {
        const value = { ...demo.pages['visits' as never], id: 'more' };
        const operations = [
          { op: 'set' as const, path: '/pages/home/nodes/lead/name', value: `Turn ${turn}` },
          ...(turn % 2 === 0
            ? [
                { op: 'set' as const, path: '/pages/more', value },
                {
                  op: 'set' as const,
                  path: '/frame/pages/more',
                  value: { ...demo.frame.pages[1], id: 'more', slug: 'more' },
                },
              ]
            : [
                { op: 'clear' as const, path: '/pages/more' },
                { op: 'clear' as const, path: '/frame/pages/more' },
              ]),
        ];
        const key = `key-${database}-${turn}`;
        const result = await store.history.edit(demo.frame.id, revision, {
          ...{ key, fingerprint: key, session: 's', by: 'edit', sentence: 'While it is written' },
          operations,
        });
        expect(result.outcome, JSON.stringify(result)).to.equal('accepted');
        revision += 1;
      };
      await edit(0);
      // Two at once: whichever comes first is written, and the other is refused at once.
      const both = [target, `${target}-2`].map(async (folder) => {
        const message = await store.backup(folder).then(
          () => undefined,
          (error: Error) => error.message,
        );
        return { folder, message };
      });
      const refused = await Promise.race(both);
      expect(refused.message).to.match(/Another backup is being written/);
      const written = refused.folder === target ? 1 : 0;
      const writing = both[written].then((backup) => {
        isDone = true;
        return backup;
      });
      for (let turn = 1; !isDone; turn++) {
        // Others get their turns on this thread, too.
        if (!postgres)
          for (let pause = 0; pause < 5; pause++) await new Promise((resolve) => setImmediate(resolve));
        await edit(turn);
        await store.letters.keep(demo.frame.id, {
          ...{
            form: 'f',
            formName: 'F',
            page: '',
            doubtful: false,
            lines: [{ label: 'n', value: `${turn}` }],
          },
        });
        if (turn === 1) {
          await store.sites.putAway('copy-5', new Date());
          expect(await store.remove('copy-5')).to.equal('removed');
          await store.add({ site: named('copy-6'), files: {} });
        }
      }
      const { folder: backup, message } = await writing;
      expect(message).to.equal(undefined);
      expect(revision, 'edits were made meanwhile').to.be.greaterThan(3);
      await store.close();
      const empty = await temporary();
      await rm(empty, { recursive: true });
      await restoreBackup(backup, empty);
      const found = await verified(empty);
      expect(found.findings).to.deep.equal([]);
      const again = await openStore(empty);
      const now = (await again.history.snapshot(demo.frame.id))!;
      const steps = await again.history.steps(demo.frame.id, { after: 0, before: 10_000 }, 10_000);
      expect(steps.at(-1)!.revision, 'the site and its log').to.equal(now.revision);
      expect(steps.length).to.equal(now.revision - 1);
      expect(now.site.pages['home' as never].nodes['lead' as never].name).to.equal(
        `Turn ${now.revision - 2}`,
      );
      expect('more' in now.site.pages).to.equal(now.revision % 2 === 0);
      await again.close();
      postgres?.stop();
    }
  });

  it('that is not whole is refused with what is wrong, and changes nothing', async () => {
    const folder = await freshFolder();
    const whole = await backedUp(folder);
    const damages: [(copy: string) => Promise<unknown>, RegExp][] = [
      [(copy) => rm(join(copy, 'backup.json')), /has no backup\.json/],
      [(copy) => writeFile(join(copy, 'backup.json'), '{"format":1}'), /not one of a backup/],
      [(copy) => writeFile(join(copy, 'tables', 'nodes.jsonl'), ''), /table “nodes” is missing or damaged/],
      [
        (copy) =>
          rm(join(copy, 'tables', 'log.jsonl')).then(() => writeFile(join(copy, 'tables', 'log.jsonl'), 'x')),
        /table “log” is missing or damaged/,
      ],
    ];
    for (const [damage, sentence] of damages) {
      const copy = join(await temporary(), 'copy');
      await cp(whole, copy, { recursive: true });
      await damage(copy);
      expect(await refusal(copy, folder))
        .to.match(sentence)
        .and.include('Nothing was changed');
    }
    const head = JSON.parse(await readFile(join(whole, 'backup.json'), 'utf8'));
    await writeFile(join(whole, 'backup.json'), JSON.stringify({ ...head, version: head.version + 1 }));
    expect(await refusal(whole, folder)).to.include('newer Dimorphe');
    expect((await verified(folder)).findings).to.deep.equal([]);
    expect(await refusal('/nowhere', folder)).to.include('/nowhere cannot be restored');
  });

  it('with a damaged file brings back all else, and says so', async () => {
    const folder = await freshFolder();
    const target = join(await temporary(), 'copy');
    const store = await openStore(folder);
    const [lost, rotten] = await store.files.list();
    const at = (within: string, hash: string) => join(within, 'files', hash.slice(0, 2), hash);
    // One is damaged before the backup is made, another in the backup.
    await writeFile(at(folder, lost), 'cut');
    await store.backup(target);
    await store.close();
    expect(JSON.parse(await readFile(join(target, 'backup.json'), 'utf8'))).to.deep.include({
      damaged: [lost],
    });
    await writeFile(at(target, rotten), 'cut');
    const empty = await temporary();
    const result = await run(['restore', target], empty);
    expect(result.status, result.stderr).to.equal(0);
    expect(result.stderr).to.include('2 files of the backup are damaged and could not be restored');
    expect((await verified(empty)).findings).to.have.length(2);
  });

  it('is made once a day by itself, and the last seven are kept', async () => {
    const folder = join(await temporary(), 'backups');
    const store = await openStore(await freshFolder());
    const day = (count: number) => new Date(Date.UTC(2026, 10, count, 12));
    const made: boolean[] = [];
    for (let count = 1; count <= 9; count++) {
      made.push(await backUpDaily(folder, store.backup, day(count)));
      const [newest] = (await readdir(folder)).sort().reverse();
      await utimes(join(folder, newest), day(count), day(count));
      made.push(await backUpDaily(folder, store.backup, new Date(day(count).getTime() + 3_600_000)));
    }
    expect(made).to.deep.equal(Array.from({ length: 9 }, () => [true, false]).flat());
    const names = (await readdir(folder)).sort();
    expect(names).to.have.length(KEPT);
    expect(names[0]).to.equal('2026-11-03T12-00-00.000Z');
    await readBackup(join(folder, names[6]));
    // Files that do not change are not kept seven times.
    const [hash] = await store.files.list();
    expect((await stat(join(folder, names[0], 'files', hash.slice(0, 2), hash))).nlink).to.equal(KEPT);
    await store.close();
  });
});

describe('looking whether all is whole', function () {
  this.timeout(120_000);

  it('finds what is damaged, each with where, and says so at the end', async () => {
    const folder = await freshFolder();
    const store = await openStore(folder);
    const { site } = (await store.history.snapshot('brindle-hill'))!;
    const asset = site.frame.assets.find(({ id }) => id === 'saturn')!;
    await writeFile(join(folder, 'files', asset.hash.slice(0, 2), asset.hash), 'cut');
    await store.close();
    const { database, close } = await openDatabase(folder);
    await database.execute(
      sql`update nodes set node = jsonb_set(node, '{style,self,weight}', '{"base":"heavy"}') where id = 'headline'`,
    );
    await database.execute(
      sql`insert into publications (site, number, manifest) values ('brindle-hill', 1, ${JSON.stringify({ 'index.html': { hash: 'ab'.repeat(32), type: 'text/html' } })}::jsonb)`,
    );
    await database.execute(
      sql`insert into log (site, revision, key, fingerprint, base, session, by, sentence, operations, inverse)
          values ('brindle-hill', 1, 'k', 'f', 0, 's', 'edit', 'x', '[]', '[{"op":"clear","path":"/frame/nowhere/x"}]')`,
    );
    await close();
    const result = await run(['verify'], folder);
    expect(result.status).to.equal(1);
    const lines = result.stderr.trim().split('\n');
    expect(lines[0]).to.match(/^1 site, \d+ pages, 1 edit, 1 publication, \d+ files: 4 findings\.$/);
    expect(result.stderr).to.match(
      /The site brindle-hill, \/pages\/home\/nodes\/headline\/style\/self\/weight\/base: “?"?heavy/,
    );
    expect(result.stderr).to.include(
      `The site brindle-hill: The file of “${asset.name}” is damaged in the data folder.`,
    );
    expect(result.stderr).to.match(
      /Publication 1 of brindle-hill, index\.html: The file of (ab)+ is missing/,
    );
    expect(result.stderr).to.include('Step 1 of brindle-hill does not fit what it was made on');
  });

  it('finds a damaged block of the database, which a running program tells as well', async () => {
    const folder = await freshFolder();
    const { database, close } = await openDatabase(folder);
    const { rows } = (await database.execute<Record<string, unknown>>(
      sql`select pg_relation_filepath('nodes') as path`,
    )) as {
      rows: { path: string }[];
    };
    await close();
    const path = join(folder, 'database', rows[0].path);
    const bytes = await readFile(path);
    // The header of the second block: its checksum, flags and pointers.
    bytes.fill(0xff, 8192, 8192 + 24);
    await writeFile(path, bytes);
    const result = await run(['verify'], folder);
    expect(result.status).to.equal(1);
    expect(result.stderr).to.match(/The table of nodes: damaged on the disk/);
    const running = await served({ dataFolder: folder });
    try {
      const answer = await fetch(running.url + paths.page('brindle-hill', 'home'));
      expect(answer.status).to.equal(500);
      expect(((await answer.json()) as { detail: string }).detail).to.match(
        /A part of the database is damaged.*trying again will not help.*verify.*restore/,
      );
    } finally {
      await running.end();
    }
  });

  it('needs a data folder with a database', async () => {
    expect((await run(['verify'], '/nonexistent/dimorphe')).stderr).to.match(
      /There is no database in the data folder/,
    );
  });
});
