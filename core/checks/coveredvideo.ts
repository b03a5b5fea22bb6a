import { videoIn } from '../compile/video.ts';
import { sectionsOf } from '../compile/opening.ts';
import { hiddenBy } from '../values/visibility.ts';
import { hides } from './notshown.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { textProblems } from './textproblems.ts';

/** A video behind a page is seen where sections let it through; one that nobody sees is fetched all the same. */
export const coveredVideo: Rule = {
  name: 'video that is never visible',
  clause: PRACTICE,
  severity: 'advice',
  find: (input) =>
    textProblems(input, (node, view) => {
      const { site, page } = input;
      if (node.id !== page.root || videoIn(site, page, view) === undefined) return undefined;
      const shown = sectionsOf(page).filter((section) => hiddenBy(site, page, section, view) === undefined);
      return shown.length > 0 && shown.every(({ id }) => hides(site, page, id, view))
        ? {
            sentence: `Nobody sees the background video of ${node.name}{views}: every section covers it with its own background.`,
            cure: 'Remove the background of a section, or make it partly transparent.',
          }
        : undefined;
    }),
};
