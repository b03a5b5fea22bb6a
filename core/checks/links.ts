import { sourceOrder } from '../site/sourceorder.ts';
import { composed, pageShowing, publishedTrees, sharedPlaceOf } from '../site/shared.ts';
import type { Page, Site } from '../site/site.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { targetOf } from '../markup/link.ts';
import { linksIn } from '../values/links.ts';
import { lookup } from '../lookup.ts';

/** A link that leads to what is not there any more. */
export interface BrokenLink {
  /** For what pages share: one of them that shows it. */
  page: NodeId;
  node: NodeId;
  link: string;
  /** What is gone: the page, the place on it, or the file. */
  gone: 'page' | 'place' | 'file';
}

/** What of a link's target is gone, seen from a page; undefined where nothing is, and for links that leave the site. */
export function goneOf(site: Site, from: Page, link: string): BrokenLink['gone'] | undefined {
  const { page, place, file } = targetOf(link) ?? {};
  if (file !== undefined) return site.frame.assets.some(({ id }) => id === file) ? undefined : 'file';
  if (page !== undefined && !site.frame.pages.some(({ id }) => id === page)) return 'page';
  if (place === undefined) return undefined;
  const target = page === undefined ? from : lookup(site.pages, page);
  // A page that has not been read cannot be asked.
  if (!target || lookup(composed(site.frame, target).nodes, place)) return undefined;
  return 'place';
}

/** The links of a site that lead to what is not there any more: visitors would find nothing, or only the top of a page. */
export function brokenLinks(site: Site): BrokenLink[] {
  return publishedTrees(site).flatMap((tree) =>
    sourceOrder(tree).flatMap((node) =>
      linksIn(node).flatMap((link): BrokenLink[] => {
        const shared = sharedPlaceOf(node.id);
        const page = shared ? pageShowing(site, shared) : tree.id;
        const gone = goneOf(site, site.pages[page], link);
        return gone ? [{ page, node: node.id, link, gone }] : [];
      }),
    ),
  );
}
