/** Looks a page over beside the interface, which goes on meanwhile: first for the words that have to be measured, then by all rules. */
import {
  findings,
  notShown,
  type ViewId,
  wordsToMeasure,
  type BrowserFacts,
  type WordsToMeasure,
} from '../../core/index.ts';
import type { PageChecked, PageToCheck } from './checking.ts';

/** What is asked, and what is answered: a page is looked at for its words first, and then, with what a browser has seen of it, by the rules. */
export interface Asks {
  words: { request: PageToCheck; answer: WordsToMeasure[] };
  findings: { request: BrowserFacts; answer: PageChecked };
}

export type Message = { [A in keyof Asks]: { ask: A; request: Asks[A]['request'] } }[keyof Asks];

let looked: PageToCheck;

self.addEventListener('message', ({ data }: MessageEvent<Message>) => {
  if (data.ask === 'words') {
    looked = data.request;
    self.postMessage(wordsToMeasure(looked.site, looked.page));
    return;
  }
  const { site, page, pages } = looked;
  const hidden = Object.fromEntries(site.views.list.map(({ id }) => [id, notShown(site, page, id).length]));
  self.postMessage({
    list: findings(site, page, { facts: data.request, pages }),
    hidden: hidden as Record<ViewId, number>,
  } satisfies PageChecked);
});
