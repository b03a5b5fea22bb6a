import type { NodeId } from '../elements/nodeid.ts';
import {
  pageListContent,
  type PageChoice,
  type PageListContent,
  type PageOrder,
} from '../elements/kinds/pagelist.ts';
import type { Filled } from '../elements/kinds/kind.ts';
import { targetOf } from '../markup/link.ts';
import type { PageHead, SiteFrame } from '../site/site.ts';

type Fits = (head: PageHead, content: PageListContent) => boolean;

/** Normalises text for comparison: trimmed, lower case. */
const normalised = (text: string): string => text.trim().toLowerCase();

/** Normalises a typed address: without slashes, spaces or hyphens at its ends. */
const normalisedAddress = (address: string): string =>
  normalised(address)
    .split(/[/\s-]/)
    .filter(Boolean)
    .join('-');

const FITS: Readonly<Record<Exclude<PageChoice, 'chosen'>, Fits>> = {
  all: () => true,
  // Addresses have no folders; the prefix ends at a hyphen.
  address: ({ slug }, { address }) => slug.startsWith(`${normalisedAddress(address)}-`),
  tag: ({ tags = [] }, { tag }) => tags.some((each) => normalised(each) === normalised(tag)),
};

/** Compares pages by date, newest first; pages without a date come last. */
const newestFirst = (one: PageHead, other: PageHead): number =>
  (other.date ?? '') < (one.date ?? '') ? -1 : (other.date ?? '') > (one.date ?? '') ? 1 : 0;

/** The comparison for each order; pages that compare equal stay in page order. */
const ORDERS: Readonly<
  Record<PageOrder, (lang: string) => ((one: PageHead, other: PageHead) => number) | undefined>
> = {
  newest: () => newestFirst,
  site: () => undefined,
  title: (lang) => {
    const { compare } = new Intl.Collator(lang);
    return (one, other) => compare(one.title, other.title);
  },
};

/**
 * Returns the pages that a page list shows, in its order. Leaves out the page it is on, the page for missing addresses, and deleted
 * pages. Selected pages keep the order in which they were selected when the list uses page order.
 */
export function listedPages(
  site: Pick<SiteFrame, 'pages' | 'lang'>,
  on: NodeId,
  node: Pick<Filled, 'content'>,
): PageHead[] {
  const content = pageListContent(node);
  const { which, order, most } = content;
  const others = site.pages.filter(({ id, missing }) => id !== on && !missing);
  const found =
    which === 'chosen'
      ? content.pages.flatMap(({ link }) => others.find(({ id }) => id === targetOf(link)?.page) ?? [])
      : others.filter((head) => FITS[which](head, content));
  const compare = ORDERS[order](site.lang);
  return (compare ? found.toSorted(compare) : found).slice(0, most);
}
