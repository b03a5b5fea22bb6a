import { counted, hasTrait, lastOf, mainRegion, regionsOf } from '../../../core/index.ts';
import { edit } from '../../state/edits.ts';
import { newSavedBlockName } from '../../state/structure.ts';
import type { ActionGroup, BlockAction, Selected } from './action.ts';

/** What can be done with the layout of a page and its regions. A region that is hidden in a view stays in the layout. */
export function layouting({ page, nodes, onDialog }: Selected): ActionGroup[] {
  const lead = lastOf(nodes);
  if (nodes.length > 1) return [];
  const entries: BlockAction[] = [];
  if (hasTrait(lead, 'page') || hasTrait(lead, 'page layout'))
    entries.push({ label: 'Choose the layout of the page …', run: () => onDialog('layout') });
  if (hasTrait(lead, 'page layout'))
    entries.push({
      label: `Save ${lead.name} as a layout of the site`,
      run: edit('keepLayout', { node: lead.id, id: newSavedBlockName(), name: lead.name }),
    });
  if (hasTrait(lead, 'region') && lead.parent !== null) {
    const others = regionsOf(page, page.nodes[lead.parent]).filter(({ id }) => id !== lead.id);
    const count = lead.children.length;
    for (const to of others.length > 0 ? [mainRegion(others)] : [])
      entries.push({
        label: `Remove ${lead.name} from the layout in every view${count > 0 ? `; its ${counted(count, 'section')} to ${to.name}` : ''}`,
        run: edit('removeRegion', { node: lead.id, to: to.id }),
      });
  }
  return entries.length > 0 ? [{ heading: 'Layout', entries }] : [];
}
