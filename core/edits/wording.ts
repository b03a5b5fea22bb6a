import type { EditReach } from '../values/change.ts';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../site/nodeid.ts';
import type { Property } from '../site/properties/property.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { viewOf, type ViewId } from '../site/views.ts';

/** A value as a sentence names it. */
export function describeValue(property: Property, value: unknown, site: SiteFrame, node: Node): string {
  const fluid = property.type.editor === 'size' && typeof value === 'object' ? 'fluid ' : '';
  const siblings = property.onChildren ? { order: [], source: node.children } : undefined;
  return fluid + property.type.format(value, { site, siblings });
}

/** The elements a step concerns: the one by name, or how many. */
export function describeNodes(page: Page, nodes: readonly NodeId[]): string {
  return nodes.length === 1 ? page.nodes[nodes[0]].name : `${nodes.length} elements`;
}

/** Where an edit goes: "in Tablet", "in Tablet and onward", "in every view". */
export function describeReach(site: SiteFrame, view: ViewId, reach: EditReach): string {
  if (reach === 'everywhere') return 'in every view';
  const name = viewOf(site.views, view).name;
  return reach === 'onward' && view !== site.views.base ? `in ${name} and onward` : `in ${name}`;
}
