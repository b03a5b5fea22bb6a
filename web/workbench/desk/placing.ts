import {
  continued,
  drawnTo,
  heldArea,
  hundredths,
  linesOf,
  nearestEnd,
  nearestStart,
  partsIn,
  rowHeightIn,
  type Area,
  type Axis,
  type Box,
  type Guide,
  type Node,
  type NodeId,
  type Page,
  type SiteFrame,
  type AreaPlacement,
  type Track,
  type ViewId,
  lookup,
} from '../../../core/index.ts';
import { boxIn, type SheetDocument } from '../../page/sheetdocument.ts';
import { directionIn, tracksOf } from './tracks.ts';

/** A part of an overlay that is placed in a sheet. */
export interface PlacedPart {
  site: SiteFrame;
  page: Page;
  /** The selected part, which leads. */
  node: Node;
  overlay: Node;
  /** The selected parts of the same overlay: they go along. */
  nodes: NodeId[];
  view: ViewId;
  sheet: SheetDocument;
  scale: number;
}

/** px on screen; lines so near are snapped to. */
const NEAR = 7;

/** px on screen; what is drawn less stays where it is along that axis. */
export const STILL = 3;

/** An edge of a part: of its lines the start or the end, or above or below. */
export type Side = 'start' | 'end' | 'top' | 'bottom';

/** What is drawn: where the part would stand, drawn as a box, and what it has snapped to. */
export interface Drawn {
  at: AreaPlacement;
  box: Box;
  guides: Guide[];
}

/** An overlay as it is laid out in a sheet; px from the top and the start of its content. */
export function laidOut({ site, page, overlay, view, sheet, node }: PlacedPart) {
  const grid = sheet.elementOf(overlay.id);
  if (!grid) return undefined;
  const [columns, rows] = [tracksOf(grid, 'across'), tracksOf(grid, 'down')];
  const [left, top] = [columns[0].start, rows[0]?.start ?? grid.getBoundingClientRect().top];
  const from = (tracks: Track[], zero: number) =>
    tracks.map(({ start, end }) => ({ start: start - zero, end: end - zero }));
  const boxOf = (id: NodeId): Box | undefined => {
    const box = boxIn(sheet.elementOf(id));
    if (!box) return undefined;
    const start = directionIn(grid) === 1 ? box.left : -box.right;
    return { left: start - left, top: box.top - top, width: box.width, height: box.height };
  };
  const others = partsIn(site, page, overlay, view).flatMap(({ id }) => {
    const box = id === node.id ? undefined : boxOf(id);
    return box ? [{ id, name: page.nodes[id].name, box }] : [];
  });
  const down = from(rows, top);
  return {
    columns: from(columns, left),
    rows: continued(down, rowHeightIn(site, page, overlay, view), (down.at(-1)?.end ?? 0) + 4000),
    others,
    own: boxOf(node.id),
    width: (columns.at(-1)?.end ?? left) - left,
    height: down.at(-1)?.end ?? 0,
  };
}

export type Laid = NonNullable<ReturnType<typeof laidOut>>;

const spanOf = (tracks: readonly Track[], first: number, count: number) => {
  const start = tracks[first - 1].start;
  return { start, length: (tracks.at(Math.min(tracks.length, first + count - 1) - 1)?.end ?? start) - start };
};

/** The box of an area. */
export function boxOfArea({ columns, rows }: Laid, at: Area): Box {
  const [across, down] = [spanOf(columns, at.column, at.span), spanOf(rows, at.row, at.rows)];
  return { left: across.start, top: down.start, width: across.length, height: down.length };
}

