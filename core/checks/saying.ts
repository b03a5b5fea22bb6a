import { viewsNamed } from '../edits/wording.ts';
import type { ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { hiddenBy } from '../values/visibility.ts';
import type { Fix, Found } from './finding.ts';
import type { Looked } from './rule.ts';
import { viewWidths } from './widths.ts';

/** What is amiss with what an element says; `{views}` stands for the views in which it says so. */
export interface Amiss {
  sentence: string;
  cure: string;
  fixes?: readonly Fix[];
}

/** The views by name: nothing where all are meant. */
const named = ({ site }: Looked, views: readonly ViewId[]): string =>
  views.length === site.views.list.length ? '' : ` in ${viewsNamed(site, views)}`;

/**
 * What is amiss with what elements say, in the views in which they are shown: looked at in each, and told once where it is the same in
 * several.
 */
export function amissIn(looked: Looked, look: (node: Node, view: ViewId) => Amiss | undefined): Found[] {
  const { site, page } = looked;
  return sourceOrder(page).flatMap((node) => {
    const bySentence = new Map<string, { amiss: Amiss; views: ViewId[] }>();
    for (const { id: view } of site.views.list) {
      if (hiddenBy(site, page, node, view) !== undefined) continue;
      const amiss = look(node, view);
      if (!amiss) continue;
      const same = bySentence.get(amiss.sentence);
      if (same) same.views.push(view);
      else bySentence.set(amiss.sentence, { amiss, views: [view] });
    }
    return [...bySentence.values()].map(({ amiss, views }): Found => ({
      ...amiss,
      of: { node: node.id },
      widths: views.map((view) => viewWidths(site, view)),
      sentence: amiss.sentence.replace('{views}', named(looked, views)),
    }));
  });
}
