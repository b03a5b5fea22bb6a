import type { Adjustment, ValueType } from '../../core/index.ts';

const number = (text: string): number => Number(text.replace(',', '.'));

/**
 * A change that a typed text asks for instead of a value: "+4" and "−4" add and take away, "80 %" and "× 0.8" scale.
 * A minus is one where the value cannot be below nothing, or where the values are mixed; a share where it is no value.
 */
export function adjustmentIn(text: string, type: ValueType, mixed: boolean): Adjustment | undefined {
  if (type.step === undefined) return undefined;
  const typed = text.trim().replace(/−/g, '-');
  const more = /^\+\s*(\d+(?:[.,]\d+)?)$/.exec(typed);
  if (more) return { by: number(more[1]) };
  const less = /^-\s*(\d+(?:[.,]\d+)?)$/.exec(typed);
  if (less && (mixed || (type.minimum ?? 0) >= 0)) return { by: -number(less[1]) };
  const share = /^([*×x])?\s*(\d+(?:[.,]\d+)?)\s*%$/i.exec(typed);
  if (share && (share[1] || type.editor !== 'extent')) return { percent: number(share[2]) };
  const factor = /^[*×x]\s*(\d+(?:[.,]\d+)?)$/i.exec(typed);
  if (factor) return { percent: number(factor[1]) * 100 };
  return undefined;
}
