import { takes } from '../site/applies.ts';
import { express } from '../layered/express.ts';
import { held } from '../layered/resolve.ts';
import { kindDefault, partStyleOf, textStyleOf } from '../values/trace.ts';
import type { Layered } from '../layered/layered.ts';
import type { Kind } from '../elements/kinds/kind.ts';
import { knownKind } from '../elements/kinds/table.ts';
import type { Node, PartStyle } from '../site/node.ts';
import { PARTS, type Part } from '../elements/parts.ts';
import { BACKGROUND_LAYERS, pictureVariable } from '../elements/properties/background.ts';
import type { CssContext, Declarations, Property } from '../elements/properties/property.ts';
import { knownProperty, PROPERTIES } from '../elements/properties/table.ts';
import type { Page, SiteFrame, TextStyle } from '../site/site.ts';
import { NO_PICTURE } from '../elements/valuetypes/picture.ts';
import { colourCss } from '../elements/valuetypes/colour.ts';
import { px } from '../type/fluid.ts';
import type { View, ViewId, Views } from '../layered/views.ts';
import { inSourceOrder, sourceOrder } from '../site/sourceorder.ts';
import { memoised } from '../memo.ts';
import { Stacks, type CssRule, type Stack } from './stack.ts';
import { contextOf, stylingOf, type KnownCss, type Styling } from './styling.ts';

export const nodeClass = (id: string): string => `n-${id}`;
export const textStyleClass = (id: string): string => `t-${id}`;

/**
 * The selector of something inside an element. `:where()` counts nothing, so that every rule of a page weighs one class
 * and their order alone decides (Selectors 4, §17 https://www.w3.org/TR/selectors-4/#specificity-rules).
 */
export const within = (selector: string, inside: string): string =>
  inside.startsWith('> ') ? `${selector} > :where(${inside.slice(2)})` : `${selector} :where(${inside})`;

/** What a value may be held to: the other values of its element, and its place among its siblings. */
interface Surroundings {
  style?: PartStyle;
  siblings?: Pick<CssContext, 'children' | 'child'>;
}

/** What a property is in a view by an element's own value, else by its initial one. */
function ownIn(property: Property, layered: Layered<unknown> | undefined, views: Views, view: View): unknown {
  const value = held(layered, views, view.id);
  return value ? value.value : property.initial(view);
}

/**
 * A layered value as CSS where that depends on the view: resolved in every view and expressed anew, so that a view whose
 * CSS differs gets a rule even without an override.
 */
function expressed(
  property: Property,
  layered: Layered<unknown>,
  views: Views,
  known: ReadonlyMap<ViewId, KnownCss>,
  { style = {}, siblings }: Surroundings,
): Layered<Declarations> {
  return express(views, (view) => {
    const value = ownIn(property, layered, views, view);
    const here = known.get(view.id)!;
    if (siblings) return property.css!(value, { ...here.context, ...siblings });
    if (!property.heldBeside) return here.valuesOf(property).of(value);
    const beside = (name: string) => ownIn(knownProperty(name), style[name], views, view);
    return property.css!(value, { ...here.context, beside });
  });
}

/** Puts the CSS of a layered value on a stack. */
function put(
  stack: Stack,
  property: Property,
  layered: Layered<unknown>,
  views: Views,
  known: ReadonlyMap<ViewId, KnownCss>,
  surroundings: Surroundings,
): void {
  if (property.perView) {
    stack.layered(expressed(property, layered, views, known, surroundings));
    return;
  }
  // In which view it is known does not matter.
  const css = known.get(views.base)!.valuesOf(property);
  if (layered.base !== undefined) stack.base(css.of(layered.base));
  for (const id in layered.at) {
    const { value, reach } = layered.at[id as ViewId];
    stack.at(id, reach, css.of(value));
  }
}

/** Puts the style of an element of a kind, or of a part or text style, on stacks: one for itself, one for the picture in it. */
function putStyle(
  styling: Styling,
  stack: Stack,
  media: Stack | undefined,
  style: PartStyle,
  kind: Kind | undefined,
): void {
  const known = styling.knownOf(kind);
  const surroundings = { style };
  for (const property of styling.propertiesOf(style)) {
    const on = property.onMedia && media ? media : stack;
    put(on, property, style[property.name], styling.views, known, surroundings);
  }
}

