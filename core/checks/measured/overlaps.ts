import type { NodeId } from '../../elements/nodeid.ts';
import { knownKind } from '../../elements/kinds/table.ts';
import { commonAcross, commonDown, pairs, told } from '../edges.ts';
import type { Detected, LaidPage, MeasuredRule } from './rule.ts';

/** px; browsers round. */
const SAME = 1;

/** Whether what stands in an element may lie over one another. */
export const overlays = (page: LaidPage, id: NodeId): boolean =>
  knownKind(page.node(id).kind).traits.includes('overlaying');

/** What stands side by side does not lie over one another, but in an overlay, which is for that. */
export const overlaps: MeasuredRule = {
  name: 'lies over another',
  clauses: { 'as it is': 'common practice' },
  severity: 'advice',
  find: (page) =>
    page
      .containers()
      .filter(({ node }) => !overlays(page, node))
      .flatMap(({ node: container }) => {
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
              sentence: `{name} lies up to ${told(amount)} over {other} {widths}.`,
              cure: 'Take away the room that pulls it there, or put both into an overlay.',
            },
          ];
        });
      }),
};
