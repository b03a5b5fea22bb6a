/** Overlays: areas by view, and what is worked out of them. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  acrossFor,
  besideEach,
  downFor,
  drawnTo,
  emptyRows,
  firstFree,
  heldArea,
  linedUp,
  meet,
  pushedDown,
  resolve,
  rowsFor,
  rowsTaken,
  knownProperty,
  sameLength,
  siteFaults,
  spacedEvenly,
  placementIn,
  trackAt,
  withoutEmptyRows,
  type Area,
  type Page,
} from '../../core/index.ts';
import { branch, layered, pageOf } from '../../core/starts/tree.ts';
import { frame, made, node, refusal, site, undoneOf, view, withPage } from './acting.ts';

const area = (column: number, span: number, row: number, rows: number): Area => ({ column, span, row, rows });
const areaArbitrary = fc
  .tuple(...[10, 8, 20, 6].map((max) => fc.integer({ min: 1, max })))
  .map(([column, span, row, rows]) => area(column, span, row, rows));

/** A page with one overlay of a heading, a text and a button. */
const tree = branch('page', 'over', 'Over', {
  children: [
    branch('section', 'part', 'Part', {
      children: [
        branch('overlay', 'banner', 'Banner', {
          children: [
            branch('heading', 'title', 'Title', {
              content: { text: 'Over the hill', level: 1 },
              style: { areaColumn: layered(2, { mobile: 1 }), span: layered(5), areaRows: layered(2) },
            }),
            branch('text', 'words', 'Text', {
              content: { text: '<p>Some words.</p>' },
              style: { areaRow: layered(4), areaRows: layered(3), span: layered(4) },
            }),
            branch('button', 'go', 'Go', { style: { areaRow: layered(9), span: layered(2) } }),
          ],
        }),
      ],
    }),
  ],
});
const { slug, title, description, ...over } = pageOf(
  { id: 'over', slug: 'over', title: 'Over', description: '' },
  tree,
);
const on = withPage(
  { ...site, frame: { ...frame, pages: [...frame.pages, { id: over.id, slug, title, description }] } },
  over,
);

const at = (page: Page, id: string, where: string) =>
  placementIn(frame, page, page.nodes[node(id)], view(where));
const areaIn = (page: Page, id: string, where: string): Area => {
  const { column, span, row, rows } = at(page, id, where);
  return area(column, span, row, rows);
};
const place = (
  parts: Parameters<typeof made<'placeParts'>>[1]['parts'],
  more: object = {},
  page: Page = over,
) => made('placeParts', { parts, view: view('tablet'), reach: 'here', ...more }, page, on);

