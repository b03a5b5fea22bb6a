import { expect } from 'chai';
import { childrenIn, columnsIn, type Arguments, type Page } from '../../core/index.ts';
import { attempt, frame, home, node, site, undoneOf, view } from './acting.ts';

describe('the columns of a row', () => {
  const take = (more: Partial<Arguments<'takeColumns'>>) =>
    attempt(
      'takeColumns',
      {
        nodes: [node('dome')],
        view: view('tablet'),
        reach: 'here',
        span: 8,
        ...more,
      },
      home,
    );

  it('are taken by span and start together, in one step', () => {
    const outcome = take({ start: 3 });
    if (!outcome.ok) throw new Error(outcome.sentence);
    const { page, sentence } = outcome.value;
    expect(sentence).to.equal('Dome image: columns in Tablet 12 → 8, from column 3');
    expect(undoneOf(outcome.value)).to.deep.equal(site);
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
    const outcome = attempt(
      'setValue',
      {
        nodes: [node('dome')],
        property: 'shown',
        view: view('mobile'),
        value: false,
        reach: 'here',
      },
      home,
    );
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
      const outcome = attempt(
        'reverseOrder',
        {
          node: node('objects'),
          view: view('mobile'),
          reach: 'here',
        },
        page,
      );
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
