import { express } from '../values/express.ts';
import { held } from '../values/resolve.ts';
import { kindDefault, partStyleOf, textStyleOf } from '../values/trace.ts';
import type { Layered } from '../site/layered.ts';
import type { Kind } from '../site/kinds/kind.ts';
import { knownKind } from '../site/kinds/table.ts';
import type { Node, PartStyle } from '../site/node.ts';
import { PARTS, type Part } from '../site/parts.ts';
import { BACKGROUND_LAYERS, pictureVariable } from '../site/properties/background.ts';
import type { CssContext, Declarations, Property } from '../site/properties/property.ts';
import { knownProperty, placeOf, PROPERTIES } from '../site/properties/table.ts';
import type { Page, SiteFrame, TextStyle } from '../site/site.ts';
import { NO_PICTURE } from '../site/valuetypes/picture.ts';
import { colourCss } from '../site/valuetypes/colour.ts';
import { px } from '../type/fluid.ts';
import { baseView, type View, type Views } from '../site/views.ts';
import type { NodeId } from '../site/nodeid.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { memoised } from './memo.ts';
import { Stack, type CssRule } from './stack.ts';

export const nodeClass = (id: string): string => `n-${id}`;
export const textStyleClass = (id: string): string => `t-${id}`;

/**
 * The selector of something inside an element. `:where()` counts nothing, so that every rule of a page weighs one class
 * and their order alone decides (Selectors 4, §17 https://www.w3.org/TR/selectors-4/#specificity-rules).
 */
export const within = (selector: string, inside: string): string =>
  inside.startsWith('> ') ? `${selector} > :where(${inside.slice(2)})` : `${selector} :where(${inside})`;

/** What the CSS of an element's values may depend on of its kind. */
type KindContext = Pick<Kind, 'display' | 'media' | 'parts'> & { rowsOnly: boolean };

const contextOf = ({ display, media, parts, stacks }: Kind): KindContext => ({
  display,
  media,
  parts,
  rowsOnly: stacks === true,
});

const TEXT_STYLE: KindContext = { display: 'block', rowsOnly: false };

/** CSS that has been worked out, by property and what else it depends on, then by value: pages say the same often. */
const known = new WeakMap<Property, Map<string, Map<unknown, Declarations>>>();

/** The CSS of a single value. */
function cssOf(property: Property, value: unknown, context: CssContext): Declarations {
  const single = typeof value !== 'object' && !property.onChildren && !context.beside;
  if (!single) return property.css!(value, context);
  const key = `${context.view.id} ${context.view.grid.columns} ${context.display} ${context.rowsOnly}`;
  const byContext = known.get(property) ?? new Map<string, Map<unknown, Declarations>>();
  known.set(property, byContext);
  const byValue = byContext.get(key) ?? new Map<unknown, Declarations>();
  byContext.set(key, byValue);
  const made = byValue.get(value) ?? property.css!(value, context);
  byValue.set(value, made);
  return made;
}

/**
 * Puts the CSS of a layered value on a stack. Where the CSS depends on the view, the value is first resolved in every
 * view and expressed anew, so that a view whose CSS differs gets a rule even without an override.
 */
function put(
  stack: Stack,
  property: Property,
  layered: Layered<unknown>,
  views: Views,
  context: Omit<CssContext, 'view'>,
  style: PartStyle,
): void {
  if (!property.css) return;
  if (property.perView) {
    const resolved = (of: Property, from: Layered<unknown> | undefined, view: View) => {
      const value = held(from, views, view.id);
      return value ? value.value : (of.initial(view) as unknown);
    };
    const declared = express(views, (view) => {
      const value = resolved(property, layered, view);
      if (!property.heldBeside) return cssOf(property, value, { ...context, view });
      const beside = (name: string) => resolved(knownProperty(name), style[name], view);
      return cssOf(property, value, { ...context, view, beside });
    });
    stack.layered(declared);
    return;
  }
  const full = { ...context, view: baseView(views) };
  if (layered.base !== undefined) stack.base(cssOf(property, layered.base, full));
  for (const [id, { value, reach }] of Object.entries(layered.at ?? {}))
    stack.at(id, reach, cssOf(property, value, full));
}

