import { Type } from '@sinclair/typebox';
import { decimals, px } from '../../type/fluid.ts';
import { done, refused } from '../../outcome.ts';
import { numberOr, readNumber } from './number.ts';
import type { ValueType } from './valuetype.ts';

/** How wide a block is: as its place or content has it, a number of px, or a share of its container in percent. */
export type Extent = 'auto' | { px: number } | { percent: number };

/** A length or share in CSS; `auto` has another name in each property. */
export const extentCss = (value: Extent, auto: string): string =>
  value === 'auto' ? auto : 'px' in value ? px(value.px) : `${decimals(value.percent)}%`;

export const extentType: ValueType<Extent> = {
  editor: 'extent',
  schema: Type.Union([
    Type.Literal('auto'),
    Type.Object({ px: Type.Number({ minimum: 1, maximum: 4000 }) }, { additionalProperties: false }),
    Type.Object({ percent: Type.Number({ minimum: 1, maximum: 100 }) }, { additionalProperties: false }),
  ]),
  step: 1,
  parse(text) {
    const typed = text.trim().toLowerCase();
    if (typed === 'auto') return done('auto' as const);
    const share = typed.endsWith('%') ? readNumber(typed, '%') : undefined;
    if (share !== undefined && share >= 1 && share <= 100) return done({ percent: share });
    const pixels = typed.endsWith('%') ? undefined : readNumber(typed, 'px');
    if (pixels !== undefined && pixels >= 1 && pixels <= 4000) return done({ px: pixels });
    return refused(
      `“${text.trim()}” isn’t a valid width. Type auto, a share from 1 % to 100 %, or 1 to 4000 px.`,
    );
  },
  format: (value) =>
    value === 'auto' ? 'auto' : 'px' in value ? `${decimals(value.px)} px` : `${decimals(value.percent)} %`,
};

const TALLEST = 4000;

/** A height in px, or `auto`, as CSS. */
export const heightCss = (value: number | 'auto'): string => (value === 'auto' ? 'auto' : px(value));

/** How tall a block is: as its content has it, or a number of px. */
export const heightType = numberOr('auto', {
  minimum: 0,
  maximum: TALLEST,
  step: 8,
  unit: 'px',
});
