import { List } from 'lucide';
import { inlineText, oneOf, entries } from '../content/contenttypes.ts';
import { resolveLinks } from '../../markup/fragment.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';
import { links } from './linkpart.ts';

export const list: Kind = {
  name: 'list',
  label: 'List',
  icon: List,
  offered: 'text',
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
      selector: 'li',
      label: 'Items',
      type: entries('item', [
        { name: 'text', label: 'Text', type: inlineText, initial: 'New item', selector: ':scope' },
      ]),
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
