import { curveAt } from '../type/curve.ts';
import { SMALLEST_BODY } from '../type/limits.ts';
import { suggestedSize } from '../type/suggest.ts';
import { viewIndex, viewOf, type ViewId } from '../layered/views.ts';
import type { SiteFrame, TextStyle } from '../site/site.ts';
import { styleCurve } from './textcurves.ts';

/** The text style of what is read at length. */
export const BODY = 'body';

/** px; what a text style is at the width of a view's sheet. */
export const sizeInSheet = (site: SiteFrame, style: TextStyle, view: ViewId): number =>
  curveAt(styleCurve(site, style), viewOf(site.views, view).sheet.width);

/** px; a size for each text style in a view, from those of the base view and how wide both are; by id. */
export function suggestedSizes(site: SiteFrame, view: ViewId): Map<string, number> {
  const { views, textStyles } = site;
  const styled = textStyles.find(({ id }) => id === BODY);
  const body = styled ? sizeInSheet(site, styled, views.base) : SMALLEST_BODY;
  const [base, there] = [viewOf(views, views.base), viewOf(views, view)];
  const narrower = viewIndex(views, view) < viewIndex(views, views.base);
  const own = narrower ? Math.max(Math.min(body, SMALLEST_BODY), body - 1) : body;
  return new Map(
    textStyles.map((style) => [
      style.id,
      suggestedSize(
        sizeInSheet(site, style, views.base),
        { width: base.sheet.width, body },
        { width: there.sheet.width, body: own },
      ),
    ]),
  );
}
