import { MoveVertical } from 'lucide';
import { element } from '../../markup/markup.ts';
import type { View } from '../../layered/views.ts';
import type { Kind } from './kind.ts';

export const spacer: Kind = {
  name: 'spacer',
  label: 'Spacer',
  icon: MoveVertical,
  offered: 'dividers',
  traits: ['plain', 'block'],
  accepts: [],
  display: 'block',
  structure: { display: 'block' },
  defaults: { height: ({ grid }: View) => (grid.columns < 8 ? 24 : 48) },
  content: [],
  markup: (_node, { attributes }) => element('div', { ...attributes, 'aria-hidden': 'true' }),
};
