import { Type } from '@sinclair/typebox';
import { done, refused } from '../../outcome.ts';
import { decimals } from '../../type/fluid.ts';
import type { ValueContext, ValueType } from './valuetype.ts';

interface NumberRange {
  minimum: number;
  maximum: number;
  step: number;
  unit?: 'px' | 'em' | 's' | '%';
  integer?: boolean;
  format?(value: number, context: ValueContext): string;
}

/** One to three digits, a comma and three digits: a thousand to some, one and a bit to others. */
const TWO_MEANINGS = /^[+-]?[1-9]\d{0,2},\d{3}$/;

/**
 * Reads a finite number, with or without the unit. A comma is taken for a decimal point, but where it could stand between
 * thousands as well, as in 1,200: that is no number.
 */
export function readNumber(text: string, unit = ''): number | undefined {
  const trimmed = text.trim().toLowerCase();
  const bare = unit && trimmed.endsWith(unit) ? trimmed.slice(0, -unit.length).trim() : trimmed;
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(bare)) return undefined;
  return TWO_MEANINGS.test(bare) ? undefined : Number(bare.replace(',', '.'));
}

/** A number in a range, in steps, with an optional unit. */
export const numberType = (range: NumberRange): ValueType<number> => ranged<never>(range);

/** A number in a range, or a word that may stand instead. */
export const numberOr = <W extends string>(word: W, range: NumberRange): ValueType<number | W> =>
  ranged(range, word);

function ranged<W extends string>(range: NumberRange, word?: W): ValueType<number | W> {
  const { minimum, maximum, step, unit, integer } = range;
  const bounds = { minimum, maximum };
  const number = integer ? Type.Integer(bounds) : Type.Number(bounds);
  return {
    editor: 'number',
    schema: word === undefined ? number : Type.Union([Type.Literal(word), number]),
    unit,
    step,
    minimum,
    maximum,
    word,
    parse(text) {
      if (word !== undefined && text.trim().toLowerCase() === word) return done(word);
      const value = readNumber(text, unit);
      if (
        value === undefined ||
        value < minimum ||
        value > maximum ||
        (integer && !Number.isInteger(value))
      ) {
        const kind = integer ? 'a whole number' : 'a number';
        const other = word === undefined ? '' : `, or ${word}`;
        return refused(
          `“${text.trim()}” is not ${kind} from ${minimum} to ${maximum}${unit ? ` ${unit}` : ''}${other}.`,
        );
      }
      return done(value);
    },
    format: (value, context) =>
      typeof value !== 'number' ? value : range.format ? range.format(value, context) : decimals(value),
  };
}
