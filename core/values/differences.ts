import type { Node } from '../site/node.ts';
import type { Property } from '../site/properties/property.ts';
import { knownProperty, PROPERTIES } from '../site/properties/table.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import type { ViewId } from '../site/views.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { withoutValue } from './change.ts';
import { resolve } from './trace.ts';

/** An override of a view, with what would hold there without it. */
export interface Difference {
  node: Node;
  property: Property;
  value: unknown;
  instead: unknown;
}

const placeOf = new Map(PROPERTIES.map((property, index) => [property.name, index]));

/** Every override that stands at a view, in reading order, and within an element in the order of the property table. */
export function differences(site: SiteFrame, page: Page, view: ViewId): Difference[] {
  return sourceOrder(page).flatMap((node) =>
    Object.entries(node.style.self ?? {})
      .filter(([, layered]) => layered.at?.[view])
      .sort(([one], [other]) => placeOf.get(one)! - placeOf.get(other)!)
      .map(([name, layered]) => {
        const property = knownProperty(name);
        const self = { ...node.style.self, [name]: withoutValue(layered, site.views, view) };
        const without: Node = { ...node, style: { ...node.style, self } };
        return {
          node,
          property,
          value: layered.at![view].value,
          instead: resolve(site, page, without, property, view),
        };
      }),
  );
}
