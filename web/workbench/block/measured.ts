import {
  acrossFor,
  type AreaPlacement,
  downFor,
  hundredths,
  type MovedPart,
  type Node,
  type NodeId,
  placementIn,
  rowHeightIn,
  sure,
  type ViewId,
  viewOf,
} from '../../../core/index.ts';
import { hiddenSheet, measuredIn, measuredInViews } from '../../page/measuringviews.ts';
import type { SheetDocument } from '../../page/sheetdocument.ts';
import { isPart } from '../../state/areas.ts';
import { selected as select } from '../../state/desk.ts';
import { openPage } from '../../state/documents.ts';
import { edit } from '../../state/edits.ts';
import type { Thunk } from '../../state/store.ts';
import { newId } from '../../state/structure.ts';

/** What is worked out from a page as it is laid out, which is measured first. */

/** Turns a container into an overlay, or one into a column, in every view as it stands there. */
export function become(command: 'makeOverlay' | 'makeColumn', node: NodeId): Thunk<Promise<void>> {
  return async (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    // What has gone since it was drawn is laid out nowhere; the command says that it is not there.
    const container = page.nodes[node] as Node | undefined;
    const measured = container ? await measuredInViews(site, page, container) : {};
    const id = newId(node);
    if (dispatch(edit(command, { node, id, measured }))) dispatch(select(id));
  };
}

/** Puts a part of a container elsewhere in a view, by so many px of the page, as its container becomes an overlay for that. */
export function placeFreely(moved: MovedPart): Thunk<Promise<void>> {
  return async (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    const part = page.nodes[moved.node] as Node | undefined;
    const container = part?.parent ? page.nodes[part.parent] : undefined;
    if (!container) return;
    const measured = await measuredInViews(site, page, container);
    const id = newId(container.id);
    if (dispatch(edit('makeOverlay', { node: container.id, id, measured, moved })))
      dispatch(select(moved.node));
  };
}

/** px; how far below the top of an element the line lies on which its first words stand; undefined where it has none. */
function baselineOf(element: HTMLElement): number | undefined {
  const words = element.ownerDocument.createTreeWalker(element, NodeFilter.SHOW_TEXT);
  let first = words.nextNode();
  while (first && !first.textContent?.trim()) first = words.nextNode();
  if (!first) return undefined;
  // A box without height stands on the line.
  const probe = element.ownerDocument.createElement('span');
  probe.style.cssText = 'display:inline-block;width:0;height:0';
  sure(first.parentNode, 'parentNode').insertBefore(probe, first);
  const at = probe.getBoundingClientRect().bottom - element.getBoundingClientRect().top;
  probe.remove();
  return at;
}

/** Measures parts in a view where nobody sees it. */
function measuring(
  nodes: readonly NodeId[],
  view: ViewId,
  done: 'lined' | 'fitted',
  work: (
    sheet: SheetDocument,
    parts: { id: NodeId; at: AreaPlacement; element: HTMLElement }[],
  ) => ({ node: NodeId } & Partial<AreaPlacement>)[],
): Thunk<Promise<void>> {
  return async (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    const hidden = await hiddenSheet(site, page);
    try {
      const sheet = hidden.show(viewOf(site.views, view));
      const parts = nodes
        .filter((id) => page.nodes[id] && isPart(page, page.nodes[id]))
        .flatMap((id) => {
          const element = sheet.elementOf(id);
          const at = placementIn(site, page, page.nodes[id], view);
          return element?.checkVisibility() ? [{ id, at, element }] : [];
        });
      const placed = work(sheet, parts);
      if (placed.length > 0)
        dispatch(edit('placeParts', { parts: placed, view, reach: getState().desk.reach, done }));
    } finally {
      hidden.close();
    }
  };
}

/** Lets the first lines of parts stand on one line. */
export const lineUpBaselines = (nodes: readonly NodeId[], view: ViewId): Thunk<Promise<void>> =>
  measuring(nodes, view, 'lined', (_sheet, parts) => {
    const spoken = parts.flatMap((part) => {
      const baseline = baselineOf(part.element);
      return baseline === undefined ? [] : [{ ...part, baseline }];
    });
    const lowest = Math.max(...spoken.map(({ baseline }) => baseline));
    const row = Math.min(...spoken.map(({ at }) => at.row));
    return spoken.map(({ id, baseline }) => ({
      node: id,
      row,
      heldDown: 'start' as const,
      offsetDown: { px: hundredths(lowest - baseline) },
    }));
  });

/** Makes the areas of parts as small as what is in them. */
export function fitToContent(nodes: readonly NodeId[], view: ViewId): Thunk<Promise<void>> {
  return async (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    const { grid } = viewOf(site.views, view);
    await dispatch(
      measuring(nodes, view, 'fitted', (sheet, parts) =>
        parts.map(({ id, at, element }) => {
          const overlay = page.nodes[sure(page.nodes[id].parent)];
          element.style.cssText += ';justify-self:start;align-self:start';
          const box = measuredIn(sheet, overlay);
          const rowHeight = rowHeightIn(site, page, overlay, view);
          const { width } = box.boxes[id];
          const columns = acrossFor(
            { left: 0, width: Math.min(width, box.width) },
            box.width,
            grid.columns,
            grid.gutter,
          );
          const offset = 'px' in at.offsetDown ? Math.max(0, at.offsetDown.px) : 0;
          const { rows } = downFor({ top: offset, height: box.boxes[id].height }, rowHeight);
          element.style.justifySelf = element.style.alignSelf = '';
          // What fills its area has no size of its own.
          const filled = at.heldDown === 'stretch' && box.boxes[id].height < 1;
          return {
            node: id,
            span: Math.min(at.span, columns.held === 'center' ? grid.columns : columns.span),
            ...(!filled && { rows }),
          };
        }),
      ),
    );
  };
}
