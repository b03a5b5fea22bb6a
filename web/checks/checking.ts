import type { Finding, Page, Seen, SiteFrame, WordsToMeasure } from '../../core/index.ts';

/** How pages are looked at: what has to be measured of one, what a browser sees of it, and what the rules say of both. */
export interface Eyes {
  words(site: SiteFrame, page: Page): Promise<WordsToMeasure[]>;
  see(site: SiteFrame, page: Page, words: readonly WordsToMeasure[]): Promise<Seen>;
  findings(seen: Seen): Promise<Finding[]>;
}

/** Looks pages over, one at a time: what is asked meanwhile waits, and only the last of it. */
export class Checking {
  private busy = false;
  private next: { site: SiteFrame; page: Page } | undefined;
  private closed = false;

  /** `told`: what was found on a page; undefined where looking failed. */
  constructor(
    private readonly eyes: Eyes,
    private readonly told: (page: Page, list: Finding[] | undefined) => void,
  ) {}

  look(site: SiteFrame, page: Page): void {
    this.next = { site, page };
    if (!this.busy) void this.go();
  }

  close(): void {
    this.closed = true;
  }

  private async go(): Promise<void> {
    this.busy = true;
    while (this.next && !this.closed) {
      const { site, page } = this.next;
      this.next = undefined;
      // A fault of a rule, or a font that does not come, is no reason to look at nothing any more.
      const list = await this.listOf(site, page).catch((fault: unknown) => {
        console.error(fault);
        return undefined;
      });
      if (!this.closed) this.told(page, list);
    }
    this.busy = false;
  }

  private async listOf(site: SiteFrame, page: Page): Promise<Finding[]> {
    const words = await this.eyes.words(site, page);
    return this.eyes.findings(await this.eyes.see(site, page, words));
  }
}
