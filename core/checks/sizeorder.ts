import { sure } from '../sure.ts';
import { viewAt, viewOf } from '../layered/views.ts';
import type { SiteFrame } from '../site/site.ts';
import { curveAt, turnsOf } from '../type/curve.ts';
import { stretchesWhere } from '../type/stretches.ts';
import { wide, type Found } from './finding.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { saysSize, type SizedSubject } from './subjects.ts';
import { NARROWEST, px, shownAt, WIDEST } from './widths.ts';

/** Of two sizes the one that is to be the larger one, and is not. */
function inverted(site: SiteFrame, lesser: SizedSubject, greater: SizedSubject): Found[] {
  const [one, other] = [shownAt(site, lesser), shownAt(site, greater)];
  const widths = stretchesWhere(
    NARROWEST,
    WIDEST,
    [...turnsOf(lesser.curve), ...turnsOf(greater.curve)],
    (width) =>
      one(width) && other(width) && curveAt(lesser.curve, width) > curveAt(greater.curve, width) + 0.05,
  );
  if (widths.length === 0) return [];
  const [first] = widths;
  const view = viewAt(site.views, first.from).id;
  const sizes = `${px(curveAt(lesser.curve, first.from))} against ${px(curveAt(greater.curve, first.from))}`;
  return [
    {
      of: greater.of,
      widths,
      sentence: `${lesser.name} is larger than ${greater.name} ${wide(first)}: ${sizes}.`,
      cure: `Make ${greater.name} as large there, or ${lesser.name} smaller.`,
      fixes: [
        {
          label: `Make ${greater.name} as large in ${viewOf(site.views, view).name}`,
          call: greater.set('size', view, lesser.sizeIn(view)),
        },
      ],
    },
  ];
}

/** A heading is not smaller than one of a lesser level, nor than the text below it. */
export const sizeOrder: Rule = {
  name: 'order of sizes inverted',
  clause: PRACTICE,
  severity: 'advice',
  find({ site, sized }) {
    const styles = sized.filter(({ of }) => 'textStyle' in of);
    const headings = styles
      .filter(({ level }) => level !== undefined)
      .sort((one, other) => sure(one.level, 'level') - sure(other.level, 'level'));
    const body = styles.find(({ running }) => running);
    return [
      ...headings.slice(1).flatMap((lesser, index) => inverted(site, lesser, headings[index])),
      ...(body ? headings.flatMap((heading) => inverted(site, body, heading)) : []),
      ...sized.flatMap((subject) => {
        const { under } = subject;
        // What has the size of its style is looked at there.
        return under && (saysSize(subject) || saysSize(under)) ? inverted(site, subject, under) : [];
      }),
    ];
  },
};
