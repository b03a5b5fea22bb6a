import { ArrowUpFromLine } from 'lucide';
import { iconName, line, oneOf } from '../content/contenttypes.ts';
import { iconMarkup } from '../../markup/icons.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';

/** Where the back-to-top button leads: before all that is on the page. */
export const TOP = 'top-of-page';

/** A link to the top of the page, which comes once a window's height has been read. */
export const up: Kind = {
  name: 'up',
  label: 'Back-to-top button',
  icon: ArrowUpFromLine,
  offered: 'edges',
  traits: ['edge', 'floating', 'box', 'backed', 'words', 'coloured'],
  accepts: [],
  display: 'inline-flex',
  structure: {
    display: 'inline-flex',
    position: 'fixed',
    'z-index': '2',
    width: 'fit-content',
    'min-width': '2.75rem',
    'min-height': '2.75rem',
    'align-items': 'center',
    'justify-content': 'center',
    gap: '0.5rem',
    'text-decoration': 'none',
    // Where a browser knows nothing of a timeline that is scrolled, this is over at once, and the link is always there.
    animation: 'come-up linear both',
    'animation-timeline': 'scroll(root)',
    'animation-range': '90vh 110vh',
  },
  inner: { svg: { width: '1.5em', height: '1.5em', flex: 'none' } },
  keyframes: {
    'come-up': {
      // Its own opacity is a value that people set.
      from: { filter: 'opacity(0)', visibility: 'hidden' },
      to: { filter: 'none', visibility: 'visible' },
    },
  },
  defaults: {
    corner: 'end',
    fromEdge: 16,
    colour: 'white',
    backgroundColour: 'black',
    paddingTop: 10,
    paddingRight: 10,
    paddingBottom: 10,
    paddingLeft: 10,
    radius: 24,
  },
  textStyle: () => 'small',
  content: [
    { name: 'label', label: 'Text', type: line, initial: 'Back to the top' },
    {
      name: 'shows',
      label: 'Shows',
      type: oneOf([
        { value: 'sign', label: 'icon only' },
        { value: 'words', label: 'text only' },
        { value: 'both', label: 'icon and text' },
      ]),
      initial: 'sign',
    },
    { name: 'icon', label: 'Icon', type: iconName, initial: 'up' },
  ],
  markup: (node, { attributes }) => {
    const [label, shows, icon] = ['label', 'shows', 'icon'].map((name) => contentOf<string>(up, node, name));
    return element(
      'a',
      { ...attributes, href: `#${TOP}`, 'aria-label': shows === 'sign' ? label : undefined },
      ...(shows === 'words' ? [] : [iconMarkup(icon)]),
      ...(shows === 'sign' ? [] : [label]),
    );
  },
};
