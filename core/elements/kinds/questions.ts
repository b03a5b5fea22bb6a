import { MessagesSquare } from 'lucide';
import { entries, inlineText, line } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { resolveLinks } from '../../markup/fragment.ts';
import { contentOf, type Kind } from './kind.ts';

interface Question {
  question: string;
  answer: string;
}

/** Questions that open to their answers, by themselves, without a script (HTML Standard, §4.11.1). */
export const questions: Kind = {
  name: 'questions',
  label: 'Questions and answers',
  icon: MessagesSquare,
  offered: 'lists',
  traits: ['block', 'box', 'backed', 'words', 'coloured', 'aligned', 'gapped'],
  accepts: [],
  display: 'grid',
  structure: { display: 'grid', margin: '0', 'grid-template-columns': 'minmax(0, 1fr)' },
  inner: {
    // As tall as a finger needs (WCAG 2.2, 2.5.8), and separated by a line in the colour of the words.
    details: { 'border-block-end': '1px solid color-mix(in srgb, currentColor 30%, transparent)' },
    summary: { cursor: 'pointer', 'padding-block': '0.625rem' },
    p: { margin: '0', 'padding-block-end': '1rem' },
    a: { color: 'inherit' },
  },
  defaults: { gap: 0 },
  parts: { heading: { label: 'Questions', selector: 'summary', defaults: { weight: 650 } } },
  textStyle: () => 'body',
  content: [
    {
      name: 'questions',
      selector: 'details',
      label: 'Questions',
      type: entries('question', [
        { name: 'question', label: 'Question', type: line, initial: 'New question', selector: 'summary' },
        { name: 'answer', label: 'Answer', type: inlineText, initial: 'Its answer', selector: 'p' },
      ]),
      initial: [],
      varies: 'whole',
    },
  ],
  markup: (node, { attributes, address, part }) =>
    element(
      'div',
      attributes,
      ...contentOf<Question[]>(questions, node, 'questions').map(({ question, answer }) =>
        element(
          'details',
          {},
          element('summary', part('heading'), question),
          ...(answer ? [element('p', {}, { html: resolveLinks(answer, address) })] : []),
        ),
      ),
    ),
};
