import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import {
  columnsIn,
  movedRows,
  placeColumns,
  type Columns,
  type Node,
  type NodeId,
  type Page,
  type Placed,
  type RowColumns,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { draw } from '../../ui/draw.ts';
import type { SheetDocument } from './sheetdocument.ts';
import { nearestTrack, tracksOf, type Track } from './tracks.ts';

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

type Edge = 'left' | 'right';

/** What a block asks of its row's columns when one of its edges stands at another column. */
function asked({ column, span }: Placed, before: Columns, edge: Edge, at: number): Columns {
  const end = column + span - 1;
  return edge === 'right'
    ? { ...before, span: Math.max(at, column) - column + 1 }
    : { start: Math.min(at, end) + 1, span: end - Math.min(at, end) + 1 };
}

/** Who would go to another row, in words. */
function hint(page: Page, { columns, children }: RowColumns, index: number, asks: Columns): string {
  const before = children.map((child) => child.asks);
  const after = before.with(index, asks);
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
  const reach = useAppSelector((state) => state.editor.reach);
  const [drawn, setDrawn] = useState<{ asks: Columns; edge: Edge; tracks: Track[] } | null>(null);
  const shared = columnsIn(site, page, row, view);
  const index = shared.children.findIndex(({ id }) => id === node.id);
  if (index < 0) return null;
  const before = shared.children[index].asks;
  const placed = placeColumns(
    shared.children.map(({ asks }) => asks),
    shared.columns,
  )[index];

  const take = (next: Columns) => {
    if (next.span === placed.span && next.start === before.start) return;
    const start = next.start === before.start ? undefined : next.start;
    dispatch(edit('takeColumns', { nodes, view, reach, span: next.span, ...(start && { start }) }));
  };
  const down = (edge: Edge) => (press: PointerEvent<HTMLElement>) => {
    const grid = sheet.elementOf(row.id);
    if (!grid) return;
    press.currentTarget.focus();
    const tracks = tracksOf(grid);
    const frame = sheet.document.defaultView!.frameElement!;
    const meant = (event: { clientX: number }): Columns => {
      const x = (event.clientX - frame.getBoundingClientRect().left) / scale;
      return asked(placed, before, edge, nearestTrack(tracks, edge, x));
    };
    draw(press, {
      move: (event) => setDrawn({ asks: meant(event), edge, tracks }),
      end: (event, travel) => {
        setDrawn(null);
        if (travel !== 0) take(meant(event));
      },
      cancel: () => setDrawn(null),
    });
  };
  const key = (edge: Edge) => (event: KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const at = (edge === 'right' ? placed.column + placed.span - 1 : placed.column) + by;
    if (at >= 0 && at < shared.columns) take(asked(placed, before, edge, at));
  };
  const words = `${placed.span} of ${shared.columns} columns, from column ${placed.column + 1}`;
  const grip = (edge: Edge, label: string, value: number) => (
    <div
      className={`span-grip ${edge}`}
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
          column={drawn.asks.start === undefined ? placed.column : drawn.asks.start - 1}
          scale={scale}
          columns={shared.columns}
          hint={hint(page, shared, index, drawn.asks)}
        />
      )}
      {grip('left', 'First column', placed.column + 1)}
      {grip('right', 'Columns', placed.span)}
    </>
  );
}

interface DrawnProps {
  own?: DOMRect;
  asks: Columns;
  edge: Edge;
  tracks: Track[];
  column: number;
  columns: number;
  scale: number;
  hint: string;
}

/** The columns of the row, those that the block would take, and what that would do, drawn from the frame of the block. */
function Drawn({ own, asks, edge, tracks, column, columns, scale, hint: moves }: DrawnProps) {
  const last = tracks.at(column + asks.span - 1);
  if (!own || !last) return null;
  const across = ({ left, right }: Track) => ({
    left: (left - own.left) * scale,
    width: (right - left) * scale,
  });
  const taken = { left: tracks[column].left, right: last.right };
  return (
    <div className="span-drawn">
      {tracks.map((track) => (
        <div key={track.left} className="span-track" style={across(track)} />
      ))}
      <div className="span-taken" style={across(taken)}>
        <div role="status" className={`span-words ${edge}`}>
          {asks.span} of {columns} columns
          {edge === 'left' && `, from column ${column + 1}`}
          {moves && <div>{moves}</div>}
        </div>
      </div>
    </div>
  );
}
