import type { EditReach } from '../../layered/change.ts';
import type { ViewId } from '../../layered/views.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { LaidOut } from '../../values/arranging.ts';
import { found } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { setDiffering } from '../values/values.ts';
import { counted } from '../../plural.ts';
import { describeReach } from '../values/textbyview.ts';

export interface Arrange {
  /** What is arranged: a container, a section, a page. */
  node: NodeId;
  /** What elements in it, and it itself, get in the view. */
  laid: LaidOut[];
  view: ViewId;
  reach: EditReach;
  done: 'arranged' | 'tidied';
}

/** Lays out what stands in an element in a view, each value with the reach, in one step. What holds already is left alone. */
export const arrange: Command<Arrange> = {
  run(site, draft, { node, laid, view, reach, done: act }, pages): Outcome<string> {
    const nodes = found(draft, [node, ...laid.map((each) => each.node)]);
    if (!nodes.ok) return nodes;
    const changed = new Set<NodeId>();
    for (const { node: id, values } of laid) {
      const set = setDiffering(site, draft, { node: id, values, view, reach }, pages);
      if (!set.ok) return set;
      if (set.value > 0) changed.add(id);
    }
    if (changed.size === 0) return refused('They are already there; nothing was changed.');
    const others = changed.size - (changed.has(node) ? 1 : 0);
    const what = others === 0 ? act : `${counted(others, 'element')} ${act}`;
    return done(`${draft.nodes[node].name}: ${what} ${describeReach(site, view, reach)}`);
  },
};
