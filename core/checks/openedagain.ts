import { homePageOf } from '../site/site.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { amissIn } from './saying.ts';

/** An opening screen comes whenever its page is opened: on pages that visitors come back to, it is in their way. */
export const openedAgain: Rule = {
  name: 'splash screen within the site',
  clause: PRACTICE,
  severity: 'advice',
  find: (looked) =>
    homePageOf(looked.site).id === looked.page.id
      ? []
      : amissIn(looked, (node) =>
          node.kind === 'openingscreen'
            ? {
                sentence: `${node.name} comes each time that this page is opened{views}.`,
                cure: 'Use it on the home page only.',
              }
            : undefined,
        ),
};
