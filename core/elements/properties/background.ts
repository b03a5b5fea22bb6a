import { BOX_PARTS } from '../parts.ts';
import { choiceType } from '../valuetypes/choice.ts';
import { colourCss, colourType } from '../valuetypes/colour.ts';
import { pointCss, pointType, type Point } from '../valuetypes/geometry.ts';
import { gradientCss, gradientType, type Gradient } from '../valuetypes/gradient.ts';
import { NO_IMAGE, imageType } from '../valuetypes/image.ts';
import type { Declarations, Property } from './property.ts';

/**
 * A background is painted in layers: the tint over the gradient over the picture. Each layer is a custom property of
 * its own, so that each can differ by view alone; they are declared not to be inherited (see the foundation).
 */
export const BACKGROUND_LAYERS = ['--tint', '--gradient', '--picture'] as const;

const layer = (name: (typeof BACKGROUND_LAYERS)[number], value: string): Declarations => ({
  [name]: value,
  'background-image': BACKGROUND_LAYERS.map((each) => `var(${each}, none)`).join(', '),
});

/** The custom property that holds the address of an image, so that a value needs only its id. */
export const pictureVariable = (asset: string): string => `--picture-${asset}`;

export const backgroundColour: Property<string> = {
  name: 'backgroundColour',
  label: 'Background',
  group: 'background',
  traits: ['backed'],
  parts: [...BOX_PARTS, 'list'],
  type: colourType,
  initial: () => 'transparent',
  css: (value) => ({ 'background-color': colourCss(value) }),
};

export const backgroundPicture: Property<string> = {
  name: 'backgroundPicture',
  label: 'Background image',
  group: 'background',
  traits: ['backed'],
  type: imageType(true),
  initial: () => NO_IMAGE,
  css: (value) => layer('--picture', value === NO_IMAGE ? 'none' : `var(${pictureVariable(value)})`),
};

export const backgroundPosition: Property<Point> = {
  name: 'backgroundPosition',
  label: 'Background position',
  group: 'background',
  traits: ['backed'],
  type: pointType,
  initial: () => ({ x: 50, y: 50 }),
  css: (value) => ({ 'background-position': `0 0, 0 0, ${pointCss(value)}` }),
};

export const backgroundSize: Property<string> = {
  name: 'backgroundSize',
  label: 'Background size',
  group: 'background',
  traits: ['backed'],
  type: choiceType([
    { value: 'cover', label: 'fill' },
    { value: 'contain', label: 'whole' },
    { value: 'auto', label: 'natural size' },
    { value: '50% auto', label: '50 %' },
    { value: '25% auto', label: '25 %' },
  ]),
  initial: () => 'cover',
  css: (value) => ({ 'background-size': `auto, auto, ${value}` }),
};

export const backgroundRepeat: Property<string> = {
  name: 'backgroundRepeat',
  label: 'Background repeat',
  group: 'background',
  traits: ['backed'],
  type: choiceType([
    { value: 'no-repeat', label: 'once' },
    { value: 'repeat', label: 'tiled' },
    { value: 'repeat-x', label: 'in a row' },
    { value: 'repeat-y', label: 'in a column' },
  ]),
  initial: () => 'no-repeat',
  css: (value) => ({ 'background-repeat': `repeat, repeat, ${value}` }),
};

export const tint: Property<string> = {
  name: 'tint',
  label: 'Tint over image',
  group: 'background',
  traits: ['backed'],
  type: colourType,
  initial: () => 'transparent',
  css: (value) => {
    const colour = colourCss(value);
    return layer('--tint', colour === 'transparent' ? 'none' : `linear-gradient(${colour}, ${colour})`);
  },
};

export const gradient: Property<Gradient | 'none'> = {
  name: 'gradient',
  label: 'Gradient',
  group: 'background',
  traits: ['backed'],
  type: gradientType,
  initial: () => 'none',
  css: (value) => layer('--gradient', gradientCss(value)),
};
