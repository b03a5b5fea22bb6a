/** Whole layouts that are proposed for narrow views. */
import { expect } from 'chai';
import fc from 'fast-check';
import { ARRANGE_WAYS, arranged, meet, type Arranged, type Box } from '../../core/index.ts';
import { columnEdges } from '../../core/layout/boxes.ts';
import { readingOrder } from '../../core/layout/reading.ts';
import { type Arrangeable, type ArrangeGrid } from '../../core/layout/arrange.ts';

const PHONE: ArrangeGrid = { columns: 4, gutter: 16, width: 350, rowHeight: 24 };

const thing = (
  id: string,
  role: Arrangeable['role'],
  left: number,
  top: number,
  width: number,
  height: number,
) => ({
  id,
  role,
  box: { left, top, width, height },
  least: { words: 160, picture: 120, small: 44 }[role],
});

const thingArbitrary = fc
  .tuple(
    fc.constantFrom('words', 'picture', 'small' as const),
    ...[1000, 3000, 500, 400].map((max) => fc.integer({ min: 10, max })),
  )
  .map(([role, left, top, width, height]) => ({
    role: role,
    box: { left, top, width, height },
  }));
const thingsArbitrary = (maxLength: number) =>
  fc
    .array(thingArbitrary, { maxLength })
    .map((all) => all.map((each, index) => ({ ...each, id: `t${index}`, least: 100 })));
const gridArbitrary = fc.record({
  columns: fc.integer({ min: 1, max: 12 }),
  gutter: fc.integer({ min: 0, max: 30 }),
  width: fc.integer({ min: 200, max: 900 }),
  rowHeight: fc.integer({ min: 8, max: 60 }),
});
const wayArbitrary = fc.constantFrom(...ARRANGE_WAYS);

/** px of one axis that two boxes have in common. */
const common = (one: Box, other: Box, from: 'left' | 'top', size: 'width' | 'height') =>
  Math.min(one[from] + one[size], other[from] + other[size]) - Math.max(one[from], other[from]);
const lies = (one: Box, other: Box) =>
  Math.min(common(one, other, 'left', 'width'), common(one, other, 'top', 'height'));

const areas = ({ parts }: Arranged) =>
  Object.fromEntries(parts.map(({ id, area }) => [id, [area.column, area.span, area.row, area.rows]]));

