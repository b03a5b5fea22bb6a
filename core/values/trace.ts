import { applies } from '../site/applies.ts';
import { sure } from '../sure.ts';
import type { Layered } from '../layered/layered.ts';
import type { Node, PartStyle } from '../site/node.ts';
import type { Part } from '../elements/parts.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { contentOf, type Kind } from '../elements/kinds/kind.ts';
import type { TextByView } from '../elements/content/textbyview.ts';
import { knownKind } from '../elements/kinds/table.ts';
import type { Property } from '../elements/properties/property.ts';
import { knownProperty } from '../elements/propertytable.ts';
import type { PropertyName, PropertyValues } from '../elements/propertyvalues.ts';
import type { Page, SiteFrame, TextStyle } from '../site/site.ts';
import { viewOf, type View, type ViewId } from '../layered/views.ts';
import { held } from '../layered/resolve.ts';
import { lookup } from '../lookup.ts';

/** Where a value comes from. */
export type Source =
  | { from: 'element'; node: NodeId; view: ViewId }
  | { from: 'text style'; style: string; view: ViewId }
  | { from: 'kind'; kind: string }
  /** The image that the element shows. */
  | { from: 'picture'; asset: string }
  | { from: 'parent'; node: NodeId; source: Source }
  | { from: 'initial' };

export interface Traced<T> {
  value: T;
  source: Source;
}

/** The text style a node takes: its own choice, else its kind's. Undefined where the site has no such style. */
export function textStyleOf(node: Node, site: SiteFrame): TextStyle | undefined {
  const id = node.textStyle ?? knownKind(node.kind).textStyle?.(node);
  return id === undefined ? undefined : site.textStyles.find((style) => style.id === id);
}

/** The text style that a part of a kind takes. Undefined where it takes none or the site has no such style. */
export function partStyleOf(kind: Kind, part: Part, site: SiteFrame): TextStyle | undefined {
  const id = kind.parts?.[part]?.textStyle;
  return id === undefined ? undefined : site.textStyles.find((style) => style.id === id);
}

/** A kind's default for a property of itself or of a part, in a view, where the kind has one. */
export function kindDefault<T>(
  kind: string,
  property: Property<T>,
  view: View,
  part: Part = 'self',
): T | undefined {
  const known = knownKind(kind);
  const defaults = part === 'self' ? known.defaults : known.parts?.[part]?.defaults;
  const value = lookup(defaults, property.name) as T | ((view: View) => T) | undefined;
  return value instanceof Function ? value(view) : value;
}

/** The layered value of a property in a style; undefined where it is not set. The schema holds each to its property's type. */
export const layeredIn = <T>(style: PartStyle | undefined, property: Property<T>): Layered<T> | undefined =>
  lookup(style, property.name) as Layered<T> | undefined;

/** The layered value of a property that a node itself holds. What its content says is the base of its texts by view. */
export function ownLayered<T>(
  { kind, content, style }: Pick<Node, 'kind' | 'content' | 'style'>,
  part: Part,
  property: Property<T>,
): Layered<T> | undefined {
  const own = layeredIn(style[part], property);
  if (!property.wording) return own;
  const says: unknown = contentOf(knownKind(kind), { content }, property.wording.field.name);
  // The property of a text by view is the only one with a wording.
  return { base: { says } satisfies TextByView as T, ...own };
}

/**
 * What a property of an element, or of a part of it, is in a view, and where that comes from: its own value, its text
 * style, its kind's default, what the image says that it shows, for a property that inherits what stands above (for a part: the element), and last the
 * property's initial value.
 */
export function trace<T>(
  site: SiteFrame,
  page: Page,
  node: Node,
  part: Part,
  property: Property<T>,
  view: ViewId,
): Traced<T> {
  const own = held(ownLayered(node, part, property), site.views, view);
  if (own) return { value: own.value, source: { from: 'element', node: node.id, view: own.view } };
  const style = part === 'self' ? textStyleOf(node, site) : partStyleOf(knownKind(node.kind), part, site);
  const styled = held(layeredIn(style?.style.self, property), site.views, view);
  if (style && styled) {
    return { value: styled.value, source: { from: 'text style', style: style.id, view: styled.view } };
  }
  const shape = viewOf(site.views, view);
  const byKind = kindDefault(node.kind, property, shape, part);
  if (byKind !== undefined) return { value: byKind, source: { from: 'kind', kind: node.kind } };
  if (property.ofPicture) {
    const picture = held(node.style[part]?.source, site.views, view)?.value;
    const asset = site.assets.find(({ id }) => id === picture);
    const ownValue = asset && property.ofPicture(asset);
    if (ownValue !== undefined)
      return { value: ownValue, source: { from: 'picture', asset: sure(asset, 'asset').id } };
  }
  if (property.inherits && (part !== 'self' || node.parent !== null)) {
    const holder = part === 'self' ? page.nodes[sure(node.parent, 'parent')] : node;
    const above = trace(site, page, holder, 'self', property, view);
    if (above.source.from === 'parent') return above;
    if (above.source.from !== 'initial') {
      return { value: above.value, source: { from: 'parent', node: holder.id, source: above.source } };
    }
  }
  return { value: property.initial(shape), source: { from: 'initial' } };
}

/** What a property of an element is in a view. */
export function resolve<T>(
  site: SiteFrame,
  page: Page,
  node: Node,
  property: Property<T>,
  view: ViewId,
  part: Part = 'self',
): T {
  return trace(site, page, node, part, property, view).value;
}

/** What a text style says of a property in a view; where it says nothing, what holds without it. */
export function ofStyle<T>(
  site: SiteFrame,
  { style }: Pick<TextStyle, 'style'>,
  property: Property<T>,
  view: ViewId,
): T {
  const own = held(layeredIn(style.self, property), site.views, view);
  return own ? own.value : property.initial(viewOf(site.views, view));
}

/** What a property is of an element, or of a part of it, in a view; undefined where it means nothing there. */
export function valueIn<Name extends PropertyName>(
  site: SiteFrame,
  page: Page,
  node: Node,
  name: Name,
  view: ViewId,
  part: Part = 'self',
): PropertyValues[Name] | undefined {
  const property = knownProperty(name);
  const parent = node.parent === null ? undefined : page.nodes[node.parent].kind;
  return applies(property, node.kind, parent, part)
    ? resolve(site, page, node, property, view, part)
    : undefined;
}
