import { sure } from '../sure.ts';
import {
  filled,
  SYSTEM_MESSAGES,
  systemMessage,
  systemMessages,
  type SayMessage,
  type SystemMessage,
} from '../elements/content/systemmessages.ts';
import type { PageHead, SiteFrame } from './site.ts';
import { lookup } from '../lookup.ts';

/** The languages that visitors meet on a site, its own first. */
export const languagesOf = (frame: Pick<SiteFrame, 'lang' | 'pages'>): string[] => [
  ...new Set([frame.lang, ...frame.pages.flatMap(({ lang }) => lang ?? [])]),
];

/** What visitors of a page are told by itself, in its language. */
export const systemMessagesOn = (frame: SiteFrame, { lang }: Pick<PageHead, 'lang'>): SayMessage => {
  const languages = [...(lang ? [lang] : []), frame.lang];
  return (id, values) => filled(systemMessage(id, languages, frame.words), values);
};

/** Where the host finds what it says to visitors. */
export const MESSAGES_PATH = 'visitor-words.json';

/** What the host says to visitors, by the language of the page that they are on. */
export interface HostMessages {
  /** BCP 47 tag of the site's language. */
  lang: string;
  words: Record<string, Record<SystemMessage, string>>;
}

/** What the host of a site says to visitors; undefined where that is what it says anyway. */
export function hostMessages(frame: SiteFrame): HostMessages | undefined {
  const words = Object.fromEntries(
    languagesOf(frame).map((lang) => [lang, systemMessages([lang, frame.lang], frame.words)]),
  );
  const isUsual = Object.values(words).every((each) =>
    Object.entries(each).every(([id, says]) => says === sure(lookup(SYSTEM_MESSAGES, id)).says),
  );
  return isUsual ? undefined : { lang: frame.lang, words };
}
