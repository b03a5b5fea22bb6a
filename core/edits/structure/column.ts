import { knownIn, sure } from '../../sure.ts';
import { hasTrait } from '../../elements/kinds/table.ts';
import type { View, ViewId } from '../../layered/views.ts';
import { hundredths, near, type Box, type MeasuredBoxes } from '../../layout/boxes.ts';
import { readingOrder } from '../../layout/reading.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import type { Extent } from '../../elements/valuetypes/extent.ts';
import type { Ratio } from '../../elements/valuetypes/geometry.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Node } from '../../site/node.ts';
import type { Page } from '../../site/site.ts';
import { placementIn } from '../../values/areas.ts';
import { partRoleOf } from '../../values/arranging.ts';
import { found } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { fitted, storeOrder } from '../placement/placing.ts';
import { boxIn, keep, keepWhere, replacedBy, strangeAsk, type ToOther } from './replacecontainer.ts';
import { counted } from '../../plural.ts';
import { viewsNamed } from '../values/textbyview.ts';

/** How the parts of an overlay stand one below another in a view. */
interface Stacked {
  order: NodeId[];
  /** px */
  gap: number;
  /** px; above the first and, beyond the gap, above each of the others. */
  above: Map<NodeId, number>;
  /** Whether none stands beside or over another, so that the look stays. */
  same: boolean;
}

/** px; what stands beside or over others is put so far apart. */
const APART = 16;

/** px; a line box may stand so far into the next one without being over it. */
const WITHIN = 1;

function stackedIn(page: Page, children: readonly Node[], { boxes }: MeasuredBoxes): Stacked {
  const shown = children.filter(({ id }) => boxes[id]);
  const read = readingOrder(
    shown.map((node) => ({ id: node.id, role: partRoleOf(page, node, 'areas'), box: boxes[node.id] })),
  );
  const hidden = children.filter(({ id }) => !boxes[id]).map(({ id }) => id);
  const distances = read.map((id, index) => {
    const before: Box | undefined = boxes[read[index - 1]];
    return boxes[id].top - (before ? before.top + before.height : 0);
  });
  const same = distances.every((distance) => distance > -WITHIN);
  const between = distances.slice(1);
  const gap = hundredths(same && between.length > 0 ? Math.max(0, Math.min(...between)) : APART);
  const above = new Map(
    read.map((id, index) => [id, same ? hundredths(distances[index] - (index === 0 ? 0 : gap)) : 0]),
  );
  return { order: [...read, ...hidden], gap, above, same };
}

/** What a block in a column keeps to, to stand where a box is. */
function alignFor({ left, width }: Box, within: number): 'auto' | 'start' | 'center' | 'end' {
  const after = within - left - width;
  if (near(left, 0) && near(after, 0)) return 'auto';
  if (near(left, after)) return 'center';
  return near(after, 0) ? 'end' : 'start';
}

/** A shape in the numbers that shapes are written in. */
function ratioOf({ width, height }: Box): Ratio {
  const longer = Math.max(width, height);
  return { width: hundredths((width / longer) * 100), height: hundredths((height / longer) * 100) };
}

/** The least and the greatest of margins, px. */
const MARGINS = { least: -400, most: 600 };

/** Turns an overlay into a column, in which its parts stand one below another in the order in which they are read, in every view. */
export const makeColumn: Command<ToOther> = {
  run(site, draft, args): Outcome<string> {
    const nodes = found(draft, [args.node]);
    if (!nodes.ok) return nodes;
    const [node] = nodes.value;
    if (!hasTrait(node, 'overlaying')) return refused(`${node.name} isn’t an overlay. Nothing was changed.`);
    const strange = strangeAsk(site, draft, args);
    if (strange) return strange;
    const { id, measured } = args;
    const { list, base } = site.views;
    const children = node.children.map((each) => draft.nodes[each]);
    const stacked = new Map(list.map(({ id: view }) => [view, stackedIn(draft, children, measured[view])]));
    // How they stand is asked before they are moved.
    const stood = new Map(
      children.map((child) => [
        child.id,
        new Map(list.map((view) => [view, placementIn(site, draft, child, view.id)])),
      ]),
    );
    const column = replacedBy(site, draft, node, id, 'column');
    column.children = [...knownIn(stacked, base).order];
    storeOrder(site, column, (view) => knownIn(stacked, view).order);
    keep(site, column, 'gap', (view) => knownIn(stacked, view.id).gap);
    const held = (px: number) => Math.max(MARGINS.least, Math.min(MARGINS.most, px));
    for (const child of children) {
      fitted(draft, child);
      const at = (view: View) => boxIn(measured, view, child.id);
      const align = (view: View) => {
        const { box, within } = at(view);
        return box ? alignFor(box, within) : 'auto';
      };
      keep(site, child, 'marginTop', (view) => held(knownIn(stacked, view.id).above.get(child.id) ?? 0));
      keep(site, child, 'blockAlign', align);
      keep(site, child, 'marginLeft', (view) =>
        align(view) === 'start' ? held(hundredths(sure(at(view).box).left)) : 0,
      );
      keepWhere(site, draft, child, 'width', (view): Extent | undefined => {
        const wide = knownIn(knownIn(stood, child.id), view).heldAcross === 'stretch';
        return wide && align(view) !== 'auto' ? { px: hundredths(sure(at(view).box).width) } : undefined;
      });
      keepWhere(site, draft, child, 'cropRatio', (view): Ratio | undefined => {
        const { heldAcross, heldDown } = knownIn(knownIn(stood, child.id), view);
        const { box } = at(view);
        const filled = heldAcross === 'stretch' && heldDown === 'stretch' && box && box.height >= 1;
        return filled ? ratioOf(box) : undefined;
      });
    }
    const count = counted(children.length, 'part');
    return done(`${node.name}: a column of ${count} now, in every view; ${changeIn(site, stacked)}`);
  },
};

/** Where the look did not stay, in words. */
function changeIn(site: Parameters<typeof viewsNamed>[0], stacked: ReadonlyMap<ViewId, Stacked>): string {
  const changed = [...stacked].filter(([, { same }]) => !same).map(([view]) => view);
  return changed.length === 0
    ? 'every part stays where it was'
    : `what was beside or over another is now below it in ${viewsNamed(site, changed)}`;
}
