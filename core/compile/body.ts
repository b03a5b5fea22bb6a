import { bands, mediaCondition } from '../values/bands.ts';
import { held } from '../values/resolve.ts';
import { partStyleOf, textStyleOf } from '../values/trace.ts';
import type { MarkupContext, MediaReference } from '../site/kinds/kind.ts';
import { contentOf } from '../site/kinds/kind.ts';
import { knownKind } from '../site/kinds/table.ts';
import type { Layered } from '../site/layered.ts';
import { linkedPage } from '../site/link.ts';
import { element, type Markup } from '../site/markup.ts';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../site/nodeid.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { memoised } from './memo.ts';
import { nodeClass, textStyleClass } from './rules.ts';

/** Where things are that a page refers to, as seen from the page. */
export interface Addresses {
  page(id: string): string | undefined;
  picture(asset: string): string;
}

/** What the markup of a page needs besides the page. */
interface Making {
  site: SiteFrame;
  page: Page;
  addresses: Addresses;
  levels: Map<NodeId, number>;
}

/** Heading levels as printed: the first heading of level 1 is the page's; any further one becomes level 2. */
function headingLevels(page: Page): { levels: Map<NodeId, number>; titled: boolean } {
  const levels = new Map<NodeId, number>();
  let titled = false;
  for (const node of sourceOrder(page)) {
    if (node.kind !== 'heading') continue;
    const level = contentOf<number>(knownKind('heading'), node, 'level');
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
    return (
      asset && { url: addresses.picture(id), type: asset.type, width: asset.width, height: asset.height }
    );
  };

function pictureOf(node: Node, site: SiteFrame, addresses: Addresses): MarkupContext['picture'] {
  const source = node.style.self?.source as Layered<string> | undefined;
  const reference = mediaOf(site, addresses);
  const base = source?.base === undefined ? undefined : reference(source.base);
  if (!source || !base) return undefined;
  // The first matching <source> is taken, so the bands stand in reverse: furthest from the base first.
  const sources = bands(source, site.views)
    .filter((band) => band.widths)
    .reverse()
    .flatMap((band) => {
      const made = reference(band.value);
      return made ? [{ ...made, media: mediaCondition(band.widths!) }] : [];
    });
  return { base, sources };
}

/** Whether some view hides an element itself. */
const hiddenSomewhere = memoised((node: Node, site: SiteFrame): boolean =>
  site.views.list.some((view) => held(node.style.self?.shown, site.views, view.id)?.value === false),
);

/** What the markup of an element is made from, all that may change it: the same again is the same markup. */
const madeMarkup = memoised(
  (
    node: Node,
    site: SiteFrame,
    addresses: Addresses,
    headingLevel: number,
    lazy: boolean,
    ...children: Markup[]
  ): Markup => {
    const kind = knownKind(node.kind);
    const style = textStyleOf(node, site);
    return kind.markup(node, {
      attributes: {
        class: [kind.name, style && textStyleClass(style.id), nodeClass(node.id)].filter(Boolean).join(' '),
      },
      children,
      address: (link) => {
        const target = linkedPage(link);
        return target === undefined ? link || undefined : addresses.page(target);
      },
      site,
      media: mediaOf(site, addresses),
      part: (part) => {
        const taken = partStyleOf(kind, part, site);
        return taken ? { class: textStyleClass(taken.id) } : {};
      },
      headingLevel,
      lazy,
      picture: kind.traits.includes('pictured') ? pictureOf(node, site, addresses) : undefined,
    });
  },
);

function elementMarkup(node: Node, making: Making, place: { eager: boolean; absent: boolean }): Markup {
  const { site, page, addresses, levels } = making;
  // What is absent in some view must cost no download there: a lazy picture without a box is never fetched.
  const absent = place.absent || hiddenSomewhere(node, site);
  const children = node.children.map((id) =>
    elementMarkup(page.nodes[id], making, { eager: place.eager, absent }),
  );
  return madeMarkup(node, site, addresses, levels.get(node.id) ?? 2, absent || !place.eager, ...children);
}

const landmarkOf = (node: Node): string => contentOf<string>(knownKind('section'), node, 'landmark');

/**
 * The body of a page. Sections that serve as its head stand before `<main>`, those that serve as its foot behind it; a
 * page without a first-level heading gets its title as one, for assistive technology. Pictures up to and in the
 * opening section load at once, those below it when they come near.
 */
export function bodyMarkup(site: SiteFrame, page: Page, addresses: Addresses): Markup {
  const { levels, titled } = headingLevels(page);
  const making: Making = { site, page, addresses, levels };
  const root = page.nodes[page.root];
  const sections = root.children.map((id) => page.nodes[id]);
  const firstInMain = sections.findIndex((section) => landmarkOf(section) !== 'header');
  const head = firstInMain < 0 ? sections.length : firstInMain;
  const foot = sections.findLastIndex((section) => landmarkOf(section) !== 'footer') + 1;
  const made = sections.map((section, index) =>
    elementMarkup(section, making, { eager: index <= head, absent: false }),
  );
  const title = titled ? [] : [element('h1', { class: 'page-title' }, page.title)];
  const main = element('main', {}, ...title, ...made.slice(head, Math.max(head, foot)));
  return knownKind('page').markup(root, {
    attributes: { class: `page ${nodeClass(root.id)}` },
    children: [...made.slice(0, head), main, ...made.slice(Math.max(head, foot))],
    site,
    address: () => undefined,
    media: () => undefined,
    part: () => ({}),
    headingLevel: 1,
    lazy: false,
  });
}
