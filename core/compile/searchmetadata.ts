import { escapeText } from '../markup/fragment.ts';
import { offeringIn } from '../site/offering.ts';
import { isClosed } from '../site/audience.ts';
import type { PageHead, Site } from '../site/site.ts';

/** The whole address of a page, where that of its site is known; it ends with a slash, as hosts serve it. */
export const addressOf = (address: string, { slug }: Pick<PageHead, 'slug'>): string =>
  new URL(slug === '' ? '.' : `${slug}/`, address).href;

/** Whether a page is for those who search: it is offered in some view, not for members alone, and no page for addresses where there is none. */
const isFound = ({ frame, pages }: Site, head: PageHead): boolean =>
  !head.missing &&
  !isClosed(pages[head.id], 'signed-out') &&
  frame.views.list.some(({ id }) => offeringIn(head, frame, id) !== 'withheld');

/** The pages of a site for those who search (https://www.sitemaps.org/protocol.html). */
export function sitemap(site: Site, address: string): string {
  const pages = site.frame.pages.filter((head) => isFound(site, head));
  const lines = pages.map((head) => `<url><loc>${escapeText(addressOf(address, head))}</loc></url>`);
  return `<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n${lines.join('\n')}\n</urlset>\n`;
}

/** What robots are told: they may read all, and where the pages are listed (RFC 9309; the Sitemap line is that of https://www.sitemaps.org/protocol.html). */
export const robots = (address: string | undefined): string =>
  [
    'User-agent: *',
    'Disallow:',
    ...(address ? ['', `Sitemap: ${new URL('sitemap.xml', address).href}`] : []),
  ].join('\n') + '\n';
