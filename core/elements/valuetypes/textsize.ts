import { Type } from '@sinclair/typebox';
import { decimals, fluid, type TextSize } from '../../type/fluid.ts';
import { done, refused } from '../../outcome.ts';
import { readNumber } from './number.ts';
import type { ValueType } from './valuetype.ts';

export const SMALLEST_TEXT = 6;
export const LARGEST_TEXT = 400;

const length = Type.Number({ minimum: SMALLEST_TEXT, maximum: LARGEST_TEXT });
const width = Type.Number({ minimum: 0, maximum: 10000 });

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
    const parts = text.split(/[–—-]|\bto\b/).map((part) => readNumber(part, 'px'));
    if (
      parts.some((part) => part === undefined || part < SMALLEST_TEXT || part > LARGEST_TEXT) ||
      parts.length > 2
    ) {
      return refused(
        `“${text.trim()}” is not a text size: type a number from ${SMALLEST_TEXT} to ${LARGEST_TEXT}, or two as in 44–56.`,
      );
    }
    const [min, max] = parts as number[];
    if (max === undefined) return done(min);
    const { fromWidth, toWidth } = fluidWidths ?? { fromWidth: 320, toWidth: 1280 };
    return fluid({ min, max, fromWidth, toWidth });
  },
  format: (value) =>
    typeof value === 'number' ? decimals(value) : `${decimals(value.min)}–${decimals(value.max)}`,
  fault(value) {
    if (typeof value === 'number') return undefined;
    const made = fluid(value);
    return made.ok ? undefined : made.sentence;
  },
};
