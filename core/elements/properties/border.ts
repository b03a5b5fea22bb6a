import { sure } from '../../sure.ts';
import { decimals, px } from '../../type/fluid.ts';
import { choiceType } from '../valuetypes/choice.ts';
import { colourCss, colourType } from '../valuetypes/colour.ts';
import { numberType } from '../valuetypes/number.ts';
import type { Property } from './property.ts';
import { flowSide, SIDES, sideLabel, type Side } from './space.ts';
import { lookup } from '../../lookup.ts';

const FRAMED = ['section', 'block', 'strip', 'floating'] as const;
const EDGED = ['field', 'button', 'quote'] as const;

export const borders = SIDES.map((side: Side): Property<number> => ({
  name: `border${side[0].toUpperCase()}${side.slice(1)}`,
  label: `Border ${sideLabel(side)}`,
  group: 'border',
  traits: FRAMED,
  parts: EDGED,
  sides: 'border',
  type: numberType({ minimum: 0, maximum: 40, step: 1, unit: 'px' }),
  initial: () => 0,
  onMedia: true,
  css: (value) => ({ [`border-${flowSide(side)}-width`]: px(value) }),
}));

export const borderStyle: Property<string> = {
  name: 'borderStyle',
  label: 'Border line',
  group: 'border',
  traits: FRAMED,
  type: choiceType([
    { value: 'solid', label: 'solid' },
    { value: 'dashed', label: 'dashed' },
    { value: 'dotted', label: 'dotted' },
  ]),
  initial: () => 'solid',
  onMedia: true,
  css: (value) => ({ 'border-style': value }),
};

export const borderColour: Property<string> = {
  name: 'borderColour',
  label: 'Border colour',
  group: 'border',
  traits: FRAMED,
  parts: EDGED,
  type: colourType,
  initial: () => 'black',
  onMedia: true,
  css: (value) => ({ 'border-color': colourCss(value) }),
};

export const radius: Property<number> = {
  name: 'radius',
  label: 'Corner radius',
  group: 'border',
  traits: FRAMED,
  parts: EDGED,
  type: numberType({ minimum: 0, maximum: 400, step: 2, unit: 'px' }),
  initial: () => 0,
  onMedia: true,
  css: (value) => ({ 'border-radius': px(value) }),
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
  traits: FRAMED,
  type: choiceType(Object.keys(SHADOWS).map((name) => ({ value: name, label: name }))),
  initial: () => 'none',
  onMedia: true,
  css: (value) => ({ 'box-shadow': sure(lookup(SHADOWS, value)) }),
};

export const opacity: Property<number> = {
  name: 'opacity',
  label: 'Opacity',
  group: 'border',
  traits: FRAMED,
  type: numberType({ minimum: 0, maximum: 1, step: 0.05 }),
  initial: () => 1,
  css: (value) => ({ opacity: decimals(value) }),
};
