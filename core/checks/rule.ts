import type { Page, SiteFrame } from '../site/site.ts';
import type { RunningText } from '../values/linelength.ts';
import type { SizedText } from '../values/textcurves.ts';
import type { Found, Severity } from './finding.ts';
import type { SizedSubject } from './subjects.ts';
import type { BrowserFacts } from './browserfacts.ts';

/** What rules look at. */
export interface CheckInput {
  site: SiteFrame;
  page: Page;
  /** Pages that are known besides, by id: links may lead to a place on one. */
  pages: Readonly<Record<string, Page>>;
  /** The texts of the page with their sizes. */
  texts: readonly SizedText[];
  /** Those whose lines are looked at. */
  running: readonly RunningText[];
  /** The text styles of the site, and the texts. */
  sized: readonly SizedSubject[];
  /** What only a browser can tell, as far as it has. */
  facts: BrowserFacts;
}

/** A rule: where it comes from, how much it matters, and how it is found out. Those that look at the same stand in one file. */
export interface Rule {
  name: string;
  /** The clause of a standard, or “common practice”. */
  clause: string;
  severity: Severity;
  find(input: CheckInput): Found[];
}

export const PRACTICE = 'common practice';

/** The name of the rule about what ready-made parts came with. */
export const SAMPLE_TEXT = 'sample text';
