import { knownIn } from '../sure.ts';
import { hasTrait, knownKind } from '../elements/kinds/table.ts';
import { callOf } from '../edits/perform.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { hiddenBy } from '../values/visibility.ts';
import { PRACTICE, type CheckInput, type Rule } from './rule.ts';
import { textProblems } from './textproblems.ts';

const levelOf = (heading: Node): number => knownKind(heading.kind).level?.(heading) ?? 1;

/** The headings that a view shows, in source order. */
const shownHeadings = ({ site, page }: CheckInput, view: ViewId): Node[] =>
  sourceOrder(page).filter(
    (node) => hasTrait(node, 'heading') && hiddenBy(site, page, node, view) === undefined,
  );

/** The level of the heading before each one that a view shows; of the first it is 1, as a page has a heading of that level in any case. */
function levelsBefore(headings: readonly Node[]): Map<NodeId, number> {
  const levels = headings.map(levelOf);
  return new Map(headings.map(({ id }, index) => [id, index === 0 ? 1 : levels[index - 1]]));
}

/** Headings go down by one level at a time, among those that a view shows. */
export const headingOrder: Rule = {
  name: 'skipped heading level',
  clause: PRACTICE,
  severity: 'advice',
  find(input) {
    const before = new Map(
      input.site.views.list.map(({ id }) => [id, levelsBefore(shownHeadings(input, id))]),
    );
    return textProblems(input, (node, view) => {
      if (!hasTrait(node, 'heading')) return undefined;
      const last = knownIn(knownIn(before, view), node.id);
      const level = levelOf(node);
      if (level <= last + 1) return undefined;
      return {
        sentence: `${node.name} is a heading of level ${level} right after one of level ${last}{views}.`,
        cure: `Make it a heading of level ${last + 1}; its looks can stay.`,
        fixes: [
          {
            label: `Make it level ${last + 1}`,
            call: callOf('setContent', { node: node.id, field: 'level', value: last + 1 }),
          },
        ],
      };
    });
  },
};

/** Every view shows a heading of the first level: people who cannot see a page look for it to learn what the page is about. */
export const firstHeading: Rule = {
  name: 'no level-1 heading',
  clause: PRACTICE,
  severity: 'advice',
  find: (input) =>
    textProblems(input, (node, view) => {
      if (node.id !== input.page.root) return undefined;
      if (shownHeadings(input, view).some((heading) => levelOf(heading) === 1)) return undefined;
      return {
        sentence: `${node.name} shows no level-1 heading{views}.`,
        cure: 'Show one there, or make the first heading level 1. Until then visitors get the page’s title in its place, which only screen readers read.',
      };
    }),
};
