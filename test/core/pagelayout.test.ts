/** Layouts of pages: regions that sections stand in, taken, switched, saved and left. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  childrenIn,
  copyElements,
  isOnAllPages,
  isShown,
  knownProperty,
  layoutOf,
  resolve,
  READY_LAYOUTS,
  readyLayout,
  regionsIn,
  regionsOf,
  sectionsIn,
  siteFaults,
  type Copy,
  type NodeId,
  type Page,
  type Site,
} from '../../core/index.ts';
import { frame, home, made, node, refusal, site, undoneOf, view } from './acting.ts';

const ready = (id: string): Copy =>
  readyLayout(
    frame,
    READY_LAYOUTS.find((each) => each.id === id)!,
  );
const take = (
  id: string,
  to: NodeId,
  page: Page = home,
  on: Site = site,
  where: Record<NodeId, string> = {},
) => made('takeLayout', { layout: ready(id), id: to, to: where }, page, on);

/** The sections of each region, by the name of the region. */
const inRegions = (page: Page) =>
  Object.fromEntries(regionsOf(page, layoutOf(page)!).map(({ name, children }) => [name, children]));
const own = (page: Page) =>
  page.nodes[page.root].children.filter((id) => page.nodes[id]?.kind === 'section' && !isOnAllPages(id));

