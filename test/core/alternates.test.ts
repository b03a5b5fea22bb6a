/** Sets of alternates: in every view exactly one shows, whatever happens to them, the page or the views. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  compileSite,
  alternateIn,
  handmadePairs,
  isShown,
  letterOf,
  perform,
  resolve,
  knownProperty,
  siteFaults,
  type CommandName,
  type NodeId,
  type Page,
  type Site,
} from '../../core/index.ts';
import { elementRules } from '../../core/compile/elementrules.ts';
import { frame, home, made, node, refusal, site, undoneOf, view } from './acting.ts';

const VIEWS = ['wide', 'desktop', 'tablet', 'mobile'];

const make = (id: string, where: string, reach: 'here' | 'onward' | 'everywhere' = 'here', on: Page = home) =>
  made(
    'makeAlternate',
    { node: node(id), view: view(where), reach, set: node('set'), copy: node(`copy-${where}`) },
    on,
  );

/** Which shows in each view, wide to narrow. */
const showing = (page: Page, set = 'set') =>
  VIEWS.map((each) => alternateIn(frame, page.nodes[node(set)], view(each)));

describe('an alternate for a view', () => {
  it('is a copy that shows there, and the block itself in the others, in one set with telling names', () => {
    const { page, sentence, site: after } = make('dome', 'mobile');
    expect(showing(page)).to.deep.equal(['dome', 'dome', 'dome', 'copy-mobile']);
    const set = page.nodes[node('set')];
    expect([set.kind, set.name, set.parent]).to.deep.equal(['alternates', 'Dome image', 'opening-row']);
    expect(set.children.map((id) => page.nodes[id].name)).to.deep.equal([
      'Dome image, other views',
      'Dome image, Mobile',
    ]);
    expect(sentence).to.equal('Dome image: alternate made for Mobile');
    expect(siteFaults(after)).to.deep.equal([]);
    // The set has the place that the block had: its columns, and its place in the order of Mobile.
    expect(set.style.self!.span).to.deep.equal(home.nodes[node('dome')].style.self!.span);
    expect(page.nodes[node('dome')].style.self!.span).to.equal(undefined);
    expect(page.nodes[node('opening-row')].style.self!.order!.at).to.deep.equal({
      mobile: { value: ['set', 'opening-words'], reach: 'onward' },
    });
  });

  it('follows the reach, and in the base takes its place there alone', () => {
    expect(showing(make('dome', 'tablet', 'onward').page)).to.deep.equal([
      ...['dome', 'dome'],
      ...['copy-tablet', 'copy-tablet'],
    ]);
    expect(showing(make('dome', 'desktop', 'onward').page)).to.deep.equal([
      ...['dome', 'copy-desktop'],
      ...['dome', 'dome'],
    ]);
    const second = make('set', 'tablet', 'here', make('dome', 'mobile').page);
    expect(showing(second.page)).to.deep.equal(['dome', 'dome', 'copy-tablet', 'copy-mobile']);
    expect(second.page.nodes[node('set')].children.map((_id, place) => letterOf(place))).to.deep.equal([
      ...['A', 'B', 'C'],
    ]);
  });

  it('is published as rules that display one of them', () => {
    const { page } = make('dome', 'mobile');
    const display = (id: string) =>
      elementRules(page.nodes[node(id)], page.nodes[node('set')], frame.views)
        .filter(({ declarations }) => declarations.display)
        .map(({ selector, condition, declarations }) => [selector, condition, declarations.display]);
    expect(display('dome')).to.deep.equal([
      ['.n-dome', undefined, 'block'],
      ['.n-dome', 'not (width >= 640px)', 'none'],
    ]);
    expect(display('copy-mobile')).to.deep.equal([
      ['.n-copy-mobile', undefined, 'none'],
      ['.n-copy-mobile', 'not (width >= 640px)', 'block'],
    ]);
  });

  it('is a place that links lead to in every view, whichever of them shows', () => {
    const step = make('dome', 'mobile');
    const linked = made(
      'setContent',
      { node: node('book'), field: 'link', value: '#dome' },
      step.page,
      step.site,
    ).site;
    const [file] = compileSite(linked).filter(({ path }) => path === 'index.html') as { text: string }[];
    expect(file.text).to.include('href="#dome"');
    // Before both of them, in the set, which is there in every view; and once.
    expect(file.text).to.match(
      /<div class="alternates n-set"><span class="place" id="dome" tabindex="-1"><\/span><picture class="picture n-dome">/,
    );
    expect(file.text.match(/ id="dome"/g)).to.have.length(1);
  });

  it('can be chosen by its letter in a cell, and by going round', () => {
    const { page } = make('dome', 'mobile');
    const go = (on: Page) =>
      made('nextAlternate', { set: node('set'), view: view('tablet'), reach: 'onward' }, on);
    const once = go(page);
    expect(showing(once.page)).to.deep.equal(['dome', 'dome', 'copy-mobile', 'copy-mobile']);
    expect(once.sentence).to.equal('Dome image: B, Dome image, Mobile, in Tablet and onward');
    expect(showing(go(once.page).page)).to.deep.equal(['dome', 'dome', 'dome', 'copy-mobile']);
    const { type } = knownProperty('alternate');
    const siblings = { order: [], source: page.nodes[node('set')].children };
    expect(type.parse('b', { site: frame, siblings })).to.deep.equal({ ok: true, value: 'copy-mobile' });
    expect(type.parse('C', { site: frame, siblings })).to.deep.equal({
      ok: false,
      sentence: '“C” isn’t one of the alternates; they are A, B.',
    });
    expect(type.format('copy-mobile' as never, { site: frame, siblings })).to.equal('B');
  });

  it('is refused where there is nothing to stand in for, and for what is one by itself', () => {
    expect(refusal('makeAlternate', { ...ARGS, node: home.root })).to.match(/page itself/);
    expect(refusal('makeAlternate', { ...ARGS, node: node('shared-head-head') })).to.match(/on all pages/);
    const { page } = make('dome', 'mobile');
    const hide = { nodes: [node('dome')], property: 'shown', view: view('mobile'), value: false };
    expect(refusal('setValue', { ...hide, reach: 'here' }, page)).to.match(/Shown does not apply/);
    expect(
      refusal('showInViews', { nodes: [node('dome')], shown: false, views: [view('mobile')] }, page),
    ).to.match(/exactly one alternate shows/);
    const pair = { nodes: [node('dome'), node('copy-mobile')], id: node('group') };
    expect(refusal('groupElements', pair, page)).to.match(/Only one of a set of alternates shows/);
    const clear = { nodes: [node('set')], property: 'alternate', view: view('desktop') };
    expect(refusal('clearValue', clear, page)).to.match(/needs a value in the base/);
    expect(
      refusal('addElement', { kind: 'alternates', id: node('x'), parent: node('opening'), after: null }),
    ).to.match(/takes no alternates/);
  });
});

