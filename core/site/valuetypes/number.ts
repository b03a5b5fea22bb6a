import { Type } from '@sinclair/typebox';
import { done, refused } from '../outcome.ts';
import { decimals } from '../../type/fluid.ts';
import type { ValueContext, ValueType } from './valuetype.ts';

interface NumberRange {
  minimum: number;
  maximum: number;
  step: number;
  unit?: 'px' | 'em';
  integer?: boolean;
  format?(value: number, context: ValueContext): string;
}

/** Reads a finite number, with or without the unit; a comma is taken for a decimal point. */
export function readNumber(text: string, unit = ''): number | undefined {
  const trimmed = text.trim().toLowerCase();
  const bare = unit && trimmed.endsWith(unit) ? trimmed.slice(0, -unit.length).trim() : trimmed;
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(bare)) return undefined;
  return Number(bare.replace(',', '.'));
}

/** A number in a range, in steps, with an optional unit. */
export function numberType(range: NumberRange): ValueType<number> {
  const { minimum, maximum, step, unit, integer } = range;
  const bounds = { minimum, maximum };
  return {
    editor: 'number',
    schema: integer ? Type.Integer(bounds) : Type.Number(bounds),
    unit,
    step,
    minimum,
    maximum,
    parse(text) {
      const value = readNumber(text, unit);
      if (
        value === undefined ||
        value < minimum ||
        value > maximum ||
        (integer && !Number.isInteger(value))
      ) {
        const kind = integer ? 'a whole number' : 'a number';
        return refused(
          `“${text.trim()}” is not ${kind} from ${minimum} to ${maximum}${unit ? ` ${unit}` : ''}.`,
        );
      }
      return done(value);
    },
    format: range.format ?? ((value) => decimals(value)),
  };
}
