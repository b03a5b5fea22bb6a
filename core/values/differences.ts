import { knownIn, sure } from '../sure.ts';
import type { Node } from '../site/node.ts';
import type { Property } from '../elements/properties/property.ts';
import { PARTS, type Part } from '../elements/parts.ts';
import { knownProperty, placeOf } from '../elements/propertytable.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import type { ViewId } from '../layered/views.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { withoutValue } from '../layered/change.ts';
import { resolve } from './trace.ts';

/** An override of a view, with what would hold there without it. */
export interface Difference {
  node: Node;
  part: Part;
  property: Property;
  value: unknown;
  instead: unknown;
}

/** Every override that stands at a view, in reading order, and within an element in the order of the property table. */
export function differences(site: SiteFrame, page: Page, view: ViewId): Difference[] {
  return sourceOrder(page).flatMap((node) => PARTS.flatMap((part) => ofPart(site, page, node, part, view)));
}

function ofPart(site: SiteFrame, page: Page, node: Node, part: Part, view: ViewId): Difference[] {
  const style = node.style[part];
  if (!style) return [];
  return Object.entries(style)
    .filter(([, layered]) => layered.at?.[view])
    .sort(([one], [other]) => knownIn(placeOf, one) - knownIn(placeOf, other))
    .map(([name, layered]) => {
      const property = knownProperty(name);
      const rest = { ...style, [name]: withoutValue(layered, site.views, view) };
      const without: Node = { ...node, style: { ...node.style, [part]: rest } };
      const instead = resolve(site, page, without, property, view, part);
      return { node, part, property, value: sure(layered.at, 'at')[view].value, instead };
    });
}
