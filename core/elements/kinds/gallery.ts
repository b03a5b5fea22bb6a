import { Images } from 'lucide';
import { asset, entries, line } from '../content/contenttypes.ts';
import { element, type Markup } from '../../markup/markup.ts';
import type { View } from '../../layered/views.ts';
import { contentOf, type Kind, type MarkupContext, type Filled } from './kind.ts';
import { pictureMarkup, PICTURE } from './imagemarkup.ts';

interface GalleryEntry {
  picture: string;
  alt: string;
  caption: string;
}

const galleryPicture = ({ picture: id, alt, caption }: GalleryEntry, context: MarkupContext): Markup => {
  const shown = context.pictured(id);
  return element(
    'li',
    {},
    element(
      'figure',
      {},
      ...(shown ? [pictureMarkup({ class: shown.class }, alt, shown, context)] : []),
      ...(caption ? [element('figcaption', context.part('caption'), caption)] : []),
    ),
  );
};

export const gallery: Kind = {
  name: 'gallery',
  label: 'Gallery',
  icon: Images,
  offered: 'media',
  traits: ['block', 'words', 'coloured', 'image', 'tiled', 'gallery', 'gapped'],
  allInParts: true,
  accepts: [],
  display: 'grid',
  structure: { display: 'grid', margin: '0', padding: '0', 'list-style': 'none', 'align-items': 'start' },
  inner: {
    picture: { display: 'block' },
    img: PICTURE,
    figure: { margin: '0' },
    figcaption: { 'padding-block-start': '0.5rem' },
  },
  media: 'img',
  // Of the grid, not of the sheet: how a view is looked at must not change its pages.
  defaults: {
    tiles: ({ grid }: View) =>
      Math.max(1, Math.min(4, Math.floor(grid.columns / 3), Math.floor(grid.maxWidth / 280))),
    gap: 16,
    cropRatio: { width: 4, height: 3 },
  },
  parts: { caption: { label: 'Captions', selector: 'figcaption', textStyle: 'caption' } },
  content: [
    {
      name: 'pictures',
      selector: 'li',
      label: 'Images',
      type: entries('picture', [
        { name: 'picture', label: 'Image', type: asset('image'), initial: '' },
        { name: 'alt', label: 'Text alternative', type: line, initial: '' },
        { name: 'caption', label: 'Caption', type: line, initial: '', selector: 'figcaption' },
      ]),
      initial: [],
      varies: 'whole',
    },
  ],
  markup: (node: Filled, context) =>
    element(
      'ul',
      context.attributes,
      ...contentOf<GalleryEntry[]>(gallery, node, 'pictures').map((entry) => galleryPicture(entry, context)),
    ),
};
