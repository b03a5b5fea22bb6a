import { Value, type ValueError } from '@sinclair/typebox/value';
import { TypeCompiler } from '@sinclair/typebox/compiler';
import { ValueErrorType } from '@sinclair/typebox/errors';
import type { TSchema } from '@sinclair/typebox';

/** One thing that is wrong: where, as a JSON Pointer (RFC 6901), and a sentence. */
export interface Fault {
  path: string;
  sentence: string;
}

const shown = (value: unknown): string => {
  const text = JSON.stringify(value) ?? 'nothing';
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
};

const OF_RANGE = new Set([
  ValueErrorType.NumberMinimum,
  ValueErrorType.NumberMaximum,
  ValueErrorType.IntegerMinimum,
  ValueErrorType.IntegerMaximum,
  ValueErrorType.StringMaxLength,
]);

function sentence(error: ValueError): string {
  const { schema, value } = error;
  switch (error.type) {
    case ValueErrorType.ObjectAdditionalProperties:
      return 'This is not part of the format here.';
    case ValueErrorType.ObjectRequiredProperty:
      return 'This is missing.';
    case ValueErrorType.Literal:
      return `This is ${shown(value)} and should be ${shown(schema.const)}.`;
    case ValueErrorType.Union: {
      // Of the forms that a value may have it has one, but for its range.
      const [nearest] = error.errors
        .flatMap((form) => form.First() ?? [])
        .filter(({ type, path }) => path === error.path && OF_RANGE.has(type));
      if (nearest) return sentence(nearest);
      return `${shown(value)} is not in any form that is valid here.`;
    }
    case ValueErrorType.StringPattern:
      return `${shown(value)} has characters or a shape that is not valid here (${schema.pattern}).`;
    case ValueErrorType.StringMinLength:
      return `The text is too short: at least ${schema.minLength} characters.`;
    case ValueErrorType.StringMaxLength:
      return `The text is too long: at most ${schema.maxLength} characters.`;
    case ValueErrorType.NumberMinimum:
    case ValueErrorType.IntegerMinimum:
      return `${shown(value)} is out of range: at least ${schema.minimum}.`;
    case ValueErrorType.NumberMaximum:
    case ValueErrorType.IntegerMaximum:
      return `${shown(value)} is out of range: at most ${schema.maximum}.`;
    case ValueErrorType.ArrayUniqueItems:
      return 'The same entry appears here twice.';
    case ValueErrorType.ArrayMinItems:
      return `At least ${schema.minItems} entry is needed.`;
    case ValueErrorType.ArrayMaxItems:
      return `At most ${schema.maxItems} entries are possible.`;
    default:
      return `${shown(value)} is not ${schema.type ? `a valid ${schema.type}` : 'valid here'}.`;
  }
}

const compiled = new WeakMap<TSchema, { Check(value: unknown): boolean }>();

/**
 * Whether a value fits a schema. Outside a page, whose policy lets no code be made from text, a schema is compiled once:
 * a whole page is checked on every edit.
 */
function fits(schema: TSchema, value: unknown): boolean {
  if ('document' in globalThis) return Value.Check(schema, value);
  let check = compiled.get(schema);
  if (!check) compiled.set(schema, (check = TypeCompiler.Compile(schema)));
  return check.Check(value);
}

/** What a value breaks of a schema, the first `limit` faults; a missing entry is named once. */
export function schemaFaults(schema: TSchema, value: unknown, limit = 20): Fault[] {
  if (fits(schema, value)) return [];
  const faults = new Map<string, Fault>();
  for (const error of Value.Errors(schema, value)) {
    if (!faults.has(error.path)) faults.set(error.path, { path: error.path, sentence: sentence(error) });
    if (faults.size >= limit) break;
  }
  return [...faults.values()];
}
