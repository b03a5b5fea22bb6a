/**
 * A stored order made whole for the children there are now: ids that are no children fall out, and a child the
 * order does not know stands right after its predecessor in source order (first, if it has none).
 */
export function completeOrder<Id>(children: readonly Id[], stored: readonly Id[] | undefined): Id[] {
  if (!stored) return [...children];
  const present = new Set(children);
  const order = [...new Set(stored)].filter((id) => present.has(id));
  const placed = new Set(order);
  children.forEach((child, index) => {
    if (placed.has(child)) return;
    order.splice(index === 0 ? 0 : order.indexOf(children[index - 1]) + 1, 0, child);
    placed.add(child);
  });
  return order;
}

/**
 * An order in which some come first and some last wherever they are: by rank, and among those of one rank as they are.
 */
export const ranked = <Id>(order: readonly Id[], rankOf: (id: Id) => number): Id[] =>
  order
    .map((id, index) => ({ id, index, rank: rankOf(id) }))
    .sort((one, other) => one.rank - other.rank || one.index - other.index)
    .map(({ id }) => id);

/**
 * The place of one of some siblings in an order that others stand in too, and that may not know it: that of the nearest sibling before it that
 * the order knows, else of the nearest behind it; last of all where it knows none of them. Those of one place stand as in the source.
 */
export function placeAmong<Id>(siblings: readonly Id[], id: Id, stored: readonly Id[]): number {
  const at = siblings.indexOf(id);
  const near = [...siblings.slice(0, at + 1).reverse(), ...siblings.slice(at + 1)];
  const known = near.find((each) => stored.includes(each));
  return known === undefined ? stored.length : stored.indexOf(known);
}

/** The order with one child moved to a place (0-based, held to the ends). */
export function moveTo<Id>(order: readonly Id[], child: Id, place: number): Id[] {
  const rest = order.filter((id) => id !== child);
  rest.splice(Math.max(0, Math.min(place, rest.length)), 0, child);
  return rest;
}
