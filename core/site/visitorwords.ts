import {
  filled,
  VISITOR_WORDS,
  visitorWord,
  visitorWords,
  type Saying,
  type VisitorWord,
} from '../elements/content/visitorwords.ts';
import type { PageHead, SiteFrame } from './site.ts';
import { lookup } from '../lookup.ts';

/** The languages that visitors meet on a site, its own first. */
export const languagesOf = (frame: Pick<SiteFrame, 'lang' | 'pages'>): string[] => [
  ...new Set([frame.lang, ...frame.pages.flatMap(({ lang }) => lang ?? [])]),
];

/** What visitors of a page are told by itself, in its language. */
export const sayingOn = (frame: SiteFrame, { lang }: Pick<PageHead, 'lang'>): Saying => {
  const languages = [...(lang ? [lang] : []), frame.lang];
  return (id, values) => filled(visitorWord(id, languages, frame.words), values);
};

/** Where the host finds what it says to visitors. */
export const SAID_PATH = 'visitor-words.json';

/** What the host says to visitors, by the language of the page that they are on. */
export interface SaidByHost {
  /** BCP 47 tag of the site's language. */
  lang: string;
  words: Record<string, Record<VisitorWord, string>>;
}

/** What the host of a site says to visitors; undefined where that is what it says anyway. */
export function saidByHost(frame: SiteFrame): SaidByHost | undefined {
  const words = Object.fromEntries(
    languagesOf(frame).map((lang) => [lang, visitorWords([lang, frame.lang], frame.words)]),
  );
  const isUsual = Object.values(words).every((each) =>
    Object.entries(each).every(([id, says]) => says === lookup(VISITOR_WORDS, id)!.says),
  );
  return isUsual ? undefined : { lang: frame.lang, words };
}
