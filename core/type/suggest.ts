import { SMALLEST_READ } from './limits.ts';

/** px; at windows so wide all sizes would be one. */
const NOTHING = 160;

/** How far the differences between sizes shrink, or grow, at most. */
const LEAST_SHARE = 0.55;
const MOST_SHARE = 1.15;

/** How strong the differences between sizes are in a window, as a share of what they are in another one; widths in px. */
export const shareOf = (width: number, base: number): number =>
  Math.min(MOST_SHARE, Math.max(LEAST_SHARE, Math.log(width / NOTHING) / Math.log(base / NOTHING)));

/** Sizes in a view from which those in another one are worked out; px. */
export interface SizesThere {
  /** The width of the view's sheet. */
  width: number;
  /** The size of body text. */
  body: number;
}

/**
 * A size in px for another view: as many times the body's size there as it is here, to the power of a share that falls with the width. So
 * what is larger than the body comes nearer to it in narrow views, in order; what is smaller stays as it is. (The thought is common
 * practice, the formula our own.) Not below the least that is read, unless it is already.
 */
export function suggestedSize(size: number, base: SizesThere, there: SizesThere): number {
  if (size <= base.body)
    return Math.max(Math.min(size, SMALLEST_READ), size - Math.max(0, base.body - there.body));
  return Math.round(there.body * (size / base.body) ** shareOf(there.width, base.width));
}
