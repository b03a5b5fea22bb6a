import { inlineText, line, link, links, oneOf, richText, type MenuEntry } from '../contenttypes.ts';
import { resolveLinks } from '../fragment.ts';
import { element } from '../markup.ts';
import { contentOf, type Kind } from './kind.ts';

export const heading: Kind = {
  name: 'heading',
  label: 'Heading',
  accepts: [],
  display: 'block',
  structure: {
    display: 'block',
    margin: '0',
    // A browser gives headings a size and weight of their own; ours come from the text style or from above.
    'font-size': 'inherit',
    'font-weight': 'inherit',
    'overflow-wrap': 'break-word',
  },
  inner: { a: { color: 'inherit' } },
  defaults: { wrapping: 'balance' },
  words: 'text',
  textStyle: (node) => `heading-${contentOf<number>(heading, node, 'level')}`,
  content: [
    { name: 'text', label: 'Words', type: inlineText, initial: '' },
    {
      name: 'level',
      label: 'Level',
      type: oneOf([1, 2, 3, 4, 5, 6].map((level) => ({ value: level, label: `Heading ${level}` }))),
      initial: 2,
    },
  ],
  markup: (node, { attributes, address, headingLevel }) =>
    element(`h${headingLevel}`, attributes, {
      html: resolveLinks(contentOf<string>(heading, node, 'text'), address),
    }),
};

export const text: Kind = {
  name: 'text',
  label: 'Text',
  accepts: [],
  display: 'block',
  structure: { display: 'block', 'overflow-wrap': 'break-word' },
  inner: {
    ':is(p, ul, ol)': { margin: '0' },
    '* + *': { 'margin-block-start': '0.6em' },
    'li + li': { 'margin-block-start': '0.25em' },
    ':is(strong, em, a, br)': { margin: '0' },
    ':is(ul, ol)': { 'padding-inline-start': '1.4em' },
    a: { color: 'inherit' },
  },
  defaults: {},
  words: 'text',
  textStyle: () => 'body',
  content: [{ name: 'text', label: 'Words', type: richText, initial: '' }],
  markup: (node, { attributes, address }) =>
    element('div', attributes, { html: resolveLinks(contentOf<string>(text, node, 'text'), address) }),
};

export const button: Kind = {
  name: 'button',
  label: 'Button',
  accepts: [],
  display: 'block',
  structure: { display: 'block', 'text-decoration': 'none' },
  defaults: {
    align: 'center',
    colour: 'white',
    backgroundColour: 'black',
    blockAlign: 'start',
    radius: 6,
    paddingTop: 12,
    paddingBottom: 12,
    paddingLeft: 24,
    paddingRight: 24,
  },
  words: 'label',
  textStyle: () => 'button',
  content: [
    { name: 'label', label: 'Label', type: line, initial: 'Button' },
    { name: 'link', label: 'Leads to', type: link, initial: '' },
  ],
  markup: (node, { attributes, address }) =>
    element(
      'a',
      { ...attributes, href: address(contentOf<string>(button, node, 'link')) },
      contentOf<string>(button, node, 'label'),
    ),
};

export const picture: Kind = {
  name: 'picture',
  label: 'Picture',
  accepts: [],
  display: 'block',
  structure: { display: 'block' },
  inner: { img: { display: 'block', width: '100%', height: 'auto', 'object-fit': 'cover' } },
  defaults: {},
  required: ['source'],
  content: [{ name: 'alt', label: 'Text alternative', type: line, initial: '' }],
  markup: (node, { attributes, picture: shown }) => {
    if (!shown) return element('div', attributes);
    return element(
      'picture',
      attributes,
      ...shown.sources.map(({ media, url, width, height }) =>
        element('source', { media, srcset: url, width, height }),
      ),
      element('img', {
        src: shown.base.url,
        alt: contentOf<string>(picture, node, 'alt'),
        width: shown.base.width,
        height: shown.base.height,
        loading: shown.lazy ? 'lazy' : undefined,
        decoding: shown.lazy ? 'async' : undefined,
      }),
    );
  },
};

export const navigation: Kind = {
  name: 'navigation',
  label: 'Navigation',
  accepts: [],
  display: 'block',
  structure: { display: 'block' },
  inner: {
    ul: {
      display: 'flex',
      'flex-wrap': 'wrap',
      gap: 'inherit',
      margin: '0',
      padding: '0',
      'list-style': 'none',
    },
    a: { color: 'inherit', 'text-decoration': 'none', display: 'block', 'padding-block': '0.25rem' },
    'a:hover': { 'text-decoration': 'underline' },
  },
  defaults: { gap: 24 },
  textStyle: () => 'small',
  content: [
    { name: 'label', label: 'Name', type: line, initial: 'Pages' },
    { name: 'links', label: 'Links', type: links, initial: [] },
  ],
  markup: (node, { attributes, address }) =>
    element(
      'nav',
      { ...attributes, 'aria-label': contentOf<string>(navigation, node, 'label') },
      element(
        'ul',
        {},
        ...contentOf<MenuEntry[]>(navigation, node, 'links').map((entry) =>
          element('li', {}, element('a', { href: address(entry.link) }, entry.label)),
        ),
      ),
    ),
};
