import { decimals, px } from '../../type/fluid.ts';
import { choiceType } from '../valuetypes/choice.ts';
import { colourType } from '../valuetypes/colour.ts';
import { numberType } from '../valuetypes/number.ts';
import { pictureType } from '../valuetypes/picture.ts';
import { pointType, ratioType, type Point, type Ratio } from '../valuetypes/geometry.ts';
import type { Property } from './property.ts';
import { colourCss } from './text.ts';

const PADDED = ['section', 'row', 'column', 'heading', 'text', 'button', 'navigation'] as const;

type Side = 'top' | 'right' | 'bottom' | 'left';

/** Room on one side of an element, inside its background (padding) or outside (margin). */
const room =
  (name: 'padding' | 'margin', kinds: readonly string[], minimum: number) =>
  (side: Side): Property<number> => ({
    name: `${name}${side[0].toUpperCase()}${side.slice(1)}`,
    label: `${name[0].toUpperCase()}${name.slice(1)} ${side}`,
    group: 'space',
    kinds,
    type: numberType({ minimum, maximum: 600, step: 4, unit: 'px' }),
    initial: () => 0,
    css: (value) => ({ [`${name}-${side}`]: px(value) }),
  });

const padding = room('padding', PADDED, 0);
const margin = room('margin', ['row', 'column', 'heading', 'text', 'button', 'picture', 'navigation'], -400);

export const paddingTop = padding('top');
export const paddingRight = padding('right');
export const paddingBottom = padding('bottom');
export const paddingLeft = padding('left');

export const marginTop = margin('top');
export const marginRight = margin('right');
export const marginBottom = margin('bottom');
export const marginLeft = margin('left');

export const backgroundColour: Property<string> = {
  name: 'backgroundColour',
  label: 'Background',
  group: 'background',
  kinds: ['page', ...PADDED],
  type: colourType,
  initial: () => 'transparent',
  css: (value) => ({ 'background-color': colourCss(value) }),
};

export const source: Property<string> = {
  name: 'source',
  label: 'Picture',
  group: 'picture',
  kinds: ['picture'],
  type: pictureType,
  initial: () => '',
};

/** CSS that belongs to the picture inside its element. */
const IMAGE = { picture: 'img' } as const;

export const cropRatio: Property<Ratio> = {
  name: 'cropRatio',
  label: 'Crop to',
  group: 'picture',
  kinds: ['picture'],
  type: ratioType,
  initial: () => 'auto',
  inside: IMAGE,
  css: (value) => ({ 'aspect-ratio': value === 'auto' ? 'auto' : `${value.width} / ${value.height}` }),
};

export const fit: Property<string> = {
  name: 'fit',
  label: 'Fit',
  group: 'picture',
  kinds: ['picture'],
  type: choiceType([
    { value: 'cover', label: 'fill', also: ['cover'] },
    { value: 'contain', label: 'whole', also: ['contain'] },
  ]) as Property<string>['type'],
  initial: () => 'cover',
  inside: IMAGE,
  css: (value) => ({ 'object-fit': value }),
};

export const focalPoint: Property<Point> = {
  name: 'focalPoint',
  label: 'Focal point',
  group: 'picture',
  kinds: ['picture'],
  type: pointType,
  initial: () => ({ x: 50, y: 50 }),
  inside: IMAGE,
  css: ({ x, y }) => ({ 'object-position': `${decimals(x)}% ${decimals(y)}%` }),
};

const FRAMED = ['section', 'row', 'column', 'heading', 'text', 'button', 'picture', 'navigation'] as const;

export const radius: Property<number> = {
  name: 'radius',
  label: 'Corner radius',
  group: 'border',
  kinds: FRAMED,
  type: numberType({ minimum: 0, maximum: 400, step: 2, unit: 'px' }),
  initial: () => 0,
  inside: IMAGE,
  css: (value) => ({ 'border-radius': px(value) }),
};

export const borderWidth: Property<number> = {
  name: 'borderWidth',
  label: 'Border width',
  group: 'border',
  kinds: FRAMED,
  type: numberType({ minimum: 0, maximum: 40, step: 1, unit: 'px' }),
  initial: () => 0,
  inside: IMAGE,
  css: (value) => ({ 'border-width': px(value), 'border-style': 'solid' }),
};

export const borderColour: Property<string> = {
  name: 'borderColour',
  label: 'Border colour',
  group: 'border',
  kinds: FRAMED,
  type: colourType,
  initial: () => 'black',
  inside: IMAGE,
  css: (value) => ({ 'border-color': colourCss(value) }),
};

/** Shadows by how far the block seems to lie above the page. */
const SHADOWS: Record<string, string> = {
  none: 'none',
  low: '0 1px 3px rgb(0 0 0 / 0.25)',
  middle: '0 4px 14px rgb(0 0 0 / 0.22)',
  high: '0 14px 40px rgb(0 0 0 / 0.28)',
};

export const shadow: Property<string> = {
  name: 'shadow',
  label: 'Shadow',
  group: 'border',
  kinds: FRAMED,
  type: choiceType(
    Object.keys(SHADOWS).map((name) => ({ value: name, label: name })),
  ) as Property<string>['type'],
  initial: () => 'none',
  inside: IMAGE,
  css: (value) => ({ 'box-shadow': SHADOWS[value] }),
};

export const opacity: Property<number> = {
  name: 'opacity',
  label: 'Opacity',
  group: 'border',
  kinds: FRAMED,
  type: numberType({ minimum: 0, maximum: 1, step: 0.05 }),
  initial: () => 1,
  css: (value) => ({ opacity: decimals(value) }),
};
