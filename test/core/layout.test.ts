import { expect } from 'chai';
import fc from 'fast-check';
import { moveTo, movedRows, placeColumns, type NodeId } from '../../core/index.ts';
import { completeOrder } from '../../core/layout/order.ts';
import { heldSpan } from '../../core/layout/spans.ts';
import { record } from './arbitrary.ts';

const ids = (...names: string[]) => names as NodeId[];
const children = fc
  .uniqueArray(fc.string({ minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 8 })
  .map((list) => list as NodeId[]);

describe('orders', () => {
  it('are always the whole sequence of the children there are', () => {
    fc.assert(
      fc.property(children, fc.array(fc.string({ maxLength: 3 }), { maxLength: 10 }), (list, stored) => {
        expect([...completeOrder(list, stored as NodeId[])].sort()).to.deep.equal([...list].sort());
      }),
    );
  });

  it('put a child they do not know behind its source predecessor', () => {
    expect(completeOrder(ids('a', 'b', 'c', 'd'), ids('c', 'a'))).to.deep.equal(ids('c', 'd', 'a', 'b'));
    expect(completeOrder(ids('new', 'a', 'b'), ids('b', 'a'))).to.deep.equal(ids('new', 'b', 'a'));
  });

  it('keep what they know in its order', () => {
    fc.assert(
      fc.property(children, (list) => {
        const reversed = [...list].reverse();
        expect(completeOrder(list, reversed)).to.deep.equal(reversed);
        expect(completeOrder(list, undefined)).to.deep.equal(list);
      }),
    );
  });

  it('moving there and back is no move', () => {
    fc.assert(
      fc.property(children, fc.nat(), fc.nat(), (list, from, to) => {
        const child = list[from % list.length];
        const moved = moveTo(list, child, to % list.length);
        expect(moved.indexOf(child)).to.equal(to % list.length);
        expect(moveTo(moved, child, from % list.length)).to.deep.equal(list);
      }),
    );
  });
});

describe('spans', () => {
  it('are held to the columns there are', () => {
    expect(heldSpan(7, 4)).to.equal(4);
    expect(heldSpan(0, 4)).to.equal(1);
  });

  const spans = (...list: number[]) => list.map((span) => ({ span }));

  it('fill rows and break where the next does not fit', () => {
    expect(placeColumns(spans(7, 5, 6, 8, 4), 12)).to.deep.equal([
      { row: 0, column: 0, span: 7 },
      { row: 0, column: 7, span: 5 },
      { row: 1, column: 0, span: 6 },
      { row: 2, column: 0, span: 8 },
      { row: 2, column: 8, span: 4 },
    ]);
  });

  it('stand at their first column, in the next row where that is taken', () => {
    expect(placeColumns([{ span: 4, start: 3 }, { span: 4 }, { span: 2, start: 9 }], 12)).to.deep.equal([
      { row: 0, column: 2, span: 4 },
      { row: 0, column: 6, span: 4 },
      { row: 1, column: 8, span: 2 },
    ]);
  });

  it('tell who goes up and who goes down when one takes other columns', () => {
    const wide = placeColumns(spans(8, 6, 4, 2), 12);
    const narrow = placeColumns(spans(6, 6, 4, 2), 12);
    expect(movedRows(wide, narrow)).to.deep.equal({ up: [1], down: [] });
    expect(movedRows(narrow, wide)).to.deep.equal({ up: [], down: [1] });
  });

  it('never overlap and never leave the grid', () => {
    const asked = record({
      span: fc.integer({ min: 1, max: 14 }),
      start: fc.option(fc.integer({ min: 1, max: 14 }), { nil: undefined }),
    });
    fc.assert(
      fc.property(fc.array(asked, { maxLength: 12 }), fc.integer({ min: 1, max: 12 }), (list, columns) => {
        const taken = new Set<string>();
        for (const { row, column, span } of placeColumns(list, columns)) {
          expect(column + span).to.be.at.most(columns);
          for (let at = column; at < column + span; at++) {
            expect(taken.has(`${row} ${at}`)).to.equal(false);
            taken.add(`${row} ${at}`);
          }
        }
      }),
    );
  });
});
