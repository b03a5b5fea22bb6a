import { Heading } from 'lucide';
import { inlineText, oneOf } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';
import { links } from './linkpart.ts';

export const heading: Kind = {
  name: 'heading',
  label: 'Heading',
  icon: Heading,
  offered: 'text',
  traits: ['heading', 'block', 'box', 'backed', 'words', 'coloured', 'aligned', 'prose'],
  accepts: [],
  display: 'block',
  structure: {
    display: 'block',
    margin: '0',
    // A browser gives headings a size and weight of their own; ours come from the text style or from above.
    'font-size': 'inherit',
    'font-weight': 'inherit',
  },
  inner: { a: { color: 'inherit' } },
  defaults: { wrapping: 'balance' },
  parts: { link: links },
  words: 'text',
  level: (node) => contentOf<number>(heading, node, 'level'),
  destination: true,
  textStyle: ({ content }) => `heading-${contentOf<number>(heading, { content }, 'level')}`,
  content: [
    { name: 'text', label: 'Text', type: inlineText, initial: '', varies: 'within' },
    {
      name: 'level',
      label: 'Level',
      type: oneOf([1, 2, 3, 4, 5, 6].map((level) => ({ value: level, label: `Heading ${level}` }))),
      initial: 2,
    },
  ],
  seed: () => ({ content: { text: 'New heading' } }),
  markup: (_node, { attributes, words, headingLevel }) =>
    element(`h${headingLevel}`, attributes, ...words('text')),
};
