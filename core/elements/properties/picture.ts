import { choiceType } from '../valuetypes/choice.ts';
import { pointCss, pointType, ratioCss, ratioType, type Point, type Ratio } from '../valuetypes/geometry.ts';
import { NO_PICTURE, pictureType } from '../valuetypes/picture.ts';
import type { Declarations, Property } from './property.ts';

/** What stands in each view of a kind that has words where there is no picture: custom properties with its `display`. */
export const SIGN_DISPLAY = '--sign';
export const WORDS_DISPLAY = '--words';

export const source: Property<string> = {
  name: 'source',
  label: 'Picture',
  group: 'picture',
  traits: ['pictured'],
  type: pictureType(false),
  initial: () => NO_PICTURE,
  // Which picture is for the markup to say.
  css: (_value, { required }): Declarations =>
    required.includes('source') ? {} : { [SIGN_DISPLAY]: 'block', [WORDS_DISPLAY]: 'none' },
};

export const cropRatio: Property<Ratio> = {
  name: 'cropRatio',
  label: 'Crop to',
  group: 'picture',
  traits: ['image'],
  type: ratioType,
  initial: () => 'auto',
  onMedia: true,
  css: (value) => ({ 'aspect-ratio': ratioCss(value) }),
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
  css: (value) => ({ 'object-fit': value }),
};

export const focalPoint: Property<Point> = {
  name: 'focalPoint',
  label: 'Focal point',
  group: 'picture',
  traits: ['image'],
  type: pointType,
  initial: () => ({ x: 50, y: 50 }),
  onMedia: true,
  css: (value) => ({ 'object-position': pointCss(value) }),
};
