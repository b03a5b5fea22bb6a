/** The order in which things are read, from their boxes alone. */
import { expect } from 'chai';
import fc from 'fast-check';
import { arrangedInLines, type Box } from '../../core/index.ts';
import { readingOrder, type Readable } from '../../core/layout/reading.ts';
import { type Arrangeable } from '../../core/layout/arrange.ts';
import { APART, FRESH, TUNED, type Drawing } from './layouts.ts';
import { MEASURED } from './measuredlayouts.ts';
import { MORE } from './measuredlayoutsmore.ts';
import { UNSEEN } from './measuredlayoutsunseen.ts';

/** Where boxes alone do not say what a person sees, and what is read instead. */
const MISSED: Record<string, string> = {
  'stars beside lines in two columns': '1a3c2b4d',
  'a poster of words left of a list with signs': 'a1c2db3e',
  'words, then two images under each other beside more words': 'aABb',
};

const ALL = [...MEASURED, ...MORE, ...UNSEEN];

/** The same of the layouts with measured sizes: a date is read before what it dates, though it is behind it on its line. */
const MISSED_MEASURED: Record<string, string> = {
  'milestones on alternating sides, with years in the middle': 'bacdfe',
};

const CELL = { width: 40, height: 30 };

/** What is drawn, as boxes: of each letter the smallest that holds its cells, from the last letter to the first. */
function thingsIn({ drawn }: Drawing): Readable[] {
  const cells = new Map<string, [number, number][]>();
  drawn.split('\n').forEach((line, row) =>
    [...line].forEach((letter, column) => {
      if (letter !== '.') cells.set(letter, [...(cells.get(letter) ?? []), [column, row]]);
    }),
  );
  const kindOf = (letter: string) =>
    /\d/.test(letter) ? 'sign' : /[A-Z]/.test(letter) ? 'picture' : 'words';
  return [...cells]
    .sort(([one], [other]) => (one < other ? 1 : -1))
    .map(([id, places]) => {
      const [columns, rows] = [places.map(([column]) => column), places.map(([, row]) => row)];
      const [left, top] = [Math.min(...columns), Math.min(...rows)];
      const box: Box = {
        left: left * CELL.width,
        top: top * CELL.height,
        width: (Math.max(...columns) - left + 1) * CELL.width,
        height: (Math.max(...rows) - top + 1) * CELL.height - 6,
      };
      return { id, role: kindOf(id), box };
    });
}

const boxArbitrary: fc.Arbitrary<Box> = fc
  .tuple(...[900, 2000, 400, 300].map((max) => fc.integer({ min: 17, max })))
  .map(([left, top, width, height]) => ({ left, top, width, height }));

/** Boxes near to one another, as what is on a page. */
const denseArbitrary: fc.Arbitrary<Box> = fc
  .tuple(...[120, 200, 60, 80].map((max) => fc.integer({ min: 17, max })))
  .map(([left, top, width, height]) => ({ left, top, width, height }));

const thingsOf = (boxes: readonly Box[]): Readable[] =>
  boxes.map((box, index) => ({ id: String(index), box, role: index % 2 ? 'words' : 'picture' }));