const ARGS = { view: view('mobile'), reach: 'here', set: node('set'), copy: node('copy') } as const;

/** What shows of some elements in each view. */
const shownOf = ({ frame: on }: Site, page: Page, ids: readonly NodeId[]) =>
  on.views.list.map((each) =>
    ids.filter((id) => page.nodes[id] && isShown(on, page, page.nodes[id], each.id)),
  );

describe('taking a set apart', () => {
  const { page, site: after } = make('dome', 'mobile');
  const both = [node('dome'), node('copy-mobile')];

  it('leaves ordinary blocks, hidden as they were', () => {
    const apart = made('dissolveAlternates', { set: node('set') }, page, after);
    expect(siteFaults(apart.site)).to.deep.equal([]);
    expect(shownOf(apart.site, apart.page, both)).to.deep.equal(shownOf(after, page, both));
    expect(apart.page.nodes[node('opening-row')].children).to.deep.equal(['opening-words', ...both]);
    expect(apart.page.nodes[node('copy-mobile')].style.self!.span).to.deep.equal(
      home.nodes[node('dome')].style.self!.span,
    );
    expect(apart.sentence).to.equal(
      'Dome image: 2 alternates turned into ordinary blocks, hidden as they were',
    );
  });

  it('drops what means nothing where they stand then, as a margin in an overlay', () => {
    const [row, copy] = [page.nodes[node('opening-row')], page.nodes[node('copy-mobile')]];
    const nodes = {
      ...page.nodes,
      [row.id]: { ...row, kind: 'overlay', style: {} },
      [copy.id]: { ...copy, style: { self: { marginTop: { base: 24 }, radius: { base: 8 } } } },
    };
    const apart = made('dissolveAlternates', { set: node('set') }, { ...page, nodes }, after);
    expect(Object.keys(apart.page.nodes[copy.id].style.self!)).to.have.members(['radius', 'span', 'shown']);
  });

  it('keeps the chosen one for every view', () => {
    const apart = made('dissolveAlternates', { set: node('set'), keep: node('copy-mobile') }, page, after);
    expect(siteFaults(apart.site)).to.deep.equal([]);
    const { nodes } = apart.page;
    expect(nodes[node('dome')]).to.equal(undefined);
    expect(nodes[node('copy-mobile')].name).to.equal('Dome image');
    expect(nodes[node('copy-mobile')].style.self!.shown).to.equal(undefined);
    expect(undoneOf(apart).pages[home.id]).to.deep.equal(page);
  });

  it('and putting it together again shows in every view what it showed', () => {
    const apart = made('dissolveAlternates', { set: node('set') }, page, after);
    const again = made('uniteAlternates', { nodes: both, set: node('again') }, apart.page, apart.site);
    expect(siteFaults(again.site)).to.deep.equal([]);
    expect(shownOf(again.site, again.page, both)).to.deep.equal(shownOf(after, page, both));
    for (const each of VIEWS)
      expect(
        resolve(frame, again.page, again.page.nodes[node('again')], knownProperty('span'), view(each)),
      ).to.equal(resolve(frame, home, home.nodes[node('dome')], knownProperty('span'), view(each)));
    const shown = made(
      'showInViews',
      { nodes: [node('dome')], shown: true, views: [view('mobile')] },
      apart.page,
      apart.site,
    );
    expect(refusal('uniteAlternates', { nodes: both, set: node('again') }, shown.page, shown.site)).to.equal(
      'Dome image, other views and Dome image, Mobile both show in Mobile; hide one of them there first. Nothing was changed.',
    );
  });
});

