import type { Layered } from './layered.ts';
import { offsetFromBase, viewIndex, widthsOf, type ViewId, type Views, type WidthRange } from './views.ts';

/** A value and the widths under which it holds, over what was said before. */
export interface Band<T> {
  value: T;
  /** The view the value is set at. */
  view: ViewId;
  /** Absent: holds at every width. */
  widths?: WidthRange;
  /** How many views from the base: bands are emitted by it, so that later always wins. */
  distance: number;
}

/** The widths that an override at a view holds for. */
export function widthsOfOverride(views: Views, view: ViewId, reach: 'here' | 'onward'): WidthRange {
  const { from, below } = widthsOf(views, view);
  if (reach === 'here') return { from, below };
  return offsetFromBase(views, view) < 0 ? { below } : { from };
}

/**
 * A layered value as bands: at most one without a condition, then one per override, nearest to the base first. Read in
 * that order, the last band that holds at a width is the value that `held` gives for the width's view.
 */
export function bands<T>(layered: Layered<T>, views: Views): Band<T>[] {
  const list: Band<T>[] = [];
  if (layered.base !== undefined) list.push({ value: layered.base, view: views.base, distance: 0 });
  const overrides = Object.entries(layered.at ?? {}) as [ViewId, { value: T; reach: 'here' | 'onward' }][];
  for (const [view, { value, reach }] of overrides) {
    const distance = Math.abs(offsetFromBase(views, view));
    list.push({ value, view, widths: widthsOfOverride(views, view, reach), distance });
  }
  return list.sort((a, b) => a.distance - b.distance || viewIndex(views, a.view) - viewIndex(views, b.view));
}

/**
 * A range of widths as a media condition in range syntax (Media Queries 4, §2.4.3
 * https://www.w3.org/TR/mediaqueries-4/#mq-range-context). Every limit is asked for in one way, `width >= N`, and its other side is
 * the negation: of the two one always holds and never both, also where a zoomed browser rounds widths.
 */
export function mediaCondition({ from, below }: WidthRange): string {
  if (from === undefined && below === undefined) return 'all';
  const least = `(width >= ${from}px)`;
  if (below === undefined) return least;
  const under = `not (width >= ${below}px)`;
  return from === undefined ? under : `${least} and (${under})`;
}

/**
 * A media condition that holds in each of some views, and where something else holds besides; undefined where they are all views and
 * nothing else is asked.
 */
export function conditionOf(views: Views, some: readonly ViewId[], besides?: string): string | undefined {
  if (some.length === 0) return 'not all';
  const ranges: WidthRange[] = [];
  for (const { id } of views.list.filter((view) => some.includes(view.id))) {
    const { from, below } = widthsOf(views, id);
    const last = ranges.at(-1);
    // Views that follow one another are one range.
    if (last && last.below === from) last.below = below;
    else ranges.push({ from, below });
  }
  const conditions = ranges.map((range) => {
    const widths = mediaCondition(range);
    const both = [besides, widths === 'all' ? undefined : widths.startsWith('not') ? `(${widths})` : widths];
    return both.filter((each) => each !== undefined).join(' and ');
  });
  return conditions.join(', ') || undefined;
}
