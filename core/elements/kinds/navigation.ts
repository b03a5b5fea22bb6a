import { Menu } from 'lucide';
import { entries, LABELLED_LINK, line, type LabelledLink } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';
import { LINK_LIST } from './linklist.ts';

/** Links to pages, on the page or behind a button. */
export const navigation: Kind = {
  name: 'navigation',
  label: 'Menu',
  icon: Menu,
  offered: 'lists',
  traits: ['block', 'box', 'backed', 'words', 'coloured', 'gapped', 'menu'],
  allInParts: true,
  accepts: [],
  landmark: (node) => ({ role: 'nav', label: contentOf<string>(navigation, node, 'label').trim() }),
  display: 'block',
  structure: { display: 'block' },
  inner: {
    ul: {
      ...LINK_LIST,
      display: 'var(--menu-list, flex)',
      position: 'var(--menu-position, static)',
      color: 'inherit',
      'background-color': 'transparent',
      width: 'auto',
      height: 'auto',
      overflow: 'visible',
    },
    // The list in the foreground, once its button has opened it.
    'ul:popover-open': {
      display: 'flex',
      'flex-direction': 'column',
      position: 'fixed',
      'inset-block': '0',
      'inset-inline': 'auto 0',
      width: 'min(20rem, 85vw)',
      height: '100%',
      padding: '1.5rem',
      overflow: 'auto',
      'box-shadow': '-6px 0 30px rgb(0 0 0 / 0.35)',
    },
    a: { color: 'inherit', 'text-decoration': 'none', display: 'block', 'padding-block': '0.25rem' },
    'a:hover': { 'text-decoration': 'underline' },
    button: {
      display: 'var(--menu-button, none)',
      'align-items': 'center',
      gap: '0.5rem',
      padding: '0.5rem 0.75rem',
      font: 'inherit',
      color: 'inherit',
      'background-color': 'transparent',
      'border-radius': '6px',
      cursor: 'pointer',
    },
    // What has the focus is never behind the list (WCAG 2.2, 2.4.11): it goes when the focus goes elsewhere.
    // Where the window has become so wide that links need no button, it stays: they stand nowhere else.
    'body:has(:focus:not(nav *)) ul:popover-open': { display: 'var(--menu-list, flex)' },
    // Of an entry whose page is not in the menus of every view.
    li: { display: 'var(--listed, list-item)' },
    '.close': { display: 'none' },
    'ul:popover-open > .close': { display: 'block', 'align-self': 'end' },
    '.close > button': { display: 'inline-flex' },
    svg: { width: '1.25em', height: '1.25em' },
  },
  defaults: { gap: 24 },
  parts: {
    link: { label: 'Links', selector: 'a' },
    button: { label: 'Button that opens it', selector: '> button' },
    list: {
      label: 'Open list',
      selector: 'ul:popover-open',
      defaults: { colour: 'black', backgroundColour: 'white' },
    },
  },
  textStyle: () => 'small',
  content: [
    { name: 'label', label: 'Name', type: line, initial: 'Pages' },
    { name: 'close', label: 'Label of the close button', type: line, initial: 'Close' },
    {
      name: 'links',
      label: 'Links',
      type: entries('link', LABELLED_LINK),
      initial: [],
      varies: 'within',
      selector: 'li:not(.close)',
    },
  ],
  markup: (node, { attributes, address, current, listing, part, entries: entriesOf }) => {
    const label = contentOf<string>(navigation, node, 'label');
    const id = `menu-${node.id}`;
    return element(
      'nav',
      { ...attributes, 'aria-label': label },
      element(
        'button',
        // Not toggled: where the list is open but out of sight, one click brings it back.
        { type: 'button', popovertarget: id, popovertargetaction: 'show', ...part('button') },
        element(
          'svg',
          {
            viewBox: '0 0 24 24',
            fill: 'none',
            stroke: 'currentColor',
            'stroke-width': 2,
            'aria-hidden': 'true',
          },
          element('path', { d: 'M4 6h16M4 12h16M4 18h16' }),
        ),
        label,
      ),
      element(
        'ul',
        { id, popover: 'auto' },
        element(
          'li',
          { class: 'close' },
          element(
            'button',
            { type: 'button', popovertarget: id, popovertargetaction: 'hide' },
            contentOf<string>(navigation, node, 'close') || '×',
          ),
        ),
        ...entriesOf<LabelledLink>('links').map(({ entry, class: name }) =>
          element(
            'li',
            { class: [name, listing(entry.link)].filter(Boolean).join(' ') || undefined },
            element(
              'a',
              { href: address(entry.link), 'aria-current': current(entry.link) ? 'page' : undefined },
              entry.label,
            ),
          ),
        ),
      ),
    );
  },
};
