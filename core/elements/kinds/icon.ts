import { Sparkle } from 'lucide';
import { iconName, line } from '../content/contenttypes.ts';
import { iconMarkup } from '../../markup/icons.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';

export const icon: Kind = {
  name: 'icon',
  label: 'Icon',
  icon: Sparkle,
  offered: 'media',
  traits: ['block', 'coloured', 'icon'],
  accepts: [],
  display: 'block',
  structure: { display: 'block', 'line-height': '0' },
  media: 'svg',
  defaults: { iconSize: 32, blockAlign: 'start', heldAcross: 'start' },
  content: [
    { name: 'icon', label: 'Icon', type: iconName, initial: 'star' },
    { name: 'label', label: 'Text alternative', type: line, initial: '', varies: 'whole' },
  ],
  markup: (node, { attributes }) =>
    element(
      'div',
      attributes,
      iconMarkup(contentOf<string>(icon, node, 'icon'), contentOf<string>(icon, node, 'label')),
    ),
};
