import { knownIn, sure } from '../../sure.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { isSavedBlock, isLinked, sharedPlaceOf, takesLinked } from '../../site/shared.ts';
import type { Node } from '../../site/node.ts';
import type { Page } from '../../site/site.ts';
import { found } from '../values/aim.ts';
import { settledInOverlay } from '../placement/areas.ts';
import type { Command } from '../command.ts';
import { childrenIn } from '../../values/visibility.ts';
import { fitted, storeOrder } from '../placement/placing.ts';
import { MOST_CHILDREN, takesWhole } from './structure.ts';
import { putAfter, topmost, withoutEmptySets } from '../../site/tree.ts';
import { subtree } from '../../site/sourceorder.ts';
import { describeHolders, kindInWords } from '../values/textbyview.ts';

export interface MoveElements {
  nodes: NodeId[];
  parent: NodeId;
  /** The child of the parent they stand behind in source order; null: they come first. Behind all where that child has gone. */
  after: NodeId | null;
  /** Views in which the parent has an order of its own follow too; else what stood in it already stays where it is there. */
  inOrders?: true;
}

/** Why elements cannot stand in a parent; undefined where they can. */
export function misplaced(page: Page, nodes: readonly Node[], parent: Node): string | undefined {
  const within = nodes.find(({ id }) => subtree(page, id).includes(parent.id));
  if (within)
    return within.id === parent.id
      ? `${within.name} cannot be put into itself.`
      : `${within.name} cannot be put into ${parent.name}, which is inside it.`;
  const odd = nodes.find((node) => !takesWhole(page, parent, node));
  if (odd) return `${parent.name} takes no ${kindInWords(odd.kind)}.`;
  const block = nodes.find((node) => isLinked(node) && !takesLinked(parent));
  if (block)
    return `${block.name} is a linked block, which cannot be in ${parent.name}; give this page its own first.`;
  const foreign = nodes.find(
    (node) => !isLinked(node) && sharedPlaceOf(node.id) !== sharedPlaceOf(parent.id),
  );
  if (foreign) {
    const theirs = sharedPlaceOf(foreign.id);
    const [where, not] = isSavedBlock(theirs)
      ? ['belongs to a linked block', 'is not']
      : [theirs ? 'is on all pages' : 'is on this page only', 'does not'];
    return `${foreign.name} ${where}, and ${parent.name} ${not}; copy it instead.`;
  }
  const coming = nodes.filter((node) => node.parent !== parent.id).length;
  if (parent.children.length + coming > MOST_CHILDREN)
    return `${parent.name} is full: it holds ${MOST_CHILDREN} elements.`;
  return undefined;
}

/** Moves elements, with all that is in them, to another place or parent in source order: in all views. */
export const moveElements: Command<MoveElements> = {
  run(site, draft, { nodes: ids, parent: parentId, after, inOrders }): Outcome<string> {
    const [nodes, parents] = [found(draft, ids), found(draft, [parentId])];
    if (!nodes.ok) return nodes;
    if (!parents.ok) return parents;
    if (nodes.value.some(({ parent }) => parent === null))
      return refused('The page itself cannot be moved here. Nothing was moved.');
    const [parent] = parents.value;
    const tops = topmost(draft, ids).map((id) => draft.nodes[id]);
    const fault = misplaced(draft, tops, parent);
    if (fault) return refused(`${fault} Nothing was moved.`);
    // Where they stand behind one of themselves, the nearest before it that stays is meant.
    const staying = parent.children.filter((id) => !tops.some((node) => node.id === id));
    const until = after === null ? -1 : parent.children.indexOf(after);
    let place: NodeId | null =
      after !== null && until < 0
        ? after
        : (parent.children.slice(0, until + 1).findLast((id) => staying.includes(id)) ?? null);
    const first = place;
    const orders = new Map(site.views.list.map((view) => [view.id, childrenIn(site, parent, view.id)]));
    const left = new Set<string>();
    const from = tops.map((node) => sure(node.parent, 'parent'));
    for (const node of tops) {
      const { children } = draft.nodes[sure(node.parent, 'parent')];
      children.splice(children.indexOf(node.id), 1);
      const elsewhere = node.parent !== parent.id;
      node.parent = parent.id;
      putAfter(parent.children, node.id, place);
      place = node.id;
      // What a linked block says of its place it says wherever it is linked.
      if (!elsewhere || isLinked(node)) continue;
      fitted(draft, node).forEach(({ label }) => left.add(label.toLowerCase()));
      settledInOverlay(site, draft, node);
    }
    if (inOrders && parent.style.self?.order) {
      const moved = tops.map(({ id }) => id);
      storeOrder(site, parent, (view) => {
        const order = knownIn(orders, view).filter((id) => !moved.includes(id));
        order.splice(first === null ? 0 : order.indexOf(first) + 1, 0, ...moved);
        return order;
      });
    }
    withoutEmptySets(draft, from);
    const dropped = left.size > 0 ? `; without ${[...left].join(', ')}, which mean nothing there` : '';
    const where = from.every((id) => id === parent.id)
      ? `moved in ${parent.name}`
      : `moved to ${parent.name}`;
    return done(`${describeHolders(tops)}: ${where}, in every view${dropped}`);
  },
};
