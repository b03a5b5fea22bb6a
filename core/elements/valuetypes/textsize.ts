import { Type } from '@sinclair/typebox';
import { enlargeable, notEnlarged } from '../../type/curve.ts';
import { decimals, fluidSchema, isFluid } from '../../type/fluid.ts';
import { proportional, SHARES, type Proportional } from '../../type/proportional.ts';
import type { TextSize } from '../../type/textsize.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { ends, fluidFault, meantFluid, readFluid, writeFluid, writtenFluid } from './fluid.ts';
import { readNumber } from './number.ts';
import type { ValueType } from './valuetype.ts';

export const SMALLEST_TEXT = 6;
export const LARGEST_TEXT = 400;

const length = Type.Number({ minimum: SMALLEST_TEXT, maximum: LARGEST_TEXT });

const READ = `Type a number from ${SMALLEST_TEXT} to ${LARGEST_TEXT}, two as in 44–56, or with their widths as in 44–56 @ 640–1023, or a share as in 8 % or 24–8 %–96.`;

function readLength(text: string): number | undefined {
  const size = readNumber(text, 'px');
  return size !== undefined && size >= SMALLEST_TEXT && size <= LARGEST_TEXT ? size : undefined;
}

/** A share like “8 %”, with the least before it and the most behind, where there are any; undefined where it is none. */
function readShare(text: string): Outcome<Proportional> | undefined {
  const parts = ends(text);
  const at = parts.findIndex((part) => part.endsWith('%'));
  const share = at < 0 ? undefined : readNumber(parts[at], '%');
  const limits = parts.filter((_part, index) => index !== at).map(readLength);
  if (share === undefined || at > 1 || parts.length > at + 2) return undefined;
  if (!limits.every((limit) => limit !== undefined)) return undefined;
  const [least, most] = at === 0 ? [undefined, limits[0]] : limits;
  return proportional({ share, least, most });
}

function write(value: TextSize): string {
  if (typeof value === 'number') return decimals(value);
  if (isFluid(value)) return writeFluid(value);
  const { share, least, most } = value;
  const [from, to] = [least, most].map((end) => (end === undefined ? '' : decimals(end)));
  return [from && `${from}–`, `${decimals(share)} %`, to && `–${to}`].join('');
}

/** What a size means that follows a width. */
function meant(value: Exclude<TextSize, number>): string {
  if (isFluid(value)) return meantFluid(value, 'px');
  const { share, least, most } = value;
  const limits = [
    ...(least === undefined ? [] : [`not below ${decimals(least)} px`]),
    ...(most === undefined ? [] : [`not above ${decimals(most)} px`]),
  ];
  return [`${decimals(share)} % of the width of the place that it has`, ...limits].join(', ');
}

/**
 * A text size: one number of px, two with the widths between which it grows, or a share of the width of the place that it has.
 */
export const textSizeType: ValueType<TextSize> = {
  editor: 'size',
  schema: Type.Union([
    length,
    fluidSchema(length),
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
  parse(text, context) {
    const made = readShare(text) ?? readFluid(text, readLength, context);
    if (made) return made;
    const size = readLength(text);
    return size === undefined ? refused(`“${text.trim()}” isn’t a valid text size. ${READ}`) : done(size);
  },
  format: write,
  written: (value) => (isFluid(value) ? writtenFluid(value) : write(value)),
  describe(value) {
    if (typeof value === 'number') return undefined;
    const fails = notEnlarged(value);
    if (!fails) return meant(value);
    return `${meant(value)}. Zoom cannot double it in windows from ${fails.from} to ${fails.to} px (WCAG 1.4.4); ${write(enlargeable(value))} it can.`;
  },
  fault(value) {
    if (typeof value === 'number') return undefined;
    if (isFluid(value)) return fluidFault(value, false);
    const made = proportional(value);
    return made.ok ? undefined : made.sentence;
  },
};
