import { paths } from '../../../api/paths.ts';
import {
  bodyMarkup,
  documentTitle,
  isShown,
  knownKind,
  pageRules,
  sourceOrder,
  type Addresses,
  type Page,
  type PageReference,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import type { SheetContent } from './sheetdocument.ts';

/** The addresses of the application, from inside a sheet. The same site and pages give the same object, which the compiler remembers by. */
export function sheetAddresses(site: string, pages: readonly PageReference[]): Addresses {
  const known = new Set<string>(pages.map((reference) => reference.id));
  return {
    page: (id) => (known.has(id) ? `#${id}` : undefined),
    picture: (asset) => paths.asset(site, asset),
  };
}

/** What every sheet of a page shows, compiled by the code that publishes; only the addresses are the application's. */
export function sheetContent(
  site: SiteFrame,
  page: Page,
  addresses: Addresses,
): Omit<SheetContent, 'ghosts'> {
  return {
    lang: site.lang,
    title: documentTitle(site.name, page),
    site,
    rules: pageRules(site, page, addresses.picture),
    body: bodyMarkup(site, page, addresses),
  };
}

/** The elements that are themselves hidden in a view, with the display they would have. */
export function ghostsIn(site: SiteFrame, page: Page, view: ViewId): SheetContent['ghosts'] {
  return sourceOrder(page)
    .filter((node) => !isShown(site, page, node, view))
    .map((node) => ({ id: node.id, display: knownKind(node.kind).display }));
}
