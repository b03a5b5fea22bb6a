import { TableProperties } from 'lucide';
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
  icon: TableProperties,
  offered: 'lists',
  traits: ['block', 'box', 'backed', 'words', 'coloured', 'gapped'],
  accepts: [],
  display: 'grid',
  structure: { display: 'grid', margin: '0', padding: '0', 'list-style': 'none' },
  inner: {
    li: {
      display: 'grid',
      'grid-template-columns': 'minmax(0, 1fr) auto',
      'column-gap': '1rem',
      'align-items': 'baseline',
    },
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
      selector: 'li',
      label: 'Prices',
      type: entries('price', [
        { name: 'name', label: 'Name', type: line, initial: 'New price', selector: 'b' },
        { name: 'price', label: 'Price', type: line, initial: '', selector: 'span' },
        { name: 'note', label: 'Note', type: line, initial: '', selector: 'small' },
      ]),
      initial: [],
      varies: 'whole',
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
