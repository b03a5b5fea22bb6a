import { filmIn } from '../compile/film.ts';
import { sectionsOf } from '../compile/opening.ts';
import { hiddenBy } from '../values/visibility.ts';
import { hides } from './notshown.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { amissIn } from './saying.ts';

/** A film behind a page is seen where sections let it through; one that nobody sees is fetched all the same. */
export const coveredFilm: Rule = {
  name: 'video that is never visible',
  clause: PRACTICE,
  severity: 'advice',
  find: (looked) =>
    amissIn(looked, (node, view) => {
      const { site, page } = looked;
      if (node.id !== page.root || filmIn(site, page, view) === undefined) return undefined;
      const shown = sectionsOf(page).filter((section) => hiddenBy(site, page, section, view) === undefined);
      return shown.length > 0 && shown.every(({ id }) => hides(site, page, id, view))
        ? {
            sentence: `Nobody sees the background video of ${node.name}{views}: every section covers it with its own background.`,
            cure: 'Remove the background of a section, or make it partly transparent.',
          }
        : undefined;
    }),
};