/** Where a part would stand that was drawn so far; px of the page. */
export function drawn(
  { overlay, scale, nodes }: PlacedPart,
  laid: Laid,
  at: AreaPlacement,
  by: { x: number; y: number },
  free: boolean,
): Drawn {
  const own = laid.own ?? boxOfArea(laid, at);
  const still = STILL / scale;
  const lines = laid.others.filter(({ id }) => !nodes.includes(id));
  const along = (axis: Axis) => {
    const across = axis === 'across';
    const moved = across ? by.x : by.y;
    const whole = (across ? at.heldAcross : at.heldDown) === 'stretch';
    if (Math.abs(moved) < still) return undefined;
    return drawnTo({
      start: whole ? boxOfArea(laid, at)[across ? 'left' : 'top'] : across ? own.left : own.top,
      length: across ? own.width : own.height,
      by: moved,
      tracks: across ? laid.columns : laid.rows,
      lines: linesOf(axis, lines, { name: overlay.name, length: across ? laid.width : laid.height }),
      within: NEAR / scale,
      whole,
      free,
    });
  };
  const [across, down] = [along('across'), along('down')];
  const next: AreaPlacement = { ...at };
  if (across) {
    next.column = heldArea({ ...at, column: across.track + 1 }, laid.columns.length).column;
    if (at.heldAcross !== 'stretch') {
      const start = laid.columns[across.track].start + across.offset - laid.columns[next.column - 1].start;
      next.heldAcross = 'start';
      next.offsetAcross = { px: hundredths(start) };
    }
  }
  if (down) {
    next.row = down.track + 1;
    if (at.heldDown !== 'stretch') {
      next.heldDown = 'start';
      next.offsetDown = { px: down.offset };
      // Room for it in its own rows, so that none of them has to grow.
      const bottom = laid.rows[down.track].start + down.offset + own.height;
      const last = laid.rows.findIndex(({ end }) => end >= bottom - 0.5);
      if (last >= 0) next.rows = Math.max(at.rows, last - down.track + 1);
    }
  }
  const area = boxOfArea(laid, next);
  const offset = (value: AreaPlacement['offsetAcross']) => ('px' in value ? value.px : 0);
  return {
    at: next,
    box: {
      left:
        next.heldAcross === 'stretch' ? area.left : across ? area.left + offset(next.offsetAcross) : own.left,
      top: next.heldDown === 'stretch' ? area.top : down ? area.top + offset(next.offsetDown) : own.top,
      width: next.heldAcross === 'stretch' ? area.width : own.width,
      height: next.heldDown === 'stretch' ? area.height : own.height,
    },
    guides: [
      ...(across?.line ? [{ ...across.line, axis: 'across' as const }] : []),
      ...(down?.line ? [{ ...down.line, axis: 'down' as const }] : []),
    ],
  };
}

/** The area of a part whose edges were drawn to a point; px from the top and the start of the overlay. */
export function resized(
  laid: Laid,
  at: AreaPlacement,
  sides: readonly Side[],
  to: { x: number; y: number },
): AreaPlacement {
  const next = { ...at };
  const [lastColumn, lastRow] = [at.column + at.span - 1, at.row + at.rows - 1];
  if (sides.includes('start')) {
    next.column = Math.min(lastColumn, nearestStart(laid.columns, to.x) + 1);
    next.span = lastColumn - next.column + 1;
  }
  if (sides.includes('end')) next.span = Math.max(1, nearestEnd(laid.columns, to.x) + 2 - at.column);
  if (sides.includes('top')) {
    next.row = Math.min(lastRow, nearestStart(laid.rows, to.y) + 1);
    next.rows = lastRow - next.row + 1;
  }
  if (sides.includes('bottom')) next.rows = Math.max(1, nearestEnd(laid.rows, to.y) + 2 - at.row);
  return next;
}

export const words = ({ column, span, row, rows, offsetAcross, offsetDown }: AreaPlacement): string => {
  const run = (first: number, count: number, one: string) =>
    count === 1 ? `${one} ${first}` : `${one}s ${first}–${first + count - 1}`;
  const offsets = [offsetAcross, offsetDown].map((offset) => ('px' in offset ? offset.px : 0));
  const apart = offsets.some((px) => px !== 0) ? `, offset ${offsets.join(' · ')} px` : '';
  return `${run(column, span, 'column')}, ${run(row, rows, 'row')}${apart}`;
};

/** What differs between two standings. */
export const changes = (before: AreaPlacement, after: AreaPlacement): Partial<AreaPlacement> =>
  Object.fromEntries(
    Object.entries(after).filter(
      ([name, value]) =>
        JSON.stringify(lookup(before, name as keyof AreaPlacement)) !== JSON.stringify(value),
    ),
  );
