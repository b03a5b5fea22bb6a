/** Saved blocks that are linked: one block, shown on several pages, changed wherever it is changed. */
import { expect } from 'chai';
import {
  changesBetween,
  compileSite,
  composed,
  heldBack,
  isLinked,
  savedBlocks,
  pagesLinking,
  pagesOf,
  siteFaults,
  sourceOrder,
  type SavedBlockName,
  type NodeId,
  type Page,
  type Site,
} from '../../core/index.ts';
import { linksIn } from '../../core/values/links.ts';
import { pageFor } from '../../core/site/audience.ts';
import { home, made, node, refusal, site, undoneOf, view, withPage, type Made } from './acting.ts';

const kept = 'kept-one' as SavedBlockName;
const visits = pagesOf(site)[1];
const treeOf = (on: Site): Page => on.frame.shared![kept]!;
const shown = (on: Site, page: Page): Page => composed(on.frame, on.pages[page.id]);
const names = (page: Page, from = page.root): string[] =>
  sourceOrder({ ...page, root: from }).map(({ name, content, style }) =>
    JSON.stringify([name, content, style.self?.paddingBottom]),
  );

/** The week’s objects, kept and linked where they stood on the home page. */
const linkedHome = () =>
  made('keepBlock', { node: node('week'), id: kept, name: 'What is up this week', linked: true });
/** The same, linked on the page of visits, too: as its first section. */
function linkedTwice(): Made {
  const on = linkedHome();
  return made(
    'linkBlock',
    { block: kept, parent: visits.root, after: null },
    on.site.pages[visits.id],
    on.site,
  );
}
const root = treeOf(linkedHome().site).root;
const heading = Object.values(treeOf(linkedHome().site).nodes).find(({ kind }) => kind === 'heading')!;

