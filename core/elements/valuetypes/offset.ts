import { Type } from '@sinclair/typebox';
import { decimals, px } from '../../type/fluid.ts';
import { done, refused } from '../../outcome.ts';
import { readNumber } from './number.ts';
import type { ValueType } from './valuetype.ts';

/** How far something stands from where it is held: px, or a share in percent of the area that holds it; negative: outwards. */
export type Offset = { px: number } | { percent: number };

/** px */
export const MOST_OFFSET = 1000;
const MOST_PERCENT = 100;

/**
 * An offset in CSS. From a start or an end it leads inwards, from the centre towards the end; of what is held to all of its area it is
 * the room on both sides. A length is a margin, and takes room; a share shifts what it is said of.
 */
export function offsetCss(
  value: Offset,
  held: 'start' | 'center' | 'end' | 'stretch',
  start: string,
  end: string,
): Record<string, string> {
  const lead = 'px' in value ? value.px : 0;
  const share = 'percent' in value ? value.percent : 0;
  const away = { start: [1, 0], center: [1, -1], end: [0, 1], stretch: [1, 1] }[held];
  return {
    [`margin-${start}`]: px(lead * away[0] || 0),
    [`margin-${end}`]: px(lead * away[1] || 0),
    [`inset-${start}`]: share === 0 || held === 'end' ? 'auto' : `${decimals(share)}%`,
    [`inset-${end}`]: share === 0 || held !== 'end' ? 'auto' : `${decimals(share)}%`,
  };
}

const bounded = (most: number) => Type.Number({ minimum: -most, maximum: most });

export const offsetType: ValueType<Offset> = {
  editor: 'offset',
  schema: Type.Union([
    Type.Object({ px: bounded(MOST_OFFSET) }, { additionalProperties: false }),
    Type.Object({ percent: bounded(MOST_PERCENT) }, { additionalProperties: false }),
  ]),
  step: 1,
  parse(text) {
    const typed = text.trim().toLowerCase();
    const share = typed.endsWith('%') ? readNumber(typed, '%') : undefined;
    if (share !== undefined && Math.abs(share) <= MOST_PERCENT) return done({ percent: share });
    const pixels = typed.endsWith('%') ? undefined : readNumber(typed, 'px');
    if (pixels !== undefined && Math.abs(pixels) <= MOST_OFFSET) return done({ px: pixels });
    return refused(
      `“${text.trim()}” isn’t a valid offset. Type −${MOST_OFFSET} to ${MOST_OFFSET} px, or −100 % to 100 % of the area.`,
    );
  },
  format: (value) => ('px' in value ? `${decimals(value.px)} px` : `${decimals(value.percent)} %`),
};
