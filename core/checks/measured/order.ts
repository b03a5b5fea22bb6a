import type { Box } from '../../layout/boxes.ts';
import { isAbove, isBefore } from '../../layout/relations.ts';
import { heightOf, widthOf } from '../edges.ts';
import type { LaidElement } from './textlayout.ts';
import type { Detected, LaidPage, MeasuredRule } from './rule.ts';

/** A box from where lines begin. */
function boxOf({ laid }: LaidPage, { box }: LaidElement): Box {
  const left = laid.rightToLeft ? laid.width - box.right : box.left;
  return { left, top: box.top, width: widthOf(box), height: heightOf(box) };
}

/**
 * What stands above another, or before it on its lines, is read before it too, by those who listen and with the keyboard
 * (https://www.w3.org/TR/WCAG22/#meaningful-sequence). It is advice, as whether the order has a meaning only a person can tell.
 */
export const readingAgainstSeeing: MeasuredRule = {
  name: 'reading order differs',
  clauses: { 'as it is': 'WCAG 2.2, 1.3.2' },
  severity: 'advice',
  find: (page) =>
    page.containers().flatMap(({ node: container }) => {
      const inside = page.within(container).filter(({ stays }) => !stays);
      const boxes = inside.map((each) => boxOf(page, each));
      return inside.flatMap(({ node }, index): Detected[] => {
        const later = boxes.findIndex(
          (box, other) => other > index && (isAbove(box, boxes[index]) || isBefore(box, boxes[index])),
        );
        if (later < 0) return [];
        return [
          {
            ...{ node, other: inside[later].node, amount: later - index },
            sentence: '{name} is read aloud before {other}, and seen after it, {widths}.',
            cure: 'If the order matters, move it in the page instead of in this view.',
          },
        ];
      });
    }),
};
