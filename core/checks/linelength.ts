import { GOOD_LINE, runningTexts, type RunningText } from '../values/linelength.ts';
import { CURVE_WIDTHS } from '../values/textcurves.ts';
import { stretchesWhere, type Stretch } from '../type/curve.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { viewsAcross, wide, type Finding } from './finding.ts';

/** px; in narrower windows lines are as long as they can be. */
const ROOMY = 640;

function* widthsOf({ from, to }: Stretch): Generator<number> {
  for (let width = from; width <= to; width += 1) yield width;
}

function found(site: SiteFrame, text: RunningText, widths: Stretch[], long: boolean): Finding[] {
  if (widths.length === 0) return [];
  const [first] = widths;
  const lengths = [...widthsOf(first)].map((width) => text.lineAt(width)!);
  const characters = Math.round(long ? Math.max(...lengths) : Math.min(...lengths));
  return [
    {
      rule: long ? 'lines too long' : 'lines too short',
      clause: 'common practice',
      of: { node: text.node },
      views: viewsAcross(site, widths),
      widths,
      sentence: `Lines of ${text.name} have as ${long ? 'many' : 'few'} as ${characters} characters ${wide(first)}; from ${GOOD_LINE.least} to ${GOOD_LINE.most} are read well.`,
      cure: long
        ? 'Give it a greatest width there, or larger text.'
        : 'Give it more columns there, or let it stand by itself.',
    },
  ];
}

/** The texts of a page whose lines are longer than is read well, at any width; or shorter, in windows that have room for more. */
export function lineLengthFindings(site: SiteFrame, page: Page): Finding[] {
  const { from, to } = CURVE_WIDTHS;
  return runningTexts(site, page).flatMap((text) => [
    ...found(
      site,
      text,
      stretchesWhere(from, to - 1, (width) => Math.round(text.lineAt(width) ?? 0) > GOOD_LINE.most),
      true,
    ),
    ...found(
      site,
      text,
      stretchesWhere(ROOMY, to - 1, (width) => Math.round(text.lineAt(width) ?? Infinity) < GOOD_LINE.least),
      false,
    ),
  ]);
}
