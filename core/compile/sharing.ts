import { knownProperty } from '../elements/propertytable.ts';
import { element, type Markup } from '../markup/markup.ts';
import { applies } from '../site/applies.ts';
import { isOnAllPages } from '../site/shared.ts';
import type { Page, PageHead, SiteFrame } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { isImage, type Asset } from '../theme/resources.ts';
import { resolve } from '../values/trace.ts';
import { hiddenBy } from '../values/visibility.ts';
import { addressOf } from './searchmetadata.ts';

/** px; an image that is narrower is shown small where a page is shared (common practice). */
const LARGE = 600;

/** The image that stands for a page where it is shared: the one that it names, or the first large one that its base view shows. */
export function sharingImage(site: SiteFrame, page: Page, { picture }: PageHead): Asset | undefined {
  const assetOf = (id: unknown) => site.assets.find((asset) => asset.id === id && isImage(asset));
  if (picture !== undefined) return assetOf(picture);
  const { base } = site.views;
  for (const node of sourceOrder(page)) {
    if (isOnAllPages(node.id) || hiddenBy(site, page, node, base) !== undefined) continue;
    const parent = node.parent === null ? undefined : page.nodes[node.parent].kind;
    for (const property of ['source', 'backgroundPicture'].map(knownProperty)) {
      if (!applies(property, node.kind, parent)) continue;
      const found = assetOf(resolve(site, page, node, property, base));
      if (found && (found.width ?? 0) >= LARGE) return found;
    }
  }
  return undefined;
}

/** What search engines and those who share a page are told of it (The Open Graph protocol, https://ogp.me/). */
export function sharingHead(
  site: SiteFrame,
  page: Page,
  head: PageHead,
  pictureAt: (asset: Asset) => string,
  address: string,
): Markup[] {
  const property = (name: string, content: string) => element('meta', { property: name, content });
  const picture = sharingImage(site, page, head);
  return [
    property('og:type', 'website'),
    property('og:site_name', site.name),
    property('og:title', head.title),
    ...(address && !head.missing ? [property('og:url', addressOf(address, head))] : []),
    ...(head.description ? [property('og:description', head.description)] : []),
    ...(picture
      ? [
          property('og:image', pictureAt(picture)),
          ...(picture.alt ? [property('og:image:alt', picture.alt)] : []),
        ]
      : []),
  ];
}
