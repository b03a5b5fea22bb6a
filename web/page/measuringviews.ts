import {
  type Box,
  hasTrait,
  type MeasuredBoxes,
  type Node,
  type NodeId,
  type Page,
  preview,
  type SiteFrame,
  sure,
  type View,
  type ViewId,
} from '../../core/index.ts';
import { sheetAddresses } from './addresses.ts';
import { hiddenFrame } from './hiddenframe.ts';
import { SheetDocument } from './sheetdocument.ts';

/** A sheet that nobody sees, in which a page is laid out to be measured. */
export interface HiddenSheet {
  /** Lays out another state of the page, and of its site. */
  update(page: Page, site?: SiteFrame): void;
  /** Lays the page out in a window of a width, in px; what is measured in it holds until the next call. */
  at(width: number): SheetDocument;
  /** Lays the page out in a view, at the width of its sheet. */
  show(view: View): SheetDocument;
  close(): void;
}

/** px; taller than any page needs to be, so that nothing scrolls. */
const HEIGHT = 2000;

/** Lays a page, with what it shares, out where nobody sees it, with its fonts. */
export async function hiddenSheet(site: SiteFrame, page: Page): Promise<HiddenSheet> {
  const { width } = site.views.list[0].sheet;
  const frame = await hiddenFrame('A page that is measured', { width, height: HEIGHT });
  const sheet = new SheetDocument(sure(frame.contentDocument, 'contentDocument'));
  const update = (state: Page, of: SiteFrame = site) =>
    sheet.update({ preview: preview(of, state, sheetAddresses(of)), ghosts: [] });
  update(page);
  const at = (width: number): SheetDocument => {
    frame.style.width = `${width}px`;
    return sheet;
  };
  const show = ({ sheet: shown }: View): SheetDocument => at(shown.width);
  // Fonts are fetched once words are laid out in them, which may differ by view.
  for (const view of site.views.list) {
    show(view).document.body.getBoundingClientRect();
    await sheet.document.fonts.ready;
  }
  return { update, at, show, close: () => frame.remove() };
}

const px = (text: string): number => Number.parseFloat(text) || 0;

/** Where what stands in an element has its place: of a section, the column of its grid. */
function contentOf(element: HTMLElement, kind: string): Box {
  const style = sure(element.ownerDocument.defaultView, 'defaultView').getComputedStyle(element);
  const box = element.getBoundingClientRect();
  const whole = hasTrait({ kind }, 'section');
  const [margin = 0, column = 0] = whole ? style.gridTemplateColumns.split(' ').map(px) : [];
  const left = box.left + px(style.borderLeftWidth) + px(style.paddingLeft) + margin;
  const top = box.top + px(style.borderTopWidth) + px(style.paddingTop);
  const right = box.right - px(style.borderRightWidth) - px(style.paddingRight);
  const bottom = box.bottom - px(style.borderBottomWidth) - px(style.paddingBottom);
  return { left, top, width: whole ? column : right - left, height: bottom - top };
}

/** A container as it is laid out in a sheet, and the boxes of what stands in it; nothing where it is not shown. */
export function measuredIn(sheet: SheetDocument, container: Node): MeasuredBoxes {
  const element = sheet.elementOf(container.id);
  if (!element?.checkVisibility()) return { width: 0, height: 0, boxes: {} };
  const { left, top, width, height } = contentOf(element, container.kind);
  const mirrored = element.ownerDocument.documentElement.dir === 'rtl';
  const boxes: Record<NodeId, Box> = {};
  for (const id of container.children) {
    const child = sheet.elementOf(id);
    if (!child?.checkVisibility()) continue;
    const box = child.getBoundingClientRect();
    const from = mirrored ? left + width - box.right : box.left - left;
    boxes[id] = { left: from, top: box.top - top, width: box.width, height: box.height };
  }
  return { width, height, boxes };
}

/** A container as it is laid out in each view of its site. */
export async function measuredInViews(
  site: SiteFrame,
  page: Page,
  container: Node,
): Promise<Record<ViewId, MeasuredBoxes>> {
  const hidden = await hiddenSheet(site, page);
  try {
    return Object.fromEntries(
      site.views.list.map((view) => [view.id, measuredIn(hidden.show(view), container)]),
    );
  } finally {
    hidden.close();
  }
}
