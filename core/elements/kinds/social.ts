import { Share2 } from 'lucide';
import { entries, iconName, line, link, type LabelledLink } from '../content/contenttypes.ts';
import { iconLabel, iconMarkup } from '../../markup/icons.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';
import { LINK_LIST } from './linklist.ts';

export const social: Kind = {
  name: 'social',
  label: 'Social links',
  icon: Share2,
  offered: 'lists',
  traits: ['block', 'box', 'backed', 'words', 'coloured', 'gapped'],
  allInParts: true,
  accepts: [],
  linkText: 'links',
  display: 'flex',
  structure: { ...LINK_LIST, gap: '0' },
  inner: {
    a: {
      display: 'inline-flex',
      'align-items': 'center',
      gap: '0.5em',
      color: 'inherit',
      'text-decoration': 'none',
      'min-height': '2rem',
    },
    'a:hover': { 'text-decoration': 'underline' },
    svg: { width: '1.25em', height: '1.25em', flex: 'none' },
  },
  defaults: { gap: 20 },
  parts: { link: { label: 'Links', selector: 'a' } },
  textStyle: () => 'small',
  content: [
    {
      name: 'links',
      selector: 'li',
      label: 'Places',
      type: entries('place', [
        { name: 'icon', label: 'Icon', type: iconName, initial: 'globe' },
        { name: 'label', label: 'Label', type: line, initial: 'New place', selector: 'a > span' },
        { name: 'link', label: 'Leads to', type: link, initial: '' },
      ]),
      initial: [],
      varies: 'whole',
    },
  ],
  markup: (node, { attributes, address }) =>
    element(
      'ul',
      attributes,
      ...contentOf<(LabelledLink & { icon: string })[]>(social, node, 'links').map((entry) =>
        element(
          'li',
          {},
          element(
            'a',
            { href: address(entry.link) },
            // A sign that stands alone says itself what it is.
            iconMarkup(entry.icon, entry.label ? '' : iconLabel(entry.icon)),
            ...(entry.label ? [element('span', {}, entry.label)] : []),
          ),
        ),
      ),
    ),
};
