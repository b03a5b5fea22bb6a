import { done, refused, type Outcome } from '../outcome.ts';
import { fluid } from './fluid.ts';
import type { TextSize } from './textsize.ts';

/** Ratios between the sizes of a scale by the names that they have in music and in typography (common practice). */
export const RATIOS: readonly { name: string; value: number }[] = [
  { name: 'Minor second', value: 1.067 },
  { name: 'Major second', value: 1.125 },
  { name: 'Minor third', value: 1.2 },
  { name: 'Major third', value: 1.25 },
  { name: 'Perfect fourth', value: 1.333 },
  { name: 'Augmented fourth', value: 1.414 },
  { name: 'Perfect fifth', value: 1.5 },
  { name: 'Golden ratio', value: 1.618 },
];

/** One end of a scale: at a width of the window in px, its size in px that the others are steps from, and the ratio from one to the next. */
export interface ScaleEnd {
  width: number;
  base: number;
  ratio: number;
}

/** px; sizes are rounded to that, or not at all. */
export type ScaleRounding = 'none' | 0.25 | 0.5 | 1;

export const SCALE_LIMITS = {
  /** px */
  width: { least: 200, most: 4000 },
  /** px */
  base: { least: 8, most: 40 },
  ratio: { least: 1, most: 2 },
  step: { least: -6, most: 12 },
} as const;

/** A scale between two ends, fluid in between. */
export interface Scale {
  narrow: ScaleEnd;
  wide: ScaleEnd;
  rounding: ScaleRounding;
}

const within = (value: number, { least, most }: { least: number; most: number }): boolean =>
  Number.isFinite(value) && value >= least && value <= most;

/** Why there is no such scale, in a sentence; undefined where there is. */
export function scaleFault({ narrow, wide }: Scale): string | undefined {
  for (const [end, { width, base, ratio }] of [
    ['narrow', narrow],
    ['wide', wide],
  ] as const) {
    const { least, most } = SCALE_LIMITS.base;
    if (!within(width, SCALE_LIMITS.width))
      return `The ${end} end needs a width from ${SCALE_LIMITS.width.least} to ${SCALE_LIMITS.width.most} px.`;
    if (!within(base, SCALE_LIMITS.base)) return `The ${end} end needs a size from ${least} to ${most} px.`;
    if (!within(ratio, SCALE_LIMITS.ratio))
      return `The ${end} end needs a ratio from ${SCALE_LIMITS.ratio.least} to ${SCALE_LIMITS.ratio.most}.`;
  }
  if (narrow.width >= wide.width) return 'The narrow end has to be narrower than the wide one.';
  return undefined;
}

/** px; so many steps from the size of an end: base · ratio^step (R. Bringhurst, “The Elements of Typographic Style”, modular scales). */
export const scaleStep = ({ base, ratio }: ScaleEnd, step: number): number => base * ratio ** step;

const rounded = (px: number, to: ScaleRounding): number =>
  to === 'none' ? Math.round(px * 1e4) / 1e4 : Math.round(px / to) * to;

/**
 * The size of a step of a scale: fluid between its ends. A fluid size grows with the width: where the wide end would be smaller, it is fixed
 * at the larger one. Refused where the scale is none, or a step is not whole or too far away.
 */
export function scaleSize(scale: Scale, step: number): Outcome<TextSize> {
  const fault = scaleFault(scale);
  if (fault) return refused(fault);
  if (!Number.isInteger(step) || !within(step, SCALE_LIMITS.step))
    return refused(`A step is a whole number from ${SCALE_LIMITS.step.least} to ${SCALE_LIMITS.step.most}.`);
  const min = rounded(scaleStep(scale.narrow, step), scale.rounding);
  const max = rounded(scaleStep(scale.wide, step), scale.rounding);
  if (max <= min) return done(min);
  return fluid({ min, max, fromWidth: scale.narrow.width, toWidth: scale.wide.width });
}
