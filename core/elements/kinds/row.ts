import { Columns2 } from 'lucide';
import { element } from '../../markup/markup.ts';
import type { View } from '../../layered/views.ts';
import { type Kind } from './kind.ts';
import { words } from './stack.ts';

export const row: Kind = {
  name: 'row',
  label: 'Row',
  icon: Columns2,
  offered: 'containers',
  traits: ['row', 'block', 'container', 'coloured', 'backed', 'box', 'gapped', 'arranging'],
  accepts: ['block'],
  canBecomeOverlay: true,
  display: 'grid',
  gap: '--gap',
  // Gaps give way before they would make a row wider than what it stands in.
  structure: {
    display: 'grid',
    'row-gap': 'var(--gap)',
    'column-gap': 'min(var(--gap), 100% / var(--columns))',
  },
  perView: ({ grid }) => ({
    '--columns': String(grid.columns),
    'grid-template-columns': `repeat(${grid.columns}, minmax(0, 1fr))`,
  }),
  inner: { '> *': { 'grid-column-end': 'span var(--columns)', 'min-width': '0' } },
  defaults: { gap: (view: View) => view.grid.gutter },
  content: [],
  seed: () => ({ children: [1, 2].map(() => ({ kind: 'column', share: 1 / 2, ...words() })) }),
  markup: (_node, { attributes, children }) => element('div', attributes, ...children),
};
