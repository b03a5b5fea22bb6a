/** Where something holds over whole widths: asked at few of them, answered as if it had been asked at each. */
import { expect } from 'chai';
import fc from 'fast-check';
import { curveAt, type Curve, type Stretch, type TextSize } from '../../core/index.ts';
import { curvePiece, mostByZoom, turnsOf, zoomTurns } from '../../core/type/curve.ts';
import { stretchesWhere } from '../../core/type/stretches.ts';
import { type Measure } from '../../core/type/measure.ts';

const [FROM, TO] = [280, 2559];

/** Asked at every width. */
function atEach(holds: (width: number) => boolean): Stretch[] {
  const made: Stretch[] = [];
  for (let width = FROM; width <= TO; width += 1) {
    if (!holds(width)) continue;
    if (made.at(-1)?.to === width - 1) made.at(-1)!.to = width;
    else made.push({ from: width, to: width });
  }
  return made;
}

const px = fc.integer({ min: 6, max: 120 });
const size: fc.Arbitrary<TextSize> = fc.oneof(
  px,
  fc
    .record({
      min: px,
      more: fc.integer({ min: 0, max: 90 }),
      fromWidth: fc.integer({ min: 100, max: 1500 }),
    })
    .chain(({ min, more, fromWidth }) =>
      fc
        .integer({ min: 20, max: 1200 })
        .map((span) => ({ min, max: min + more, fromWidth, toWidth: fromWidth + span })),
    ),
  fc
    .record({ share: fc.integer({ min: 1, max: 30 }), least: fc.option(px), more: fc.option(px) })
    .map(({ share, least, more }) => ({
      share,
      ...(least !== null && { least }),
      ...(more !== null && { most: (least ?? 0) + more }),
    })),
);
/** What a column of a page is wide: the page's room up to a limit, parted. */
const across: fc.Arbitrary<Measure> = fc
  .record({ vw: fc.integer({ min: 20, max: 100 }), px: fc.integer({ min: -60, max: 0 }), most: px })
  .map(({ vw, px, most }) => ({
    of: 'min',
    list: [
      { vw, px },
      { vw: 0, px: most * 10 },
    ],
  }));
const curve: fc.Arbitrary<Curve> = fc
  .tuple(
    fc.uniqueArray(fc.integer({ min: 200, max: 2000 }), { maxLength: 3 }),
    fc.array(fc.tuple(size, across), { minLength: 4, maxLength: 4 }),
  )
  .map(([limits, sizes]) => {
    const ends = [56, ...limits.sort((one, other) => one - other), 2560];
    return ends.slice(1).map((below, index) => curvePiece(ends[index], below, ...sizes[index]));
  });

describe('where something holds, over whole widths', () => {
  it('is what asking at every width finds, of a size against a limit and of two sizes', () => {
    fc.assert(
      fc.property(curve, curve, px, (one, other, limit) => {
        const small = (width: number) => curveAt(one, width) < limit + 0.25;
        expect(stretchesWhere(FROM, TO, turnsOf(one), small)).to.deep.equal(atEach(small));
        const lesser = (width: number) => curveAt(one, width) > curveAt(other, width) + 0.05;
        const turns = [...turnsOf(one), ...turnsOf(other)];
        expect(stretchesWhere(FROM, TO, turns, lesser)).to.deep.equal(atEach(lesser));
      }),
      { numRuns: 150 },
    );
  });

  it('is what asking at every width finds, of text that zoom cannot enlarge enough', () => {
    fc.assert(
      fc.property(curve, (one) => {
        const fails = (width: number) => mostByZoom(one, width) < 2 - 1e-6;
        expect(stretchesWhere(FROM, TO, zoomTurns(one), fails)).to.deep.equal(atEach(fails));
      }),
      { numRuns: 150 },
    );
  });

  it('joins stretches that touch, has none where nothing holds, and one width where it is all', () => {
    expect(stretchesWhere(1, 9, [5], () => true)).to.deep.equal([{ from: 1, to: 9 }]);
    expect(stretchesWhere(1, 9, [5], () => false)).to.deep.equal([]);
    expect(stretchesWhere(7, 7, [], (width) => width === 7)).to.deep.equal([{ from: 7, to: 7 }]);
    expect(stretchesWhere(1, 9, [4, 6.5], (width) => width >= 4 && width < 6.5)).to.deep.equal([
      { from: 4, to: 6 },
    ]);
  });
});
