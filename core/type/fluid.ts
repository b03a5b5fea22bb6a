import { Type, type TSchema } from '@sinclair/typebox';
import { done, refused, type Outcome } from '../outcome.ts';

/**
 * A value that follows the width of the window between two limits: `min` at `fromWidth` px, `max` at `toWidth` px, straight in between and held
 * beyond. Of one that falls as the window gets wider `fromWidth` is the wider one.
 */
export interface Fluid {
  min: number;
  max: number;
  fromWidth: number;
  toWidth: number;
}

const width = Type.Number({ minimum: 0, maximum: 10000 });

/** The JSON Schema of a value that is fluid between two of another schema. */
export const fluidSchema = <S extends TSchema>(end: S) =>
  Type.Object({ min: end, max: end, fromWidth: width, toWidth: width }, { additionalProperties: false });

/** Whether something is a fluid value. */
export const isFluid = (value: unknown): value is Fluid =>
  typeof value === 'object' && value !== null && 'fromWidth' in value;

/** px in one rem: the initial font size that every browser starts from and that people may enlarge. */
export const REM = 16;

/** Makes a fluid size. Refused when min > max, fromWidth >= toWidth, or a number is not finite. */
export function fluid(size: Fluid): Outcome<Fluid> {
  const { min, max, fromWidth, toWidth } = size;
  if (![min, max, fromWidth, toWidth].every(Number.isFinite))
    return refused('A fluid value needs four numbers.');
  if (min > max) return refused(`A fluid value grows with the width: ${min} is more than ${max}.`);
  if (fromWidth >= toWidth) {
    return refused(`A fluid value needs a span of widths: ${fromWidth} px is not below ${toWidth} px.`);
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

/**
 * A length in px, also where it is nothing: in sums, `min()` and the like, and where a custom property carries it there, a bare 0 is a number
 * and makes the whole declaration invalid (CSS Values 4, §10.9 https://www.w3.org/TR/css-values-4/#calc-type-checking).
 */
export const px = (value: number): string => `${decimals(value)}px`;
/** px as rem, of the usual 16 px. */
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

/** The custom property that says how wide the window is, as a length: it is registered, so that it is one in px wherever it is asked for. */
export const WINDOW_WIDTH = '--window';

/**
 * A fluid number in CSS. A length by a length is a number by way of an angle, tan(atan2(a, b)) = a ÷ b (CSS Values 4, §10.4
 * https://www.w3.org/TR/css-values-4/#trig-funcs), which browsers know for longer than dividing units.
 */
export function fluidNumberCss({ min, max, fromWidth, toWidth }: Fluid): string {
  if (min === max) return decimals(min);
  const share = `tan(atan2(var(${WINDOW_WIDTH}) - ${px(fromWidth)}, ${px(toWidth - fromWidth)}))`;
  return `clamp(${decimals(min)}, ${decimals(min)} + ${decimals(max - min)} * ${share}, ${decimals(max)})`;
}
