import { Type } from '@sinclair/typebox';
import { enlargeable, notEnlarged } from '../../type/curve.ts';
import { decimals, fluid } from '../../type/fluid.ts';
import { proportional, SHARES, type Proportional } from '../../type/proportional.ts';
import { isFluid, type TextSize } from '../../type/textsize.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { readNumber } from './number.ts';
import type { ValueType } from './valuetype.ts';

export const SMALLEST_TEXT = 6;
export const LARGEST_TEXT = 400;

const length = Type.Number({ minimum: SMALLEST_TEXT, maximum: LARGEST_TEXT });
const width = Type.Number({ minimum: 0, maximum: 10000 });

/** px; between these a fluid size grows that says no widths, where nothing else does. */
const USUAL_WIDTHS = { fromWidth: 320, toWidth: 1280 };

const READ = `type a number from ${SMALLEST_TEXT} to ${LARGEST_TEXT}, two as in 44–56, or with their widths as in 44–56 @ 640–1023, or a share as in 8 % or 24–8 %–96.`;

/** What stands between the dashes of a text like “44–56”. */
const between = (text: string): string[] => text.split(/[–—-]|\bto\b/);

/** The numbers of a text like “44–56”, in px; undefined where one is none. */
function numbers(text: string): number[] | undefined {
  const read = between(text).map((part) => readNumber(part, 'px'));
  return read.every((each) => each !== undefined) ? read : undefined;
}

const isLength = (size: number): boolean => size >= SMALLEST_TEXT && size <= LARGEST_TEXT;

/** A share like “8 %”, with the least before it and the most behind, where there are any; undefined where it is none. */
function readShare(text: string): Outcome<Proportional> | undefined {
  const parts = between(text).map((part) => part.trim());
  const at = parts.findIndex((part) => part.endsWith('%'));
  const share = at < 0 ? undefined : readNumber(parts[at], '%');
  const ends = parts.filter((_part, index) => index !== at).map((part) => readNumber(part, 'px'));
  if (share === undefined || at > 1 || parts.length > at + 2) return undefined;
  if (!ends.every((end) => end !== undefined && isLength(end))) return undefined;
  const [least, most] = at === 0 ? [undefined, ends[0]] : ends;
  return proportional({ share, least, most });
}

const written = (value: TextSize): string => {
  if (typeof value === 'number') return decimals(value);
  if (isFluid(value)) return `${decimals(value.min)}–${decimals(value.max)}`;
  const { share, least, most } = value;
  return `${least === undefined ? '' : `${decimals(least)}–`}${decimals(share)} %${most === undefined ? '' : `–${decimals(most)}`}`;
};

/** What a size means that follows a width. */
function meant(value: Exclude<TextSize, number>): string {
  if (isFluid(value))
    return `Grows from ${decimals(value.min)} px at ${decimals(value.fromWidth)} px of the window to ${decimals(value.max)} px at ${decimals(value.toWidth)} px`;
  const { share, least, most } = value;
  const ends = [
    ...(least === undefined ? [] : [`not below ${decimals(least)} px`]),
    ...(most === undefined ? [] : [`not above ${decimals(most)} px`]),
  ];
  return [`${decimals(share)} % of the width of the place that it has`, ...ends].join(', ');
}

/**
 * A text size: one number of px, two with the widths between which it grows, or a share of the width of the place that it has.
 */
export const textSizeType: ValueType<TextSize> = {
  editor: 'size',
  schema: Type.Union([
    length,
    Type.Object(
      { min: length, max: length, fromWidth: width, toWidth: width },
      { additionalProperties: false },
    ),
    Type.Object(
      {
        share: Type.Number({ minimum: SHARES.least, maximum: SHARES.most }),
        least: Type.Optional(length),
        most: Type.Optional(length),
      },
      { additionalProperties: false },
    ),
  ]),
  unit: 'px',
  step: 1,
  minimum: SMALLEST_TEXT,
  maximum: LARGEST_TEXT,
  parse(text, { fluidWidths }) {
    const [first, second, ...more] = text.split('@');
    const typed = `“${text.trim()}” is not a text size`;
    const share = second === undefined ? readShare(first) : undefined;
    if (share) return share;
    const [sizes, widths] = [numbers(first), second === undefined ? undefined : numbers(second)];
    if (!sizes?.every(isLength) || sizes.length > 2 || more.length > 0) return refused(`${typed}: ${READ}`);
    const [min, max] = sizes;
    if (second !== undefined && (widths?.length !== 2 || max === undefined))
      return refused(`${typed}: two sizes need two widths behind the @, as in 44–56 @ 640–1023.`);
    if (max === undefined) return done(min);
    const ends = widths && { fromWidth: widths[0], toWidth: widths[1] };
    return fluid({ min, max, ...(ends ?? fluidWidths ?? USUAL_WIDTHS) });
  },
  format: written,
  written: (value) =>
    typeof value === 'object' && isFluid(value)
      ? `${written(value)} @ ${decimals(value.fromWidth)}–${decimals(value.toWidth)}`
      : written(value),
  told(value) {
    if (typeof value === 'number') return undefined;
    const fails = notEnlarged(value);
    if (!fails) return meant(value);
    return `${meant(value)}. Zoom cannot double it in windows from ${fails.from} to ${fails.to} px (WCAG 1.4.4); ${written(enlargeable(value))} it can.`;
  },
  fault(value) {
    if (typeof value === 'number') return undefined;
    const made = isFluid(value) ? fluid(value) : proportional(value);
    return made.ok ? undefined : made.sentence;
  },
};
