import { valueIn } from '../../values/trace.ts';
import { knownIn, sure } from '../../sure.ts';
import { hasTrait, kindOf, knownKind } from '../../elements/kinds/table.ts';
import { viewOf, type View, type ViewId } from '../../layered/views.ts';
import {
  acrossFor,
  downFor,
  hundredths,
  rowsWithin,
  type Box,
  type MeasuredBoxes,
} from '../../layout/boxes.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { MOST_ROWS, OVERLAY, ROW_HEIGHTS } from '../../elements/properties/area.ts';
import { MOST_OFFSET } from '../../elements/valuetypes/offset.ts';
import type { Extent } from '../../elements/valuetypes/extent.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Node } from '../../site/node.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { interleavingIn, opens } from '../../values/interleaving.ts';
import { found, store } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { fitted } from '../placement/placing.ts';
import { boxIn, keep, keepWhere, replacedBy, strangeAsk, type ToOther } from './replacecontainer.ts';
import { accepts } from './structure.ts';

/** Whether an element can become an overlay, or, as a section, have one in place of all that is in it. */
export const canBeOverlay = (kind: string): boolean => kindOf(kind)?.canBecomeOverlay ?? false;

/** px; rows of an overlay that is made are about so high. */
const ROW = 24;

/** Whether an element is as wide as what it stands in has it, and not as its words are. */
function isHeldWide(site: SiteFrame, page: Page, node: Node, view: ViewId): boolean {
  const width = valueIn(site, page, node, 'width', view) ?? 'auto';
  if (width !== 'auto') return 'percent' in width;
  const own = valueIn(site, page, node, 'blockAlign', view) ?? 'auto';
  const parts = () =>
    valueIn(site, page, page.nodes[sure(node.parent, 'parent')], 'justifyItems', view) ?? 'stretch';
  return (own === 'auto' ? parts() : own) === 'stretch';
}

/** Whether an element is as high as the row that it stands in. */
const isHeldHigh = (site: SiteFrame, page: Page, node: Node, view: ViewId): boolean =>
  hasTrait(page.nodes[sure(node.parent, 'parent')], 'row') &&
  valueIn(site, page, page.nodes[sure(node.parent, 'parent')], 'alignItems', view) === 'stretch';

/** Puts all that is in a section into an overlay in it. */
function overlayWithin(draft: Page, section: Node, id: NodeId): Node {
  const { label: name } = knownKind(OVERLAY);
  const children = [...section.children];
  draft.nodes[id] = { id, kind: OVERLAY, name, parent: section.id, children, style: {}, content: {} };
  for (const child of children) draft.nodes[child].parent = id;
  section.children = [id];
  store(section, 'self', 'order', {});
  return draft.nodes[id];
}

/** Why an element cannot become an overlay; undefined where it can. */
export function overlayFault(site: SiteFrame, page: Page, node: Node): string | undefined {
  const odd = node.children.find((each) => !accepts({ kind: OVERLAY }, page.nodes[each].kind));
  if (!canBeOverlay(node.kind) || odd) return `${node.name} cannot be an overlay.`;
  const parent = page.nodes[sure(node.parent, 'parent')];
  const row = node.style.self?.interleave ? node : parent;
  const mixed = site.views.list.filter(({ id }) => interleavingIn(row, site.views, id));
  if (mixed.length > 0 && (row === node || opens(node)))
    return `${row.name} interleaves its columns in ${mixed.map(({ name }) => name).join(', ')}; keep them together there first.`;
  return hasTrait(node, 'section') || accepts(parent, OVERLAY)
    ? undefined
    : `${parent.name} takes no overlay.`;
}

/** A part that is put elsewhere as its container becomes an overlay: by so many px of the page, across from where lines begin and down, in one view. */
export interface MovedPart {
  node: NodeId;
  view: ViewId;
  across: number;
  down: number;
}

/** Where a moved part has its box, px from the top and the start of its container; within it across, and not above it. */
function movedBox(box: Box, within: number, { across, down }: MovedPart): Box {
  const left = Math.max(0, Math.min(within - box.width, box.left + across));
  return { ...box, left: hundredths(left), top: hundredths(Math.max(0, box.top + down)) };
}

