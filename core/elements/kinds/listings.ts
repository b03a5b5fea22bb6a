import { entries, line } from '../content/contenttypes.ts';
import { element, type Markup } from '../../markup/markup.ts';
import { contentOf, type Kind, type MarkupContext } from './kind.ts';

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
      label: 'Prices',
      type: entries('price', [
        { name: 'name', label: 'Name', type: line, initial: 'New price' },
        { name: 'price', label: 'Price', type: line, initial: '' },
        { name: 'note', label: 'Note', type: line, initial: '' },
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

interface Hours {
  day: string;
  hours: string;
}

/** What a table of lines is laid out with: what each begins with, then the rest. */
const TABLE = {
  table: { width: '100%', 'border-collapse': 'collapse' },
  caption: { 'text-align': 'inherit', 'padding-block-end': '0.5rem' },
  th: {
    'text-align': 'inherit',
    'font-weight': 'inherit',
    'padding-block': '0.375rem',
    'padding-inline': '0 1rem',
    'min-width': '6em',
    'vertical-align': 'baseline',
  },
  td: { padding: '0.375rem 0', 'vertical-align': 'baseline' },
};

/** A table with a caption; each line begins with what names it, and the rest is what is said of that. */
const lineTable = (
  caption: string,
  lines: readonly (readonly [head: string, ...rest: Markup['children']])[],
  { attributes, part }: MarkupContext,
): Markup =>
  element(
    'div',
    attributes,
    element(
      'table',
      {},
      element('caption', part('caption'), caption),
      element(
        'tbody',
        {},
        ...lines.map(([head, ...rest]) =>
          element(
            'tr',
            {},
            element('th', { scope: 'row', ...part('label') }, head),
            element('td', {}, ...rest),
          ),
        ),
      ),
    ),
  );

export const openingHours: Kind = {
  name: 'hours',
  label: 'Opening hours',
  traits: ['block', 'box', 'backed', 'words', 'coloured', 'aligned'],
  accepts: [],
  display: 'block',
  structure: { display: 'block' },
  inner: TABLE,
  defaults: {},
  parts: {
    caption: { label: 'Caption', selector: 'caption', textStyle: 'caption' },
    label: { label: 'Days', selector: 'th', textStyle: 'label' },
  },
  textStyle: () => 'body',
  content: [
    { name: 'caption', label: 'Caption', type: line, initial: 'Opening hours', varies: 'whole' },
    {
      name: 'hours',
      label: 'Hours',
      type: entries('line', [
        { name: 'day', label: 'Day', type: line, initial: 'New day' },
        { name: 'hours', label: 'Hours', type: line, initial: '' },
      ]),
      initial: [],
      varies: 'whole',
    },
  ],
  markup: (node, context) =>
    lineTable(
      contentOf<string>(openingHours, node, 'caption'),
      contentOf<Hours[]>(openingHours, node, 'hours').map(({ day, hours }) => [day, hours]),
      context,
    ),
};

interface Item {
  time: string;
  what: string;
  note: string;
}

export const timetable: Kind = {
  name: 'timetable',
  label: 'Timetable',
  traits: ['block', 'box', 'backed', 'words', 'coloured', 'aligned'],
  accepts: [],
  display: 'block',
  structure: { display: 'block' },
  inner: { ...TABLE, small: { display: 'block', 'font-size': 'inherit' } },
  defaults: {},
  parts: {
    caption: { label: 'Caption', selector: 'caption', textStyle: 'caption' },
    label: { label: 'Times', selector: 'th', textStyle: 'label' },
    meta: { label: 'Notes', selector: 'small', textStyle: 'meta' },
  },
  textStyle: () => 'body',
  content: [
    { name: 'caption', label: 'Caption', type: line, initial: 'Timetable', varies: 'whole' },
    {
      name: 'items',
      label: 'What happens',
      type: entries('line', [
        { name: 'time', label: 'Time', type: line, initial: 'New time' },
        { name: 'what', label: 'What', type: line, initial: '' },
        { name: 'note', label: 'Note', type: line, initial: '' },
      ]),
      initial: [],
      varies: 'whole',
    },
  ],
  markup: (node, context) =>
    lineTable(
      contentOf<string>(timetable, node, 'caption'),
      contentOf<Item[]>(timetable, node, 'items').map(({ time, what, note }) => [
        time,
        what,
        ...(note ? [element('small', context.part('meta'), note)] : []),
      ]),
      context,
    ),
};
