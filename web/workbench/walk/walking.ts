import {
  between,
  likenessIn,
  reviewedIn,
  sectionsIn,
  viewIndex,
  type Node,
  type NodeId,
  type Page,
  type Reviewed,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { edit } from '../../state/edits.ts';
import type { Thunk } from '../../state/store.ts';

/** A section of a page in a view, and whether it was found fine there. */
export interface Stop {
  node: Node;
  reviewed: Reviewed;
}

/** The sections that a view shows, top to bottom. */
export const stopsIn = (site: SiteFrame, page: Page, view: ViewId): Stop[] =>
  sectionsIn(site, page, view).map((id) => {
    const node = page.nodes[id];
    return { node, reviewed: reviewedIn(site, page, node, view) };
  });

/** The next section after one that is not fine, from the top again after the last; undefined where all others are. */
export function nextToReview(stops: readonly Stop[], after: NodeId | undefined): NodeId | undefined {
  const at = stops.findIndex(({ node }) => node.id === after);
  return [...stops.slice(at + 1), ...stops.slice(0, Math.max(0, at))].find(
    ({ reviewed }) => reviewed !== 'fine',
  )?.node.id;
}

/** The view that another is compared with: the next wider one, or for the widest the next narrower one; undefined where it is alone. */
export function comparedWith({ views }: SiteFrame, view: ViewId): ViewId | undefined {
  const at = viewIndex(views, view);
  return (views.list.at(at + 1) ?? views.list.at(Math.max(0, at - 1)))?.id;
}

/** The view whose values hold where a view has none of its own; undefined for the base. */
export const defaultsOf = ({ views }: SiteFrame, view: ViewId): ViewId | undefined =>
  view === views.base ? undefined : (between(views, view).at(0) ?? views.base);

/** The next view that has something left to look at: narrower ones first, then again from the widest. */
export function nextView(site: SiteFrame, page: Page, view: ViewId): ViewId | undefined {
  const wideFirst = site.views.list.map(({ id }) => id).toReversed();
  const at = wideFirst.indexOf(view);
  return [...wideFirst.slice(at + 1), ...wideFirst.slice(0, at)].find((id) =>
    stopsIn(site, page, id).some(({ reviewed }) => reviewed !== 'fine'),
  );
}

/** Says that a section is fine in a view as it stands there now. */
export const markFine =
  (site: SiteFrame, page: Page, section: NodeId, view: ViewId): Thunk<boolean> =>
  (dispatch) =>
    dispatch(
      edit('setReviewed', {
        node: section,
        view,
        as: likenessIn(site, page, page.nodes[section], view),
      }),
    );

/** Takes that back. */
export const markOpen =
  (section: NodeId, view: ViewId): Thunk<boolean> =>
  (dispatch) =>
    dispatch(edit('setReviewed', { node: section, view, as: null }));
