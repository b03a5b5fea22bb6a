import { entries, line } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';

interface Price {
  name: string;
  note: string;
  price: string;
}

export const priceList: Kind = {
  name: 'prices',
  label: 'Price list',
  traits: ['block', 'box', 'backed', 'words', 'coloured', 'gapped'],
  accepts: [],
  display: 'grid',
  structure: { display: 'grid', margin: '0', padding: '0', 'list-style': 'none' },
  inner: {
    li: { display: 'grid', 'grid-template-columns': 'minmax(0, 1fr) auto', 'column-gap': '1rem' },
    small: { 'grid-column': '1', 'font-size': 'inherit' },
  },
  defaults: { gap: 12 },
  parts: {
    heading: { label: 'Names', selector: 'b', defaults: { weight: 650 } },
    meta: { label: 'Notes', selector: 'small', textStyle: 'meta' },
  },
  textStyle: () => 'body',
  content: [
    {
      name: 'prices',
      label: 'Prices',
      type: entries('price', [
        { name: 'name', label: 'Name', type: line, initial: 'New price' },
        { name: 'price', label: 'Price', type: line, initial: '' },
        { name: 'note', label: 'Note', type: line, initial: '' },
      ]),
      initial: [],
    },
  ],
  markup: (node, { attributes, part }) =>
    element(
      'ul',
      attributes,
      ...contentOf<Price[]>(priceList, node, 'prices').map(({ name, note, price }) =>
        element(
          'li',
          {},
          element('b', part('heading'), name),
          element('span', {}, price),
          ...(note ? [element('small', part('meta'), note)] : []),
        ),
      ),
    ),
};

interface Hours {
  day: string;
  hours: string;
}

export const openingHours: Kind = {
  name: 'hours',
  label: 'Opening hours',
  traits: ['block', 'box', 'backed', 'words', 'coloured', 'aligned'],
  accepts: [],
  display: 'block',
  structure: { display: 'block' },
  inner: {
    table: { width: '100%', 'border-collapse': 'collapse' },
    caption: { 'text-align': 'inherit', 'padding-block-end': '0.5rem' },
    th: {
      'text-align': 'inherit',
      'font-weight': 'inherit',
      'padding-block': '0.375rem',
      'padding-inline': '0 1rem',
      'min-width': '6em',
      'vertical-align': 'top',
    },
    td: { padding: '0.375rem 0', 'vertical-align': 'top' },
  },
  defaults: {},
  parts: {
    caption: { label: 'Caption', selector: 'caption', textStyle: 'caption' },
    label: { label: 'Days', selector: 'th', textStyle: 'label' },
  },
  textStyle: () => 'body',
  content: [
    { name: 'caption', label: 'Caption', type: line, initial: 'Opening hours' },
    {
      name: 'hours',
      label: 'Hours',
      type: entries('line', [
        { name: 'day', label: 'Day', type: line, initial: 'New day' },
        { name: 'hours', label: 'Hours', type: line, initial: '' },
      ]),
      initial: [],
    },
  ],
  markup: (node, { attributes, part }) =>
    element(
      'div',
      attributes,
      element(
        'table',
        {},
        element('caption', part('caption'), contentOf<string>(openingHours, node, 'caption')),
        element(
          'tbody',
          {},
          ...contentOf<Hours[]>(openingHours, node, 'hours').map(({ day, hours }) =>
            element(
              'tr',
              {},
              element('th', { scope: 'row', ...part('label') }, day),
              element('td', {}, hours),
            ),
          ),
        ),
      ),
    ),
};
