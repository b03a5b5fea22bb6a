import { express } from '../values/express.ts';
import { bands, mediaCondition } from '../values/bands.ts';
import { held } from '../values/resolve.ts';
import { kindDefault, textStyleOf } from '../values/trace.ts';
import type { Layered } from '../site/layered.ts';
import type { Kind } from '../site/kinds/kind.ts';
import { knownKind } from '../site/kinds/table.ts';
import type { Node, PartStyle } from '../site/node.ts';
import type { CssContext, Declarations, Property } from '../site/properties/property.ts';
import { knownProperty, PROPERTIES } from '../site/properties/table.ts';
import { colourCss } from '../site/properties/text.ts';
import type { Page, SiteFrame, TextStyle } from '../site/site.ts';
import { baseView, type Views } from '../site/views.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { memoised } from './memo.ts';

/** What a rule belongs to; a later layer wins over an earlier one. */
export const LAYERS = ['foundation', 'kind', 'text style', 'element'] as const;
export type Layer = (typeof LAYERS)[number];

/** One CSS rule, still as data. `distance` is how far its view lies from the base: within a layer, later wins. */
export interface CssRule {
  layer: Layer;
  distance: number;
  /** A media condition; absent where the rule holds at every width. */
  condition?: string;
  selector: string;
  declarations: Declarations;
}

export const nodeClass = (id: string): string => `n-${id}`;
export const textStyleClass = (id: string): string => `t-${id}`;

/** One property's layered declarations, ready to be grouped with those of other properties. */
type Piece = Layered<Declarations>;

/** The rules of one selector: the declarations of all pieces, put together by the condition under which they hold. */
function rulesOf(selector: string, layer: Layer, pieces: readonly Piece[], views: Views): CssRule[] {
  const rules = new Map<string, CssRule>();
  for (const piece of pieces) {
    for (const { value, widths, distance } of bands(piece, views)) {
      const condition = widths && mediaCondition(widths);
      const key = condition ?? '';
      const rule = rules.get(key);
      if (rule) Object.assign(rule.declarations, value);
      else rules.set(key, { layer, distance, condition, selector, declarations: { ...value } });
    }
  }
  return [...rules.values()]
    .filter((rule) => Object.keys(rule.declarations).length > 0)
    .sort((a, b) => a.distance - b.distance);
}

/**
 * A layered value as layered declarations. Where the CSS depends on the view, the value is first resolved in every
 * view and expressed anew, so that a view whose CSS differs gets a band even without an override.
 */
function piece(
  property: Property,
  layered: Layered<unknown>,
  views: Views,
  context: Omit<CssContext, 'view'>,
): Piece | undefined {
  const css = property.css;
  if (!css) return undefined;
  if (property.perView) {
    return express(views, (view) => {
      const value = held(layered, views, view.id);
      return css(value ? value.value : property.initial(view), { ...context, view });
    });
  }
  const view = baseView(views);
  const declare = (value: unknown) => css(value, { ...context, view });
  const result: Piece = {};
  if (layered.base !== undefined) result.base = declare(layered.base);
  if (layered.at) {
    result.at = Object.fromEntries(
      Object.entries(layered.at).map(([id, { value, reach }]) => [id, { value: declare(value), reach }]),
    );
  }
  return result;
}

/** A piece, and the selector inside the element's markup it belongs to ('' for the element itself). */
interface PlacedPiece {
  inside: string;
  piece: Piece;
}

const insideOf = (property: Property, kind: string): string => property.inside?.[kind] ?? '';

/** What the CSS of an element's values may depend on of its kind. */
type KindContext = Pick<Kind, 'name' | 'display' | 'stacks'>;

function stylePieces(style: PartStyle, views: Views, kind: KindContext): PlacedPiece[] {
  return Object.entries(style).flatMap(([name, layered]) => {
    const property = knownProperty(name);
    const { display, stacks } = kind;
    const made = property.onChildren ? undefined : piece(property, layered, views, { display, stacks });
    return made ? [{ inside: insideOf(property, kind.name), piece: made }] : [];
  });
}

/** The rules of an element and of what is inside its markup. */
function placedRules(
  selector: string,
  layer: Layer,
  placed: readonly PlacedPiece[],
  views: Views,
): CssRule[] {
  const insides = [...new Set(placed.map(({ inside }) => inside))];
  return insides.flatMap((inside) => {
    const pieces = placed.filter((entry) => entry.inside === inside).map((entry) => entry.piece);
    return rulesOf(inside ? `${selector} ${inside}` : selector, layer, pieces, views);
  });
}