describe('areas', () => {
  it('are fitted into the grid that there is', () => {
    expect(heldArea(area(7, 6, 2, 1), 12)).to.deep.equal(area(7, 6, 2, 1));
    expect(heldArea(area(7, 6, 2, 1), 8)).to.deep.equal(area(3, 6, 2, 1));
    expect(heldArea(area(7, 6, -3, 0), 4)).to.deep.equal(area(1, 4, 1, 1));
    fc.assert(
      fc.property(areaArbitrary, fc.integer({ min: 1, max: 24 }), (each, columns) => {
        const { column, span } = heldArea(each, columns);
        expect(column).to.be.at.least(1);
        expect(column + span - 1).to.be.at.most(columns);
      }),
    );
  });

  it('meet where they have a cell in common, and find room below where they would', () => {
    expect(meet(area(1, 3, 1, 2), area(3, 2, 2, 4))).to.equal(true);
    expect(meet(area(1, 3, 1, 2), area(4, 2, 1, 2))).to.equal(false);
    expect(meet(area(1, 3, 1, 2), area(1, 3, 3, 1))).to.equal(false);
    const taken = [area(1, 4, 1, 2), area(3, 2, 4, 3)];
    expect(firstFree(area(1, 3, 1, 1), taken).row).to.equal(3);
    expect(firstFree(area(1, 3, 1, 2), taken).row).to.equal(7);
    expect(firstFree(area(1, 2, 1, 2), taken).row).to.equal(3);
    fc.assert(
      fc.property(areaArbitrary, fc.array(areaArbitrary, { maxLength: 6 }), (each, others) => {
        const free = firstFree(each, others);
        expect(others.some((other) => meet(other, free))).to.equal(false);
        expect({ ...free, row: each.row }).to.deep.equal(each);
      }),
    );
  });

  it('line up at the outermost edge or in the middle of all', () => {
    const some = [area(2, 3, 1, 1), area(5, 4, 3, 2), area(4, 1, 6, 1)];
    const columns = (line: 'start' | 'center' | 'end') =>
      linedUp(some, 'across', line).map((each) => each.column);
    expect(columns('start')).to.deep.equal([2, 2, 2]);
    // They take columns 2 to 8; in the middle of these seven stand three from 4, four from 3 and one at 5.
    expect(columns('center')).to.deep.equal([4, 3, 5]);
    expect(columns('end')).to.deep.equal([6, 5, 8]);
    expect(linedUp(some, 'down', 'end').map(({ row }) => row)).to.deep.equal([6, 5, 6]);
    expect(sameLength(some, some[1], 'down').map(({ rows }) => rows)).to.deep.equal([2, 2, 2]);
  });

  it('are spaced evenly, in steps or in the room that there is', () => {
    const some = [area(1, 2, 1, 2), area(3, 2, 9, 1), area(1, 2, 4, 2)];
    // Room between row 1 and row 9: five rows are taken, four are free, two a gap.
    expect(spacedEvenly(some, 'down').map(({ row }) => row)).to.deep.equal([1, 9, 5]);
    expect(spacedEvenly(some, 'down', 1).map(({ row }) => row)).to.deep.equal([1, 7, 4]);
    expect(spacedEvenly([area(1, 3, 1, 1), area(2, 3, 1, 1), area(5, 2, 1, 1)], 'across', 2)).to.deep.equal([
      area(1, 3, 1, 1),
      area(6, 3, 1, 1),
      area(11, 2, 1, 1),
    ]);
    fc.assert(
      fc.property(fc.array(areaArbitrary, { minLength: 2, maxLength: 8 }), (each) => {
        const spaced = spacedEvenly(each, 'down').sort((one, other) => one.row - other.row);
        const rooms = spaced.slice(1).map((one, index) => one.row - spaced[index].row - spaced[index].rows);
        expect(Math.max(...rooms) - Math.min(...rooms)).to.be.at.most(1);
        expect(Math.min(...rooms)).to.be.at.least(0);
      }),
    );
  });

  it('go down to make room for what is placed among them, with what they overlap, and no further', () => {
    const area = (column: number, span: number, row: number, rows: number): Area => ({
      column,
      span,
      row,
      rows,
    });
    // A picture with words on it, and a list below them; a note beside.
    const areas = new Map([
      ['picture', area(1, 6, 3, 5)],
      ['words', area(2, 3, 4, 2)],
      ['list', area(1, 6, 9, 2)],
      ['note', area(8, 2, 1, 20)],
    ]);
    expect([...pushedDown(areas, [area(1, 4, 2, 3)])]).to.have.deep.members([
      ['picture', 5],
      ['words', 6],
      ['list', 10],
    ]);
    expect([...pushedDown(areas, [area(1, 4, 8, 1)])]).to.deep.equal([]);
  });

  it('that go down never go up, meet nothing new, and keep apart what was apart', () => {
    const some = fc.record({
      column: fc.integer({ min: 1, max: 8 }),
      span: fc.integer({ min: 1, max: 5 }),
      row: fc.integer({ min: 1, max: 20 }),
      rows: fc.integer({ min: 1, max: 6 }),
    });
    const all = fc.array(some, { maxLength: 8 });
    fc.assert(
      fc.property(all, fc.array(some, { minLength: 1, maxLength: 2 }), (list, placed) => {
        const rows = pushedDown(new Map(list.entries()), placed);
        const after = list.map((each, index) => ({ ...each, row: rows.get(index) ?? each.row }));
        const share = (one: Area, other: Area) =>
          one.column < other.column + other.span &&
          other.column < one.column + one.span &&
          one.row < other.row + other.rows &&
          other.row < one.row + one.rows;
        for (const [index, each] of after.entries()) {
          expect(each.row).to.be.at.least(list[index].row);
          expect(placed.some((other) => share(each, other))).to.equal(false);
          for (const [other, second] of after.entries())
            if (other !== index && share(each, second))
              expect(share(list[index], list[other])).to.equal(true);
        }
        if (!list.some((each) => placed.some((other) => share(each, other)))) expect(rows.size).to.equal(0);
      }),
    );
  });

  it('stand beside those that they belong to, and leave no row empty', () => {
    expect(
      besideEach([area(1, 1, 1, 1), area(1, 1, 2, 1)], [area(2, 6, 1, 3), area(2, 6, 5, 2)]),
    ).to.deep.equal([area(1, 1, 1, 3), area(1, 1, 5, 2)]);
    const some = [area(1, 2, 2, 2), area(3, 2, 7, 1), area(1, 1, 7, 3)];
    expect(emptyRows(some)).to.deep.equal([1, 4, 5, 6]);
    expect(withoutEmptyRows(some).map(({ row }) => row)).to.deep.equal([1, 3, 3]);
    fc.assert(
      fc.property(fc.array(areaArbitrary, { maxLength: 8 }), (each) => {
        const next = withoutEmptyRows(each);
        expect(emptyRows(next)).to.deep.equal([]);
        each.forEach((one, index) =>
          each.forEach((other, second) => expect(meet(next[index], next[second])).to.equal(meet(one, other))),
        );
      }),
    );
    expect(rowsTaken([])).to.equal(0);
    // Five rows of 24 px are 120 px.
    expect([120, 121, 0].map((px) => rowsFor(px, 24))).to.deep.equal([5, 6, 1]);
  });

  it('come from boxes: whole columns where edges are there, else held to a side', () => {
    // Four columns of 60 px with 20 px between, in 300 px: they begin at 0, 80, 160 and 240.
    const across = (left: number, width: number) => acrossFor({ left, width }, 300, 4, 20);
    expect(across(80, 140)).to.deep.equal({ column: 2, span: 2, held: 'stretch', offset: 0 });
    expect(across(100, 100)).to.deep.equal({ column: 1, span: 4, held: 'center', offset: 0 });
    expect(across(160, 30)).to.deep.equal({ column: 3, span: 1, held: 'start', offset: 0 });
    expect(across(172.5, 100)).to.deep.equal({ column: 3, span: 2, held: 'start', offset: 12.5 });
    expect(across(190, 110)).to.deep.equal({ column: 3, span: 2, held: 'end', offset: 0 });
    expect(downFor({ top: 54, height: 40 }, 24)).to.deep.equal({ row: 3, rows: 2, offset: 6 });
    expect(downFor({ top: 48, height: 24 }, 24)).to.deep.equal({ row: 3, rows: 1, offset: 0 });
    // A browser’s rounding is no row of its own; more is.
    expect(downFor({ top: 47.8, height: 24 }, 24)).to.deep.equal({ row: 3, rows: 1, offset: -0.2 });
    expect(downFor({ top: 47.3, height: 24 }, 24)).to.deep.equal({ row: 2, rows: 2, offset: 23.3 });
  });

  it('are found by drawing: on a line that is near, else on the nearest column; free, where one lets go', () => {
    const tracks = [0, 80, 160, 240].map((start) => ({ start, end: start + 60 }));
    const lines = [{ at: 118, of: 'Text, start' }];
    const drawn = (by: number, more: object = {}) =>
      drawnTo({ start: 0, length: 50, by, tracks, lines, within: 6, whole: false, free: false, ...more });
    expect(drawn(114)).to.deep.equal({ track: 1, offset: 38, line: lines[0] });
    // Its middle, at 25 px, comes to lie on the line.
    expect(drawn(95)).to.deep.equal({ track: 1, offset: 13, line: lines[0] });
    expect(drawn(135)).to.deep.equal({ track: 2, offset: 0 });
    expect(drawn(114, { free: true })).to.deep.equal({ track: 1, offset: 34 });
    expect(drawn(114, { whole: true })).to.deep.equal({ track: 1, offset: 0 });
    expect(trackAt(tracks, -10)).to.deep.equal({ track: 0, offset: -10 });
  });
});

