import { Type } from '@sinclair/typebox';
import { enlargeable, notEnlarged } from '../../type/curve.ts';
import { decimals, fluid, type Fluid, type TextSize } from '../../type/fluid.ts';
import { done, refused } from '../../outcome.ts';
import { readNumber } from './number.ts';
import type { ValueType } from './valuetype.ts';

export const SMALLEST_TEXT = 6;
export const LARGEST_TEXT = 400;

const length = Type.Number({ minimum: SMALLEST_TEXT, maximum: LARGEST_TEXT });
const width = Type.Number({ minimum: 0, maximum: 10000 });

/** px; between these a fluid size grows that says no widths, where nothing else does. */
const USUAL_WIDTHS = { fromWidth: 320, toWidth: 1280 };

/** The numbers of a text like “44–56”, in px; undefined where one is none. */
function numbers(text: string): number[] | undefined {
  const read = text.split(/[–—-]|\bto\b/).map((part) => readNumber(part, 'px'));
  return read.every((each) => each !== undefined) ? read : undefined;
}

/** A text size: one number of px, or two with the widths between which it grows. */
export const textSizeType: ValueType<TextSize> = {
  editor: 'size',
  schema: Type.Union([
    length,
    Type.Object(
      { min: length, max: length, fromWidth: width, toWidth: width },
      { additionalProperties: false },
    ),
  ]),
  unit: 'px',
  step: 1,
  minimum: SMALLEST_TEXT,
  maximum: LARGEST_TEXT,
  parse(text, { fluidWidths }) {
    const [sizes, widths, ...more] = text.split('@').map(numbers);
    const typed = `“${text.trim()}” is not a text size`;
    if (
      !sizes?.every((size) => size >= SMALLEST_TEXT && size <= LARGEST_TEXT) ||
      sizes.length > 2 ||
      more.length > 0
    ) {
      return refused(
        `${typed}: type a number from ${SMALLEST_TEXT} to ${LARGEST_TEXT}, two as in 44–56, or with their widths as in 44–56 @ 640–1023.`,
      );
    }
    const [min, max] = sizes;
    if (text.includes('@') && (widths?.length !== 2 || max === undefined))
      return refused(`${typed}: two sizes need two widths behind the @, as in 44–56 @ 640–1023.`);
    if (max === undefined) return done(min);
    const meant = widths && { fromWidth: widths[0], toWidth: widths[1] };
    return fluid({ min, max, ...(meant ?? fluidWidths ?? USUAL_WIDTHS) });
  },
  format: (value) =>
    typeof value === 'number' ? decimals(value) : `${decimals(value.min)}–${decimals(value.max)}`,
  written: (value) =>
    typeof value === 'number'
      ? decimals(value)
      : `${decimals(value.min)}–${decimals(value.max)} @ ${decimals(value.fromWidth)}–${decimals(value.toWidth)}`,
  told(value) {
    if (typeof value === 'number') return undefined;
    const range = ({ min, max }: Fluid) => `${decimals(min)}–${decimals(max)}`;
    const grows = `Grows from ${decimals(value.min)} px at ${decimals(value.fromWidth)} px of the window to ${decimals(value.max)} px at ${decimals(value.toWidth)} px`;
    const fails = notEnlarged(value);
    if (!fails) return grows;
    return `${grows}. Zoom cannot double it in windows from ${fails.from} to ${fails.to} px (WCAG 1.4.4); ${range(enlargeable(value))} it can.`;
  },
  fault(value) {
    if (typeof value === 'number') return undefined;
    const made = fluid(value);
    return made.ok ? undefined : made.sentence;
  },
};
