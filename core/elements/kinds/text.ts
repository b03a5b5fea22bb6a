import { Pilcrow } from 'lucide';
import { richText } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { type Kind } from './kind.ts';
import { links } from './linkpart.ts';

export const text: Kind = {
  name: 'text',
  label: 'Text',
  icon: Pilcrow,
  offered: 'text',
  traits: ['running', 'block', 'box', 'backed', 'words', 'coloured', 'aligned', 'prose', 'flowing'],
  accepts: [],
  display: 'block',
  structure: { display: 'block' },
  inner: {
    ':is(p, ul, ol, blockquote, h2, h3, h4)': { margin: '0' },
    '* + *': { 'margin-block-start': '0.6em' },
    'li + li': { 'margin-block-start': '0.25em' },
    ':is(strong, em, a, br)': { margin: '0' },
    ':is(h2, h3, h4)': { 'font-size': 'inherit', 'font-weight': 'inherit' },
    a: { color: 'inherit' },
  },
  defaults: {},
  parts: {
    heading: {
      label: 'Headings in it',
      selector: ':is(h2, h3, h4)',
      defaults: { weight: 700, size: 22, lineHeight: 1.25 },
    },
    link: links,
    list: { label: 'Lists', selector: ':is(ul, ol)', defaults: { paddingLeft: 24 } },
    quote: {
      label: 'Quotes',
      selector: 'blockquote',
      defaults: { slant: 'italic', paddingLeft: 20, borderLeft: 3 },
    },
  },
  words: 'text',
  textStyle: () => 'body',
  content: [{ name: 'text', label: 'Text', type: richText, initial: '', varies: 'within' }],
  seed: () => ({ content: { text: '<p>New text</p>' } }),
  markup: (_node, { attributes, words }) => element('div', attributes, ...words('text')),
};
