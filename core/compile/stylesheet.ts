import { FAMILIES, type Family, type FontFile } from '../site/families.ts';
import type { Declarations } from '../site/properties/property.ts';
import type { CssRule } from './rules.ts';

export const printDeclarations = (declarations: Declarations): string =>
  Object.entries(declarations)
    .map(([name, value]) => `${name}:${value}`)
    .join(';');

/** The families that a set of rules names. */
export function familiesIn(rules: readonly CssRule[]): Family[] {
  const named = new Set(rules.map((rule) => rule.declarations['font-family']).filter(Boolean));
  return FAMILIES.filter((family) => [...named].some((value) => value.startsWith(`"${family.cssName}"`)));
}

/** `@font-face` for each file of the families; a browser fetches only the files whose characters it meets. */
export function printFontFaces(
  families: readonly Family[],
  address: (family: Family, file: FontFile) => string,
): string {
  return families
    .flatMap((family) =>
      family.files.map(
        (file) =>
          `@font-face{font-family:"${family.cssName}";font-style:${file.style};font-weight:${family.weights};font-display:swap;src:url("${address(family, file)}") format("woff2");unicode-range:${file.unicodeRange}}`,
      ),
    )
    .join('\n');
}

/**
 * Rules as CSS text. Rules that hold under the same condition in the same layer and declare the same are written
 * once: they style different elements there, so their order among each other means nothing.
 */
export function printRules(rules: readonly CssRule[]): string {
  const blocks = new Map<string, { condition?: string; bodies: Map<string, string[]> }>();
  for (const { layer, distance, condition, selector, declarations } of rules) {
    const key = `${layer}|${distance}|${condition ?? ''}`;
    const block = blocks.get(key) ?? { condition, bodies: new Map<string, string[]>() };
    blocks.set(key, block);
    const body = printDeclarations(declarations);
    block.bodies.set(body, [...(block.bodies.get(body) ?? []), selector]);
  }
  return [...blocks.values()]
    .map(({ condition, bodies }) => {
      const text = [...bodies].map(([body, selectors]) => `${selectors.join(',')}{${body}}`).join('\n');
      return condition ? `@media ${condition}{\n${text}\n}` : text;
    })
    .join('\n');
}
