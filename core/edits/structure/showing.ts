import { sure } from '../../sure.ts';
import { hasTrait } from '../../elements/kinds/table.ts';
import { express } from '../../layered/express.ts';
import type { ViewId } from '../../layered/views.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Node } from '../../site/node.ts';
import type { Page } from '../../site/site.ts';
import { found, store } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { saysShown } from '../placement/placing.ts';
import { describeHolders, viewsNamed } from '../values/textbyview.ts';

/** Why elements cannot be hidden or shown themselves; undefined where they can. */
function notHideable(page: Page, nodes: readonly Node[]): string | undefined {
  if (nodes.some(({ parent }) => parent === null))
    return 'The page itself always shows where it appears. Select what is in it.';
  const alternate = nodes.find(({ parent }) => hasTrait(page.nodes[sure(parent, 'parent')], 'alternating'));
  if (!alternate) return undefined;
  const set = page.nodes[sure(alternate.parent, 'parent')].name;
  return `Of ${set} exactly one alternate shows in each view: choose another, or hide the whole set.`;
}

export interface ShowInViews {
  nodes: NodeId[];
  shown: boolean;
  views: ViewId[];
  /** In all other views the opposite. */
  only?: true;
}

/** Shows or hides elements in a set of views. Other views keep what they have, or, with `only`, get the opposite. */
export const showInViews: Command<ShowInViews> = {
  run(site, draft, { nodes: ids, shown, views, only }): Outcome<string> {
    const nodes = found(draft, ids);
    if (!nodes.ok) return nodes;
    const fault = notHideable(draft, nodes.value);
    if (fault) return refused(fault);
    const known = site.views.list.map(({ id }) => id);
    if (views.some((view) => !known.includes(view)))
      return refused('The view is no longer on this site. Nothing was changed.');
    for (const node of nodes.value) {
      const wanted = express(site.views, ({ id }) => {
        if (views.includes(id)) return shown;
        return only ? !shown : saysShown(site, node, id);
      });
      store(node, 'self', 'shown', wanted.base === true && !wanted.at ? {} : wanted);
    }
    const where = views.length === 0 ? 'no view' : viewsNamed(site, views);
    return done(
      `${describeHolders(nodes.value)}: ${shown ? 'shown' : 'hidden'} ${only ? 'only ' : ''}in ${where}`,
    );
  },
};
