import {
  type Columns,
  columnsIn,
  movedRows,
  nearestEnd,
  nearestStart,
  type Node,
  type NodeId,
  type Page,
  placeColumns,
  type Placed,
  type RowColumns,
  type SiteFrame,
  sure,
  type Track,
  type ViewId,
} from '../../../core/index.ts';
import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { openPage } from '../../state/documents.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector, type Thunk } from '../../state/store.ts';
import { draw } from '../../ui/draw.ts';
import type { SheetDocument } from '../../page/sheetdocument.ts';
import { directionIn, tracksOf } from './tracks.ts';

interface SpanGripsProps {
  site: SiteFrame;
  page: Page;
  /** The selected block, a child of a row. */
  node: Node;
  row: Node;
  /** The selected blocks that stand in rows: what is drawn holds for all of them. */
  nodes: NodeId[];
  view: ViewId;
  sheet: SheetDocument;
  scale: number;
}

/** An edge of a block: where its lines start, or end. */
type Edge = 'start' | 'end';

/** Where a block stands once one of its edges is at another column; at least one column is left of it. */
function resized({ row, column, span }: Placed, edge: Edge, at: number): Placed {
  const end = column + span - 1;
  if (edge === 'end') return { row, column, span: Math.max(at, column) - column + 1 };
  const from = Math.min(at, end);
  return { row, column: from, span: end - from + 1 };
}

/** What a block asks of its row's columns to stand there: a start that was moved needs a first column. */
const asksFor = ({ column, span }: Placed, edge: Edge): Columns =>
  edge === 'start' ? { start: column + 1, span } : { span };

/** What the blocks of a row ask for in a view, which of them one is, and where it stands; undefined where it is not in it. */
function spanOf(site: SiteFrame, page: Page, row: NodeId, node: NodeId, view: ViewId) {
  const shared = columnsIn(site, page, page.nodes[row], view);
  const index = shared.children.findIndex(({ id }) => id === node);
  if (index < 0) return undefined;
  const asked = shared.children.map(({ asks }) => asks);
  return { shared, index, placed: placeColumns(asked, shared.columns)[index] };
}

/** Who would go to another row, in words. */
function hint(page: Page, { columns, children }: RowColumns, index: number, asks: Columns): string {
  const before = children.map((child) => child.asks);
  const after = before.with(index, { ...before[index], ...asks });
  const { up, down } = movedRows(placeColumns(before, columns), placeColumns(after, columns));
  const words = (moved: number[], where: string) => {
    if (moved.length === 0) return [];
    const { name } = page.nodes[children[moved[0]].id];
    return moved.length === 1
      ? [`${name} moves ${where}`]
      : [`${name} and ${moved.length - 1} more move ${where}`];
  };
  return [...words(up, 'up'), ...words(down, 'down')].join(' · ');
}

/** The edges of a block in a row: drawn, or moved by the arrow keys, they change the columns that it takes in the view. */
export function SpanGrips({ site, page, node, row, nodes, view, sheet, scale }: SpanGripsProps) {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const [drawn, setDrawn] = useState<{ to: Placed; edge: Edge; tracks: Track[] } | null>(null);
  const way = directionIn(sheet.document.documentElement);
  const now = spanOf(site, page, row.id, node.id, view);
  if (!now) return null;
  const { shared, index, placed } = now;

  const moves = ({ column, span }: Placed, from = placed) => column !== from.column || span !== from.span;
  const take = (to: Placed, edge: Edge, from = placed) => {
    if (moves(to, from)) dispatch(edit('takeColumns', { nodes, view, reach, ...asksFor(to, edge) }));
  };
  /** Keys may come faster than what they did is shown. */
  const latest: Thunk<Placed | undefined> = (_dispatch, getState) => {
    const open = sure(openPage(getState()));
    return spanOf(open.site, open.page, row.id, node.id, view)?.placed;
  };
  const down = (edge: Edge) => (press: PointerEvent<HTMLElement>) => {
    const grid = sheet.elementOf(row.id);
    if (!grid) return;
    press.currentTarget.focus();
    const tracks = tracksOf(grid);
    const frame = sure(sure(sheet.document.defaultView, 'defaultView').frameElement);
    const meant = (event: { clientX: number }): Placed => {
      const x = (way * (event.clientX - frame.getBoundingClientRect().left)) / scale;
      return resized(placed, edge, edge === 'start' ? nearestStart(tracks, x) : nearestEnd(tracks, x));
    };
    draw(press, {
      move: (event) => setDrawn({ to: meant(event), edge, tracks }),
      end: (event, travel) => {
        setDrawn(null);
        if (travel !== 0) take(meant(event), edge);
      },
      cancel: () => setDrawn(null),
    });
  };
  const key = (edge: Edge) => (event: KeyboardEvent) => {
    const by = { ArrowLeft: -way, ArrowRight: way }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const from = dispatch(latest);
    if (!from) return;
    const at = (edge === 'end' ? from.column + from.span - 1 : from.column) + by;
    if (at >= 0 && at < shared.columns) take(resized(from, edge, at), edge, from);
  };
  const words = `${placed.span} of ${shared.columns} columns, from column ${placed.column + 1}`;
  const grip = (edge: Edge, label: string, value: number) => (
    <div
      className={`span-grip ${(edge === 'start') === (way === 1) ? 'left' : 'right'}`}
      role="slider"
      tabIndex={0}
      aria-label={`${label} of ${node.name}`}
      aria-valuemin={1}
      aria-valuemax={shared.columns}
      aria-valuenow={value}
      aria-valuetext={words}
      onPointerDown={down(edge)}
      onKeyDown={key(edge)}
    />
  );
  return (
    <>
      {drawn && (
        <Drawn
          {...drawn}
          own={sheet.elementOf(node.id)?.getBoundingClientRect()}
          scale={scale}
          way={way}
          columns={shared.columns}
          hint={moves(drawn.to) ? hint(page, shared, index, asksFor(drawn.to, drawn.edge)) : ''}
        />
      )}
      {grip('start', 'First column', placed.column + 1)}
      {grip('end', 'Columns', placed.span)}
    </>
  );
}

interface DrawnProps {
  own?: DOMRect;
  to: Placed;
  edge: Edge;
  tracks: Track[];
  columns: number;
  scale: number;
  way: 1 | -1;
  hint: string;
}

/** The columns of the row, those that the block would take, and what that would do, drawn from the frame of the block. */
function Drawn({ own, to: { column, span }, edge, tracks, columns, scale, way, hint: moves }: DrawnProps) {
  const last = tracks.at(column + span - 1);
  if (!own || !last) return null;
  const across = ({ start, end }: Track) => ({
    left: (way === 1 ? start - own.left : -end - own.left) * scale,
    width: (end - start) * scale,
  });
  const taken = { start: tracks[column].start, end: last.end };
  // The words may be wider than the block: they grow towards the side of the row that has more room.
  const side = column + span / 2 > columns / 2 === (way === 1) ? 'right' : 'left';
  return (
    <div className="span-drawn">
      {tracks.map((track) => (
        <div key={track.start} className="span-track" style={across(track)} />
      ))}
      <div className="span-taken" style={across(taken)}>
        <div role="status" className={`span-words ${side}`}>
          {span} of {columns} columns
          {edge === 'start' && `, from column ${column + 1}`}
          {moves && <div>{moves}</div>}
        </div>
      </div>
    </div>
  );
}
