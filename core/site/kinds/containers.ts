import { px } from '../../type/fluid.ts';
import { oneOf } from '../contenttypes.ts';
import { element } from '../markup.ts';
import type { View } from '../views.ts';
import { contentOf, type Kind } from './kind.ts';

const BLOCKS = ['row', 'column', 'heading', 'text', 'button', 'picture', 'navigation'];

/** Room above and below a section: about 7.5 % of the sheet, in steps of 8 px, from 48 to 112. */
const sectionRoom = (view: View): number =>
  Math.min(112, Math.max(48, Math.round((view.sheet.width * 0.075) / 8) * 8));

export const page: Kind = {
  name: 'page',
  label: 'Page',
  accepts: ['section'],
  display: 'grid',
  stacks: true,
  structure: { display: 'grid', 'grid-template-columns': 'minmax(0, 1fr)', margin: '0' },
  inner: { main: { display: 'contents' } },
  defaults: {},
  content: [],
  markup: (_node, { attributes, children }) => element('body', attributes, ...children),
};

export const section: Kind = {
  name: 'section',
  label: 'Section',
  accepts: BLOCKS,
  display: 'grid',
  stacks: true,
  structure: { display: 'grid', 'align-content': 'start' },
  inner: { '> *': { 'grid-column': '2' } },
  perView: ({ grid }) => ({
    'grid-template-columns': `minmax(${px(grid.margin)}, 1fr) minmax(0, ${px(grid.maxWidth)}) minmax(${px(grid.margin)}, 1fr)`,
  }),
  defaults: { paddingTop: sectionRoom, paddingBottom: sectionRoom },
  content: [
    {
      name: 'landmark',
      label: 'Serves as',
      type: oneOf([
        { value: 'section', label: 'part of the page' },
        { value: 'header', label: 'head of the page' },
        { value: 'footer', label: 'foot of the page' },
      ]),
      initial: 'section',
    },
  ],
  markup: (node, { attributes, children }) =>
    element(contentOf<string>(section, node, 'landmark'), attributes, ...children),
};

export const row: Kind = {
  name: 'row',
  label: 'Row',
  accepts: BLOCKS,
  display: 'grid',
  structure: { display: 'grid' },
  perView: ({ grid }) => ({ 'grid-template-columns': `repeat(${grid.columns}, minmax(0, 1fr))` }),
  inner: { '> *': { 'grid-column': '1 / -1', 'min-width': '0' } },
  defaults: { gap: (view: View) => view.grid.gutter },
  content: [],
  markup: (_node, { attributes, children }) => element('div', attributes, ...children),
};

export const column: Kind = {
  name: 'column',
  label: 'Column',
  accepts: BLOCKS,
  display: 'grid',
  stacks: true,
  structure: { display: 'grid', 'grid-template-columns': 'minmax(0, 1fr)', 'align-content': 'start' },
  defaults: { gap: 16 },
  content: [],
  markup: (_node, { attributes, children }) => element('div', attributes, ...children),
};
