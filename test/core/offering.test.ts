/** In which views pages are offered: in menus, only to who follows a link, or not at all. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  applied,
  composed,
  headOf,
  leadsTo,
  notShown,
  offeringIn,
  perform,
  siteFaults,
  siteFrom,
  viewsOffering,
  viewsWithoutMenu,
  wayOn,
  writtenFrom,
  type NodeId,
  type Offering,
  type Site,
} from '../../core/index.ts';
import { linksIn } from '../../core/values/links.ts';
import { home, made, node, refusal, site, view } from './acting.ts';

const VIEWS = ['mobile', 'tablet', 'desktop', 'wide'];
const visits = node('visits');
const offer = (offering: Offering, views: string[], on: Site = site, page: NodeId = visits) => {
  const outcome = perform(on, home.id, 'offerPage', { page, offering, views: views.map(view) });
  if (!outcome.ok) throw new Error(outcome.sentence);
  return outcome.value;
};
const by = (on: Site, page: NodeId = visits) =>
  VIEWS.map((id) => offeringIn(headOf(on.frame, page), on.frame, view(id)));

describe('where a page is offered', () => {
  it('is said for any set of views, whatever was said before, and leaves no trace where it is the usual', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.constantFrom<Offering>('listed', 'unlisted', 'withheld'),
            fc.subarray(VIEWS, { minLength: 1 }),
          ),
          { maxLength: 6 },
        ),
        (acts) => {
          let now = site;
          const wanted = Object.fromEntries(VIEWS.map((id) => [id, 'listed'])) as Record<string, Offering>;
          for (const [offering, views] of acts) {
            const step = offer(offering, views, now);
            for (const id of views) wanted[id] = offering;
            const back = applied(step.site, step.inverse);
            expect(back.ok && back.value.site).to.deep.equal(now);
            now = step.site;
          }
          expect(by(now)).to.deep.equal(VIEWS.map((id) => wanted[id]));
          expect(siteFaults(now)).to.deep.equal([]);
          const head = headOf(now.frame, visits);
          if (Object.values(wanted).every((each) => each === 'listed'))
            expect(head.offered).to.equal(undefined);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('can be only in one view, and is written and read with the site', () => {
    const only = offer('withheld', ['wide', 'desktop', 'tablet']).site;
    expect(by(only)).to.deep.equal(['listed', 'withheld', 'withheld', 'withheld']);
    expect(viewsOffering(only.frame, headOf(only.frame, visits), 'withheld')).to.deep.equal([
      'tablet',
      'desktop',
      'wide',
    ]);
    const written = JSON.parse(JSON.stringify(writtenFrom(only))) as Parameters<typeof siteFrom>[0];
    expect(siteFrom(written).frame.pages).to.deep.equal(only.frame.pages);
  });

  it('goes along with its view: what a view that goes had is not kept, and a new one takes what its neighbour says', () => {
    const step = offer('withheld', ['mobile']);
    const gone = made('removeView', { view: view('mobile'), values: 'drop' }, home, step.site);
    expect(siteFaults(gone.site)).to.deep.equal([]);
    expect(offeringIn(headOf(gone.site.frame, visits), gone.site.frame, view('tablet'))).to.equal('listed');
  });

  it('is never withheld for the home page, and names what is empty afterwards', () => {
    expect(refusal('offerPage', { page: home.id, offering: 'withheld', views: [view('mobile')] })).to.match(
      /^The home page is where every path leads/,
    );
    expect(refusal('offerPage', { page: node('gone'), offering: 'listed', views: [] })).to.match(
      /no longer on this site/,
    );
    let now = site;
    let sentence = '';
    for (const { id } of site.frame.pages) ({ site: now, sentence } = offer('unlisted', ['mobile'], now, id));
    expect(sentence).to.match(/^Page Find us: not in menus in Mobile; Page links is empty in Mobile now$/);
  });

  it('leads on to the home page, or to the first page that is offered there', () => {
    const { frame } = offer('withheld', ['mobile']).site;
    expect(wayOn(frame, headOf(frame, visits))!.id).to.equal('home');
    const alone = { ...frame, pages: frame.pages.filter(({ id }) => id === visits) };
    expect(wayOn(alone, headOf(frame, visits))).to.equal(undefined);
  });

  it('is the reason why nothing of a page is seen, but for its head and foot', () => {
    const { frame, pages } = offer('withheld', ['mobile']).site;
    const page = composed(frame, pages[visits]);
    const absent = notShown(frame, page, view('mobile')).filter(({ reason }) => reason === 'page');
    const own = Object.keys(pages[visits].nodes).filter(
      (id) => id !== pages[visits].root && !['spacer', 'divider'].includes(page.nodes[node(id)].kind),
    );
    expect(absent.map(({ node: id }) => id)).to.have.members(own);
    expect(notShown(frame, page, view('desktop')).filter(({ reason }) => reason === 'page')).to.deep.equal(
      [],
    );
  });
});

describe('links to a page that is not offered', () => {
  const withheld = offer('withheld', ['mobile', 'tablet']).site;

  it('are hidden in these views too: buttons with their words, words without their link, and nothing elsewhere', () => {
    const text = made(
      'setContent',
      { node: node('lead'), field: 'text', value: '<p>See <a href="page:visits">our visits</a> first.</p>' },
      home,
      withheld,
    ).site;
    const link = made(
      'setContent',
      { node: node('book'), field: 'link', value: 'page:visits' },
      text.pages[home.id],
      text,
    ).site;
    const outcome = perform(link, home.id, 'hideLinksTo', {
      page: visits,
      views: ['mobile', 'tablet'].map(view),
    });
    if (!outcome.ok) throw new Error(outcome.sentence);
    const { site: now, sentence, inverse } = outcome.value;
    expect(sentence).to.match(
      /^Links to Visits in Tablet, Mobile: \d+ buttons? hidden, \d+ texts? without the link$/,
    );
    const { nodes } = now.pages[home.id];
    expect(nodes[node('book')].style.self!.shown!.at).to.deep.equal({
      tablet: { value: false, reach: 'onward' },
    });
    const words = nodes[node('lead')];
    expect(words.content.text).to.equal('<p>See <a href="page:visits">our visits</a> first.</p>');
    const [tablet] = Object.values(words.style.self!['text.text'].at!);
    expect((tablet.value as { says: string }).says).to.equal('<p>See our visits first.</p>');
    expect(tablet.reach).to.equal('onward');
    expect(siteFaults(now)).to.deep.equal([]);
    const back = applied(now, inverse);
    expect(back.ok && back.value.site).to.deep.equal(link);
    const again = perform(now, home.id, 'hideLinksTo', {
      page: visits,
      views: ['mobile', 'tablet'].map(view),
    });
    expect(again.ok ? again.value.sentence : again.sentence).to.match(
      /^Nothing links to Visits in these views\./,
    );
  });

  it('stay in menus, which leave them out by themselves', () => {
    const [menu] = Object.values(withheld.frame.shared!.head!.nodes).filter(
      ({ kind }) => kind === 'navigation',
    );
    expect(linksIn(menu).some(leadsTo(visits))).to.equal(true);
    const outcome = perform(withheld, home.id, 'hideLinksTo', { page: visits, views: [view('mobile')] });
    if (outcome.ok) {
      const head = outcome.value.site.frame.shared!.head!;
      expect(head.nodes[menu.id]).to.deep.equal(menu);
    }
  });
});

describe('a page without a menu', () => {
  it('is found where its header is hidden, or nothing in the menu is left', () => {
    const whole = composed(site.frame, home);
    expect(viewsWithoutMenu(site.frame, whole)).to.deep.equal([]);
    const hidden = made('setValue', {
      nodes: [node('shared-head-head')],
      property: 'shown',
      view: view('mobile'),
      value: false,
      reach: 'here',
    }).site;
    expect(viewsWithoutMenu(hidden.frame, composed(hidden.frame, hidden.pages[home.id]))).to.deep.equal([
      'mobile',
    ]);
    let now = site;
    for (const { id } of site.frame.pages) now = offer('unlisted', ['wide'], now, id).site;
    expect(viewsWithoutMenu(now.frame, composed(now.frame, now.pages[home.id]))).to.deep.equal(['wide']);
  });
});
