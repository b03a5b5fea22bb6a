/** What is wrong in a layout that is there, and how it is mended. */
import { expect } from 'chai';
import fc from 'fast-check';
import { arranged, tidied, type Area, type Box } from '../../core/index.ts';
import { columnEdges } from '../../core/layout/boxes.ts';
import { type ArrangeGrid } from '../../core/layout/arrange.ts';
import { type Tidyable } from '../../core/layout/tidy.ts';

const PHONE: ArrangeGrid = { columns: 4, gutter: 16, width: 350, rowHeight: 24 };

/** The box of something of a height that is held to the top of an area, as wide as that. */
function boxIn({ column, span, row }: Area, height: number, grid: ArrangeGrid): Box {
  const edges = columnEdges(grid.width, grid.columns, grid.gutter);
  const { left } = edges[column - 1];
  const width = edges[column + span - 2].right - left;
  return { left, top: (row - 1) * grid.rowHeight, width, height };
}

/** A part as wide as its area: [column, span, row, rows], as high as said, and where it stands in the base. */
function part(
  id: string,
  [column, span, row, rows]: [number, number, number, number],
  height: number,
  base: [number, number, number, number],
): Tidyable {
  const area = { column, span, row, rows };
  const [left, top, width, tall] = base;
  return {
    id,
    area,
    box: boxIn(area, height, PHONE),
    base: { left, top, width, height: tall },
    offset: 0,
    small: false,
  };
}

const rows = (parts: readonly { id: string; area: Area }[]) =>
  Object.fromEntries(parts.map(({ id, area }) => [id, [area.row, area.rows]]));

/** Parts as they would be laid out once they are tidied. */
function applied(things: readonly Tidyable[], grid: ArrangeGrid): Tidyable[] {
  const { parts } = tidied(things, grid);
  return things.map((thing) => {
    const next = parts.find(({ id }) => id === thing.id);
    if (!next) return thing;
    const held = boxIn(next.area, thing.box.height, grid);
    const shifted = { ...thing.box, top: thing.box.top + (next.area.row - thing.area.row) * grid.rowHeight };
    return { ...thing, area: next.area, box: next.inside ? held : shifted };
  });
}

const meets = (one: Box, other: Box, by = 1) =>
  Math.min(one.left + one.width, other.left + other.width) - Math.max(one.left, other.left) > by &&
  Math.min(one.top + one.height, other.top + other.height) - Math.max(one.top, other.top) > by;

/** The share of the smaller of two boxes that lies in the other. */
function share(one: Box, other: Box): number {
  const along = (from: 'left' | 'top', size: 'width' | 'height') =>
    Math.max(
      0,
      Math.min(one[from] + one[size], other[from] + other[size]) - Math.max(one[from], other[from]),
    );
  const least = Math.min(one.width * one.height, other.width * other.height);
  return (along('left', 'width') * along('top', 'height')) / least;
}

