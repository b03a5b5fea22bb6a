import { paths } from '../../../api/paths.ts';
import {
  bodyMarkup,
  documentTitle,
  isShown,
  knownKind,
  pageRules,
  sourceOrder,
  type Page,
  type PageReference,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import type { SheetContent } from './sheetdocument.ts';

/** What every sheet of a page shows, compiled by the code that publishes; only the addresses are those of the application. */
export function sheetContent(
  site: SiteFrame,
  pages: readonly PageReference[],
  page: Page,
): Omit<SheetContent, 'ghosts'> {
  const known = new Set<string>(pages.map((reference) => reference.id));
  return {
    lang: site.lang,
    title: documentTitle(site.name, page),
    rules: pageRules(site, page),
    body: bodyMarkup(site, page, {
      page: (id) => (known.has(id) ? `#${id}` : undefined),
      picture: (asset) => paths.asset(site.id, asset),
    }),
  };
}

/** The elements that are themselves hidden in a view, with the display they would have. */
export function ghostsIn(site: SiteFrame, page: Page, view: ViewId): SheetContent['ghosts'] {
  return sourceOrder(page)
    .filter((node) => !isShown(site, page, node, view))
    .map((node) => ({ id: node.id, display: knownKind(node.kind).display }));
}
