import { knownKind } from '../elements/kinds/table.ts';
import { targetOf } from '../markup/link.ts';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { composed, treesOf } from '../site/shared.ts';
import type { Page, Site } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';

/** An element with links to something, and how many. */
export interface LinkingElement {
  node: NodeId;
  count: number;
}

/**
 * The content of an element with another link in place of each; where none is given, what was linked stays and leads nowhere.
 * Fields in which nothing changes stay the same values.
 */
export function withLinks(
  { kind, content }: Pick<Node, 'kind' | 'content'>,
  map: (link: string) => string | undefined,
): Node['content'] {
  const made = { ...content };
  for (const { name, type } of knownKind(kind).content) {
    const value = content[name];
    if (value !== undefined && type.withLinks) made[name] = type.withLinks(value, map) as unknown;
  }
  return made;
}

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

/** The links of an element, in their order. */
export function linksIn(node: Pick<Node, 'kind' | 'content'>): string[] {
  const links: string[] = [];
  withLinks(node, (link) => (links.push(link), link));
  return links;
}

/** The places that links from other pages lead to, by page. */
export function linkedPlaces(site: Site): ReadonlyMap<string, ReadonlySet<string>> {
  const places = new Map<string, Set<string>>();
  for (const tree of treesOf(site))
    for (const node of Object.values(tree.nodes))
      for (const link of linksIn(node)) {
        const { page, place } = targetOf(link) ?? {};
        const target = site.pages[page as NodeId] as Page | undefined;
        if (!target || !composed(site.frame, target).nodes[place as NodeId]) continue;
        places.set(target.id, (places.get(target.id) ?? new Set()).add(place!));
      }
  return places;
}