describe('a whole layout', () => {
  it('stacks what stood side by side, in the order in which it is read, a row between', () => {
    const made = arranged(
      [
        thing('picture', 'picture', 600, 0, 400, 300),
        thing('title', 'words', 0, 0, 560, 48),
        thing('words', 'words', 0, 72, 560, 96),
        thing('go', 'small', 0, 200, 160, 48),
      ],
      PHONE,
      'stacked',
    );
    // 350 px wide: the title's 560 × 48 px are 76.8 px high, three rows; the words' 153.6 px are six; the image's 262.5 px are eleven.
    expect(areas(made)).to.deep.equal({
      title: [1, 4, 1, 3],
      words: [1, 4, 5, 6],
      go: [1, 4, 12, 2],
      picture: [1, 4, 15, 11],
    });
    expect(made.rows).to.equal(25);
    expect(made.parts.map(({ id, fills }) => (fills ? id : ''))).to.deep.equal(['', '', '', 'picture']);
  });

  it('lets two stand side by side where both are wide enough, and images come first where asked', () => {
    const pair = [thing('words', 'words', 0, 0, 400, 48), thing('picture', 'picture', 420, 0, 400, 300)];
    // Two columns of four are 167 px.
    expect(areas(arranged(pair, PHONE, 'two across'))).to.deep.equal({
      words: [1, 2, 1, 4],
      picture: [3, 2, 1, 5],
    });
    const narrow = { ...PHONE, width: 300 };
    expect(areas(arranged(pair, narrow, 'two across')).picture[0]).to.equal(1);
    expect(arranged(pair, PHONE, 'images first').parts.map(({ id }) => id)).to.deep.equal([
      'picture',
      'words',
    ]);
    expect(arranged(pair, PHONE, 'stacked').parts.map(({ id }) => id)).to.deep.equal(['words', 'picture']);
  });

  it('keeps in proportion what lies only partly over one another', () => {
    const overlapping = [
      thing('picture', 'picture', 0, 0, 400, 300),
      thing('words', 'words', 200, 250, 300, 96),
    ];
    // 500 px become 350, 0.7 of them: the words begin 250 × 0.7 = 175 px below, which are seven rows of 24 px, and 200 / 500 of four
    // columns, the second, to the right; 300 / 500 of four are two columns.
    const { picture, words } = areas(arranged(overlapping, PHONE, 'stacked'));
    expect([picture[0], picture[1], picture[2]]).to.deep.equal([1, 3, 1]);
    expect([words[0], words[1], words[2]]).to.deep.equal([3, 2, 8]);
  });

  it('leaves words on their image, and signs beside their lines', () => {
    const banner = arranged(
      [
        thing('sky', 'picture', 0, 0, 1000, 500),
        thing('title', 'words', 100, 150, 500, 48),
        thing('go', 'small', 100, 250, 150, 48),
      ],
      PHONE,
      'stacked',
    );
    const { sky, title, go } = areas(banner);
    // On the sky, in a column from its sides, one below the other.
    expect([sky[0], sky[1], title[0], title[1], go[0]]).to.deep.equal([1, 4, 2, 2, 2]);
    expect(title[2]).to.be.above(sky[2]);
    expect(go[2]).to.equal(title[2] + title[3] + 1);
    expect(sky[2] + sky[3]).to.be.above(go[2] + go[3]);
    const lines = arranged(
      [0, 1, 2].flatMap((nth) => [
        thing(`star-${nth}`, 'small', 0, nth * 60, 24, 24),
        thing(`line-${nth}`, 'words', 40, nth * 60, 300, 24),
      ]),
      PHONE,
      'stacked',
    );
    // A column of 75.5 px would part a star of 24 px from its line: the line keeps its 40 px.
    expect(areas(lines)).to.deep.equal({
      ...{ 'star-0': [1, 1, 1, 1], 'line-0': [1, 4, 1, 1] },
      ...{ 'star-1': [1, 1, 3, 1], 'line-1': [1, 4, 3, 1] },
      ...{ 'star-2': [1, 1, 5, 1], 'line-2': [1, 4, 5, 1] },
    });
    expect(lines.parts.map(({ inset }) => inset)).to.deep.equal([
      undefined,
      40,
      undefined,
      40,
      undefined,
      40,
    ]);
    // Columns of 36 px are narrow enough for them.
    const many = arranged(
      [thing('star', 'small', 0, 0, 24, 24), thing('line', 'words', 40, 0, 300, 24)],
      { ...PHONE, columns: 7, width: 348 },
      'stacked',
    );
    expect(areas(many)).to.deep.equal({ star: [1, 1, 1, 1], line: [2, 6, 1, 1] });
  });

  it('loses nothing, puts nothing outside, covers nothing that was not covered, and is the same each time', () => {
    fc.assert(
      fc.property(thingsArbitrary(12), gridArbitrary, wayArbitrary, (things, grid, way) => {
        const made = arranged(things, grid, way);
        expect(made.parts.map(({ id }) => id).sort()).to.deep.equal(things.map(({ id }) => id).sort());
        for (const { area } of made.parts) {
          expect(area.column).to.be.at.least(1);
          expect(area.column + area.span - 1).to.be.at.most(grid.columns);
          expect(Math.min(area.row, area.rows, area.span)).to.be.at.least(1);
          expect(area.row + area.rows - 1).to.be.at.most(made.rows);
        }
        const box = new Map(things.map((each) => [each.id, each.box]));
        made.parts.forEach((one, index) =>
          made.parts.slice(index + 1).forEach((other) => {
            if (!meet(one.area, other.area)) return;
            const [before, after] = [box.get(one.id)!, box.get(other.id)!];
            // A sign stands in the room that its line keeps for it, which may be just as wide.
            const kept = Math.max((one.inset ?? -1) - after.width, (other.inset ?? -1) - before.width);
            expect(kept >= 0 || lies(before, after) > 0, `${one.id} and ${other.id}`).to.equal(true);
          }),
        );
        expect(arranged(things, grid, way)).to.deep.equal(made);
      }),
      { numRuns: 300 },
    );
  });

  it('reads on vertically as the base does, and changes nothing where it is made of itself', () => {
    const apart = thingsArbitrary(8).map((things) =>
      things.filter((each, index) =>
        things.every((other, at) => at >= index || lies(each.box, other.box) < -1),
      ),
    );
    fc.assert(
      fc.property(apart, gridArbitrary, (things, grid) => {
        // Without signs, which stand beside their lines.
        const plain = things.map((each) => ({
          ...each,
          box: { ...each.box, width: Math.max(60, each.box.width) },
        }));
        fc.pre(
          plain.every((each, index) =>
            plain.every((other, at) => at >= index || lies(each.box, other.box) < -1),
          ),
        );
        const made = arranged(plain, grid, 'stacked');
        expect(
          made.parts.toSorted((one, other) => one.area.row - other.area.row).map(({ id }) => id),
        ).to.deep.equal(readingOrder(plain));
        const edges = columnEdges(grid.width, grid.columns, grid.gutter);
        const laid = made.parts.map(({ id, area }): Arrangeable => ({
          ...plain.find((each) => each.id === id)!,
          box: {
            left: edges[area.column - 1].left,
            top: (area.row - 1) * grid.rowHeight,
            width: edges[area.column + area.span - 2].right - edges[area.column - 1].left,
            height: area.rows * grid.rowHeight,
          },
        }));
        expect(areas(arranged(laid, grid, 'stacked'))).to.deep.equal(areas(made));
      }),
      { numRuns: 300 },
    );
  });

  it('has an answer for 500 things at one place, and for none', () => {
    const many = Array.from({ length: 500 }, (_each, index) => thing(`t${index}`, 'words', 10, 10, 300, 40));
    const made = arranged(many, PHONE, 'stacked');
    expect(made.parts).to.have.length(500);
    expect(arranged([], PHONE, 'two across')).to.deep.equal({ parts: [], rows: 0 });
  });
});
