/** Order, places, groups and what is shown only here. What each view shows is compared before and after. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  alternatingRuns,
  childrenIn,
  firstInRow,
  isShown,
  perform,
  siteFaults,
  sourceOrder,
  stacksIn,
  type NodeId,
  type Page,
  type Site,
} from '../../core/index.ts';
import { frame, home, made, node, refusal, site, undoneOf, view } from './acting.ts';
import { siteArbitrary } from './arbitrary.ts';

const VIEWS = ['wide', 'desktop', 'tablet', 'mobile'];
const inMobile = { view: view('mobile'), reach: 'here' } as const;

/** The order that every container's children have in every view. */
const orders = ({ frame: on }: Site, page: Page) =>
  sourceOrder(page).map((each) => on.views.list.map(({ id }) => childrenIn(on, each, id)));

describe('an order', () => {
  it('is turned round, and put back as in the source', () => {
    const row = home.nodes[node('objects')];
    const turned = made('reverseOrder', { node: row.id, ...inMobile });
    expect(childrenIn(frame, turned.page.nodes[row.id], view('mobile'))).to.deep.equal(
      [...row.children].reverse(),
    );
    const back = made('orderAsInSource', { node: row.id, ...inMobile }, turned.page);
    expect(childrenIn(frame, back.page.nodes[row.id], view('mobile'))).to.deep.equal(row.children);
    expect(back.sentence).to.equal('Three objects: order as in the source in Mobile');
    expect(refusal('orderAsInSource', { node: row.id, ...inMobile }, back.page)).to.match(/already/);
  });

  it('becomes that of the source, and every view looks as it did', () => {
    const { page, sentence } = made('makeSourceOrder', { node: node('opening-row'), view: view('mobile') });
    expect(page.nodes[node('opening-row')].children).to.deep.equal(['dome', 'opening-words']);
    expect(orders(site, page).length).to.equal(orders(site, home).length);
    for (const each of VIEWS)
      expect(childrenIn(frame, page.nodes[node('opening-row')], view(each))).to.deep.equal(
        childrenIn(frame, home.nodes[node('opening-row')], view(each)),
      );
    expect(page.nodes[node('opening-row')].style.self!.order).to.deep.equal({
      base: ['opening-words', 'dome'],
      at: { mobile: { value: ['dome', 'opening-words'], reach: 'onward' } },
    });
    expect(sentence).to.match(/the source order now; every view looks as it did$/);
  });

  it('does so on any page, in any view', () => {
    let accepted = 0;
    fc.assert(
      fc.property(siteArbitrary, fc.nat(), fc.nat(), (target, which, where) => {
        const page = target.pages[home.id];
        const holders = sourceOrder(page).filter(({ style }) => style.self?.order);
        fc.pre(holders.length > 0);
        const holder = holders[which % holders.length];
        const at = target.frame.views.list[where % target.frame.views.list.length].id;
        const outcome = perform(target, page.id, 'makeSourceOrder', { node: holder.id, view: at });
        fc.pre(outcome.ok);
        const after = outcome.value.site;
        expect(siteFaults(after)).to.deep.equal([]);
        for (const { id } of target.frame.views.list)
          expect(childrenIn(after.frame, after.pages[page.id].nodes[holder.id], id)).to.deep.equal(
            childrenIn(target.frame, holder, id),
          );
        expect(after.pages[page.id].nodes[holder.id].children).to.deep.equal(
          childrenIn(target.frame, holder, at),
        );
        expect(undoneOf(outcome.value)).to.deep.equal(target);
        accepted += 1;
      }),
      { numRuns: 25 },
    );
    expect(accepted).to.equal(25);
  });

  it('is a whole sequence after any additions, removals and moves', () => {
    fc.assert(
      fc.property(
        siteArbitrary,
        fc.array(fc.tuple(fc.nat(2), fc.nat(), fc.nat()), { maxLength: 8 }),
        (target, plan) => {
          let now = target;
          plan.forEach(([what, one, other], index) => {
            const page = now.pages[home.id];
            const all = sourceOrder(page);
            const [some, into] = [all[one % all.length], all[other % all.length]];
            const outcome =
              what === 0
                ? perform(now, page.id, 'addElement', {
                    kind: 'heading',
                    id: node(`new${index}`),
                    parent: into.id,
                    after: null,
                  })
                : what === 1
                  ? perform(now, page.id, 'removeElements', { nodes: [some.id] })
                  : perform(now, page.id, 'moveElements', {
                      nodes: [some.id],
                      parent: into.id,
                      after: into.children.at(-1) ?? null,
                    });
            if (outcome.ok) now = outcome.value.site;
          });
          expect(JSON.stringify(siteFaults(now))).to.equal('[]');
          for (const each of Object.values(now.pages[home.id].nodes))
            for (const { id } of now.frame.views.list)
              expect([...childrenIn(now.frame, each, id)].sort()).to.deep.equal([...each.children].sort());
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('rows that alternate', () => {
  it('are found as runs, with what each view gets', () => {
    const [run, ...others] = alternatingRuns(frame, home);
    expect(others).to.deep.equal([]);
    expect(run.rows).to.have.length(3);
    const first = (id: NodeId, where: string) => firstInRow(frame, home, home.nodes[id], view(where));
    expect(run.rows.map((id) => first(id, 'desktop'))).to.deep.equal(['words', 'picture', 'words']);
    expect(run.rows.map((id) => first(id, 'mobile'))).to.deep.equal(['picture', 'picture', 'picture']);
    expect(run.rows.map((id) => stacksIn(frame, home, home.nodes[id], view('mobile')))).to.deep.equal([
      ...[true, true, true],
    ]);
    expect(stacksIn(frame, home, home.nodes[run.rows[0]], view('desktop'))).to.equal(false);
  });

  it('are evened out in the chosen views in one step, and stay as they are in the others', () => {
    const { rows } = alternatingRuns(frame, home)[0];
    const even = made('evenRows', { nodes: rows, views: [view('mobile'), view('tablet')], first: 'words' });
    const first = (where: string) =>
      rows.map((id) => firstInRow(frame, even.page, even.page.nodes[id], view(where)));
    expect(first('mobile')).to.deep.equal(['words', 'words', 'words']);
    expect(first('tablet')).to.deep.equal(['words', 'words', 'words']);
    expect(first('desktop')).to.deep.equal(['words', 'picture', 'words']);
    expect(even.sentence).to.equal('3 rows: the text first in Tablet, Mobile');
    expect(undoneOf(even)).to.deep.equal(site);
    const again = { nodes: rows, views: [view('mobile')], first: 'words' as const };
    expect(refusal('evenRows', { ...again, nodes: [...rows] }, even.page)).to.match(/already/);
    expect(refusal('evenRows', { ...again, nodes: [node('objects')] })).to.match(
      /isn’t a row of an image and text/,
    );
  });
});

describe('moving in the source', () => {
  const move = (nodes: string[], parent: string, after: string | null, on: Page = home) =>
    made(
      'moveElements',
      { nodes: nodes.map(node), parent: node(parent), after: after === null ? null : node(after) },
      on,
    );
  const refused = (nodes: string[], parent: string) =>
    refusal('moveElements', { nodes: nodes.map(node), parent: node(parent), after: null });

  it('puts several, in their order, behind another, in every view', () => {
    const { page, sentence, site: after } = move(['headline', 'book'], 'opening', null);
    expect(page.nodes[node('opening')].children.slice(0, 2)).to.deep.equal(['headline', 'book']);
    expect(page.nodes[node('opening-words')].children).to.deep.equal(['lead']);
    expect(sentence).to.equal('2 elements: moved to Hero: the dome opens at dusk, in every view');
    expect(siteFaults(after)).to.deep.equal([]);
    const within = move(['book'], 'opening-words', 'headline');
    expect(within.page.nodes[node('opening-words')].children).to.deep.equal(['headline', 'book', 'lead']);
    expect(within.sentence).to.match(/^Book a night: moved in Text, in every view$/);
    expect(
      move(['headline', 'lead'], 'opening-words', 'lead').page.nodes[node('opening-words')].children,
    ).to.deep.equal(['headline', 'lead', 'book']);
  });

  it('drops what means nothing in the new place, and says so', () => {
    const { page, sentence, site: after } = move(['dome'], 'opening', 'opening-row');
    expect(page.nodes[node('dome')].style.self!.span).to.equal(undefined);
    expect(sentence).to.match(/; without columns, which mean nothing there$/);
    expect(siteFaults(after)).to.deep.equal([]);
  });

  it('takes a set of alternates only where what stands in it is taken', () => {
    const set = made('makeAlternate', {
      node: node('dome'),
      view: view('mobile'),
      reach: 'here',
      set: node('set'),
      copy: node('copy'),
    });
    const args = { nodes: [node('set')], parent: home.root, after: null };
    expect(refusal('moveElements', args, set.page)).to.match(/^Home takes no alternates/);
    expect(
      siteFaults(made('moveElements', { ...args, parent: node('opening') }, set.page).site),
    ).to.deep.equal([]);
  });

  it('is refused into itself, into what it holds, and where the kind is not taken', () => {
    expect(refused(['opening-row'], 'opening-row')).to.equal(
      'Row: text + dome cannot be put into itself. Nothing was moved.',
    );
    expect(refused(['opening-row'], 'opening-words')).to.match(/cannot be put into Text, which is inside it/);
    expect(refused(['opening'], 'objects')).to.match(/takes no section/);
    expect(refused(['headline'], 'shared-head-head')).to.match(/is on this page only/);
    expect(refused(['gone'], 'opening')).to.match(/no longer on this page/);
  });
});

describe('a group', () => {
  it('takes a run of siblings, as many columns as they took, and goes again without a trace', () => {
    const [one, other] = home.nodes[node('objects')].children;
    const grouped = made('groupElements', { nodes: [other, one], id: node('pair') });
    const group = grouped.page.nodes[node('pair')];
    expect(group.children).to.deep.equal([one, other]);
    expect(group.kind).to.equal('group');
    expect(siteFaults(grouped.site)).to.deep.equal([]);
    expect(group.style.self!.span!.base).to.equal(8);
    expect(group.style.self!.direction!.base).to.equal('beside');
    expect(grouped.sentence).to.equal('2 elements of Three objects: grouped');
    const deeper = made('groupElements', { nodes: [one], id: node('inner') }, grouped.page);
    expect(deeper.page.nodes[node('inner')].parent).to.equal('pair');
    const apart = made('ungroupElement', { node: node('pair') }, grouped.page);
    expect(apart.page.nodes[node('objects')].children).to.deep.equal(home.nodes[node('objects')].children);
    expect(siteFaults(apart.site)).to.deep.equal([]);
  });

  it('keeps the order of each view', () => {
    const row = node('opening-row');
    const { page } = made('groupElements', { nodes: [...home.nodes[row].children], id: node('all') });
    for (const each of VIEWS)
      expect(childrenIn(frame, page.nodes[node('all')], view(each))).to.deep.equal(
        childrenIn(frame, home.nodes[row], view(each)),
      );
    const apart = made('ungroupElement', { node: node('all') }, page);
    for (const each of VIEWS)
      expect(childrenIn(frame, apart.page.nodes[row], view(each))).to.deep.equal(
        childrenIn(frame, home.nodes[row], view(each)),
      );
  });

  it('that is hidden somewhere leaves what was in it hidden there', () => {
    const hidden = made('showInViews', {
      nodes: [node('opening-words')],
      shown: false,
      views: [view('mobile')],
    });
    const apart = made('ungroupElement', { node: node('opening-words') }, hidden.page);
    const at = VIEWS.filter((each) => isShown(frame, apart.page, apart.page.nodes[node('lead')], view(each)));
    expect(at).to.deep.equal(['wide', 'desktop', 'tablet']);
    expect(siteFaults(apart.site)).to.deep.equal([]);
  });

  it('is refused for what does not stand together', () => {
    const group = (...nodes: string[]) => refusal('groupElements', { nodes: nodes.map(node), id: node('g') });
    expect(group('headline', 'book')).to.match(/next to each other/);
    expect(group('headline', 'dome')).to.match(/in the same container/);
    expect(group('opening')).to.match(/takes no (group|section)/);
    expect(refusal('ungroupElement', { node: node('headline') })).to.match(/no group/);
  });
});

describe('only here', () => {
  const add = (where: string, reach: 'here' | 'onward' | 'everywhere') =>
    made('addElement', {
      kind: 'heading',
      id: node('new'),
      parent: node('opening-words'),
      after: null,
      only: { view: view(where), reach },
    });
  const seen = (page: Page, on: Site) =>
    VIEWS.filter((each) => isShown(on.frame, page, page.nodes[node('new')], view(each)));

  it('an element that is added to a view shows as far as the reach goes, and nowhere else', () => {
    const here = add('tablet', 'here');
    expect(seen(here.page, here.site)).to.deep.equal(['tablet']);
    expect(here.sentence).to.equal('Heading added to Text, shown only in Tablet');
    const onward = add('tablet', 'onward');
    expect(seen(onward.page, onward.site)).to.deep.equal(['tablet', 'mobile']);
    const all = add('tablet', 'everywhere');
    expect(seen(all.page, all.site)).to.deep.equal(VIEWS);
    const base = add('desktop', 'onward');
    expect(seen(base.page, base.site)).to.deep.equal(VIEWS);
    expect(base.page.nodes[node('new')].style.self?.shown).to.equal(undefined);
  });

  it('elements are shown or hidden in any set of views', () => {
    const show = (shown: boolean, views: string[], only?: true) =>
      made('showInViews', { nodes: [node('lead'), node('book')], shown, views: views.map(view), only });
    const at = ({ page }: { page: Page }) =>
      VIEWS.filter((each) => isShown(frame, page, page.nodes[node('lead')], view(each)));
    expect(at(show(false, ['wide', 'mobile']))).to.deep.equal(['desktop', 'tablet']);
    const only = show(true, ['tablet'], true);
    expect(at(only)).to.deep.equal(['tablet']);
    expect(only.sentence).to.equal('2 elements: shown only in Tablet');
    expect(at(show(true, VIEWS, true))).to.deep.equal(VIEWS);
    expect(show(false, VIEWS, true).page.nodes[node('lead')].style.self!.shown).to.deep.equal({
      base: false,
    });
  });
});
