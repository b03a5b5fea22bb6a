import { sure } from '../sure.ts';
import { hasTrait } from '../elements/kinds/table.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { Node } from './node.ts';
import type { Page } from './site.ts';

/** Those of some elements that stand in none of the others. */
export function topmost(page: Page, ids: readonly NodeId[]): NodeId[] {
  const chosen = new Set(ids);
  const below = (id: NodeId): boolean => {
    for (let at = page.nodes[id].parent; at !== null; at = page.nodes[at].parent)
      if (chosen.has(at)) return true;
    return false;
  };
  return [...chosen].filter((id) => !below(id));
}

/** The nearest element, itself or above, whose parent is a wanted one. */
function nearestIn(
  page: Page,
  id: NodeId | undefined,
  isWanted: (parent: Node) => boolean,
): NodeId | undefined {
  let at = id === undefined ? undefined : (page.nodes[id] as Node | undefined);
  while (at) {
    const parent: Node | undefined = at.parent === null ? undefined : page.nodes[at.parent];
    if (parent && isWanted(parent)) return at.id;
    at = parent;
  }
  return undefined;
}

/** The section that an element is, or stands in, on the page itself or in a region; undefined for the page itself, and for what is not on it. */
export const sectionOf = (page: Page, id: NodeId | undefined): NodeId | undefined =>
  nearestIn(page, id, (parent) => parent.id === page.root || hasTrait(parent, 'region'));

/** What an element is, or stands in, of all that stands on the page itself; undefined for the page, and for what is not on it. */
export const onPageOf = (page: Page, id: NodeId | undefined): NodeId | undefined =>
  nearestIn(page, id, (parent) => parent.id === page.root);

/** The other children of an element's parent that are of its kind. */
export function siblingsLike(page: Page, id: NodeId): NodeId[] {
  const node = page.nodes[id];
  if (node.parent === null) return [];
  return page.nodes[node.parent].children.filter(
    (other) => other !== id && page.nodes[other].kind === node.kind,
  );
}

/**
 * The run of siblings from an element to another, both of them with it; of elements that stand in different containers, the
 * siblings at the nearest level at which they share one. Where one stands in the other, that other alone.
 *
 * @param orderOf The children of a container in the order in which the run is seen.
 */
export function runBetween(
  page: Page,
  from: NodeId,
  to: NodeId,
  orderOf: (container: Node) => readonly NodeId[],
): NodeId[] {
  const pathTo = (id: NodeId): NodeId[] => {
    const { parent } = page.nodes[id];
    return parent === null ? [id] : [...pathTo(parent), id];
  };
  const [one, other] = [pathTo(from), pathTo(to)];
  const level = one.findIndex((id, index) => id !== other.at(index));
  const [first, last] = [one.at(level), other.at(level)];
  if (level < 1 || first === undefined || last === undefined)
    return [one.length <= other.length && from !== page.root ? from : to];
  const order = orderOf(page.nodes[one[level - 1]]);
  const [begin, end] = [order.indexOf(first), order.indexOf(last)];
  const run = order.slice(Math.min(begin, end), Math.max(begin, end) + 1);
  return begin <= end ? run : run.toReversed();
}

/** Puts an id behind another, or first; where that other has gone, last. */
export function putAfter(order: NodeId[], id: NodeId, after: NodeId | null): void {
  const at = after === null ? -1 : order.indexOf(after);
  order.splice(after !== null && at < 0 ? order.length : at + 1, 0, id);
}

/** A set of alternates in which nothing is left goes too. */
export function withoutEmptySets(page: Page, parents: Iterable<NodeId>): void {
  for (const id of new Set(parents)) {
    const set = page.nodes[id];
    if (!hasTrait(set, 'alternating') || set.children.length > 0) continue;
    const { children } = page.nodes[sure(set.parent, 'parent')];
    children.splice(children.indexOf(id), 1);
    delete page.nodes[id];
  }
}
