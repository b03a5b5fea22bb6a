import { sure } from '../sure.ts';
import { kinksOf, measureAt, WINDOW, type Measure } from './measure.ts';
import { isFluid, type Fluid } from './fluid.ts';
import { shareAt, type Proportional } from './proportional.ts';
import { stretchesWhere, type Stretch } from './stretches.ts';
import { sizeAt, type TextSize } from './textsize.ts';

/** A size over a stretch of window widths; px. The stretch ends before `below`. */
export interface CurvePiece {
  from: number;
  below: number;
  /** px; the size at a width, which may lie beyond the stretch. */
  at(width: number): number;
  /** px; the widths in the stretch at which it bends: between those it is straight. */
  bends: readonly number[];
}

/** px; the widths at which a share of a place gets to its least or most. */
function heldFrom(
  { share, least, most }: Proportional,
  across: Measure,
  between: readonly number[],
): number[] {
  const ends = [least, most].flatMap((end) => (end === undefined ? [] : [(end * 100) / share]));
  return between.slice(1).flatMap((to, index) => {
    const from = between[index];
    const [one, other] = [measureAt(across, from), measureAt(across, to)];
    return ends
      .filter((end) => (end - one) * (end - other) < 0)
      .map((end) => from + ((end - one) / (other - one)) * (to - from));
  });
}

/** A size over the window widths from `from` to `below`, in a place that is so wide; without that, as wide as the window. */
export function curvePiece(
  from: number,
  below: number,
  size: TextSize,
  across: Measure = WINDOW,
): CurvePiece {
  if (typeof size === 'number') return { from, below, at: () => size, bends: [] };
  if (isFluid(size)) {
    const bends = [size.fromWidth, size.toWidth].filter((width) => width > from && width < below);
    return { from, below, at: (width) => sizeAt(size, width), bends };
  }
  const kinks = kinksOf(across, from, below);
  const bends = [...kinks.slice(1, -1), ...heldFrom(size, across, kinks)].sort((one, other) => one - other);
  return { from, below, at: (width) => shareAt(size, measureAt(across, width)), bends };
}

/** A size over all widths: pieces that follow one another, narrow to wide. */
export type Curve = readonly CurvePiece[];

/** A size at a width; px. */
export interface CurvePoint {
  width: number;
  size: number;
}

const pieceAt = (curve: Curve, width: number): CurvePiece =>
  curve.findLast(({ from }) => from <= width) ?? curve[0];

/** px; the size at a width. */
export const curveAt = (curve: Curve, width: number): number => pieceAt(curve, width).at(width);

/** The points between which a curve is straight, from a width in px on; where it jumps, two at one width. */
export const curvePoints = (curve: Curve, from = 0): CurvePoint[] =>
  curve
    .filter(({ below }) => below > from)
    .flatMap((piece) =>
      [Math.max(piece.from, from), ...piece.bends.filter((width) => width > from), piece.below].map(
        (width) => ({ width, size: piece.at(width) }),
      ),
    );

/** Where a size is another one from one px to the next; px. */
export interface Jump {
  width: number;
  narrower: number;
  wider: number;
}

/** px; sizes that differ by less are the same. */
const SAME = 0.05;

/** The jumps of a curve, narrow to wide. */
export const jumpsIn = (curve: Curve): Jump[] =>
  curve.slice(1).flatMap(({ from, at }, index) => {
    const [narrower, wider] = [curve[index].at(from), at(from)];
    return Math.abs(wider - narrower) < SAME ? [] : [{ width: from, narrower, wider }];
  });

/** px; the widths between which a curve is straight, jumps among them. */
export const turnsOf = (curve: Curve): number[] => curve.flatMap(({ from, bends }) => [from, ...bends]);

/** Zoom goes so far in browsers (common practice), and text has to get so many times as large by it (WCAG 2.2, 1.4.4). */
export const MOST_ZOOM = 5;
export const ENLARGED = 2;

