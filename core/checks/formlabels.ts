import { hasTrait, knownKind } from '../elements/kinds/table.ts';
import { contentOf } from '../elements/kinds/kind.ts';
import type { Rule } from './rule.ts';
import { textProblems } from './textproblems.ts';

/** Every field of a form says what it is for (https://www.w3.org/TR/WCAG22/#labels-or-instructions). */
export const formLabels: Rule = {
  name: 'field without a label',
  clause: 'WCAG 2.2, 3.3.2',
  severity: 'barrier',
  find: (input) =>
    textProblems(input, (node) => {
      if (!hasTrait(node, 'form')) return undefined;
      const fields = contentOf<{ label: string }[]>(knownKind(node.kind), node, 'fields');
      const count = fields.filter(({ label }) => label.trim() === '').length;
      if (count === 0) return undefined;
      return {
        sentence: `${node.name} has ${count === 1 ? 'a field' : `${count} fields`} without a label.`,
        cure: 'Add a label that says what to fill in.',
      };
    }),
};
