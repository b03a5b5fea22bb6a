import { familiesOf, type Family, type FontFile } from '../site/families.ts';
import type { SiteFrame } from '../site/site.ts';
import type { Declarations } from '../site/properties/property.ts';
import type { CssRule, Layer } from './stack.ts';

export const printDeclarations = (declarations: Declarations): string =>
  Object.entries(declarations)
    .map(([name, value]) => `${name}:${value}`)
    .join(';');

/** The families of a site that a set of rules names. */
export function familiesIn(rules: readonly CssRule[], site: Pick<SiteFrame, 'fonts'>): Family[] {
  const named = new Set(rules.map((rule) => rule.declarations['font-family']).filter(Boolean));
  return familiesOf(site).filter(({ id }) => [...named].some((value) => value.startsWith(`"${id}"`)));
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
          `@font-face{font-family:"${family.id}";font-style:${file.style};font-weight:${family.weights};font-display:swap;src:url("${address(family, file)}") format("woff2")${file.unicodeRange ? `;unicode-range:${file.unicodeRange}` : ''}}`,
      ),
    )
    .join('\n');
}

interface Block {
  condition?: string;
  bodies: Map<string, string[]>;
}

/** Layers whose rules under one condition style different elements, so that their order among each other means nothing. */
const UNORDERED = new Set<Layer>(['text style', 'element']);

/** Rules as CSS text. Rules that declare the same under the same condition are written once, where order allows it. */
export function printRules(rules: readonly CssRule[]): string {
  const blocks = new Map<string, Block>();
  rules.forEach(({ layer, distance, condition, selector, declarations }, index) => {
    const apart = UNORDERED.has(layer) ? '' : index;
    const key = `${layer}|${distance}|${condition ?? ''}|${apart}`;
    let block = blocks.get(key);
    if (!block) blocks.set(key, (block = { condition, bodies: new Map() }));
    const body = printDeclarations(declarations);
    const selectors = block.bodies.get(body);
    if (selectors) selectors.push(selector);
    else block.bodies.set(body, [selector]);
  });
  return [...blocks.values()]
    .map(({ condition, bodies }) => {
      const text = [...bodies].map(([body, selectors]) => `${selectors.join(',')}{${body}}`).join('\n');
      return condition ? `@media ${condition}{\n${text}\n}` : text;
    })
    .join('\n');
}
