import { sure } from '../sure.ts';
import { knownKind } from '../elements/kinds/table.ts';
import type { ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { hiddenBy } from '../values/visibility.ts';
import { PRACTICE, type CheckInput, type Rule } from './rule.ts';
import { textProblems } from './textproblems.ts';
import { lookup } from '../lookup.ts';

const SAID: Record<string, string> = {
  header: 'header',
  footer: 'footer',
  nav: 'navigation',
  aside: 'complementary content',
  search: 'search',
  region: 'region',
};

/** Of these a page has one (WAI-ARIA 1.2, banner and contentinfo). */
const ONE = new Set(['header', 'footer']);

/** The landmark that an element is for those who hear the page, and its name; undefined where it is none. */
function landmark(node: Node): { role: string; label: string } | undefined {
  const own = knownKind(node.kind).landmark?.(node);
  return own && Object.hasOwn(SAID, own.role) ? own : undefined;
}

/** The first element before one that is the same landmark, by the same name, in a view. */
function likeBefore({ site, page }: CheckInput, node: Node, view: ViewId): Node | undefined {
  const own = landmark(node);
  if (!own) return undefined;
  for (const other of sourceOrder(page)) {
    if (other.id === node.id) return undefined;
    const its = landmark(other);
    if (its?.role !== own.role || hiddenBy(site, page, other, view) !== undefined) continue;
    if (ONE.has(own.role) || its.label.toLowerCase() === own.label.toLowerCase()) return other;
  }
  return undefined;
}

/** Those who hear a page can tell its landmarks apart (ARIA11, https://www.w3.org/WAI/WCAG22/Techniques/aria/ARIA11). */
export const landmarks: Rule = {
  name: 'landmarks with the same name',
  clause: PRACTICE,
  severity: 'advice',
  find: (input) =>
    textProblems(input, (node, view) => {
      const other = likeBefore(input, node, view);
      if (!other) return undefined;
      const { role, label } = sure(landmark(node));
      if (ONE.has(role))
        return {
          sentence: `${node.name} and ${other.name} are both marked as ${lookup(SAID, role)}{views}.`,
          cure: 'Set the landmark of one of them to “section”.',
        };
      const named = label === '' ? 'has no name' : `is called “${label}” like ${other.name}`;
      return {
        sentence: `${node.name} is marked as ${lookup(SAID, role)} and ${named}{views}.`,
        cure: 'Give it a name of its own for screen readers.',
      };
    }),
};
