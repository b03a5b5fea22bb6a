/** Containers of pages that are arranged for a view: from measured boxes to values, and to one step. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  ARRANGE_WAYS,
  arranged,
  arrangedInLines,
  childrenIn,
  containersIn,
  isSetByHand,
  layoutValues,
  placeColumns,
  columnsIn,
  resolve,
  knownProperty,
  subtree,
  toArrange,
  type LaidOut,
  type MeasuredBoxes,
  type Page,
  type ToArrange,
} from '../../core/index.ts';
import { branch, layered, pageOf } from '../../core/starts/tree.ts';
import { type Arrangeable } from '../../core/layout/arrange.ts';
import { frame, home, made, node, refusal, undoneOf, view, withPage, site } from './acting.ts';

const TABLET = { columns: 8, gutter: 24, width: 760 };

const thing = (
  id: string,
  role: Arrangeable['role'],
  [left, top, width, height]: [number, number, number, number],
  least = { words: 160, picture: 120, small: 44 }[role],
): Arrangeable => ({ id, role, box: { left, top, width, height }, least });

const lines = (made: ReturnType<typeof arrangedInLines>) =>
  made.parts.map(({ id, area }) => [id, area.row, area.column, area.span]);

describe('a row', () => {
  const cards = [0, 1, 2].map((nth) => thing(`card-${nth}`, 'words', [nth * 400, 0, 360, 200]));

  it('stacks, or keeps two across as long as both are wide enough', () => {
    expect(lines(arrangedInLines(cards, TABLET, 'stacked'))).to.deep.equal([
      ['card-0', 1, 1, 8],
      ['card-1', 2, 1, 8],
      ['card-2', 3, 1, 8],
    ]);
    expect(lines(arrangedInLines(cards, TABLET, 'two across'))).to.deep.equal([
      ['card-0', 1, 1, 4],
      ['card-1', 1, 5, 4],
      ['card-2', 2, 1, 8],
    ]);
    // Four columns of eight are 368 px: not enough for words that need 370.
    const wide = cards.map((card) => ({ ...card, least: 370 }));
    expect(arrangedInLines(wide, TABLET, 'two across').rows).to.equal(3);
    expect(arrangedInLines([], TABLET, 'two across')).to.deep.equal({ parts: [], rows: 0 });
  });

  it('keeps the shares that its parts had, where they leave room for both', () => {
    const pair = [
      thing('words', 'words', [0, 0, 760, 200]),
      thing('picture', 'picture', [792, 0, 248, 200], 160),
    ];
    // 784 of 1056 px, gaps counted, are 5.9 of 8 columns; two columns are 172 px.
    expect(lines(arrangedInLines(pair, TABLET, 'two across'))).to.deep.equal([
      ['words', 1, 1, 6],
      ['picture', 1, 7, 2],
    ]);
    const [words, picture] = pair;
    expect(
      lines(arrangedInLines([words, { ...picture, least: 200 }], TABLET, 'two across')).map(
        ([, , , span]) => span,
      ),
    ).to.deep.equal([4, 4]);
  });

  it('begins with the images where that is asked, and with what is read first else', () => {
    const pair = [thing('words', 'words', [0, 0, 400, 200]), thing('picture', 'picture', [420, 0, 400, 300])];
    const order = (way: (typeof ARRANGE_WAYS)[number]) =>
      arrangedInLines(pair, TABLET, way).parts.map(({ id }) => id);
    expect(order('stacked')).to.deep.equal(['words', 'picture']);
    expect(order('images first')).to.deep.equal(['picture', 'words']);
  });

  it('keeps buttons on one line while each has the room it takes', () => {
    const buttons = [0, 1, 2].map((nth) => thing(`go-${nth}`, 'small', [nth * 200, 0, 160, 44]));
    // Two of eight columns are 172 px; one of four is 75 px, two are 167.
    expect(lines(arrangedInLines(buttons, TABLET, 'stacked'))).to.deep.equal([
      ['go-0', 1, 1, 2],
      ['go-1', 1, 3, 2],
      ['go-2', 1, 5, 4],
    ]);
    const phone = { columns: 4, gutter: 16, width: 350 };
    expect(lines(arrangedInLines(buttons, phone, 'stacked'))).to.deep.equal([
      ['go-0', 1, 1, 2],
      ['go-1', 1, 3, 2],
      ['go-2', 2, 1, 4],
    ]);
  });

  it('loses nothing, has room for all on each line, and is the same made of itself', () => {
    const things = fc
      .array(
        fc.tuple(
          fc.constantFrom<Arrangeable['role']>('words', 'picture', 'small'),
          fc.integer({ min: 40, max: 500 }),
        ),
        { maxLength: 8 },
      )
      .map((all) =>
        all.map(([role, width], index): Arrangeable => {
          const left = all.slice(0, index).reduce((sum, [, each]) => sum + each + 20, 0);
          return { id: `t${index}`, role, box: { left, top: 0, width, height: 100 }, least: 100 };
        }),
      );
    fc.assert(
      fc.property(
        things,
        fc.integer({ min: 1, max: 24 }),
        fc.integer({ min: 200, max: 1400 }),
        fc.constantFrom(...ARRANGE_WAYS),
        (all, columns, width, way) => {
          const grid = { columns, gutter: 20, width };
          const made = arrangedInLines(all, grid, way);
          expect(made.parts.map(({ id }) => id).sort()).to.deep.equal(all.map(({ id }) => id).sort());
          // CSS grid puts them on the lines that are meant.
          const placed = placeColumns(
            made.parts.map(({ area }) => ({ span: area.span })),
            columns,
          );
          expect(placed.map(({ row, column }) => [row + 1, column + 1])).to.deep.equal(
            made.parts.map(({ area }) => [area.row, area.column]),
          );
          expect(arrangedInLines(all, grid, way)).to.deep.equal(made);
        },
      ),
      { numRuns: 300 },
    );
  });
});

/** A page of a shared head, a section with a row in a column, and an overlay. */
const { slug, title, description, ...lab } = pageOf(
  { id: 'lab', slug: 'lab', title: 'Lab', description: '' },
  branch('page', 'lab', 'Lab', {
    children: [
      branch('section', 'part', 'Part', {
        children: [
          branch('heading', 'title', 'Title', { content: { text: 'Two mirrors', level: 2 } }),
          branch('row', 'pair', 'Pair', {
            children: [
              branch('column', 'words', 'Text', {
                style: { span: layered(7) },
                children: [
                  branch('heading', 'say', 'Say', { content: { text: 'Ground by hand', level: 3 } }),
                  branch('text', 'tell', 'Tell', { content: { text: '<p>Over one winter.</p>' } }),
                ],
              }),
              branch('picture', 'mirror', 'Mirror', {
                style: { span: layered(5), source: layered('dome'), start: layered(8, { tablet: 1 }) },
              }),
            ],
          }),
          branch('overlay', 'banner', 'Banner', {
            style: { leastRows: layered(20) },
            children: [
              branch('picture', 'sky', 'Sky', {
                style: { source: layered('dome'), areaRows: layered(10), heldDown: layered('stretch') },
              }),
              branch('heading', 'over', 'Over', {
                content: { text: 'Over the hill', level: 2 },
                style: {
                  areaRow: layered(4),
                  areaRows: layered(2),
                  areaColumn: layered(2),
                  span: layered(6),
                },
              }),
            ],
          }),
        ],
      }),
    ],
  }),
);
const on = withPage(
  { ...site, frame: { ...frame, pages: [...frame.pages, { id: lab.id, slug, title, description }] } },
  lab,
);
const MOBILE = view('mobile');

