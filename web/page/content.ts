import { paths } from '../../api/paths.ts';
import {
  composed,
  isShown,
  knownKind,
  preview,
  sourceOrder,
  isItself,
  isMadeSmaller,
  type Addresses,
  type Asset,
  type Page,
  type Preview,
  type SiteFrame,
  type ViewId,
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
    file: (asset) => paths.asset(site, hashes.get(asset) ?? ''),
    made(asset, form) {
      if (isItself(asset, form)) return paths.asset(site, asset.hash);
      const { crop, width, type } = form;
      const part = crop && [crop.x, crop.y, crop.width, crop.height];
      return paths.made(site, asset.hash, width, type === 'image/avif' ? 'avif' : 'webp', part);
    },
    density,
  };
}

/** The elements that are themselves hidden in a view, with the display they would have. */
export function ghostsIn(site: SiteFrame, page: Page, view: ViewId): Ghost[] {
  return sourceOrder(page)
    .filter((node) => !isShown(site, page, node, view))
    .map((node) => ({ id: node.id, display: knownKind(node.kind).display }));
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
