import { lastOf } from '../../sure.ts';
import { schemaFaults } from '../../faults.ts';
import { ViewSchema, widthsOf, type Views } from '../../layered/views.ts';
import { refused, type Outcome } from '../../outcome.ts';

/** How many views a site has at most, and how many px lie between the beginnings of two at least. */
export const VIEW_LIMITS = { most: 8, apart: 40, widest: 10_000 } as const;

export const GONE = refused('The view is no longer on this site.');

/** A change of views that cannot be, and why. */
export const kept = (fault: string): Outcome<never> => refused(`${fault} Nothing was changed.`);

/** A sheet that is as wide as its view allows, as near to what it was as can be. */
export function heldSheets(views: Views): Views {
  return {
    ...views,
    list: views.list.map((view) => {
      const { from = 0, below = VIEW_LIMITS.widest + 1 } = widthsOf(views, view.id);
      const width = Math.min(Math.max(view.sheet.width, from, 200), below - 1);
      return width === view.sheet.width ? view : { ...view, sheet: { ...view.sheet, width } };
    }),
  };
}

/** Why views cannot be as they are, or undefined. */
export function limitFault({ list }: Views): string | undefined {
  if (list.length > VIEW_LIMITS.most) return `A site has at most ${VIEW_LIMITS.most} views.`;
  for (const [index, view] of list.entries()) {
    if (schemaFaults(ViewSchema.properties.name, view.name).length > 0)
      return 'The name of a view has 1 to 40 characters.';
    if (list.some((other) => other.id !== view.id && other.name.toLowerCase() === view.name.toLowerCase()))
      return `There is a view ${view.name} already.`;
    if (!Number.isInteger(view.from) || view.from < 0 || view.from > VIEW_LIMITS.widest)
      return `A view starts at a whole number of px, up to ${VIEW_LIMITS.widest}.`;
    const before = list[index - 1];
    if (before && view.from - before.from < VIEW_LIMITS.apart)
      return `${view.name} would start ${view.from - before.from} px after ${before.name}; views start at least ${VIEW_LIMITS.apart} px apart.`;
  }
  const odd = list.find((view) => schemaFaults(ViewSchema, view).length > 0);
  if (odd)
    return `A value of ${odd.name} is out of range for a view: 1 to 24 columns, a gutter of 0 to 200 px, a margin of 0 to 400, content of 200 to 4000, a sheet of 200 to 10000.`;
  if (list[0].from !== 0) return `The narrowest view starts at 0.`;
  if (list.length > 1 && list[1].from <= 200)
    return 'The second view starts above 200 px, the narrowest sheet.';
  return undefined;
}

/** px; where a view begins that is added to the middle of the widest gap between limits. Beyond the last it counts as far as 1920. */
export function widestGap({ list }: Views): number {
  const ends = [0, ...list.slice(1).map(({ from }) => from), Math.max(1920, lastOf(list).from)];
  // Below the narrowest sheet there is no room for a view.
  const gaps = ends.slice(1).map((end, index) => ({ from: Math.max(200, ends[index]), end }));
  const widest = gaps.reduce((most, gap) => (gap.end - gap.from > most.end - most.from ? gap : most));
  return Math.round((widest.from + widest.end) / 2);
}
