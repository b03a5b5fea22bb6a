import type { NodeId } from '../../elements/nodeid.ts';
import { viewOf, type ViewId } from '../../layered/views.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Command } from '../command.ts';
import { found } from './aim.ts';

/**
 * Says that a section is fine in a view as it was seen there, `as` what `likenessIn` answered for it then; with null, that it is
 * not any more. What others have changed meanwhile was not seen, and is not said to be fine.
 */
export const setReviewed: Command<{ node: NodeId; view: ViewId; as: string | null }> = {
  run(site, page, { node: id, view, as }): Outcome<string> {
    const nodes = found(page, [id]);
    if (!nodes.ok) return nodes;
    if (!site.views.list.some((each) => each.id === view))
      return refused('The view is no longer on this site. Nothing was changed.');
    const [node] = nodes.value;
    const { name } = viewOf(site.views, view);
    if (as !== null) {
      node.reviewed = { ...node.reviewed, [view]: as };
      return done(`${node.name}: fine in ${name}`);
    }
    if (node.reviewed?.[view] === undefined)
      return refused(`${node.name} is not marked as fine in ${name}. Nothing was changed.`);
    delete node.reviewed[view];
    if (Object.keys(node.reviewed).length === 0) delete node.reviewed;
    return done(`${node.name}: no longer marked as fine in ${name}`);
  },
};
