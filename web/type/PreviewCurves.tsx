import {
  type Call,
  type Curve,
  curveAt,
  curvePoints,
  lastOf,
  performCall,
  same,
  type SiteFrame,
  specimen,
  styleCurve,
} from '../../core/index.ts';
import { useMemo } from 'react';
import { lineOf, SIZES } from './Curves.tsx';
import { tenths } from './StyleTable.tsx';
import { pointsOf, WidthChart } from './WidthChart.tsx';
import { usePainter } from '../ui/theme.ts';

interface PreviewCurvesProps {
  site: SiteFrame;
  /** What would be done; undefined: nothing that can be. */
  call: Call | undefined;
}

interface Changed {
  id: string;
  name: string;
  now: Curve;
  then: Curve;
}

/** The text styles that a command would change, with their sizes over all widths before and after. */
function changedBy(site: SiteFrame, call: Call): Changed[] {
  const { frame, page } = specimen(site);
  const step = performCall({ frame, pages: { [page.id]: page } }, page.id, call);
  if (!step.ok) return [];
  const after = step.value.site.frame;
  return site.textStyles.flatMap((style, index) => {
    const [now, then] = [styleCurve(site, style), styleCurve(after, after.textStyles[index])];
    return same(curvePoints(now), curvePoints(then)) ? [] : [{ id: style.id, name: style.name, now, then }];
  });
}

/** What sizes over all widths would come of a command, over those that they are now. */
export function PreviewCurves({ site, call }: PreviewCurvesProps) {
  const paint = usePainter();
  const key = JSON.stringify(call);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- the call is made again each time; what it says is its key
  const changed = useMemo(() => (call ? changedBy(site, call) : []), [site, key]);
  const sheets = [site.views.list[0].sheet.width, lastOf(site.views.list).sheet.width];
  const said = changed.map(({ name, now, then }) => {
    const ends = sheets.map(
      (width) => `${tenths(curveAt(now, width))} to ${tenths(curveAt(then, width))} px at ${width} px`,
    );
    return `${name}: ${ends.join(', ')}`;
  });
  return (
    <div className="type-preview">
      <WidthChart
        site={site}
        label={`Sizes against width, before and after. ${said.length > 0 ? `${said.join('; ')}.` : 'Nothing changes.'}`}
        upright={{ title: 'Size, px', type: 'logarithmic', written: SIZES }}
        datasets={changed.flatMap(({ name, now, then }) => [
          { ...lineOf(`${name}, now`, pointsOf(now), false, paint), borderDash: [4, 3] },
          lineOf(name, pointsOf(then), true, paint),
        ])}
      />
      <p>Dashed: now. Solid: after.</p>
    </div>
  );
}
