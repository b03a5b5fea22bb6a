import {
  headOf,
  isClosed,
  isFor,
  isOnAllPages,
  isShown,
  knownIn,
  knownKind,
  MATTER,
  type Node,
  nodeClass,
  type NodeId,
  offeringIn,
  type Page,
  type SiteFrame,
  sourceOrder,
  variantClass,
  variantsOfElement,
  type ViewId,
  type Visitor,
} from '../../core/index.ts';
/** What of a page is not seen in a view, and what stands for it in a sheet. */
import type { Ghost } from './sheetdocument.ts';

/** The element of a node in a view: of several that stand in for one another, the one that is for it. */
export function selectorIn({ views }: SiteFrame, node: Node, view: ViewId): string {
  const whole = variantsOfElement(node, views);
  return `.${whole ? variantClass(node.id, knownIn(whole.in, view)) : nodeClass(node.id)}`;
}

/** All that is on a page that is not offered in a view. */
const withheldIn = (site: SiteFrame, page: Page, view: ViewId): Ghost[] =>
  offeringIn(headOf(site, page.id), site, view) === 'withheld'
    ? [{ selector: `.${MATTER}`, display: 'contents' }]
    : [];

/** The elements that are themselves hidden in a view, or give way to an alternate, with the display they would have. */
export function ghostsIn(site: SiteFrame, page: Page, view: ViewId): Ghost[] {
  return [
    ...withheldIn(site, page, view),
    ...sourceOrder(page)
      .filter((node) => !isShown(site, page, node, view))
      .map((node) => ({
        selector: selectorIn(site, node, view),
        display: knownKind(node.kind).display,
      })),
  ];
}

/** An element as a ghost, whatever keeps it from being seen. */
export const ghostOf = ({ id, kind }: Node): Ghost => ({
  selector: `.${nodeClass(id)}`,
  display: knownKind(kind).display,
});

/** The elements that are not for a visitor; those in them go with them. */
export const hiddenFromVisitor = (page: Page, visitor: Visitor): Node[] => {
  const own = isClosed(page, visitor)
    ? page.nodes[page.root].children.filter((id) => !isOnAllPages(id)).map((id) => page.nodes[id])
    : [];
  return [
    ...own,
    ...Object.values(page.nodes).filter((node) => node.parent !== null && !isFor(node, visitor)),
  ];
};

/** What keeps a selected element from being seen in a view, as ghosts: itself, or those above it. */
export function ghostsOf(site: SiteFrame, page: Page, id: NodeId, view: ViewId): Ghost[] {
  const ghosts: Ghost[] = withheldIn(site, page, view);
  for (
    let node = page.nodes[id] as Node | undefined;
    node;
    node = node.parent === null ? undefined : page.nodes[node.parent]
  )
    if (!isShown(site, page, node, view))
      ghosts.push({ selector: selectorIn(site, node, view), display: knownKind(node.kind).display });
  return ghosts;
}
