/**
 * Where a link may lead: a page of the site (`page:ID`) or a place on it (`page:ID#id`), a place on the same page (`#id`), a file
 * of the shelf (`shelf:ID`), where visitors sign in or out (`visitor:in`, `visitor:out`), the web, mail or a telephone.
 */
const PROTOCOLS = new Set(['page:', 'shelf:', 'http:', 'https:', 'mailto:', 'tel:']);

const VISITOR = /^visitor:(in|out)$/;

/** A text without blanks and control characters at either end; a pattern would take the square of a long run of them. */
function withoutEnds(text: string): string {
  let start = 0;
  let end = text.length;
  while (start < end && text[start] <= ' ') start += 1;
  while (end > start && text[end - 1] <= ' ') end -= 1;
  return text.slice(start, end);
}

/** A link without what browsers ignore in one, or undefined where it leads nowhere we allow (`javascript:` and its like). */
export function cleanLink(link: string): string | undefined {
  // Browsers drop tabs and line ends anywhere in a URL, and white space around it (URL Standard, basic URL parser).
  const bare = withoutEnds(link.replace(/[\t\n\r]/g, ''));
  if (/^#[\w-]+$/.test(bare) || VISITOR.test(bare)) return bare;
  try {
    return PROTOCOLS.has(new URL(bare).protocol) ? bare : undefined;
  } catch {
    return undefined;
  }
}

/** What of the site a link leads to, by ids. */
export interface LinkTarget {
  /** Absent: the page that the link stands on. */
  page?: string;
  /** The element on the page. */
  place?: string;
  /** The file of the shelf. */
  file?: string;
  /** Where visitors sign in, or out. */
  visitor?: 'in' | 'out';
}

/** What of the site a link leads to; undefined where it leads elsewhere, or nowhere. */
export function targetOf(link: string): LinkTarget | undefined {
  if (link.startsWith('#')) return { place: link.slice(1) };
  const visitor = VISITOR.exec(link)?.[1];
  if (visitor) return { visitor: visitor as 'in' | 'out' };
  if (link.startsWith('shelf:')) return { file: link.slice('shelf:'.length) };
  if (!link.startsWith('page:')) return undefined;
  const [page, place] = link.slice('page:'.length).split('#');
  return place ? { page, place } : { page };
}

/** The link that leads to something of the site. */
export const linkTo = ({ page, place, file }: LinkTarget): string => {
  if (file !== undefined) return `shelf:${file}`;
  return `${page === undefined ? '' : `page:${page}`}${place === undefined ? '' : `#${place}`}`;
};
