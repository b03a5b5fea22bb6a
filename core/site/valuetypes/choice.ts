import { Type } from '@sinclair/typebox';
import { done, refused } from '../outcome.ts';
import { FAMILIES } from '../families.ts';
import type { Option, ValueType } from './valuetype.ts';

/** One of a fixed list of values. */
export function choiceType(options: readonly Option[]): ValueType<string | boolean> {
  const names = options.map((option) => option.label).join(', ');
  return {
    editor: 'choice',
    schema: Type.Union(options.map((option) => Type.Literal(option.value as string | boolean))),
    parse(text) {
      const wanted = text.trim().toLowerCase();
      const found = options.find((option) =>
        [option.label, String(option.value), ...(option.also ?? [])].some(
          (word) => word.toLowerCase() === wanted,
        ),
      );
      if (!found) return refused(`“${text.trim()}” is not one of: ${names}.`);
      return done(found.value as string | boolean);
    },
    format: (value) => options.find((option) => option.value === value)?.label ?? String(value),
    options: () => [...options],
  };
}

/** One of the font families that ship with the application. */
export const familyType = choiceType(FAMILIES.map((family) => ({ value: family.id, label: family.name })));