const measured = (width: number, boxes: Record<string, [number, number, number, number]>): MeasuredBoxes => ({
  width,
  height: 600,
  boxes: Object.fromEntries(
    Object.entries(boxes).map(([id, [left, top, wide, height]]) => [id, { left, top, width: wide, height }]),
  ),
});

/** What is measured of the page, on a wide base and on a phone. */
const MEASURED: Record<string, { base: MeasuredBoxes; own: MeasuredBoxes }> = {
  lab: {
    base: measured(1280, { part: [0, 0, 1280, 1200] }),
    own: measured(390, { part: [0, 0, 390, 1400] }),
  },
  part: {
    base: measured(1104, { title: [0, 0, 1104, 44], pair: [0, 60, 1104, 300], banner: [0, 380, 1104, 480] }),
    own: measured(350, { title: [0, 0, 350, 44], pair: [0, 60, 350, 500], banner: [0, 580, 350, 480] }),
  },
  pair: {
    base: measured(1104, { words: [0, 0, 632, 160], mirror: [656, 0, 448, 300] }),
    own: measured(350, { words: [0, 0, 350, 160], mirror: [0, 180, 350, 234] }),
  },
  words: {
    base: measured(632, { say: [0, 0, 632, 40], tell: [0, 56, 632, 104] }),
    own: measured(350, { say: [0, 0, 350, 40], tell: [0, 56, 350, 104] }),
  },
  banner: {
    base: measured(1104, { sky: [0, 0, 1104, 480], over: [92, 100, 540, 48] }),
    own: measured(350, { sky: [0, 0, 350, 480], over: [92, 100, 258, 90] }),
  },
};

const toDo = (page: Page, id: string, where = MOBILE): ToArrange =>
  toArrange(frame, page, page.nodes[node(id)], where, MEASURED[id]);
const values = (page: Page, id: string, way: (typeof ARRANGE_WAYS)[number], where = MOBILE): LaidOut[] => {
  const { flow, things, grid } = toDo(page, id, where);
  const layout = flow === 'areas' ? arranged(things, grid, way) : arrangedInLines(things, grid, way);
  return layoutValues(frame, page, page.nodes[node(id)], where, layout);
};
const arrange = (page: Page, laid: LaidOut[], where = MOBILE) =>
  made('arrange', { node: lab.root, laid, view: where, reach: 'here', done: 'arranged' }, page, on);