describe('parts of an overlay', () => {
  it('are placed in one view with the reach, and everywhere else they stay', () => {
    const step = place([{ node: node('title'), column: 4, row: 3 }]);
    expect(step.sentence).to.equal('Title: columns 4–8, rows 3–4 in Tablet');
    expect(areaIn(step.page, 'title', 'tablet')).to.deep.equal(area(4, 5, 3, 2));
    for (const other of ['wide', 'desktop', 'mobile'])
      expect(at(step.page, 'title', other)).to.deep.equal(at(over, 'title', other));
    expect(step.page.nodes[node('title')].style.self!.areaColumn).to.deep.equal({
      base: 2,
      at: { mobile: { value: 1, reach: 'onward' }, tablet: { value: 4, reach: 'here' } },
    });
    expect(undoneOf(step).pages[over.id]).to.deep.equal(over);
    expect(siteFaults(step.site)).to.deep.equal([]);
    const onward = place([{ node: node('words'), row: 6 }], { reach: 'onward' });
    expect(areaIn(onward.page, 'words', 'mobile').row).to.equal(6);
    expect(areaIn(onward.page, 'words', 'desktop').row).to.equal(4);
  });

  it('are fitted where a narrower grid has no room, and keep what was set', () => {
    // Four columns in Mobile: five from column 4 are four from the first.
    const step = place([{ node: node('title'), column: 4 }], { view: view('desktop'), reach: 'everywhere' });
    expect(areaIn(step.page, 'title', 'mobile')).to.deep.equal(area(1, 4, 1, 2));
    expect(areaIn(step.page, 'title', 'desktop')).to.deep.equal(area(4, 5, 1, 2));
  });

  it('are refused what is no place, with nothing lost', () => {
    const asked = (parts: object[], more: object = {}) =>
      refusal('placeParts', { parts, view: view('tablet'), reach: 'here', ...more } as never, over, on);
    expect(asked([{ node: node('title'), row: -2 }])).to.match(/^Area, from row of Title: /);
    expect(asked([{ node: node('title'), span: 40 }])).to.match(/^Columns of Title: /);
    expect(asked([{ node: node('part'), row: 2 }])).to.equal(
      'Part is not in an overlay. Nothing was changed.',
    );
    expect(asked([{ node: node('gone'), row: 2 }])).to.match(/^The element is no longer on this page/);
    expect(asked([{ node: node('title'), row: 1 }])).to.equal('They are already there; nothing was changed.');
    expect(asked([], { rows: [{ node: node('title'), least: 3 }] })).to.equal(
      'Title isn’t an overlay. Nothing was changed.',
    );
  });

  it('get a place of their own when they come: below all, or where nothing is', () => {
    const added = made(
      'addElement',
      { kind: 'text', id: node('new'), parent: node('banner'), after: null },
      over,
      on,
    );
    // Go stands in row 9 in every view.
    for (const { id } of frame.views.list) expect(areaIn(added.page, 'new', id).row).to.equal(10);
    const twice = made('duplicateElement', { node: node('words'), id: node('copy') }, over, on);
    expect(areaIn(twice.page, 'copy', 'desktop')).to.deep.equal(area(1, 4, 10, 3));
    expect(siteFaults(twice.site)).to.deep.equal([]);
    const grouped = made(
      'groupElements',
      { nodes: [node('title'), node('words')], id: node('both') },
      over,
      on,
    );
    expect(areaIn(grouped.page, 'both', 'desktop')).to.deep.equal(area(1, 6, 1, 6));
    expect(grouped.page.nodes[node('title')].style.self).to.equal(undefined);
    const apart = made('ungroupElement', { node: node('both') }, grouped.page, grouped.site);
    expect(siteFaults(apart.site)).to.deep.equal([]);
    expect(meet(areaIn(apart.page, 'title', 'mobile'), areaIn(apart.page, 'words', 'mobile'))).to.equal(
      false,
    );
  });

  it('take their places along when they become alternates of each other', () => {
    const apart = made(
      'showInViews',
      { nodes: [node('words')], shown: true, views: [view('mobile')], only: true },
      made('showInViews', { nodes: [node('title')], shown: false, views: [view('mobile')] }, over, on).page,
      on,
    );
    const offset = place(
      [{ node: node('words'), heldAcross: 'start', offsetAcross: { px: 12 } }],
      { view: view('mobile') },
      apart.page,
    );
    const set = made(
      'uniteAlternates',
      { nodes: [node('title'), node('words')], set: node('set') },
      offset.page,
      on,
    );
    expect(siteFaults(set.site)).to.deep.equal([]);
    expect(at(set.page, 'set', 'mobile')).to.deep.equal(at(offset.page, 'words', 'mobile'));
    expect(at(set.page, 'set', 'desktop')).to.deep.equal(at(offset.page, 'title', 'desktop'));
  });

  it('lie in front of each other in a whole sequence by view', () => {
    const step = made(
      'reverseOrder',
      { node: node('banner'), view: view('mobile'), reach: 'here' },
      over,
      on,
    );
    const order = (where: string) =>
      resolve(frame, step.page, step.page.nodes[node('banner')], knownProperty('order'), view(where));
    expect(order('mobile')).to.deep.equal(['go', 'words', 'title']);
    expect(order('desktop')).to.deep.equal([]);
  });

  it('have rows of a height set exactly', () => {
    // Common practice: heights that were measured in a drawing are typed as they are.
    for (const px of [123, 179]) {
      const step = made(
        'setValue',
        {
          nodes: [node('banner')],
          property: 'rowHeight',
          view: view('desktop'),
          value: px,
          reach: 'everywhere',
        },
        over,
        on,
      );
      expect(
        resolve(
          frame,
          step.page,
          step.page.nodes[node('banner')],
          knownProperty('rowHeight'),
          view('tablet'),
        ),
      ).to.equal(px);
    }
  });
});