/** The values of a part in the order of the property table, so that the same values give the same CSS text. */
const sorted = (style: PartStyle): [Property, Layered<unknown>][] =>
  Object.entries(style)
    .sort(([one], [other]) => placeOf.get(one)! - placeOf.get(other)!)
    .map(([name, layered]) => [knownProperty(name), layered]);

/** Puts the style of an element or of one of its parts on stacks: one for itself, one for the picture in it. */
function putStyle(
  stack: Stack,
  media: Stack | undefined,
  style: PartStyle,
  views: Views,
  kind: KindContext,
): void {
  const context = { display: kind.display, rowsOnly: kind.rowsOnly };
  for (const [property, layered] of sorted(style)) {
    if (property.onChildren) continue;
    put(property.onMedia && media ? media : stack, property, layered, views, context, style);
  }
}

/** The rules of one element: its own style, that of its parts, and its place in a parent that orders its children. */
export const elementRules = (node: Node, parent: Node | undefined, views: Views): CssRule[] =>
  madeRules(node, parent?.style.self?.order, parent?.children, views);

const madeRules = memoised(
  (
    node: Node,
    order: Layered<unknown> | undefined,
    siblings: readonly NodeId[] | undefined,
    views: Views,
  ): CssRule[] => {
    const kind = knownKind(node.kind);
    const context = contextOf(kind);
    const selector = `.${nodeClass(node.id)}`;
    const stack = new Stack(views);
    const media = kind.media === undefined ? undefined : new Stack(views);
    putStyle(stack, media, node.style.self ?? {}, views, context);
    if (order) {
      const place = { display: kind.display, children: siblings, child: node.id };
      put(stack, knownProperty('order'), order, views, place, {});
    }
    const rules = stack.rules(selector, 'element');
    if (media) rules.push(...media.rules(within(selector, kind.media!), 'element'));
    for (const part of PARTS) {
      const style = node.style[part];
      const inside = kind.parts?.[part]?.selector;
      if (!style || inside === undefined) continue;
      const own = new Stack(views);
      putStyle(own, undefined, style, views, TEXT_STYLE);
      rules.push(...own.rules(within(selector, inside), 'element'));
    }
    return rules;
  },
);

/** The rules of a text style. */
export const textStyleRules: (style: TextStyle, views: Views) => CssRule[] = memoised(
  (style: TextStyle, views: Views) => {
    const stack = new Stack(views);
    putStyle(stack, undefined, style.style.self ?? {}, views, TEXT_STYLE);
    return stack.rules(`.${textStyleClass(style.id)}`, 'text style');
  },
);

/** A kind's defaults, of itself or of a part, by property. */
function putDefaults(stack: Stack, media: Stack | undefined, kind: Kind, part: Part, views: Views): void {
  for (const property of PROPERTIES) {
    if (!property.css || property.onChildren) continue;
    const first = kind.name === 'page' && part === 'self' && property.inherits;
    if (!first && kindDefault(kind.name, property, views.list[0], part) === undefined) continue;
    const wanted = (view: View): Declarations => {
      const value: unknown = kindDefault(kind.name, property, view, part) ?? property.initial(view);
      return property.css!(value, { view, ...contextOf(kind) });
    };
    (property.onMedia && media ? media : stack).layered(express(views, wanted));
  }
}

/** The rules that every element of a kind has: its structure, what follows from the grid, and its defaults. */
export const kindRules: (kind: Kind, views: Views) => CssRule[] = memoised((kind: Kind, views: Views) => {
  const selector = `.${kind.name}`;
  const stack = new Stack(views);
  const media = new Stack(views);
  stack.base(kind.structure);
  if (kind.perView) stack.layered(express(views, kind.perView));
  putDefaults(stack, kind.media === undefined ? undefined : media, kind, 'self', views);
  const rules = stack.rules(selector, 'kind');
  for (const [inner, declarations] of Object.entries(kind.inner ?? {})) {
    rules.push({ layer: 'kind', distance: 0, selector: within(selector, inner), declarations });
  }
  if (kind.media !== undefined) rules.push(...media.rules(within(selector, kind.media), 'kind'));
  for (const part of PARTS) {
    const inside = kind.parts?.[part]?.selector;
    if (inside === undefined) continue;
    const own = new Stack(views);
    putDefaults(own, undefined, kind, part, views);
    rules.push(...own.rules(within(selector, inside), 'kind'));
  }
  return rules;
});

