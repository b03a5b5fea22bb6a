import { keysOf } from '../lookup.ts';
import { knownKind } from '../elements/kinds/table.ts';
import { SYSTEM_MESSAGES, wordIn, type MessagePlace } from '../elements/content/systemmessages.ts';
import { headOf } from '../site/site.ts';
import type { Rule } from './rule.ts';
import { textProblems } from './textproblems.ts';

/** What visitors are told by itself is in the language of the page (https://www.w3.org/TR/WCAG22/#language-of-parts). */
export const otherLanguage: Rule = {
  name: 'system message in another language',
  clause: 'WCAG 2.2, 3.1.2',
  severity: 'barrier',
  find(input) {
    const { site, page } = input;
    const lang = headOf(site, page.id).lang ?? site.lang;
    const lacking = (where: MessagePlace) =>
      keysOf(SYSTEM_MESSAGES).filter(
        (id) => SYSTEM_MESSAGES[id].where === where && wordIn(lang, id, site.words) === undefined,
      ).length;
    const problemWith = (where: MessagePlace, what: string) => {
      const count = lacking(where);
      if (count === 0) return undefined;
      return {
        sentence: `${what}: ${count === 1 ? 'a sentence' : `${count} sentences`} in a language that is not the page’s.`,
        cure: 'Write them on the Pages screen, under System messages.',
      };
    };
    return textProblems(input, (node) => {
      if (knownKind(node.kind).sentToHost?.(node))
        return problemWith('letters', `${node.name} tells visitors what is wrong with their input`);
      if (node.id === page.root && node.audience)
        return problemWith('signing in', 'Visitors who cannot see the page are told so, and how to sign in');
      return undefined;
    });
  },
};
