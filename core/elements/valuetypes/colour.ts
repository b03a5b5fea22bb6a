import { Type } from '@sinclair/typebox';
import { done, refused } from '../../outcome.ts';
import { aliasOf, aliasTo } from '../../theme/alias.ts';
import { cssColour } from '../../theme/csscolour.ts';
import type { Option, ValueType } from './valuetype.ts';

/** A colour in CSS: an alias becomes the custom property that holds the site's colour. */
export function colourCss(value: string): string {
  const alias = aliasOf(value);
  return alias ? `var(--colour-${alias})` : value;
}

/** A colour: a CSS Color 4 string, or an alias of one of the site's colours. */
export const colourType: ValueType<string> = {
  editor: 'colour',
  schema: Type.String({ minLength: 3, maxLength: 80 }),
  parse(text, { site }) {
    const typed = text.trim();
    const named = site.colours.find(
      (colour) => colour.name.toLowerCase() === typed.toLowerCase() || aliasTo(colour.id) === typed,
    );
    if (named) return done(aliasTo(named.id));
    const lower = typed.toLowerCase();
    const candidate = /^[0-9a-f]{3}([0-9a-f]{3})?$/.test(lower) ? `#${lower}` : lower;
    if (cssColour(candidate)) return done(candidate);
    return refused(
      `“${typed}” is neither a colour of this site nor a CSS colour such as #1b2a49 or oklch(70% 0.1 80).`,
    );
  },
  format(value, { site }) {
    const alias = aliasOf(value);
    return alias ? (site.colours.find((colour) => colour.id === alias)?.name ?? alias) : value;
  },
  options: ({ site }): Option[] =>
    site.colours.map((colour) => ({ value: aliasTo(colour.id), label: colour.name })),
  fault(value, site) {
    const alias = aliasOf(value);
    if (alias !== undefined) {
      return site.colours.some((colour) => colour.id === alias)
        ? undefined
        : `The site has no colour “${alias}”.`;
    }
    return cssColour(value) ? undefined : `“${value}” is not a CSS colour.`;
  },
  mentions(value) {
    const id = aliasOf(value);
    return id === undefined ? [] : [{ of: 'colours', id }];
  },
};
