import { knownIn } from '../../sure.ts';
import { childrenIn, inRow } from '../../values/visibility.ts';
import { alternatingRuns, firstInRow, type First } from '../../values/alternating.ts';
import type { EditReach } from '../../layered/change.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { viewOf, type ViewId } from '../../layered/views.ts';
import { same } from '../../layered/express.ts';
import { found } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { storeOrder } from './placing.ts';
import { setValue } from '../values/values.ts';
import { counted } from '../../plural.ts';
import { describeReach, viewsNamed } from '../values/textbyview.ts';

export interface OrderIn {
  node: NodeId;
  view: ViewId;
  reach: EditReach;
}

const FEWEST = 2;

/** Turns the order of a container's children in a view round: the last comes first. */
export const reverseOrder: Command<OrderIn> = {
  run(site, draft, { node: id, view, reach }, pages) {
    const node = draft.nodes[id];
    if (!node) return refused('The element is no longer on this page.');
    if (inRow(draft, node).length < FEWEST)
      return refused(`${node.name} has fewer than two parts; there is nothing to reverse.`);
    const value = childrenIn(site, node, view).reverse();
    const set = setValue.run(site, draft, { nodes: [id], property: 'order', view, value, reach }, pages);
    return set.ok ? done(`${node.name}: order reversed ${describeReach(site, view, reach)}`) : set;
  },
};

/** Puts a container's children in a view in the order of their source. */
export const orderAsInSource: Command<OrderIn> = {
  run(site, draft, { node: id, view, reach }, pages) {
    const node = draft.nodes[id];
    if (!node) return refused('The element is no longer on this page.');
    const value = [...node.children];
    if (same(childrenIn(site, node, view), value))
      return refused(`${node.name} is already in source order in ${viewOf(site.views, view).name}.`);
    const set = setValue.run(site, draft, { nodes: [id], property: 'order', view, value, reach }, pages);
    return set.ok ? done(`${node.name}: order as in the source ${describeReach(site, view, reach)}`) : set;
  },
};

/**
 * Makes the order that a container's children have in a view that of their source, in which they are read and reached by the keyboard.
 * Every view looks as it did.
 */
export const makeSourceOrder: Command<{ node: NodeId; view: ViewId }> = {
  run(site, draft, { node: id, view }): Outcome<string> {
    const nodes = found(draft, [id]);
    if (!nodes.ok) return nodes;
    const [node] = nodes.value;
    const { name } = viewOf(site.views, view);
    const orders = new Map(site.views.list.map((each) => [each.id, childrenIn(site, node, each.id)]));
    const next = knownIn(orders, view);
    if (same(next, node.children))
      return refused(`${node.name} already has the order of ${name} as its source order.`);
    node.children = [...next];
    storeOrder(site, node, (each) => knownIn(orders, each));
    return done(`${node.name}: the order in ${name} is the source order now; every view looks as it did`);
  },
};

export interface EvenRows {
  /** Rows that alternate image and words. */
  nodes: NodeId[];
  views: ViewId[];
  first: First;
}

/** Lets rows that alternate begin with the image, or with the words, in some views; the others stay as they are. */
export const evenRows: Command<EvenRows> = {
  run(site, draft, { nodes: ids, views, first }): Outcome<string> {
    const nodes = found(draft, ids);
    if (!nodes.ok) return nodes;
    const rows = new Set(alternatingRuns(site, draft).flatMap(({ rows: each }) => each));
    const strange = nodes.value.find(({ id }) => !rows.has(id));
    if (strange) return refused(`${strange.name} isn’t a row of an image and text. Nothing was changed.`);
    let count = 0;
    for (const node of nodes.value) {
      const before = new Map(site.views.list.map(({ id }) => [id, childrenIn(site, node, id)]));
      const turned = (view: ViewId) => {
        const order = knownIn(before, view);
        if (!views.includes(view) || firstInRow(site, draft, node, view) === first) return order;
        return [...order].reverse();
      };
      if (site.views.list.every(({ id }) => same(turned(id), before.get(id)))) continue;
      count += 1;
      storeOrder(site, node, turned);
    }
    if (count === 0) return refused(`All of them begin with ${WORDS[first]} there already.`);
    return done(`${counted(count, 'row')}: ${WORDS[first]} first in ${viewsNamed(site, views)}`);
  },
};

const WORDS: Record<First, string> = { picture: 'the image', words: 'the text' };