/** Puts together what one element declares: its own style, that of its parts, and its place in a parent that orders its children. */
function stackElement(
  styling: Styling,
  node: Node,
  parent: Pick<Node, 'style' | 'children'> | undefined,
  add: (selector: string, stack: Stack) => void,
): void {
  const kind = knownKind(node.kind);
  const selector = `.${nodeClass(node.id)}`;
  const stack = styling.stack();
  const media = kind.media === undefined ? undefined : styling.stack();
  putStyle(styling, stack, media, node.style.self ?? {}, kind);
  const order = parent?.style.self?.order;
  if (order) {
    const siblings = { children: parent.children, child: node.id };
    put(stack, knownProperty('order'), order, styling.views, styling.knownOf(kind), { siblings });
  }
  add(selector, stack);
  if (media) add(within(selector, kind.media!), media);
  if (!kind.parts) return;
  for (const part of PARTS) {
    const style = node.style[part];
    const inside = style && kind.parts[part]?.selector;
    if (inside === undefined) continue;
    const own = styling.stack();
    putStyle(styling, own, undefined, style!, undefined);
    add(within(selector, inside), own);
  }
}

/** The rules of one element, with its parts. */
export function elementRules(
  node: Node,
  parent: Pick<Node, 'style' | 'children'> | undefined,
  views: Views,
): CssRule[] {
  const rules: CssRule[] = [];
  stackElement(stylingOf(views), node, parent, (selector, stack) =>
    rules.push(...stack.rules(selector, 'element')),
  );
  return rules;
}

/** The rules of a text style. */
export const textStyleRules: (style: TextStyle, views: Views) => CssRule[] = memoised(
  (style: TextStyle, views: Views) => {
    const styling = stylingOf(views);
    const stack = styling.stack();
    putStyle(styling, stack, undefined, style.style.self ?? {}, undefined);
    return stack.rules(`.${textStyleClass(style.id)}`, 'text style');
  },
);

/** A kind's defaults, of itself or of a part, by property. */
function putDefaults(stack: Stack, media: Stack | undefined, kind: Kind, part: Part, views: Views): void {
  for (const property of PROPERTIES) {
    if (!property.css || property.onChildren) continue;
    const taken = part === 'self' ? takes(kind.name, property) : property.parts?.includes(part);
    if (property.applied && taken) stack.base(property.applied);
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
  const styling = stylingOf(views);
  const stack = styling.stack();
  const media = styling.stack();
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
    const own = styling.stack();
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
    const stack = stylingOf(views).stack();
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
  const kinds = new Set<Kind>();
  const styles = new Set<TextStyle | undefined>();
  const pictures = new Set<string>();
  for (const node of sourceOrder(page)) {
    kinds.add(knownKind(node.kind));
    styles.add(textStyleOf(node, site));
    picturesBehind(node).forEach((id) => pictures.add(id));
  }
  for (const kind of kinds) {
    for (const part of Object.keys(kind.parts ?? {})) styles.add(partStyleOf(kind, part as Part, site));
  }
  const named = [...pictures].map((id) => [pictureVariable(id), `url("${picture(id)}")`]);
  return [
    ...FOUNDATION,
    ...themeRules(site.colours, site.spacing, site.views),
    ...(named.length > 0 ? [foundationRule('html', Object.fromEntries(named) as Declarations)] : []),
    ...ordered([...kinds].map((kind) => kindRules(kind, site.views))),
    ...ordered([...styles].map((style) => (style ? textStyleRules(style, site.views) : []))),
  ];
}

/** Rules by their distance from the base, nearest first; among those of one distance the order stays. */
function ordered(lists: readonly (readonly CssRule[])[]): CssRule[] {
  const byDistance: CssRule[][] = [];
  for (const list of lists) for (const rule of list) (byDistance[rule.distance] ??= []).push(rule);
  return byDistance.flat();
}

/**
 * Every rule a page needs, in the order in which they are written: by layer, then by distance from the base. Elements
 * that declare the same share a rule.
 */
export function pageRules(site: SiteFrame, page: Page, picture: PictureAddress): CssRule[] {
  const styling = stylingOf(site.views);
  const elements = new Stacks(site.views, 'element');
  const add = elements.add.bind(elements);
  inSourceOrder(page, (node, parent) => stackElement(styling, node, parent, add));
  return [...sharedRules(site, page, picture), ...elements.rules()];
}
