/** Data folders that an earlier version of the program has written: everything in them is there again, in the present form. */
import { expect } from 'chai';
import { createHash } from 'node:crypto';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { demoSite } from '../demo.ts';
import { headOf, siteFaults } from '../../core/index.ts';
import { withMigrationsUpTo } from '../../server/store/migrations.ts';
import { openStore } from '../../server/store/open.ts';
import { restoreBackup } from '../../server/store/restore.ts';
import { SITE } from './editing.ts';

/** A database as the version before one history a site had it: a page whole in a row, with its head, and a revision each. */
async function folderOfBefore(version: 1 | 2): Promise<string> {
  const folder = await mkdtemp(join(tmpdir(), 'dimorphe-test-'));
  const client = await PGlite.create(join(folder, 'database'));
  await withMigrationsUpTo(3, (migrationsFolder) => migrate(drizzle(client), { migrationsFolder }));
  const { site } = await demoSite();
  const { pages: heads, ...frame } = site.frame;
  const stored = version === 2 ? frame : { ...frame, version: 1, spacing: undefined, fonts: undefined };
  await client.query('insert into sites (id, frame, revision, live) values ($1, $2, 7, 2)', [
    SITE,
    JSON.stringify(stored),
  ]);
  for (const [position, head] of heads.entries()) {
    const document = structuredClone({ ...head, ...site.pages[head.id] }) as any;
    if (version === 1) {
      document.nodes.headline &&= {
        ...document.nodes.headline,
        style: { self: { borderWidth: { base: 3 }, weight: { base: 550 } }, link: {} },
      };
    }
    await client.query(
      'insert into pages (site, id, position, revision, document) values ($1, $2, $3, $4, $5)',
      [SITE, head.id, position, position + 3, JSON.stringify(document)],
    );
  }
  await client.query(
    `insert into edits (site, page, revision, operations, sentence) values ($1, 'home', 2, '[]', 'Before')`,
    [SITE],
  );
  const revisions = Object.fromEntries([['', 7], ...heads.map(({ id }, position) => [id, position + 3])]);
  for (const [number, changed] of [
    [1, { ...revisions, home: 1 }],
    [2, revisions],
  ] as const) {
    await client.query(
      `insert into publications (site, number, manifest, revisions) values ($1, $2, '{"index.html":{"hash":"0","type":"text/html"}}', $3)`,
      [SITE, number, JSON.stringify(changed)],
    );
  }
  await client.close();
  return folder;
}

describe('a data folder of the version before', function () {
  this.timeout(120_000);

  it('has its pages, their heads and order, its publications, and what is live', async () => {
    const folder = await folderOfBefore(2);
    const store = await openStore(folder);
    const { site: demo } = await demoSite();
    const found = (await store.history.snapshot(SITE))!;
    expect(found.site).to.deep.equal(demo);
    expect(found.revision).to.equal(1);
    expect(siteFaults(found.site)).to.deep.equal([]);
    const live = (await store.publications.live(SITE))!;
    expect(live.number).to.equal(2);
    expect(live.revision, 'nothing has changed since').to.equal(1);
    expect(live.manifest['index.html']).to.include({ type: 'text/html' });
    expect(
      await store.history.steps(SITE, { after: 0, before: 99 }, 10),
      'steps of before cannot be told by id',
    ).to.deep.equal([]);
    await store.close();
    const again = await openStore(folder);
    expect((await again.history.snapshot(SITE))!.site, 'opened once more').to.deep.equal(demo);
    await again.close();
    await rm(folder, { recursive: true });
  });

  it('of version 1 comes to the present form on the same way', async () => {
    const folder = await folderOfBefore(1);
    const store = await openStore(folder);
    const { site } = (await store.history.snapshot(SITE))!;
    expect(site.frame).to.deep.include({ version: 3, spacing: [], fonts: [] });
    expect(headOf(site.frame, 'visits' as never).title).to.equal('Visits');
    const { style } = site.pages['home' as never].nodes['headline' as never];
    expect(style).to.deep.equal({
      self: {
        weight: { base: 550 },
        borderTop: { base: 3 },
        borderRight: { base: 3 },
        borderBottom: { base: 3 },
        borderLeft: { base: 3 },
      },
    });
    await store.close();
    await rm(folder, { recursive: true });
  });

  it('is brought back from a backup of it, too', async () => {
    const folder = await folderOfBefore(2);
    const client = await PGlite.create(join(folder, 'database'));
    const backup = join(folder, 'backup');
    await mkdir(join(backup, 'tables'), { recursive: true });
    const tables: Record<string, { rows: number; sha256: string }> = {};
    for (const name of ['sites', 'pages', 'publications']) {
      const { rows } = await client.query<{ row: string }>(`select to_jsonb(t)::text as row from ${name} t`);
      const text = rows.map(({ row }) => `${row}\n`).join('');
      await writeFile(join(backup, 'tables', `${name}.jsonl`), text);
      tables[name] = { rows: rows.length, sha256: createHash('sha256').update(text).digest('hex') };
    }
    await client.close();
    const head = {
      format: 'dimorphe-backup',
      version: 3,
      madeAt: '2026-01-01T00:00:00Z',
      tables,
      damaged: [],
    };
    await writeFile(join(backup, 'backup.json'), JSON.stringify(head));
    const empty = join(folder, 'empty');
    await restoreBackup(backup, empty);
    const store = await openStore(empty);
    expect((await store.history.snapshot(SITE))!.site).to.deep.equal((await demoSite()).site);
    expect((await store.publications.live(SITE))!.number).to.equal(2);
    await store.close();
    await rm(folder, { recursive: true });
  });
});
