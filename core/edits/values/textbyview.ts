import type { EditReach } from '../../layered/change.ts';
import { knownKind } from '../../elements/kinds/table.ts';
import type { Node } from '../../site/node.ts';
import type { Property } from '../../elements/properties/property.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import type { Offering, Page, PageHead, SiteFrame } from '../../site/site.ts';
import { isFluid } from '../../type/fluid.ts';
import type { Aim, Styled } from './aim.ts';
import { hasOnward, viewOf, type ViewId } from '../../layered/views.ts';

/** A value as a sentence names it; `node` is the element that holds it, where one does. */
export function describeValue(property: Property, value: unknown, site: SiteFrame, node?: Node): string {
  const fluid = isFluid(value) ? 'fluid ' : '';
  const siblings = property.onChildren && node ? { order: [], source: node.children } : undefined;
  return fluid + property.type.format(value, { site, siblings });
}

/** A property as a sentence names it: "size", "padding", "links: colour". */
export function describeProperty({ property, part, nodes }: Aim, linked = false): string {
  const name = linked && property.sides ? property.sides : property.label.toLowerCase();
  const label = nodes[0] && knownKind(nodes[0].kind).parts?.[part]?.label;
  return label === undefined ? name : `${label.toLowerCase()}: ${name}`;
}

/** What a step concerns: the one thing by name, or how many elements. */
export const describeHolders = (holders: readonly Styled[]): string =>
  holders.length === 1 ? holders[0].name : `${holders.length} elements`;

/** Where an edit goes: "in Tablet", "in Tablet and onward", "in every view". Beyond the last view nothing is onward. */
export function describeReach(site: SiteFrame, view: ViewId, reach: EditReach): string {
  if (reach === 'everywhere') return 'in every view';
  const name = viewOf(site.views, view).name;
  if (reach === 'here') return view === site.views.base ? `in ${name} only` : `in ${name}`;
  return hasOnward(site.views, view) ? `in ${name} and onward` : `in ${name}`;
}

/** Views by their names, widest first. */
export const viewsNamed = ({ views }: SiteFrame, meant: readonly ViewId[]): string =>
  views.list
    .filter(({ id }) => meant.includes(id))
    .map(({ name }) => name)
    .reverse()
    .join(', ');

/** What a page is called: its name in the workbench, or, where it is not there to be asked, its title. */
export const nameOfPage = (pages: Record<NodeId, Page | undefined>, { id, title }: PageHead): string => {
  const page = pages[id];
  return page?.nodes[page.root].name ?? title;
};

/** How a page is offered, in words. */
export const OFFERED: Record<Offering, string> = {
  listed: 'in menus',
  unlisted: 'not in menus',
  withheld: 'does not appear',
};

/** A kind of element within a sentence. */
export const kindInWords = (kind: string): string => knownKind(kind).label.toLowerCase();
