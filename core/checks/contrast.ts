import { applies } from '../site/applies.ts';
import { blend, wcagContrast, type Color } from 'culori';
import { curveAt } from '../type/curve.ts';
import type { TextSize } from '../type/textsize.ts';
import { textCurve } from '../values/textcurves.ts';
import { resolve } from '../values/trace.ts';
import { knownKind } from '../elements/kinds/table.ts';
import type { Node } from '../site/node.ts';
import type { Part } from '../elements/parts.ts';
import { knownProperty } from '../elements/propertytable.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { aliasOf } from '../theme/alias.ts';
import { cssColour } from '../theme/csscolour.ts';
import { NO_PICTURE } from '../elements/valuetypes/picture.ts';
import { viewOf, type ViewId } from '../layered/views.ts';

/** How text stands out from what is behind it. */
export interface Contrast {
  /** From 1 (none) to 21 (black on white), as WCAG 2.2 has it (https://www.w3.org/TR/WCAG22/#dfn-contrast-ratio). */
  ratio: number;
  /** What WCAG 2.2, 1.4.3 asks for at level AA: 3 for large text, else 4.5. */
  needed: 3 | 4.5;
}

/** px; large text is 18 pt, or 14 pt in bold (WCAG 2.2, “large scale” https://www.w3.org/TR/WCAG22/#dfn-large-scale). */
const LARGE = 24;
const LARGE_BOLD = 14 / 0.75;
const BOLD = 700;

/** What a browser paints behind a page. */
const WHITE: Color = { mode: 'rgb', r: 1, g: 1, b: 1 };

/** A colour value of the site as a colour; undefined where it is none. */
export function colourOf(site: SiteFrame, value: string): Color | undefined {
  const alias = aliasOf(value);
  const named = alias === undefined ? value : site.colours.find(({ id }) => id === alias)?.value;
  return named === undefined ? undefined : cssColour(named);
}

const faded = (colour: Color, opacity: number): Color => ({
  ...colour,
  alpha: (colour.alpha ?? 1) * opacity,
});

const over = (...layers: Color[]): Color => blend(layers, 'normal', 'rgb');

/**
 * The colours in which a text, and what is behind it, are painted in a view. Each element paints its own background under what is
 * in it and then lets all of that through by its opacity (CSS Color 4, §12 https://www.w3.org/TR/css-color-4/#transparency). Undefined where a
 * picture or a gradient shows through, so that one number would not tell the truth.
 */
function painted(
  site: SiteFrame,
  page: Page,
  node: Node,
  part: Part,
  view: ViewId,
  colour: Color,
): { text: Color; behind: Color } | undefined {
  let text = colour;
  let behind: Color = { ...WHITE, alpha: 0 };
  for (let at: Node | undefined = node, of = part; at;) {
    const parent: Node | undefined = at.parent === null ? undefined : page.nodes[at.parent];
    const holder = at;
    const value = (name: string): unknown =>
      applies(knownProperty(name), holder.kind, parent?.kind, of)
        ? resolve(site, page, holder, knownProperty(name), view, of)
        : undefined;
    const layer = (name: string): Color => {
      const set = value(name);
      return (typeof set === 'string' ? colourOf(site, set) : undefined) ?? { ...WHITE, alpha: 0 };
    };
    const plain = [undefined, 'none', NO_PICTURE];
    const pictured =
      !plain.includes(value('gradient') as string) || !plain.includes(value('backgroundPicture') as string);
    const tint = layer('tint');
    if (pictured && (over(tint, behind).alpha ?? 1) < 1) return undefined;
    const own = over(layer('backgroundColour'), tint);
    const opacity = (value('opacity') as number | undefined) ?? 1;
    text = faded(over(own, text), opacity);
    behind = faded(over(own, behind), opacity);
    if (of === 'self') at = parent;
    of = 'self';
  }
  return { text: over(WHITE, text), behind: over(WHITE, behind) };
}

/**
 * The contrast of an element's text, or of that of one of its parts, in a view. Undefined where it has no text of its
 * own, or where what is behind it is more than plain colours.
 */
export function contrastIn(
  site: SiteFrame,
  page: Page,
  node: Node,
  part: Part,
  view: ViewId,
): Contrast | undefined {
  if (part === 'self' && !knownKind(node.kind).traits.includes('words')) return undefined;
  const value = (name: string) => resolve(site, page, node, knownProperty(name), view, part);
  const text = colourOf(site, value('colour') as string);
  const seen = text && painted(site, page, node, part, view, text);
  if (!seen) return undefined;
  const said = value('size') as TextSize;
  const size =
    typeof said === 'number'
      ? said
      : curveAt(textCurve(site, page, node, part), viewOf(site.views, view).from);
  const large = size >= LARGE || (size >= LARGE_BOLD && (value('weight') as number) >= BOLD);
  return { ratio: wcagContrast(seen.text, seen.behind), needed: large ? 3 : 4.5 };
}
