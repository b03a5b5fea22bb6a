import { viewOf, widthsOf, type Finding, type Page, type SiteFrame, type ViewId } from '../../core/index.ts';
import { outlineShown, selected, tried, valueAimed, widthSet } from '../state/desk.ts';
import { edit } from '../state/edits.ts';
import type { Thunk } from '../state/store.ts';
import { tryOut } from '../state/trial.ts';

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

/** Lets the sheets show what a mend would do, and says it; with null they show what is there. */
export const tryMend =
  (site: SiteFrame, page: Page, { fixes = [] }: Finding, index: number | null): Thunk<string> =>
  (dispatch) => {
    if (index === null) {
      dispatch(tried(null));
      return '';
    }
    const { call } = fixes[index];
    const trial = tryOut(site, page, call);
    if (trial.ok) dispatch(tried(call));
    return trial.ok ? trial.value.sentence : trial.sentence;
  };

/** Mends what was found by one of the ways that are offered: an ordinary edit. */
export const mend =
  ({ fixes = [] }: Finding, index: number): Thunk =>
  (dispatch) => {
    const { name, args } = fixes[index].call;
    dispatch(edit(name, args));
  };

/** Sets a finding aside with a reason, or takes it up again without one. */
export const dismissFinding =
  ({ of, rule }: Finding, reason: string): Thunk =>
  (dispatch) => {
    dispatch(edit('setAside', { of, rule, reason }));
  };
