import { hasTrait, isAtEdge } from '../elements/kinds/table.ts';
import type { Layered } from '../layered/layered.ts';
import type { Node } from '../site/node.ts';
import { childOrder, type NodeId } from '../elements/nodeid.ts';
import { knownProperty } from '../elements/propertytable.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import type { ViewId } from '../layered/views.ts';
import { shownOf } from '../layout/alternates.ts';
import { held } from '../layered/resolve.ts';
import { resolve } from './trace.ts';

/** What an element itself says of where it is shown; the same object as long as it says the same. Undefined: everywhere. */
export const ownVisibility = ({ style }: Node): Layered<boolean> | undefined => style.self?.shown;

/** Which of a set of alternates shows in a view; undefined for what is no set, and for an empty one. */
export const alternateIn = (site: SiteFrame, set: Node, view: ViewId): NodeId | undefined =>
  hasTrait(set, 'alternating')
    ? shownOf(set.children, held(set.style.self?.alternate, site.views, view)?.value)
    : undefined;

/** Whether an element is one of a set of alternates of which another shows in a view. */
export function givesWay(site: SiteFrame, page: Page, { id, parent }: Node, view: ViewId): boolean {
  const set = parent === null ? undefined : page.nodes[parent];
  return set !== undefined && hasTrait(set, 'alternating') && alternateIn(site, set, view) !== id;
}

/** Whether some view hides an element itself, or shows another in its place. */
export function hiddenSomewhere(site: SiteFrame, page: Page, node: Node): boolean {
  const { views } = site;
  const shown = ownVisibility(node);
  return views.list.some(
    ({ id }) => (shown && held(shown, views, id)?.value === false) || givesWay(site, page, node, id),
  );
}

/** Whether an element is itself set to be shown in a view, and is the one of its set, where it is an alternate. */
export const isShown = (site: SiteFrame, page: Page, node: Node, view: ViewId): boolean =>
  resolve(site, page, node, knownProperty('shown'), view) !== false && !givesWay(site, page, node, view);

/** The nearest element, itself or above, that is not shown in a view and so takes this one with it; undefined when it is there. */
export function hiddenBy(site: SiteFrame, page: Page, node: Node, view: ViewId): NodeId | undefined {
  for (let at: Node | undefined = node; at; at = at.parent === null ? undefined : page.nodes[at.parent]) {
    if (!isShown(site, page, at, view)) return at.id;
  }
  return undefined;
}

/** The children of a container in the order they have in a view. */
export function childrenIn(site: SiteFrame, node: Node, view: ViewId): NodeId[] {
  const stored = held(node.style.self?.order, site.views, view)?.value;
  return childOrder(node.children, stored);
}

/** The children of a container that stand one after another: what stays at an edge of the window has no place among them. */
export const inRow = (page: Page, { children }: Node): NodeId[] =>
  children.filter((id) => page.nodes[id] && !isAtEdge(page.nodes[id].kind));

/** Those, in the order that they have in a view. */
export const inRowIn = (site: SiteFrame, page: Page, node: Node, view: ViewId): NodeId[] =>
  childrenIn(site, { ...node, children: inRow(page, node) }, view);
