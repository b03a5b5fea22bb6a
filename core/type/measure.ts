import { decimals, type Fluid } from './fluid.ts';

/** Hundredths of the window, px, and hundredths of the room of an element that contains sizes. */
type Line = { readonly vw: number; readonly px: number; readonly room?: number };

/** A line from its three parts; what follows no element's room says nothing of one. */
const lineOf = (vw: number, px: number, room: number): Line => ({ vw, px, ...(room !== 0 && { room }) });

/**
 * A width in px that follows the window's: so many hundredths of the window and so many px, or the least, the greatest or the sum of such. All
 * that grids, gaps, paddings and limits make of a width stays of this form, as CSS can write it (CSS Values 4, §10 https://www.w3.org/TR/css-values-4/#math).
 */
export type Measure = Line | { readonly of: 'min' | 'max' | 'sum'; readonly list: readonly Measure[] };

/** As wide as the room of the element that contains sizes, which is not the window's: where something follows both, both are kept apart. */
export const ROOM: Measure = { vw: 0, px: 0, room: 100 };

/** As wide as the window. */
export const WINDOW: Measure = { vw: 100, px: 0 };

/** A measure of so many px at every width. */
export const pixels = (px: number): Measure => ({ vw: 0, px });

/** A share or a multiple; the factor is not negative. */
export function times(measure: Measure, factor: number): Measure {
  if (!(factor >= 0)) throw new RangeError('A measure is not multiplied by a negative number.');
  if (!('of' in measure))
    return lineOf(measure.vw * factor, measure.px * factor, (measure.room ?? 0) * factor);
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
    return 'of' in other
      ? sum(other, one)
      : lineOf(one.vw + other.vw, one.px + other.px, (one.room ?? 0) + (other.room ?? 0));
  if (!('of' in other) && one.of !== 'sum')
    return extreme(
      one.of,
      one.list.map((each) => sum(each, other)),
    );
  const list = [one, other].flatMap((each) => ('of' in each && each.of === 'sum' ? each.list : [each]));
  const bending = list.filter((each) => 'of' in each);
  const line = (list.filter((each) => !('of' in each)) as Line[]).reduce<Line>(
    (before, { vw, px, room = 0 }) => lineOf(before.vw + vw, before.px + px, (before.room ?? 0) + room),
    { vw: 0, px: 0 },
  );
  const isNothing = line.vw === 0 && line.px === 0 && line.room === undefined;
  return { of: 'sum', list: isNothing ? bending : [...bending, line] };
}

const joined = (of: 'min' | 'max' | 'sum', list: readonly Measure[]): Measure =>
  of === 'sum' ? list.reduce(sum) : extreme(of, list);

const OTHER = { min: 'max', max: 'min', sum: 'sum' } as const;

const negative = (measure: Measure): Measure =>
  'of' in measure
    ? joined(OTHER[measure.of], measure.list.map(negative))
    : lineOf(-measure.vw, -measure.px, -(measure.room ?? 0));

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
  const lines: Line[] = [];
  const bending: Measure[] = [];
  const take = (each: Measure): void => {
    if (!('of' in each)) {
      // Of those that grow alike only one can be it.
      const alike = lines.findIndex(({ vw, room }) => vw === each.vw && room === each.room);
      if (alike < 0) lines.push(each);
      else if (of === 'min' ? each.px < lines[alike].px : each.px > lines[alike].px) lines[alike] = each;
    } else if (each.of === of) each.list.forEach(take);
    else bending.push(each);
  };
  list.forEach(take);
  const kept = [...lines, ...bending];
  return kept.length === 1 ? kept[0] : { of, list: kept };
}

/** The least of some measures at each width. */
export const least = (...list: Measure[]): Measure => extreme('min', list);
/** The greatest of some measures at each width. */
export const greatest = (...list: Measure[]): Measure => extreme('max', list);

/** px; the width in a window so wide, and in a room so wide where it follows one. */
export function measureAt(measure: Measure, window: number, room = NaN): number {
  if (!('of' in measure)) {
    const { vw, px, room: share } = measure;
    return (vw * window) / 100 + px + (share === undefined ? 0 : (share * room) / 100);
  }
  const list = measure.list.map((each) => measureAt(each, window, room));
  if (measure.of === 'sum') return list.reduce((before, each) => before + each, 0);
  return measure.of === 'min' ? Math.min(...list) : Math.max(...list);
}

