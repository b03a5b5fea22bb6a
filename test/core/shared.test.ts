/** Sections that all pages share: one tree for all, shown on each, changed on any, left out by some. */
import { expect } from 'chai';
import {
  applied,
  brokenLinks,
  compileSite,
  composed,
  idIn,
  overlapping,
  pageFaults,
  pagesOf,
  readSiteFile,
  resolve,
  knownProperty,
  siteFaults,
  valuesInView,
  writeSiteFile,
  type Page,
  type Site,
} from '../../core/index.ts';
import { files, home, made, node, refusal, site, undoneOf, view } from './acting.ts';

const [visits, hire] = [site.pages[node('visits')], site.pages[node('hire')]];
const sectionsOf = (target: Site, id: string): string[] => {
  const whole = composed(target.frame, target.pages[node(id)]);
  return whole.nodes[whole.root].children;
};
const htmlOf = (target: Site): Map<string, string> =>
  new Map(compileSite(target).flatMap((file) => ('text' in file ? [[file.path, file.text]] : [])));

/** The demo with a head and a foot on each page, made by hand from what its pages share. */
const ownOnEach = (): Site => made('unshareSection', { place: 'head' }).site;

describe('what all pages share', () => {
  it('stands first and last on each of them, and a page without it is the page itself', () => {
    for (const page of pagesOf(site)) {
      const sections = sectionsOf(site, page.id);
      expect(sections[0]).to.equal('shared-head-head');
      expect(sections.at(-1)).to.equal('shared-foot-foot');
      expect(sections.slice(1, -1)).to.deep.equal(page.nodes[page.root].children);
      expect(page.nodes).not.to.have.property('shared-head-head');
    }
    const { shared: _shared, ...frame } = site.frame;
    expect(composed(frame, home)).to.equal(home);
    expect(composed(site.frame, home)).to.equal(composed(site.frame, home));
  });

  it('is changed on any page for all, says so, and is undone alone', () => {
    const step = made(
      'setContent',
      { node: node('shared-head-mark'), field: 'name', value: 'The Hill' },
      visits,
    );
    expect(step.sentence).to.equal('Site mark: name changed in every view, on all pages');
    expect(step.operations).to.deep.equal([
      {
        op: 'set',
        path: '/frame/shared/head/nodes/shared-head-mark/content/name',
        value: 'The Hill',
      },
    ]);
    for (const page of pagesOf(step.site)) {
      expect(page).to.equal(site.pages[page.id]);
      expect(composed(step.frame, page).nodes[node('shared-head-mark')].content.name).to.equal('The Hill');
    }
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(undoneOf(step)).to.deep.equal(site);
    const own = made('setValue', {
      nodes: [node('headline')],
      property: 'size',
      value: 50,
      view: view('tablet'),
      reach: 'here',
    });
    expect(own.sentence).not.to.include('all pages');
    expect(own.frame).to.equal(site.frame);
  });

  it('takes values together with elements of the page, in one step', () => {
    const nodes = [node('headline'), node('shared-foot-foot-place-title')];
    const step = made('setValue', {
      nodes,
      property: 'size',
      value: 33,
      view: view('mobile'),
      reach: 'here',
    });
    expect(step.operations.map(({ path }) => path)).to.have.members([
      '/pages/home/nodes/headline/style/self/size/at/mobile',
      '/frame/shared/foot/nodes/shared-foot-foot-place-title/style/self/size/at/mobile',
    ]);
    const whole = composed(step.frame, step.site.pages[hire.id]);
    const size = knownProperty('size');
    expect(resolve(step.frame, whole, whole.nodes[nodes[1]], size, view('mobile'))).to.equal(33);
    expect(undoneOf(step)).to.deep.equal(site);
  });

  it('gets new elements and loses some, with ids that no page has', () => {
    const parent = node('shared-foot-foot-row');
    const id = idIn('foot', 'new');
    expect(id).to.equal('shared-foot-new');
    expect([idIn(undefined, id), idIn('head', id), idIn(undefined, 'shared-head-1')]).to.deep.equal([
      'new',
      'shared-head-new',
      'e1',
    ]);
    const step = made('addElement', { kind: 'text', id, parent, after: null }, visits);
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(step.frame.shared!.foot!.nodes[parent].children[0]).to.equal(id);
    expect(refusal('addElement', { kind: 'text', id: node('new'), parent, after: null })).to.match(
      /nothing was changed/,
    );
    expect(refusal('addElement', { kind: 'section', id, parent: home.root, after: null })).to.match(
      /nothing was changed/,
    );
    const twice = made('duplicateElement', { node: id, id: idIn('foot', 'twice') }, home, step.site);
    expect(siteFaults(twice.site)).to.deep.equal([]);
    const gone = made('removeElements', { nodes: [id] }, hire, twice.site);
    expect(gone.frame.shared!.foot!.nodes[parent].children[0]).to.equal('shared-foot-twice');
    const none = made('removeElements', { nodes: [node('shared-head-head')] });
    expect(none.sentence).to.equal('Header: deleted in every view with 3 elements in it, on all pages');
    expect(none.frame.shared).to.have.all.keys('foot');
    expect(undoneOf(none)).to.deep.equal(site);
    const both = made('removeElements', { nodes: [node('shared-foot-foot')] }, home, none.site);
    expect(both.frame).not.to.have.property('shared');
    expect(undoneOf(both)).to.deep.equal(none.site);
  });

  it('is left out by a page that wants to, which says so', () => {
    const step = made('changePage', { page: hire.id, without: ['head'] });
    expect(step.sentence).to.equal('Page Telescope hire: without the header of all pages');
    expect(sectionsOf(step.site, 'hire')[0]).to.equal(hire.nodes[hire.root].children[0]);
    expect(sectionsOf(step.site, 'home')[0]).to.equal('shared-head-head');
    expect(made('changePage', { page: hire.id, without: [] }, home, step.site).site).to.deep.equal(site);
    expect(undoneOf(step)).to.deep.equal(site);
  });

  it('goes with a view that is deleted, and is told among what is set in it', () => {
    const told = valuesInView(site, view('mobile')).filter(({ shared }) => shared === 'head');
    expect(told.map(({ of }) => of)).to.include('Page links');
    expect(told.every(({ page }) => page === undefined)).to.equal(true);
    const step = made('removeView', { view: view('mobile'), values: 'drop' });
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(JSON.stringify(step.frame.shared)).not.to.include('mobile');
    expect(undoneOf(step)).to.deep.equal(site);
  });

  it('does not touch what others do on pages; two changes of the same value do', () => {
    const mark = (value: string) =>
      made('setContent', { node: node('shared-head-mark'), field: 'name', value });
    const label = made('setContent', { node: node('shared-head-pages'), field: 'label', value: 'Ways' });
    const lead = made('setContent', { node: node('lead'), field: 'text', value: '<p>x</p>' });
    expect(overlapping(mark('One').operations, label.operations)).to.deep.equal([]);
    expect(overlapping(mark('One').operations, lead.operations)).to.deep.equal([]);
    expect(overlapping(mark('One').operations, mark('Two').operations)).to.have.length(1);
    const both = applied(mark('One').site, label.operations);
    expect(both.ok && siteFaults(both.value.site)).to.deep.equal([]);
  });

  it('is in the site file, cleaned and looked at like the rest', () => {
    const text = writeSiteFile(site, files);
    const read = readSiteFile(text);
    expect(read.ok && read.value.site).to.deep.equal(site);
    const spoilt = JSON.parse(text) as { shared: { foot: Page } };
    spoilt.shared.foot.nodes[node('shared-foot-foot-place-words')].content.text = '<p onclick="x()">Hill</p>';
    const cleaned = readSiteFile(JSON.stringify(spoilt));
    const words =
      cleaned.ok && cleaned.value.site.frame.shared!.foot!.nodes[node('shared-foot-foot-place-words')];
    expect(words && words.content.text).to.equal('<p>Hill</p>');
  });
});

