import { Rows2 } from 'lucide';
import { element } from '../../markup/markup.ts';
import { type Kind } from './kind.ts';
import { STACK } from './stack.ts';

export const column: Kind = {
  name: 'column',
  label: 'Column',
  icon: Rows2,
  offered: 'containers',
  traits: ['block', 'container', 'coloured', 'backed', 'box', 'gapped', 'arranging', 'stack', 'directed'],
  ...STACK,
  canBecomeOverlay: true,
  defaults: { gap: 16 },
  markup: (_node, { attributes, children }) => element('div', attributes, ...children),
};
