/** Looks a page over beside the interface, which goes on meanwhile: first for the words that have to be measured, then by all rules. */
import {
  findings,
  wordsToMeasure,
  type Finding,
  type BrowserFacts,
  type WordsToMeasure,
} from '../../core/index.ts';
import type { PageToCheck } from './checking.ts';

/** What is asked, and what is answered: a page is looked at for its words first, and then, with what a browser has seen of it, by the rules. */
export interface Asks {
  words: { request: PageToCheck; answer: WordsToMeasure[] };
  findings: { request: BrowserFacts; answer: Finding[] };
}

export type Message = { [A in keyof Asks]: { ask: A; request: Asks[A]['request'] } }[keyof Asks];

let looked: PageToCheck;

self.addEventListener('message', ({ data }: MessageEvent<Message>) => {
  if (data.ask === 'words') {
    looked = data.request;
    self.postMessage(wordsToMeasure(looked.site, looked.page));
  } else self.postMessage(findings(looked.site, looked.page, { facts: data.request, pages: looked.pages }));
});
