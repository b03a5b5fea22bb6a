import { MousePointerClick } from 'lucide';
import { line, link } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';

export const button: Kind = {
  name: 'button',
  label: 'Button',
  icon: MousePointerClick,
  offered: 'text',
  traits: ['action', 'block', 'box', 'backed', 'words', 'coloured', 'aligned', 'prose'],
  accepts: [],
  display: 'block',
  structure: { display: 'block', 'text-decoration': 'none' },
  defaults: {
    align: 'center',
    colour: 'white',
    backgroundColour: 'black',
    blockAlign: 'start',
    heldAcross: 'start',
    radius: 6,
    paddingTop: 12,
    paddingBottom: 12,
    paddingLeft: 24,
    paddingRight: 24,
  },
  words: 'label',
  linkText: 'label',
  onlyLink: true,
  textStyle: () => 'button',
  content: [
    { name: 'label', label: 'Label', type: line, initial: 'Button', varies: 'within' },
    { name: 'link', label: 'Leads to', type: link, initial: '', varies: 'whole' },
  ],
  markup: (node, { attributes, address, words }) =>
    element(
      'a',
      { ...attributes, href: address(contentOf<string>(button, node, 'link')) },
      ...words('label'),
    ),
};
