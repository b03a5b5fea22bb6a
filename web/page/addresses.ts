/** Where the application has what a page asks for: pages, images and files, as seen from inside a sheet. */
import { madeName, paths } from '../../api/paths.ts';
import { isItself, isMadeSmaller, type Addresses, type Asset, type SiteFrame } from '../../core/index.ts';

/** What of a site the addresses in its sheets follow: as long as that is the same, they are. */
export type Addressed = Pick<SiteFrame, 'id' | 'pages' | 'assets'>;

/**
 * The addresses of the application, from inside a sheet. Images are the same files as in the published site.
 */
export function sheetAddresses({ id: site, pages, assets }: Addressed, density?: number): Addresses {
  const known = new Set<string>(pages.map((reference) => reference.id));
  const hashes = new Map(assets.map(({ id, hash }) => [id, hash]));
  return {
    page: (id) => (known.has(id) ? `#${id}` : undefined),
    picture: (asset) => paths.asset(site, hashes.get(asset) ?? ''),
    visitor: () => '#',
    formMessage: ({ id }) => id,
    file: (asset) => paths.asset(site, hashes.get(asset) ?? ''),
    made(asset, form) {
      if (isItself(asset, form)) return paths.asset(site, asset.hash);
      const { crop, width, type } = form;
      const part = crop && [crop.x, crop.y, crop.width, crop.height];
      return paths.made(site, asset.hash, madeName(width, type === 'image/avif' ? 'avif' : 'webp', part));
    },
    density,
    anyWidth: true,
  };
}

/** Where an image of the shelf is, small where smaller ones are made of it. `width`: px. */
export const imageUrl = (
  site: string,
  asset: Pick<Asset, 'hash' | 'type' | 'moves'>,
  width: number,
): string =>
  isMadeSmaller(asset) ? paths.made(site, asset.hash, madeName(width)) : paths.asset(site, asset.hash);
