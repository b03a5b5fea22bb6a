/** Blocks that a site keeps: with all their values, to be placed on any page, to be taken to other sites. */
import { expect } from 'chai';
import {
  applied,
  compileSite,
  copyElements,
  savedBlocks,
  newSite,
  pagesOf,
  perform,
  readElements,
  readySection,
  termsOf,
  READY_SECTIONS,
  siteFaults,
  siteFrom,
  sourceOrder,
  writtenFrom,
  type SavedBlockName,
  type NodeId,
  type Site,
} from '../../core/index.ts';
import { home, made, node, refusal, site, view } from './acting.ts';

const kept = 'kept-one' as SavedBlockName;
const visits = pagesOf(site)[1];
const keep = (id: string, name: string, on: Site = site) =>
  made('keepBlock', { node: node(id), id: kept, name }, on.pages[home.id], on);
const treeOf = (on: Site) => on.frame.shared![kept]!;
/** What a block says, by the names of its elements and without their ids. */
const saying = (
  nodes: Record<string, { id: NodeId; name: string; style: unknown; content: unknown }>,
  ids: string[],
) => ids.map((id) => ({ name: nodes[id].name, content: nodes[id].content, style: nodes[id].style }));

describe('a saved block', () => {
  it('has all that its original has, in every view, and is no part of any page', () => {
    const step = keep('week', 'Three objects to look at');
    expect(step.sentence).to.match(/^Three objects to look at: saved with \d+ elements in it$/);
    const { root, nodes } = treeOf(step.site);
    expect(nodes[root].name).to.equal('Three objects to look at');
    const inIt = sourceOrder({ ...treeOf(step.site) }).map(({ id }) => id);
    const before = sourceOrder({ ...home, root: node('week') }).map(({ id }) => id);
    expect(saying(nodes, inIt).slice(1)).to.deep.equal(saying(home.nodes, before).slice(1));
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(compileSite(step.site).map(({ path }) => path)).to.deep.equal(
      compileSite(site).map(({ path }) => path),
    );
    const back = applied(step.site, step.inverse);
    expect(back.ok && back.value.site).to.deep.equal(site);
    const read = siteFrom(
      JSON.parse(JSON.stringify(writtenFrom(step.site))) as Parameters<typeof siteFrom>[0],
    );
    expect(read).to.deep.equal(step.site);
  });

  it('is placed on any page as often as one likes, as if it had been copied', () => {
    const { site: on } = keep('saturn', 'A card');
    const copied = copyElements(on.frame, treeOf(on), [treeOf(on).root]);
    let now = on;
    for (const id of ['first', 'second']) {
      const outcome = perform(now, visits.id, 'pasteElements', {
        copied,
        id: node(id),
        parent: node(visits.nodes[visits.root].children[0]),
        after: null,
        done: 'added to',
      });
      if (!outcome.ok) throw new Error(outcome.sentence);
      expect(outcome.value.sentence).to.match(/^A card: added to .* with 3 elements in it$/);
      now = outcome.value.site;
    }
    expect(siteFaults(now)).to.deep.equal([]);
    const placed = now.pages[visits.id].nodes[node('first')];
    expect(placed.style.self!.backgroundColour).to.deep.equal({ base: '{dusk}' });
    expect(placed.style.self!.paddingBottom).to.deep.equal(
      home.nodes[node('saturn')].style.self!.paddingBottom,
    );
  });

  it('goes along with the views of its site', () => {
    const { site: on } = keep('week', 'Objects');
    for (const values of ['drop', 'hand over'] as const) {
      const { site: after } = made('removeView', { view: view('mobile'), values }, on.pages[home.id], on);
      expect(siteFaults(after)).to.deep.equal([]);
      expect(JSON.stringify(treeOf(after))).to.not.include('"mobile"');
    }
    const based = made('setBase', { view: view('mobile') }, on.pages[home.id], on);
    expect(siteFaults(based.site)).to.deep.equal([]);
  });

  it('is told of by name where it speaks of an image, and keeps it on the shelf', () => {
    const { site: on } = keep('moon-strip', 'Strip');
    const outcome = perform(on, home.id, 'removeElements', { nodes: [node('moon-strip')] });
    if (!outcome.ok) throw new Error(outcome.sentence);
    expect(siteFaults(outcome.value.site)).to.deep.equal([]);
    expect(savedBlocks(outcome.value.site.frame).map(({ id }) => id)).to.deep.equal([kept]);
  });

  it('is taken out to a file and imported on another site, on the terms of that one', () => {
    const { site: on } = keep('opening', 'Opening');
    const file = JSON.stringify(copyElements(on.frame, treeOf(on), [treeOf(on).root]));
    const other = newSite({ id: 'other', name: 'Other', lang: 'en', look: 'kiln', views: '3' });
    const [page] = pagesOf(other);
    const read = readElements(file);
    if (!read.ok) throw new Error(read.sentence);
    const { format: _format, version: _version, ...copied } = read.value;
    const outcome = perform(other, page.id, 'keepCopy', { copied, id: kept, name: 'Opening' });
    if (!outcome.ok) throw new Error(outcome.sentence);
    expect(outcome.value.sentence).to.match(
      /^Opening: saved with 6 elements in it; \d+ values? left out that this site does not have$/,
    );
    expect(siteFaults(outcome.value.site)).to.deep.equal([]);
    const { nodes, root } = treeOf(outcome.value.site);
    // The observatory's Night, written out.
    expect(nodes[root].style.self!.backgroundColour!.base).to.equal('#0f1830');
  });

  it('is renamed, and kept no longer without touching where it was placed', () => {
    const { site: on } = keep('week', 'Objects');
    const renamed = made('renameKept', { id: kept, name: '  Tonight’s   objects ' }, on.pages[home.id], on);
    expect(renamed.sentence).to.equal('Objects: saved as Tonight’s objects');
    const dropped = made('dropKept', { id: kept }, renamed.page, renamed.site);
    expect(dropped.sentence).to.equal('Tonight’s objects: removed from the saved blocks');
    expect(dropped.site).to.deep.equal(on.frame.shared ? { ...on, frame: site.frame } : on);
    expect(refusal('renameKept', { id: kept, name: 'x' })).to.match(/no longer on this site/);
    expect(refusal('renameKept', { id: kept, name: ' ' }, on.pages[home.id], on)).to.match(
      /at least one character/,
    );
    expect(refusal('dropKept', { id: kept })).to.match(/no longer on this site/);
    expect(refusal('keepBlock', { node: home.root, id: kept, name: 'x' })).to.match(/^Pages are copied/);
    expect(refusal('keepBlock', { node: node('gone'), id: kept, name: 'x' })).to.match(
      /no longer on this page/,
    );
    expect(refusal('keepBlock', { node: node('week'), id: kept, name: 'x' }, on.pages[home.id], on)).to.match(
      /already has a saved block with this id/,
    );
  });

  it('can be any ready-made section, and anything on a page', () => {
    for (const ready of READY_SECTIONS) {
      const copied = readySection(site.frame, ready, termsOf(home));
      const outcome = perform(site, home.id, 'keepCopy', { copied, id: kept, name: ready.label });
      expect(outcome.ok && siteFaults(outcome.value.site), ready.id).to.deep.equal([]);
    }
    for (const { id, parent } of sourceOrder(home)) {
      if (parent === null) continue;
      expect(siteFaults(keep(id, 'x'.repeat(10_000)).site), id).to.deep.equal([]);
    }
  });
});
