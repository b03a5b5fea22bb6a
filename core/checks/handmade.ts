import { hasTrait } from '../elements/kinds/table.ts';
import { held } from '../layered/resolve.ts';
import type { ViewId } from '../layered/views.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';

/** Two blocks that stand in for one another by being hidden one here and one there. */
export interface HandmadePair {
  nodes: [NodeId, NodeId];
  /** Views in which both show. */
  both: ViewId[];
  /** Views in which none shows. */
  none: ViewId[];
}

/**
 * Pairs of siblings of one kind of which the base shows one and some other view the other: what a set of alternates would do by
 * construction. Where a view shows both, or none, that is a mistake that nothing but looking would find.
 */
export function handmadePairs({ views }: SiteFrame, page: Page): HandmadePair[] {
  const shows = (node: Node, view: ViewId) => held(node.style.self?.shown, views, view)?.value !== false;
  return sourceOrder(page).flatMap((parent) => {
    if (hasTrait(parent, 'alternating')) return [];
    // Only what is hidden somewhere can be one of a pair.
    const hidden = parent.children.map((id) => page.nodes[id]).filter(({ style }) => style.self?.shown);
    return hidden.flatMap((one, index) =>
      hidden.slice(index + 1).flatMap((other): HandmadePair[] => {
        const apart = (view: ViewId) => shows(one, view) !== shows(other, view);
        const turned = views.list.some(({ id }) => apart(id) && shows(one, id) !== shows(one, views.base));
        if (one.kind !== other.kind || !apart(views.base) || !turned) return [];
        const alike = views.list.filter(({ id }) => !apart(id));
        return [
          {
            nodes: [one.id, other.id],
            both: alike.filter(({ id }) => shows(one, id)).map(({ id }) => id),
            none: alike.filter(({ id }) => !shows(one, id)).map(({ id }) => id),
          },
        ];
      }),
    );
  });
}