describe('a linked block', () => {
  it('is kept where it stands, and the page shows what it showed', () => {
    const step = linkedHome();
    expect(step.sentence).to.match(/^What is up this week: saved, and linked here with \d+ elements in it$/);
    expect(names(shown(step.site, home))).to.deep.equal(names(composed(site.frame, home)));
    expect(step.site.pages[home.id].nodes[node('week')]).to.equal(undefined);
    expect(savedBlocks(step.site.frame)).to.have.length(1);
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(undoneOf(step)).to.deep.equal(site);
  });

  it('changes on every page with what is changed on one of them', () => {
    const on = linkedTwice();
    expect(on.sentence).to.equal(
      `What is up this week: linked in ${visits.nodes[visits.root].name}; a change here changes it wherever it is linked`,
    );
    expect(siteFaults(on.site)).to.deep.equal([]);
    expect(pagesLinking(on.site, kept).map(({ id }) => id)).to.deep.equal([home.id, visits.id]);
    const step = made(
      'setContent',
      { node: heading.id, field: 'text', value: 'Seen from one place' },
      on.site.pages[visits.id],
      on.site,
    );
    expect(step.sentence).to.match(/changed in every view, wherever it is linked$/);
    // Neither page is another: only the block is.
    expect(step.site.pages).to.deep.equal(on.site.pages);
    for (const page of [home, visits]) {
      expect(shown(step.site, page).nodes[heading.id].content.text).to.equal('Seen from one place');
      const { slug } = site.frame.pages.find(({ id }) => id === page.id)!;
      const file = compileSite(step.site).find(
        ({ path }) => path === (slug ? `${slug}/index.html` : 'index.html'),
      );
      expect(file && 'text' in file && file.text).to.include('Seen from one place');
    }
    expect(undoneOf(step)).to.deep.equal(on.site);
  });

  it('stands among a page’s own elements, is moved there, and taken off that page alone', () => {
    const on = linkedTwice();
    const page = on.site.pages[visits.id];
    expect(page.nodes[page.root].children[0]).to.equal(root);
    expect(isLinked(shown(on.site, visits).nodes[root])).to.equal(true);
    const last = page.nodes[page.root].children.at(-1)!;
    const moved = made('moveElements', { nodes: [root], parent: page.root, after: last }, page, on.site);
    expect(moved.page.nodes[page.root].children.at(-1)).to.equal(root);
    expect(treeOf(moved.site)).to.equal(treeOf(on.site));
    const order = made(
      'setValue',
      {
        nodes: [page.root],
        property: 'order',
        view: view('mobile'),
        reach: 'here',
        value: [last, root],
      },
      page,
      on.site,
    );
    expect(siteFaults(order.site)).to.deep.equal([]);
    const gone = made('removeElements', { nodes: [root] }, page, on.site);
    expect(gone.page).to.deep.equal(visits);
    expect(treeOf(gone.site)).to.equal(treeOf(on.site));
    expect(pagesLinking(gone.site, kept).map(({ id }) => id)).to.deep.equal([home.id]);
    expect(undoneOf(gone)).to.deep.equal(on.site);
  });

  it('goes with the container that it stands in, and stays kept', () => {
    const on = made('keepBlock', { node: node('saturn'), id: kept, name: 'Saturn', linked: true });
    const row = home.nodes[node('saturn')].parent!;
    const gone = made('removeElements', { nodes: [row] }, on.page, on.site);
    expect(siteFaults(gone.site)).to.deep.equal([]);
    expect(treeOf(gone.site)).to.equal(treeOf(on.site));
    expect(undoneOf(gone)).to.deep.equal(on.site);
    const copy = made('duplicateElement', { node: row, id: node('second') }, on.page, on.site);
    expect(siteFaults(copy.site)).to.deep.equal([]);
    // A page links a block once: the copy has its own.
    const second = copy.page.nodes[node('second')].children.map((id) => copy.page.nodes[id]?.name);
    expect(second).to.include('Saturn');
  });

  it('becomes a page’s own, with the links to it and the order of what it stands in', () => {
    const on = linkedTwice();
    const text = sourceOrder(visits).find(({ kind }) => kind === 'text')!;
    const linking = made(
      'setContent',
      {
        node: text.id,
        field: 'text',
        value: `<p><a href="#${heading.id}">Objects</a></p>`,
      },
      on.site.pages[visits.id],
      on.site,
    );
    const step = made('unlinkBlock', { block: kept, page: visits.id }, linking.page, linking.site);
    expect(step.sentence).to.equal(`What is up this week: ${visits.nodes[visits.root].name} now has its own`);
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(names(shown(step.site, visits))).to.deep.equal(
      names(shown(linking.site, visits)).map((each) => each.replaceAll(heading.id, ownHeading(step.page))),
    );
    expect(linksIn(step.page.nodes[text.id])).to.deep.equal([`#${ownHeading(step.page)}`]);
    expect(pagesLinking(step.site, kept).map(({ id }) => id)).to.deep.equal([home.id]);
    const changed = made(
      'setContent',
      { node: ownHeading(step.page), field: 'text', value: 'Here only' },
      step.page,
      step.site,
    );
    expect(shown(changed.site, home).nodes[heading.id].content.text).to.equal(heading.content.text);
    expect(undoneOf(step)).to.deep.equal(linking.site);
  });
  const ownHeading = (page: Page): NodeId =>
    sourceOrder(page).find(({ kind, name }) => kind === 'heading' && name === heading.name)!.id;

  it('leaves every page its own where it is kept no longer, or linked nowhere any more', () => {
    const on = linkedTwice();
    const looks = [home, visits].map((page) => names(shown(on.site, page)));
    const dropped = made('dropKept', { id: kept }, on.page, on.site);
    expect(dropped.sentence).to.equal(
      'What is up this week: removed from the saved blocks; 2 pages that linked it have their own now',
    );
    const own = made('unlinkBlock', { block: kept }, on.page, on.site);
    expect(own.sentence).to.equal('What is up this week: 2 pages have their own now');
    expect(savedBlocks(own.site.frame)).to.have.length(1);
    for (const step of [dropped, own]) {
      expect(siteFaults(step.site)).to.deep.equal([]);
      expect([home, visits].map((page) => names(shown(step.site, page)))).to.deep.equal(looks);
      expect(undoneOf(step)).to.deep.equal(on.site);
    }
    expect(refusal('unlinkBlock', { block: kept }, own.page, own.site)).to.match(
      /no longer linked on any page/,
    );
    expect(refusal('unlinkBlock', { block: kept, page: home.id }, own.page, own.site)).to.match(
      /no longer linked on this page/,
    );
  });

  it('is refused where it could not stand, or would not stay whole', () => {
    const on = linkedTwice();
    const link = (parent: string, target = on) =>
      refusal('linkBlock', { block: kept, parent: node(parent), after: null }, target.page, target.site);
    expect(link(visits.root)).to.match(/linked on this page already, and a page links a block once/);
    expect(link('gone')).to.match(/no longer on this page/);
    expect(refusal('linkBlock', { block: 'kept-two', parent: home.root, after: null })).to.match(
      /no longer on this site/,
    );
    const card = made('keepBlock', { node: node('saturn'), id: kept, name: 'Saturn' });
    expect(link(home.root, card)).to.match(/takes no column/);
    const words = made('keepBlock', { node: node('evening-title'), id: kept, name: 'Title' });
    const overlay = made(
      'addElement',
      { kind: 'overlay', id: node('over'), parent: node('evening'), after: null },
      words.page,
      words.site,
    );
    expect(link('over', overlay)).to.match(/takes no linked block: its place or visibility/);
    const header = sourceOrder(shown(site, home)).find(
      ({ id, kind }) => id.startsWith('shared-head-') && kind === 'row',
    )!;
    expect(link(header.id, card)).to.match(/already shared by the pages/);
    const onHome = (name: 'uniteAlternates' | 'groupElements') => {
      const linkedCard = made('keepBlock', { node: node('saturn'), id: kept, name: 'Saturn', linked: true });
      const { root: id } = treeOf(linkedCard.site);
      const { children } = linkedCard.page.nodes[home.nodes[node('saturn')].parent!];
      const beside = children[children.indexOf(id) - 1] ?? children[children.indexOf(id) + 1];
      return name === 'groupElements'
        ? made(name, { nodes: [id, beside], id: node('group') }, linkedCard.page, linkedCard.site).sentence
        : refusal(name, { nodes: [id, beside], set: node('set') }, linkedCard.page, linkedCard.site);
    };
    expect(onHome('groupElements')).to.match(/2 elements of .*: grouped/);
    expect(onHome('uniteAlternates')).to.match(/a linked block, cannot be an alternate/);
    expect(
      refusal(
        'makeAlternate',
        { node: root, view: view('mobile'), reach: 'here', set: node('set'), copy: node('copy') },
        on.page,
        on.site,
      ),
    ).to.match(/a linked block, cannot be an alternate/);
    expect(
      refusal('moveElements', { nodes: [heading.id], parent: visits.root, after: null }, on.page, on.site),
    ).to.match(/belongs to a linked block|takes no heading/);
    expect(
      refusal('moveToPage', { nodes: [root], to: home.id, parent: home.root, after: null }, on.page, on.site),
    ).to.match(/belongs to a linked block: place that on the other page/);
    expect(
      refusal('keepBlock', { node: heading.id, id: 'kept-two', name: 'x', linked: true }, on.page, on.site),
    ).to.match(/already on more than this page/);
  });

  it('does not go to all pages in a section, and to another page only where that has none', () => {
    const card = made('keepBlock', { node: node('saturn'), id: kept, name: 'Saturn', linked: true });
    const { root: id } = treeOf(card.site);
    let section = home.nodes[node('saturn')];
    while (section.parent !== home.root) section = home.nodes[section.parent!];
    const move = (on: Made) =>
      refusal(
        'moveToPage',
        { nodes: [section.id], to: visits.id, parent: visits.root, after: null },
        on.page,
        on.site,
      );
    const parent = sourceOrder(visits).find(({ kind }) => kind === 'row')!.id;
    const twice = made(
      'linkBlock',
      { block: kept, parent, after: null },
      card.site.pages[visits.id],
      card.site,
    );
    expect(move({ ...twice, page: twice.site.pages[home.id] })).to.match(
      /^Saturn is linked on both pages, and a page can link/,
    );
    const moved = made(
      'moveToPage',
      { nodes: [section.id], to: visits.id, parent: visits.root, after: null },
      card.page,
      card.site,
    );
    expect(siteFaults(moved.site)).to.deep.equal([]);
    expect(pagesLinking(moved.site, kept).map(({ id: page }) => page)).to.deep.equal([visits.id]);
    expect(shown(moved.site, visits).nodes[id].name).to.equal('Saturn');
    const header = made(
      'setContent',
      { node: section.id, field: 'landmark', value: 'footer' },
      card.page,
      card.site,
    );
    const { shared: _shared, ...frame } = header.site.frame;
    const alone = { ...header.site, frame: { ...frame, shared: { [kept]: treeOf(header.site) } } };
    expect(refusal('shareSection', { node: section.id }, header.page, alone)).to.match(
      /^Saturn in it is a linked block; give this page its own first/,
    );
  });

  it('is not seen by those whom the page is not for', () => {
    const on = linkedTwice();
    const closed = made('setAudience', { nodes: [visits.root], audience: 'signed-in' }, on.page, on.site);
    const page = pageFor(shown(closed.site, visits), 'signed-out');
    expect(page.nodes[root]).to.equal(undefined);
    expect(pageFor(shown(closed.site, visits), 'signed-in').nodes[root]).not.to.equal(undefined);
  });

  it('is told of among what has changed, and stays as it was on a page that is not included', () => {
    const on = linkedTwice();
    expect(changesBetween(linkedHome().site, on.site)).to.deep.include({
      page: visits.id,
      node: root,
      name: 'What is up this week',
      what: `linked in ${visits.nodes[visits.root].name}`,
    });
    const step = made('setContent', { node: heading.id, field: 'text', value: 'Other' }, on.page, on.site);
    expect(
      changesBetween(on.site, step.site).map(({ node: id, what, after }) => [id, what, after]),
    ).to.deep.equal([[heading.id, 'text', 'Other']]);
    const dropped = made('dropKept', { id: kept }, on.page, on.site);
    const held = heldBack(dropped.site, on.site, new Set([visits.id]));
    if (!held.ok) throw new Error(held.sentence);
    expect(names(shown(held.value, visits))).to.deep.equal(names(shown(on.site, visits)));
  });

  it('is no block that is not there, twice on a page, or where none can stand', () => {
    const on = linkedTwice();
    const { shared: _shared, ...frame } = on.site.frame;
    const without = { ...on.site, frame };
    expect(siteFaults(without).map(({ sentence }) => sentence)).to.include(`There is no element “${root}”.`);
    // And yet a page whose block went a moment ago is shown without it.
    expect(composed(frame, on.page).nodes[visits.root].children).to.deep.equal(
      visits.nodes[visits.root].children,
    );
    // Nor does a page fail that another window has deleted a moment ago.
    expect(composed({ ...frame, pages: [] }, home)).to.equal(home);
    const page = on.page;
    const twice = withPage(on.site, {
      ...page,
      nodes: {
        ...page.nodes,
        [page.root]: {
          ...page.nodes[page.root],
          children: [...page.nodes[page.root].children.slice(1), root],
        },
      },
    });
    expect(siteFaults(twice)).to.deep.equal([]);
    const section = page.nodes[page.root].children.find((id) => page.nodes[id]?.kind === 'section')!;
    const odd = withPage(on.site, {
      ...page,
      nodes: {
        ...page.nodes,
        [section]: { ...page.nodes[section], children: [...page.nodes[section].children, root] },
      },
    });
    expect(siteFaults(odd).map(({ sentence }) => sentence)).to.include(
      `The element “${root}” is in two places.`,
    );
  });
});