const foundationRule = (selector: string, declarations: Declarations): CssRule => ({
  layer: 'foundation',
  distance: 0,
  selector,
  declarations,
});

/** What holds for every page: predictable boxes, a title that only assistive technology reads. */
const FOUNDATION: readonly CssRule[] = [
  ...BACKGROUND_LAYERS.map((name) =>
    foundationRule(`@property ${name}`, { syntax: '"*"', inherits: 'false' }),
  ),
  foundationRule('*, ::before, ::after', { 'box-sizing': 'border-box', border: '0 solid' }),
  foundationRule('.page-title', {
    position: 'absolute',
    width: '1px',
    height: '1px',
    margin: '-1px',
    overflow: 'hidden',
    'clip-path': 'inset(50%)',
    'white-space': 'nowrap',
  }),
];

/** The site's colours and spacing scale as custom properties; a step of the scale may differ by view. */
const themeRules: (colours: SiteFrame['colours'], spacing: SiteFrame['spacing'], views: Views) => CssRule[] =
  memoised((colours: SiteFrame['colours'], spacing: SiteFrame['spacing'], views: Views) => {
    const stack = new Stack(views);
    stack.base({ '-webkit-text-size-adjust': '100%' });
    for (const { id, value } of colours) stack.base({ [`--colour-${id}`]: colourCss(value) });
    for (const { id, size } of spacing) {
      stack.layered(
        express(views, (view) => ({ [`--space-${id}`]: px(held(size, views, view.id)?.value ?? 0) })),
      );
    }
    return stack.rules(':root', 'foundation');
  });

/** The pictures that an element has behind it in any view. */
function picturesBehind({ style }: Node): string[] {
  const layered = style.self?.backgroundPicture as Layered<string> | undefined;
  if (!layered) return [];
  return [layered.base, ...Object.values(layered.at ?? {}).map(({ value }) => value)].filter(
    (id): id is string => id !== undefined && id !== NO_PICTURE,
  );
}

/** The address of a picture as the style sheet writes it. */
export type PictureAddress = (asset: string) => string;

/**
 * The rules of a page that do not belong to single elements: the foundation, its kinds and its text styles. Pictures
 * behind elements are named once each; naming one fetches nothing.
 */
export function sharedRules(site: SiteFrame, page: Page, picture: PictureAddress): CssRule[] {
  const nodes = Object.values(page.nodes);
  const kinds = new Set(nodes.map((node) => knownKind(node.kind)));
  const styles = new Set(nodes.map((node) => textStyleOf(node, site)));
  for (const kind of kinds) {
    for (const part of Object.keys(kind.parts ?? {})) styles.add(partStyleOf(kind, part as Part, site));
  }
  const pictures = [...new Set(nodes.flatMap(picturesBehind))];
  const named = pictures.map((id) => [pictureVariable(id), `url("${picture(id)}")`]);
  return [
    ...FOUNDATION,
    ...themeRules(site.colours, site.spacing, site.views),
    ...(named.length > 0 ? [foundationRule('html', Object.fromEntries(named) as Declarations)] : []),
    ...ordered([...kinds].flatMap((kind) => kindRules(kind, site.views))),
    ...ordered([...styles].flatMap((style) => (style ? textStyleRules(style, site.views) : []))),
  ];
}

/** Rules by their distance from the base, nearest first; among those of one distance the order stays. */
function ordered(rules: readonly CssRule[]): CssRule[] {
  const byDistance: CssRule[][] = [];
  for (const rule of rules) (byDistance[rule.distance] ??= []).push(rule);
  return byDistance.filter(Boolean).flat();
}

/** Every rule a page needs, in the order in which they are written: by layer, then by distance from the base. */
export function pageRules(site: SiteFrame, page: Page, picture: PictureAddress): CssRule[] {
  const elements = sourceOrder(page).flatMap((node) =>
    elementRules(node, node.parent === null ? undefined : page.nodes[node.parent], site.views),
  );
  return [...sharedRules(site, page, picture), ...ordered(elements)];
}
