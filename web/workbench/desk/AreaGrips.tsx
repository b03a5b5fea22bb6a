import {
  type AreaPlacement,
  type Axis,
  heldArea,
  type NodeId,
  placementIn,
  sure,
  viewOf,
} from '../../../core/index.ts';
import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { overlapped, pushDown, sizeParts } from '../../state/areas.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { draw } from '../../ui/draw.ts';
import { useOffer } from '../../ui/useOffer.tsx';
import { NameTag, type TagSide } from './NameTag.tsx';
import { Placing } from './Placing.tsx';
import {
  boxOfArea,
  changes,
  drawn,
  laidOut,
  resized,
  STILL,
  words,
  type Drawn,
  type Laid,
  type PlacedPart,
  type Side,
} from './placing.ts';
import { directionIn, tracksOf } from './tracks.ts';

interface AreaGripsProps extends PlacedPart {
  side: TagSide;
  /** Screen px from the selection's left side to the edge of the sheet. */
  room: number;
  children: string;
}

const CORNERS: readonly (readonly [Side, Side])[] = [
  ['start', 'top'],
  ['end', 'top'],
  ['start', 'bottom'],
  ['end', 'bottom'],
];

/** The frame of a part of an overlay: drawn at its name it moves, at its edges and corners it takes more or fewer columns and rows. */
export function AreaGrips(props: AreaGripsProps) {
  const { site, page, node, overlay, nodes, view, sheet, scale, side, room, children } = props;
  const dispatch = useAppDispatch();
  const say = useOffer();
  const reach = useAppSelector((state) => state.desk.reach);
  const [shown, setShown] = useState<(Drawn & { laid: Laid }) | null>(null);
  const at = placementIn(site, page, node, view);
  const { columns } = viewOf(site.views, view).grid;
  const way = directionIn(sheet.document.documentElement);

  /** What all selected parts would overlap besides what they overlap now, where the one that leads stands elsewhere. */
  const overlaps = (next: AreaPlacement): NodeId[] => {
    const [across, down] = [next.column - at.column, next.row - at.row];
    const areas = nodes.map((id) => {
      if (id === node.id) return next;
      const from = placementIn(site, page, page.nodes[id], view);
      return heldArea({ ...from, column: from.column + across, row: from.row + down }, columns);
    });
    const before = overlapped({ site, page }, nodes, view);
    return overlapped({ site, page }, nodes, view, areas).filter((id) => !before.includes(id));
  };

  /** Says what is overlapped now, and offers to make room. */
  const offer = (met: readonly NodeId[]) => {
    if (met.length === 0) return;
    const stays = new Set(overlapped({ site, page }, nodes, view));
    const names = met.map((id) => page.nodes[id].name).join(', ');
    say(`${node.name} overlaps ${names} now.`, {
      label: met.length === 1 ? 'Push it down' : 'Push them down',
      run: () => dispatch(pushDown(nodes, view, stays)),
    });
  };

  const take = (next: AreaPlacement) => {
    const own = changes(at, next);
    if (Object.keys(own).length === 0) return;
    const met = overlaps(next);
    const [across, down] = [next.column - at.column, next.row - at.row];
    const [wider, higher] = [next.span - at.span, next.rows - at.rows];
    const others = nodes
      .filter((id) => id !== node.id)
      .map((id) => {
        const from = placementIn(site, page, page.nodes[id], view);
        const moved = heldArea(
          {
            column: from.column + across,
            row: from.row + down,
            span: from.span + wider,
            rows: from.rows + higher,
          },
          columns,
        );
        return { node: id, ...changes(from, { ...from, ...moved }) };
      });
    if (dispatch(edit('placeParts', { parts: [{ node: node.id, ...own }, ...others], view, reach })))
      offer(met);
  };

  const begin = (
    press: PointerEvent<HTMLElement>,
    meant: (laid: Laid, by: { x: number; y: number }, to: { x: number; y: number }, free: boolean) => Drawn,
  ) => {
    const laid = laidOut(props);
    if (!laid) return;
    press.currentTarget.focus();
    const from = { x: press.clientX, y: press.clientY };
    const grid = sure(sheet.elementOf(overlay.id));
    const origin = { x: tracksOf(grid)[0].start, y: tracksOf(grid, 'down')[0]?.start ?? 0 };
    const frame = sure(sure(sheet.document.defaultView, 'defaultView').frameElement);
    const to = (event: { clientX: number; clientY: number; altKey: boolean }): Drawn => {
      const edge = frame.getBoundingClientRect();
      const by = { x: (way * (event.clientX - from.x)) / scale, y: (event.clientY - from.y) / scale };
      const point = {
        x: (way * (event.clientX - edge.left)) / scale - origin.x,
        y: (event.clientY - edge.top) / scale - origin.y,
      };
      return meant(laid, by, point, event.altKey);
    };
    let moved = false;
    draw(press, {
      move: (event) => {
        moved ||= Math.hypot(event.clientX - from.x, event.clientY - from.y) >= STILL;
        if (moved) setShown({ ...to(event), laid });
      },
      end: (event) => {
        setShown(null);
        if (moved) take(to(event).at);
      },
      cancel: () => setShown(null),
    });
  };
  const move = (press: PointerEvent<HTMLElement>) =>
    begin(press, (laid, by, _to, free) => drawn(props, laid, at, by, free));
  const size = (sides: readonly Side[]) => (press: PointerEvent<HTMLElement>) =>
    begin(press, (laid, _by, to) => {
      const next = resized(laid, at, sides, to);
      return { at: next, box: boxOfArea(laid, next), guides: [] };
    });

  const key = (axis: Axis) => (event: KeyboardEvent) => {
    const by = { ArrowLeft: -way, ArrowUp: -1, ArrowRight: way, ArrowDown: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    dispatch(axis === 'across' ? sizeParts(nodes, view, by, 0) : sizeParts(nodes, view, 0, by));
  };
  const own = sheet.elementOf(node.id)?.getBoundingClientRect();
  /** Where on the screen an edge is. */
  const placed = (side: Side) =>
    ({
      start: way === 1 ? 'left' : 'right',
      end: way === 1 ? 'right' : 'left',
      top: 'top',
      bottom: 'bottom',
    })[side];
  return (
    <>
      {shown && own && (
        <Placing
          {...shown}
          overlaps={overlaps(shown.at).map((id) => page.nodes[id].name)}
          grid={sheet.elementOf(overlay.id)}
          own={own}
          scale={scale}
        />
      )}
      <NameTag
        side={side}
        room={room}
        drawing={shown !== null}
        onPointerDown={move}
        label={`${children}, place`}
        title="Drag to move, or use the arrow keys: Shift resizes, Ctrl moves by a pixel"
      >
        {children}
      </NameTag>
      {(['start', 'top'] as const).map((side) => (
        <div key={side} className={`area-grip ${placed(side)}`} onPointerDown={size([side])} />
      ))}
      <div
        className={`area-grip ${placed('end')}`}
        role="slider"
        tabIndex={0}
        aria-label={`Columns of ${node.name}`}
        aria-valuemin={1}
        aria-valuemax={columns}
        aria-valuenow={at.span}
        aria-valuetext={words(at)}
        onPointerDown={size(['end'])}
        onKeyDown={key('across')}
      />
      <div
        className="area-grip bottom"
        role="slider"
        tabIndex={0}
        aria-label={`Rows of ${node.name}`}
        aria-orientation="vertical"
        aria-valuemin={1}
        aria-valuenow={at.rows}
        aria-valuetext={words(at)}
        onPointerDown={size(['bottom'])}
        onKeyDown={key('down')}
      />
      {CORNERS.map((sides) => (
        <div
          key={sides.join(' ')}
          className={`area-corner ${sides.map(placed).join(' ')}`}
          onPointerDown={size(sides)}
        />
      ))}
    </>
  );
}
