import { hasTrait } from '../elements/kinds/table.ts';
import { ACTIONS, type Action } from '../elements/kinds/strip.ts';
import { textIn } from '../values/textbyview.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { textProblems } from './textproblems.ts';

/** A strip has as many actions as a thumb can tell apart at the narrowest, and more than one. */
export const actionCount: Rule = {
  name: 'too many actions in a contact bar',
  clause: PRACTICE,
  severity: 'advice',
  find: (input) =>
    textProblems(input, (node, view) => {
      if (!hasTrait(node, 'strip')) return undefined;
      const { length } = textIn<Action[]>(node, input.site.views, 'actions', view);
      const { fewest, most } = ACTIONS;
      if (length === 0 || (length >= fewest && length <= most)) return undefined;
      return length < fewest
        ? {
            sentence: `${node.name} has one action alone{views}.`,
            cure: 'Add another, or put a button into the page instead.',
          }
        : {
            sentence: `${node.name} has ${length} actions{views}; there is room for ${most}.`,
            cure: 'Keep those that visitors need at once.',
          };
    }),
};
