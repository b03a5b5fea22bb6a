import { filled, SYSTEM_MESSAGES, type HostMessages, type SayMessage, lookup } from '../../core/index.ts';

/** What visitors are told, and in which language: a BCP 47 tag. */
export interface Said {
  lang: string;
  say: SayMessage;
}

const USUAL: Said = { lang: 'en', say: (id, values) => filled(SYSTEM_MESSAGES[id].says, values) };

/**
 * What visitors of a site are told.
 *
 * @param text What the site was published with for it; undefined: nothing.
 * @param language That of the page, where it is not the site's.
 */
export function messagesFrom(text?: string, language?: string): Said {
  if (text === undefined) return USUAL;
  const { lang, words } = JSON.parse(text) as HostMessages;
  const used = language !== undefined && Object.hasOwn(words, language) ? language : lang;
  // What was published before there was a sentence is without it.
  return {
    lang: used,
    say: (id, values) => filled(lookup(words, used)?.[id] ?? SYSTEM_MESSAGES[id].says, values),
  };
}
