import { languageName } from '../../markup/language.ts';
import { schemaFaults } from '../../faults.ts';
import { done, refused } from '../../outcome.ts';
import { isSystemMessage, leftOut, wordIn } from '../../elements/content/systemmessages.ts';
import { SystemMessageSchema } from '../../site/site.ts';
import { languagesOf } from '../../site/systemmessages.ts';
import type { Command } from '../command.ts';

export interface TellVisitors {
  /** BCP 47 tag: a language that the site, or a page of it, is written in. */
  lang: string;
  /** Which of the sentences that are said by themselves. */
  word: string;
  /** Null: as usual. */
  says: string | null;
}

/** Words for a sentence that visitors are told by itself, in one language, in place of the usual ones; or the usual ones again. */
export const tellVisitors: Command<TellVisitors> = {
  on: () => 'frame',
  run(site, _page, { lang, word, says }) {
    if (!isSystemMessage(word)) return refused('There is no such system message. Nothing was changed.');
    if (says !== null && !languagesOf(site).includes(lang))
      return refused('No page is written in that language. Nothing was changed.');
    const { [lang]: own = {}, ...others } = site.words ?? {};
    const { [word]: before, ...rest } = own;
    const next = says?.replace(/\s+/g, ' ').trim();
    if (next !== undefined) {
      const [fault] = schemaFaults(SystemMessageSchema, next);
      if (fault) return refused('A system message has 1 to 300 characters. Nothing was changed.');
      const wanted = leftOut(word, next);
      if (wanted)
        return refused(`This text must contain ${wanted}: it is filled in there. Nothing was changed.`);
    }
    // What is said without: also in words of one's own for what the language is a kind of.
    const usual = next === undefined || next === wordIn(lang, word, { ...others, [lang]: rest });
    const changed = usual ? rest : { ...rest, [word]: next };
    const all = Object.keys(changed).length > 0 ? { ...others, [lang]: changed } : others;
    if (Object.keys(all).length > 0) site.words = all;
    else delete site.words;
    const name = `System messages, in ${languageName(lang)}`;
    if ((usual ? undefined : next) === before) return done(`${name}: “${before ?? next}” already`);
    return done(usual ? `${name}: “${before}” reset to default` : `${name}: “${next}”`);
  },
};
