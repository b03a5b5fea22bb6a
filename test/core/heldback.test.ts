/** What goes live while some pages stay as visitors have them. */
import { expect } from 'chai';
import fc from 'fast-check';
import { compileSite, heldBack, siteFaults, type NodeId, type Site } from '../../core/index.ts';
import { home, made, node, site, view } from './acting.ts';
import { siteArbitrary } from './arbitrary.ts';

const visits = site.pages['visits' as NodeId];
const hold = (now: Site, ...ids: string[]): Site => {
  const outcome = heldBack(now, site, new Set(ids as NodeId[]));
  if (!outcome.ok) throw new Error(outcome.sentence);
  return outcome.value;
};
const refusedTo = (now: Site, ...ids: string[]): string => {
  const outcome = heldBack(now, site, new Set(ids as NodeId[]));
  return outcome.ok ? '' : outcome.sentence;
};
const headline = (on: Site) => on.pages[home.id].nodes[node('headline')].content.text;
const reworded = made('setContent', { node: node('headline'), field: 'text', value: 'Come up' }).site;
const titles = (on: Site) => on.frame.pages.map(({ title }) => title);

describe('holding pages back', () => {
  it('leaves them as they were, and takes all others as they are', () => {
    const both = made(
      'setContent',
      { node: visits.root, field: 'stopFilm', value: 'Halt' },
      visits,
      reworded,
    ).site;
    expect(headline(hold(both, 'visits'))).to.equal('Come up');
    expect(hold(both, 'visits').pages[visits.id]).to.deep.equal(visits);
    expect(headline(hold(both, 'home'))).to.equal('The dome opens at dusk. Bring a coat.');
    expect(hold(both, 'home').pages[visits.id].nodes[visits.root].content).to.deep.equal({
      stopFilm: 'Halt',
    });
    expect(hold(both)).to.deep.equal(both);
  });

  it('is the same as what was, for any site of which all pages are not included while nothing they share has changed', () => {
    fc.assert(
      fc.property(siteArbitrary, (any) => {
        const all = new Set(any.frame.pages.map(({ id }) => id));
        const pages = Object.fromEntries(Object.entries(any.pages).reverse()) as Site['pages'];
        const outcome = heldBack({ ...any, pages }, any, all);
        expect(outcome).to.deep.equal({ ok: true, value: any });
      }),
      { numRuns: 20 },
    );
  });

  it('keeps the title and the address that visitors know', () => {
    const renamed = made('changePage', { page: visits.id, title: 'Come and see', slug: 'come' }).site;
    expect(titles(hold(renamed))).to.include('Come and see');
    const held = hold(renamed, 'visits');
    expect(titles(held)).to.deep.equal(titles(site));
    expect(compileSite(held).some(({ path }) => path === 'visits/index.html')).to.equal(true);
  });

  it('leaves out what is new, and keeps what has gone', () => {
    const more = made('addPage', { id: node('news'), title: 'News', slug: 'news', after: home.id }).site;
    expect(titles(hold(more))).to.include('News');
    expect(titles(hold(more, 'news'))).to.deep.equal(titles(site));
    const fewer = made('removePage', { page: visits.id }).site;
    const held = hold(fewer, 'visits');
    expect(titles(held)).to.have.members(titles(site));
    expect(siteFaults(held)).to.deep.equal([]);
    expect(titles(hold(fewer))).not.to.include('Visits');
  });

  it('keeps the images, colours and sizes that only a page as it was needs', () => {
    const picture = made('removeAsset', { asset: 'milky-way' }).site;
    const held = hold(picture, 'home');
    expect(held.frame.assets.some(({ id }) => id === 'milky-way')).to.equal(true);
    expect(compileSite(held).some(({ path }) => path.startsWith('assets/milky-way'))).to.equal(true);
  });

  it('is refused where a page does not go with what all pages share now, in a sentence that names it', () => {
    const narrower = made('removeView', { view: view('tablet'), values: 'drop' }).site;
    expect(refusedTo(narrower, 'home')).to.match(
      /^“Brindle Hill Observatory” as it is published does not match what has changed for all pages: .* Publish it, too\.$/,
    );
    expect(refusedTo(narrower)).to.equal('');
  });

  it('is refused where two pages would have one address, or none would be left', () => {
    const moved = made('changePage', { page: visits.id, title: 'Visits', slug: 'seeing' }).site;
    const taken = made(
      'addPage',
      { id: node('news'), title: 'News', slug: 'visits', after: home.id },
      undefined,
      moved,
    ).site;
    expect(refusedTo(taken, 'visits')).to.equal(
      '“News” and “Visits” would have the same address: one has it now, the other had it before. Publish both of them, or neither.',
    );
    const turned = made('makeHome', { page: visits.id, slugOfBefore: 'first' }).site;
    expect(refusedTo(turned, 'home')).to.match(
      /^“Brindle Hill Observatory” and “Visits” would have the same/,
    );
    expect(refusedTo(turned, 'home', 'visits')).to.equal('');
    const only = made('addPage', { id: node('news'), title: 'News', slug: 'news', after: home.id }).site;
    expect(
      heldBack(
        only,
        { ...site, frame: { ...site.frame, pages: [] }, pages: {} },
        new Set(only.frame.pages.map(({ id }) => id)),
      ),
    ).to.deep.include({ ok: false });
  });
});
