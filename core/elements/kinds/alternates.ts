import { Replace } from 'lucide';
import { element } from '../../markup/markup.ts';
import { type Kind } from './kind.ts';

/** Blocks, or sections, that stand in for one another: exactly one of them shows in each view. */
export const alternates: Kind = {
  name: 'alternates',
  label: 'Alternates',
  icon: Replace,
  traits: ['block', 'alternating'],
  accepts: ['section', 'block'],
  refuses: ['alternating'],
  display: 'grid',
  structure: { display: 'grid', 'grid-template-columns': 'minmax(0, 1fr)' },
  defaults: {},
  required: ['alternate'],
  content: [],
  ofElements: true,
  markup: (_node, { attributes, children }) => element('div', attributes, ...children),
};
