import { adjusted, same, type Adjustment, type ValueContext, type ValueType } from '../../core/index.ts';

const number = (text: string): number => Number(text.replace(',', '.'));

/** The editors of values that can be a share of something: there a percentage is a value. */
const SHARES: readonly string[] = ['extent', 'offset', 'size'];

/**
 * A change that a typed text asks for instead of a value: "+4" and "−4" add and take away, "+10 %" and "−10 %" do so by a share of what is
 * there, "× 0.8", "*0.8" and "× 80 %" scale. A minus is one where the value cannot be below nothing, or where the values are mixed; "80 %"
 * alone scales where it is no value.
 */
export function adjustmentIn(text: string, type: ValueType, mixed: boolean): Adjustment | undefined {
  if (type.step === undefined) return undefined;
  const typed = text.trim().replace(/−/g, '-');
  const more = /^\+\s*(\d+(?:[.,]\d+)?)$/.exec(typed);
  if (more) return { by: number(more[1]) };
  const less = /^-\s*(\d+(?:[.,]\d+)?)$/.exec(typed);
  if (less && (mixed || (type.minimum ?? 0) >= 0)) return { by: -number(less[1]) };
  const relative = /^([+-])\s*(\d+(?:[.,]\d+)?)\s*%$/.exec(typed);
  if (relative) return { percent: 100 + (relative[1] === '+' ? 1 : -1) * number(relative[2]) };
  const share = /^([*×x])?\s*(\d+(?:[.,]\d+)?)\s*%$/i.exec(typed);
  if (share && (share[1] || !SHARES.includes(type.editor))) return { percent: number(share[2]) };
  const factor = /^[*×x]\s*(\d+(?:[.,]\d+)?)$/i.exec(typed);
  if (factor) return { percent: number(factor[1]) * 100 };
  return undefined;
}

/** What a change makes of a value, in words: "64 → 51.2". Undefined where there is no number that it could change. */
export function adjustmentMeans(
  type: ValueType,
  value: unknown,
  adjustment: Adjustment,
  context: ValueContext,
): string | undefined {
  const made = adjusted(type, value, adjustment);
  if (made === undefined) return undefined;
  const free = adjusted({ ...type, minimum: undefined, maximum: undefined }, value, adjustment);
  const held = same(made, free) ? '' : ', as far as it goes';
  return `${type.format(value, context)} → ${type.format(made, context)}${held}`;
}