describe('a layout', () => {
  it('that is tidy is left alone', () => {
    const things = [
      part('a', [1, 4, 1, 2], 48, [0, 0, 400, 48]),
      part('b', [1, 4, 4, 3], 60, [0, 80, 400, 60]),
      part('c', [1, 2, 8, 2], 40, [0, 180, 200, 40]),
      part('d', [3, 2, 8, 2], 44, [220, 180, 180, 40]),
    ];
    expect(tidied(things, PHONE)).to.deep.equal({ mends: [], parts: [] });
    expect(tidied([], PHONE)).to.deep.equal({ mends: [], parts: [] });
  });

  it('has areas as high as what is in them, and what stands below moves up', () => {
    const made = tidied(
      [
        part('a', [1, 4, 1, 9], 60, [0, 0, 400, 60]),
        part('b', [1, 4, 11, 2], 48, [0, 90, 400, 48]),
        // It needs two rows of its three: that is not seen.
        part('c', [1, 4, 14, 3], 48, [0, 170, 400, 48]),
      ],
      PHONE,
    );
    expect(made.mends).to.deep.equal([{ id: 'a', why: 'too large', from: 9, to: 3 }]);
    expect(rows(made.parts)).to.deep.equal({ a: [1, 3], b: [5, 2], c: [8, 3] });
  });

  it('keeps an area that is held otherwise than at its top, however little is in it', () => {
    const held = { ...part('a', [1, 4, 1, 9], 60, [0, 0, 400, 60]), offset: undefined };
    expect(tidied([held], PHONE).mends).to.deep.equal([]);
  });

  it('covers nothing that it does not cover in the base', () => {
    const made = tidied(
      [
        part('title', [1, 4, 1, 2], 48, [0, 0, 400, 48]),
        part('words', [1, 4, 2, 3], 72, [0, 80, 400, 72]),
        part('go', [1, 4, 6, 2], 48, [0, 180, 200, 48]),
      ],
      PHONE,
    );
    expect(made.mends).to.deep.equal([{ id: 'words', why: 'covered', other: 'title' }]);
    // The words begin a row below the title, and the button keeps its row below them.
    expect(rows(made.parts)).to.deep.equal({ words: [4, 3], go: [8, 2] });
    // What stood too far up, and is to be read later, leaves no hole above what it covered.
    const early = tidied(
      [
        part('words', [1, 4, 9, 3], 72, [0, 0, 400, 72]),
        part('picture', [1, 4, 1, 10], 240, [420, 0, 400, 300]),
      ],
      PHONE,
    );
    expect(early.mends).to.deep.equal([{ id: 'picture', why: 'covered', other: 'words' }]);
    expect(rows(early.parts)).to.deep.equal({ words: [1, 3], picture: [5, 10] });
    const banner = [
      part('sky', [1, 4, 1, 10], 240, [0, 0, 1000, 500]),
      part('title', [2, 2, 4, 2], 48, [100, 150, 500, 48]),
    ];
    expect(tidied(banner, PHONE).mends).to.deep.equal([]);
  });

  it('is read in the order of the base', () => {
    const made = tidied(
      [
        part('a', [1, 4, 10, 2], 48, [0, 0, 400, 48]),
        part('b', [1, 4, 1, 3], 72, [0, 80, 400, 72]),
        part('c', [1, 4, 5, 4], 96, [0, 180, 400, 96]),
      ],
      PHONE,
    );
    // What is to be read first is last: the others follow it, one after the other.
    expect(made.mends.map(({ id, why }) => `${id} ${why}`)).to.deep.equal(['b crossed', 'c crossed']);
    const order = made.parts.toSorted((one, other) => one.area.row - other.area.row).map(({ id }) => id);
    expect(order).to.deep.equal(['a', 'b', 'c']);
  });

  it('may have an image before the words that it stands beside in the base', () => {
    const things = [
      part('words', [1, 4, 13, 3], 72, [0, 0, 400, 72]),
      part('picture', [1, 4, 1, 11], 264, [420, 0, 400, 300]),
    ];
    expect(tidied(things, PHONE).mends).to.deep.equal([]);
  });

  it('is spaced evenly where the base is', () => {
    const made = tidied(
      [
        part('a', [1, 4, 1, 2], 48, [0, 0, 400, 48]),
        part('b', [1, 4, 4, 2], 48, [0, 72, 400, 48]),
        part('c', [1, 4, 9, 2], 48, [0, 144, 400, 48]),
        part('d', [1, 4, 12, 2], 48, [0, 216, 400, 48]),
        // Further away in the base, too.
        part('e', [1, 4, 17, 2], 48, [0, 360, 400, 48]),
      ],
      PHONE,
    );
    expect(made.mends).to.deep.equal([{ id: 'c', why: 'uneven', other: 'b', from: 3, to: 1 }]);
    expect(rows(made.parts)).to.deep.equal({ c: [7, 2], d: [10, 2], e: [15, 2] });
  });

  it('has nothing outside', () => {
    const a = part('a', [1, 4, 1, 2], 48, [0, 0, 400, 48]);
    const made = tidied([{ ...a, box: { ...a.box, left: -40 } }], PHONE);
    expect(made.mends).to.deep.equal([{ id: 'a', why: 'outside' }]);
    expect(made.parts).to.deep.equal([{ id: 'a', area: a.area, inside: true }]);
  });

  const gridArbitrary = fc.record({
    columns: fc.integer({ min: 1, max: 12 }),
    gutter: fc.integer({ min: 0, max: 30 }),
    width: fc.integer({ min: 200, max: 900 }),
    rowHeight: fc.integer({ min: 8, max: 60 }),
  });
  const thingsArbitrary = fc
    .tuple(
      fc.array(
        fc.record({
          at: fc.tuple(...[11, 11, 30, 12].map((max) => fc.integer({ min: 1, max }))),
          left: fc.integer({ min: 0, max: 900 }),
          top: fc.integer({ min: 0, max: 2000 }),
          width: fc.integer({ min: 60, max: 500 }),
          height: fc.integer({ min: 10, max: 300 }),
          fill: fc.double({ min: 0.05, max: 1, noNaN: true }),
          held: fc.boolean(),
        }),
        { maxLength: 9 },
      ),
      gridArbitrary,
    )
    .map(([all, grid]) => {
      const apart = all.filter((each, index) =>
        all.every((other, at) => at >= index || !meets(each, other, -2)),
      );
      const things = apart.map(({ at: [column, span, row, count], fill, held, ...base }, index) => {
        const first = Math.min(column, grid.columns);
        const area = {
          column: first,
          span: Math.min(span, grid.columns - first + 1),
          row,
          rows: count,
        };
        const height = Math.max(4, fill * count * grid.rowHeight);
        return {
          id: `t${index}`,
          area,
          base,
          box: boxIn(area, height, grid),
          ...(held && { offset: 0 }),
          small: false,
        };
      });
      return { things, grid };
    });

  it('loses nothing, covers nothing, and is tidy afterwards, whatever it was', () => {
    fc.assert(
      fc.property(thingsArbitrary, ({ things, grid }) => {
        const next = applied(things, grid);
        for (const { area } of next) expect(area.row).to.be.at.least(1);
        next.forEach((one, index) =>
          next.slice(index + 1).forEach((other) =>
            // What touches by a pixel, or by a hair of it, is not seen to lie over one another.
            expect(
              meets(one.box, other.box) && share(one.box, other.box) > 0.03,
              `${one.id} over ${other.id}`,
            ).to.equal(false),
          ),
        );
        expect(tidied(next, grid).mends).to.deep.equal([]);
      }),
      { numRuns: 400 },
    );
  });

  it('is tidy once it has been arranged', () => {
    fc.assert(
      fc.property(thingsArbitrary, ({ things: made, grid }) => {
        const things = made.map(({ id, base }) => ({
          id,
          box: base,
          role: 'words' as const,
          least: 100,
          height: base.height,
        }));
        const laid = arranged(things, grid, 'stacked').parts.map(({ id, area, inset }): Tidyable => {
          const { box } = things.find((each) => each.id === id)!;
          return {
            id,
            area,
            base: box,
            box: boxIn(area, box.height, grid),
            offset: inset ?? 0,
            small: false,
          };
        });
        expect(tidied(laid, grid).mends).to.deep.equal([]);
      }),
      { numRuns: 200 },
    );
  });
});
