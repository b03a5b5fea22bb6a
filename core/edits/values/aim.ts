import { applies } from '../../site/applies.ts';
import { contentOf } from '../../elements/kinds/kind.ts';
import { knownKind } from '../../elements/kinds/table.ts';
import { same } from '../../layered/express.ts';
import { overNow } from '../../values/textbyview.ts';
import { keepContent } from './naming.ts';
import type { TextByView } from '../../elements/content/textbyview.ts';
import { isEmpty } from '../../layered/resolve.ts';
import { layeredIn, ofStyle, ownLayered, resolve } from '../../values/trace.ts';
import { schemaFaults } from '../../faults.ts';
import type { Layered } from '../../layered/layered.ts';
import type { Node, Style } from '../../site/node.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Part } from '../../elements/parts.ts';
import type { Property } from '../../elements/properties/property.ts';
import { knownProperty, propertyOf, sidesOf } from '../../elements/propertytable.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { withValue, type EditReach } from '../../layered/change.ts';
import { type ViewId } from '../../layered/views.ts';
import type { Scope } from '../command.ts';

/** What holds values: an element, or a text style. */
export interface Styled {
  name: string;
  style: Style;
}

/** Whose values a command is for: elements of the page, or a text style of the site. */
export type Holders = { nodes: NodeId[]; textStyle?: undefined } | { textStyle: string; nodes?: undefined };

/** Which document a change of these belongs to. */
export const scopeOf = (holders: Holders): Scope => (holders.textStyle === undefined ? 'page' : 'frame');

/** What a value command is aimed at: a property of elements, of a part of them, or of a text style, in a view. */
export type ValueTarget = Holders & {
  /** Absent: the element itself. */
  part?: Part;
  property: string;
  view: ViewId;
  /** The property's other sides go along. */
  linked?: boolean;
};

export interface Aim {
  /** The property asked for. */
  property: Property;
  /** It, and its other sides where they are linked. */
  properties: Property[];
  part: Part;
  holders: Styled[];
  /** The elements among the holders: all of them, or none where a text style is meant. */
  nodes: Node[];
  /** What a property of a holder is in the view. */
  valueOf(holder: Styled, property: Property): unknown;
}

/** The elements by id; refused when one is not there or none is given. */
export function found(page: Page, ids: readonly NodeId[]): Outcome<Node[]> {
  if (ids.length === 0) return refused('Nothing is selected.');
  const nodes = ids.map((id) => page.nodes[id]);
  return nodes.every(Boolean) ? done(nodes) : refused('The element is no longer on this page.');
}

/** What a command is for, looked up; refused when it is not there. */
export function holdersOf(site: SiteFrame, page: Page, { nodes, textStyle }: Holders): Outcome<Styled[]> {
  if (textStyle === undefined) return found(page, nodes);
  const style = site.textStyles.find(({ id }) => id === textStyle);
  return style ? done([style]) : refused('The text style is no longer in the theme.');
}

/** Looks up what a value command is aimed at; refuses what is not there or does not take the property. */
export function aim(site: SiteFrame, page: Page, target: ValueTarget): Outcome<Aim> {
  const { property: name, view, part = 'self', linked = false } = target;
  const property = propertyOf(name);
  if (!property) return refused(`There is no property “${name}”.`);
  const shape = site.views.list.find((candidate) => candidate.id === view);
  if (!shape) return refused(`There is no view “${view}”.`);
  const properties = linked ? sidesOf(property) : [property];
  if (target.textStyle !== undefined) {
    const style = site.textStyles.find(({ id }) => id === target.textStyle);
    if (!style) return refused('The text style is no longer in the theme.');
    if (property.group !== 'text') return refused(`${property.label} isn’t a text value.`);
    const valueOf = (_holder: Styled, each: Property): unknown => ofStyle(site, style, each, view);
    return done({ property, properties, part: 'self', holders: [style], nodes: [], valueOf });
  }
  const nodes = found(page, target.nodes);
  if (!nodes.ok) return nodes;
  for (const node of nodes.value) {
    const parent = node.parent === null ? undefined : page.nodes[node.parent];
    if (!applies(property, node.kind, parent?.kind, part))
      return refused(`${property.label} does not apply to ${node.name}.`);
  }
  const valueOf = (holder: Styled, each: Property) => resolve(site, page, holder as Node, each, view, part);
  return done({ property, properties, part, holders: nodes.value, nodes: nodes.value, valueOf });
}

const isNode = (holder: Styled): holder is Node => 'kind' in holder;

/** A value by view that a holder has of its own for one of its parts. */
export const layeredOf = <T>(holder: Styled, part: Part, property: Property<T>): Layered<T> | undefined =>
  isNode(holder) ? ownLayered(holder, part, property) : layeredIn(holder.style[part], property);

/**
 * The form in which a holder keeps a value. Words are cleaned on their way in, and know what they were written beside, so that a
 * change of that is seen.
 */
export function settled(holder: Styled, { wording }: Property, value: unknown): unknown {
  if (!wording || !isNode(holder)) return value;
  const { says } = value as TextByView;
  return { says: wording.field.type.clean(says) as unknown, over: overNow(holder, wording.field.name) };
}

/** Keeps a layered value on a holder; an empty one leaves no trace. The base of texts by view goes to the content. */
export function store(holder: Styled, part: Part, name: string, wanted: Layered<unknown>): void {
  let layered = wanted;
  const { wording } = knownProperty(name);
  if (wording && isNode(holder)) {
    const { base, ...overrides } = wanted;
    const { says } = (base ?? {}) as Partial<TextByView>;
    if (base !== undefined && !same(says, contentOf(knownKind(holder.kind), holder, wording.field.name)))
      keepContent(holder, wording.field.name, says);
    layered = overrides;
  }
  const style = holder.style[part];
  if (!isEmpty(layered)) {
    if (style) style[name] = layered;
    else holder.style[part] = { [name]: layered };
  } else if (style && name in style) {
    delete style[name];
    if (Object.keys(style).length === 0) delete holder.style[part];
  }
}

/** A value that a holder is given in a view, with how far it goes. */
interface Setting<T> {
  view: ViewId;
  value: T;
  reach: EditReach;
}

/** Sets a value of a holder in a view, with a reach. */
export function setIn<T>(
  site: SiteFrame,
  page: Page,
  holder: Styled,
  part: Part,
  property: Property<T>,
  { view, value, reach }: Setting<T>,
): void {
  const own = layeredOf(holder, part, property);
  const shows = (id: ViewId): T =>
    isNode(holder) ? resolve(site, page, holder, property, id, part) : ofStyle(site, holder, property, id);
  store(holder, part, property.name, withValue(own, site.views, view, value, reach, shows));
}

/** Why a value cannot be a value of the property, or undefined. */
export function valueFault(property: Property, value: unknown, site: SiteFrame): string | undefined {
  const shape = schemaFaults(property.type.schema, value);
  return shape[0]?.sentence ?? property.type.fault?.(value, site);
}
