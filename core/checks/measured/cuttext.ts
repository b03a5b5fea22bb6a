import { sure } from '../../sure.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { commonAcross, commonDown, heightOf, pairs, distanceText, type Edges } from '../edges.ts';
import type { LaidLine } from './textlayout.ts';
import { AS_PRACTICE, type Detected, type LaidPage, type MeasuredRule } from './rule.ts';

/** By these, content must not be lost at widths from 320 px, at twice the text size, with the spacing that a reader asks for. */
const NOT_LOST: MeasuredRule['clauses'] = {
  'as it is': 'WCAG 2.2, 1.4.10',
  'twice as large': 'WCAG 2.2, 1.4.4',
  spaced: 'WCAG 2.2, 1.4.12',
};

/** px of a line, and the share of its height, that may be cut off without a letter being touched. */
const CUT_ACROSS = 1.5;
const CUT_DOWN = 0.25;

/** No words are cut off (https://www.w3.org/TR/WCAG22/#resize-text, https://www.w3.org/TR/WCAG22/#text-spacing). */
export const cutWords: MeasuredRule = {
  name: 'text cut off',
  clauses: NOT_LOST,
  severity: 'barrier',
  find: ({ laid }) =>
    laid.elements.flatMap(({ node, lines }): Detected[] => {
      const lost = Math.max(
        0,
        ...lines.map((line) => {
          const { cutAcross, cutDown } = line;
          return cutAcross > CUT_ACROSS || cutDown > CUT_DOWN * heightOf(line)
            ? Math.max(cutAcross, cutDown)
            : 0;
        }),
      );
      if (lost === 0) return [];
      return [
        {
          ...{ node, amount: lost },
          sentence: `Up to ${distanceText(lost)} of the text of {name} is cut off {widths}.`,
          cure: 'Give it more room there, or make its text smaller.',
        },
      ];
    }),
};

/** The share of the lower letters’ height from which on letters meet. */
const MEET = 0.15;

/** px */
const MEET_ACROSS = 2;

const lettersOf = (line: LaidLine): Edges => ({ ...line, ...line.letters });

type OwnedLine = LaidLine & { node: NodeId };

/** The lines of what moves with the page. */
function movingLines(page: LaidPage): OwnedLine[] {
  const { laid } = page;
  const fixed = new Set(laid.elements.filter(({ stays }) => stays).map(({ node }) => node));
  return laid.elements
    .filter(({ node }) => !fixed.has(node) && !page.around(node).some((id) => fixed.has(id)))
    .flatMap(({ node, lines }) => lines.map((line) => ({ ...line, node })));
}

/** No words lie over others. */
export const wordsOverWords: MeasuredRule = {
  name: 'text over text',
  clauses: NOT_LOST,
  severity: 'barrier',
  find(page) {
    const worst = new Map<NodeId, Detected>();
    for (const [one, other] of pairs(movingLines(page))) {
      if (one.node === other.node) continue;
      const [first, second] = [lettersOf(one), lettersOf(other)];
      const down = commonDown(first, second);
      if (commonAcross(one, other) <= MEET_ACROSS) continue;
      if (down <= MEET * Math.min(heightOf(first), heightOf(second))) continue;
      if ((worst.get(one.node)?.amount ?? 0) >= down) continue;
      worst.set(one.node, {
        ...{ node: one.node, other: other.node, amount: down },
        sentence: 'The text of {name} overlaps that of {other} {widths}.',
        cure: 'Give them places of their own there.',
      });
    }
    return [...worst.values()];
  },
};

/** px; nearer to an edge, words touch it (common practice: half a step of a spacing scale at least). */
const NEAR_WINDOW = 8;
const NEAR_EDGE = 4;

/** Words keep clear of the edges of the window, and of the ground that they stand on. */
export const wordsAtEdges: MeasuredRule = {
  name: 'text at an edge',
  clauses: AS_PRACTICE,
  severity: 'advice',
  find(page) {
    const { laid } = page;
    return laid.elements.flatMap(({ node, lines, painted }): Detected[] => {
      if (lines.length === 0) return [];
      const left = Math.min(...lines.map((line) => line.left));
      const right = Math.max(...lines.map((line) => line.right));
      // What stands out of the window, or is cut off, is told as that.
      if (left < 0 || right > laid.width || lines.some(({ cutAcross }) => cutAcross > 0)) return [];
      const window = Math.min(left, laid.width - right);
      if (window < NEAR_WINDOW)
        return [
          {
            ...{ node, amount: NEAR_WINDOW - window },
            sentence: `The text of {name} comes within ${Math.round(window)} px of the edge of the window {widths}.`,
            cure: 'Give it room at its sides there.',
          },
        ];
      const ground = [...(painted ? [node] : []), ...page.around(node)]
        .map((id) => page.laidOut(id))
        .find((each) => each?.painted);
      if (!ground || !page.node(ground.node).parent) return [];
      const edge = Math.min(
        sure(ground.painted, 'painted').left ? left - ground.box.left : Infinity,
        sure(ground.painted, 'painted').right ? ground.box.right - right : Infinity,
      );
      if (edge >= NEAR_EDGE || edge < -NEAR_EDGE) return [];
      return [
        {
          ...{ node, other: ground.node, amount: NEAR_EDGE - edge },
          sentence: `The text of {name} comes within ${Math.max(0, Math.round(edge))} px of the edge of {other} {widths}.`,
          cure: 'Give it room at its sides there.',
        },
      ];
    });
  },
};

/** Words of tables, hours and other lists are not broken in two; those of running text are looked at by `longWords`. */
export const brokenWords: MeasuredRule = {
  name: 'word broken in two',
  clauses: AS_PRACTICE,
  severity: 'advice',
  find: ({ laid }) =>
    laid.elements.flatMap(({ node, broken = [] }): Detected[] =>
      broken.length === 0
        ? []
        : [
            {
              ...{ node, amount: broken.length },
              sentence: `“${broken[0]}” in {name} is broken in two {widths}.`,
              cure: 'Give it more width there, or make its text smaller.',
            },
          ],
    ),
};
