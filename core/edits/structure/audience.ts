import { sure } from '../../sure.ts';
import { hasTrait } from '../../elements/kinds/table.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Audience } from '../../site/node.ts';
import { found } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { describeHolders } from '../values/textbyview.ts';

/** Whom elements are for, in words. */
const FOR: Record<Audience | 'everyone', string> = {
  everyone: 'everyone',
  'signed-in': 'signed-in visitors',
  'signed-out': 'signed-out visitors',
};

/** Says whom elements are for, in every view: what a visitor may not see is not sent. */
export const setAudience: Command<{ nodes: NodeId[]; audience: Audience | 'everyone' }> = {
  run(site, draft, { nodes: ids, audience }): Outcome<string> {
    const nodes = found(draft, ids);
    if (!nodes.ok) return nodes;
    const whole = nodes.value.some(({ id }) => id === draft.root);
    if (whole && site.pages.some(({ id, missing }) => id === draft.id && missing))
      return refused('The page for missing pages is for everyone. Nothing was changed.');
    const alternate = nodes.value.find(
      ({ parent }) => parent !== null && hasTrait(draft.nodes[parent], 'alternating'),
    );
    if (alternate)
      return refused(
        `Of ${draft.nodes[sure(alternate.parent, 'parent')].name} exactly one alternate shows, to everyone: set the audience of the whole set. Nothing was changed.`,
      );
    for (const node of nodes.value) {
      delete node.audience;
      if (audience !== 'everyone') node.audience = audience;
    }
    return done(`${describeHolders(nodes.value)}: for ${FOR[audience]}`);
  },
};
