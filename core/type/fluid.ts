import { done, refused, type Outcome } from '../outcome.ts';

/**
 * A size that follows the width of the window between two limits. All four in px:
 * `min` at `fromWidth` and below, `max` at `toWidth` and above, straight in between.
 */
export interface Fluid {
  min: number;
  max: number;
  fromWidth: number;
  toWidth: number;
}

/** px in one rem: the initial font size that every browser starts from and that people may enlarge. */
export const REM = 16;

/** Makes a fluid size. Refused when min > max, fromWidth >= toWidth, or a number is not finite. */
export function fluid(size: Fluid): Outcome<Fluid> {
  const { min, max, fromWidth, toWidth } = size;
  if (![min, max, fromWidth, toWidth].every(Number.isFinite))
    return refused('A fluid size needs four numbers.');
  if (min > max) return refused(`A fluid size grows with the width: ${min} is more than ${max}.`);
  if (fromWidth >= toWidth) {
    return refused(`A fluid size needs a span of widths: ${fromWidth} px is not below ${toWidth} px.`);
  }
  return done({ min, max, fromWidth, toWidth });
}

/** The value at a window width in px: linear interpolation between the limits, held at both ends. */
export function fluidAt({ min, max, fromWidth, toWidth }: Fluid, width: number): number {
  const share = (width - fromWidth) / (toWidth - fromWidth);
  return min + (max - min) * Math.min(1, Math.max(0, share));
}

/** At most five decimals, without trailing zeros: a hundredth of a pixel at 1,000 rem. */
export const decimals = (value: number): string => String(Number(value.toFixed(5)));

export const px = (value: number): string => (value === 0 ? '0' : `${decimals(value)}px`);
export const rem = (value: number): string => `${decimals(value / REM)}rem`;

/**
 * A fluid length in CSS, its ends written by `unit` (px or rem): `clamp(min, intercept + slope, max)` (CSS Values and Units 4, §10.2
 * https://www.w3.org/TR/css-values-4/#calc-notation): the line through (fromWidth, min) and (toWidth, max) with its slope in vw.
 * The part in rem keeps text growing when a person enlarges it (WCAG 2.2, 1.4.4 Resize Text). On a steep line that part would be
 * negative, and text would shrink as it is enlarged: then the line is written from its smallest size on, `min + slope · (100vw − fromWidth)`
 * with `fromWidth` in px, which is the same at the usual 16 px and grows with the rem.
 */
export function fluidCss(size: Fluid, unit: (px: number) => string): string {
  if (size.min === size.max) return unit(size.min);
  const slope = (size.max - size.min) / (size.toWidth - size.fromWidth);
  const intercept = size.min - slope * size.fromWidth;
  const growth = `${decimals(slope * 100)}vw`;
  const line =
    Number(decimals(intercept / REM)) > 0
      ? `${growth} + ${unit(intercept)}`
      : `${unit(size.min)} + ${growth} - ${px(slope * size.fromWidth)}`;
  return `clamp(${unit(size.min)}, ${line}, ${unit(size.max)})`;
}
