import type { LabelledLink } from '../elements/content/contenttypes.ts';
import { hasTrait, knownKind } from '../elements/kinds/table.ts';
import type { ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import { entriesIn } from '../values/menus.ts';
import { textIn } from '../values/textbyview.ts';
import type { CheckInput, Rule } from './rule.ts';
import { textProblems } from './textproblems.ts';

/** How many links of an element have no words in a view. */
function nameless({ site }: CheckInput, node: Node, view: ViewId): number {
  const without = (list: readonly { label: string }[]) =>
    list.filter(({ label }) => label.trim() === '').length;
  const said = <T>(field: string) => textIn<T>(node, site.views, field, view);
  if (hasTrait(node, 'menu')) return without(entriesIn(site, node, view));
  const { linkText } = knownKind(node.kind);
  if (linkText === undefined) return 0;
  const text = said<string | LabelledLink[]>(linkText);
  return without(typeof text === 'string' ? [{ label: text }] : text);
}

/** A link says where it leads (https://www.w3.org/TR/WCAG22/#link-purpose-in-context). */
export const linkNames: Rule = {
  name: 'link without text',
  clause: 'WCAG 2.2, 2.4.4',
  severity: 'barrier',
  find: (input) =>
    textProblems(input, (node, view) => {
      const count = nameless(input, node, view);
      if (count === 0) return undefined;
      return {
        sentence: `${node.name} has ${count === 1 ? 'a link' : `${count} links`} without text{views}.`,
        cure: 'Add text that says where it leads.',
      };
    }),
};
