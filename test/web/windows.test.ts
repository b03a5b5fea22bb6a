/** What windows do when others work on the same site, and when answers are lost. */
import { expect } from 'chai';
import { documents, openPage } from '../../web/state/documents.ts';
import { allSteps, nextStep } from '../../web/state/steps.ts';
import { menuOpened, selected, selectionToggled } from '../../web/state/desk.ts';
import { edit, editWhole, writeWords } from '../../web/state/edits.ts';
import { redo, undo } from '../../web/state/traversal.ts';
import { showPage } from '../../web/state/opening.ts';
import type { NodeId, ViewId } from '../../core/index.ts';
import { editor, inHome, put, set, SITE, take, clear } from '../server/editing.ts';
import { served, type Served } from '../server/serving.ts';
import { become } from '../../web/workbench/block/measured.ts';
import { memory, openWindow } from './window.ts';

describe('windows on a site', function () {
  this.timeout(120_000);
  let running: Served;
  before(async () => {
    running = await served();
  });
  after(() => running?.end());
  const others = editor(() => running.url, 'others');

  const opened = (session: string, outbox = memory(), page = 'home', beforeFollowing?: () => Promise<void>) =>
    openWindow(running.url, session, outbox, page, beforeFollowing);
  const stored = async (id: string) => (await others.page()).page.nodes[id as never] as any;

  it('keep an edit once though its answer is lost, and go on with the next', async () => {
    const window = await opened('lost-answer');
    expect(window.failure).to.equal(undefined);
    const before = (await others.page()).revision;
    window.net((count) => (count <= 2 ? 'is kept, its answer lost' : 'arrives'));
    window.store.dispatch(
      edit('adjustValue', {
        nodes: ['headline' as NodeId],
        property: 'size',
        view: 'desktop' as ViewId,
        adjustment: { by: 10 },
        reach: 'here',
      }),
    );
    window.rename('lead', 'Lead');
    await window.kept();
    expect((await others.page()).revision).to.equal(before + 2);
    expect((await stored('headline')).style.self.size.base).to.equal(74);
    expect(window.node('headline').style.self.size.base).to.equal(74);
    expect(new Set(window.keys).size, 'each under its own key').to.equal(2);
    window.store.dispatch(undo());
    window.store.dispatch(undo());
    await window.kept();
    expect((await stored('headline')).style.self.size, 'as its text style has it again').not.to.have.property(
      'base',
    );
    await window.close();
  });

  it('know an edit as kept that they hear of before its answer', async () => {
    const window = await opened('heard-first');
    window.net((count) => (count === 1 ? 'is kept, its answer lost' : 'is lost'));
    window.rename('lead', 'Heard');
    while ((await stored('lead')).name !== 'Heard') await new Promise((resolve) => setImmediate(resolve));
    await window.hears();
    await window.kept();
    expect(window.node('lead').name).to.equal('Heard');
    expect(
      allSteps(window.store.getState()).filter(({ sentence }) => sentence.includes('Heard')),
    ).to.have.length(1);
    await window.close();
  });

  it('have nothing selected that another window has taken off, nor its menu open', async () => {
    const window = await opened('selection');
    const { dispatch, getState } = window.store;
    dispatch(menuOpened({ node: 'lead' as NodeId, at: { left: 1, top: 1 } }));
    dispatch(selectionToggled('headline' as NodeId));
    const parent = window.node('lead').parent as string;
    const other = await opened('selection-other');
    other.store.dispatch(edit('removeElements', { nodes: ['lead' as NodeId] }));
    await other.kept();
    await window.hears();
    expect(window.node('lead')).to.equal(undefined);
    expect(getState().desk.selected).to.deep.equal(['headline']);
    expect(getState().desk.menu, 'of what is still selected').to.not.equal(null);
    other.store.dispatch(edit('removeElements', { nodes: ['headline' as NodeId] }));
    await other.kept();
    await window.hears();
    expect(getState().desk.selected).to.deep.equal([]);
    expect(getState().desk.menu).to.equal(null);
    // What is there stays selected, and what is had back is not.
    dispatch(selected(parent as NodeId));
    for (const _each of ['headline', 'lead']) other.store.dispatch(undo());
    await other.kept();
    await window.hears();
    expect(getState().desk.selected).to.deep.equal([parent]);
    await Promise.all([window.close(), other.close()]);
  });

  it('say that what they are to turn into an overlay has gone, where what they show of it is older', async () => {
    const window = await opened('older');
    const { page } = openPage(window.store.getState())!;
    await window.store.dispatch(become('makeOverlay', 'gone' as NodeId));
    expect(window.state().announcement.sentence).to.match(/^The element is no longer on this page/);
    expect(openPage(window.store.getState())!.page).to.equal(page);
    await window.close();
  });

  it('not applied, word by word, what was written in an element that another window has deleted', async () => {
    const window = await opened('written');
    const { dispatch, getState } = window.store;
    const [node] = [{ ...window.node('lead') }];
    const wrote = (text: string) => ({
      ...{ field: 'text', property: 'text.text', view: 'desktop' as ViewId, reach: 'here' as const },
      ...{ says: () => text, text },
    });
    const other = await opened('written-other');
    other.store.dispatch(edit('removeElements', { nodes: ['lead' as NodeId] }));
    await other.kept();
    await window.hears();
    const { revision } = await others.page();
    dispatch(writeWords(node, wrote('<p>All of what I <strong>wrote</strong></p>')));
    const { aside } = getState().documents;
    expect(aside.map((each) => [each.edit.sentence, each.why])).to.deep.equal([
      [`${node.name}: text in Desktop → All of what I wrote`, 'The element is no longer on this page.'],
    ]);
    await window.kept();
    expect((await others.page()).revision, 'and nothing was sent').to.equal(revision);
    other.store.dispatch(undo());
    await other.kept();
    await window.hears();
    dispatch(writeWords(node, wrote('<p>There again</p>')));
    await window.kept();
    expect(getState().documents.aside).to.have.length(1);
    expect(JSON.stringify(await stored('lead'))).to.contain('There again');
    window.store.dispatch(undo());
    await window.kept();
    await Promise.all([window.close(), other.close()]);
  });

  it('put what is pending on top of what others did, and tell what it replaces', async () => {
    const window = await opened('on-top');
    window.net(() => 'is lost');
    window.size('lead', 25);
    window.size('headline', 33, 'mobile');
    await others.made([set(inHome('lead', 'style/self/size/base'), 19)], { sentence: 'Lead to 19' });
    await others.made([set(inHome('dome', 'name'), 'Dome elsewhere')]);
    await window.hears();
    expect(window.node('dome').name).to.equal('Dome elsewhere');
    expect(window.node('lead').style.self.size.base).to.equal(25);
    expect(window.state().overwritten).to.deep.include({ by: 'me', sentences: ['Lead to 19'] });
    window.net(() => 'arrives');
    await window.kept();
    expect((await stored('lead')).style.self.size.base).to.equal(25);
    expect((await stored('headline')).style.self.size.at.mobile.value).to.equal(33);
    window.store.dispatch(undo());
    window.store.dispatch(undo());
    await window.kept();
    expect((await stored('lead')).style.self.size.base, 'back to what others had set').to.equal(19);
    await window.close();
  });

  it('keep what concerns all pages as it was made, where not all of them are there any more', async () => {
    const outbox = memory();
    const window = await opened('for-all', outbox);
    await window.store.dispatch(editWhole('unshareSection', { place: 'foot' }));
    await window.kept();
    window.net(() => 'is lost');
    const share = { node: 'foot' as NodeId, keep: ['hire' as NodeId] };
    expect(await window.store.dispatch(editWhole('shareSection', share))).to.equal(true);
    while (!outbox.of.get(`${SITE} for-all`)?.pending.length) await new Promise((next) => setTimeout(next));
    // The window is gone without a word; meanwhile others change what it changed.
    await others.made([set(inHome('foot', 'name'), 'Meanwhile')]);
    // Telescope hire keeps its own footer: no edit touches it, so that nobody reads it again.
    const again = await opened('for-all', outbox);
    await again.kept();
    expect(again.state().aside).to.deep.equal([]);
    const { page, frame } = await others.page('hire');
    expect(page.nodes).to.have.property('foot');
    expect(frame.pages.map(({ without }) => without?.join() ?? '')).to.deep.equal(['', '', 'foot', '']);
    for (const id of ['home', 'visits', 'find-us'])
      expect((await others.page(id)).page.nodes, id).not.to.have.property('foot');
    expect(again.node('shared-foot-foot').name).to.equal('Footer');
    await again.store.dispatch(editWhole('takeShared', { place: 'foot', page: 'hire' as NodeId }));
    await again.kept();
    await again.close();
  });

  it('not applied what no longer fits, with the reason, and keep the rest', async () => {
    const window = await opened('aside');
    const column = (await stored('headline')).parent as string;
    const node = {
      id: 'brief',
      kind: 'text',
      name: 'Brief',
      parent: column,
      children: [],
      style: {},
      content: {},
    };
    await others.made([set('/pages/home/nodes/brief', node), put(inHome(column, 'children'), 'brief', [])]);
    await window.hears();
    window.net(() => 'is lost');
    window.rename('brief', 'Longer');
    window.rename('lead', 'Stays');
    await others.made([take(inHome(column, 'children'), 'brief'), clear('/pages/home/nodes/brief')]);
    window.net(() => 'arrives');
    await window.kept();
    expect(window.state().aside.map(({ edit: { sentence }, why }) => [sentence, why])).to.deep.equal([
      ['Brief: renamed to Longer', 'The element is no longer on this page.'],
    ]);
    expect((await stored('lead')).name).to.equal('Stays');
    await window.close();
  });

  it('hear of what was saved between their reading of the site and their following of it', async () => {
    let isMade = false;
    const window = await opened('between', memory(), 'home', async () => {
      if (isMade) return;
      isMade = true;
      await others.made([set(inHome('lead', 'name'), 'In between')]);
    });
    while (window.node('lead').name !== 'In between') await new Promise((resolve) => setImmediate(resolve));
    await window.close();
  });

  it('find again what was not kept when they are opened again, kept already or not', async () => {
    const outbox = memory();
    const window = await opened('again', outbox);
    window.net((count) => (count === 1 ? 'is kept, its answer lost' : 'is lost'));
    window.rename('lead', 'First');
    window.size('lead', 23);
    while ((await stored('lead')).name !== 'First') await new Promise((resolve) => setImmediate(resolve));
    while (outbox.of.get(`${SITE} again`)?.pending.length !== 2)
      await new Promise((resolve) => setTimeout(resolve));
    // The window is gone without a word; meanwhile others change what it changed.
    await others.made([set(inHome('lead', 'style/self/size/base'), 20)]);
    const revived = await opened('again', outbox);
    await revived.kept();
    expect((await stored('lead')).name).to.equal('First');
    expect((await stored('lead')).style.self.size.base).to.equal(23);
    expect(nextStep(revived.store.getState(), 'undo')!.sentence).to.match(
      /^First: size in Desktop only 20 → 23$/,
    );
    const names = allSteps(revived.store.getState()).filter(({ sentence }) =>
      sentence.endsWith('renamed to First'),
    );
    expect(names, 'once').to.have.length(1);
    await revived.close();
  });

  it('undo their own steps over others’, say why one cannot be, and go past it', async () => {
    const window = await opened('undoing');
    window.rename('lead', 'Mine 1');
    window.size('headline', 60);
    await window.kept();
    await others.made([set(inHome('headline', 'style/self/size/base'), 61)]);
    await window.hears();
    window.store.dispatch(undo());
    expect(window.state().announcement).to.deep.include({ refusal: true });
    expect(window.state().announcement.sentence).to.match(
      /size in Desktop .* cannot be undone: .* stays in the list/,
    );
    window.store.dispatch(undo());
    expect(window.node('lead').name).not.to.equal('Mine 1');
    window.store.dispatch(redo());
    await window.kept();
    expect((await stored('lead')).name).to.equal('Mine 1');
    expect((await stored('headline')).style.self.size.base).to.equal(61);
    await window.close();
  });

  it('undo a step that was made on another page, and before they were opened', async () => {
    const first = await opened('elsewhere', memory(), 'visits');
    const root = openPage(first.store.getState())!.page.root;
    const name = first.node(root).name as string;
    first.rename(root, 'Visits, renamed');
    await first.kept();
    await first.close();
    const window = await opened('elsewhere');
    expect(nextStep(window.store.getState(), 'undo')!.pages).to.deep.equal(['visits']);
    window.store.dispatch(undo());
    const visits = async () => (await others.page('visits')).page.nodes[root as never] as any;
    while ((await visits()).name !== name) await new Promise((resolve) => setImmediate(resolve));
    await window.kept();
    await window.close();
  });

  it('read the site again when it has become another one', async () => {
    const window = await opened('restored');
    const { open } = window.state();
    // As if the data had been put back to an earlier day: the server’s revision is behind the one that is known here.
    const ahead = { ...open!, revision: open!.revision + 40, aside: [], entries: [], overwritten: [] };
    window.store.dispatch(documents.actions.tookOver(ahead));
    window.rename('lead', 'After all');
    await window.kept();
    expect((await stored('lead')).name).to.equal('After all');
    expect(window.state().open!.revision).to.equal((await others.page()).revision);
    await window.close();
  });

  it('read again, keep what is pending on another page too, and what was kept in an earlier form once', async () => {
    const window = await opened('anew');
    window.net((count) => (count === 1 ? 'is kept, its answer lost' : 'is lost'));
    const before = (await stored('cluster')).name as string;
    window.rename('cluster', `${before}!`);
    while ((await stored('cluster')).name !== `${before}!`)
      await new Promise((resolve) => setImmediate(resolve));
    window.rename('saturn', 'Pending on Home');
    expect(await window.store.dispatch(showPage(SITE, 'visits'))).to.equal(undefined);
    await others.made([set(inHome('cluster', 'name'), 'Theirs')]);
    // As if so much had come that the log no longer tells it: the site is read again, with the page that is shown.
    const { open } = window.state();
    const ahead = { ...open!, revision: open!.revision + 40, aside: [], entries: [], overwritten: [] };
    window.store.dispatch(documents.actions.tookOver(ahead));
    window.net(() => 'arrives');
    await window.kept();
    expect(window.state().aside).to.deep.equal([]);
    expect((await stored('saturn')).name).to.equal('Pending on Home');
    expect((await stored('cluster')).name, 'not made a second time over theirs').to.equal('Theirs');
    await window.close();
  });

  it('keep a command that is larger than a request as one step', async () => {
    const window = await opened('large');
    const before = (await others.page()).revision;
    const words = `<p>${'Low in the south after supper. '.repeat(1500)}</p>`;
    window.store.dispatch(edit('setContent', { node: 'lead' as NodeId, field: 'text', value: words }));
    await window.kept();
    let id = 'evening';
    for (let round = 0; round < 6; round++) {
      window.store.dispatch(
        edit('duplicateElement', { node: 'opening' as NodeId, id: `twin${round}` as NodeId }),
      );
      id = `twin${round}`;
    }
    await window.kept();
    expect((await stored(id)).kind).to.equal('section');
    const count = Object.keys((await others.page()).page.nodes).length;
    const sections = Array.from({ length: 6 }, (_each, round) => `twin${round}` as NodeId);
    window.store.dispatch(edit('removeElements', { nodes: sections }));
    await window.kept();
    window.store.dispatch(undo());
    await window.kept();
    expect(Object.keys((await others.page()).page.nodes)).to.have.length(count);
    expect((await others.page()).revision).to.equal(before + 9);
    await window.close();
  });
});
