import { viewAt, viewOf, type ViewId } from '../layered/views.ts';
import type { SiteFrame } from '../site/site.ts';
import { curveAt, turnsOf } from '../type/curve.ts';
import { isFluid } from '../type/fluid.ts';
import { stretchesWhere } from '../type/stretches.ts';
import { SMALLEST_BODY, SMALLEST_READ } from '../type/limits.ts';
import type { TextSize } from '../type/textsize.ts';
import { type Found, wide } from './finding.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { saysSize, type SizedSubject } from './subjects.ts';
import { NARROWEST, px, shownAt, WIDEST } from './widths.ts';

/** A size that is so large at least. */
function raised(size: TextSize, least: number): TextSize {
  if (typeof size === 'number') return Math.max(size, least);
  if (isFluid(size)) return { ...size, min: Math.max(size.min, least), max: Math.max(size.max, least) };
  return {
    ...size,
    least: Math.max(size.least ?? 0, least),
    ...(size.most !== undefined && { most: Math.max(size.most, least) }),
  };
}

function found(site: SiteFrame, subject: SizedSubject, narrow: ReadonlySet<ViewId>): Found[] {
  const { curve, name, of, running } = subject;
  const shown = shownAt(site, subject);
  const least = (width: number) =>
    running && narrow.has(viewAt(site.views, width).id) ? SMALLEST_BODY : SMALLEST_READ;
  const widths = stretchesWhere(
    NARROWEST,
    WIDEST,
    turnsOf(curve),
    (width) => shown(width) && curveAt(curve, width) < least(width) - 0.005,
  );
  if (widths.length === 0) return [];
  const [first] = widths;
  const needed = least(first.from);
  const view = viewAt(site.views, first.from).id;
  return [
    {
      of,
      widths,
      sentence: `${name} is ${px(curveAt(curve, first.from))} ${wide(first)}.`,
      cure: `Make it ${needed} px or more there.`,
      fixes: [
        {
          label: `Make it ${needed} px in ${viewOf(site.views, view).name}`,
          call: subject.set('size', view, raised(subject.sizeIn(view), needed)),
        },
      ],
    },
  ];
}

/** What is read is not smaller than 12 px; what is read at length not smaller than 16 px in views narrower than the base. */
export const smallText: Rule = {
  name: 'text too small',
  clause: PRACTICE,
  severity: 'advice',
  find({ site, sized }) {
    const base = site.views.list.findIndex(({ id }) => id === site.views.base);
    const narrow = new Set(site.views.list.slice(0, base).map(({ id }) => id));
    return sized.filter(saysSize).flatMap((subject) => found(site, subject, narrow));
  },
};
