import { expect } from 'chai';
import { rm } from 'node:fs/promises';
import { openStore } from '../../server/store/open.ts';
import { editor, inHome, put, set, SITE, take } from './editing.ts';
import { behavesAsHistory } from './histories.ts';
import { freshFolder, served } from './serving.ts';

describe('the history of a site', function () {
  this.timeout(120_000);
  behavesAsHistory(() => served());
});

describe('a site as it was', function () {
  this.timeout(120_000);

  it('is given at every revision that is remembered, the same as when it was kept, and after a restart', async () => {
    const folder = await freshFolder();
    const store = await openStore(folder);
    const at = new Map([[1, (await store.history.snapshot(SITE))!.site]]);
    const keep = async (...operations: Parameters<typeof store.history.edit>[2]['operations']) => {
      const revision = at.size;
      const outcome = await store.history.edit(SITE, revision, {
        key: `key-${revision}-long-enough`,
        fingerprint: String(revision),
        session: 'a-test',
        by: 'edit',
        sentence: 'x',
        operations,
      });
      expect(outcome.outcome).to.equal('accepted');
      at.set(revision + 1, (await store.history.snapshot(SITE))!.site);
    };
    await keep(set(inHome('lead', 'style/self/weight/at/tablet'), { value: 700, reach: 'onward' }));
    await keep(put(inHome('objects', 'children'), 'cluster', []));
    await keep(
      take(inHome('objects', 'children'), 'moon'),
      ...['moon', 'moon-title', 'moon-text', 'moon-picture'].flatMap((id) =>
        at.get(1)!.pages['home' as never].nodes[id as never]
          ? [{ op: 'clear' as const, path: `/pages/home/nodes/${id}` }]
          : [],
      ),
    );
    await keep(set('/frame/name', 'Another name'), set('/frame/pages/visits/title', 'Come'));
    await keep({ op: 'clear', path: '/frame/pages/visits' }, { op: 'clear', path: '/pages/visits' });
    await store.close();
    const again = await openStore(folder);
    for (const [revision, site] of at) {
      const snapshot = (await again.history.snapshot(SITE, revision))!;
      expect(snapshot.revision).to.equal(revision);
      expect(snapshot.site, `at ${revision}`).to.deep.equal(site);
    }
    expect(await again.history.snapshot(SITE, 99)).to.equal(undefined);
    expect(await again.history.snapshot(SITE, 0)).to.equal(undefined);
    expect(await again.history.snapshot('nowhere')).to.equal(undefined);
    await again.close();
    await rm(folder, { recursive: true });
  });

  it('is kept whole, edit by edit, however often the program is killed', async () => {
    const { killed } = await import('./killing.ts');
    await killed(5, async (url, round) => {
      const { made, page } = editor(() => url);
      const { page: home } = await page();
      expect((home.nodes['lead' as never] as any).name, `before round ${round}`).to.equal(
        round === 0 ? 'Lead paragraph' : `Round ${round - 1}, 2`,
      );
      for (let turn = 0; turn < 3; turn++)
        await made([set(inHome('lead', 'name'), `Round ${round}, ${turn}`)]);
    });
  });
});
