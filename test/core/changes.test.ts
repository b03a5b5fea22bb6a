/** What differs between two states of a site, as people are told it, and where two images of a page differ. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  changesBetween,
  differing,
  type Change,
  type NodeId,
  type Shown,
  type Site,
} from '../../core/index.ts';
import { home, made, node, site, view } from './acting.ts';
import { siteArbitrary } from './arbitrary.ts';

const lines = (before: Site, after: Site) =>
  changesBetween(before, after).map((each: Change) =>
    [each.page, each.name, each.what, each.before, each.after]
      .filter((part) => part !== undefined)
      .join(' · '),
  );
const set = (
  id: string,
  property: string,
  at: string,
  value: unknown,
  reach: 'here' | 'onward' = 'here',
  on = site,
) =>
  made('setValue', { nodes: [node(id)], property, view: view(at), value, reach }, on.pages[home.id], on).site;

describe('what differs between two states of a site', () => {
  it('is nothing where nothing does, on any site', () => {
    expect(changesBetween(site, site)).to.deep.equal([]);
    fc.assert(
      fc.property(siteArbitrary, (any) => {
        expect(changesBetween(any, structuredClone(any))).to.deep.equal([]);
      }),
      { numRuns: 20 },
    );
  });

  it('is told by element, with the value before and after, also where that was not said there', () => {
    expect(lines(site, set('lead', 'size', 'mobile', 11))).to.deep.equal([
      'home · Lead paragraph · size in Mobile · 18 · 11',
    ]);
    expect(lines(site, set('lead', 'size', 'tablet', 20, 'onward'))).to.deep.equal([
      'home · Lead paragraph · size in Tablet and onward · 19 · 20',
    ]);
    const there = set('lead', 'size', 'mobile', 11);
    expect(lines(there, set('lead', 'size', 'mobile', 12, 'here', there))).to.deep.equal([
      'home · Lead paragraph · size in Mobile · 11 · 12',
    ]);
    expect(lines(there, site)).to.deep.equal(['home · Lead paragraph · size in Mobile · 11 · 18']);
  });

  it('tells words, names, what came, what went and what moved, each once', () => {
    const words = made('setContent', { node: node('headline'), field: 'text', value: 'Come' });
    expect(lines(site, words.site)).to.deep.equal([
      'home · Headline · text · The dome opens at dusk. Bring a coat. · Come',
    ]);
    const renamed = made('rename', { node: node('lead'), name: 'Opening' });
    expect(lines(site, renamed.site)).to.deep.equal(['home · Opening · name · Lead paragraph · Opening']);
    // What stood in it went with it.
    const gone = made('removeElements', { nodes: [node('saturn')] });
    expect(lines(site, gone.site)).to.deep.equal(['home · Card: Saturn · removed']);
    expect(lines(gone.site, site)).to.deep.equal(['home · Card: Saturn · added']);
    const moved = made('moveElements', { nodes: [node('lead')], parent: node('opening-words'), after: null });
    expect(lines(site, moved.site)).to.have.length(1);
    expect(lines(site, moved.site)[0]).to.match(/^home · .* · moved in Text$/);
  });

  it('tells what all of the site has, and what pages share, before the pages', () => {
    const [colour] = site.frame.colours;
    const colours = [{ ...colour, value: '#123456' }, ...site.frame.colours.slice(1)];
    const other: Site = { ...site, frame: { ...site.frame, colours: colours } };
    const both = set('lead', 'size', 'mobile', 11, 'here', other);
    const described = lines(site, both);
    expect(described).to.have.length(2);
    expect(described[0]).to.match(new RegExp(`^${colour.name} · colour · .* · #123456$`));
    expect(described[1]).to.match(/^home · Lead paragraph/);
    const shared = set('shared-foot-foot-place-title', 'size', 'mobile', 33);
    expect(lines(site, shared)).to.deep.equal(['Where: title · size in Mobile · 18 · 33']);
    const [change] = changesBetween(site, shared);
    expect(change.node).to.equal('shared-foot-foot-place-title');
  });

  it('tells what was inherited and is said now, where it is the same', () => {
    const said = set('lead', 'size', 'mobile', 18);
    expect(lines(site, said)).to.deep.equal(['home · Lead paragraph · size in Mobile · 18, inherited · 18']);
    expect(lines(said, site)).to.deep.equal(['home · Lead paragraph · size in Mobile · 18 · 18, inherited']);
    const shown = set('lead', 'shown', 'desktop', true);
    expect(lines(shown, site)).to.deep.equal([
      'home · Lead paragraph · shown in Desktop · yes · yes, by default',
    ]);
  });

  it('tells where the same value reaches other views', () => {
    const here = set('lead', 'size', 'tablet', 20);
    const onward = set('lead', 'size', 'tablet', 20, 'onward');
    expect(lines(here, onward)).to.deep.equal([
      'home · Lead paragraph · how far size in Tablet reaches · here · onward',
    ]);
  });

  it('tells views by name: those that came or went, and what of one is another', () => {
    const added = made('addView', { id: view('big'), name: 'Big', from: 1600 }).site;
    // Values may have to be said in other views then, which is told as well.
    expect(lines(site, added)).to.include('Big · view added');
    expect(lines(added, site)).to.include('Big · view removed');
    const list = site.frame.views.list.map((each) => (each.id === 'tablet' ? { ...each, from: 700 } : each));
    const moved = { ...site, frame: { ...site.frame, views: { ...site.frame.views, list } } };
    expect(lines(site, moved)).to.deep.equal(['Tablet · where the view begins · 640 · 700']);
  });

  it('leaves out what only those who edit see', () => {
    const aside = made('setAside', { of: { node: node('lead') }, rule: 'text too small', reason: 'Why not' });
    expect(lines(site, aside.site)).to.deep.equal([]);
  });
});

describe('where two images of a page differ', () => {
  const shown = (id: string, sides: number[], more: Partial<Shown> = {}): Shown => {
    const [left, top, right, bottom] = sides;
    return { node: id as NodeId, box: { left, top, right, bottom }, look: 'plain', holds: false, ...more };
  };
  const parent = 'card' as NodeId;
  const card = (top: number, look = 'plain', bottom = top + 100) => [
    shown('card', [0, top, 100, bottom], { holds: true }),
    shown('title', [0, top, 100, top + 20], { parent, look }),
    shown('words', [0, top + 20, 100, top + 60], { parent }),
  ];
  const described = (before: Shown[], after: Shown[]) => {
    const found = differing(before, after);
    return [found.before, found.after].map((list) => list.map(({ node: id, by }) => `${id} ${by}`));
  };

  it('is nowhere where they are the same', () => {
    expect(described(card(0), card(0.4))).to.deep.equal([[], []]);
  });

  it('is what looks different, in both', () => {
    expect(described(card(0), card(0, 'bold'))).to.deep.equal([['title looks'], ['title looks']]);
    const wider = card(0).map((each) =>
      each.node === 'title' ? { ...each, box: { ...each.box, right: 80 } } : each,
    );
    expect(described(card(0), wider)).to.deep.equal([['title looks'], ['title looks']]);
  });

  it('is what moved, told of the outermost alone', () => {
    expect(described(card(0), card(50))).to.deep.equal([['card place'], ['card place']]);
  });

  it('is what is there only in one of them', () => {
    expect(described(card(0), card(0).slice(0, 2))).to.deep.equal([['words looks'], []]);
  });

  it('is of what holds others only their room, where that is all', () => {
    expect(described(card(0), card(0, 'plain', 140))).to.deep.equal([['card place'], ['card place']]);
  });
});
