import { inlineText, line, link, oneOf, richText, entries } from '../content/contenttypes.ts';
import { resolveLinks } from '../../markup/fragment.ts';

import { element } from '../../markup/markup.ts';
import { contentOf, type Kind, type KindPart } from './kind.ts';

export const links: KindPart = { label: 'Links', selector: 'a', defaults: { decoration: 'underline' } };

export const heading: Kind = {
  name: 'heading',
  label: 'Heading',
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
  textStyle: (node) => `heading-${contentOf<number>(heading, node, 'level')}`,
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

export const text: Kind = {
  name: 'text',
  label: 'Text',
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

export const button: Kind = {
  name: 'button',
  label: 'Button',
  traits: ['action', 'block', 'box', 'backed', 'words', 'coloured', 'aligned', 'prose'],
  accepts: [],
  display: 'block',
  structure: { display: 'block', 'text-decoration': 'none' },
  defaults: {
    align: 'center',
    colour: 'white',
    backgroundColour: 'black',
    blockAlign: 'start',
    heldAcross: 'start',
    radius: 6,
    paddingTop: 12,
    paddingBottom: 12,
    paddingLeft: 24,
    paddingRight: 24,
  },
  words: 'label',
  textStyle: () => 'button',
  content: [
    { name: 'label', label: 'Label', type: line, initial: 'Button', varies: 'within' },
    { name: 'link', label: 'Leads to', type: link, initial: '', varies: 'whole' },
  ],
  markup: (node, { attributes, address, words }) =>
    element(
      'a',
      { ...attributes, href: address(contentOf<string>(button, node, 'link')) },
      ...words('label'),
    ),
};

export const list: Kind = {
  name: 'list',
  label: 'List',
  traits: [
    'block',
    'box',
    'backed',
    'words',
    'coloured',
    'aligned',
    'prose',
    'flowing',
    'gapped',
    'marked list',
  ],
  accepts: [],
  display: 'block',
  gap: '--gap',
  // Not a grid: that would not flow into columns. Where a column begins, the margin is cut off (CSS Fragmentation 3, §5.2).
  structure: { display: 'block', margin: '0', gap: 'var(--gap)' },
  inner: { a: { color: 'inherit' }, 'li + li': { 'margin-block-start': 'var(--gap)' } },
  defaults: { paddingLeft: 24, gap: 8 },
  parts: { link: links },
  textStyle: () => 'body',
  content: [
    {
      name: 'items',
      label: 'Items',
      type: entries('item', [{ name: 'text', label: 'Text', type: inlineText, initial: 'New item' }]),
      initial: [],
      varies: 'whole',
    },
    {
      name: 'sequence',
      label: 'Meaning',
      type: oneOf([
        { value: 'any', label: 'items in any order' },
        { value: 'steps', label: 'steps in order' },
      ]),
      initial: 'any',
    },
  ],
  markup: (node, { attributes, address }) =>
    element(
      contentOf<string>(list, node, 'sequence') === 'steps' ? 'ol' : 'ul',
      attributes,
      ...contentOf<{ text: string }[]>(list, node, 'items').map(({ text: words }) =>
        element('li', {}, { html: resolveLinks(words, address) }),
      ),
    ),
};

export const quote: Kind = {
  name: 'quote',
  label: 'Quote',
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
    { name: 'by', label: 'Author', type: line, initial: '', varies: 'whole' },
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
