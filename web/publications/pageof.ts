import {
  changedWidths,
  composed,
  preview,
  viewsAcross,
  type NodeId,
  type Page,
  type Site,
  type ViewId,
} from '../../core/index.ts';
import { sheetAddresses } from '../page/addresses.ts';
import type { SheetContent } from '../page/sheetdocument.ts';

/** A page of a site as it is shown; undefined where it has none of that id. */
export function contentOf(
  { frame, pages }: Site,
  id: NodeId,
): { page: Page; content: SheetContent } | undefined {
  if (!pages[id]) return undefined;
  const page = composed(frame, pages[id]);
  return { page, content: { preview: preview(frame, page, sheetAddresses(frame)), ghosts: [] } };
}

/** The views in which a page may look different; all of them where it is new, or gone. */
export function viewsThatDiffer(before: Site, after: Site, page: NodeId): ViewId[] {
  const [was, is] = [contentOf(before, page), contentOf(after, page)];
  if (!was || !is) return after.frame.views.list.map(({ id }) => id);
  return viewsAcross(after.frame, changedWidths(was.content.preview, is.content.preview));
}
