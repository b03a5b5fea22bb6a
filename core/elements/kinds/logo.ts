import { Stamp } from 'lucide';
import { line, link } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { SIGN_DISPLAY, WORDS_DISPLAY } from '../properties/image.ts';
import { contentOf, type Kind } from './kind.ts';
import { pictureMarkup, PICTURE } from './imagemarkup.ts';

/** The sign of the house: an image, or its name in words, that leads home. */
export const logo: Kind = {
  name: 'logo',
  label: 'Logo',
  icon: Stamp,
  offered: 'media',
  traits: ['logo', 'block', 'words', 'coloured', 'pictured', 'image'],
  accepts: [],
  onlyLink: true,
  display: 'block',
  structure: { display: 'block', color: 'inherit', 'text-decoration': 'none' },
  inner: {
    picture: { display: `var(${SIGN_DISPLAY}, none)` },
    img: PICTURE,
    '.words': { display: `var(${WORDS_DISPLAY}, inline-block)` },
  },
  // A border, a shadow, round corners: of the image, or of the words where there is none.
  media: ':is(img, .words)',
  defaults: { blockAlign: 'start', heldAcross: 'start' },
  textStyle: () => 'logo',
  content: [
    { name: 'name', label: 'Name', type: line, initial: 'Name', varies: 'whole' },
    { name: 'link', label: 'Leads to', type: link, initial: '', varies: 'whole' },
  ],
  words: 'name',
  wordsIn: '.words',
  markup: (node, context) => {
    const name = contentOf<string>(logo, node, 'name');
    const href = context.address(contentOf<string>(logo, node, 'link'));
    return element(
      'a',
      { ...context.attributes, href },
      ...(context.picture ? [pictureMarkup({}, name, context.picture, context)] : []),
      ...(context.picture?.sometimes === false ? [] : [element('span', { class: 'words' }, name)]),
    );
  },
};
