import { knownIn, sure } from '../../sure.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { refused, done } from '../../outcome.ts';
import { isOnAllPages, linksBelow, sharedPlaceOf } from '../../site/shared.ts';
import { found } from '../values/aim.ts';
import { settledInOverlay } from '../placement/areas.ts';
import type { Command } from '../command.ts';
import { fitted } from '../placement/placing.ts';
import { followLinks, relinkLeaving } from './relink.ts';
import { freeNames } from './shared.ts';
import { copied, takesWhole } from './structure.ts';
import { putAfter, topmost, withoutEmptySets } from '../../site/tree.ts';
import { subtree } from '../../site/sourceorder.ts';
import { allTrees } from '../views/viewvalues.ts';
import { describeHolders, kindInWords, nameOfPage } from '../values/textbyview.ts';

export interface MoveToPage {
  nodes: NodeId[];
  /** The page they go to, and the element there that takes them. */
  to: NodeId;
  parent: NodeId;
  /** The element there they stand behind; null: they come first. */
  after: NodeId | null;
}

/** Moves elements, with all that is in them, to another page. Ids that are taken there are given again. */
export const moveToPage: Command<MoveToPage> = {
  on: () => 'site',
  run(site, page, { nodes: ids, to, parent: parentId, after }, pages) {
    if (ids.some(isOnAllPages)) return refused('It is on all pages already; nothing was moved.');
    if (ids.some(sharedPlaceOf))
      return refused('It belongs to a linked block: place that on the other page, too. Nothing was moved.');
    const nodes = found(page, ids);
    if (!nodes.ok) return nodes;
    const head = site.pages.find(({ id }) => id === to);
    const target = pages[to];
    if (!head || !target) return refused('The page is no longer on this site.');
    if (to === page.id) return refused(`${nameOfPage(pages, head)} is where they are; nothing was moved.`);
    const parents = found(target, [parentId]);
    if (!parents.ok) return parents;
    const [parent] = parents.value;
    const tops = topmost(page, ids);
    const other = tops
      .map((id) => page.nodes[id])
      .find((node) => !takesWhole(target, parent, node, page.nodes));
    if (other) return refused(`${parent.name} takes no ${kindInWords(other.kind)}. Nothing was moved.`);
    const twice = tops
      .flatMap((id) => linksBelow(page, id))
      .find((id) => linksBelow(target, target.root).includes(id));
    if (twice)
      return refused(
        `${sure(sure(site.shared, 'shared')[sure(sharedPlaceOf(twice))]).nodes[twice].name} is linked on both pages, and a page can link a block only once; give one of them its own first. Nothing was moved.`,
      );
    const sentence = describeHolders(tops.map((id) => page.nodes[id]));
    const whole = tops.flatMap((id) => subtree(page, id));
    const names = freeNames(undefined, whole, target.nodes);
    for (const id of whole) {
      copied(page, id, target, names, tops.includes(id) ? parentId : undefined);
      relinkLeaving(target.nodes[knownIn(names, id)], page, names);
    }
    let place = after;
    for (const id of tops) {
      const from = page.nodes[sure(page.nodes[id].parent)];
      from.children.splice(from.children.indexOf(id), 1);
      putAfter(parent.children, knownIn(names, id), place);
      place = knownIn(names, id);
    }
    const left = tops.map((id) => sure(page.nodes[id].parent));
    for (const id of whole) delete page.nodes[id];
    withoutEmptySets(page, left);
    for (const id of tops) {
      fitted(target, target.nodes[knownIn(names, id)]);
      settledInOverlay(site, target, target.nodes[knownIn(names, id)]);
    }
    followLinks(allTrees(site, pages), { names, from: page.id, to: target.id });
    return done(`${sentence}: moved to ${nameOfPage(pages, head)}`);
  },
};
