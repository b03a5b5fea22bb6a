/** Links to places on pages and to files of the shelf, and what is said of those that lead to what is gone. */
import { expect } from 'chai';
import { assetUses, brokenLinks, compileSite, siteFaults, type Site } from '../../core/index.ts';
import { home, made, node, site, undoneOf } from './acting.ts';

describe('links to places and files', () => {
  const link = (value: string) => made('setContent', { node: node('book'), field: 'link', value });
  const textOf = (target: Site, path: string): string =>
    (compileSite(target).find((file) => file.path === path) as { text: string }).text;
  const hrefOf = (target: Site): string | undefined =>
    /<a class="[^"]*n-book"(?: href="([^"]*)")?>/.exec(textOf(target, 'index.html'))?.[1];

  it('lead to a place on another page, whose anchor is printed there and nowhere else', () => {
    const { site: linked } = link('page:hire#hire-prices');
    expect(siteFaults(linked)).to.deep.equal([]);
    expect(hrefOf(linked)).to.equal('telescope-hire/#hire-prices');
    expect(textOf(linked, 'telescope-hire/index.html')).to.match(/ id="hire-prices" tabindex="-1"/);
    expect(textOf(site, 'telescope-hire/index.html')).not.to.include(' id="hire-prices"');
    expect(textOf(linked, 'visits/index.html')).not.to.include(' id="hire-prices"');
  });

  it('lead to a place on the same page by it alone, and to the top of a page whose place is gone', () => {
    expect(hrefOf(link('page:home#evening').site)).to.equal('#evening');
    expect(hrefOf(link('page:hire#nothing').site)).to.equal('telescope-hire/');
    expect(hrefOf(link('#nothing').site)).to.equal(undefined);
  });

  it('lead to a file of the shelf, which is published for that alone', () => {
    const { site: linked } = link('shelf:milky-way');
    const { hash } = site.frame.assets.find(({ id }) => id === 'milky-way')!;
    const path = `assets/milky-way-${hash.slice(0, 10)}.webp`;
    expect(hrefOf(linked)).to.equal(path);
    expect(compileSite(linked).map((file) => file.path)).to.include(path);
    expect(hrefOf(link('shelf:nothing').site)).to.equal(undefined);
    expect(assetUses(linked).get('milky-way')).to.deep.include({ page: home.id, node: 'book', as: 'link' });
    const gone = made('removeAsset', { asset: 'milky-way' }, linked.pages[home.id], linked);
    expect(gone.page.nodes[node('book')].content.link).to.equal('');
    expect(undoneOf(gone)).to.deep.equal(linked);
  });

  it('are told of where what they lead to is gone, and of nothing else', () => {
    expect(brokenLinks(site)).to.deep.equal([]);
    const without = made('removePage', { page: node('visits') }).site;
    expect(brokenLinks(without).map(({ page, node: at, gone }) => `${page} ${at} ${gone}`)).to.deep.equal([
      'home book page',
      'home invitation-button page',
      'hire hire-bring page',
      'home shared-head-pages page',
    ]);
    expect(brokenLinks(link('page:hire#nothing').site).map(({ gone }) => gone)).to.deep.equal(['place']);
    expect(brokenLinks(link('page:hire#shared-foot-foot').site)).to.deep.equal([]);
    expect(brokenLinks(link('shelf:nothing').site).map(({ gone }) => gone)).to.deep.equal(['file']);
    for (const other of ['https://example.org', 'mailto:a@b.example', 'tel:+44-1', '', '#evening'])
      expect(brokenLinks(link(other).site), other).to.deep.equal([]);
  });

  it('follow an element that moves to another page, and what it leaves behind', () => {
    const words = '<p><a href="#evening-title">here</a> <a href="#opening">up</a></p>';
    const text = made('setContent', { node: node('lead'), field: 'text', value: words });
    const inside = made(
      'setContent',
      { node: node('book'), field: 'link', value: 'page:home#evening-title' },
      text.page,
      text.site,
    );
    const moved = made(
      'moveToPage',
      { nodes: [node('evening')], to: node('visits'), parent: site.pages[node('visits')].root, after: null },
      inside.page,
      inside.site,
    );
    expect(moved.page.nodes[node('book')].content.link).to.equal('page:visits#evening-title');
    expect(moved.page.nodes[node('lead')].content.text).to.equal(
      '<p><a href="page:visits#evening-title">here</a> <a href="#opening">up</a></p>',
    );
    const opening = made(
      'moveToPage',
      { nodes: [node('opening')], to: node('hire'), parent: site.pages[node('hire')].root, after: null },
      inside.page,
      inside.site,
    );
    // "opening" is taken there; what it linked to stays on the page it left.
    const there = opening.site.pages[node('hire')];
    const texts = Object.values(there.nodes).map(({ content }) => String(content.text));
    expect(texts.find((each) => each.includes('#evening-title'))).to.match(
      /href="page:home#evening-title".*href="#opening(-2)?"/,
    );
    expect(brokenLinks(opening.site)).to.deep.equal([]);
    expect(undoneOf(opening)).to.deep.equal(inside.site);
  });
});
