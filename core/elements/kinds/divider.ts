import { Minus } from 'lucide';
import { element } from '../../markup/markup.ts';
import type { Kind } from './kind.ts';

export const divider: Kind = {
  name: 'divider',
  label: 'Divider',
  icon: Minus,
  offered: 'dividers',
  traits: ['plain', 'block', 'coloured', 'divider'],
  accepts: [],
  display: 'block',
  structure: {
    display: 'block',
    width: '100%',
    margin: '0',
    color: 'inherit',
    // A border, which stays where a person's own colours replace those of backgrounds (CSS Color Adjustment 1, §3).
    'border-block-start': 'var(--thickness, 1px) solid',
  },
  defaults: {},
  content: [],
  markup: (_node, { attributes }) => element('hr', attributes),
};
