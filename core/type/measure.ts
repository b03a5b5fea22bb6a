import { decimals, type Fluid } from './fluid.ts';

type Line = { readonly vw: number; readonly px: number };

/**
 * A width in px that follows the window's: so many hundredths of the window and so many px, or the least, the greatest or the sum of such. All
 * that grids, gaps, paddings and limits make of a width stays of this form, as CSS can write it (CSS Values 4, §10 https://www.w3.org/TR/css-values-4/#math).
 */
export type Measure = Line | { readonly of: 'min' | 'max' | 'sum'; readonly list: readonly Measure[] };

/** As wide as the window. */
export const WINDOW: Measure = { vw: 100, px: 0 };

export const pixels = (px: number): Measure => ({ vw: 0, px });

/** A share or a multiple; the factor is not negative. */
export function times(measure: Measure, factor: number): Measure {
  if (!(factor >= 0)) throw new RangeError('A measure is not multiplied by a negative number.');
  if (!('of' in measure)) return { vw: measure.vw * factor, px: measure.px * factor };
  return joined(
    measure.of,
    measure.list.map((each) => times(each, factor)),
  );
}

/** So many px more; fewer where they are negative. */
export const plus = (measure: Measure, more: number): Measure =>
  more === 0 ? measure : sum(measure, pixels(more));

/** Two measures together. A line goes into what it is added to; of two that bend, both are kept, as their parts together would be many. */
export function sum(one: Measure, other: Measure): Measure {
  if (!('of' in one))
    return 'of' in other ? sum(other, one) : { vw: one.vw + other.vw, px: one.px + other.px };
  if (!('of' in other) && one.of !== 'sum')
    return extreme(
      one.of,
      one.list.map((each) => sum(each, other)),
    );
  const list = [one, other].flatMap((each) => ('of' in each && each.of === 'sum' ? each.list : [each]));
  const bending = list.filter((each) => 'of' in each);
  const line = (list.filter((each) => !('of' in each)) as Line[]).reduce(
    (before, { vw, px }) => ({ vw: before.vw + vw, px: before.px + px }),
    { vw: 0, px: 0 },
  );
  return { of: 'sum', list: line.vw === 0 && line.px === 0 ? bending : [...bending, line] };
}

const joined = (of: 'min' | 'max' | 'sum', list: readonly Measure[]): Measure =>
  of === 'sum' ? list.reduce(sum) : extreme(of, list);

const OTHER = { min: 'max', max: 'min', sum: 'sum' } as const;

const negative = (measure: Measure): Measure =>
  'of' in measure
    ? joined(OTHER[measure.of], measure.list.map(negative))
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
  const lines = flat.filter((each) => !('of' in each)) as Line[];
  const better = (one: number, other: number) => (of === 'min' ? one < other : one > other);
  // Of those that grow alike only one can be it.
  const byGrowth = new Map<number, Line>();
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
  if (measure.of === 'sum') return list.reduce((before, each) => before + each, 0);
  return measure.of === 'min' ? Math.min(...list) : Math.max(...list);
}

/** The windows between two, at which of some measures that are straight there two cross. */
function crossings(list: readonly Measure[], from: number, to: number): number[] {
  const ends = list.map((each) => [measureAt(each, from), measureAt(each, to)] as const);
  return ends.flatMap(([one, oneThen], index) =>
    ends.slice(index + 1).flatMap(([other, otherThen]) => {
      const [before, after] = [one - other, oneThen - otherThen];
      return before * after < 0 ? [from + (before / (before - after)) * (to - from)] : [];
    }),
  );
}

/** px; the ends of a range, and the windows in it at which a measure may bend: between those it is straight. Narrow to wide. */
export function kinksOf(measure: Measure, from: number, to: number): number[] {
  if (!('of' in measure)) return [from, to];
  const inner = new Set(measure.list.flatMap((each) => kinksOf(each, from, to)));
  const points = [...inner].sort((one, other) => one - other);
  if (measure.of === 'sum') return points;
  const crossed = points.slice(1).flatMap((end, index) => crossings(measure.list, points[index], end));
  return [...points, ...crossed].sort((one, other) => one - other);
}

/** The measure for the windows of a range, in px: what is nowhere in it the least, or the greatest, falls out. */
export function heldTo(measure: Measure, from: number, to: number): Measure {
  if (!('of' in measure)) return measure;
  if (measure.of === 'sum') return measure.list.map((each) => heldTo(each, from, to)).reduce(sum);
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
    ? measure.of === 'sum'
      ? measure.list.map((each) => inner(each, unit)).join(' + ')
      : `${measure.of}(${measure.list.map((each) => inner(each, unit)).join(', ')})`
    : line(measure, unit);

/** The measure as a length in CSS. */
export function measureCss(measure: Measure, unit: WidthUnit = 'vw'): string {
  const css = inner(measure, unit);
  const isFunction = 'of' in measure && measure.of !== 'sum';
  return isFunction || !css.includes(' ') ? css : `calc(${css})`;
}
