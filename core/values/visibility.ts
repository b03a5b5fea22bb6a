import type { Layered } from '../layered/layered.ts';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { knownProperty } from '../elements/properties/table.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import type { ViewId } from '../layered/views.ts';
import { completeOrder } from '../layout/order.ts';
import { held } from '../layered/resolve.ts';
import { resolve } from './trace.ts';

/** What an element itself says of where it is shown; the same object as long as it says the same. Undefined: everywhere. */
export const ownVisibility = ({ style }: Node): Layered<boolean> | undefined =>
  style.self?.shown as Layered<boolean> | undefined;

/** Whether some view hides an element itself. */
export function hiddenSomewhere({ views }: Pick<SiteFrame, 'views'>, node: Node): boolean {
  const shown = ownVisibility(node);
  return !!shown && views.list.some((view) => held(shown, views, view.id)?.value === false);
}

/** Whether an element is itself set to be shown in a view. */
export const isShown = (site: SiteFrame, page: Page, node: Node, view: ViewId): boolean =>
  resolve(site, page, node, knownProperty('shown'), view) as boolean;

/** The nearest element, itself or above, that is not shown in a view and so takes this one with it; undefined when it is there. */
export function hiddenBy(site: SiteFrame, page: Page, node: Node, view: ViewId): NodeId | undefined {
  for (let at: Node | undefined = node; at; at = at.parent === null ? undefined : page.nodes[at.parent]) {
    if (!isShown(site, page, at, view)) return at.id;
  }
  return undefined;
}

/** The children of a container in the order they have in a view. */
export function childrenIn(site: SiteFrame, node: Node, view: ViewId): NodeId[] {
  const stored = held(node.style.self?.order, site.views, view)?.value as NodeId[] | undefined;
  return completeOrder(node.children, stored);
}
