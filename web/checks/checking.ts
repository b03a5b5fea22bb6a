import type { Finding, Page, Seen, SiteFrame, WordsToMeasure } from '../../core/index.ts';

/** A page to look over, as it is shown, with the other pages that are known. */
export interface ToLook {
  site: SiteFrame;
  page: Page;
  /** Those on which its links lead to a place, by id. */
  pages: Readonly<Record<string, Page>>;
}

/** How pages are looked at: what has to be measured of one, what a browser sees of it, and what the rules say of both. */
export interface Eyes {
  words(asked: ToLook): Promise<WordsToMeasure[]>;
  see(site: SiteFrame, page: Page, words: readonly WordsToMeasure[]): Promise<Seen>;
  findings(seen: Seen): Promise<Finding[]>;
}

/** What is found on a page. */
export async function findingsOf(eyes: Eyes, asked: ToLook): Promise<Finding[]> {
  const words = await eyes.words(asked);
  return eyes.findings(await eyes.see(asked.site, asked.page, words));
}

/** Looks pages over, one at a time: what is asked meanwhile waits, and only the last of it. */
export class Checking {
  private busy = false;
  private next: ToLook | undefined;
  private closed = false;

  /** `told`: what was found on a page; undefined where looking failed. */
  constructor(
    private readonly eyes: Eyes,
    private readonly told: (page: Page, list: Finding[] | undefined) => void,
  ) {}

  look(asked: ToLook): void {
    this.next = asked;
    if (!this.busy) void this.go();
  }

  close(): void {
    this.closed = true;
  }

  private async go(): Promise<void> {
    this.busy = true;
    while (this.next && !this.closed) {
      const asked = this.next;
      this.next = undefined;
      // A fault of a rule, or a font that does not come, is no reason to look at nothing any more.
      const list = await findingsOf(this.eyes, asked).catch((fault: unknown) => {
        console.error(fault);
        return undefined;
      });
      if (!this.closed) this.told(asked.page, list);
    }
    this.busy = false;
  }
}
