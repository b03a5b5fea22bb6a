import { viewOf } from '../layered/views.ts';
import { decimals, isFluid } from '../type/fluid.ts';
import type { Found } from './finding.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { viewWidths } from './widths.ts';

/** Lines that stand closer run into one another (common practice). */
const LEAST_LINES = 1.2;

/** Lines of what is read at length are 1.2 of its size apart, or more. */
export const closeLines: Rule = {
  name: 'lines too close',
  clause: PRACTICE,
  severity: 'advice',
  find: ({ site, sized }) =>
    sized
      .filter(({ running, says }) => running && says('lineHeight'))
      .flatMap((subject) =>
        site.views.list.flatMap(({ id }): Found[] => {
          const said = subject.linesIn(id);
          const lines = isFluid(said) ? said.min : said;
          if (lines >= LEAST_LINES || !subject.shownIn(id)) return [];
          const { name } = viewOf(site.views, id);
          return [
            {
              of: subject.of,
              widths: [viewWidths(site, id)],
              sentence: `Lines of ${subject.name} are ${decimals(lines)} of its size apart in ${name}.`,
              cure: `Make that ${LEAST_LINES} or more.`,
              fixes: [
                {
                  label: `Make it ${LEAST_LINES} in ${name}`,
                  call: subject.set('lineHeight', id, LEAST_LINES),
                },
              ],
            },
          ];
        }),
      ),
};
