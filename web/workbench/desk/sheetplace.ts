import { inRowIn, viewAt, type NodeId, type Page, type SiteFrame } from '../../../core/index.ts';
import { elementIn, nodeAt } from '../../page/sheetdocument.ts';
import { takesMore, type TreePlace } from '../../state/structure.ts';
import { insertionAt } from './insertion.ts';

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
  const siblings = inRowIn(site, page, page.nodes[holder], view).flatMap((id) => {
    const element = elementIn(inner, id);
    return element && element.getClientRects().length > 0
      ? [{ id, box: element.getBoundingClientRect() }]
      : [];
  });
  const toWindow = (rect: { left: number; top: number; width: number; height: number }) => ({
    left: box.left + rect.left * scale,
    top: box.top + rect.top * scale,
    right: box.left + (rect.left + rect.width) * scale,
    height: Math.max(3, rect.height * scale),
  });
  const found = insertionAt(
    siblings.map((each) => each.box),
    at,
  );
  if (!found) {
    const own = elementIn(inner, holder)?.getBoundingClientRect();
    return own && { place: { parent: holder, after: null }, line: toWindow(own), into: true };
  }
  const line = toWindow(found.line);
  const thin = { ...line, right: Math.max(line.right, line.left + 3) };
  return {
    place: { parent: holder, after: siblings[found.place - 1]?.id ?? null },
    line: thin,
    into: false,
  };
}
