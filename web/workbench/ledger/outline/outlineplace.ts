import {
  composed,
  inRowIn,
  ordinal,
  type NodeId,
  type Outcome,
  type Page,
  type Site,
  type SiteFrame,
  lookup,
} from '../../../../core/index.ts';
import type { TreePlace } from '../../../state/structure.ts';

/** Where what is dragged would go, and what comes of it. */
export interface Drop {
  place: TreePlace;
  /** px of the window: where the line is drawn, across unless it has a height. */
  line: { top: number; left: number; right: number; height?: number };
  /** Into an element that holds nothing there yet: it is framed. */
  into: boolean;
  /** Where it would stand, in each view; or why it cannot. */
  sentence: string;
  refused: boolean;
}

/** The place that a pointer means: before, behind, or in the row under it. */
export function placeAt(page: Page, event: { clientX: number; clientY: number }) {
  const row = document
    .elementFromPoint(event.clientX, event.clientY)
    ?.closest<HTMLElement>('[role=treegrid] [data-row]');
  const node = row && lookup(page.nodes, row.dataset.row);
  if (!node) return undefined;
  const { top, bottom, left, right } = row.getBoundingClientRect();
  const share = (event.clientY - top) / (bottom - top);
  const indent = parseFloat(row.querySelector<HTMLElement>('[data-column="-1"]')?.style.paddingLeft ?? '0');
  const line = (at: number, deeper = 0) => ({ top: at, left: left + indent + deeper, right });
  const holds = node.children.length > 0 || node.parent === null;
  if (node.parent !== null && share < 0.3) {
    const siblings = page.nodes[node.parent].children;
    const after = siblings[siblings.indexOf(node.id) - 1] ?? null;
    return { place: { parent: node.parent, after }, line: line(top), into: false, node };
  }
  if (node.parent === null || share < 0.7)
    return {
      place: { parent: node.id, after: node.children.at(-1) ?? null },
      line: line(top),
      into: true,
      node,
    };
  // Behind an unfolded element is in front of what is in it.
  if (holds && row.getAttribute('aria-expanded') === 'true')
    return { place: { parent: node.id, after: null }, line: line(bottom, 13), into: false, node };
  return { place: { parent: node.parent, after: node.id }, line: line(bottom), into: false, node };
}

/** Where an element would stand in each view if an edit that was tried were made; or why it cannot be made. */
export function placedIn(
  site: SiteFrame,
  page: Page,
  place: TreePlace,
  node: NodeId,
  tried: Outcome<{ site: Site }>,
): string {
  if (!tried.ok) return tried.sentence;
  const then = composed(tried.value.site.frame, tried.value.site.pages[page.id]);
  const parent = then.nodes[place.parent];
  const by = new Map<string, string[]>();
  for (const view of site.views.list.toReversed()) {
    const order = inRowIn(site, then, parent, view.id);
    const at = `${ordinal(order.indexOf(node) + 1)} of ${order.length}`;
    by.set(at, [...(by.get(at) ?? []), view.name]);
  }
  const name = page.nodes[place.parent].name;
  return `In ${name}: ${[...by].map(([at, names]) => (by.size === 1 ? `${at}, in every view` : `${at} in ${names.join(', ')}`)).join('; ')}`;
}