/** The rules of one element: its own style, and its place in a parent that orders its children. */
export const elementRules: (node: Node, parent: Node | undefined, views: Views) => CssRule[] = memoised(
  (node: Node, parent: Node | undefined, views: Views) => {
    const kind = knownKind(node.kind);
    const placed = stylePieces(node.style.self ?? {}, views, kind);
    for (const [name, layered] of Object.entries(parent?.style.self ?? {})) {
      const property = knownProperty(name);
      if (!property.onChildren) continue;
      const context = { display: kind.display, children: parent!.children, child: node.id };
      const made = piece(property, layered, views, context);
      if (made) placed.push({ inside: '', piece: made });
    }
    return placedRules(`.${nodeClass(node.id)}`, 'element', placed, views);
  },
);

/** The rules of a text style. */
export const textStyleRules: (style: TextStyle, views: Views) => CssRule[] = memoised(
  (style: TextStyle, views: Views) =>
    placedRules(
      `.${textStyleClass(style.id)}`,
      'text style',
      stylePieces(style.style.self ?? {}, views, { name: '', display: 'block' }),
      views,
    ),
);

/** The rules that every element of a kind has: its structure, what follows from the grid, and its defaults. */
export const kindRules: (kind: Kind, views: Views) => CssRule[] = memoised((kind: Kind, views: Views) => {
  const placed: PlacedPiece[] = [{ inside: '', piece: { base: kind.structure } }];
  if (kind.perView) placed.push({ inside: '', piece: express(views, kind.perView) });
  for (const property of PROPERTIES) {
    if (!property.css || property.onChildren) continue;
    const wanted = (view: Views['list'][number]): Declarations => {
      const byKind = kindDefault(kind.name, property, view);
      const value: unknown =
        byKind ?? (kind.name === 'page' && property.inherits ? property.initial(view) : undefined);
      return value === undefined
        ? {}
        : property.css!(value, { view, display: kind.display, stacks: kind.stacks });
    };
    placed.push({ inside: insideOf(property, kind.name), piece: express(views, wanted) });
  }
  const rules = placedRules(`.${kind.name}`, 'kind', placed, views);
  for (const [inner, declarations] of Object.entries(kind.inner ?? {})) {
    rules.push({ layer: 'kind', distance: 0, selector: `.${kind.name} ${inner}`, declarations });
  }
  return rules;
});

/** What holds for every page: predictable boxes, the site's colours, a title that only assistive technology reads. */
export const foundationRules: (site: SiteFrame['colours']) => CssRule[] = memoised((colours) => {
  const rule = (selector: string, declarations: Declarations): CssRule => ({
    layer: 'foundation',
    distance: 0,
    selector,
    declarations,
  });
  const custom = Object.fromEntries(colours.map(({ id, value }) => [`--colour-${id}`, colourCss(value)]));
  return [
    rule(':root', { ...custom, '-webkit-text-size-adjust': '100%' }),
    rule('*, ::before, ::after', { 'box-sizing': 'border-box' }),
    rule('.page-title', {
      position: 'absolute',
      width: '1px',
      height: '1px',
      margin: '-1px',
      overflow: 'hidden',
      'clip-path': 'inset(50%)',
      'white-space': 'nowrap',
    }),
  ];
});

/** Every rule a page needs, in the order in which they are written: by layer, then by distance from the base. */
export function pageRules(site: SiteFrame, page: Page): CssRule[] {
  const nodes = sourceOrder(page);
  const kinds = new Set(nodes.map((node) => knownKind(node.kind)));
  const styles = new Set(nodes.map((node) => textStyleOf(node, site)));
  const ordered: Record<Layer, CssRule[][]> = { foundation: [], kind: [], 'text style': [], element: [] };
  const add = (rules: readonly CssRule[]) => {
    for (const rule of rules) (ordered[rule.layer][rule.distance] ??= []).push(rule);
  };
  add(foundationRules(site.colours));
  for (const kind of kinds) add(kindRules(kind, site.views));
  for (const style of styles) if (style) add(textStyleRules(style, site.views));
  for (const node of nodes) {
    const parent = node.parent === null ? undefined : page.nodes[node.parent];
    add(elementRules(node, parent, site.views));
  }
  return LAYERS.flatMap((layer) => ordered[layer].filter(Boolean).flat());
}