describe('a set of alternates', () => {
  it('shows exactly one in every view after anything that is done to it, to its place or to the views', () => {
    /** Things a person may do, by a number; some are refused, and then nothing is changed. */
    const acts: ((on: Site, page: Page, number: number) => [CommandName, object])[] = [
      (on, page, number) => [
        'makeAlternate',
        {
          node: pick(members(page), number),
          view: viewAt(on, number),
          reach: pick(['here', 'onward', 'everywhere'], number),
          set: node('other'),
          copy: node(`copy-${Object.keys(page.nodes).length}`),
        },
      ],
      (on, _page, number) => [
        'nextAlternate',
        { set: node('set'), view: viewAt(on, number), reach: pick(['here', 'onward', 'everywhere'], number) },
      ],
      (_on, page, number) => ['removeElements', { nodes: [pick(members(page), number)] }],
      (_on, page, number) => [
        'duplicateElement',
        { node: pick(members(page), number), id: node(`d${Object.keys(page.nodes).length}`) },
      ],
      (_on, page, number) => [
        'moveElements',
        { nodes: [pick(members(page), number)], parent: node('opening-words'), after: null },
      ],
      () => ['moveElements', { nodes: [node('lead')], parent: node('set'), after: null }],
      (on, _page, number) => ['setBase', { view: viewAt(on, number) }],
      (on, _page, number) => ['removeView', { view: viewAt(on, number), values: 'drop' }],
      (_on, _page, number) => [
        'addView',
        { id: view(`new${number}`), name: `New ${number}`, from: 300 + number },
      ],
    ];
    const members = (page: Page) => page.nodes[node('set')].children;
    const pick = <T>(list: readonly T[], number: number): T => list[number % list.length];
    const viewAt = (on: Site, number: number) => pick(on.frame.views.list, number).id;
    let done = 0;
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(acts.length - 1), fc.nat(1500)), { maxLength: 8 }), (plan) => {
        let now = make('dome', 'mobile').site;
        for (const [which, number] of plan) {
          const page = now.pages[home.id];
          if (!page.nodes[node('set')]) break;
          const [name, args] = acts[which](now, page, number);
          const outcome = perform(now, home.id, name, args as never);
          if (!outcome.ok) continue;
          now = outcome.value.site;
          done += 1;
          expect(siteFaults(now), outcome.value.sentence).to.deep.equal([]);
          const after = now.pages[home.id];
          const set = after.nodes[node('set')];
          if (!set) continue;
          for (const each of now.frame.views.list)
            expect(
              set.children.filter((id) => isShown(now.frame, after, after.nodes[id], each.id)),
              outcome.value.sentence,
            ).to.have.length(1);
        }
      }),
      { numRuns: 60 },
    );
    expect(done).to.be.greaterThan(60);
  });

  it('goes with the last of what stood in it', () => {
    const { page, site: after } = make('dome', 'mobile');
    const gone = made('removeElements', { nodes: [node('dome'), node('copy-mobile')] }, page, after);
    expect(gone.page.nodes[node('set')]).to.equal(undefined);
    expect(siteFaults(gone.site)).to.deep.equal([]);
    expect(undoneOf(gone)).to.deep.equal(after);
  });

  it('of sections serves as the first of them does', () => {
    const { page, site: after } = make('opening', 'mobile');
    expect(siteFaults(after)).to.deep.equal([]);
    expect(page.nodes[home.root].children).to.include('set');
    expect(site.pages[home.id].nodes[home.root].children).not.to.include('set');
    expect(
      refusal('moveElements', { nodes: [node('dome')], parent: node('set'), after: null }, page, after),
    ).to.match(/takes no image/);
  });
});

