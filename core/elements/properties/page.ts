import { px } from '../../type/fluid.ts';
import { colourType } from '../valuetypes/colour.ts';
import { numberType } from '../valuetypes/number.ts';
import { videoType, NO_IMAGE } from '../valuetypes/image.ts';
import type { Property } from './property.ts';

/** The custom property that holds how much at the top stays clear of what is brought into the window. */
export const CLEAR_TOP = '--clear-top';

export const clearTop: Property<number> = {
  name: 'clearTop',
  label: 'Clear space at the top',
  group: 'layout',
  traits: ['page'],
  type: numberType({ minimum: 0, maximum: 400, step: 8, unit: 'px' }),
  initial: () => 0,
  css: (value) => ({ [CLEAR_TOP]: px(value) }),
};

/** It plays behind all that is on the page, without sound, over and over; what lies over the image behind lies over it. */
export const backgroundFilm: Property<string> = {
  name: 'backgroundFilm',
  label: 'Background video',
  group: 'background',
  traits: ['page'],
  type: videoType,
  initial: () => NO_IMAGE,
};

/** `transparent`: the browser has its own. */
const bar = (name: string, label: string): Property<string> => ({
  name,
  label,
  group: 'background',
  traits: ['page'],
  type: colourType,
  initial: () => 'transparent',
});

export const barColour = bar('barColour', 'Browser bar');
export const barColourDark = bar('barColourDark', 'Browser bar, dark');
