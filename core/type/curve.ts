import { sizeAt, type Fluid, type TextSize } from './fluid.ts';

/** A size over a stretch of window widths; px. The stretch ends before `below`. */
export interface CurvePiece {
  from: number;
  below: number;
  size: TextSize;
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
export const curveAt = (curve: Curve, width: number): number => sizeAt(pieceAt(curve, width).size, width);

/** The widths within a piece at which it bends. */
const bendsOf = ({ from, below, size }: CurvePiece): number[] =>
  typeof size === 'number'
    ? []
    : [size.fromWidth, size.toWidth].filter((width) => width > from && width < below);

/** The points between which a curve is straight; where it jumps, two at one width. */
export const curvePoints = (curve: Curve): CurvePoint[] =>
  curve.flatMap((piece) =>
    [piece.from, ...bendsOf(piece), piece.below].map((width) => ({ width, size: sizeAt(piece.size, width) })),
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
  curve.slice(1).flatMap(({ from, size }, index) => {
    const [narrower, wider] = [sizeAt(curve[index].size, from), sizeAt(size, from)];
    return Math.abs(wider - narrower) < SAME ? [] : [{ width: from, narrower, wider }];
  });

/** A stretch of widths; px, both ends in it. */
export interface Stretch {
  from: number;
  to: number;
}

/** The stretches of whole widths in which something holds. */
export function stretchesWhere(from: number, to: number, holds: (width: number) => boolean): Stretch[] {
  const stretches: Stretch[] = [];
  for (let width = from; width <= to; width += 1) {
    if (!holds(width)) continue;
    const last = stretches.at(-1);
    if (last?.to === width - 1) last.to = width;
    else stretches.push({ from: width, to: width });
  }
  return stretches;
}

/** Zoom goes so far in browsers (common practice), and text has to get so many times as large by it (WCAG 2.2, 1.4.4). */
const MOST_ZOOM = 5;
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
  for (const piece of curve)
    for (const end of [piece.from, ...bendsOf(piece), piece.below])
      if (end > least && end < width) most = Math.max(most, (width / end) * sizeAt(piece.size, end));
  return most / curveAt(curve, width);
}

/** px; the windows in which a size that is typed is looked at. */
const LOOKED_AT = { from: 280, below: 2560 };

/** The windows, in px, in which zoom cannot make a size twice as large; none where it always can. */
export function notEnlarged(size: TextSize): Stretch | undefined {
  const curve: Curve = [{ from: 1, below: LOOKED_AT.below * 2, size }];
  const [first] = stretchesWhere(
    LOOKED_AT.from,
    LOOKED_AT.below - 1,
    (width) => mostByZoom(curve, width) < ENLARGED - 1e-6,
  );
  return first;
}

/** px; the smallest sizes are tried in such steps. */
const STEP = 0.5;

/** The size nearest to a fluid one that zoom can make twice as large everywhere: with as small a smallest size as can be. */
export function enlargeable(size: Fluid): Fluid {
  let min = Math.ceil(size.min / STEP) * STEP;
  while (min < size.max && notEnlarged({ ...size, min })) min += STEP;
  return { ...size, min: Math.min(min, size.max) };
}
