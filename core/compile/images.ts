import type { PropertyName } from '../elements/propertyvalues.ts';
import { sure } from '../sure.ts';
import { bands, mediaCondition } from '../layered/bands.ts';
import { express } from '../layered/express.ts';
import type { Layered } from '../layered/layered.ts';
import { held } from '../layered/resolve.ts';
import { widthsOf, type ViewId } from '../layered/views.ts';
import type { Pictured, PictureSource } from '../elements/kinds/kind.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { heldTo, measureCss, times } from '../type/measure.ts';
import { cropFor, type Crop } from '../layout/crop.ts';
import { widthsFor } from '../layout/sizes.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { isImage, type Asset, type MediaAsset } from '../theme/resources.ts';
import { fillsArea } from '../values/areas.ts';
import { resolve } from '../values/trace.ts';
import { pictureClass } from './selectors.ts';
import { drawnWidth } from '../values/drawn.ts';
import type { Widths } from '../values/widths.ts';

/** A form in which an image is made: so wide, of a type, and of all of it or a part. */
export interface ImageForm {
  type: 'image/avif' | 'image/webp' | 'image/png';
  /** px */
  width: number;
  crop?: Crop;
  /**
   * All of it in the middle of a square, on a ground in CSS or on what lets light through; `inset`: the share of the width that stays
   * free at each side.
   */
  square?: { ground?: string; inset?: number };
}

/** Changes with how images are made, so that those that were made otherwise are made again and get other names. */
const WAY = 1;

/** What tells one made image from all others. */
export const imageKey = ({ hash }: Pick<Asset, 'hash'>, { type, width, crop, square }: ImageForm): string =>
  JSON.stringify([
    ...[WAY, hash, type, width, crop ? [crop.x, crop.y, crop.width, crop.height] : null],
    ...(square ? [square.ground ?? null, square.inset ?? 0] : []),
  ]);

/** The form that is the image itself: all of it, in its own type and width. */
export const isItself = (
  asset: Pick<Asset, 'type' | 'width'>,
  { type, width, crop, square }: ImageForm,
): boolean => !crop && !square && type === asset.type && width === asset.width;

/** Where images are, as seen from a page. */
export interface ImageAddresses {
  /** An image or video as it was imported. */
  picture(asset: string): string;
  /** An image in a form that is made of it; undefined where images are not made in this form. */
  made?(asset: Asset, form: ImageForm): string | undefined;
  /** px of the screen for one px of the page that images are chosen for in place of the screen's own; absent: the screen's. */
  density?: number;
  /** The page may get any width after it was opened: what only some widths show is fetched at all of them. */
  anyWidth?: true;
}

/** Types of which smaller images are made: those of many px that do not move. */
const MADE_SMALLER = new Set<Asset['type']>(['image/jpeg', 'image/png', 'image/webp', 'image/avif']);

/** Whether smaller versions are made of a file: of images that do not move and are not vectors. */
export const isMadeSmaller = <A extends Pick<Asset, 'type' | 'moves'>>(
  asset: A,
): asset is A & Pick<MediaAsset, 'width' | 'height'> => MADE_SMALLER.has(asset.type) && !asset.moves;

/** px; a window wider than any that an image is chosen for. */
const WIDEST_WINDOW = 16_000;

/** px; a window narrower than any. */
const NARROWEST_WINDOW = 200;

/** Types in which images are made, the best first. */
const TYPES = ['image/avif', 'image/webp'] as const;

/** What of an image is shown in a view. */
interface Variant {
  asset: MediaAsset;
  crop?: Crop;
}

interface ImagesOf {
  site: SiteFrame;
  page: Page;
  widths: Widths;
  addresses: ImageAddresses;
}

