import { settings } from '../layered/layered.ts';
import { held } from '../layered/resolve.ts';
import type { ViewId } from '../layered/views.ts';
import { homePageOf, type Offering, type PageHead, type SiteFrame } from './site.ts';

/** How a page is offered to the visitors of a view: in menus, unless it says something else. */
export const offeringIn = (
  { offered }: Pick<PageHead, 'offered'>,
  { views }: SiteFrame,
  view: ViewId,
): Offering => held(offered, views, view)?.value ?? 'listed';

/** Whether a page is in menus in every view, as pages are that say nothing of it. */
export const isListedEverywhere = ({ offered }: Pick<PageHead, 'offered'>): boolean =>
  !offered || settings(offered).every((value) => value === 'listed');

/** The views in which a page is offered in some way. */
export const viewsOffering = (frame: SiteFrame, head: PageHead, offering: Offering): ViewId[] =>
  head.offered
    ? frame.views.list.filter(({ id }) => offeringIn(head, frame, id) === offering).map(({ id }) => id)
    : [];

/**
 * Where visitors go on from a page that is not offered to them: the home page, else the first that is offered wherever this one is not.
 * Undefined where there is none.
 */
export function wayOn(frame: SiteFrame, head: PageHead): PageHead | undefined {
  const views = viewsOffering(frame, head, 'withheld');
  return [homePageOf(frame), ...frame.pages].find(
    (other) => other.id !== head.id && views.every((view) => offeringIn(other, frame, view) !== 'withheld'),
  );
}
