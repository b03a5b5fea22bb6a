import { same } from '../layered/express.ts';
import { viewAt } from '../layered/views.ts';
import type { SiteFrame } from '../site/site.ts';
import { ENLARGED, enlargeable, mostByZoom, zoomTurns } from '../type/curve.ts';
import { stretchesWhere } from '../type/stretches.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { wide, type Fix, type Found } from './finding.ts';
import type { Rule } from './rule.ts';
import { saysSize, type SizedSubject } from './subjects.ts';
import { NARROWEST, shownAt, WIDEST } from './widths.ts';

function nearest(site: SiteFrame, subject: SizedSubject, width: number): Fix | undefined {
  const view = viewAt(site.views, width).id;
  const size = subject.sizeIn(view);
  if (typeof size === 'number') return undefined;
  const next = enlargeable(size);
  // By itself it can be enlarged: it is another view that it gets to.
  if (same(next, size)) return undefined;
  const sizeText = knownProperty('size').type.format(next, { site });
  return {
    label: `Take ${sizeText} instead`,
    call: subject.change('size', view, next),
  };
}

function found(site: SiteFrame, subject: SizedSubject): Found[] {
  const { curve, name, of } = subject;
  const shown = shownAt(site, subject);
  const widths = stretchesWhere(
    NARROWEST,
    WIDEST,
    zoomTurns(curve),
    (width) => shown(width) && mostByZoom(curve, width) < ENLARGED - 1e-6,
  );
  if (widths.length === 0) return [];
  const [first] = widths;
  const most = Math.floor(mostByZoom(curve, first.from) * 100);
  const fix = nearest(site, subject, first.from);
  return [
    {
      of,
      widths,
      sentence: `${name} gets to ${most} % at most by zoom ${wide(first)}, where 200 % is needed.`,
      cure: 'Bring its smallest and largest size closer together, or their widths further apart.',
      ...(fix && { fixes: [fix] }),
    },
  ];
}

/** Text can be enlarged to twice its size by zoom, which narrows the window and may change the view (https://www.w3.org/TR/WCAG22/#resize-text). */
export const enlarging: Rule = {
  name: 'text cannot be enlarged enough',
  clause: 'WCAG 2.2, 1.4.4',
  severity: 'barrier',
  find: ({ site, sized }) => sized.filter(saysSize).flatMap((subject) => found(site, subject)),
};
