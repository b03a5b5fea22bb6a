import { Image } from 'lucide';
import { line } from '../content/contenttypes.ts';
import { contentOf, type Kind } from './kind.ts';
import { pictureMarkup, PICTURE } from './imagemarkup.ts';

export const picture: Kind = {
  name: 'picture',
  label: 'Image',
  icon: Image,
  offered: 'media',
  traits: ['picture', 'block', 'pictured', 'image'],
  accepts: [],
  display: 'block',
  structure: { display: 'block' },
  inner: { img: PICTURE },
  media: 'img',
  defaults: {},
  required: ['source'],
  content: [{ name: 'alt', label: 'Text alternative', type: line, initial: '', varies: 'whole' }],
  markup: (node, context) =>
    pictureMarkup(context.attributes, contentOf<string>(picture, node, 'alt'), context.picture, context),
};
