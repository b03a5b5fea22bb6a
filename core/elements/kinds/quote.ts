import { Quote } from 'lucide';
import { inlineText, line } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';

export const quote: Kind = {
  name: 'quote',
  label: 'Quote',
  icon: Quote,
  offered: 'text',
  traits: ['block', 'box', 'backed', 'words', 'coloured', 'aligned', 'prose', 'gapped'],
  accepts: [],
  display: 'grid',
  structure: { display: 'grid', margin: '0' },
  inner: { blockquote: { margin: '0' } },
  defaults: { gap: 12, paddingLeft: 24, borderLeft: 4 },
  parts: { caption: { label: 'Author', selector: 'figcaption', textStyle: 'meta' } },
  words: 'text',
  wordsIn: 'blockquote',
  textStyle: () => 'quote',
  content: [
    { name: 'text', label: 'Text', type: inlineText, initial: '', varies: 'within' },
    { name: 'by', label: 'Author', type: line, initial: '', varies: 'whole', selector: 'figcaption' },
  ],
  seed: () => ({ content: { text: 'New quote' } }),
  markup: (node, { attributes, words, part }) => {
    const by = contentOf<string>(quote, node, 'by');
    return element(
      'figure',
      attributes,
      element('blockquote', {}, ...words('text')),
      ...(by ? [element('figcaption', part('caption'), by)] : []),
    );
  },
};
