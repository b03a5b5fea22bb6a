import { useEffect, useEffectEvent, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { lookup, type Crop, type EdgeMoves, type Point } from '../../../../core/index.ts';
import { imageUrl } from '../../../page/addresses.ts';
import { draw } from '../../../ui/draw.ts';
import { useAppSelector } from '../../../state/store.ts';
import { CropBar } from './CropBar.tsx';
import { useCropping, type CropOf } from './useCropping.ts';
import './crop.css';

/** px of the file that is shown meanwhile. */
const SHOWN_WIDTH = 1600;
/** How much one turn of a wheel, or one press of a key, zooms. */
const ZOOM_STEP = 1.05;

type Edge = keyof EdgeMoves;

/** What arrow keys do, in directions of the image. */
const ARROWS: Readonly<Record<string, Point>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** The edges and corners that are drawn. */
const HANDLES: readonly Edge[][] = [
  ['top'],
  ['right'],
  ['bottom'],
  ['left'],
  ['top', 'left'],
  ['top', 'right'],
  ['bottom', 'right'],
  ['bottom', 'left'],
];

const isAcross = (edge: Edge): boolean => edge === 'left' || edge === 'right';

/** px of the image by which edges are moved. */
const movesOf = (edges: readonly Edge[], by: Point): EdgeMoves =>
  Object.fromEntries(edges.map((edge) => [edge, isAcross(edge) ? by.x : by.y]));

/** Where an edge is, per cent of the image. */
const placeOfEdge = (part: Crop, image: { width: number; height: number }, edge: Edge): number =>
  Math.round(
    {
      left: (100 * part.x) / image.width,
      right: (100 * (part.x + part.width)) / image.width,
      top: (100 * part.y) / image.height,
      bottom: (100 * (part.y + part.height)) / image.height,
    }[edge],
  );

interface CropFrameProps extends CropOf {
  /** Screen px; where the image is drawn in the sheet. */
  at: { left: number; top: number; width: number };
  /** The keyboard goes back to the sheet. */
  onLeave: () => void;
}

/**
 * The crop of an image, drawn on the page: all of the image stands behind, what is seen of it is bright. Drawing in it moves the image,
 * drawing an edge or a corner changes what is seen; what is beside ends it.
 */
export function CropFrame({ at, onLeave, ...of }: CropFrameProps) {
  const { site, image } = of;
  const cropping = useCropping(of, onLeave);
  const { part, focus, now, restore } = cropping;
  const [frame, setFrame] = useState<HTMLElement | null>(null);
  const first = useRef<HTMLDivElement>(null);
  /** Where the image stood when an edge was taken: it stays there while that is drawn. */
  const [held, setHeld] = useState<{ left: number; top: number; scale: number } | null>(null);
  const rest = {
    scale: at.width / part.width,
    left: at.left - (part.x * at.width) / part.width,
    top: at.top - (part.y * at.width) / part.width,
  };
  const { scale, left, top } = held ?? rest;

  useEffect(() => first.current?.focus(), []);
  const wheel = useEffectEvent((event: WheelEvent) => {
    event.preventDefault();
    cropping.zoom(cropping.zoomed * (event.deltaY < 0 ? ZOOM_STEP : 1 / ZOOM_STEP));
  });
  useEffect(() => {
    // React listens to wheels without being able to stop them.
    const turned = (event: WheelEvent) => wheel(event);
    frame?.addEventListener('wheel', turned, { passive: false });
    return () => frame?.removeEventListener('wheel', turned);
  }, [frame]);
  // Another selection ends it, or another view in its sheet, and what was done is kept.
  const lead = useAppSelector((state) => state.desk.selected.at(-1));
  const ended = useEffectEvent(() => cropping.keep());
  const known = useRef(lead);
  useEffect(() => {
    if (lead !== known.current) ended();
  }, [lead]);
  useEffect(() => () => ended(), []);

  const pan = (press: PointerEvent<HTMLElement>) => {
    press.currentTarget.focus();
    const from = { x: press.clientX, y: press.clientY };
    draw(press, {
      move: (event) =>
        cropping.move({ x: (from.x - event.clientX) / scale, y: (from.y - event.clientY) / scale }, part),
      cancel: () => restore(now),
    });
  };
  const drawEdges = (edges: readonly Edge[]) => (press: PointerEvent<HTMLElement>) => {
    press.stopPropagation();
    press.currentTarget.focus();
    const from = { x: press.clientX, y: press.clientY };
    setHeld(rest);
    draw(press, {
      move: (event) =>
        cropping.edges(
          movesOf(edges, {
            x: (event.clientX - from.x) / rest.scale,
            y: (event.clientY - from.y) / rest.scale,
          }),
          part,
        ),
      end: () => setHeld(null),
      cancel: () => {
        restore(now);
        setHeld(null);
      },
    });
  };
  const aim = (press: PointerEvent<HTMLElement>) => {
    press.stopPropagation();
    press.currentTarget.focus();
    const from = { x: press.clientX, y: press.clientY };
    draw(press, {
      move: (event) =>
        cropping.aim({
          x: focus.x + (100 * (event.clientX - from.x)) / (image.width * scale),
          y: focus.y + (100 * (event.clientY - from.y)) / (image.height * scale),
        }),
      cancel: () => restore(now),
    });
  };
  /** What keys do that all parts of the frame know; answers whether this was one. */
  const common = (event: KeyboardEvent): boolean => {
    const zoom = lookup({ '+': ZOOM_STEP, '=': ZOOM_STEP, '-': 1 / ZOOM_STEP }, event.key);
    if (event.key === 'Enter') cropping.done();
    else if (event.key === 'Escape') cropping.cancel();
    else if (zoom !== undefined) cropping.zoom(cropping.zoomed * zoom);
    else return false;
    return true;
  };
  const keys = (arrow: (by: Point) => void) => (event: KeyboardEvent) => {
    const way = lookup(ARROWS, event.key);
    const step = event.shiftKey ? 10 : 1;
    if (way) arrow({ x: way.x * step, y: way.y * step });
    else if (!common(event) && event.key === 'Tab') return;
    if (way || event.key !== 'Tab') event.preventDefault();
    event.stopPropagation();
  };
  /** Per cent of the image as px of it. */
  const inImage = (by: Point): Point => ({ x: (by.x * image.width) / 100, y: (by.y * image.height) / 100 });

  const src = imageUrl(site.id, image, SHOWN_WIDTH);
  const place = { left: left + part.x * scale, top: top + part.y * scale };
  const whole = { width: image.width * scale, height: image.height * scale };
  const words = `${Math.round(focus.x)} % from the left, ${Math.round(focus.y)} % from the top, zoom ${Math.round(cropping.zoomed)} %`;
  return (
    <div className="crop" onPointerDown={cropping.done} onDoubleClick={(event) => event.stopPropagation()}>
      <img className="crop-whole" src={src} alt="" style={{ left, top, ...whole }} draggable={false} />
      <div
        ref={setFrame}
        className="crop-frame"
        style={{ ...place, width: part.width * scale, height: part.height * scale }}
        onPointerDown={(event) => event.stopPropagation()}
      >
        <div className="crop-seen">
          <img
            src={src}
            alt=""
            draggable={false}
            style={{ left: left - place.left, top: top - place.top, ...whole }}
          />
        </div>
        <div
          ref={first}
          className="crop-pan"
          role="slider"
          tabIndex={0}
          aria-label={`Part of ${image.name} that is seen`}
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={Math.round(focus.x)}
          aria-valuetext={words}
          title="Draw to move the image, turn the wheel to zoom; or arrow keys, + and −"
          onPointerDown={pan}
          onKeyDown={keys((by) => cropping.move(inImage(by)))}
        />
        {HANDLES.map((edges) =>
          edges.length === 1 ? (
            <div
              key={edges[0]}
              className={`area-grip ${edges[0]}`}
              role="slider"
              tabIndex={0}
              aria-label={`${{ top: 'Upper', bottom: 'Lower', left: 'Left', right: 'Right' }[edges[0]]} edge of the crop`}
              aria-orientation={isAcross(edges[0]) ? 'horizontal' : 'vertical'}
              aria-valuemin={0}
              aria-valuemax={100}
              aria-valuenow={placeOfEdge(part, image, edges[0])}
              aria-valuetext={`at ${placeOfEdge(part, image, edges[0])} % of the image`}
              onPointerDown={drawEdges(edges)}
              onKeyDown={keys((by) => cropping.edges(movesOf(edges, inImage(by))))}
            />
          ) : (
            <div
              key={edges.join(' ')}
              className={`area-corner ${edges.join(' ')}`}
              onPointerDown={drawEdges(edges)}
            />
          ),
        )}
        <div
          className="crop-focus"
          role="slider"
          tabIndex={0}
          aria-label="Focal point"
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={Math.round(focus.x)}
          aria-valuetext={`${Math.round(focus.x)} % from the left, ${Math.round(focus.y)} % from the top`}
          title="Focal point: what stays in sight in every shape"
          style={{ left: `${focus.x}%`, top: `${focus.y}%` }}
          onPointerDown={aim}
          onKeyDown={keys((by) => cropping.aim({ x: focus.x + by.x, y: focus.y + by.y }))}
        />
      </div>
      <CropBar of={of} cropping={cropping} anchor={frame} />
    </div>
  );
}
