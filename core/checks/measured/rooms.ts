import { lastOf } from '../../sure.ts';
import { knownKind } from '../../elements/kinds/table.ts';
import { commonAcross, heightOf, distanceText, widthOf } from '../edges.ts';
import type { LaidElement } from './textlayout.ts';
import { AS_PRACTICE, type Detected, type LaidPage, type MeasuredRule } from './rule.ts';

/** px; what is smaller takes no room. */
const NO_ROOM = 1;

/** What is there to hold others, and holds nothing in a view, takes no room; a ground that can be seen may be meant. */
export const emptyRooms: MeasuredRule = {
  name: 'empty but takes space',
  clauses: AS_PRACTICE,
  severity: 'advice',
  find: (page) =>
    page.laid.elements.flatMap(({ node, box, lines, painted }): Detected[] => {
      const { accepts } = knownKind(page.node(node).kind);
      if (accepts.length === 0 || node === page.page.root || lines.length > 0 || painted) return [];
      if (page.within(node).length > 0 || heightOf(box) <= NO_ROOM || widthOf(box) <= NO_ROOM) return [];
      return [
        {
          ...{ node, amount: heightOf(box) },
          sentence: `{name} is empty and takes ${distanceText(heightOf(box))} {widths}.`,
          cure: 'Hide it there as well.',
        },
      ];
    }),
};

/** px; distances that differ by more are seen. */
const UNEVEN = 1;

const makeUp = (page: LaidPage, { node }: LaidElement): string =>
  [page.node(node).kind, ...page.within(node).map((each) => page.node(each.node).kind)].join(' ');

/** The number that is there most often; of several, the first. */
function commonest(numbers: readonly number[]): number {
  const counts = numbers.map((one) => numbers.filter((other) => Math.abs(one - other) <= UNEVEN).length);
  return numbers[counts.indexOf(Math.max(...counts))];
}

/** Runs of elements that are made up alike and stand one below the other. */
function runs(page: LaidPage, container: LaidElement): LaidElement[][] {
  const made: LaidElement[][] = [];
  for (const each of page.within(container.node)) {
    const before = made.at(-1)?.at(-1);
    const follows =
      before &&
      makeUp(page, before) === makeUp(page, each) &&
      commonAcross(before.box, each.box) > 0 &&
      each.box.top >= before.box.bottom;
    if (follows) lastOf(made).push(each);
    else made.push([each]);
  }
  return made.filter(({ length }) => length > 3);
}

/** Rows that are made up alike stand equally far apart: told of the one that differs from most. */
export const unevenRows: MeasuredRule = {
  name: 'uneven distances',
  clauses: AS_PRACTICE,
  severity: 'advice',
  find: (page) =>
    page
      .flatContainers()
      .flatMap((container) => runs(page, container))
      .flatMap((run) => {
        const distances = run.slice(1).map(({ box }, index) => box.top - run[index].box.bottom);
        const usual = commonest(distances);
        return distances.flatMap((distance, index): Detected[] => {
          const amount = Math.abs(distance - usual);
          if (amount <= UNEVEN) return [];
          const far = `${Math.round(distance)} px, the others are ${Math.round(usual)} px apart`;
          return [
            {
              ...{ node: run[index + 1].node, other: run[index].node, amount },
              sentence: `Between {other} and {name} are ${far} {widths}.`,
              cure: 'Give both the same distance.',
            },
          ];
        });
      }),
};
