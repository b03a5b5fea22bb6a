import { Type } from '@sinclair/typebox';
import { done, refused } from '../../outcome.ts';
import { FAMILIES } from '../../theme/families.ts';
import type { Option, ValueContext, ValueType } from './valuetype.ts';

/** The option that a typed text means, by its name, its value or another word for it. */
function chosen<T>(options: readonly Option[], text: string) {
  const wanted = text.trim().toLowerCase();
  const found = options.find((option) =>
    [option.label, String(option.value), ...(option.also ?? [])].some(
      (word) => word.toLowerCase() === wanted,
    ),
  );
  if (found) return done(found.value as T);
  return refused(`“${text.trim()}” is not one of: ${options.map((option) => option.label).join(', ')}.`);
}

/** One of a fixed list of values. */
export function choiceType<T extends string | boolean = string>(options: readonly Option[]): ValueType<T> {
  return {
    editor: 'choice',
    schema: Type.Union(options.map((option) => Type.Literal(option.value as string | boolean))),
    parse: (text) => chosen<T>(options, text),
    format: (value) => options.find((option) => option.value === value)?.label ?? String(value),
    options: () => [...options],
  };
}

/** The families a site can use: those that ship with the application, and its own. */
const familyOptions = ({ site }: Pick<ValueContext, 'site'>): Option[] =>
  [...FAMILIES, ...site.fonts].map(({ id, name }) => ({ value: id, label: name }));

/** A font family, by its id. */
export const familyType: ValueType<string> = {
  editor: 'choice',
  schema: Type.String({ minLength: 1, maxLength: 40 }),
  parse: (text, context) => chosen<string>(familyOptions(context), text),
  format: (value, context) => familyOptions(context).find((option) => option.value === value)?.label ?? value,
  options: familyOptions,
  fault: (value, site) =>
    familyOptions({ site }).some((option) => option.value === value)
      ? undefined
      : `The site has no font family “${value}”.`,
  mentions: (value) => (FAMILIES.some(({ id }) => id === value) ? [] : [{ of: 'fonts', id: value }]),
};
