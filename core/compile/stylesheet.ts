import { familiesOf, type Family, type FontFile, type StandIn } from '../theme/families.ts';
import { knownKind } from '../elements/kinds/table.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import type { Declarations } from '../elements/properties/property.ts';
import type { CssRule, Layer } from './stack.ts';
import { isWhole } from './whole.ts';

const printed = new WeakMap<Declarations, string>();

/**
 * Declarations as CSS text. They are never changed once made, so that the same need be printed once only. A value that does not
 * end where its declaration does is left out: whatever was kept, no value reaches beyond itself.
 */
export function printDeclarations(declarations: Declarations): string {
  let text = printed.get(declarations);
  if (text === undefined) {
    text = Object.entries(declarations)
      .filter(([, value]) => isWhole(value))
      .map(([name, value]) => `${name}:${value}`)
      .join(';');
    printed.set(declarations, text);
  }
  return text;
}

/** The families of a site that a set of rules names. */
export function familiesIn(rules: readonly CssRule[], site: Pick<SiteFrame, 'fonts'>): Family[] {
  const named = new Set(rules.map((rule) => rule.declarations['font-family']).filter(Boolean));
  return familiesOf(site).filter(({ id }) => [...named].some((value) => value.startsWith(`"${id}"`)));
}

const printStandIn = ({ name, local, sizeAdjust, ascent, descent }: StandIn): string =>
  `@font-face{font-family:"${name}";src:${local.map((each) => `local("${each}")`).join(',')};size-adjust:${sizeAdjust}%;ascent-override:${ascent}%;descent-override:${descent}%;line-gap-override:0%}`;

/** `@font-face` for each file of the families; a browser fetches only the files whose characters it meets. */
export function printFontFaces(
  families: readonly Family[],
  address: (family: Family, file: FontFile) => string,
): string {
  return families
    .flatMap((family) => [
      ...(family.standIn ? [printStandIn(family.standIn)] : []),
      ...family.files.map(
        (file) =>
          `@font-face{font-family:"${family.id}";font-style:${file.style};font-weight:${family.weights};font-display:swap;src:url("${address(family, file)}") format("woff2")${file.unicodeRange ? `;unicode-range:${file.unicodeRange}` : ''}}`,
      ),
    ])
    .join('\n');
}

/** Layers whose rules under one condition style different elements, so that their order among each other means nothing. */
const UNORDERED = new Set<Layer>(['text style', 'element']);

/** Rules that hold under one condition: the selectors by what they declare. */
interface Block {
  condition?: string;
  bodies: Map<string, string[]>;
}

/** Rules as CSS text. Rules that declare the same under the same condition are written once, where order allows it. */
export function printRules(rules: readonly CssRule[]): string {
  const blocks: Block[] = [];
  let before: CssRule | undefined;
  let byCondition = new Map<string | undefined, Block>();
  for (const rule of rules) {
    const { layer, distance, condition, selector, declarations } = rule;
    const together = UNORDERED.has(layer) && layer === before?.layer && distance === before.distance;
    if (!together) byCondition = new Map();
    before = rule;
    let block = byCondition.get(condition);
    if (!block) {
      block = { condition, bodies: new Map() };
      byCondition.set(condition, block);
      blocks.push(block);
    }
    const body = printDeclarations(declarations);
    const selectors = block.bodies.get(body);
    if (selectors) selectors.push(selector);
    else block.bodies.set(body, [selector]);
  }
  return blocks.map(printBlock).join('\n');
}

function printBlock({ condition, bodies }: Block): string {
  const text = [...bodies].map(([body, selectors]) => `${selectors.join(',')}{${body}}`).join('\n');
  return condition ? `@media ${condition}{\n${text}\n}` : text;
}

/** How what stands on a page moves by itself, as CSS text; nothing where nothing does. */
export function printKeyframes(page: Page): string {
  const kinds = new Set(Object.values(page.nodes).map(({ kind }) => knownKind(kind)));
  return [...kinds]
    .flatMap(({ keyframes = {} }) => Object.entries(keyframes))
    .map(
      ([name, { from, to }]) =>
        `@keyframes ${name}{from{${printDeclarations(from)}}to{${printDeclarations(to)}}}\n`,
    )
    .join('');
}