describe('a layout of a page', () => {
  it('takes all sections of the page itself into its main region, in one step', () => {
    const step = take('aside', node('two'));
    expect(siteFaults(step.site)).to.deep.equal([]);
    const layout = layoutOf(step.page)!;
    expect(layout.id).to.equal('two');
    expect(inRegions(step.page)).to.deep.equal({ Main: own(home), Aside: [] });
    expect(own(step.page)).to.deep.equal([]);
    expect(step.sentence).to.equal(
      `${home.nodes[home.root].name}: layout Main and aside, ${own(home).length} sections in 2 regions`,
    );
    expect(undoneOf(step).pages[home.id]).to.deep.equal(home);
  });

  it('has columns by view: 8 and 4 of 12 side by side, all of 4 one below another', () => {
    const { page } = take('aside', node('two'));
    const placed = (where: string) =>
      regionsIn(frame, page, node('two'), view(where)).map(({ name, row, column, span }) => [
        name,
        row,
        column,
        span,
      ]);
    expect(placed('desktop')).to.deep.equal([
      ['Main', 0, 0, 8],
      ['Aside', 0, 8, 4],
    ]);
    expect(placed('mobile')).to.deep.equal([
      ['Main', 0, 0, 4],
      ['Aside', 1, 0, 4],
    ]);
    const three = take('three', node('three')).page;
    // In Tablet the aside begins at the fifth column of twelve, below the main region.
    expect(
      regionsIn(frame, three, node('three'), view('tablet')).map(({ row, column, span }) => [
        row,
        column,
        span,
      ]),
    ).to.deep.equal([
      [0, 0, 4],
      [0, 4, 8],
      [1, 4, 8],
    ]);
  });

  it('gives way to another, in which every section keeps to the region of its name, and what has none is asked', () => {
    const [first, second] = own(home);
    const one = take('aside', node('two'));
    const aside = regionsOf(one.page, layoutOf(one.page)!)[1].id;
    const moved = made('moveElements', { nodes: [second], parent: aside, after: null }, one.page, one.site);
    const three = take('three', node('three'), moved.page, moved.site);
    expect(inRegions(three.page)).to.deep.equal({
      Contents: [],
      Main: own(home).filter((id) => id !== second),
      Aside: [second],
    });
    expect(siteFaults(three.site)).to.deep.equal([]);
    const stray = regionsOf(three.page, layoutOf(three.page)!)[2].id;
    const halves = take('halves', node('halves'), three.page, three.site, { [stray]: 'second' });
    expect(inRegions(halves.page)).to.deep.equal({
      Main: own(home).filter((id) => id !== second),
      Second: [second],
    });
    expect(halves.sentence).to.match(/; Aside → Second$/);
    // Without an answer they go behind what is in the main region.
    const unasked = take('reading', node('narrow'), three.page, three.site);
    expect(inRegions(unasked.page).Main).to.deep.equal([
      first,
      ...own(home).filter((id) => ![first, second].includes(id)),
      second,
    ]);
  });

  it('keeps what a region says of its look, and takes what is hidden along', () => {
    const one = take('aside', node('two'));
    const [main, aside] = regionsOf(one.page, layoutOf(one.page)!).map(({ id }) => id);
    const [first] = own(home);
    let step = made('moveElements', { nodes: [first], parent: aside, after: null }, one.page, one.site);
    step = made(
      'setValue',
      {
        nodes: [main],
        property: 'backgroundColour',
        view: view('desktop'),
        value: '#ffeedd',
        reach: 'onward',
      },
      step.page,
      step.site,
    );
    step = made(
      'showInViews',
      { nodes: [aside], shown: false, views: [view('mobile')] },
      step.page,
      step.site,
    );
    expect(sectionsIn(frame, step.page, view('mobile'))).to.not.include(first);
    const three = take('three', node('three'), step.page, step.site).page;
    const region = (name: string) => regionsOf(three, layoutOf(three)!).find((each) => each.name === name)!;
    expect(region('Main').style.self!.backgroundColour).to.deep.equal({ base: '#ffeedd' });
    expect(isShown(frame, three, region('Aside'), view('mobile'))).to.equal(false);
    expect(isShown(frame, three, region('Aside'), view('desktop'))).to.equal(true);
    const narrow = take('reading', node('narrow'), step.page, step.site).page;
    expect(isShown(frame, narrow, narrow.nodes[first], view('mobile'))).to.equal(false);
    expect(isShown(frame, narrow, narrow.nodes[first], view('desktop'))).to.equal(true);
  });

  it('gives sections with a ground of their own room beside what is in them, which the margins of the page gave before', () => {
    const [ground, plain] = ['opening', 'evening'].map((id) => own(home).find((each) => each === id));
    const { page } = take('aside', node('two'));
    expect(page.nodes[ground!].style.self!.paddingLeft).to.deep.equal(
      page.nodes[ground!].style.self!.paddingRight,
    );
    for (const { id, grid } of frame.views.list)
      expect(resolve(frame, page, page.nodes[ground!], knownProperty('paddingLeft'), id)).to.equal(
        grid.gutter,
      );
    expect(page.nodes[plain!].style.self?.paddingLeft).to.equal(undefined);
  });

  it('is left again, with the sections on the page itself', () => {
    const one = take('aside', node('two'));
    const back = made('takeLayout', { layout: null, id: node('none') }, one.page, one.site);
    expect(back.page).to.deep.equal(home);
    expect(refusal('takeLayout', { layout: null, id: node('none') })).to.match(/has no layout/);
  });

  it('loses a region, whose sections go to another', () => {
    const one = take('halves', node('two'));
    const [main, second] = regionsOf(one.page, layoutOf(one.page)!).map(({ id }) => id);
    const step = made('removeRegion', { node: main, to: second }, one.page, one.site);
    expect(inRegions(step.page)).to.deep.equal({ Second: own(home) });
    expect(step.sentence).to.equal(
      `Main: removed from the layout in every view; ${own(home).length} sections now in Second`,
    );
    expect(refusal('removeRegion', { node: main, to: main }, one.page, one.site)).to.match(/another region/);
    expect(refusal('removeRegion', { node: own(home)[0], to: main }, one.page, one.site)).to.match(
      /another region/,
    );
  });

  it('is saved without what is in it, and taken by another page', () => {
    const one = take('aside', node('two'));
    const kept = made('keepLayout', { node: node('two'), id: 'kept-mine', name: 'Mine' }, one.page, one.site);
    expect(siteFaults(kept.site)).to.deep.equal([]);
    const tree = kept.frame.shared!['kept-mine']!;
    expect(Object.values(tree.nodes).map(({ kind }) => kind)).to.have.members(['layout', 'region', 'region']);
    const visits = kept.site.pages[node('visits')];
    const copy = copyElements(kept.frame, tree, [tree.root]);
    const taken = made('takeLayout', { layout: copy, id: node('fresh') }, visits, kept.site);
    expect(siteFaults(taken.site)).to.deep.equal([]);
    expect(layoutOf(taken.page)!.name).to.equal('Mine');
    expect(inRegions(taken.page).Main).to.deep.equal(own(visits));
    expect(refusal('keepLayout', { node: own(home)[0], id: 'kept-other', name: 'x' }, home, site)).to.match(
      /isn’t a page layout/,
    );
    expect(
      refusal('takeLayout', { layout: copyElements(frame, home, [own(home)[0]]), id: node('no') }),
    ).to.match(/no layout/);
  });

  it('keeps every section, and its order in each view, through any switches', () => {
    const ids = READY_LAYOUTS.map(({ id }) => id);
    fc.assert(
      fc.property(
        fc.shuffledSubarray(own(home), { minLength: own(home).length }),
        fc.array(fc.constantFrom('none', ...ids), { minLength: 1, maxLength: 5 }),
        (order, ways) => {
          const rest = childrenIn(frame, home.nodes[home.root], view('mobile')).filter(
            (id) => !order.includes(id),
          );
          let now = made('setValue', {
            nodes: [home.root],
            property: 'order',
            view: view('mobile'),
            value: [...order, ...rest],
            reach: 'here',
          });
          const inMobile = sectionsIn(frame, now.page, view('mobile'));
          const inDesktop = sectionsIn(frame, now.page, view('desktop'));
          for (const [index, way] of ways.entries()) {
            const layout = way === 'none' ? null : ready(way);
            if (!layout && !layoutOf(now.page)) continue;
            now = made('takeLayout', { layout, id: node(`go-${index}`) }, now.page, now.site);
            expect(siteFaults(now.site)).to.deep.equal([]);
          }
          expect(sectionsIn(frame, now.page, view('mobile'))).to.deep.equal(inMobile);
          expect(sectionsIn(frame, now.page, view('desktop'))).to.deep.equal(inDesktop);
        },
      ),
      { numRuns: 30 },
    );
  });
});