/** Turns a container into an overlay in which every part stands where it stood, in every view but for one that is moved in one of them; of a section, all that is in it. */
export const makeOverlay: Command<ToOther & { moved?: MovedPart }> = {
  run(site, draft, args): Outcome<string> {
    const nodes = found(draft, [args.node]);
    if (!nodes.ok) return nodes;
    const [node] = nodes.value;
    const fault = overlayFault(site, draft, node);
    if (fault) return refused(`${fault} Nothing was changed.`);
    const strange = strangeAsk(site, draft, args);
    if (strange) return strange;
    const { id, moved } = args;
    const shifted = shiftedBoxes(args);
    if (!shifted) return refused('What was dragged does not show in that view. Nothing was changed.');
    const measured = shifted;
    const { list } = site.views;
    const children = node.children.map((each) => draft.nodes[each]);
    const rows = new Map(
      list.map((view) => [view.id, rowsWithin(measured[view.id].height, ROW, ROW_HEIGHTS)]),
    );
    const across = (child: Node, view: View) => {
      const { box, within } = boxIn(measured, view, child.id);
      return acrossFor(box ?? { left: 0, width: within }, within, view.grid.columns, view.grid.gutter);
    };
    const down = (child: Node, view: View) => {
      const { height, count } = knownIn(rows, view.id);
      return downFor(boxIn(measured, view, child.id).box ?? { top: count * height, height: 0 }, height);
    };
    // What holds where they stand now is asked before they are moved.
    const sizes = new Map(
      children.map((child) => [
        child.id,
        new Map(
          list.map((view) => {
            const { box } = boxIn(measured, view, child.id);
            const wide = isHeldWide(site, draft, child, view.id) && across(child, view).held !== 'stretch';
            const high = isHeldHigh(site, draft, child, view.id);
            return [
              view,
              { width: wide ? box?.width : undefined, height: high ? box?.height : undefined },
            ] as const;
          }),
        ),
      ]),
    );
    const overlay = hasTrait(node, 'section')
      ? overlayWithin(draft, node, id)
      : replacedBy(site, draft, node, id, OVERLAY);
    store(overlay, 'self', 'order', {});
    keep(site, overlay, 'rowHeight', (view) => knownIn(rows, view.id).height);
    keep(site, overlay, 'leastRows', (view) => Math.min(MOST_ROWS, knownIn(rows, view.id).count));
    for (const child of children) {
      fitted(draft, child);
      keep(site, child, 'areaColumn', (view) => across(child, view).column);
      keep(site, child, 'span', (view) => across(child, view).span);
      keep(site, child, 'areaRow', (view) => Math.min(MOST_ROWS, down(child, view).row));
      keep(site, child, 'areaRows', (view) => Math.min(MOST_ROWS, down(child, view).rows));
      keep(site, child, 'heldAcross', (view) => across(child, view).held);
      keepOffset(site, child, 'offsetAcross', (view) => across(child, view).offset);
      keepOffset(site, child, 'offsetDown', (view) => down(child, view).offset);
      const size = (view: View) => knownIn(knownIn(sizes, child.id), view);
      const length = (px: number | undefined) => (px === undefined ? undefined : hundredths(px));
      keepWhere(site, draft, child, 'width', (view): Extent | undefined => {
        const px = length(size(view).width);
        return px === undefined ? undefined : { px: Math.max(1, px) };
      });
      keepWhere(site, draft, child, 'minHeight', (view) => length(size(view).height));
    }
    const what = hasTrait(node, 'section')
      ? 'now contains an overlay in every view'
      : 'now an overlay in every view';
    return done(
      moved
        ? `${draft.nodes[moved.node].name}: placed freely in ${viewOf(site.views, moved.view).name} only; ${node.name} is ${what}`
        : `${node.name}: ${what}; every part stays where it was`,
    );
  },
};

/** The boxes as they are to be: as they were measured, but for a part that is moved; undefined where that has none in its view. */
function shiftedBoxes({ measured, moved }: ToOther & { moved?: MovedPart }): ToOther['measured'] | undefined {
  if (!moved) return measured;
  const of = measured[moved.view] as MeasuredBoxes | undefined;
  const box = of?.boxes[moved.node];
  if (!of || !box) return undefined;
  const boxes = { ...of.boxes, [moved.node]: movedBox(box, of.width, moved) };
  return { ...measured, [moved.view]: { ...of, boxes } };
}

function keepOffset(
  site: SiteFrame,
  node: Node,
  name: 'offsetAcross' | 'offsetDown',
  by: (view: View) => number,
): void {
  if (site.views.list.every((view) => by(view) === 0)) return;
  keep(site, node, name, (view) => ({ px: Math.max(-MOST_OFFSET, Math.min(MOST_OFFSET, by(view))) }));
}
