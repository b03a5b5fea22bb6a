import type { Outcome } from '../site/outcome.ts';
import type { Page, SiteFrame } from '../site/site.ts';

/** What an edit changes: the page, or what all pages of the site share. */
export type Document = 'page' | 'site';

/**
 * A change a person can make. `run` changes the document it is for, which it gets as a draft, and answers the sentence
 * that names the step; or it refuses with a sentence, and nothing of the draft is kept. The other document is not changed.
 */
export interface Command<A> {
  /** Absent: always the page. */
  on?(args: A): Document;
  run(site: SiteFrame, page: Page, args: A): Outcome<string>;
}
