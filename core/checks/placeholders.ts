import { beginningOf, plainText } from '../markup/fragment.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { Node } from '../site/node.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { sectionOf } from '../site/tree.ts';
import { placeholderIn } from '../starts/placeholders.ts';
import { PRACTICE, SAMPLE_TEXT, type Rule } from './rule.ts';
import { NARROWEST, WIDEST } from './widths.ts';

/** Sample texts of ready-made parts are replaced before a page is published. */
export const placeholders: Rule = {
  name: SAMPLE_TEXT,
  clause: PRACTICE,
  severity: 'advice',
  find({ site, page }) {
    const bySection = new Map<NodeId, { node: Node; says: string }[]>();
    for (const node of sourceOrder(page)) {
      const says = placeholderIn(site.name, node);
      if (says === undefined) continue;
      const section = sectionOf(page, node.id) ?? node.id;
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
