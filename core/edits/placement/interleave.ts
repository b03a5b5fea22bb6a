import type { EditReach } from '../../layered/change.ts';
import { viewOf, type ViewId } from '../../layered/views.ts';
import { hasTrait } from '../../elements/kinds/table.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { ordinal } from '../../elements/valuetypes/order.ts';
import { PROPERTIES } from '../../elements/propertytable.ts';
import { lookup } from '../../lookup.ts';
import { same } from '../../layered/express.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Node } from '../../site/node.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { takes } from '../../site/applies.ts';
import { inRow, isShown } from '../../values/visibility.ts';
import { interleavingIn, opens, partsOfRow, partsOfRowIn } from '../../values/interleaving.ts';
import { resolve } from '../../values/trace.ts';
import { found } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { describeReach } from '../values/textbyview.ts';
import { setValue } from '../values/values.ts';

export interface InterleaveParts {
  /** The row. */
  row: NodeId;
  /** The part that is given a place. */
  node: NodeId;
  view: ViewId;
  reach: EditReach;
  /** Behind which part it stands; null: before all. */
  after: NodeId | null;
}

/** What only a box shows, and is not seen of a column that has none. */
const OF_BOXES = PROPERTIES.filter(({ group }) => ['background', 'border', 'space'].includes(group));

/** The columns of a row whose room, background or border is not seen in a view where its parts are interleaved. */
const boxesLost = (site: SiteFrame, page: Page, row: Node, view: ViewId): Node[] =>
  inRow(page, row)
    .map((id) => page.nodes[id])
    .filter(
      (column) =>
        opens(column) &&
        isShown(site, page, column, view) &&
        OF_BOXES.some(
          (property) =>
            takes(column.kind, property) &&
            lookup(column.style.self, property.name) !== undefined &&
            !same(resolve(site, page, column, property, view), property.initial(viewOf(site.views, view))),
        ),
    );

/**
 * Gives a part of a row a place among all that stands in the columns of the row, in a view: there the columns open, and their parts stand one
 * below another in one sequence. Every other view stays as it is.
 */
export const interleaveParts: Command<InterleaveParts> = {
  run(site, draft, { row: rowId, node: id, view, reach, after }, pages): Outcome<string> {
    const nodes = found(draft, [rowId, id]);
    if (!nodes.ok) return nodes;
    const [row, node] = nodes.value;
    const parts = hasTrait(row, 'row') ? partsOfRow(draft, row) : [];
    if (!parts.includes(id))
      return refused(`${node.name} isn’t in a column of ${row.name}. Nothing was changed.`);
    const order = partsOfRowIn(site, draft, row, view).filter((each) => each !== id);
    order.splice(after === null ? 0 : order.indexOf(after) + 1, 0, id);
    const lost = interleavingIn(row, site.views, view) ? [] : boxesLost(site, draft, row, view);
    const set = setValue.run(
      site,
      draft,
      { nodes: [rowId], property: 'interleave', view, value: order, reach },
      pages,
    );
    if (!set.ok) return set;
    const place = `${ordinal(order.indexOf(id) + 1)} of ${order.length} in ${row.name}`;
    const unseen =
      lost.length > 0
        ? `; without the space, background and border of ${lost.map(({ name }) => name).join(', ')}`
        : '';
    return done(`${node.name}: ${place}, columns interleaved ${describeReach(site, view, reach)}${unseen}`);
  },
};
