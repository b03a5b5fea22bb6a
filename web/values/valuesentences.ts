import {
  inRow,
  partsOfRow,
  knownKind,
  viewOf,
  type Node,
  type Page,
  type Part,
  type Property,
  type SiteFrame,
  type ViewId,
} from '../../core/index.ts';

/** A value of an element: whose, and which. */
export interface ValueOf {
  node: Node;
  part: Part;
  property: Property;
}

/** What a property of an element, or of a part of it, is called. */
export function propertyInWords({ node, part, property }: ValueOf): string {
  const label = knownKind(node.kind).parts?.[part]?.label;
  return label ? `${label}: ${property.label.toLowerCase()}` : property.label;
}

/** A value that an element has, or could have, in a view, as its cell in the table says it. */
export function valueInWords(
  site: SiteFrame,
  page: Page,
  { node, property }: ValueOf,
  view: ViewId,
  value: unknown,
): string {
  const { columns } = viewOf(site.views, view).grid;
  const source = property.sequence ? partsOfRow(page, node) : property.onChildren && inRow(page, node);
  const siblings = source ? { order: [], source } : undefined;
  return property.type.format(value, { site, columns, siblings });
}
