import { hasTrait, isAtEdge, knownKind } from '../elements/kinds/table.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { familiesOf, type FontFile } from '../theme/families.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { takes } from '../site/applies.ts';
import { resolve } from '../values/trace.ts';
import { hiddenBy } from '../values/visibility.ts';

/** What stays at an edge of the window is no part of the page's rows. */
export const EDGE = 'edge';

/** What a section serves as; alternates serve as the first of them does. */
export function landmarkOf(page: Page, section: Node): string {
  if (isAtEdge(section.kind)) return EDGE;
  const one = hasTrait(section, 'alternating') ? page.nodes[section.children[0]] : section;
  return (one && knownKind(one.kind).landmark?.(one)?.role) ?? 'section';
}

/** The sections of a page, and what stands in for them. */
export const sectionsOf = (page: Page): Node[] =>
  page.nodes[page.root].children.map((id) => page.nodes[id]).filter(({ kind }) => !isAtEdge(kind));

/** How many sections at the top of a page serve as its head; the one after them opens the page. */
export function headSections(page: Page): number {
  const sections = sectionsOf(page);
  const firstInMain = sections.findIndex((section) => landmarkOf(page, section) !== 'header');
  return firstInMain < 0 ? sections.length : firstInMain;
}

/**
 * The font files that the top of a page needs, up to its opening section: of each family that words have there in the base
 * view, the upright one with the commonest characters. Fetched with the style sheet, they are there when it has been read.
 */
export function openingFonts(site: SiteFrame, page: Page): FontFile[] {
  const family = knownProperty('family');
  const used = new Set<unknown>();
  const look = (node: Node) => {
    if (takes(node.kind, family) && !hiddenBy(site, page, node, site.views.base))
      used.add(resolve(site, page, node, family, site.views.base));
    node.children.forEach((id) => look(page.nodes[id]));
  };
  sectionsOf(page)
    .slice(0, headSections(page) + 1)
    .forEach(look);
  return familiesOf(site).flatMap(({ id, files }) => {
    const upright = files.find(({ style }) => style === 'normal');
    return used.has(id) && upright ? [upright] : [];
  });
}
