import { textSizeCss, decimals, type TextSize } from '../../type/fluid.ts';
import { familyOf } from '../families.ts';
import { aliasedColour, colourType } from '../valuetypes/colour.ts';
import { choiceType, familyType } from '../valuetypes/choice.ts';
import { numberType } from '../valuetypes/number.ts';
import { textSizeType } from '../valuetypes/textsize.ts';
import type { Property } from './property.ts';

const TEXT_KINDS = ['heading', 'text', 'button', 'navigation'] as const;
const CONTAINERS = ['page', 'section', 'row', 'column'] as const;

/** A colour in CSS: an alias becomes the custom property that holds the site's colour. */
export function colourCss(value: string): string {
  const alias = aliasedColour(value);
  return alias ? `var(--colour-${alias})` : value;
}

/** A family in CSS, with what stands in until its file has loaded. */
export function familyCss(id: string): string {
  const family = familyOf(id);
  return family ? `"${family.cssName}", ${family.fallback}` : 'sans-serif';
}

export const family: Property<string> = {
  name: 'family',
  label: 'Family',
  group: 'text',
  kinds: TEXT_KINDS,
  type: familyType as Property<string>['type'],
  inherits: true,
  initial: () => 'figtree',
  css: (value) => ({ 'font-family': familyCss(value) }),
};

export const size: Property<TextSize> = {
  name: 'size',
  label: 'Size',
  group: 'text',
  kinds: TEXT_KINDS,
  type: textSizeType,
  inherits: true,
  initial: () => 16,
  css: (value) => ({ 'font-size': textSizeCss(value) }),
};

export const lineHeight: Property<number> = {
  name: 'lineHeight',
  label: 'Line height',
  group: 'text',
  kinds: TEXT_KINDS,
  type: numberType({ minimum: 0.5, maximum: 4, step: 0.05 }),
  inherits: true,
  initial: () => 1.5,
  css: (value) => ({ 'line-height': decimals(value) }),
};

export const weight: Property<number> = {
  name: 'weight',
  label: 'Weight',
  group: 'text',
  kinds: TEXT_KINDS,
  type: numberType({ minimum: 100, maximum: 900, step: 50, integer: true }),
  inherits: true,
  initial: () => 400,
  css: (value) => ({ 'font-weight': String(value) }),
};

export const align: Property<string> = {
  name: 'align',
  label: 'Align text',
  group: 'text',
  kinds: [...CONTAINERS, 'heading', 'text', 'button'],
  type: choiceType([
    { value: 'start', label: 'start', also: ['left'] },
    { value: 'center', label: 'centre', also: ['middle'] },
    { value: 'end', label: 'end', also: ['right'] },
    { value: 'justify', label: 'justified' },
  ]) as Property<string>['type'],
  inherits: true,
  initial: () => 'start',
  css: (value) => ({ 'text-align': value }),
};

export const colour: Property<string> = {
  name: 'colour',
  label: 'Colour',
  group: 'text',
  kinds: [...CONTAINERS, ...TEXT_KINDS],
  type: colourType,
  inherits: true,
  initial: () => 'black',
  css: (value) => ({ color: colourCss(value) }),
};
