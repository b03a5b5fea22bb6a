import { decimals, type Fluid } from './fluid.ts';

/**
 * A width in px that follows the window's: so many hundredths of the window and so many px, or the least or the greatest of such. All that
 * grids, gaps, paddings and limits make of a width stays of this form, as CSS can write it (CSS Values 4, §10 https://www.w3.org/TR/css-values-4/#math).
 */
export type Measure =
  | { readonly vw: number; readonly px: number }
  | { readonly of: 'min' | 'max'; readonly list: readonly Measure[] };

/** As wide as the window. */
export const WINDOW: Measure = { vw: 100, px: 0 };

export const pixels = (px: number): Measure => ({ vw: 0, px });

/** A measure with each of its linear parts in another form. */
function mapped(measure: Measure, map: (vw: number, px: number) => Measure): Measure {
  return 'of' in measure
    ? extreme(
        measure.of,
        measure.list.map((each) => mapped(each, map)),
      )
    : map(measure.vw, measure.px);
}

/** A share or a multiple; the factor is not negative. */
export function times(measure: Measure, factor: number): Measure {
  if (!(factor >= 0)) throw new RangeError('A measure is not multiplied by a negative number.');
  return mapped(measure, (vw, px) => ({ vw: vw * factor, px: px * factor }));
}

/** So many px more; fewer where they are negative. */
export const plus = (measure: Measure, more: number): Measure =>
  more === 0 ? measure : mapped(measure, (vw, px) => ({ vw, px: px + more }));

const OTHER = { min: 'max', max: 'min' } as const;

/** Two measures together. */
export function sum(one: Measure, other: Measure): Measure {
  if ('of' in one)
    return extreme(
      one.of,
      one.list.map((each) => sum(each, other)),
    );
  return mapped(other, (vw, px) => ({ vw: one.vw + vw, px: one.px + px }));
}

const negative = (measure: Measure): Measure =>
  'of' in measure
    ? extreme(OTHER[measure.of], measure.list.map(negative))
    : { vw: -measure.vw, px: -measure.px };

/** What one measure is more than another. */
export const minus = (one: Measure, other: Measure): Measure => sum(one, negative(other));

/** A fluid length as a measure. */
export function fluidMeasure({ min, max, fromWidth, toWidth }: Fluid): Measure {
  if (min === max) return pixels(min);
  const slope = (max - min) / (toWidth - fromWidth);
  const line = { vw: slope * 100, px: min - slope * fromWidth };
  return least(pixels(max), greatest(pixels(min), line));
}

function extreme(of: 'min' | 'max', list: readonly Measure[]): Measure {
  const flat = list.flatMap((each) => ('of' in each && each.of === of ? each.list : [each]));
  const lines = flat.filter((each) => !('of' in each)) as { vw: number; px: number }[];
  const better = (one: number, other: number) => (of === 'min' ? one < other : one > other);
  // Of those that grow alike only one can be it.
  const byGrowth = new Map<number, { vw: number; px: number }>();
  for (const line of lines) {
    const before = byGrowth.get(line.vw);
    if (!before || better(line.px, before.px)) byGrowth.set(line.vw, line);
  }
  const kept: Measure[] = [...byGrowth.values(), ...flat.filter((each) => 'of' in each)];
  return kept.length === 1 ? kept[0] : { of, list: kept };
}

export const least = (...list: Measure[]): Measure => extreme('min', list);
export const greatest = (...list: Measure[]): Measure => extreme('max', list);

/** px; the width in a window so wide. */
export function measureAt(measure: Measure, window: number): number {
  if (!('of' in measure)) return (measure.vw * window) / 100 + measure.px;
  const list = measure.list.map((each) => measureAt(each, window));
  return measure.of === 'min' ? Math.min(...list) : Math.max(...list);
}

const linesOf = (measure: Measure): { vw: number; px: number }[] =>
  'of' in measure ? measure.list.flatMap(linesOf) : [measure];

/** px; the ends of a range, and the windows in it at which two of the measure's lines cross: between those it is straight. */
export function kinksOf(measure: Measure, from: number, to: number): number[] {
  const lines = linesOf(measure);
  const points = [from, to];
  lines.forEach((one, index) => {
    for (const other of lines.slice(index + 1)) {
      const at = ((other.px - one.px) * 100) / (one.vw - other.vw);
      if (at > from && at < to) points.push(at);
    }
  });
  return points.sort((one, other) => one - other);
}

/** The measure for the windows of a range, in px: what is nowhere in it the least, or the greatest, falls out. */
export function heldTo(measure: Measure, from: number, to: number): Measure {
  if (!('of' in measure)) return measure;
  const points = kinksOf(measure, from, to);
  const sign = measure.of === 'min' ? 1 : -1;
  let list = measure.list.map((each) => heldTo(each, from, to));
  const beats = (one: Measure, other: Measure) =>
    points.every((window) => sign * (measureAt(one, window) - measureAt(other, window)) <= 1e-9);
  for (const each of [...list]) {
    const others = list.filter((other) => other !== each);
    if (others.some((other) => beats(other, each))) list = others;
  }
  return extreme(measure.of, list);
}

/** What hundredths of a width are written in: of the window, or of the place that an element stands in. */
export type WidthUnit = 'vw' | 'cqi';

const line = ({ vw, px }: { vw: number; px: number }, unit: WidthUnit): string => {
  const [width, length] = [decimals(vw), decimals(px)];
  if (width === '0') return `${length}px`;
  if (length === '0') return `${width}${unit}`;
  return length.startsWith('-') ? `${width}${unit} - ${length.slice(1)}px` : `${width}${unit} + ${length}px`;
};

const inner = (measure: Measure, unit: WidthUnit): string =>
  'of' in measure
    ? `${measure.of}(${measure.list.map((each) => inner(each, unit)).join(', ')})`
    : line(measure, unit);

/** The measure as a length in CSS. */
export function measureCss(measure: Measure, unit: WidthUnit = 'vw'): string {
  const css = inner(measure, unit);
  return 'of' in measure || !css.includes(' ') ? css : `calc(${css})`;
}
