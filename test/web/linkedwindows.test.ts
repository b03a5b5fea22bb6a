/** Blocks that are linked in one window while another one puts them away. */
import { expect } from 'chai';
import { edit, editWhole } from '../../web/state/edits.ts';
import { undo } from '../../web/state/traversal.ts';
import { openPage } from '../../web/state/documents.ts';
import { pagesLinking, siteFaults, type SavedBlockName, type NodeId } from '../../core/index.ts';
import { served, type Served } from '../server/serving.ts';
import { memory, openWindow } from './window.ts';

describe('windows that link blocks', function () {
  this.timeout(120_000);
  let running: Served;
  beforeEach(async () => {
    running = await served();
  });
  afterEach(() => running.end());

  const block = 'kept-week' as SavedBlockName;
  /** Two windows, one on the home page, which keeps and links a block there, and one on the page of visits. */
  async function two() {
    const one = await openWindow(running.url, 'one');
    const other = await openWindow(running.url, 'other', memory(), 'visits');
    const keep = { node: 'week' as NodeId, id: block, name: 'This week', linked: true as const };
    expect(await one.store.dispatch(editWhole('keepBlock', keep))).to.equal(true);
    await one.kept();
    await other.hears();
    const { page } = openPage(other.store.getState())!;
    const link = () => other.store.dispatch(edit('linkBlock', { block, parent: page.root, after: null }));
    const site = () => one.state().open!.site;
    const linking = () => pagesLinking(site(), block).map(({ id }) => id as string);
    return { one, other, link, site, linking };
  }

  it('give the page that linked it meanwhile its own, where the block is archived', async () => {
    const { one, other, link, site } = await two();
    // The block is archived here before this window hears that the other one has linked it.
    one.net(() => 'is lost');
    expect(await one.store.dispatch(editWhole('dropKept', { id: block }))).to.equal(true);
    link();
    await other.kept();
    await one.hears();
    one.net(() => 'arrives');
    await one.kept();
    expect(site().frame.shared?.[block]).to.equal(undefined);
    expect(siteFaults(site())).to.deep.equal([]);
    expect(one.state().aside).to.deep.equal([]);
    for (const id of ['home', 'visits'])
      expect(
        Object.values(site().pages[id as NodeId].nodes).map(({ name }) => name),
        id,
      ).to.include('This week');
    await other.hears();
    expect(Object.values(openPage(other.store.getState())!.page.nodes).map(({ name }) => name)).to.include(
      'This week',
    );
  });

  it('not applied a link to what has been archived, and say why', async () => {
    const { one, other, link } = await two();
    other.net(() => 'is lost');
    link();
    expect(await one.store.dispatch(editWhole('dropKept', { id: block }))).to.equal(true);
    await one.kept();
    await other.hears();
    other.net(() => 'arrives');
    await other.kept();
    expect(other.state().aside.map(({ why }) => why)).to.deep.equal([
      'The saved block is no longer on this site. Nothing was changed.',
    ]);
    expect(siteFaults(one.state().open!.site)).to.deep.equal([]);
  });

  it('do not undo that a block was kept while another page links it', async () => {
    const { one, other, link, site, linking } = await two();
    link();
    await other.kept();
    await one.hears();
    one.store.dispatch(undo());
    await one.kept();
    expect(site().frame.shared?.[block], 'it is there still').not.to.equal(undefined);
    expect(siteFaults(site())).to.deep.equal([]);
    expect(linking()).to.deep.equal(['home', 'visits']);
  });
});
