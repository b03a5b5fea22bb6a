/**
 * Reports words in texts that people see which have a plainer one: what it is called in the trade, or what a technical writer would say.
 * Each comes with what to write instead. Names in the program, which have no space in them, are left alone.
 */
import { ESLintUtils } from '@typescript-eslint/utils';

/** What not to write, and what to write instead. */
const WORDS = [
  ['amiss', 'problem, “No problems found”'],
  ['put away', 'archive, archived'],
  ['(?:set|setting) aside', 'dismiss (a finding), not applied (an edit)'],
  ['(?:take|takes|taken|taking) back', 'undo, undone'],
  ['made again', 'redone'],
  ['(?:have|has|had) back', 'restore'],
  ['(?:bring|brings|brought|bringing) (?:it |them )?in', 'import'],
  ['looked? over', 'check'],
  ['looking up', 'loading'],
  ['stands? in the way', '“must be fixed before publishing”'],
  ['keeps? (?:somebody|anybody) out', 'problem, barrier'],
  ['is no (?:CSS colour|distance|site file|overlay|number)', '“isn’t a valid …”, with an example'],
  ['(?<!e)mail address', 'email address'],
  ['contact strip', 'contact bar'],
  ['way back up', 'back-to-top button'],
  ['opening screen', 'splash screen'],
  ['any more', 'no longer'],
  ['carr(?:y|ied) over', 'copy'],
  ['who said it', 'author'],
  ['those who hear', 'screen readers'],
  ['films?', 'video'],
  ['pictures?', 'image'],
].map(([pattern, instead]) => ({
  pattern: new RegExp(`(?<![\\w<./-])(?:${pattern})(?![\\w>(=-])`, 'iu'),
  instead,
}));

export const plainWords = ESLintUtils.RuleCreator.withoutDocs({
  meta: {
    type: 'suggestion',
    messages: { plainer: 'People see this text: instead of “{{word}}” write {{instead}}.' },
    schema: [],
  },
  defaultOptions: [],
  create(context) {
    const look = (node, text) => {
      // What people may type to find a thing is in their words.
      if (node.parent.type === 'Property' && node.parent.key.name === 'terms') return;
      if (!/\p{L} \p{L}/u.test(text) && node.type !== 'JSXText') return;
      for (const { pattern, instead } of WORDS) {
        const [word] = pattern.exec(text) ?? [];
        if (word !== undefined) context.report({ node, messageId: 'plainer', data: { word, instead } });
      }
    };
    return {
      Literal(node) {
        if (typeof node.value === 'string') look(node, node.value);
      },
      TemplateElement: (node) => look(node, node.value.cooked ?? ''),
      JSXText: (node) => look(node, node.value),
    };
  },
});
