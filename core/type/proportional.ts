import { done, refused, type Outcome } from '../outcome.ts';
import { decimals, REM, rem } from './fluid.ts';

/**
 * A size as a share of the width of the place that its words stand in: `share` in percent, held to `least` and `most` px where they are given.
 * Words and an image that have the same place keep their proportion to one another at all widths.
 */
export interface Proportional {
  share: number;
  least?: number;
  most?: number;
}

/** Percent. */
export const SHARES = { least: 0.1, most: 100 };

/** Makes a proportional size. Refused where the share is none from 0.1 to 100 %, or the least is more than the most. */
export function proportional({ share, least, most }: Proportional): Outcome<Proportional> {
  if (!(share >= SHARES.least && share <= SHARES.most))
    return refused(`A share is from ${SHARES.least} to ${SHARES.most} %.`);
  if (least !== undefined && most !== undefined && least > most)
    return refused(
      `The minimum is not above the maximum: ${decimals(least)} is more than ${decimals(most)}.`,
    );
  return done({ share, ...(least !== undefined && { least }), ...(most !== undefined && { most }) });
}

/** px; the size in a place so wide, in px. */
export const shareAt = ({ share, least = 0, most = Infinity }: Proportional, across: number): number =>
  Math.max(least, Math.min(most, (across * share) / 100));

/** The custom property that says how wide the place of an element is; it is declared where something depends on it. */
export const ACROSS = '--across';

/**
 * A proportional size in CSS: a share of the place's width, which is a length in container query units (CSS Conditional Rules 5, §4.3
 * https://www.w3.org/TR/css-conditional-5/#container-lengths). Such units know nothing of a reader's own font size: `1rem − 16px`, which is nothing
 * at the usual 16 px, grows with it (WCAG 2.2, 1.4.4).
 */
export function proportionalCss({ share, least, most }: Proportional): string {
  const middle = `${decimals(share / 100)} * var(${ACROSS}, 100vw) + 1rem - ${REM}px`;
  if (least !== undefined && most !== undefined) return `clamp(${rem(least)}, ${middle}, ${rem(most)})`;
  if (least !== undefined) return `max(${rem(least)}, ${middle})`;
  return most === undefined ? `calc(${middle})` : `min(${middle}, ${rem(most)})`;
}
