import { fluidAt, fluidCss, isFluid, rem, type Fluid } from './fluid.ts';
import { proportionalCss, shareAt, type Proportional } from './proportional.ts';

/** The size of text: fixed in px, fluid between two widths of the window, or a share of the width of its place. */
export type TextSize = number | Fluid | Proportional;

/** Whether a size is a share of a width. */
export const isProportional = (size: TextSize): size is Proportional =>
  typeof size === 'object' && 'share' in size;

/** px; the size in a window so wide, where its place is `across` px wide; without that, as wide as the window. */
export function sizeAt(size: TextSize, width: number, across = width): number {
  if (typeof size === 'number') return size;
  return isFluid(size) ? fluidAt(size, width) : shareAt(size, across);
}

/** A text size in CSS, which follows a reader's own font size. */
export function textSizeCss(size: TextSize): string {
  if (typeof size === 'number') return rem(size);
  return isFluid(size) ? fluidCss(size, rem) : proportionalCss(size);
}

const halves = (px: number): number => Math.round(px * 2) / 2;

/**
 * A size at so many percent of what it is, in halves of a px; the widths between which it grows stay. Nothing gets below `least` px that is not
 * below it already.
 */
export function scaledSize(size: TextSize, percent: number, least: number): TextSize {
  const scaled = (px: number): number => Math.max(Math.min(px, least), halves((px * percent) / 100));
  if (typeof size === 'number') return scaled(size);
  if (isFluid(size)) return { ...size, min: scaled(size.min), max: scaled(size.max) };
  const { share, least: lower, most } = size;
  return {
    share: Math.round(share * percent) / 100,
    ...(lower !== undefined && { least: scaled(lower) }),
    ...(most !== undefined && { most: scaled(most) }),
  };
}
