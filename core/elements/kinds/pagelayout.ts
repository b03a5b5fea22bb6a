import { PanelsTopLeft } from 'lucide';
import { px } from '../../type/fluid.ts';
import { element } from '../../markup/markup.ts';
import type { View } from '../../layered/views.ts';
import { PAGE_LAYOUT } from '../properties/layout.ts';
import { type Kind } from './kind.ts';

/** Regions in which the sections of a page stand, on the columns of the view between the margins of the page. */
export const pageLayout: Kind = {
  name: PAGE_LAYOUT,
  label: 'Page layout',
  icon: PanelsTopLeft,
  traits: ['section', 'container', 'coloured', 'backed', 'gapped', 'arranging', 'page layout'],
  accepts: ['region'],
  ofElements: true,
  display: 'grid',
  gap: '--gap',
  structure: {
    display: 'grid',
    'row-gap': 'var(--gap)',
    // As in rows, gaps give way before they would make it wider than what it stands in.
    'column-gap': 'min(var(--gap), 100% / var(--columns))',
  },
  perView: ({ grid }) => ({
    '--columns': String(grid.columns),
    'grid-template-columns': `repeat(${grid.columns}, minmax(0, 1fr))`,
    'padding-inline': `max(${px(grid.margin)}, (100% - ${px(grid.maxWidth)}) / 2)`,
  }),
  inner: { '> *': { 'grid-column-end': 'span var(--columns)', 'min-width': '0' } },
  defaults: { gap: (view: View) => view.grid.gutter },
  content: [],
  markup: (_node, { attributes, children }) => element('div', attributes, ...children),
};
