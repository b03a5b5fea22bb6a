import type { Outcome } from '../site/outcome.ts';
import type { Page, SiteFrame } from '../site/site.ts';

/**
 * A change a person can make. `run` changes the draft and answers the sentence that names the step, or refuses with a
 * sentence and leaves the draft as it was.
 */
export interface Command<A> {
  run(site: SiteFrame, draft: Page, args: A): Outcome<string>;
}
