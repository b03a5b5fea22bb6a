import type { NodeId } from '../elements/nodeid.ts';
import { composed, sharedPlaceOf } from '../site/shared.ts';
import type { Page, Site, SiteFrame } from '../site/site.ts';
import { runningTexts } from '../values/linelength.ts';
import { sizedTexts } from '../values/textcurves.ts';
import { checks } from './own.ts';
import { alternatives, fileNames } from './alternatives.ts';
import { closeLines } from './closelines.ts';
import { closeSizes } from './closesizes.ts';
import { enlarging } from './enlarging.ts';
import { deadLinks } from './deadlinks.ts';
import { formLabels } from './formlabels.ts';
import { hiddenTargets } from './hiddentargets.ts';
import { actionCount } from './actioncount.ts';
import { coveredVideo } from './coveredvideo.ts';
import { firstHeading, headingOrder } from './headingorder.ts';
import { landmarks } from './landmarks.ts';
import { linkNames } from './linknames.ts';
import { placeholders } from './placeholders.ts';
import { otherLanguage } from './otherlanguage.ts';
import { repeatedSplash } from './repeatedsplash.ts';
import { noMenu } from './nomenu.ts';
import { faintFields, faintIcons } from './nontextcontrast.ts';
import { titles } from './titles.ts';
import { placeKey, viewsAcross, withDismissal, type Finding } from './finding.ts';
import { imageText } from './imagetext.ts';
import { longLines, shortLines } from './linelength.ts';
import { longWords } from './longwords.ts';
import type { CheckInput, Rule } from './rule.ts';
import { NO_BROWSER_FACTS, type BrowserFacts } from './browserfacts.ts';
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
  imageText,
  faintIcons,
  headingOrder,
  firstHeading,
  deadLinks,
  hiddenTargets,
  landmarks,
  noMenu,
  actionCount,
  repeatedSplash,
  coveredVideo,
  otherLanguage,
  placeholders,
  ...checks,
];

/** With what a page is checked. */
export interface LookingWith {
  /** What a browser has told; what needs it is left out without. */
  facts?: BrowserFacts;
  /** Other pages of the site that are known, those on which links lead to a place (`pagesWithLinkedPlaces`): of others nothing is said. */
  pages?: Readonly<Record<string, Page>>;
  rules?: readonly Rule[];
}

/** What rules find on a page, and in the text styles of its site. */
export function findings(
  site: SiteFrame,
  page: Page,
  { facts = NO_BROWSER_FACTS, pages = {}, rules = RULES }: LookingWith = {},
): Finding[] {
  const texts = sizedTexts(site, page);
  const input: CheckInput = {
    site,
    page,
    pages,
    texts,
    running: runningTexts(site, page),
    sized: sizedSubjects(site, page, texts),
    facts,
  };
  return rules.flatMap(({ name, clause, severity, find }) =>
    find(input).map((found) =>
      withDismissal(site, page, {
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
export function mergedFindings(pages: readonly PageFindings[]): PageFindings[] {
  const reported = new Set<string>();
  return pages.map(({ page, findings: list }) => ({
    page,
    findings: list.filter(({ rule, of, sentence }) => {
      const shared = 'textStyle' in of || sharedPlaceOf(of.node) !== undefined;
      const key = `${rule} ${placeKey(of)} ${sentence}`;
      if (shared && reported.has(key)) return false;
      reported.add(key);
      return true;
    }),
  }));
}

/** What rules find on all pages of a site, with what they share. */
export const siteFindings = (site: Site, facts: BrowserFacts = NO_BROWSER_FACTS): PageFindings[] =>
  mergedFindings(
    site.frame.pages.map(({ id }) => ({
      page: id,
      findings: findings(site.frame, composed(site.frame, site.pages[id]), { facts, pages: site.pages }),
    })),
  );
