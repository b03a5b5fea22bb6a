import { nodeId, type NodeId } from '../elements/nodeid.ts';
import { sure } from '../sure.ts';
import { knownKind } from '../elements/kinds/table.ts';
import { type Kind, type MarkupContext, type MediaReference } from '../elements/kinds/kind.ts';
import { linkTo, targetOf } from '../markup/link.ts';
import type { Markup } from '../markup/markup.ts';
import { headOf, type Page, type SiteFrame } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { partStyleOf } from '../values/trace.ts';
import { widthsIn } from '../values/widths.ts';
import type { Addresses } from './addresses.ts';
import { isMadeSmaller, imagesOf } from './images.ts';
import { textStyleClass } from './selectors.ts';
import { lookup } from '../lookup.ts';

/** What the markup of a page needs besides the page. */
export interface PageContext {
  site: SiteFrame;
  page: Page;
  addresses: Addresses;
  /** The language of the page, where it is not the site's. */
  lang: string | undefined;
  levels: Map<NodeId, number>;
  /** What was made of each element. */
  made: Map<NodeId, Markup[]>;
  address: MarkupContext['address'];
  media: MarkupContext['media'];
  pictures: ReturnType<typeof imagesOf>;
  /** Whether an image that is fetched at once has been printed. */
  opened: boolean;
  partsOf(kind: Kind): MarkupContext['part'];
}

/** Heading levels as printed: the first heading of level 1 is the page's; any further one becomes level 2. */
function headingLevels(page: Page): { levels: Map<NodeId, number>; titled: boolean } {
  const levels = new Map<NodeId, number>();
  let titled = false;
  for (const node of sourceOrder(page)) {
    const level = knownKind(node.kind).level?.(node);
    if (level === undefined) continue;
    levels.set(node.id, level === 1 && titled ? 2 : level);
    titled ||= level === 1;
  }
  return { levels, titled };
}

/** What a page refers to by an asset's id. */
const mediaOf =
  (site: SiteFrame, addresses: Addresses) =>
  (id: string): MediaReference | undefined => {
    const asset = site.assets.find((candidate) => candidate.id === id);
    if (!asset) return undefined;
    // Where one address is all there can be, an image is as wide as most videos are shown.
    const made = isMadeSmaller(asset)
      ? addresses.made?.(asset, { type: 'image/webp', width: Math.min(asset.width, WIDEST_POSTER) })
      : undefined;
    return {
      url: made ?? addresses.picture(id),
      type: made ? 'image/webp' : asset.type,
      name: asset.name,
      width: asset.width,
      height: asset.height,
    };
  };

/** px */
const WIDEST_POSTER = 1280;

/** The attributes of the parts of each kind. */
function partsIn(site: SiteFrame): PageContext['partsOf'] {
  const made = new Map<Kind, MarkupContext['part']>();
  return (kind) => {
    const known = made.get(kind);
    if (known) return known;
    const part: MarkupContext['part'] = (name) => {
      const taken = partStyleOf(kind, name, site);
      return taken ? { class: textStyleClass(taken.id) } : {};
    };
    made.set(kind, part);
    return part;
  };
}

/** What the markup of a page's elements needs, and the elements that are linked to. */
export function pageContext(site: SiteFrame, page: Page, addresses: Addresses) {
  const { levels, titled } = headingLevels(page);
  const linked = new Set<NodeId>(addresses.places?.(page.id) as ReadonlySet<NodeId> | undefined);
  const address = (link: string) => {
    const target = targetOf(link);
    if (!target) return link || undefined;
    if (target.visitor !== undefined) return addresses.visitor?.(target.visitor);
    if (target.file !== undefined) return addresses.file?.(target.file);
    if (target.place === undefined || (target.page ?? page.id) !== page.id)
      return addresses.page(sure(target.page, 'page'), target.place);
    if (!lookup(page.nodes, target.place)) return target.page && addresses.page(target.page);
    linked.add(nodeId(target.place));
    return linkTo({ place: target.place });
  };
  const making: PageContext = {
    site,
    page,
    addresses,
    lang: headOf(site, page.id).lang,
    levels,
    made: new Map(),
    address,
    media: mediaOf(site, addresses),
    pictures: imagesOf({ site, page, widths: widthsIn(site, page), addresses }),
    opened: false,
    partsOf: partsIn(site),
  };
  return { making, titled, linked };
}
