import { element, type Markup } from '../../markup/markup.ts';
import { BY_PICTURE, SHAPE_OF_PICTURE } from '../properties/image.ts';
import { type MarkupContext, type Pictured } from './kind.ts';

/** An image with its sources by view; an empty box where none is chosen. */
export function pictureMarkup(
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
export const IMAGE = {
  display: 'block',
  'min-width': '100%',
  'max-width': '100%',
  height: 'auto',
  'object-fit': 'cover',
  ...BY_PICTURE,
};

/** An image has the shape that the shelf says of it; a video that which its markup says. */
export const PICTURE = { ...IMAGE, ...SHAPE_OF_PICTURE };
