import { beginningOf, plainText } from '../markup/fragment.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { Node } from '../site/node.ts';
import type { Page } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { placeholderIn } from '../starts/placeholders.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { NARROWEST, WIDEST } from './widths.ts';

/** The section that an element is, or stands in. */
function sectionOf(page: Page, node: Node): NodeId {
  let at = node;
  while (at.parent !== null && at.parent !== page.root) at = page.nodes[at.parent];
  return at.id;
}

/** Sample texts of ready-made parts are replaced before a page is published. */
export const placeholders: Rule = {
  name: 'sample text',
  clause: PRACTICE,
  severity: 'advice',
  find({ site, page }) {
    const bySection = new Map<NodeId, { node: Node; says: string }[]>();
    for (const node of sourceOrder(page)) {
      const says = placeholderIn(site.name, node);
      if (says === undefined) continue;
      const section = sectionOf(page, node);
      bySection.set(section, [...(bySection.get(section) ?? []), { node, says }]);
    }
    return [...bySection].map(([section, [first, ...more]]) => {
      const quote = beginningOf(plainText(first.says));
      const quoted = quote === '' || quote === first.node.name ? '' : ` “${quote}”`;
      const others =
        more.length === 0
          ? ''
          : `, as ${more.length === 1 ? 'has 1 more block' : `have ${more.length} more blocks`} of ${page.nodes[section].name}`;
      return {
        of: { node: more.length === 0 ? first.node.id : section },
        widths: [{ from: NARROWEST, to: WIDEST }],
        sentence: `${first.node.name} still has its sample text${quoted}${others}.`,
        cure: 'Write your own text, or delete what is not needed.',
      };
    });
  },
};
