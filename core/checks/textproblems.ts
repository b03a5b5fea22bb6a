import { viewsNamed } from '../edits/values/textbyview.ts';
import type { ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { hiddenBy } from '../values/visibility.ts';
import type { Fix, Found } from './finding.ts';
import type { CheckInput } from './rule.ts';
import { viewWidths } from './widths.ts';

/** What is wrong with what an element says; `{views}` stands for the views in which it says so. */
export interface TextProblem {
  sentence: string;
  cure: string;
  fixes?: readonly Fix[];
}

/** The views by name: nothing where all are meant. */
const named = ({ site }: CheckInput, views: readonly ViewId[]): string =>
  views.length === site.views.list.length ? '' : ` in ${viewsNamed(site, views)}`;

/**
 * What is wrong with what elements say, in the views in which they are shown: looked at in each, and told once where it is the same in
 * several.
 */
export function textProblems(
  input: CheckInput,
  look: (node: Node, view: ViewId) => TextProblem | undefined,
): Found[] {
  const { site, page } = input;
  return sourceOrder(page).flatMap((node) => {
    const bySentence = new Map<string, { problem: TextProblem; views: ViewId[] }>();
    for (const { id: view } of site.views.list) {
      if (hiddenBy(site, page, node, view) !== undefined) continue;
      const problem = look(node, view);
      if (!problem) continue;
      const same = bySentence.get(problem.sentence);
      if (same) same.views.push(view);
      else bySentence.set(problem.sentence, { problem, views: [view] });
    }
    return [...bySentence.values()].map(({ problem, views }): Found => ({
      ...problem,
      of: { node: node.id },
      widths: views.map((view) => viewWidths(site, view)),
      sentence: problem.sentence.replace('{views}', named(input, views)),
    }));
  });
}