/** The images of elements in all the forms that a page offers, from which a browser takes the smallest that suffices. */
export function imagesOf({ site, page, widths, addresses }: ImagesOf) {
  const { views } = site;
  const assets = new Map(site.assets.filter(isImage).map((asset) => [asset.id, asset]));

  const shapeIn = (node: Node, view: ViewId) => {
    const value = <Name extends PropertyName>(name: Name) =>
      resolve(site, page, node, knownProperty(name), view);
    return {
      ratio: value('cropRatio'),
      fills: value('fit') === 'cover',
      focus: value('focalPoint'),
      zoom: value('zoom'),
    };
  };

  /** What is shown of an image in a view: a part, where that is worth a file of its own. */
  function variantIn(asset: MediaAsset, node: Node, view: ViewId): Variant {
    const { ratio, fills, focus, zoom } = shapeIn(node, view);
    // What fills an area is cropped by that, and in no shape of its own.
    const isCut = fills && isMadeSmaller(asset) && addresses.made && !fillsArea(site, page, node, view);
    if (!isCut) return { asset };
    const shape = ratio === 'auto' ? undefined : ratio.width / ratio.height;
    return { asset, crop: cropFor(asset, { ratio: shape, zoom, focus }) };
  }

  /** How wide an image is in each view, as the attribute `sizes` says it: the first that fits counts (HTML Standard, §4.8.4.2.2). */
  function sizesOf({ asset, crop }: Variant, node: Node): string {
    const shown = views.list.map(({ id, from: begins }) => {
      const { from = NARROWEST_WINDOW, below = WIDEST_WINDOW } = widthsOf(views, id);
      const drawn = drawnWidth({ site, page, widths }, node, id, asset, crop);
      const width = times(drawn, addresses.density ?? 1);
      return { begins, css: measureCss(heldTo(width, from, below)) };
    });
    return shown
      .filter(({ css }, index) => css !== shown[index - 1]?.css)
      .reverse()
      .map(({ begins, css }) => (begins > 0 ? `(width >= ${begins}px) ${css}` : css))
      .join(', ');
  }

  /** What a `<source>` says for a band of views, best type first. */
  function sourcesFor(variant: Variant, node: Node, media?: string): PictureSource[] {
    const { asset, crop } = variant;
    const size = sizeOf(variant);
    const sets = TYPES.flatMap((type) => {
      const candidates = (isMadeSmaller(asset) ? widthsFor((crop ?? asset).width) : []).flatMap((width) => {
        const url = addresses.made?.(asset, { type, width, crop });
        return url === undefined ? [] : [`${url} ${width}w`];
      });
      return candidates.length > 0 ? [{ type, srcset: candidates.join(', ') }] : [];
    });
    if (sets.length === 0) return [{ media, srcset: addresses.picture(asset.id), ...size }];
    const sizes = sizesOf(variant, node);
    return sets.map((set) => ({ media, ...set, sizes, ...size }));
  }

  /** As wide as the whole image, in the shape of what is shown of it: what it takes where nothing else says how wide it is. */
  const sizeOf = ({ asset, crop }: Variant) => ({
    width: asset.width,
    height: crop ? Math.max(1, Math.round((asset.width * crop.height) / crop.width)) : asset.height,
  });

  function pictured(node: Node, picture: Layered<string>): Pictured | undefined {
    const shown = express(views, ({ id }) => {
      const asset = assets.get(held(picture, views, id)?.value ?? '');
      return asset && variantIn(asset, node, id);
    });
    const all = bands(shown, views);
    // The first source that fits is taken, so the bands stand in reverse: furthest from the base first.
    const others = all
      .filter(({ widths: range, value }) => range && value)
      .reverse()
      .flatMap(({ value, widths: range }) =>
        sourcesFor(sure(value, 'value'), node, mediaCondition(sure(range, 'range'))),
      );
    const base = shown.base ?? all.findLast(({ value }) => value)?.value;
    if (!base) return undefined;
    const own = shown.base ? sourcesFor(shown.base, node) : [];
    const plain = own.find(({ type }) => type === 'image/webp');
    return {
      sources: [...others, ...own.filter(({ type }) => type !== undefined && type !== 'image/webp')],
      img: {
        src: plain ? plain.srcset.split(' ')[2 * middle(plain.srcset)] : addresses.picture(base.asset.id),
        ...(plain && { srcset: plain.srcset, sizes: plain.sizes }),
        ...sizeOf(base),
      },
      alt: base.asset.alt ?? '',
      sometimes: !shown.base,
    };
  }

  return {
    /** The image of an element that may show another in each view. */
    ofElement(node: Node): Pictured | undefined {
      const source = node.style.self?.source;
      return source && pictured(node, source);
    },
    /** An image that an element shows in every view. */
    inElement(node: Node, id: string): Pictured | undefined {
      const made = pictured(node, { base: id });
      return made && { ...made, class: pictureClass(id) };
    },
  };
}

/** Which of the candidates of a set stands in where a browser knows no sets: the one in the middle. */
const middle = (srcset: string): number => Math.floor((srcset.split(', ').length - 1) / 2);
