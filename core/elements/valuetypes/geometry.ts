import { sure } from '../../sure.ts';
import { Type } from '@sinclair/typebox';
import { decimals } from '../../type/fluid.ts';
import { done, refused } from '../../outcome.ts';
import { readNumber } from './number.ts';
import type { ValueType } from './valuetype.ts';

/** The shape of a box: as its content has it, or width to height. */
export type Ratio = 'auto' | { width: number; height: number };

/** An aspect ratio as CSS: `3 / 2`. */
export const ratioCss = (value: Ratio): string =>
  value === 'auto' ? 'auto' : `${value.width} / ${value.height}`;

const side = Type.Number({ exclusiveMinimum: 0, maximum: 100 });

/** Ratios to choose from, as they are typed. */
export const ASPECT_RATIOS: readonly string[] = ['1:1', '4:3', '3:2', '16:9', '3:4', '2:3'];

/** A ratio, typed as 16:9, 3/2 or auto. */
export const ratioType: ValueType<Ratio> = {
  editor: 'ratio',
  schema: Type.Union([
    Type.Literal('auto'),
    Type.Object({ width: side, height: side }, { additionalProperties: false }),
  ]),
  parse(text) {
    const typed = text.trim().toLowerCase();
    if (typed === 'auto') return done('auto' as const);
    const [width, height = 1, ...rest] = typed.split(/[:/x×]/).map((part) => readNumber(part));
    const valid = (value: number | undefined) => value !== undefined && value > 0 && value <= 100;
    if (!valid(width) || !valid(height) || rest.length > 0) {
      return refused(`“${text.trim()}” isn’t a valid aspect ratio. Type auto, or width:height as in 16:9.`);
    }
    return done({ width: sure(width, 'width'), height });
  },
  format: (value) => (value === 'auto' ? 'auto' : `${decimals(value.width)}:${decimals(value.height)}`),
  options: () =>
    ['auto', ...ASPECT_RATIOS].map((label) => {
      const [width, height] = label.split(':').map(Number);
      return { value: label === 'auto' ? label : { width, height }, label };
    }),
};

/** A point of an image in percent from its left and its top. */
export interface Point {
  x: number;
  y: number;
}

/** A point in an image, in percent from the left and the top, as CSS. */
export const pointCss = ({ x, y }: Point): string => `${decimals(x)}% ${decimals(y)}%`;

const share = Type.Number({ minimum: 0, maximum: 100 });

/** A point, typed as two shares: "50 20" or "50 % 20 %". */
export const pointType: ValueType<Point> = {
  editor: 'point',
  schema: Type.Object({ x: share, y: share }, { additionalProperties: false }),
  parse(text) {
    const parts = text
      .replace(/%/g, ' ')
      .trim()
      .split(/[\s,;]+/)
      .map((part) => readNumber(part));
    const valid = parts.length === 2 && parts.every((part) => part !== undefined && part >= 0 && part <= 100);
    if (!valid)
      return refused(
        `“${text.trim()}” isn’t a valid point. Type two percentages from 0 to 100, as in 50 20.`,
      );
    return done({ x: sure(parts[0]), y: sure(parts[1]) });
  },
  format: ({ x, y }) => `${decimals(x)} ${decimals(y)}`,
};
