import { paths } from '../../api/paths.ts';
import {
  isShown,
  knownKind,
  sourceOrder,
  type Addresses,
  type Page,
  type PageHead,
  type SiteFrame,
  type ViewId,
} from '../../core/index.ts';
import type { Ghost } from './sheetdocument.ts';

/** The addresses of the application, from inside a sheet. The same site and pages give the same object, which the compiler remembers by. */
export function sheetAddresses(site: string, pages: readonly PageHead[]): Addresses {
  const known = new Set<string>(pages.map((reference) => reference.id));
  return {
    page: (id) => (known.has(id) ? `#${id}` : undefined),
    picture: (asset) => paths.asset(site, asset),
  };
}

/** The elements that are themselves hidden in a view, with the display they would have. */
export function ghostsIn(site: SiteFrame, page: Page, view: ViewId): Ghost[] {
  return sourceOrder(page)
    .filter((node) => !isShown(site, page, node, view))
    .map((node) => ({ id: node.id, display: knownKind(node.kind).display }));
}