describe('faults of what pages share', () => {
  const head = site.frame.shared!.head!;
  const withHead = (next: unknown): Site => ({
    ...site,
    frame: { ...site.frame, shared: { ...site.frame.shared, head: next as Page } },
  });
  const renamed = (from: string, to: string): Page =>
    JSON.parse(JSON.stringify(head).replaceAll(`"${from}"`, `"${to}"`)) as Page;
  const cases: [string, Site, RegExp][] = [
    ['an id of a page’s own', withHead(renamed('shared-head-mark', 'mark')), /begin in a way of their own/],
    ['an id of the other place', withHead(renamed('shared-head-mark', 'shared-foot-mark')), /begin in a way/],
    ['a root that is not there', withHead({ ...head, root: 'shared-head-none' }), /its root is among them/],
    ['another name than its place', withHead({ ...head, id: 'foot' }), /known by its place/],
    [
      'a root that is no section',
      withHead({ ...head, nodes: { ...head.nodes, [head.root]: { ...head.nodes[head.root], kind: 'row' } } }),
      /A row cannot be in a page/,
    ],
    [
      'an element that hangs on none',
      withHead({
        ...head,
        nodes: { ...head.nodes, [head.root]: { ...head.nodes[head.root], children: [] } },
      }),
      /would be lost/,
    ],
  ];
  for (const [what, target, sentence] of cases)
    it(`are said of ${what}`, () => {
      const faults = siteFaults(target);
      expect(faults.map(({ sentence: each }) => each).join(' ')).to.match(sentence);
      expect(faults[0].path).to.match(/^\/shared\/head/);
    });

  it('are said of a page with an element of a shared id', () => {
    const page = JSON.parse(JSON.stringify(home).replaceAll('"lead"', '"shared-head-lead"')) as Page;
    expect(pageFaults(page, site.frame).map(({ sentence }) => sentence)).to.deep.equal([
      'Its id is one of elements that all pages share; an element of one page needs another.',
    ]);
  });
});