describe('the order in which things are read', () => {
  for (const drawing of [...TUNED, ...APART, ...FRESH].filter(({ what }) => !MISSED[what]))
    it(`is that of a person: ${drawing.what}`, () => {
      expect(readingOrder(thingsIn(drawing)).join('')).to.equal(drawing.read);
    });

  it('is another one for 3 of 41 layouts, and no more', () => {
    const all = [...TUNED, ...APART, ...FRESH];
    const missed = all.filter((drawing) => readingOrder(thingsIn(drawing)).join('') !== drawing.read);
    expect(
      Object.fromEntries(missed.map((drawing) => [drawing.what, readingOrder(thingsIn(drawing)).join('')])),
    ).to.deep.equal(MISSED);
    expect(all.length).to.equal(41);
  });

  for (const { what, order, things } of ALL.filter(({ what }) => !MISSED_MEASURED[what]))
    it(`is that of a person: ${what}`, () => {
      expect(readingOrder(things.toReversed()).join('')).to.equal(order);
    });

  it('is another one for 1 of 80 layouts with measured sizes, and no more', () => {
    const missed = ALL.filter(({ things, order }) => readingOrder(things).join('') !== order);
    expect(
      Object.fromEntries(missed.map(({ what, things }) => [what, readingOrder(things).join('')])),
    ).to.deep.equal(MISSED_MEASURED);
    expect(ALL.length).to.equal(80);
  });

  it('keeps cards together where images come first', () => {
    const cards = [
      ['staggered cards', 'AaBbCcDd'],
      ['a long text beside an image with a caption', 'Adabc'],
      ['a comparison of before and after with headings and images', 'aAbcBd'],
    ];
    for (const [what, order] of cards) {
      const { things } = ALL.find((each) => each.what === what)!;
      const { parts } = arrangedInLines(
        things.map((each) => ({ ...each, role: each.role as Arrangeable['role'], least: 100 })),
        { columns: 4, gutter: 16, width: 350 },
        'images first',
      );
      expect(parts.map(({ id }) => id).join(''), what).to.equal(order);
    }
  });

  it('takes a line between columns first, and neither a dot nor a high image for one', () => {
    const read = (...boxes: [string, number, number, number, number][]) =>
      readingOrder(
        boxes.map(([id, left, top, width, height]) => ({
          id,
          role: 'words',
          box: { left, top, width, height },
        })),
      ).join(' ');
    const columns: [string, number, number, number, number][] = [
      ['left', 0, 0, 300, 400],
      ['right', 340, 0, 300, 400],
    ];
    expect(read(...columns, ['line', 318, 0, 4, 400])).to.equal('line left right');
    expect(read(['title', 0, 0, 300, 40], ['dot', 0, 80, 6, 6], ['text', 0, 120, 300, 80])).to.equal(
      'title dot text',
    );
    expect(read(['text', 0, 0, 300, 200], ['tower', 340, 0, 40, 900])).to.equal('text tower');
  });

  it('reads a thing of a narrow middle column once, also where it is beside things on both sides', () => {
    const boxes = [
      [56, 68, 17, 17],
      [59, 17, 17, 49],
      [17, 17, 40, 49],
      [76, 77, 27, 17],
      [101, 17, 17, 17],
    ].map(([left, top, width, height]) => ({ left, top, width, height }));
    expect(readingOrder(thingsOf(boxes)).toSorted()).to.deep.equal(['0', '1', '2', '3', '4']);
  });

  it('loses nothing, and is the same for the same boxes', () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(boxArbitrary, denseArbitrary), { maxLength: 14 }), (all) => {
        const things = thingsOf(all);
        const read = readingOrder(things);
        expect([...read].sort()).to.deep.equal(things.map(({ id }) => id).sort());
        expect(readingOrder(things)).to.deep.equal(read);
      }),
      { numRuns: 300 },
    );
  });

  it('reads what is above something, or before it on the same lines, first, where nothing overlaps', () => {
    const shared = (one: Box, other: Box, from: 'left' | 'top', size: 'width' | 'height') =>
      Math.min(one[from] + one[size], other[from] + other[size]) - Math.max(one[from], other[from]);
    const overlaps = (one: Box, other: Box) =>
      shared(one, other, 'left', 'width') > -2 && shared(one, other, 'top', 'height') > -2;
    fc.assert(
      fc.property(fc.array(boxArbitrary, { maxLength: 24 }), (all) => {
        const apart = all.filter((box, index) => !all.slice(0, index).some((other) => overlaps(box, other)));
        const things = thingsOf(apart);
        const place = new Map(readingOrder(things).map((id, index) => [id, index]));
        for (const { id, box } of things)
          for (const other of things) {
            const above = shared(box, other.box, 'left', 'width') > 1 && box.top < other.box.top;
            // Most of the lower one’s height is beside the other.
            const lower = Math.min(box.height, other.box.height);
            const before =
              shared(box, other.box, 'top', 'height') > Math.max(1, lower / 2) && box.left < other.box.left;
            if (above || before)
              expect(place.get(id), `${id} before ${other.id}`).to.be.below(place.get(other.id)!);
          }
      }),
      { numRuns: 300 },
    );
  });
});
