import type { Page, SiteFrame } from '../site/site.ts';
import { runningTexts } from '../values/linelength.ts';
import { sizedTexts } from '../values/textcurves.ts';
import { closeLines } from './closelines.ts';
import { closeSizes } from './closesizes.ts';
import { enlarging } from './enlarging.ts';
import { viewsAcross, type Finding } from './finding.ts';
import { longLines, shortLines } from './linelength.ts';
import { longWords } from './longwords.ts';
import type { Looked, Rule } from './rule.ts';
import { NOTHING_SEEN, type Seen } from './seen.ts';
import { sizeGrows, sizeJumps } from './sizejumps.ts';
import { sizeOrder } from './sizeorder.ts';
import { smallText } from './smalltext.ts';
import { sizedSubjects } from './subjects.ts';
import { textContrast } from './textcontrast.ts';

/** The rules that are about the sizes of text and the lengths of lines. */
export const TEXT_RULES: readonly Rule[] = [
  enlarging,
  smallText,
  closeLines,
  sizeJumps,
  sizeGrows,
  sizeOrder,
  closeSizes,
  longLines,
  shortLines,
];

/** Every rule, what keeps somebody out first. */
export const RULES: readonly Rule[] = [textContrast, ...TEXT_RULES, longWords];

/** What rules find on a page, and in the text styles of its site. `seen`: what a browser has told; what needs it is left out without. */
export function findings(
  site: SiteFrame,
  page: Page,
  seen: Seen = NOTHING_SEEN,
  rules: readonly Rule[] = RULES,
): Finding[] {
  const texts = sizedTexts(site, page);
  const looked: Looked = {
    site,
    page,
    texts,
    running: runningTexts(site, page),
    sized: sizedSubjects(site, page, texts),
    seen,
  };
  return rules.flatMap(({ name, clause, severity, find }) =>
    find(looked).map((found) => ({
      ...found,
      rule: name,
      clause,
      severity,
      views: viewsAcross(site, found.widths),
    })),
  );
}