describe('a head or foot of one page', () => {
  it('becomes that of all, in place of theirs but where a page keeps its own', () => {
    const before = ownOnEach();
    expect(before.frame.shared).to.have.all.keys('foot');
    expect(siteFaults(before)).to.deep.equal([]);
    const start = before.pages[visits.id];
    expect(start.nodes[start.root].children[0]).to.equal('head');
    const step = made('shareSection', { node: node('head'), keep: [hire.id] }, start, before);
    expect(step.sentence).to.equal('Header: now on all pages, instead of their own on 2 pages');
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(sectionsOf(step.site, 'home')).to.deep.equal(sectionsOf(site, 'home'));
    expect(sectionsOf(step.site, 'visits')).to.deep.equal(sectionsOf(site, 'visits'));
    expect(sectionsOf(step.site, 'hire')[0]).to.equal('head');
    expect(step.frame.pages.map(({ without }) => without?.join() ?? '')).to.deep.equal(['', '', 'head', '']);
    expect(step.frame.shared!.head).to.deep.equal(site.frame.shared!.head);
    expect(undoneOf(step)).to.deep.equal(before);
  });

  it('leaves what else serves so on its page, and links that mean a place there', () => {
    const own = ownOnEach();
    const linked = made(
      'setContent',
      {
        node: node('pages'),
        field: 'links',
        value: [
          { label: 'Evening', link: '#evening' },
          { label: 'Mark', link: '#mark' },
        ],
      },
      own.pages[home.id],
      own,
    );
    const add = { kind: 'section', id: node('notice'), parent: home.root, after: node('head') };
    const added = made('addElement', add, linked.page, linked.site);
    const notice = made(
      'setContent',
      { node: node('notice'), field: 'landmark', value: 'header' },
      added.page,
      added.site,
    );
    const step = made('shareSection', { node: node('head') }, notice.page, notice.site);
    expect(step.sentence).to.equal('Header: now on all pages, instead of their own on 3 pages');
    expect(sectionsOf(step.site, 'home').slice(0, 2)).to.deep.equal(['shared-head-head', 'notice']);
    expect(step.frame.shared!.head!.nodes[node('shared-head-pages')].content.links).to.deep.equal([
      { label: 'Evening', link: 'page:home#evening' },
      { label: 'Mark', link: '#shared-head-mark' },
    ]);
    expect(brokenLinks(step.site)).to.deep.equal([]);
    expect(undoneOf(step)).to.deep.equal(notice.site);
  });

  it('is published as it was, but for its names', () => {
    const own = ownOnEach();
    const step = made('shareSection', { node: node('head') }, own.pages[home.id], own);
    expect(step.site).to.deep.equal(site);
    const [were, are] = [htmlOf(own), htmlOf(site)];
    for (const path of ['index.html', 'telescope-hire/index.html']) {
      const plain = (html: string) =>
        html.replaceAll('shared-head-', '').replace(/-[0-9a-f]{10}\.css/, '.css');
      expect(plain(are.get(path)!)).to.equal(plain(were.get(path)!));
    }
  });

  it('is refused where it is only a part of its page, or all pages have one', () => {
    expect(refusal('shareSection', { node: node('opening') })).to.match(/Only the header or footer/);
    const { site: more } = made('addElement', {
      kind: 'section',
      id: node('second'),
      parent: home.root,
      after: null,
    });
    const second = made(
      'setContent',
      { node: node('second'), field: 'landmark', value: 'header' },
      more.pages[home.id],
      more,
    );
    expect(refusal('shareSection', { node: node('second') }, second.page, second.site)).to.match(
      /share a header already/,
    );
  });

  it('is given back to one page, which then leaves out what the others share', () => {
    const step = made('unshareSection', { place: 'foot', page: hire.id });
    expect(step.sentence).to.equal('Footer: Telescope hire now has its own');
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(sectionsOf(step.site, 'hire').at(-1)).to.equal('foot');
    expect(sectionsOf(step.site, 'home').at(-1)).to.equal('shared-foot-foot');
    expect(undoneOf(step)).to.deep.equal(site);
    const again = made('takeShared', { place: 'foot', page: hire.id }, home, step.site);
    expect(again.sentence).to.equal('Footer: Telescope hire shows that of all pages instead of its own');
    expect(again.site).to.deep.equal(site);
    expect(refusal('unshareSection', { place: 'foot', page: hire.id }, home, step.site)).to.match(
      /does not show/,
    );
  });

  it('follows the links and the order that name it', () => {
    const own = ownOnEach();
    const linked = made(
      'setContent',
      { node: node('lead'), field: 'text', value: '<p><a href="#head">up</a></p>' },
      own.pages[home.id],
      own,
    );
    const order = ['opening', 'head'].map(node);
    const ordered = made(
      'setValue',
      { nodes: [home.root], property: 'order', value: order, view: view('mobile'), reach: 'here' },
      linked.page,
      linked.site,
    );
    const step = made('shareSection', { node: node('head') }, ordered.page, ordered.site);
    const page = step.site.pages[home.id];
    expect(page.nodes[node('lead')].content.text).to.equal('<p><a href="#shared-head-head">up</a></p>');
    expect(page.nodes[page.root].style.self!.order!.at![view('mobile')].value).to.deep.equal([
      'opening',
      'shared-head-head',
    ]);
  });
});
