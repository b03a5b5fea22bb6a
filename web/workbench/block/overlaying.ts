import { canBeOverlay, counted, hasTrait, lastOf, viewOf } from '../../../core/index.ts';
import {
  behind,
  canPair,
  isPart,
  lineUp,
  makeSameSize,
  overlapped,
  pairUp,
  pushDown,
  shorten,
  spaceEvenly,
} from '../../state/areas.ts';
import { scope, type ActionGroup, type BlockAction, type Selected } from './action.ts';
import { become, fitToContent, lineUpBaselines } from './measured.ts';

/** What can be done with the places of several parts of one overlay. */
function together({ site, page, nodes, active }: Selected): ActionGroup {
  const ids = nodes.map(({ id }) => id);
  const entries: BlockAction[] = [
    { label: 'Align left edges', run: lineUp(ids, active, 'across', 'start') },
    { label: 'Align centres', run: lineUp(ids, active, 'across', 'center') },
    { label: 'Align right edges', run: lineUp(ids, active, 'across', 'end') },
    { label: 'Align tops', run: lineUp(ids, active, 'down', 'start') },
    { label: 'Align middles', run: lineUp(ids, active, 'down', 'center') },
    { label: 'Align bottoms', run: lineUp(ids, active, 'down', 'end') },
    { label: 'Align baselines', run: lineUpBaselines(ids, active) },
    { label: 'Same width as the last one', run: makeSameSize(ids, active, 'across') },
    { label: 'Same height as the last one', run: makeSameSize(ids, active, 'down') },
    { label: 'Space evenly across', run: spaceEvenly(ids, active, 'across') },
    { label: 'Space evenly down', run: spaceEvenly(ids, active, 'down') },
    { label: 'One row apart', run: spaceEvenly(ids, active, 'down', 1) },
    { label: 'One column apart', run: spaceEvenly(ids, active, 'across', 1) },
  ];
  if (canPair({ site, page }, ids, active))
    entries.push({ label: 'Side by side, one to one', run: pairUp(ids, active) });
  return { heading: `Line up ${ids.length} parts`, entries };
}

/** Free placing: containers whose parts may lie over one another, and their parts. */
export function overlaying(selected: Selected): ActionGroup[] {
  const { site, page, nodes, active } = selected;
  const lead = lastOf(nodes);
  const { name } = viewOf(site.views, active);
  const parts = nodes.filter((node) => isPart(page, node) && node.parent === lead.parent);
  const alone = nodes.length === 1;
  const entries: BlockAction[] = [];
  if (parts.length > 0)
    entries.push({
      label: `Fit to content in ${name}`,
      run: fitToContent(
        parts.map(({ id }) => id),
        active,
      ),
    });
  const ids = parts.map(({ id }) => id);
  if (parts.length > 0) {
    const stay = behind({ site, page }, ids, active);
    const covered = overlapped({ site, page }, ids, active).filter((id) => !stay.has(id));
    if (covered.length > 0)
      entries.push({
        label: `Push down ${covered.length > 1 ? counted(covered.length, 'part') : page.nodes[covered[0]].name} in ${name}`,
        run: pushDown(ids, active, stay),
      });
  }
  if (alone && hasTrait(lead, 'overlaying'))
    entries.push(
      { label: `Remove empty rows in ${name}`, run: shorten(lead.id, active, 'anywhere') },
      { label: `Remove empty rows below in ${name}`, run: shorten(lead.id, active, 'below') },
      { label: `Turn it into a column${scope(site, active)}`, run: become('makeColumn', lead.id) },
    );
  if (alone && canBeOverlay(lead.kind) && lead.children.length > 0)
    entries.push({
      label: `${hasTrait(lead, 'section') ? 'Put everything in it into an overlay' : 'Turn it into an overlay'}${scope(site, active)}`,
      run: become('makeOverlay', lead.id),
    });
  return [
    ...(parts.length > 1 ? [together({ ...selected, nodes: parts })] : []),
    ...(entries.length > 0 ? [{ heading: 'Overlay', entries }] : []),
  ];
}
