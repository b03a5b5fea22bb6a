/** Looks a page over beside the interface, which goes on meanwhile: first for the words that have to be measured, then by all rules. */
import { findings, wordsToMeasure, type Finding, type Seen, type WordsToMeasure } from '../../core/index.ts';
import type { ToLook } from './checking.ts';

/** What is asked, and what is answered: a page is looked at for its words first, and then, with what a browser has seen of it, by the rules. */
export interface Asks {
  words: { asked: ToLook; answer: WordsToMeasure[] };
  findings: { asked: Seen; answer: Finding[] };
}

export type Message = { [A in keyof Asks]: { ask: A; asked: Asks[A]['asked'] } }[keyof Asks];

let looked: ToLook;

self.addEventListener('message', ({ data }: MessageEvent<Message>) => {
  if (data.ask === 'words') {
    looked = data.asked;
    self.postMessage(wordsToMeasure(looked.site, looked.page));
  } else self.postMessage(findings(looked.site, looked.page, { seen: data.asked, pages: looked.pages }));
});
