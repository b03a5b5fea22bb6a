/** Commands on pages as such: adding, changing, deleting, and moving elements between them. */
import { expect } from 'chai';
import {
  compileSite,
  leadsTo,
  linking,
  pagesOf,
  sharedTrees,
  siteFaults,
  type Site,
} from '../../core/index.ts';
import { home, made, node, refusal, site, undoneOf } from './acting.ts';

const add = { id: node('tonight'), title: ' Tonight  at eight ', slug: 'tonight', after: node('home') };

describe('a page', () => {
  it('is added empty behind another, and undone as one step', () => {
    const step = made('addPage', add);
    expect(step.sentence).to.equal('Page Tonight at eight added');
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(pagesOf(step.site).map(({ id }) => id)).to.deep.equal([
      'home',
      'tonight',
      'visits',
      'hire',
      'find-us',
    ]);
    expect(undoneOf(step)).to.deep.equal(site);
    expect(made('addPage', { ...add, after: null }).frame.pages[0].id).to.equal('tonight');
    expect(made('addPage', { ...add, after: node('gone') }).frame.pages.at(-1)!.id).to.equal('tonight');
  });

  it('is put into the menus in the order of the pages, and moves with it there', () => {
    const menuOf = (target: Site) =>
      (
        target.frame.shared!.head!.nodes[node('shared-head-pages')].content.links as {
          label: string;
          link: string;
        }[]
      ).map(({ label }) => label);
    expect(menuOf(site)).to.deep.equal(['Home', 'Visits', 'Telescope hire', 'Find us']);
    const step = made('addPage', { ...add, inMenus: true });
    expect(step.sentence).to.equal('Page Tonight at eight added with 1 link in menus');
    expect(menuOf(step.site)).to.deep.equal([
      'Home',
      'Tonight at eight',
      'Visits',
      'Telescope hire',
      'Find us',
    ]);
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(undoneOf(step)).to.deep.equal(site);
    const moved = made('movePage', { page: node('tonight'), after: node('hire') }, home, step.site);
    expect(moved.sentence).to.equal('Page Tonight at eight: behind Telescope hire, also in 1 menu');
    expect(menuOf(moved.site)).to.deep.equal([
      'Home',
      'Visits',
      'Telescope hire',
      'Tonight at eight',
      'Find us',
    ]);
    expect(undoneOf(moved)).to.deep.equal(step.site);
    const first = made('movePage', { page: node('tonight'), after: null }, home, moved.site);
    expect(menuOf(first.site)[0]).to.equal('Tonight at eight');
    const copy = made('copyPage', {
      page: node('visits'),
      id: node('again'),
      title: 'Again',
      slug: 'again',
      inMenus: true,
    });
    expect(menuOf(copy.site)).to.deep.equal(['Home', 'Visits', 'Again', 'Telescope hire', 'Find us']);
    expect(made('addPage', { ...add, after: null, inMenus: true }).frame.shared).not.to.deep.equal(
      site.frame.shared,
    );
  });

  it('has an id, an address and a title of its own, or is refused with a sentence', () => {
    expect(refusal('addPage', { ...add, id: node('home') })).to.match(/id already; nothing was added/);
    expect(refusal('addPage', { ...add, slug: 'visits' })).to.equal(
      'The address “visits” is Visits’s already; choose another. Nothing was changed.',
    );
    expect(refusal('addPage', { ...add, slug: '' })).to.match(/is the first page already/);
    expect(refusal('addPage', { ...add, slug: 'No Good' })).to.match(
      /^The address cannot be saved: .* Nothing was changed\.$/,
    );
    expect(refusal('addPage', { ...add, title: '  ' })).to.match(/^The title cannot be saved/);
    expect(refusal('changePage', { page: node('visits'), slug: 'find-us' })).to.match(/is Find us’s already/);
    expect(refusal('changePage', { page: node('gone'), title: 'x' })).to.match(/no longer on this site/);
  });

  it('gets another title, address and description, which leaves its elements alone', () => {
    const step = made('changePage', {
      page: node('visits'),
      title: 'Come up',
      slug: 'come-up',
      description: 'How',
    });
    expect(step.sentence).to.equal(
      'Page Visits: title → Come up, address visits → come-up, description changed',
    );
    for (const { id } of pagesOf(site)) expect(step.site.pages[id]).to.equal(site.pages[id]);
    expect(step.operations.map(({ path }) => path)).to.have.members([
      '/frame/pages/visits/title',
      '/frame/pages/visits/slug',
      '/frame/pages/visits/description',
      '/frame/pages/visits/earlier',
    ]);
    expect(siteFaults(step.site)).to.deep.equal([]);
  });

  it('is deleted with all on it, and had back as it was; the last one stays', () => {
    const step = made('removePage', { page: node('visits') });
    expect(step.sentence).to.equal('Page Visits: deleted');
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(step.site.pages).not.to.have.property('visits');
    expect(undoneOf(step)).to.deep.equal(site);
    let left = site;
    for (const id of ['visits', 'hire', 'find-us'])
      left = made('removePage', { page: node(id) }, home, left).site;
    expect(refusal('removePage', { page: node('home') }, home, left)).to.match(/at least one page/);
  });

  it('is deleted with the links to it where that is wanted, in one step; what was linked keeps its words', () => {
    const to = (id: string) => (target: Site) =>
      [...pagesOf(target), ...sharedTrees(target.frame)].flatMap((page) =>
        linking(page, leadsTo(node(id))).map(({ node: at }) => `${page.id} ${at}`),
      );
    // The menu that all pages share, two buttons on the first, and one on the third.
    expect(to('visits')(site)).to.have.members([
      'home book',
      'home invitation-button',
      'hire hire-bring',
      'head shared-head-pages',
    ]);
    const plain = made('removePage', { page: node('visits') });
    expect(to('visits')(plain.site)).to.deep.equal([
      'home book',
      'home invitation-button',
      'hire hire-bring',
      'head shared-head-pages',
    ]);
    const step = made('removePage', { page: node('visits'), unlink: true });
    expect(step.sentence).to.equal('Page Visits: deleted with 4 links to it');
    expect(to('visits')(step.site)).to.deep.equal([]);
    expect(siteFaults(step.site)).to.deep.equal([]);
    const menu = step.frame.shared!.head!.nodes[node('shared-head-pages')].content.links as {
      label: string;
      link: string;
    }[];
    expect(menu.map(({ label, link }) => `${label}: ${link}`)).to.deep.equal([
      'Home: page:home',
      'Visits: ',
      'Telescope hire: page:hire',
      'Find us: page:find-us',
    ]);
    expect(undoneOf(step)).to.deep.equal(site);
  });

  it('keeps the words of a link in a text that is taken off', () => {
    const text =
      '<p>See <a href="page:visits">our <strong>visits</strong></a> or <a href="https://example.org/?a=1&amp;b=2">this</a>.</p>';
    const linked = made('setContent', { node: node('lead'), field: 'text', value: text });
    const { site: after } = made(
      'removePage',
      { page: node('visits'), unlink: true },
      linked.page,
      linked.site,
    );
    expect(after.pages[home.id].nodes[node('lead')].content.text).to.equal(
      '<p>See our <strong>visits</strong> or <a href="https://example.org/?a=1&amp;b=2">this</a>.</p>',
    );
  });

  it('is copied with all its overrides, and each of both then goes its own way', () => {
    const step = made('copyPage', {
      page: node('visits'),
      id: node('more'),
      title: 'More visits',
      slug: 'more-visits',
    });
    expect(step.sentence).to.equal('Page Visits: copied as More visits');
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(pagesOf(step.site).map(({ id }) => id)).to.deep.equal([
      'home',
      'visits',
      'more',
      'hire',
      'find-us',
    ]);
    const [copy, original] = [step.site.pages[node('more')], site.pages[node('visits')]];
    const { [copy.root]: root, ...rest } = copy.nodes;
    const { [original.root]: before, ...others } = original.nodes;
    expect(rest).to.deep.equal(others);
    expect(root).to.deep.equal({ ...before, name: 'More visits' });
    const changed = made('rename', { node: copy.root, name: 'Other' }, copy, step.site);
    expect(changed.site.pages[node('visits')]).to.equal(step.site.pages[node('visits')]);
    expect(undoneOf(step)).to.deep.equal(site);
    expect(
      refusal('copyPage', { page: node('visits'), id: node('more'), title: 'More', slug: 'visits' }),
    ).to.match(/is Visits’s already/);
    expect(
      refusal('copyPage', { page: node('gone'), id: node('more'), title: 'More', slug: 'more' }),
    ).to.match(/no longer on this site/);
  });

  it('is moved in the order of pages and of menus, which changes nothing else', () => {
    const order = (after: string | null, page = 'visits') => {
      const step = made('movePage', { page: node(page), after: after === null ? null : node(after) });
      expect(undoneOf(step)).to.deep.equal(site);
      return [step.frame.pages.map(({ id }) => id).join(' '), step.sentence];
    };
    expect(order('hire')).to.deep.equal([
      'home hire visits find-us',
      'Page Visits: behind Telescope hire, also in 1 menu',
    ]);
    expect(order(null)).to.deep.equal([
      'visits home hire find-us',
      'Page Visits: first in the order, also in 1 menu',
    ]);
    expect(order('find-us', 'home')[0]).to.equal('visits hire find-us home');
    expect(order('gone')[0]).to.equal('home hire find-us visits');
  });

  it('becomes the home page, and the one before gets an address', () => {
    const step = made('makeHome', { page: node('hire'), slugOfBefore: 'welcome' });
    const slugs = Object.fromEntries(step.frame.pages.map(({ id, slug }) => [id, slug]));
    expect(slugs).to.deep.equal({ home: 'welcome', visits: 'visits', hire: '', 'find-us': 'find-us' });
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(undoneOf(step)).to.deep.equal(site);
    expect(refusal('makeHome', { page: node('hire'), slugOfBefore: 'visits' })).to.match(
      /is Visits’s already/,
    );
    expect(refusal('makeHome', { page: node('hire'), slugOfBefore: '' })).to.match(/Nothing was changed/);
    expect(refusal('removePage', { page: node('home') })).to.match(/Make another page the home page first/);
  });
});

