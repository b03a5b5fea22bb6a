import { asset, entries, iconName, line, link, oneOf } from '../content/contenttypes.ts';
import { iconMarkup } from '../../markup/icons.ts';
import { element, type Markup } from '../../markup/markup.ts';
import type { View } from '../../layered/views.ts';
import { BY_PICTURE, SHAPE_OF_PICTURE, SIGN_DISPLAY, WORDS_DISPLAY } from '../properties/image.ts';
import { contentOf, type Kind, type MarkupContext, type Filled, type Pictured } from './kind.ts';

/** An image with its sources by view; an empty box where none is chosen. */
function pictureMarkup(
  attributes: Markup['attributes'],
  alt: string,
  shown: Pictured | undefined,
  { lazy: later, first }: MarkupContext,
): Markup {
  if (!shown) return element('span', attributes);
  // Where there is none, the one that stands in is not displayed; a lazy one is not fetched then either.
  const lazy = later || shown.sometimes;
  return element(
    'picture',
    attributes,
    ...shown.sources.map(({ media, type, srcset, sizes, width, height }) =>
      element('source', { media, type, srcset, sizes, width, height }),
    ),
    element('img', {
      // The browser asks for an image once it has its sizes: they stand before its address.
      sizes: shown.img.sizes,
      srcset: shown.img.srcset,
      src: shown.img.src,
      alt: alt || shown.alt,
      width: shown.img.width,
      height: shown.img.height,
      loading: lazy ? 'lazy' : undefined,
      decoding: lazy ? 'async' : undefined,
      fetchpriority: !lazy && first() ? 'high' : undefined,
    }),
  );
}

/**
 * As wide as its frame; what it is wide by itself, as its markup says, is what the frame takes where it is not stretched. So room is
 * reserved before the file has come.
 */
const IMAGE = {
  display: 'block',
  'min-width': '100%',
  'max-width': '100%',
  height: 'auto',
  'object-fit': 'cover',
  ...BY_PICTURE,
};

/** An image has the shape that the shelf says of it; a video that which its markup says. */
const PICTURE = { ...IMAGE, ...SHAPE_OF_PICTURE };

export const picture: Kind = {
  name: 'picture',
  label: 'Image',
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

/** The sign of the house: an image, or its name in words, that leads home. */
export const logo: Kind = {
  name: 'logo',
  label: 'Logo',
  traits: ['logo', 'block', 'words', 'coloured', 'pictured', 'image'],
  accepts: [],
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

export const icon: Kind = {
  name: 'icon',
  label: 'Icon',
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

export const video: Kind = {
  name: 'video',
  label: 'Video',
  traits: ['video', 'block', 'image', 'words', 'coloured'],
  allInParts: true,
  accepts: [],
  display: 'block',
  structure: { display: 'block', margin: '0' },
  inner: {
    // The shape that its markup says, the video's, not that of the image before it (CSS Containment 2, §3.1; CSS Sizing 4, §6.1).
    video: { ...IMAGE, contain: 'size' },
    figcaption: { 'padding-block-start': '0.5rem' },
    // Who asked for less motion gets the image in place of a video that would play by itself.
    '.still': { ...IMAGE, display: 'var(--still, none)' },
    'video[autoplay][poster]': { display: 'var(--moving, block)' },
  },
  media: 'video',
  defaults: {},
  parts: { caption: { label: 'Caption', selector: 'figcaption', textStyle: 'caption' } },
  content: [
    { name: 'file', label: 'Video', type: asset('video'), initial: '' },
    { name: 'poster', label: 'Image before it plays', type: asset('image'), initial: '' },
    { name: 'name', label: 'What it shows', type: line, initial: 'Video' },
    { name: 'caption', label: 'Caption', type: line, initial: '', varies: 'within' },
    { name: 'captions', label: 'Captions: what is said in it', type: asset('captions file'), initial: '' },
    {
      name: 'playing',
      label: 'Plays',
      type: oneOf([
        { value: 'asked', label: 'when started, with sound' },
        { value: 'always', label: 'automatically, muted, in a loop' },
      ]),
      initial: 'asked',
    },
  ],
  markup: (node, { attributes, media, part, language, words, shownWhen }) => {
    const field = (name: string) => contentOf<string>(video, node, name);
    const film = media(field('file'));
    const poster = media(field('poster'));
    const captions = media(field('captions'));
    const itself = field('playing') === 'always';
    const caption = words('caption');
    return element(
      'figure',
      attributes,
      element(
        'video',
        {
          'aria-label': field('name'),
          poster: poster?.url,
          width: film?.width ?? poster?.width,
          height: film?.height ?? poster?.height,
          playsinline: '',
          preload: itself ? undefined : 'none',
          ...(itself ? { autoplay: '', muted: '', loop: '' } : {}),
          // Also what plays by itself can be stopped (WCAG 2.2, 2.2.2).
          controls: '',
        },
        ...(film
          ? [
              element('source', {
                src: film.url,
                type: film.type,
                // One that waits to be asked is fetched only then (HTML, §4.8.2, `media`).
                media: itself ? shownWhen() : undefined,
              }),
            ]
          : []),
        ...(captions
          ? [
              element('track', {
                kind: 'captions',
                src: captions.url,
                srclang: language,
                label: captions.name,
                default: '',
              }),
            ]
          : []),
      ),
      ...(itself && poster
        ? [
            element('img', {
              class: 'still',
              src: poster.url,
              alt: field('name'),
              width: poster.width,
              height: poster.height,
              loading: 'lazy',
            }),
          ]
        : []),
      ...(caption.length > 0 ? [element('figcaption', part('caption'), ...caption)] : []),
    );
  },
};

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
  traits: ['block', 'words', 'coloured', 'image', 'tiled', 'gapped'],
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
      label: 'Images',
      type: entries('picture', [
        { name: 'picture', label: 'Image', type: asset('image'), initial: '' },
        { name: 'alt', label: 'Text alternative', type: line, initial: '' },
        { name: 'caption', label: 'Caption', type: line, initial: '' },
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
