import { wordingOf } from '../elements/propertytable.ts';
import type { Wording } from '../elements/content/wording.ts';
import type { ViewId } from '../layered/views.ts';
import { viewOf } from '../layered/views.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { done, refused, type Outcome } from '../outcome.ts';
import { staleWordings } from '../values/wordings.ts';
import { found, settled } from './aim.ts';
import type { Command } from './command.ts';
import { lookup } from '../lookup.ts';

export interface KeepWording {
  node: NodeId;
  /** The field of its content. */
  field: string;
  view: ViewId;
}

/** Says of words that they are still right, although what they were written beside has changed. */
export const keepWording: Command<KeepWording> = {
  run(site, draft, { node: id, field, view }): Outcome<string> {
    const nodes = found(draft, [id]);
    if (!nodes.ok) return nodes;
    const [node] = nodes.value;
    const property = wordingOf(node.kind, field);
    const where = viewOf(site.views, view).name;
    const stale = staleWordings(node).some((each) => each.property === property && each.view === view);
    if (!property || !stale) return refused(`${node.name} has nothing to confirm in ${where}.`);
    const override = lookup(node.style.self!, property.name)!.at![view];
    override.value = settled(node, property, override.value as Wording);
    return done(`${node.name}: ${property.label.toLowerCase()} in ${where} is still correct`);
  },
};