describe('blocks that work as alternates made by hand', () => {
  const apart = made('dissolveAlternates', { set: node('set') }, make('dome', 'mobile').page).page;
  const both = [node('dome'), node('copy-mobile')];

  it('are recognised, and can become a set', () => {
    expect(handmadePairs(frame, home)).to.deep.equal([]);
    expect(handmadePairs(frame, apart)).to.deep.equal([{ nodes: both, both: [], none: [] }]);
    const { page } = made('uniteAlternates', { nodes: both, set: node('again') }, apart);
    expect(handmadePairs(frame, page)).to.deep.equal([]);
  });

  it('that both show somewhere, or of which none does, are told with the views', () => {
    const show = (shown: boolean, where: string) =>
      made('showInViews', { nodes: [node('dome')], shown, views: [view(where)] }, apart).page;
    expect(handmadePairs(frame, show(true, 'mobile'))).to.deep.equal([]);
    const twice = made(
      'showInViews',
      { nodes: [node('copy-mobile')], shown: true, views: [view('tablet')] },
      apart,
    ).page;
    expect(handmadePairs(frame, twice)).to.deep.equal([{ nodes: both, both: ['tablet'], none: [] }]);
    expect(handmadePairs(frame, show(false, 'tablet'))).to.deep.equal([
      { nodes: both, both: [], none: ['tablet'] },
    ]);
  });
});
