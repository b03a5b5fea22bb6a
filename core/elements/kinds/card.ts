import { CreditCard } from 'lucide';
import { element } from '../../markup/markup.ts';
import { type Kind } from './kind.ts';
import { STACK } from './stack.ts';
import { column } from './column.ts';

/** A thing of its own among others like it, set off from what is behind it. */
export const card: Kind = {
  name: 'card',
  label: 'Card',
  icon: CreditCard,
  offered: 'containers',
  traits: column.traits,
  ...STACK,
  destination: true,
  canBecomeOverlay: true,
  defaults: {
    gap: 12,
    paddingTop: 24,
    paddingRight: 24,
    paddingBottom: 24,
    paddingLeft: 24,
    backgroundColour: 'white',
    radius: 8,
    shadow: 'low',
  },
  markup: (_node, { attributes, children, headed }) =>
    element(headed() ? 'article' : 'div', attributes, ...children),
};
