import { nodeId, type NodeId } from '../elements/nodeid.ts';
import { sure } from '../sure.ts';
import { targetOf } from '../markup/link.ts';
import type { Node } from '../site/node.ts';
import { composed, treesOf } from '../site/shared.ts';
import type { Page, Site, SiteFrame } from '../site/site.ts';
import { knownKind } from '../elements/kinds/table.ts';
import type { ViewId, Views } from '../layered/views.ts';
import { isShown } from './visibility.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { textIn, withMappedText } from './textbyview.ts';
import { lookup } from '../lookup.ts';

/** An element with links to something, and how many. */
export interface LinkingElement {
  node: NodeId;
  count: number;
}

/** What an element says, with another link in place of each; where none is given, what was linked stays and leads nowhere. */
export const withLinks = (
  node: Pick<Node, 'kind' | 'content' | 'style'>,
  map: (link: string) => string | undefined,
): Pick<Node, 'content' | 'style'> =>
  withMappedText(node, ({ withLinks: change }) => change && ((value) => change(value, map) as unknown));

/** The elements of a page with links that fit, in source order. */
export function linking(page: Page, fits: (link: string) => boolean): LinkingElement[] {
  return sourceOrder(page).flatMap((node) => {
    const count = linksIn(node).filter(fits).length;
    return count > 0 ? [{ node: node.id, count }] : [];
  });
}

/** Whether a link leads to a page of the site, or to a place on it. */
export const leadsTo =
  (page: NodeId) =>
  (link: string): boolean =>
    targetOf(link)?.page === page;

/** The links of an element, in their order, those of each text by view too. */
export function linksIn(node: Pick<Node, 'kind' | 'content' | 'style'>): string[] {
  const links: string[] = [];
  withLinks(node, (link) => (links.push(link), link));
  return links;
}

/** The links that an element has in a view, by what it says there. */
export function linksShownIn(node: Node, views: Views, view: ViewId): string[] {
  const links: string[] = [];
  for (const { name, type } of knownKind(node.kind).content)
    type.withLinks?.(textIn<unknown>(node, views, name, view), (link) => (links.push(link), link));
  return links;
}

/** The elements of a page that lead somewhere in any of some views: shown there, as far as they say themselves, and with a link that fits. */
export const leadingIn = (
  frame: SiteFrame,
  page: Page,
  views: readonly ViewId[],
  fits: (link: string) => boolean,
): Node[] =>
  sourceOrder(page).filter((node) =>
    views.some(
      (view) =>
        linksShownIn(node, frame.views, view).some(fits) &&
        (node.parent === null || isShown(frame, page, node, view)),
    ),
  );

/** The other pages on which links of a page lead to a place: what has to be read to tell whether that is there, and shown. */
export function pagesWithLinkedPlaces({ id, nodes }: Page): NodeId[] {
  const pages = new Set<NodeId>();
  for (const node of Object.values(nodes))
    for (const link of linksIn(node)) {
      const { page, place } = targetOf(link) ?? {};
      if (page !== undefined && place !== undefined && page !== id) pages.add(nodeId(page));
    }
  return [...pages];
}

/** The places that links from other pages lead to, by page. */
export function linkedPlaces(site: Site): ReadonlyMap<string, ReadonlySet<string>> {
  const places = new Map<string, Set<string>>();
  for (const tree of treesOf(site))
    for (const node of Object.values(tree.nodes))
      for (const link of linksIn(node)) {
        const { page, place } = targetOf(link) ?? {};
        const target = lookup(site.pages, page);
        if (!target || !lookup(composed(site.frame, target).nodes, place)) continue;
        places.set(target.id, (places.get(target.id) ?? new Set()).add(sure(place, 'place')));
      }
  return places;
}
