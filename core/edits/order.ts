import { childrenIn } from '../values/visibility.ts';
import type { EditReach } from '../layered/change.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { done, refused } from '../outcome.ts';
import type { ViewId } from '../layered/views.ts';
import type { Command } from './command.ts';
import { setValue } from './values.ts';
import { describeReach } from './wording.ts';

export interface ReverseOrder {
  node: NodeId;
  view: ViewId;
  reach: EditReach;
}

/** Turns the order of a container's children in a view round: the last comes first. */
export const reverseOrder: Command<ReverseOrder> = {
  run(site, draft, { node: id, view, reach }, pages) {
    const node = draft.nodes[id];
    if (!node) return refused('The element is not on this page any more.');
    if (node.children.length < 2)
      return refused(`${node.name} has fewer than two parts; there is nothing to reverse.`);
    const value = childrenIn(site, node, view).reverse();
    const set = setValue.run(site, draft, { nodes: [id], property: 'order', view, value, reach }, pages);
    return set.ok ? done(`${node.name}: order reversed ${describeReach(site, view, reach)}`) : set;
  },
};
