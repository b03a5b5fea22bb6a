import { viewAt, viewOf, widthsOf, type ViewId } from '../layered/views.ts';
import type { SiteFrame } from '../site/site.ts';
import { jumpsIn, type Jump } from '../type/curve.ts';
import { isFluid } from '../type/fluid.ts';
import type { TextSize } from '../type/textsize.ts';
import type { Fix, Found } from './finding.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { saysSize, type SizedSubject } from './subjects.ts';
import { NARROWEST, px, shownAt } from './widths.ts';

/** A size that changes by more from one px to the next is seen as a fault (common practice). */
const MOST_JUMP = 1.25;

const jumpsOf = (site: SiteFrame, subject: SizedSubject): Jump[] => {
  const shown = shownAt(site, subject);
  return jumpsIn(subject.curve).filter(({ width }) => width > NARROWEST && shown(width - 1) && shown(width));
};

const change = ({ name }: SizedSubject, { width, narrower, wider }: Jump): string =>
  `${name} goes from ${px(narrower)} to ${px(wider)} at ${width} px`;

/** Lets the size of the narrower view grow to that of the wider one at their limit. */
function growing(site: SiteFrame, subject: SizedSubject, { width, narrower, wider }: Jump): Fix | undefined {
  const view = viewAt(site.views, width - 1);
  const size = subject.sizeIn(view.id);
  if (typeof size === 'object' && !isFluid(size)) return undefined;
  const begins = widthsOf(site.views, view.id).from ?? view.sheet.width;
  if ((isFluid(size) ? size.fromWidth : begins) >= width) return undefined;
  const next: TextSize = isFluid(size)
    ? { ...size, max: wider, toWidth: width }
    : { min: narrower, max: wider, fromWidth: begins, toWidth: width };
  return {
    label: `Let it grow to ${px(wider)} at ${width} px, in ${view.name}`,
    call: subject.set('size', view.id, next),
  };
}

/** A text's size changes by a quarter at most from one px of the window to the next. */
export const sizeJumps: Rule = {
  name: 'size jumps',
  clause: PRACTICE,
  severity: 'advice',
  find: ({ site, sized }) =>
    sized.filter(saysSize).flatMap((subject) =>
      jumpsOf(site, subject)
        .filter(({ narrower, wider }) => wider / narrower > MOST_JUMP)
        .map((jump): Found => {
          const fix = growing(site, subject, jump);
          return {
            of: subject.of,
            widths: [{ from: jump.width - 1, to: jump.width }],
            sentence: `${change(subject, jump)}, by ${Math.round((jump.wider / jump.narrower - 1) * 100)} %.`,
            cure: 'Let it grow between the two sizes, or bring them closer together.',
            ...(fix && { fixes: [fix] }),
          };
        }),
    ),
};

/** A size that is not larger than another anywhere. */
function lowered(size: TextSize, most: number): TextSize {
  if (typeof size === 'number') return most;
  if (isFluid(size)) return { ...size, min: Math.min(size.min, most), max: most };
  return { ...size, ...(size.least !== undefined && { least: Math.min(size.least, most) }), most };
}

function smaller(site: SiteFrame, subject: SizedSubject, view: ViewId, most: number): Fix {
  return {
    label: `Make it ${px(most)} at most in ${viewOf(site.views, view).name}`,
    call: subject.set('size', view, lowered(subject.sizeIn(view), most)),
  };
}

/** A text does not get larger as the window gets narrower. */
export const sizeGrows: Rule = {
  name: 'size grows as the width shrinks',
  clause: PRACTICE,
  severity: 'advice',
  find: ({ site, sized }) =>
    sized.filter(saysSize).flatMap((subject) =>
      jumpsOf(site, subject)
        .filter(({ narrower, wider }) => wider < narrower)
        .map((jump): Found => ({
          of: subject.of,
          widths: [{ from: jump.width - 1, to: jump.width }],
          sentence: `${change(subject, jump)}: it is larger on the narrower side.`,
          cure: 'Make it smaller in the narrower view, or larger in the wider one.',
          fixes: [smaller(site, subject, viewAt(site.views, jump.width - 1).id, jump.wider)],
        })),
    ),
};
