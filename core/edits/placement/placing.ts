import { knownIn } from '../../sure.ts';
import { express } from '../../layered/express.ts';
import type { Layered } from '../../layered/layered.ts';
import type { ViewId } from '../../layered/views.ts';
import { held, reached } from '../../layered/resolve.ts';
import { withValue, type EditReach } from '../../layered/change.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import type { Property } from '../../elements/properties/property.ts';
import { PROPERTIES } from '../../elements/propertytable.ts';
import { applies } from '../../site/applies.ts';
import type { Audience, Node } from '../../site/node.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { resolve } from '../../values/trace.ts';
import { childrenIn } from '../../values/visibility.ts';
import { layeredOf, store } from '../values/aim.ts';
import { lookup } from '../../lookup.ts';

/** Properties that speak of an element's place in what it stands in. */
export const OF_PLACE = PROPERTIES.filter(({ insideOf, notInside }) => insideOf ?? notInside);

/** Gives what an element says of its place to another that takes the place; the element says nothing of it any more. */
export function handOver(from: Node, to: Node): void {
  for (const property of OF_PLACE) {
    const layered = layeredOf(from, 'self', property);
    store(from, 'self', property.name, {});
    store(to, 'self', property.name, layered ?? {});
  }
  forAudience(to, from.audience);
  forAudience(from, undefined);
}

/** Lets an element be for some visitors, or for everyone. */
export function forAudience(node: Node, audience: Audience | undefined): void {
  delete node.audience;
  if (audience !== undefined) node.audience = audience;
}

/** Drops what an element says that means nothing where it stands now; answers what that was. */
export function fitted(page: Page, node: Node): Property[] {
  const parent = node.parent === null ? undefined : page.nodes[node.parent].kind;
  const strange = PROPERTIES.filter(
    (property) => lookup(node.style.self, property.name) && !applies(property, node.kind, parent),
  );
  for (const property of strange) store(node, 'self', property.name, {});
  // For which visitors a set of alternates is, the set says.
  if (parent === 'alternates') forAudience(node, undefined);
  return strange;
}

/** The views that a new thing is for where a view is looked at: those that the reach covers; undefined where that is all of them. */
export function viewsFor({ views }: SiteFrame, view: ViewId, reach: EditReach): ViewId[] | undefined {
  const meant = reached(
    withValue({ base: false }, views, view, true, reach, () => false),
    views,
    view,
  );
  return reach === 'everywhere' || meant.length === views.list.length ? undefined : meant;
}

/** Lets an element be shown in some views and in no others. */
export function showOnly({ views }: SiteFrame, node: Node, meant: readonly ViewId[]): void {
  store(
    node,
    'self',
    'shown',
    express(views, ({ id }) => meant.includes(id)),
  );
}

/** An order for a container in each view; where it is that of its source in all of them, none is kept. */
export function storeOrder(
  { views }: SiteFrame,
  node: Node,
  wanted: (view: ViewId) => readonly NodeId[],
): void {
  const order = express(views, ({ id }) => [...wanted(id)]);
  if (JSON.stringify(order.base) === JSON.stringify(node.children)) delete order.base;
  store(node, 'self', 'order', order);
}

/**
 * Puts one child in the place of several, in the source and in each view's order: there, where the first stands that `meant` answers
 * for the view.
 */
export function replaceAmong(
  site: SiteFrame,
  parent: Node,
  gone: readonly NodeId[],
  by: readonly NodeId[],
  meant: (view: ViewId) => NodeId = () => gone[0],
): void {
  const orders = new Map(site.views.list.map(({ id }) => [id, childrenIn(site, parent, id)]));
  const own = parent.style.self?.order !== undefined;
  const replaced = (order: readonly NodeId[], at: NodeId) =>
    order.flatMap((id) => (id === at ? by : gone.includes(id) ? [] : [id]));
  parent.children = replaced(parent.children, gone[0]);
  if (own) storeOrder(site, parent, (view) => replaced(knownIn(orders, view), meant(view)));
}

/** What a property is of the one of several elements that is meant in each view, as one layered value; empty where none says anything. */
export function joinedValue(
  site: SiteFrame,
  page: Page,
  property: Property,
  nodes: readonly Node[],
  meant: (view: ViewId) => Node,
): Layered<unknown> {
  if (!nodes.some((node) => layeredOf(node, 'self', property))) return {};
  return express(site.views, ({ id }) => resolve(site, page, meant(id), property, id));
}

/** Whether an element says of itself that it is shown in a view. */
export const saysShown = (site: SiteFrame, node: Node, view: ViewId): boolean =>
  held(node.style.self?.shown, site.views, view)?.value !== false;
