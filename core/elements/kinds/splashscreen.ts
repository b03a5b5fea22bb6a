import { Presentation } from 'lucide';
import { asset, line } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';

const SEEN = { visibility: 'visible' };
const GONE = { visibility: 'hidden' };

/**
 * What lies over a page when it is opened, and goes by itself. It is for the eye alone: who hears the page, and who searches it, has the
 * page at once.
 */
export const openingScreen: Kind = {
  name: 'openingscreen',
  label: 'Splash screen',
  icon: Presentation,
  offered: 'edges',
  traits: ['edge', 'screen', 'backed', 'words', 'coloured'],
  accepts: [],
  display: 'grid',
  structure: {
    display: 'grid',
    position: 'fixed',
    inset: '0',
    'z-index': '10',
    'place-content': 'center',
    'justify-items': 'center',
    gap: '1.5rem',
    padding: '1.5rem',
    'text-align': 'center',
    'animation-duration': '700ms',
    'animation-timing-function': 'ease-in',
    'animation-fill-mode': 'forwards',
    // What was moved out of the way, by a touch or the keyboard, does not come back.
    transition: 'translate 0s 100000s',
  },
  inner: {
    img: { 'max-width': 'min(100%, 20rem)', 'max-height': '40vh', width: 'auto', height: 'auto' },
    '.words': { 'max-width': '30rem' },
  },
  keyframes: {
    'leave-fading': { from: { ...SEEN, opacity: '1' }, to: { ...GONE, opacity: '0' } },
    'leave-rising': { from: { ...SEEN, transform: 'none' }, to: { ...GONE, transform: 'translateY(-100%)' } },
    'leave-setting': {
      from: { ...SEEN, 'clip-path': 'inset(0% 0% 0% 0%)' },
      to: { ...GONE, 'clip-path': 'inset(100% 0% 0% 0%)' },
    },
  },
  defaults: { leaving: 'fading', stays: 1.5, colour: 'white', backgroundColour: 'black' },
  textStyle: () => 'heading-2',
  content: [
    { name: 'logo', label: 'Logo', type: asset('image'), initial: '' },
    { name: 'words', label: 'Text', type: line, initial: 'Welcome', varies: 'within' },
  ],
  words: 'words',
  wordsIn: '.words',
  markup: (node, { attributes, media, words }) => {
    const logo = media(contentOf<string>(openingScreen, node, 'logo'));
    return element(
      'div',
      { ...attributes, 'aria-hidden': 'true' },
      ...(logo ? [element('img', { src: logo.url, alt: '', width: logo.width, height: logo.height })] : []),
      element('span', { class: 'words' }, ...words('words')),
    );
  },
};
