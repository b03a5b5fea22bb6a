import { PanelBottom } from 'lucide';
import { entries, iconName, line, link, type LabelledLink } from '../content/contenttypes.ts';
import { iconMarkup } from '../../markup/icons.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';

/** What a visitor can do with a thumb: to call, to write, to find the way. */
export type Action = LabelledLink & { icon: string };

/** How many actions a strip has room for. */
export const ACTIONS = { fewest: 2, most: 6 } as const;

/** A strip of actions at an edge of the window, which stays there whatever is read. */
export const strip: Kind = {
  name: 'strip',
  label: 'Contact bar',
  icon: PanelBottom,
  offered: 'edges',
  traits: ['edge', 'strip', 'box', 'backed', 'words', 'coloured'],
  allInParts: true,
  accepts: [],
  landmark: (node) => ({ role: 'nav', label: contentOf<string>(strip, node, 'label').trim() }),
  display: 'block',
  structure: { display: 'block', position: 'sticky', 'z-index': '2' },
  inner: {
    ul: {
      margin: '0',
      padding: '0',
      'list-style': 'none',
      display: 'grid',
      'grid-auto-flow': 'column',
      'grid-auto-columns': 'minmax(0, 1fr)',
      // Of the device's own edges it keeps clear.
      'padding-block': 'var(--inset)',
    },
    a: {
      display: 'flex',
      'flex-direction': 'column',
      'align-items': 'center',
      'justify-content': 'center',
      gap: '0.25rem',
      height: '100%',
      'min-height': '3.5rem',
      padding: '0.375rem 0.25rem',
      color: 'inherit',
      'text-align': 'center',
      'text-decoration': 'none',
    },
    'a:hover': { 'text-decoration': 'underline' },
    svg: { width: '1.5em', height: '1.5em', flex: 'none' },
  },
  defaults: {
    edge: 'lower',
    colour: 'black',
    backgroundColour: 'white',
    borderTop: 1,
    borderColour: '#767676',
  },
  parts: { link: { label: 'Actions', selector: 'a' } },
  textStyle: () => 'small',
  content: [
    { name: 'label', label: 'Name for screen readers', type: line, initial: 'Contact' },
    {
      name: 'actions',
      selector: 'li',
      label: `Actions, ${ACTIONS.fewest} to ${ACTIONS.most}`,
      type: entries('action', [
        { name: 'icon', label: 'Icon', type: iconName, initial: 'phone' },
        { name: 'label', label: 'Word', type: line, initial: 'Call', selector: 'a > span' },
        { name: 'link', label: 'Leads to', type: link, initial: '' },
      ]),
      initial: [],
      varies: 'whole',
    },
  ],
  seed: ({ pages = [] }) => ({
    content: {
      actions: [
        { icon: 'phone', label: 'Call', link: 'tel:+440000000000' },
        { icon: 'mail', label: 'Write', link: 'mailto:hello@example.org' },
        ...(pages.length > 1
          ? [{ icon: 'calendar', label: pages[1].title, link: `page:${pages[1].id}` }]
          : []),
      ],
    },
  }),
  markup: (node, { attributes, address }) =>
    element(
      'nav',
      { ...attributes, 'aria-label': contentOf<string>(strip, node, 'label') },
      element(
        'ul',
        {},
        ...contentOf<Action[]>(strip, node, 'actions').map((action) =>
          element(
            'li',
            {},
            element(
              'a',
              { href: address(action.link) },
              iconMarkup(action.icon),
              element('span', {}, action.label),
            ),
          ),
        ),
      ),
    ),
};
