import { lastOf } from '../sure.ts';
import { viewOf } from '../layered/views.ts';
import { curveAt } from '../type/curve.ts';
import { hiddenBy } from '../values/visibility.ts';
import type { Found } from './finding.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { px, viewWidths } from './widths.ts';

/** Sizes that are nearer to one another look like one that was missed (common practice). */
const ALIKE = 1.08;

/** So many of them in a row are too many. */
const MANY = 5;

/** Runs of sizes of which each is near to the next one, small to large. */
function runs(sizes: readonly number[]): number[][] {
  const made: number[][] = [];
  for (const size of [...new Set(sizes)].sort((one, other) => one - other)) {
    const last = made.at(-1);
    if (last && size / lastOf(last) < ALIKE) last.push(size);
    else made.push([size]);
  }
  return made;
}

/** The sizes on a page in a view are few enough to be told apart. */
export const closeSizes: Rule = {
  name: 'too many sizes close together',
  clause: PRACTICE,
  severity: 'advice',
  find({ site, page, texts }) {
    return site.views.list.flatMap((view): Found[] => {
      const sizes = texts
        .filter(({ node }) => hiddenBy(site, page, page.nodes[node], view.id) === undefined)
        .map(({ curve }) => Math.round(curveAt(curve, view.sheet.width) * 10) / 10);
      return runs(sizes)
        .filter((run) => run.length >= MANY)
        .map((run) => ({
          of: { node: page.root },
          widths: [viewWidths(site, view.id)],
          sentence: `${run.length} sizes are close together in ${viewOf(site.views, view.id).name}: ${run.map(px).join(', ')}.`,
          cure: 'Use the sizes of text styles, and make them differ more.',
        }));
    });
  },
};
