import { sure } from '../sure.ts';
import { viewAt } from '../layered/views.ts';
import { callOf } from '../edits/perform.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { curveAt } from '../type/curve.ts';
import { marksOf, stretchesWhere, type Stretch } from '../type/stretches.ts';
import { CHARACTER, GOOD_LINE, type RunningText } from '../values/linelength.ts';
import { textCurve } from '../values/textcurves.ts';
import { wide, type Fix, type Found } from './finding.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { NARROWEST, WIDEST } from './widths.ts';

/** px; in narrower windows lines are as long as they can be. */
const ROOMY = 640;

/** Characters a line that a text which is limited gets. */
const LIMITED = 70;

/** Limits a text, in the view of a width, to lines of a good length. */
function limited(site: SiteFrame, page: Page, { node }: RunningText, width: number): Fix {
  const { id, name, sheet } = viewAt(site.views, width);
  const size = curveAt(textCurve(site, page, page.nodes[node]), Math.max(width, sheet.width));
  const px = Math.round(size * CHARACTER * LIMITED);
  return {
    label: `Make it ${px} px wide at most in ${name}`,
    call: callOf('setValue', {
      nodes: [node],
      property: 'maxWidth',
      view: id,
      value: { px },
      reach: 'here',
    }),
  };
}

function found(text: RunningText, widths: Stretch[], long: boolean): Found[] {
  if (widths.length === 0) return [];
  const [first] = widths;
  const lengths = marksOf(first.from, first.to, text.turns).map((width) => sure(text.lineAt(width)));
  const characters = Math.round(long ? Math.max(...lengths) : Math.min(...lengths));
  return [
    {
      of: { node: text.node },
      widths,
      sentence: `Lines of ${text.name} have as ${long ? 'many' : 'few'} as ${characters} characters ${wide(first)}; from ${GOOD_LINE.least} to ${GOOD_LINE.most} are easy to read.`,
      cure: long
        ? 'Give it a max. width there, or larger text.'
        : 'Give it more columns there, or a row of its own.',
    },
  ];
}

/** Lines of running text have 75 characters at most, at any width. */
export const longLines: Rule = {
  name: 'lines too long',
  clause: PRACTICE,
  severity: 'advice',
  find: ({ site, page, running }) =>
    running.flatMap((text) =>
      found(
        text,
        stretchesWhere(
          NARROWEST,
          WIDEST,
          text.turns,
          (width) => Math.round(text.lineAt(width) ?? 0) > GOOD_LINE.most,
        ),
        true,
      ).map((each) => ({ ...each, fixes: [limited(site, page, text, each.widths[0].from)] })),
    ),
};

/** Lines; a text of no more is taken in at a glance, however short they are (common practice). */
const FEW_LINES = 4;

/** Lines of running text have 45 characters at least in windows that have room for more, where there are many of them. */
export const shortLines: Rule = {
  name: 'lines too short',
  clause: PRACTICE,
  severity: 'advice',
  find: ({ running }) =>
    running.flatMap((text) =>
      found(
        text,
        stretchesWhere(ROOMY, WIDEST, text.turns, (width) => {
          const line = Math.round(text.lineAt(width) ?? Infinity);
          return line < GOOD_LINE.least && text.length > FEW_LINES * line;
        }),
        false,
      ),
    ),
};
