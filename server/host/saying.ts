import { filled, VISITOR_WORDS, type SaidByHost, type Saying, lookup } from '../../core/index.ts';

/** What visitors are told, and in which language: a BCP 47 tag. */
export interface Said {
  lang: string;
  say: Saying;
}

const USUAL: Said = { lang: 'en', say: (id, values) => filled(VISITOR_WORDS[id].says, values) };

/**
 * What visitors of a site are told.
 *
 * @param text What the site was published with for it; undefined: nothing.
 * @param language That of the page, where it is not the site's.
 */
export function saidFrom(text?: string, language?: string): Said {
  if (text === undefined) return USUAL;
  const { lang, words } = JSON.parse(text) as SaidByHost;
  const used = language !== undefined && Object.hasOwn(words, language) ? language : lang;
  // What was published before there was a sentence is without it.
  return {
    lang: used,
    say: (id, values) => filled(lookup(words, used)?.[id] ?? VISITOR_WORDS[id].says, values),
  };
}
