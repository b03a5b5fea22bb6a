import { SHARES } from '../../type/proportional.ts';
import type { ValueType } from './valuetype.ts';

/** A change that starts from what a value is: more or less by a number in its unit, or a share of it in percent. */
export type Adjustment = { by: number } | { percent: number };

const ADJUSTABLE = new Set(['px', 'percent', 'min', 'max', 'share']);

/**
 * A value adjusted: its number, or every length in it (both limits of a fluid size, not the widths between which it
 * grows; the share of a proportional one, not its limits). Rounded to hundredths and held to the range. Undefined for what has no number: a word, an alias, a colour.
 */
export function adjusted(type: ValueType, value: unknown, adjustment: Adjustment): unknown {
  const range = { least: type.minimum ?? -Infinity, most: type.maximum ?? Infinity };
  const number = (from: number, { least, most } = range): number => {
    const wanted = 'by' in adjustment ? from + adjustment.by : (from * adjustment.percent) / 100;
    return Math.min(most, Math.max(least, Math.round(wanted * 100) / 100));
  };
  if (typeof value === 'number') return number(value);
  if (typeof value !== 'object' || value === null) return undefined;
  const entries = Object.entries(value);
  if (!entries.some(([key]) => ADJUSTABLE.has(key))) return undefined;
  return Object.fromEntries(
    entries.map(([key, each]) => [
      key,
      ADJUSTABLE.has(key) && typeof each === 'number'
        ? number(each, key === 'share' ? SHARES : range)
        : (each as unknown),
    ]),
  );
}
