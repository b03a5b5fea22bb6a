import { callOf } from '../edits/perform.ts';
import { contentOf } from '../elements/kinds/kind.ts';
import { knownKind } from '../elements/kinds/table.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { hiddenBy } from '../values/visibility.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { amissIn } from './saying.ts';

/** Headings go down by one level at a time, among those that a view shows. */
export const headingOrder: Rule = {
  name: 'heading level left out',
  clause: PRACTICE,
  severity: 'advice',
  find(looked) {
    const { site, page } = looked;
    const headings = sourceOrder(page).filter(({ kind }) => kind === 'heading');
    const levelOf = (id: (typeof headings)[number]) => contentOf<number>(knownKind('heading'), id, 'level');
    return amissIn(looked, (node, view) => {
      if (node.kind !== 'heading') return undefined;
      const shown = headings.filter((each) => hiddenBy(site, page, each, view) === undefined);
      const at = shown.findIndex(({ id }) => id === node.id);
      // A page has a heading of the first level in any case.
      const before = at === 0 ? 1 : levelOf(shown[at - 1]);
      const level = levelOf(node);
      if (level <= before + 1) return undefined;
      return {
        sentence: `${node.name} is a heading of level ${level} right after one of level ${before}{views}.`,
        cure: `Make it a heading of level ${before + 1}; its looks can stay.`,
        fixes: [
          {
            label: `Make it level ${before + 1}`,
            call: callOf('setContent', { node: node.id, field: 'level', value: before + 1 }),
          },
        ],
      };
    });
  },
};