/**
 * How many times as large text gets at most by zoom, at a window width in px. Zoomed by z, a window of W px has W ÷ z px to lay a page out in,
 * which may be another view, and what is s px there is drawn z · s px (WCAG 2.2, 1.4.4 https://www.w3.org/TR/WCAG22/#resize-text; the rule as worked
 * out by M. Barvian, “Addressing accessibility concerns with using fluid type”, 2023). On a straight stretch of the curve z · s is greatest
 * at one of its ends.
 */
export function mostByZoom(curve: Curve, width: number): number {
  const least = width / MOST_ZOOM;
  let most = Math.max(curveAt(curve, width), MOST_ZOOM * curveAt(curve, least));
  for (const end of curvePoints(curve))
    if (end.width > least && end.width < width) most = Math.max(most, (width / end.width) * end.size);
  return most / curveAt(curve, width);
}

/**
 * px; the widths between which the question whether zoom makes a text so many times as large is answered otherwise once at most. What zoom
 * leads to is one of two straight lines there: the size in the least window that can be, and that at the end of a stretch which gives most,
 * which grows with the window. Where the two cross, the lesser need takes the place of the greater one.
 */
export function zoomTurns(curve: Curve): number[] {
  const ends = curvePoints(curve);
  const turns = [...new Set(ends.flatMap(({ width }) => [width, width * MOST_ZOOM]))].sort(
    (one, other) => one - other,
  );
  const crossed = turns.slice(1).flatMap((to, index) => {
    const from = turns[index];
    const steepest = Math.max(
      0,
      ...ends.flatMap(({ width, size }) => (width >= to / MOST_ZOOM && width <= from ? [size / width] : [])),
    );
    const more = (width: number) => MOST_ZOOM * curveAt(curve, width / MOST_ZOOM) - steepest * width;
    // Within the stretch, as the curve may jump at its ends.
    const [one, other] = [from + (to - from) / 3, to - (to - from) / 3];
    const grows = (more(other) - more(one)) / (other - one);
    const at = one - more(one) / grows;
    return at > from && at < to ? [at] : [];
  });
  return [...turns, ...crossed];
}

/** px; the windows in which a size that is typed is looked at. */
const LOOKED_AT = { from: 280, below: 2560 };

/** The windows, in px, in which zoom cannot make a size twice as large, in a place as wide as the window; none where it always can. */
export function notEnlarged(size: TextSize): Stretch | undefined {
  const curve: Curve = [curvePiece(1, LOOKED_AT.below * 2, size)];
  const [first] = stretchesWhere(
    LOOKED_AT.from,
    LOOKED_AT.below - 1,
    zoomTurns(curve),
    (width) => mostByZoom(curve, width) < ENLARGED - 1e-6,
  );
  return first;
}

/** px; the smallest sizes are tried in such steps. */
const STEP = 0.5;

/** px; a share of a place has its most from that width on, where it has none of its own. */
const WIDEST_PLACE = 1280;

/** The least from which on a size can be made twice as large by zoom everywhere. */
function leastEnlarged(least: number, most: number, size: (least: number) => TextSize): number {
  let min = Math.ceil(least / STEP) * STEP;
  while (min < most && notEnlarged(size(min))) min += STEP;
  return Math.min(min, most);
}

/**
 * The size nearest to one that follows a width that zoom can make twice as large everywhere: with as small a smallest size as can be. A
 * proportional one needs a most for that.
 */
export function enlargeable<S extends Fluid | Proportional>(size: S): S {
  if (isFluid(size)) return { ...size, min: leastEnlarged(size.min, size.max, (min) => ({ ...size, min })) };
  const held: Proportional = { ...size, most: size.most ?? Math.round((size.share * WIDEST_PLACE) / 100) };
  const least = leastEnlarged(held.least ?? 1, sure(held.most, 'most'), (each) => ({ ...held, least: each }));
  return { ...held, least } as S;
}
