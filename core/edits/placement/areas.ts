import { knownIn, sure } from '../../sure.ts';
import { hasTrait } from '../../elements/kinds/table.ts';
import { express, same } from '../../layered/express.ts';
import { type EditReach } from '../../layered/change.ts';
import type { ViewId } from '../../layered/views.ts';
import { firstFree, rowsTaken } from '../../layout/areas.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { MOST_ROWS } from '../../elements/properties/area.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Node } from '../../site/node.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { PLACEMENT_PROPERTIES, setPlacement, placementIn, type AreaPlacement } from '../../values/areas.ts';
import { resolve } from '../../values/trace.ts';
import { found, store, valueFault, setIn } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { counted } from '../../plural.ts';
import { describeReach } from '../values/textbyview.ts';

/** The rows that a new part of an overlay may be put down to. */
const heldRow = (row: number): number => Math.min(row, MOST_ROWS);

/** Whether an element stands in an overlay. */
const inOverlay = (page: Page, { parent }: Node): boolean =>
  parent !== null && hasTrait(page.nodes[parent], 'overlaying');

/**
 * Gives an element that has come into an overlay an area of its own in every view: the one it asks for, moved down to where nothing
 * else is; below all others, where it asks for none.
 */
export function settledInOverlay(site: SiteFrame, page: Page, node: Node): void {
  if (!inOverlay(page, node)) return;
  const others = page.nodes[sure(node.parent, 'parent')].children.filter(
    (id) => id !== node.id && page.nodes[id],
  );
  const asks = node.style.self?.areaRow !== undefined;
  const own = new Map(site.views.list.map(({ id }) => [id, placementIn(site, page, node, id)]));
  const free = new Map(
    site.views.list.map(({ id }) => {
      const taken = others.map((each) => placementIn(site, page, page.nodes[each], id));
      const from = asks ? knownIn(own, id).row : rowsTaken(taken) + 1;
      return [id, heldRow(firstFree(knownIn(own, id), taken, from).row)];
    }),
  );
  if (site.views.list.every(({ id }) => free.get(id) === knownIn(own, id).row)) return;
  store(
    node,
    'self',
    'areaRow',
    express(site.views, ({ id }) => knownIn(free, id)),
  );
}

/** What a step that places parts says was done, where it was more than placing. */
export const PLACED = {
  placed: 'placed',
  lined: 'lined up',
  sized: 'made the same size',
  spaced: 'spaced evenly',
  matched: 'put side by side',
  fitted: 'fitted to their content',
  shortened: 'empty rows removed',
  pushed: 'pushed down',
} as const;

export interface PlaceParts {
  /** Parts of one overlay or of several, each with what changes of where it stands. */
  parts: ({ node: NodeId } & Partial<AreaPlacement>)[];
  view: ViewId;
  reach: EditReach;
  /** The least number of rows of overlays. */
  rows?: { node: NodeId; least: number }[];
  done?: keyof typeof PLACED;
}

const columnsOf = ({ column, span }: AreaPlacement): string =>
  span === 1 ? `column ${column}` : `columns ${column}–${column + span - 1}`;
const rowsOf = ({ row, rows }: AreaPlacement): string =>
  rows === 1 ? `row ${row}` : `rows ${row}–${row + rows - 1}`;

/** Where a part stands in words: "columns 3–6, rows 2–4". */
export const describeArea = (at: AreaPlacement): string => `${columnsOf(at)}, ${rowsOf(at)}`;

/** Sets a value in a view where it is another than what holds there; answers why it cannot be, or whether it was. */
function set(
  site: SiteFrame,
  draft: Page,
  node: Node,
  name: string,
  { value, before, view, reach }: { value: unknown; before: unknown; view: ViewId; reach: EditReach },
): Outcome<boolean> {
  const property = knownProperty(name);
  const fault = valueFault(property, value, site);
  if (fault) return refused(`${property.label} of ${node.name}: ${fault}`);
  if (same(value, before)) return done(false);
  setIn(site, draft, node, 'self', property, { view, value, reach });
  return done(true);
}

/** Places parts of overlays in a view, each value with the reach, in one step. What is given and holds already is left alone. */
export const placeParts: Command<PlaceParts> = {
  run(site, draft, { parts, view, reach, rows = [], done: act = 'placed' }): Outcome<string> {
    const nodes = found(
      draft,
      [...parts, ...rows].map(({ node }) => node),
    );
    if (!nodes.ok) return nodes;
    const placed = nodes.value.slice(0, parts.length);
    const stray = placed.find((node) => !inOverlay(draft, node));
    if (stray) return refused(`${stray.name} is not in an overlay. Nothing was changed.`);
    let changed = 0;
    for (const [index, { node: id, ...wanted }] of parts.entries()) {
      const node = draft.nodes[id];
      const before = setPlacement(site, draft, placed[index], view);
      let touched = false;
      for (const [name, value] of Object.entries(wanted)) {
        const key = name as keyof AreaPlacement;
        const made = set(site, draft, node, PLACEMENT_PROPERTIES[key], {
          value,
          before: before[key],
          view,
          reach,
        });
        if (!made.ok) return made;
        touched ||= made.value;
      }
      if (touched) changed += 1;
    }
    for (const { node: id, least } of rows) {
      const made = setLeastRows(site, draft, draft.nodes[id], least, view, reach);
      if (!made.ok) return made;
      if (made.value) changed += 1;
    }
    const where = describeReach(site, view, reach);
    if (changed === 0) return refused('They are already there; nothing was changed.');
    const [lead] = placed;
    if (act === 'placed' && placed.length === 1)
      return done(`${lead.name}: ${describeArea(placementIn(site, draft, lead, view))} ${where}`);
    const what = placed.length === 1 ? lead.name : counted(placed.length, 'part');
    return done(`${what}: ${PLACED[act]} ${where}`);
  },
};

function setLeastRows(
  site: SiteFrame,
  page: Page,
  node: Node,
  value: number,
  view: ViewId,
  reach: EditReach,
): Outcome<boolean> {
  if (!hasTrait(node, 'overlaying')) return refused(`${node.name} isn’t an overlay. Nothing was changed.`);
  const property = knownProperty('leastRows');
  const before = resolve(site, page, node, property, view);
  return set(site, page, node, 'leastRows', { value, before, view, reach });
}
