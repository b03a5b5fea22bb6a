import type { NodeId } from '../elements/nodeid.ts';
import type { Outcome } from '../outcome.ts';
import type { Page, SiteFrame } from '../site/site.ts';

/** What a command may change: the page it is used on, what all pages of the site share, or all of the site. */
export type Scope = 'page' | 'frame' | 'site';

/**
 * A change a person can make. `run` gets what it may change as drafts, and the rest as it is; it answers the sentence
 * that names the step, or refuses with a sentence, and then nothing of the drafts is kept.
 */
export interface Command<A> {
  /** Absent: the page. */
  on?(args: A): Scope;
  run(site: SiteFrame, page: Page, args: A, pages: Record<NodeId, Page>): Outcome<string>;
}
