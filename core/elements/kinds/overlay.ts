import { Layers2 } from 'lucide';
import { px } from '../../type/fluid.ts';
import { element } from '../../markup/markup.ts';
import { OVERLAY, ROW_HEIGHT } from '../properties/area.ts';
import { type Kind, type Seed } from './kind.ts';

/**
 * A block whose parts may lie over one another: each stands in an area of the columns of the view's grid and of rows that are at least
 * of one height, and grow with what is in them.
 */
export const overlay: Kind = {
  name: OVERLAY,
  label: 'Overlay',
  icon: Layers2,
  offered: 'containers',
  traits: ['block', 'container', 'coloured', 'backed', 'box', 'overlaying'],
  accepts: ['block'],
  display: 'grid',
  structure: { display: 'grid', 'grid-auto-rows': `minmax(var(${ROW_HEIGHT}), auto)` },
  perView: ({ grid }) => ({
    '--columns': String(grid.columns),
    'grid-template-columns': `repeat(${grid.columns}, minmax(0, 1fr))`,
    // As in rows, gaps give way before they would make it wider than what it stands in.
    'column-gap': `min(${px(grid.gutter)}, 100% / ${grid.columns})`,
  }),
  // Each part is painted as one, in the order of the source where no other is set.
  inner: {
    '> *': {
      position: 'relative',
      'z-index': '0',
      'min-width': '0',
      'grid-column': '1 / span var(--columns)',
      'grid-row': '1 / span 1',
      'align-self': 'start',
    },
  },
  defaults: { rowHeight: 24 },
  content: [],
  seed: (): Seed => ({
    children: [
      { kind: 'picture', style: { areaRows: { base: 12 }, heldDown: { base: 'stretch' } } },
      { kind: 'heading', style: { areaRow: { base: 5 }, areaRows: { base: 3 } } },
    ],
  }),
  markup: (_node, { attributes, children }) => element('div', attributes, ...children),
};
