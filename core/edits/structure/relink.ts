import { nodeId, type NodeId } from '../../elements/nodeid.ts';
import { linkTo, targetOf } from '../../markup/link.ts';
import type { Node } from '../../site/node.ts';
import { withLinks } from '../../values/links.ts';
import type { Page } from '../../site/site.ts';
import { lookup } from '../../lookup.ts';

/** Puts other links in an element where some of its links change. */
export function relink(node: Node, map: (link: string) => string | undefined): boolean {
  let changes = false;
  const mapped = withLinks(node, (link) => {
    const next = map(link);
    changes ||= next !== link;
    return next;
  });
  if (changes) Object.assign(node, mapped);
  return changes;
}

/** Elements that are called otherwise now, and perhaps stand on another page. */
export interface Renamed {
  names: ReadonlyMap<NodeId, NodeId>;
  /** The page, or the place that pages share, they stood on and stand on. */
  from: NodeId;
  to: NodeId;
}

/** Lets the links on pages, and in what they share, follow elements to their new names and places. */
export function followLinks(trees: readonly Page[], { names, from, to }: Renamed): void {
  for (const tree of trees)
    for (const node of Object.values(tree.nodes))
      relink(node, (link) => {
        const { page = tree.id, place } = targetOf(link) ?? {};
        const name = names.get(place as NodeId);
        if (!name || page !== from) return link;
        return linkTo(tree.id === to ? { place: name } : { page: to, place: name });
      });
}

/**
 * Lets the links of an element that leaves a page mean what they meant: places that go along by their new names, places that stay
 * behind on the page that was left.
 */
export const relinkLeaving = (node: Node, left: Page, names: ReadonlyMap<NodeId, NodeId>): boolean =>
  relink(node, (link) => {
    const { page, place } = targetOf(link) ?? {};
    if (place === undefined || page !== undefined) return link;
    const name = names.get(nodeId(place));
    if (name) return linkTo({ place: name });
    return lookup(left.nodes, place) ? linkTo({ page: left.id, place }) : link;
  });