describe('elements moved to another page', () => {
  const visits = site.pages[node('visits')];
  const to = { to: visits.id, parent: visits.root, after: visits.nodes[visits.root].children[0] };

  it('go there with all that is in them, in one step for both pages', () => {
    const step = made('moveToPage', { nodes: [node('evening'), node('week')], ...to });
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(step.sentence).to.equal('2 elements: moved to Visits');
    const [there, here] = [step.site.pages[visits.id], step.site.pages[home.id]];
    expect(there.nodes[visits.root].children.slice(1, 3)).to.deep.equal(['evening', 'week']);
    expect(there.nodes[node('evening-title')].content).to.deep.equal(
      home.nodes[node('evening-title')].content,
    );
    expect(here.nodes).not.to.have.property('evening-title');
    expect(here.nodes[home.root].children).not.to.include('evening');
    expect(undoneOf(step)).to.deep.equal(site);
  });

  it('get other ids where theirs are taken there, also in what speaks of them', () => {
    const copy = made('copyPage', { page: home.id, id: node('again'), title: 'Again', slug: 'again' });
    const again = copy.site.pages[node('again')];
    const [first] = again.nodes[again.root].children;
    const step = made(
      'moveToPage',
      { nodes: [first], to: again.id, parent: again.root, after: null },
      home,
      copy.site,
    );
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(step.site.pages[again.id].nodes[again.root].children.slice(0, 2)).to.deep.equal([
      `${first}-2`,
      first,
    ]);
    expect(undoneOf(step)).to.deep.equal(copy.site);
  });

  it('are refused where they do not fit', () => {
    expect(refusal('moveToPage', { nodes: [node('headline')], ...to })).to.match(
      /takes no heading\. Nothing was moved\./,
    );
    expect(refusal('moveToPage', { nodes: [node('evening')], ...to, to: home.id })).to.match(
      /nothing was moved/,
    );
    expect(refusal('moveToPage', { nodes: [node('evening')], ...to, to: node('gone') })).to.match(
      /no longer on this site/,
    );
    expect(refusal('moveToPage', { nodes: [], ...to })).to.equal('Nothing is selected.');
  });
});

