import type { Case } from '../../markup/language.ts';
import { decimals, fluidNumberCss, isFluid, type Fluid } from '../../type/fluid.ts';
import { textSizeCss, type TextSize } from '../../type/textsize.ts';
import { familyOf } from '../../theme/families.ts';
import { LINE_PARTS, TEXT_PARTS } from '../parts.ts';
import { colourCss, colourType } from '../valuetypes/colour.ts';
import { choiceType, familyType } from '../valuetypes/choice.ts';
import { fluidly } from '../valuetypes/fluid.ts';
import { numberType } from '../valuetypes/number.ts';
import { textSizeType } from '../valuetypes/textsize.ts';
import type { Property } from './property.ts';

/** A family in CSS, with what stands in until its file has loaded. */
export function familyCss(id: string): string {
  const family = familyOf(id);
  const names = [id, ...(family?.standIn ? [family.standIn.name] : [])].map((name) => `"${name}"`);
  return [...names, family?.fallback ?? 'sans-serif'].join(', ');
}

export const family: Property<string> = {
  name: 'family',
  label: 'Family',
  group: 'text',
  traits: ['words'],
  parts: TEXT_PARTS,
  type: familyType,
  inherits: true,
  initial: () => 'figtree',
  css: (value) => ({ 'font-family': familyCss(value) }),
};

export const size: Property<TextSize> = {
  name: 'size',
  label: 'Size',
  group: 'text',
  traits: ['words'],
  parts: TEXT_PARTS,
  type: textSizeType,
  inherits: true,
  initial: () => 16,
  css: (value) => ({ 'font-size': textSizeCss(value) }),
};

/** A share of the size, or one that follows the window: lines stand closer the larger their letters are. */
export const lineHeight: Property<number | Fluid> = {
  name: 'lineHeight',
  label: 'Line height',
  group: 'text',
  traits: ['words'],
  parts: TEXT_PARTS,
  type: fluidly(numberType({ minimum: 0.5, maximum: 4, step: 0.05 }), { falls: true }),
  inherits: true,
  initial: () => 1.5,
  css: (value) => ({ 'line-height': isFluid(value) ? fluidNumberCss(value) : decimals(value) }),
};

export const weight: Property<number> = {
  name: 'weight',
  label: 'Weight',
  group: 'text',
  traits: ['words'],
  parts: TEXT_PARTS,
  type: numberType({ minimum: 100, maximum: 900, step: 50, integer: true }),
  inherits: true,
  initial: () => 400,
  css: (value) => ({ 'font-weight': String(value) }),
};

export const align: Property<string> = {
  name: 'align',
  label: 'Align text',
  group: 'text',
  traits: ['container', 'aligned'],
  parts: LINE_PARTS,
  type: choiceType([
    { value: 'start', label: 'start', also: ['left'] },
    { value: 'center', label: 'centre', also: ['middle'] },
    { value: 'end', label: 'end', also: ['right'] },
    { value: 'justify', label: 'justified' },
  ]),
  inherits: true,
  initial: () => 'start',
  css: (value) => ({ 'text-align': value }),
};

export const colour: Property<string> = {
  name: 'colour',
  label: 'Colour',
  group: 'text',
  traits: ['coloured'],
  parts: TEXT_PARTS,
  type: colourType,
  inherits: true,
  initial: () => 'black',
  css: (value) => ({ color: colourCss(value) }),
};

export const slant: Property<string> = {
  name: 'slant',
  label: 'Font style',
  group: 'text',
  traits: ['words'],
  parts: TEXT_PARTS,
  type: choiceType([
    { value: 'normal', label: 'normal' },
    { value: 'italic', label: 'italic' },
  ]),
  inherits: true,
  initial: () => 'normal',
  css: (value) => ({ 'font-style': value }),
};

function trackingCss(value: number | Fluid): string {
  if (isFluid(value)) return `calc(1em * ${fluidNumberCss(value)})`;
  return value === 0 ? 'normal' : `${decimals(value)}em`;
}

/**
 * In em, so that it keeps its look at every size. A custom property is inherited as it is written, em and all, where a
 * letter-spacing would be inherited in px: so each part has the spacing in ems of its own size.
 */
export const letterSpacing: Property<number | Fluid> = {
  name: 'letterSpacing',
  label: 'Letter spacing',
  group: 'text',
  traits: ['words'],
  parts: TEXT_PARTS,
  type: fluidly(numberType({ minimum: -0.2, maximum: 1, step: 0.01, unit: 'em' }), { falls: true }),
  inherits: true,
  initial: () => 0,
  css: (value) => ({ '--tracking': trackingCss(value) }),
  applied: { 'letter-spacing': 'var(--tracking, normal)' },
};

const textCase: Property<Case> = {
  name: 'case',
  label: 'Case',
  group: 'text',
  traits: ['words'],
  parts: TEXT_PARTS,
  type: choiceType([
    { value: 'none', label: 'as typed' },
    { value: 'uppercase', label: 'CAPITALS' },
    { value: 'lowercase', label: 'lowercase' },
    { value: 'capitalize', label: 'Capitalize' },
  ]),
  inherits: true,
  initial: () => 'none',
  css: (value) => ({ 'text-transform': value }),
};

export const decoration: Property<string> = {
  name: 'decoration',
  label: 'Decoration',
  group: 'text',
  traits: ['prose'],
  parts: [...LINE_PARTS, 'link', 'button'],
  type: choiceType([
    { value: 'none', label: 'none' },
    { value: 'underline', label: 'underline' },
    { value: 'line-through', label: 'strikethrough' },
  ]),
  initial: () => 'none',
  css: (value) => ({ 'text-decoration-line': value }),
};

export const wrapping: Property<string> = {
  name: 'wrapping',
  label: 'Line breaks',
  group: 'text',
  traits: ['prose'],
  parts: LINE_PARTS,
  type: choiceType([
    { value: 'wrap', label: 'auto', also: ['normal'] },
    { value: 'balance', label: 'balanced' },
    { value: 'pretty', label: 'pretty' },
  ]),
  inherits: true,
  initial: () => 'wrap',
  css: (value) => ({ 'text-wrap': value }),
};

export const hyphenation: Property<string> = {
  name: 'hyphenation',
  label: 'Hyphenation',
  group: 'text',
  traits: ['prose'],
  type: choiceType([
    { value: 'manual', label: 'none' },
    { value: 'auto', label: 'auto' },
  ]),
  inherits: true,
  initial: () => 'manual',
  css: (value) => ({ hyphens: value }),
};

export const textColumns: Property<number> = {
  name: 'textColumns',
  label: 'Text columns',
  group: 'text',
  traits: ['flowing'],
  type: numberType({ minimum: 1, maximum: 6, step: 1, integer: true }),
  initial: () => 1,
  css: (value) => ({ 'column-count': value === 1 ? 'auto' : String(value) }),
};

/** Each property is exported by its own name; this one is a word of the language. */
export { textCase as case };
