import { ZOOM } from '../../layout/crop.ts';
import { decimals } from '../../type/fluid.ts';
import { choiceType } from '../valuetypes/choice.ts';
import { pointCss, pointType, ratioCss, ratioType, type Point, type Ratio } from '../valuetypes/geometry.ts';
import { NO_IMAGE, imageType } from '../valuetypes/image.ts';
import { numberType } from '../valuetypes/number.ts';
import type { Declarations, Property } from './property.ts';

/** What stands in each view of a kind that has words where there is no image: custom properties with its `display`. */
export const SIGN_DISPLAY = '--sign';
export const WORDS_DISPLAY = '--words';

/**
 * What the image of an element says of itself: the point that stays in sight, its colour until it has come, and its shape: that of
 * the image, not that of a file of it, whose height is in whole px.
 */
const FOCUS = '--focus';
const TONE = '--tone';
const RATIO = '--ratio';

/** 1 where an image is shown from a file of all of it, so that zoom is drawn: of a kind that is never cut, or in an area; else 0. */
const WHOLE_FILE = '--whole-file';
export const FILLS_AREA = '--fills-area';

/** The custom properties in which a page has what an image says of itself, so that a value needs only its id. */
export const ofPictureVariables = (asset: string) => ({
  focus: `${FOCUS}-${asset}`,
  tone: `${TONE}-${asset}`,
  ratio: `${RATIO}-${asset}`,
  wholeFile: `${WHOLE_FILE}-${asset}`,
});

/** What takes over from an image what that says of itself. */
export function takenOver(asset: string): Declarations {
  const { focus, tone, ratio, wholeFile } = ofPictureVariables(asset);
  return {
    [FOCUS]: `var(${focus}, 50% 50%)`,
    [TONE]: `var(${tone}, transparent)`,
    [RATIO]: `var(${ratio}, auto)`,
    [WHOLE_FILE]: `var(${wholeFile}, 0)`,
  };
}

/** What an image looks like by what it says of itself. */
export const BY_PICTURE: Declarations = {
  'object-position': `var(${FOCUS}, 50% 50%)`,
  'transform-origin': `var(${FOCUS}, 50% 50%)`,
  'background-color': `var(${TONE}, transparent)`,
};

export const SHAPE_OF_PICTURE: Declarations = { 'aspect-ratio': `var(${RATIO}, auto)` };

export const source: Property<string> = {
  name: 'source',
  label: 'Image',
  group: 'picture',
  traits: ['pictured'],
  type: imageType(false),
  initial: () => NO_IMAGE,
  // Which image is for the markup to say.
  css: (value, { required }): Declarations => ({
    ...takenOver(value),
    ...(required.includes('source') ? {} : { [SIGN_DISPLAY]: 'block', [WORDS_DISPLAY]: 'none' }),
  }),
};

export const cropRatio: Property<Ratio> = {
  name: 'cropRatio',
  label: 'Crop to',
  group: 'picture',
  traits: ['image'],
  type: ratioType,
  initial: () => 'auto',
  onMedia: true,
  css: (value) => ({ 'aspect-ratio': value === 'auto' ? `var(${RATIO}, auto)` : ratioCss(value) }),
};

export const fit: Property<string> = {
  name: 'fit',
  label: 'Fit',
  group: 'picture',
  traits: ['image'],
  type: choiceType([
    { value: 'cover', label: 'fill', also: ['cover'] },
    { value: 'contain', label: 'whole', also: ['contain'] },
  ]),
  initial: () => 'cover',
  onMedia: true,
  // Beside an image that is shown whole nothing of its colour is to be seen.
  css: (value): Declarations => ({
    'object-fit': value,
    'background-color': value === 'cover' ? `var(${TONE}, transparent)` : 'transparent',
  }),
};

export const zoom: Property<number> = {
  name: 'zoom',
  label: 'Zoom',
  group: 'picture',
  traits: ['picture'],
  type: numberType({ minimum: ZOOM.least, maximum: ZOOM.most, step: 5, unit: '%' }),
  initial: () => ZOOM.least,
  css: (value) => ({ overflow: value > ZOOM.least ? 'clip' : 'visible' }),
  onPicture: (value, { beside }): Declarations => ({
    scale:
      value > ZOOM.least && beside?.('fit') !== 'contain'
        ? `calc(1 + ${decimals(value / 100 - 1)} * max(var(${WHOLE_FILE}, 0), var(${FILLS_AREA}, 0)))`
        : 'none',
  }),
  perView: true,
  heldBeside: true,
};

export const focalPoint: Property<Point> = {
  name: 'focalPoint',
  label: 'Focal point',
  group: 'picture',
  traits: ['image'],
  type: pointType,
  initial: () => ({ x: 50, y: 50 }),
  ofPicture: ({ focus: point }) => point,
  onMedia: true,
  css: (value) => ({ 'object-position': pointCss(value), 'transform-origin': pointCss(value) }),
};
