import { px } from '../../type/fluid.ts';
import { colourType } from '../valuetypes/colour.ts';
import { numberType } from '../valuetypes/number.ts';
import { pictureType } from '../valuetypes/picture.ts';
import type { Property } from './property.ts';
import { colourCss } from './text.ts';

const PADDED = ['section', 'row', 'column', 'heading', 'text', 'button', 'navigation'] as const;

function padding(side: 'top' | 'right' | 'bottom' | 'left'): Property<number> {
  return {
    name: `padding${side[0].toUpperCase()}${side.slice(1)}`,
    label: `Padding ${side}`,
    group: 'space',
    kinds: PADDED,
    type: numberType({ minimum: 0, maximum: 600, step: 4, unit: 'px' }),
    initial: () => 0,
    css: (value) => ({ [`padding-${side}`]: px(value) }),
  };
}

export const paddingTop = padding('top');
export const paddingRight = padding('right');
export const paddingBottom = padding('bottom');
export const paddingLeft = padding('left');

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
