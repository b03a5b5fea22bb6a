import { inRowIn, viewAt, type NodeId, type Page, type SiteFrame, type ViewId } from '../../../core/index.ts';
import { boxIn, elementIn, nodeAt } from '../../page/sheetdocument.ts';
import { takesMore, type TreePlace } from '../../state/structure.ts';
import { insertionAt, type Box } from './insertion.ts';

/** A place in a sheet: a line between what stands there, or the frame of what is empty yet. In px of the window. */
export interface SheetPlace {
  place: TreePlace;
  line: { top: number; left: number; right: number; height: number };
  into: boolean;
}

/** The place for a new element of a kind, or a linked block of it, that a pointer over a sheet means: in the nearest thing around it that takes one. */
export function placeInSheet(
  site: SiteFrame,
  page: Page,
  kind: string,
  pointer: { clientX: number; clientY: number },
  linked = false,
): SheetPlace | undefined {
  const frame = document
    .elementsFromPoint(pointer.clientX, pointer.clientY)
    .map((element) => element.closest('.sheet-page')?.querySelector('iframe'))
    .find(Boolean);
  const inner = frame?.contentDocument;
  if (!frame || !inner) return undefined;
  const box = frame.getBoundingClientRect();
  const scale = box.width / frame.clientWidth;
  const at = { x: (pointer.clientX - box.left) / scale, y: (pointer.clientY - box.top) / scale };
  let holder: NodeId | null = nodeAt(inner.elementFromPoint(at.x, at.y)) ?? page.root;
  while (holder !== null && !takesMore(page, holder, kind, linked))
    holder = page.nodes[holder]?.parent ?? null;
  if (holder === null) return undefined;
  const view = viewAt(site.views, frame.clientWidth).id;
  const found = placeWithin({ site, page, view, document: inner }, holder, at);
  if (!found) return undefined;
  const { line, place, into } = found;
  const left = box.left + line.left * scale;
  const right = Math.max(box.left + (line.left + line.width) * scale, left + 3);
  const tall = Math.max(3, line.height * scale);
  return { place, line: { left, top: box.top + line.top * scale, right, height: tall }, into };
}

/** Of some elements those that show in a document, without one that is dragged, and their boxes; px of the page. */
export const shownOf = (document: Document, ids: readonly NodeId[], without?: NodeId) =>
  ids.flatMap((id) => {
    const box = id === without ? null : boxIn(elementIn(document, id));
    return box ? [{ id, box }] : [];
  });

/** A page as it is laid out in a view. */
interface LaidOut {
  site: SiteFrame;
  page: Page;
  view: ViewId;
  document: Document;
  /** The element that is dragged. */
  without?: NodeId;
}

/** The place that a point of a page, in px, means in a container: between the children that show in it, or all of it where none does. */
export function placeWithin(
  { site, page, view, document, without }: LaidOut,
  holder: NodeId,
  point: { x: number; y: number },
): { place: TreePlace; line: Box; into: boolean } | undefined {
  const siblings = shownOf(document, inRowIn(site, page, page.nodes[holder], view), without);
  const found = insertionAt(
    siblings.map(({ box }) => box),
    point,
  );
  if (found) {
    const after = siblings[found.place - 1]?.id ?? null;
    return { place: { parent: holder, after }, line: found.line, into: false };
  }
  const line = boxIn(elementIn(document, holder));
  return line ? { place: { parent: holder, after: null }, line, into: true } : undefined;
}