describe('what the site says of a page', () => {
  const change = (args: Partial<Parameters<typeof made<'changePage'>>[1]>, on: Site = site) =>
    made('changePage', { page: node('visits'), ...args }, on.pages[home.id], on);
  const headIn = (of: Site, id = 'visits') => of.frame.pages.find((head) => head.id === id)!;

  it('remembers the addresses that it had, until another page has them', () => {
    const once = change({ slug: 'evenings' });
    const twice = change({ slug: 'come-up' }, once.site);
    expect(headIn(twice.site).earlier).to.deep.equal(['visits', 'evenings']);
    // Back again: what leads to it by itself is no address of the past.
    const back = change({ slug: 'visits' }, twice.site);
    expect(headIn(back.site).earlier).to.deep.equal(['evenings', 'come-up']);
    const taken = made('changePage', { page: node('hire'), slug: 'evenings' }, home, twice.site);
    expect(headIn(taken.site).earlier).to.deep.equal(['visits']);
    expect(headIn(taken.site, 'hire').earlier).to.deep.equal(['telescope-hire']);
    expect(siteFaults(taken.site)).to.deep.equal([]);
    const first = made('makeHome', { page: node('visits'), slugOfBefore: 'start' }, home, once.site);
    expect(headIn(first.site).earlier).to.deep.equal(['visits', 'evenings']);
    expect(undoneOf(first)).to.deep.equal(once.site);
  });

  it('is published: what leads on from earlier addresses, the language, the image for sharing, the page for none', () => {
    const told = change({ slug: 'evenings', lang: 'cy', picture: 'saturn', missing: true }).site;
    const files = new Map(
      compileSite(told, { address: 'https://hill.example/sky/' }).map((file) => [file.path, file]),
    );
    const text = (path: string) => {
      const file = files.get(path);
      return file && 'text' in file ? file.text : '';
    };
    expect(text('visits/index.html')).to.match(
      /<meta http-equiv="refresh" content="0; url=\.\.\/evenings\/">/,
    );
    expect(text('visits/index.html')).to.match(/<link rel="canonical" href="\.\.\/evenings\/">/);
    expect(files.get('visits/index.html')).to.have.property('movedTo', 'evenings/');
    const page = text('evenings/index.html');
    expect(page).to.match(/^<!DOCTYPE html>\n<html lang="cy">/);
    expect(page).to.match(/<meta property="og:title" content="Visits">/);
    expect(page).to.match(
      /<meta property="og:image" content="https:\/\/hill\.example\/sky\/assets\/saturn-[\w-]+\.webp">/,
    );
    // The page for addresses where there is none is seen at any depth: all that it refers to is named from the root.
    const missing = text('404.html');
    expect(missing).to.match(/<meta name="robots" content="noindex">/);
    const refers = [...missing.matchAll(/(?:href|src)="([^"]*)"/g)].map(([, to]) => to);
    expect(refers.length).to.be.greaterThan(5);
    for (const to of refers) expect(to).to.match(/^(\/sky\/|mailto:|tel:|https:|#)/);
    for (const [, set] of missing.matchAll(/srcset="([^"]*)"/g)) expect(set).to.match(/^\/sky\//);
    expect(files.has('404.html')).to.equal(true);
    expect(compileSite(site).some(({ path }) => path === '404.html')).to.equal(false);
  });

  it('is refused where it cannot be', () => {
    const refused = (args: object) => refusal('changePage', { page: node('visits'), ...args });
    expect(refused({ picture: 'gone' })).to.match(/no longer on the shelf/);
    expect(refused({ lang: 'no language' })).to.match(/cannot be saved/);
    expect(refusal('changePage', { page: home.id, missing: true })).to.match(
      /home page is shown at its own address/,
    );
    const both = made(
      'changePage',
      { page: node('hire'), missing: true },
      home,
      change({ missing: true }).site,
    );
    expect(both.frame.pages.filter(({ missing }) => missing).map(({ id }) => id)).to.deep.equal(['hire']);
    const without = change(
      { missing: false, lang: null, picture: null },
      change({ missing: true, lang: 'cy', picture: 'saturn' }).site,
    );
    expect(headIn(without.site)).to.deep.equal(headIn(site));
    const gone = made('removeAsset', { asset: 'saturn' }, home, change({ picture: 'saturn' }).site);
    expect(headIn(gone.site)).not.to.have.property('picture');
  });
});
