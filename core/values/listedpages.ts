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

/** Text as it is compared: without a difference between upper and lower case, and without blanks around it. */
const alike = (text: string): string => text.trim().toLowerCase();

/** An address as it is typed, without what stands around the words of a folder. */
const bareAddress = (address: string): string =>
  alike(address)
    .split(/[/\s-]/)
    .filter(Boolean)
    .join('-');

const FITS: Readonly<Record<Exclude<PageChoice, 'chosen'>, Fits>> = {
  all: () => true,
  // Addresses have no folders: what is below one begins with it and a hyphen.
  address: ({ slug }, { address }) => slug.startsWith(`${bareAddress(address)}-`),
  tag: ({ tags = [] }, { tag }) => tags.some((each) => alike(each) === alike(tag)),
};

/** By the day of each, the latest first; those without one behind all others. */
const newestFirst = (one: PageHead, other: PageHead): number =>
  (other.date ?? '') < (one.date ?? '') ? -1 : (other.date ?? '') > (one.date ?? '') ? 1 : 0;

/** In what order; what is alike stays in the order of the site's pages. */
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
 * The pages that an element lists, in its order: those of the site as it is, without the page that it stands on, what stands in for
 * missing pages, and pages that are gone. Pages chosen one by one stand as often and in the order in which they were chosen, where the order is that of
 * the pages.
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
