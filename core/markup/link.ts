/** Where a link may lead: a page of the site (`page:ID`), a place on the page (`#id`), the web, mail or a telephone. */
const PROTOCOLS = new Set(['page:', 'http:', 'https:', 'mailto:', 'tel:']);

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
  if (/^#[\w-]+$/.test(bare)) return bare;
  try {
    return PROTOCOLS.has(new URL(bare).protocol) ? bare : undefined;
  } catch {
    return undefined;
  }
}

/** The element that a link leads to, where it leads to a place on its own page. */
export function linkedPlace(link: string): string | undefined {
  return link.startsWith('#') ? link.slice(1) : undefined;
}

/** The page that a link leads to, where it leads to a page of the site. */
export function linkedPage(link: string): string | undefined {
  return link.startsWith('page:') ? link.slice('page:'.length) : undefined;
}
