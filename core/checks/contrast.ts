import { applies } from '../site/applies.ts';
import { blend, wcagContrast, type Color } from 'culori';
import { sizeAt, type TextSize } from '../type/fluid.ts';
import { resolve } from '../values/trace.ts';
import { knownKind } from '../elements/kinds/table.ts';
import type { Node } from '../site/node.ts';
import type { Part } from '../elements/parts.ts';
import { knownProperty } from '../elements/properties/table.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { aliasOf } from '../theme/alias.ts';
import { cssColour } from '../theme/csscolour.ts';
import { NO_PICTURE } from '../elements/valuetypes/picture.ts';
import { viewOf, type ViewId } from '../layered/views.ts';

/** How text stands out from what is behind it. */
export interface Contrast {
  /** From 1 (none) to 21 (black on white). */
  ratio: number;
  /** What WCAG 2.2, 1.4.3 asks for at level AA: 3 for large text, else 4.5. */
  needed: 3 | 4.5;
}

/** px; large text is 18 pt, or 14 pt in bold (WCAG 2.2, “large scale” https://www.w3.org/TR/WCAG22/#dfn-large-scale). */
const LARGE = 24;
const LARGE_BOLD = 14 / 0.75;
const BOLD = 700;

/** A colour value of the site as a colour; undefined where it is none. */
export function colourOf(site: SiteFrame, value: string): Color | undefined {
  const alias = aliasOf(value);
  const named = alias === undefined ? value : site.colours.find(({ id }) => id === alias)?.value;
  return named === undefined ? undefined : cssColour(named);
}

/**
 * The contrast ratio of one colour on another, both laid over white where they let it through (WCAG 2.2,
 * https://www.w3.org/TR/WCAG22/#dfn-contrast-ratio). `layers` are the colours behind the text, the furthest first.
 */
export function contrastRatio(text: Color, layers: readonly Color[]): number {
  const behind: Color[] = [WHITE, ...layers];
  const paper = blend(behind, 'normal', 'rgb');
  return wcagContrast(blend([...behind, text], 'normal', 'rgb'), paper);
}

/** What a browser paints behind a page. */
const WHITE: Color = { mode: 'rgb', r: 1, g: 1, b: 1 };

const opaque = ({ alpha = 1 }: Color): boolean => alpha >= 1;

/**
 * The colours behind an element or a part of it in a view, the furthest first; undefined where a picture, a gradient or
 * something translucent lies among them, so that one number would not tell the truth.
 */
function colourBehind(
  site: SiteFrame,
  page: Page,
  node: Node,
  part: Part,
  view: ViewId,
): Color[] | undefined {
  const layers: Color[] = [];
  for (let at: Node | undefined = node, of = part; at;) {
    const parent: Node | undefined = at.parent === null ? undefined : page.nodes[at.parent];
    const holder = at;
    const value = (name: string): unknown =>
      applies(knownProperty(name), holder.kind, parent?.kind, of)
        ? resolve(site, page, holder, knownProperty(name), view, of)
        : undefined;
    const behind = (name: string): boolean => {
      const set = value(name);
      const colour = typeof set === 'string' ? colourOf(site, set) : undefined;
      if (colour) layers.unshift(colour);
      return colour !== undefined && opaque(colour);
    };
    if (behind('tint')) return layers;
    const plain = [undefined, 'none', NO_PICTURE];
    if (!plain.includes(value('gradient') as string) || !plain.includes(value('backgroundPicture') as string))
      return undefined;
    if (behind('backgroundColour')) return layers;
    if ((value('opacity') ?? 1) !== 1) return undefined;
    if (of === 'self') at = parent;
    of = 'self';
  }
  return layers;
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
  const layers = colourBehind(site, page, node, part, view);
  if (!text || !layers) return undefined;
  const size = sizeAt(value('size') as TextSize, viewOf(site.views, view).from);
  const large = size >= LARGE || (size >= LARGE_BOLD && (value('weight') as number) >= BOLD);
  return { ratio: contrastRatio(text, layers), needed: large ? 3 : 4.5 };
}
