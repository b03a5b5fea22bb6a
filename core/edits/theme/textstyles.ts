import { knownKind } from '../../elements/kinds/table.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done, refused } from '../../outcome.ts';
import { found } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { describeHolders } from '../values/textbyview.ts';

/** Gives elements a text style, or, without one, the style that their kind takes by itself. */
export const setTextStyle: Command<{ nodes: NodeId[]; textStyle?: string }> = {
  run(site, draft, { nodes: ids, textStyle }) {
    const nodes = found(draft, ids);
    if (!nodes.ok) return nodes;
    const style = site.textStyles.find(({ id }) => id === textStyle);
    if (textStyle !== undefined && !style) return refused(`The site has no text style “${textStyle}”.`);
    const other = nodes.value.find(({ kind }) => !knownKind(kind).textStyle);
    if (other) return refused(`${other.name} has no text that could take a text style.`);
    for (const node of nodes.value) {
      if (textStyle === undefined) delete node.textStyle;
      else node.textStyle = textStyle;
    }
    return done(
      `${describeHolders(nodes.value)}: text style ${style?.name ?? 'default of its kind'} in every view`,
    );
  },
};
