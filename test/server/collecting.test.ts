/** Files that nothing names any more go after thirty days, and nothing else ever does. */
import { expect } from 'chai';
import { rm } from 'node:fs/promises';
import { openStore } from '../../server/store/open.ts';
import { SITE } from './editing.ts';
import { freshFolder } from './serving.ts';

const DAY = 86_400_000;

describe('files that nothing names', function () {
  this.timeout(120_000);

  it('go thirty days after they were stored last; what a site, a step or a publication names stays', async () => {
    const folder = await freshFolder();
    const store = await openStore(folder);
    const put = (text: string) => store.files.put(Buffer.from(text));
    const { site, revision } = (await store.history.snapshot(SITE))!;
    const forgotten = await put('nobody names it');
    const published = await put('a page');
    const packed = await put('a page, compressed');
    const undone = await put('an image that was taken off the shelf');
    const only = await put('an image that only a site as it was published names');
    const [asset] = site.frame.assets;
    const state = await store.states.put({
      ...site,
      frame: { ...site.frame, assets: [...site.frame.assets, { ...asset, id: 'only', hash: only }] },
    });
    await store.publications.publish(
      SITE,
      {
        manifest: { 'index.html': { hash: published, type: 'text/html', encoded: { br: packed } } },
        ...{ revision, state, note: null, by: null, heldBack: null },
      },
      await store.publications.start(SITE),
    );
    const edit = (key: string, operation: object) =>
      store.history.edit(SITE, key === 'key-one-' ? revision : revision + 1, {
        ...{ key, fingerprint: key, session: 's', by: 'edit', sentence: key },
        operations: [operation as never],
      });
    const shelf = '/frame/assets/gone';
    expect(
      (await edit('key-one-', { op: 'set', path: shelf, value: { ...asset, id: 'gone', hash: undone } }))
        .outcome,
    ).to.equal('accepted');
    expect((await edit('key-two-', { op: 'clear', path: shelf })).outcome).to.equal('accepted');
    const all = (await store.files.list()).length;

    expect(await store.collect(), 'nothing is old').to.equal(0);
    expect(await store.collect(Date.now() + 29 * DAY), 'not yet').to.equal(0);
    expect(await store.collect(Date.now() + 31 * DAY)).to.equal(1);
    expect(await store.files.has(forgotten)).to.equal(false);
    for (const hash of [published, packed, undone, only, state, asset.hash])
      expect(await store.files.has(hash)).to.equal(true);
    expect(await store.files.list()).to.have.length(all - 1);
    expect((await store.verify()).findings).to.deep.equal([]);
    await store.close();
    await rm(folder, { recursive: true });
  });

  it('stay where they are stored once more meanwhile, though the same bytes were there already', async () => {
    const folder = await freshFolder();
    const store = await openStore(folder);
    const hash = await store.files.put(Buffer.from('old'));
    const later = Date.now() + 60_000;
    expect(await store.files.storedBefore(later)).to.include(hash);
    await new Promise((resolve) => setTimeout(resolve, 5));
    const moment = Date.now();
    await store.files.put(Buffer.from('old'));
    expect(await store.files.storedBefore(moment - 1)).not.to.include(hash);
    expect(await store.files.removeStoredBefore(hash, moment - 1)).to.equal(false);
    expect(await store.files.has(hash)).to.equal(true);
    await store.close();
    await rm(folder, { recursive: true });
  });
});
