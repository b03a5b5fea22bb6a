import { hasTrait } from '../elements/kinds/table.ts';
import { homePageOf } from '../site/site.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { textProblems } from './textproblems.ts';

/** An splash screen comes whenever its page is opened: on pages that visitors come back to, it is in their way. */
export const repeatedSplash: Rule = {
  name: 'splash screen within the site',
  clause: PRACTICE,
  severity: 'advice',
  find: (input) =>
    homePageOf(input.site).id === input.page.id
      ? []
      : textProblems(input, (node) =>
          hasTrait(node, 'screen')
            ? {
                sentence: `${node.name} comes each time that this page is opened{views}.`,
                cure: 'Use it on the home page only.',
              }
            : undefined,
        ),
};
