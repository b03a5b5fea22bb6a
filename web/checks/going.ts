import { viewOf, widthsOf, type Finding, type SiteFrame, type ViewId } from '../../core/index.ts';
import { outlineShown, selected, valueAimed, widthSet } from '../state/desk.ts';
import { edit } from '../state/edits.ts';
import type { Thunk } from '../state/store.ts';

/** The view in which a finding is looked at first: the active one where it is found there. */
const viewOfFinding = ({ views }: Finding, active: ViewId): ViewId =>
  views.includes(active) ? active : views[0];

/** px; the width at which a finding is seen in a view: that of the view’s sheet where it is found there, or the nearest to it. */
function widthOf(site: SiteFrame, { widths }: Finding, view: ViewId): number {
  const { from = 0, below = Infinity } = widthsOf(site.views, view);
  const { width } = viewOf(site.views, view).sheet;
  const near = widths
    .filter((stretch) => stretch.from < below && stretch.to >= from)
    .map((stretch) => Math.min(Math.max(width, stretch.from, from), stretch.to, below - 1))
    .sort((one, other) => Math.abs(one - width) - Math.abs(other - width));
  return near.at(0) ?? width;
}

/** Goes to where something was found: the width, the sheet, and the element or the text style. */
export function goTo(site: SiteFrame, finding: Finding, active: ViewId): Thunk {
  return (dispatch) => {
    const view = viewOfFinding(finding, active);
    dispatch(widthSet(widthOf(site, finding, view)));
    if ('node' in finding.of) {
      dispatch(selected(finding.of.node));
      return;
    }
    dispatch(outlineShown('theme'));
    dispatch(valueAimed({ textStyle: finding.of.textStyle, part: 'self', property: 'size', view }));
  };
}

/** Mends what was found by one of the ways that are offered: an ordinary edit. */
export const mend =
  ({ fixes = [] }: Finding, index: number): Thunk =>
  (dispatch) => {
    const { name, args } = fixes[index].call;
    dispatch(edit(name, args));
  };

/** Sets a finding aside with a reason, or takes it up again without one. */
export const putAside =
  ({ of, rule }: Finding, reason: string): Thunk =>
  (dispatch) => {
    dispatch(edit('setAside', { of, rule, reason }));
  };