/** A measure in a range of windows: what of it counts there, and where that may bend. */
interface Ranged {
  measure: Measure;
  /** px; the ends of the range and the windows between them at which it may bend, narrow to wide. */
  points: number[];
}

const ascending = (points: Iterable<number>): number[] =>
  [...new Set(points)].sort((one, other) => one - other);

/** The windows at which two measures cross that are straight between the points at which they have these values. */
function crossings(points: readonly number[], one: readonly number[], other: readonly number[]): number[] {
  const crossed: number[] = [];
  for (let next = 1; next < points.length; next++) {
    const from = points[next - 1];
    const before = one[next - 1] - other[next - 1];
    const after = one[next] - other[next];
    if (before * after < 0) crossed.push(from + (before / (before - after)) * (points[next] - from));
  }
  return crossed;
}

const pairs = <T>(list: readonly T[]): [T, T][] =>
  list.flatMap((one, index) => list.slice(index + 1).map((other): [T, T] => [one, other]));

/** px; how much more than another a measure may be and count as not more: what reckoning leaves. */
const TOLERANCE = 1e-9;

function ranged(measure: Measure, from: number, to: number): Ranged {
  if (!('of' in measure)) return { measure, points: [from, to] };
  const { of } = measure;
  const parts = measure.list.map((each) => ranged(each, from, to));
  const straight = ascending(parts.flatMap(({ points }) => points));
  if (of === 'sum')
    return {
      measure: joined(
        of,
        parts.map((part) => part.measure),
      ),
      points: straight,
    };
  const along = parts.map((part) => ({
    measure: part.measure,
    at: straight.map((window) => measureAt(part.measure, window)),
  }));
  // Between two points all are straight: what beats another at both beats it between them.
  const sign = of === 'min' ? 1 : -1;
  const beats = (one: readonly number[], other: readonly number[]) =>
    one.every((value, index) => sign * (value - other[index]) <= TOLERANCE);
  let kept = along;
  for (const each of along) {
    const others = kept.filter((other) => other !== each);
    if (others.some(({ at }) => beats(at, each.at))) kept = others;
  }
  return {
    measure: extreme(
      of,
      kept.map((each) => each.measure),
    ),
    points: ascending([
      ...straight,
      ...pairs(kept).flatMap(([one, other]) => crossings(straight, one.at, other.at)),
    ]),
  };
}

/** px; the ends of a range, and the windows in it at which a measure may bend: between those it is straight. Narrow to wide. */
export const kinksOf = (measure: Measure, from: number, to: number): number[] =>
  ranged(measure, from, to).points;

/** The measure for the windows of a range, in px: what is nowhere in it the least, or the greatest, falls out. */
export const heldTo = (measure: Measure, from: number, to: number): Measure =>
  ranged(measure, from, to).measure;

/** A line as the terms of a sum: of the window, of the room (CSS Conditional Rules 5, §4.3), and px. */
function line({ vw, px, room = 0 }: Line): string {
  const terms = [
    [decimals(vw), 'vw'],
    [decimals(room), 'cqi'],
    [decimals(px), 'px'],
  ].filter(([number]) => number !== '0');
  if (terms.length === 0) return '0px';
  return terms
    .map(([number, unit], index) => {
      if (index === 0) return `${number}${unit}`;
      return number.startsWith('-') ? ` - ${number.slice(1)}${unit}` : ` + ${number}${unit}`;
    })
    .join('');
}

const inner = (measure: Measure): string =>
  'of' in measure
    ? measure.of === 'sum'
      ? measure.list.map(inner).join(' + ')
      : `${measure.of}(${measure.list.map(inner).join(', ')})`
    : line(measure);

/** The measure as a length in CSS. */
export function measureCss(measure: Measure): string {
  const css = inner(measure);
  const isFunction = 'of' in measure && measure.of !== 'sum';
  return isFunction || !css.includes(' ') ? css : `calc(${css})`;
}
