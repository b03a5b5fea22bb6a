import { sure } from '../../sure.ts';
import { textByViewOf } from '../../elements/propertytable.ts';
import { type ViewId, viewOf } from '../../layered/views.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { staleTexts } from '../../values/textbyview.ts';
import { found, settled } from './aim.ts';
import type { Command } from '../command.ts';
import { lookup } from '../../lookup.ts';

export interface ConfirmText {
  node: NodeId;
  /** The field of its content. */
  field: string;
  view: ViewId;
}

/** Says of words that they are still right, although what they were written beside has changed. */
export const keepWording: Command<ConfirmText> = {
  run(site, draft, { node: id, field, view }): Outcome<string> {
    const nodes = found(draft, [id]);
    if (!nodes.ok) return nodes;
    const [node] = nodes.value;
    const property = textByViewOf(node.kind, field);
    const where = viewOf(site.views, view).name;
    const stale = staleTexts(node).some((each) => each.property === property && each.view === view);
    if (!property || !stale) return refused(`${node.name} has nothing to confirm in ${where}.`);
    const override = sure(sure(lookup(sure(node.style.self, 'self'), property.name)).at)[view];
    override.value = settled(node, property, override.value);
    return done(`${node.name}: ${property.label.toLowerCase()} in ${where} is still correct`);
  },
};
