import { expect } from 'chai';
import { demoSite } from '../../demo/site.ts';
import {
  applyOperations,
  childrenIn,
  columnsIn,
  frameOf,
  perform,
  type Arguments,
  type NodeId,
  type Page,
  type ViewId,
} from '../../core/index.ts';

const { site } = await demoSite();
const frame = frameOf(site);
const home = site.pages[0];
const view = (id: string) => id as ViewId;
const node = (id: string) => id as NodeId;

describe('the columns of a row', () => {
  const take = (more: Partial<Arguments<'takeColumns'>>) =>
    perform(frame, home, 'takeColumns', {
      nodes: [node('dome')],
      view: view('tablet'),
      reach: 'here',
      span: 8,
      ...more,
    });

  it('are taken by span and start together, in one step', () => {
    const outcome = take({ start: 3 });
    if (!outcome.ok) throw new Error(outcome.sentence);
    const { page, sentence, inverse } = outcome.value;
    expect(sentence).to.equal('Dome picture: columns in Tablet 12 → 8, from column 3');
    expect(applyOperations(page, inverse)).to.deep.equal({ ok: true, value: home });
    const row = page.nodes[page.nodes[node('dome')].parent!];
    const of = (id: string) =>
      columnsIn(frame, page, row, view(id)).children.find((child) => child.id === 'dome')!.asks;
    expect(of('tablet')).to.deep.equal({ span: 8, start: 3 });
    expect(of('mobile')).to.deep.equal({ span: 12 });
    expect(of('desktop')).to.deep.equal({ span: 5 });
  });

  it('leave the start to the flow where none is given, and are refused whole where one of them is out of range', () => {
    const outcome = take({ span: 6 });
    expect(outcome.ok && outcome.value.page.nodes[node('dome')].style.self!.start).to.equal(undefined);
    expect(take({ start: 40 }).ok).to.equal(false);
    expect(take({ nodes: [node('headline')] }).ok).to.equal(false);
  });

  it('are shared by the children that a view shows, in its order', () => {
    const row = home.nodes[node('opening-row')];
    expect(columnsIn(frame, home, row, view('mobile')).children.map(({ id }) => id)).to.deep.equal([
      'dome',
      'opening-words',
    ]);
    const outcome = perform(frame, home, 'setValue', {
      nodes: [node('dome')],
      property: 'shown',
      view: view('mobile'),
      value: false,
      reach: 'here',
    });
    if (!outcome.ok) throw new Error(outcome.sentence);
    expect(columnsIn(frame, outcome.value.page, row, view('mobile'))).to.deep.include({ columns: 4 });
    expect(
      columnsIn(frame, outcome.value.page, row, view('mobile')).children.map(({ id }) => id),
    ).to.deep.equal(['opening-words']);
  });
});

describe('order', () => {
  it('reversed twice is the order before', () => {
    const reversed = (page: Page) => {
      const outcome = perform(frame, page, 'reverseOrder', {
        node: node('objects'),
        view: view('mobile'),
        reach: 'here',
      });
      if (!outcome.ok) throw new Error(outcome.sentence);
      return outcome.value.page;
    };
    const order = (page: Page, where: string) => childrenIn(frame, page.nodes[node('objects')], view(where));
    const once = reversed(home);
    expect(order(once, 'mobile')).to.deep.equal(['cluster', 'moon', 'saturn']);
    expect(order(once, 'tablet')).to.deep.equal(['saturn', 'moon', 'cluster']);
    expect(order(reversed(once), 'mobile')).to.deep.equal(['saturn', 'moon', 'cluster']);
  });
});
