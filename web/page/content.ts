import { paths } from '../../api/paths.ts';
import {
  composed,
  directionOf,
  headOf,
  MATTER,
  offeringIn,
  isClosed,
  isFor,
  isOnAllPages,
  isShown,
  nodeClass,
  saidWhole,
  variantClass,
  knownKind,
  preview,
  sourceOrder,
  isItself,
  isMadeSmaller,
  type Addresses,
  type Asset,
  type Node,
  type NodeId,
  type Page,
  type Preview,
  type SiteFrame,
  type ViewId,
  type Visitor,
} from '../../core/index.ts';
import { useMemo } from 'react';
import type { Ghost } from './sheetdocument.ts';

/** What of a site the addresses in its sheets follow: as long as that is the same, they are. */
export type Addressed = Pick<SiteFrame, 'id' | 'pages' | 'assets'>;

/**
 * The addresses of the application, from inside a sheet. Pictures are the same files as in the published site.
 */
export function sheetAddresses({ id: site, pages, assets }: Addressed, density?: number): Addresses {
  const known = new Set<string>(pages.map((reference) => reference.id));
  const hashes = new Map(assets.map(({ id, hash }) => [id, hash]));
  return {
    page: (id) => (known.has(id) ? `#${id}` : undefined),
    picture: (asset) => paths.asset(site, hashes.get(asset) ?? ''),
    visitor: () => '#',
    letter: ({ id }) => id,
    file: (asset) => paths.asset(site, hashes.get(asset) ?? ''),
    made(asset, form) {
      if (isItself(asset, form)) return paths.asset(site, asset.hash);
      const { crop, width, type } = form;
      const part = crop && [crop.x, crop.y, crop.width, crop.height];
      return paths.made(site, asset.hash, width, type === 'image/avif' ? 'avif' : 'webp', part);
    },
    density,
    anyWidth: true,
  };
}

/** The element of a node in a view: of several that stand in for one another, the one that is for it. */
export function selectorIn({ views }: SiteFrame, node: Node, view: ViewId): string {
  const whole = saidWhole(node, views);
  return `.${whole ? variantClass(node.id, whole.in.get(view)!) : nodeClass(node.id)}`;
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
export const keptFromVisitor = (page: Page, visitor: Visitor): Node[] => {
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

/** A page compiled to look at. */
export const usePreviewOf = (site: SiteFrame, page: Page): Preview =>
  useMemo(() => preview(site, composed(site, page), sheetAddresses(site)), [site, page]);

/** Where a picture of the shelf is, small where smaller ones are made of it. `width`: px. */
export const pictureUrl = (
  site: string,
  asset: Pick<Asset, 'hash' | 'type' | 'moves'>,
  width: number,
): string => (isMadeSmaller(asset) ? paths.made(site, asset.hash, width) : paths.asset(site, asset.hash));

/** Whether the lines of a page run from right to left. */
export const isMirrored = (site: SiteFrame, { id }: Page): boolean =>
  directionOf(headOf(site, id).lang ?? site.lang) === 'rtl';
