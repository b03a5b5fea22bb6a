import type { NodeId } from '../elements/nodeid.ts';
import { composed, sharedPlaceOf } from '../site/shared.ts';
import type { Page, Site, SiteFrame } from '../site/site.ts';
import { runningTexts } from '../values/linelength.ts';
import { sizedTexts } from '../values/textcurves.ts';
import { alternatives, fileNames } from './alternatives.ts';
import { closeLines } from './closelines.ts';
import { closeSizes } from './closesizes.ts';
import { enlarging } from './enlarging.ts';
import { deadLinks } from './deadlinks.ts';
import { formLabels } from './formlabels.ts';
import { hiddenTargets } from './hiddentargets.ts';
import { actionCount } from './actioncount.ts';
import { coveredFilm } from './coveredfilm.ts';
import { firstHeading, headingOrder } from './headingorder.ts';
import { landmarks } from './landmarks.ts';
import { linkNames } from './linknames.ts';
import { otherLanguage } from './otherlanguage.ts';
import { openedAgain } from './openedagain.ts';
import { noMenu } from './nomenu.ts';
import { faintFields, faintIcons } from './nontextcontrast.ts';
import { titles } from './titles.ts';
import { placeKey, viewsAcross, withAside, type Finding } from './finding.ts';
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
export const RULES: readonly Rule[] = [
  textContrast,
  faintFields,
  linkNames,
  formLabels,
  titles,
  ...TEXT_RULES,
  longWords,
  alternatives,
  fileNames,
  faintIcons,
  headingOrder,
  firstHeading,
  deadLinks,
  hiddenTargets,
  landmarks,
  noMenu,
  actionCount,
  openedAgain,
  coveredFilm,
  otherLanguage,
];

/** With what a page is looked over. */
export interface LookingWith {
  /** What a browser has told; what needs it is left out without. */
  seen?: Seen;
  /** Other pages of the site that are known, those on which links lead to a place (`pagesWithLinkedPlaces`): of others nothing is said. */
  pages?: Readonly<Record<string, Page>>;
  rules?: readonly Rule[];
}

/** What rules find on a page, and in the text styles of its site. */
export function findings(
  site: SiteFrame,
  page: Page,
  { seen = NOTHING_SEEN, pages = {}, rules = RULES }: LookingWith = {},
): Finding[] {
  const texts = sizedTexts(site, page);
  const looked: Looked = {
    site,
    page,
    pages,
    texts,
    running: runningTexts(site, page),
    sized: sizedSubjects(site, page, texts),
    seen,
  };
  return rules.flatMap(({ name, clause, severity, find }) =>
    find(looked).map((found) =>
      withAside(site, page, {
        ...{ ...found, rule: name, clause, severity },
        views: viewsAcross(site, found.widths),
      }),
    ),
  );
}

/** What was found on a page of a site. */
export interface PageFindings {
  page: NodeId;
  findings: Finding[];
}

/** Findings of several pages, of which those on what pages share, and on text styles, are told once. */
export function toldOnce(pages: readonly PageFindings[]): PageFindings[] {
  const told = new Set<string>();
  return pages.map(({ page, findings: list }) => ({
    page,
    findings: list.filter(({ rule, of, sentence }) => {
      const shared = 'textStyle' in of || sharedPlaceOf(of.node) !== undefined;
      const key = `${rule} ${placeKey(of)} ${sentence}`;
      if (shared && told.has(key)) return false;
      told.add(key);
      return true;
    }),
  }));
}

/** What rules find on all pages of a site, with what they share. */
export const siteFindings = (site: Site, seen: Seen = NOTHING_SEEN): PageFindings[] =>
  toldOnce(
    site.frame.pages.map(({ id }) => ({
      page: id,
      findings: findings(site.frame, composed(site.frame, site.pages[id]), { seen, pages: site.pages }),
    })),
  );
