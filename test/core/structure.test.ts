import { expect } from 'chai';
import fc from 'fast-check';
import {
  accepts,
  childrenIn,
  KINDS,
  pageFaults,
  preview,
  print,
  resolve,
  knownProperty,
  sourceOrder,
  type NodeId,
  type Preview,
} from '../../core/index.ts';
import { frame, home, made, node, refusal, site, view } from './acting.ts';
import { record } from './arbitrary.ts';

describe('adding an element', () => {
  it('of every kind gives a valid page with something to see in it, wherever the kind is taken', () => {
    for (const kind of KINDS.filter(({ ofElements }) => !ofElements)) {
      for (const parent of sourceOrder(home).filter((each) => accepts(each, kind.name))) {
        const { page, sentence } = made('addElement', {
          kind: kind.name,
          id: node('new'),
          parent: parent.id,
          after: null,
        });
        expect(pageFaults(page, frame), `${kind.name} in ${parent.name}`).to.deep.equal([]);
        expect(page.nodes[parent.id].children[0]).to.equal('new');
        expect(sentence).to.equal(`${kind.label} added to ${parent.name}`);
        const words = kind.words === undefined ? 'none' : page.nodes[node('new')].content[kind.words];
        expect(words, kind.name).not.to.equal('');
      }
    }
  });

  it('puts a row’s new columns side by side, and one below the other in the narrowest view', () => {
    const section = sourceOrder(home).find(({ kind }) => kind === 'section')!;
    const { page } = made('addElement', {
      kind: 'row',
      id: node('new'),
      parent: section.id,
      after: section.children.at(-1) ?? null,
    });
    const columns = page.nodes[node('new')].children.map((id) => page.nodes[id]);
    expect(columns).to.have.length(2);
    const span = (id: string) => resolve(frame, page, columns[0], knownProperty('span'), view(id));
    expect(frame.views.list.map(({ id, grid }) => [id, grid.columns, span(id)])).to.deep.equal([
      ['mobile', 4, 4],
      ['tablet', 12, 6],
      ['desktop', 12, 6],
      ['wide', 12, 6],
    ]);
  });

  it('is refused in a sentence where it does not fit, and leaves the page as it is', () => {
    const add = (kind: string, parent: string, id = 'new') =>
      refusal('addElement', { kind, id: node(id), parent: node(parent), after: null });
    expect(add('section', 'headline')).to.equal('Headline takes no section.');
    expect(add('page', home.root)).to.match(/takes no page\.$/);
    expect(add('riddle', home.root)).to.match(/takes no riddle\.$/);
    expect(add('section', 'nowhere')).to.equal('The element is no longer on this page.');
    expect(add('section', home.root, 'headline')).to.match(/id already; nothing was added\.$/);
    const bare = { ...site, frame: { ...frame, assets: [] } };
    const parent = home.nodes[node('headline')].parent!;
    // An image can stand there before the shelf has any.
    const alone = made('addElement', { kind: 'picture', id: node('new'), parent, after: null }, home, bare);
    expect(alone.page.nodes[node('new')].style.self).to.deep.equal({ source: { base: 'none' } });
  });
});

describe('duplicating an element', () => {
  it('copies it with its values and all in it, right behind it in every view', () => {
    const row = sourceOrder(home).find(({ kind, children }) => kind === 'row' && children.length > 1)!;
    const reversed = made('reverseOrder', { node: row.id, view: view('tablet'), reach: 'onward' }).page;
    const { page } = made('duplicateElement', { node: row.id, id: node('twin') }, reversed);
    expect(pageFaults(page, frame)).to.deep.equal([]);
    const parent = page.nodes[row.parent!];
    expect(parent.children.indexOf(node('twin'))).to.equal(parent.children.indexOf(row.id) + 1);
    const kindsIn = (id: NodeId): string[] => [
      page.nodes[id].kind,
      ...page.nodes[id].children.flatMap(kindsIn),
    ];
    expect(kindsIn(node('twin'))).to.deep.equal(kindsIn(row.id));
    // The copy's own order speaks of the copy's own children.
    for (const { id } of frame.views.list) {
      const places = (of: NodeId) =>
        childrenIn(frame, page.nodes[of], id).map((child) => page.nodes[of].children.indexOf(child));
      expect(places(node('twin')), id).to.deep.equal(places(row.id));
    }
  });

  it('is refused for the page and for an id that is taken', () => {
    expect(refusal('duplicateElement', { node: home.root, id: node('new') })).to.match(/page itself/);
    expect(refusal('duplicateElement', { node: node('headline'), id: node('lead') })).to.match(/id already/);
  });
});

describe('deleting elements', () => {
  it('takes all that is in them, once, however they are chosen, and says how much', () => {
    const section = sourceOrder(home).find(({ kind }) => kind === 'section')!;
    const inIt = sourceOrder(home).filter((each) => {
      for (let at = each.parent; at; at = home.nodes[at].parent) if (at === section.id) return true;
      return false;
    });
    const alone = made('removeElements', { nodes: [section.id] });
    const withParts = made('removeElements', { nodes: [inIt[0].id, section.id, inIt.at(-1)!.id] });
    expect(withParts.page).to.deep.equal(alone.page);
    expect(alone.sentence).to.equal(
      `${section.name}: deleted in every view with ${inIt.length} elements in it`,
    );
    expect(Object.keys(alone.page.nodes)).to.have.length(Object.keys(home.nodes).length - inIt.length - 1);
    expect(pageFaults(alone.page, frame)).to.deep.equal([]);
  });

  it('is refused for the page itself', () => {
    expect(refusal('removeElements', { nodes: [home.root] })).to.match(/^The page itself/);
  });
});

describe('a preview brought up to date', () => {
  const addresses = { page: () => '#', picture: (id: string) => id };
  const said = (shown: Preview) => ({
    body: print(shown.body),
    shared: shown.shared,
    rules: Object.keys(shown.page.nodes).map((id) => shown.rulesOf(id as NodeId)),
  });
  const change = fc.oneof(
    record({
      name: fc.constant('addElement' as const),
      kind: fc.constantFrom('card', 'heading', 'gallery'),
    }),
    record({ name: fc.constant('duplicateElement' as const) }),
    record({ name: fc.constant('removeElements' as const) }),
  );

  it('is what compiling the whole page again gives, as elements come and go', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(change, fc.nat()), { minLength: 1, maxLength: 5 }), (changes) => {
        let page = home;
        let shown = preview(frame, page, addresses);
        changes.forEach(([each, seed], count) => {
          const id = node(`new${count}`);
          const able = sourceOrder(page).filter((candidate) =>
            each.name === 'addElement' ? accepts(candidate, each.kind) : candidate.parent !== null,
          );
          if (able.length === 0) return;
          const chosen = able[seed % able.length];
          if (each.name === 'addElement')
            page = made(
              'addElement',
              { kind: each.kind, id, parent: chosen.id, after: chosen.children[(seed % 3) - 1] ?? null },
              page,
            ).page;
          else if (each.name === 'duplicateElement')
            page = made('duplicateElement', { node: chosen.id, id }, page).page;
          else page = made('removeElements', { nodes: [chosen.id] }, page).page;
          shown = preview(frame, page, addresses, shown);
          expect(shown.since, 'was brought up to date').not.to.equal(undefined);
          expect(said(shown)).to.deep.equal(said(preview(frame, page, addresses)));
        });
      }),
      { numRuns: 40 },
    );
  });
});
