import { commonAcross, commonDown, pairs, distanceText } from '../edges.ts';
import { AS_PRACTICE, type Detected, type MeasuredRule } from './rule.ts';

/** px; browsers round. */
const SAME = 1;

/** What stands side by side does not lie over one another, but in an overlay, which is for that. */
export const overlaps: MeasuredRule = {
  name: 'covers another element',
  clauses: AS_PRACTICE,
  severity: 'advice',
  find: (page) =>
    page.flatContainers().flatMap(({ node: container }) => {
      const order = page.node(container).children;
      const areas = page
        .within(container)
        .filter(({ stays }) => !stays)
        .map(({ node, box }) => ({ ...box, node }));
      return [...pairs(areas)].flatMap(([one, other]): Detected[] => {
        const amount = Math.min(commonAcross(one, other), commonDown(one, other));
        if (amount <= SAME) return [];
        const [under, over] = [one.node, other.node].sort(
          (first, second) => order.indexOf(first) - order.indexOf(second),
        );
        return [
          {
            ...{ node: over, other: under, amount },
            sentence: `{name} lies up to ${distanceText(amount)} over {other} {widths}.`,
            cure: 'Remove the negative margin that pulls it there, or put both into an overlay.',
          },
        ];
      });
    }),
};
