import {
  curveAt,
  ENLARGED,
  jumpsIn,
  mostByZoom,
  stretchesWhere,
  type Curve,
  type Stretch,
} from '../type/curve.ts';
import { decimals, isFluid, type Fluid } from '../type/fluid.ts';
import { SMALLEST_BODY, SMALLEST_READ } from '../type/limits.ts';
import { viewAt, widthsOf } from '../layered/views.ts';
import type { SiteFrame, TextStyle } from '../site/site.ts';
import { BODY } from '../values/suggesting.ts';
import { CURVE_WIDTHS, styleCurve, styleValueIn } from '../values/textcurves.ts';
import { viewsAcross, wide, type Finding } from './finding.ts';

const PRACTICE = 'common practice';

/** Lines that stand closer run into one another (common practice). */
const LEAST_LINES = 1.2;

/** A size that changes by more from one px to the next is seen as a fault (common practice). */
const MOST_JUMP = 1.25;

const HEADING = /^heading-([1-6])$/;

/** Whole widths, as a size is looked at. */
const { from: NARROWEST, to } = CURVE_WIDTHS;
const WIDEST = to - 1;

interface Styled {
  style: TextStyle;
  curve: Curve;
}

const px = (size: number): string => `${decimals(Math.round(size * 100) / 100)} px`;

interface Found {
  rule: string;
  clause?: string;
  widths: Stretch[];
  sentence: string;
  cure: string;
}

const finding = (
  site: SiteFrame,
  { style }: Styled,
  { widths, clause = PRACTICE, ...rest }: Found,
): Finding => ({
  clause,
  of: { textStyle: style.id },
  views: viewsAcross(site, widths),
  widths,
  ...rest,
});

function tooSmall(site: SiteFrame, styled: Styled): Finding[] {
  const { style, curve } = styled;
  const base = site.views.list.findIndex(({ id }) => id === site.views.base);
  const narrow = new Set(site.views.list.slice(0, base).map(({ id }) => id));
  const least = (width: number) =>
    style.id === BODY && narrow.has(viewAt(site.views, width).id) ? SMALLEST_BODY : SMALLEST_READ;
  const widths = stretchesWhere(NARROWEST, WIDEST, (width) => curveAt(curve, width) < least(width) - 0.005);
  if (widths.length === 0) return [];
  const [first] = widths;
  const needed = least(first.from);
  return [
    finding(site, styled, {
      rule: 'text too small',
      widths,
      sentence: `${style.name} is ${px(curveAt(curve, first.from))} ${wide(first)}.`,
      cure: `Make it ${needed} px or more there.`,
    }),
  ];
}

function jumps(site: SiteFrame, styled: Styled): Finding[] {
  const { style, curve } = styled;
  return jumpsIn(curve).flatMap(({ width, narrower, wider }) => {
    const widths = [{ from: width - 1, to: width }];
    const change = `${style.name} goes from ${px(narrower)} to ${px(wider)} at ${width} px`;
    if (wider < narrower)
      return [
        finding(site, styled, {
          rule: 'size grows as the width shrinks',
          widths,
          sentence: `${change}: it is larger on the narrower side.`,
          cure: 'Make it smaller in the narrower view, or larger in the wider one.',
        }),
      ];
    if (wider / narrower <= MOST_JUMP) return [];
    return [
      finding(site, styled, {
        rule: 'size jumps',
        widths,
        sentence: `${change}, by ${Math.round((wider / narrower - 1) * 100)} %.`,
        cure: 'Let it grow between the two sizes, or bring them nearer to one another.',
      }),
    ];
  });
}

/** Of two sizes the one that is to be the larger one, and is not. */
function inverted(site: SiteFrame, lesser: Styled, greater: Styled): Finding[] {
  const widths = stretchesWhere(
    NARROWEST,
    WIDEST,
    (width) => curveAt(lesser.curve, width) > curveAt(greater.curve, width) + 0.05,
  );
  if (widths.length === 0) return [];
  const [first] = widths;
  const sizes = `${px(curveAt(lesser.curve, first.from))} against ${px(curveAt(greater.curve, first.from))}`;
  return [
    finding(site, greater, {
      rule: 'order of sizes inverted',
      widths,
      sentence: `${lesser.style.name} is larger than ${greater.style.name} ${wide(first)}: ${sizes}.`,
      cure: `Make ${greater.style.name} as large there, or ${lesser.style.name} smaller.`,
    }),
  ];
}

function cannotBeEnlarged(site: SiteFrame, styled: Styled): Finding[] {
  const { style, curve } = styled;
  const widths = stretchesWhere(NARROWEST, WIDEST, (width) => mostByZoom(curve, width) < ENLARGED - 1e-6);
  if (widths.length === 0) return [];
  const [first] = widths;
  const most = Math.floor(mostByZoom(curve, first.from) * 100);
  return [
    finding(site, styled, {
      rule: 'text cannot be enlarged enough',
      clause: 'WCAG 2.2, 1.4.4',
      widths,
      sentence: `${style.name} gets to ${most} % at most by zoom ${wide(first)}, where 200 % is needed.`,
      cure: 'Bring its smallest and its largest size nearer to one another, or further apart in width.',
    }),
  ];
}

function closeLines(site: SiteFrame, styled: Styled): Finding[] {
  const { style } = styled;
  if (style.id !== BODY) return [];
  return site.views.list.flatMap(({ id, name }) => {
    const said = styleValueIn(site, style, 'lineHeight', id) as number | Fluid;
    const lines = isFluid(said) ? said.min : said;
    const { from = NARROWEST, below = WIDEST + 1 } = widthsOf(site.views, id);
    if (lines >= LEAST_LINES) return [];
    return [
      finding(site, styled, {
        rule: 'lines too close',
        widths: [{ from, to: below - 1 }],
        sentence: `Lines of ${style.name} are ${decimals(lines)} of its size apart in ${name}.`,
        cure: `Make that ${LEAST_LINES} or more.`,
      }),
    ];
  });
}

/** What is amiss with the sizes of a site's text styles, from 280 to 2559 px of the window. */
export function textSizeFindings(site: SiteFrame): Finding[] {
  const all = site.textStyles.map((style): Styled => ({ style, curve: styleCurve(site, style) }));
  const headings = all.filter(({ style }) => HEADING.test(style.id)).sort(byLevel);
  const body = all.find(({ style }) => style.id === BODY);
  const order = headings.slice(1).flatMap((lesser, index) => inverted(site, lesser, headings[index]));
  const overHeadings = body ? headings.flatMap((heading) => inverted(site, body, heading)) : [];
  return [
    ...all.flatMap((styled) => [
      ...tooSmall(site, styled),
      ...closeLines(site, styled),
      ...jumps(site, styled),
      ...cannotBeEnlarged(site, styled),
    ]),
    ...order,
    ...overHeadings,
  ];
}

const byLevel = (one: Styled, other: Styled): number =>
  Number(HEADING.exec(one.style.id)![1]) - Number(HEADING.exec(other.style.id)![1]);
