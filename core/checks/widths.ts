import { viewAt, widthsOf, type ViewId } from '../layered/views.ts';
import type { SiteFrame } from '../site/site.ts';
import type { Stretch } from '../type/stretches.ts';
import { decimals } from '../type/fluid.ts';
import { CURVE_WIDTHS } from '../values/textcurves.ts';

/** px; the whole widths at which is looked. */
export const NARROWEST = CURVE_WIDTHS.from;
export const WIDEST = CURVE_WIDTHS.to - 1;

/** A size in words, to hundredths. */
export const px = (size: number): string => `${decimals(Math.round(size * 100) / 100)} px`;

/** Whether something is shown at a width, by the view that it lies in. */
export function shownAt(
  site: SiteFrame,
  { shownIn }: { shownIn(view: ViewId): boolean },
): (width: number) => boolean {
  const shown = new Set(site.views.list.map(({ id }) => id).filter((view) => shownIn(view)));
  return (width) => shown.has(viewAt(site.views, width).id);
}

/** The widths of a view, as far as is looked. */
export function viewWidths(site: SiteFrame, view: ViewId): Stretch {
  const { from = NARROWEST, below = WIDEST + 1 } = widthsOf(site.views, view);
  return { from: Math.max(NARROWEST, from), to: Math.min(WIDEST, below - 1) };
}
