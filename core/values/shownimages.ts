import { hasTrait } from '../elements/kinds/table.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { NO_IMAGE } from '../elements/valuetypes/image.ts';
import type { ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { isImage, type MediaAsset } from '../theme/resources.ts';
import { textIn } from './textbyview.ts';
import { resolve } from './trace.ts';

/** An image that an element shows, and what is said of it there. */
export interface ShownImage {
  asset: MediaAsset;
  /** Its text alternative there: its own, else that of the shelf. */
  alt: string;
}

/** The images that an element shows in a view: the one that it is, or those that it has side by side. */
export function imagesShown(site: SiteFrame, page: Page, node: Node, view: ViewId): ShownImage[] {
  const own: { picture: string; alt: string }[] = hasTrait(node, 'gallery')
    ? textIn(node, site.views, 'pictures', view)
    : hasTrait(node, 'picture')
      ? [
          {
            picture: resolve(site, page, node, knownProperty('source'), view),
            alt: textIn<string>(node, site.views, 'alt', view),
          },
        ]
      : [];
  return own.flatMap(({ picture, alt }) => {
    if (picture === NO_IMAGE || picture === '') return [];
    const asset = site.assets.find(({ id }) => id === picture);
    return asset && isImage(asset) ? [{ asset, alt: alt.trim() || (asset.alt ?? '') }] : [];
  });
}
