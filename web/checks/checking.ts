import type { Finding, Page, BrowserFacts, SiteFrame, ViewId, WordsToMeasure } from '../../core/index.ts';

/** A page to look over, as it is shown, with the other pages that are known. */
export interface PageToCheck {
  site: SiteFrame;
  page: Page;
  /** Those on which its links lead to a place, by id. */
  pages: Readonly<Record<string, Page>>;
}

/** What was found on a page. */
export interface PageChecked {
  list: Finding[];
  /** How many of its elements are not shown in each view. */
  hidden: Readonly<Record<ViewId, number>>;
}

/** How pages are looked at: what has to be measured of one, what a browser sees of it, and what the rules say of both. */
export interface PageInspector {
  words(request: PageToCheck): Promise<WordsToMeasure[]>;
  see(site: SiteFrame, page: Page, words: readonly WordsToMeasure[]): Promise<BrowserFacts>;
  findings(facts: BrowserFacts): Promise<PageChecked>;
}

/** Checks a page. */
async function checkPage(inspector: PageInspector, request: PageToCheck): Promise<PageChecked> {
  const words = await inspector.words(request);
  return inspector.findings(await inspector.see(request.site, request.page, words));
}

/** What is found on a page. */
export const findingsOf = async (inspector: PageInspector, request: PageToCheck): Promise<Finding[]> =>
  (await checkPage(inspector, request)).list;

/** Looks pages over, one at a time: what is asked meanwhile waits, and only the last of it. */
export class Checking {
  private busy = false;
  private next: PageToCheck | undefined;
  private closed = false;

  /** `report` is given what was found on a page; undefined where checking failed. */
  constructor(
    private readonly inspector: PageInspector,
    private readonly report: (page: Page, found: PageChecked | undefined) => void,
  ) {}

  look(request: PageToCheck): void {
    this.next = request;
    if (!this.busy) void this.go();
  }

  close(): void {
    this.closed = true;
  }

  private async go(): Promise<void> {
    this.busy = true;
    while (this.next && !this.closed) {
      const request = this.next;
      this.next = undefined;
      // A fault of a rule, or a font that does not come, is no reason to look at nothing any more.
      const found = await checkPage(this.inspector, request).catch((fault: unknown) => {
        console.error(fault);
        return undefined;
      });
      if (!this.closed) this.report(request.page, found);
    }
    this.busy = false;
  }
}