describe('arranging a page', () => {
  it('concerns the containers that are shown, but not what other pages share', () => {
    const ids = (page: Page, root: string) =>
      containersIn(frame, page, node(root), MOBILE).map(({ id }) => id);
    expect(ids(lab, lab.root)).to.deep.equal([lab.root, 'part', 'pair', 'words', 'banner']);
    const hidden = made(
      'setValue',
      { nodes: [node('pair')], property: 'shown', view: MOBILE, value: false, reach: 'here' },
      lab,
      on,
    ).page;
    expect(ids(hidden, lab.root)).to.deep.equal([lab.root, 'part', 'banner']);
  });

  it('knows how things are laid out, and what they need', () => {
    const pair = toDo(lab, 'pair');
    expect([pair.flow, pair.grid.columns, pair.grid.width]).to.deep.equal(['lines', 4, 350]);
    expect(pair.things.map(({ id, role }) => `${id} ${role}`)).to.deep.equal([
      'words words',
      'mirror picture',
    ]);
    expect(pair.things[1].least).to.equal(120);
    expect(toDo(lab, 'part').flow).to.equal('stack');
    expect(toDo(lab, 'part').grid.columns).to.equal(1);
    expect(toDo(lab, 'banner').flow).to.equal('areas');
  });

  it('asks of a row only what is another than what holds', () => {
    // Four columns is all there are: seven and five are held to them already.
    expect(values(lab, 'pair', 'stacked')).to.deep.equal([]);
    expect(values(lab, 'pair', 'images first')).to.deep.equal([
      { node: 'pair', values: { order: ['mirror', 'words'] } },
    ]);
    const inTablet = values(lab, 'pair', 'stacked', view('tablet'));
    const { columns } = frame.views.list.find(({ id }) => id === 'tablet')!.grid;
    expect(inTablet.map((each) => each.values.span)).to.deep.equal([columns, columns]);
    const stacked = arrange(lab, inTablet, view('tablet'));
    expect(stacked.sentence).to.equal('Lab: 2 elements arranged in Tablet');
    const row = columnsIn(frame, stacked.page, stacked.page.nodes[node('pair')], view('tablet'));
    expect(
      placeColumns(
        row.children.map(({ asks }) => asks),
        row.columns,
      ).map(({ row: line }) => line),
    ).to.deep.equal([0, 1]);
    expect(values(stacked.page, 'pair', 'stacked', view('tablet'))).to.deep.equal([]);
    expect(undoneOf(stacked).pages[lab.id]).to.deep.equal(lab);
  });

  it('keeps what is not shown in its place of the order', () => {
    const order = values(lab, 'pair', 'images first');
    const withGhost = made(
      'addElement',
      { id: node('ghost'), kind: 'text', parent: node('pair'), after: node('words') },
      lab,
      on,
    ).page;
    const hidden = made(
      'setValue',
      { nodes: [node('ghost')], property: 'shown', view: MOBILE, value: false, reach: 'everywhere' },
      withGhost,
      on,
    ).page;
    expect(values(hidden, 'pair', 'images first')[0].values.order).to.deep.equal([
      'mirror',
      'ghost',
      'words',
    ]);
    expect(order[0].values.order).to.have.length(2);
  });

  it('gives an overlay areas, fewer rows where it has too many, and says whether a hand was there before', () => {
    const laid = values(lab, 'banner', 'stacked');
    const rows = laid.find(({ node: id }) => id === 'banner');
    expect(rows?.values.leastRows).to.be.below(20);
    expect(laid.some((each) => isSetByHand(lab, each, MOBILE))).to.equal(false);
    const { page } = arrange(lab, laid);
    const before = made(
      'setValue',
      { nodes: [node('over')], property: 'areaRow', view: MOBILE, value: 2, reach: 'here' },
      lab,
      on,
    ).page;
    expect(
      values(before, 'banner', 'stacked')
        .filter((each) => isSetByHand(before, each, MOBILE))
        .map((each) => each.node),
    ).to.deep.equal(['over']);
    for (const id of subtree(lab, lab.root))
      for (const other of ['wide', 'desktop', 'tablet'])
        for (const property of ['areaRow', 'areaColumn', 'span', 'areaRows', 'order'])
          if (page.nodes[id].style.self?.[property] || lab.nodes[id].style.self?.[property])
            expect(
              resolve(frame, page, page.nodes[id], knownProperty(property), view(other)),
              `${property} of ${id} in ${other}`,
            ).to.deep.equal(resolve(frame, lab, lab.nodes[id], knownProperty(property), view(other)));
  });

  it('is refused with a sentence where a value is none, and where nothing would change', () => {
    const ask = (laid: LaidOut[]) =>
      refusal('arrange', { node: lab.root, laid, view: MOBILE, reach: 'here', done: 'arranged' }, lab, on);
    expect(ask([])).to.equal('They are already there; nothing was changed.');
    expect(ask([{ node: node('over'), values: { areaRow: 900 } }])).to.match(/^Over: Area, from row: /);
    expect(ask([{ node: node('over'), values: { nothing: 1 } }])).to.match(/^Over: /);
    expect(ask([{ node: node('gone'), values: { areaRow: 2 } }])).to.match(/no longer on this page/);
    expect(childrenIn(frame, home.nodes[home.root], MOBILE)).to.have.length.above(2);
  });
});
