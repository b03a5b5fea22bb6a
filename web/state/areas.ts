import {
  type Area,
  type AreaPlacement,
  type Arguments,
  type Axis,
  besideEach,
  hasTrait,
  heldArea,
  knownProperty,
  lastOf,
  type Line,
  linedUp,
  lookup,
  MOST_ROWS,
  meeting,
  pushedDown,
  type Node,
  type NodeId,
  type Offset,
  type Page,
  partsIn,
  placementIn,
  resolve,
  rowsTaken,
  sameLength,
  setPlacement,
  type SiteFrame,
  spacedEvenly,
  sure,
  united,
  type ViewId,
  viewOf,
  withoutEmptyRows,
} from '../../core/index.ts';
import { documents, openPage } from './documents.ts';
import { edit } from './edits.ts';
import type { Thunk } from './store.ts';

const { refusedEdit } = documents.actions;

/** A page that is open, and what of the site it needs. */
interface Open {
  site: SiteFrame;
  page: Page;
}

const pick = ({ column, span, row, rows }: Area): Area => ({ column, span, row, rows });

/** Whether an element stands in an overlay. */
export const isPart = (page: Page, { parent }: Node): boolean =>
  parent !== null && hasTrait(page.nodes[parent], 'overlaying');

/** Changes where the selected parts of overlays stand in a view, each from where it stands; nothing where none does. */
export function restand(
  nodes: readonly NodeId[],
  view: ViewId,
  change: (at: AreaPlacement, columns: number) => Partial<AreaPlacement>,
): Thunk {
  return (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    const { columns } = viewOf(site.views, view).grid;
    const parts = nodes
      .filter((id) => isPart(page, page.nodes[id]))
      .map((node) => ({ node, ...change(placementIn(site, page, page.nodes[node], view), columns) }));
    if (parts.length === 0) return;
    // At an edge there is no further to go, which needs no words.
    const moves = parts.some(({ node, ...wanted }) => {
      const before = setPlacement(site, page, page.nodes[node], view);
      return Object.entries(wanted).some(([name, value]) => lookup({ ...before }, name) !== value);
    });
    if (moves) dispatch(edit('placeParts', { parts, view, reach: getState().desk.reach }));
  };
}

/** The other parts of the overlay of some parts in a view, as they stand, and those parts themselves. */
function standing({ site, page }: Open, nodes: readonly NodeId[], view: ViewId) {
  const overlay = page.nodes[sure(page.nodes[lastOf(nodes)].parent, 'parent')];
  const all = partsIn(site, page, overlay, view);
  const isMoved = ({ id }: { id: NodeId }) => nodes.includes(id);
  return {
    others: new Map(all.filter((each) => !isMoved(each)).map(({ id, at }) => [id, pick(at)])),
    moved: all.filter(isMoved).map(({ at }) => pick(at)),
  };
}

/** The other parts of their overlay whose areas those of some parts overlap in a view; with `at`, where the parts would stand. */
export function overlapped(
  open: Open,
  nodes: readonly NodeId[],
  view: ViewId,
  at?: readonly Area[],
): NodeId[] {
  const { others, moved } = standing(open, nodes, view);
  return meeting(others, at ?? moved);
}

/** Makes room for parts where they stand: what they overlap goes down, but for what `stays`. */
export function pushDown(nodes: readonly NodeId[], view: ViewId, stays: ReadonlySet<NodeId>): Thunk {
  return (dispatch, getState) => {
    const open = sure(openPage(getState()));
    // It may be asked for after somebody has deleted them.
    const there = nodes.filter((id) => lookup(open.page.nodes, id) && isPart(open.page, open.page.nodes[id]));
    if (there.length === 0) return;
    const { others, moved } = standing(open, there, view);
    for (const id of stays) others.delete(id);
    const parts = [...pushedDown(others, moved)].map(([node, row]) => ({ node, row }));
    if (parts.length > 0)
      dispatch(edit('placeParts', { parts, view, reach: getState().desk.reach, done: 'pushed' }));
  };
}

/** What lies behind or around parts and stays where it is when they push down: what they overlap and begins above them. */
export function behind(open: Open, nodes: readonly NodeId[], view: ViewId): ReadonlySet<NodeId> {
  const { others, moved } = standing(open, nodes, view);
  const top = Math.min(...moved.map(({ row }) => row));
  return new Set(meeting(others, moved).filter((id) => sure(others.get(id)).row < top));
}

const within = (rows: number): number => Math.max(1, Math.min(MOST_ROWS, rows));

/** Moves parts by so many columns and rows, as far as there are any. */
export const moveParts = (nodes: readonly NodeId[], view: ViewId, columns: number, rows: number): Thunk =>
  restand(nodes, view, (at, all) => {
    const { column, row } = heldArea({ ...at, column: at.column + columns, row: within(at.row + rows) }, all);
    return { ...(columns !== 0 && { column }), ...(rows !== 0 && { row }) };
  });

/** Lets parts take so many columns and rows more, or less, from where they begin. */
export const sizeParts = (nodes: readonly NodeId[], view: ViewId, columns: number, rows: number): Thunk =>
  restand(nodes, view, (at, all) => ({
    ...(columns !== 0 && { span: Math.max(1, Math.min(all - at.column + 1, at.span + columns)) }),
    ...(rows !== 0 && { rows: within(at.rows + rows) }),
  }));

const more = (offset: Offset, by: number): Offset =>
  'px' in offset ? { px: offset.px + by } : { percent: offset.percent + by };

/** Shifts parts by a px, or a hundredth of their area where that is how they are offset, from what they are held to. */
export function shiftParts(
  nodes: readonly NodeId[],
  view: ViewId,
  axis: 'across' | 'down',
  by: number,
): Thunk {
  const [held, offset] =
    axis === 'across' ? (['heldAcross', 'offsetAcross'] as const) : (['heldDown', 'offsetDown'] as const);
  return (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    const fixed = nodes.find(
      (id) =>
        isPart(page, page.nodes[id]) && placementIn(site, page, page.nodes[id], view)[held] === 'stretch',
    );
    if (fixed) {
      const { name } = page.nodes[fixed];
      const way = axis === 'across' ? 'horizontally' : 'vertically';
      dispatch(
        refusedEdit(
          `${name} takes all of its area ${way}; anchor it to an edge or the centre to offset it. Nothing was changed.`,
        ),
      );
      return;
    }
    dispatch(restand(nodes, view, (at) => ({ [offset]: more(at[offset], at[held] === 'end' ? -by : by) })));
  };
}

/** The selected parts of the overlay that the last of them stands in, with where they stand. */
function selectedParts({ site, page }: Open, nodes: readonly NodeId[], view: ViewId) {
  const overlay = page.nodes[lastOf(nodes)].parent;
  return nodes
    .filter((id) => page.nodes[id].parent === overlay && isPart(page, page.nodes[id]))
    .map((id) => ({ id, at: placementIn(site, page, page.nodes[id], view) }));
}

/** Places the selected parts as was worked out of where they stand. */
function placeTogether(
  nodes: readonly NodeId[],
  view: ViewId,
  done: Arguments<'placeParts'>['done'],
  work: (parts: readonly AreaPlacement[]) => readonly Partial<AreaPlacement>[],
): Thunk {
  return (dispatch, getState) => {
    const parts = selectedParts(sure(openPage(getState())), nodes, view);
    const placed = work(parts.map(({ at }) => at));
    const reach = getState().desk.reach;
    dispatch(
      edit('placeParts', {
        parts: parts.map(({ id }, index) => ({ node: id, ...placed[index] })),
        view,
        reach,
        done,
      }),
    );
  };
}

/**
 * Lines parts up: with one of their edges or their middles on one line. Those that are smaller than their areas are held to that line, in
 * the middle of what all of them take.
 */
export const lineUp = (nodes: readonly NodeId[], view: ViewId, axis: Axis, line: Line): Thunk =>
  placeTogether(nodes, view, 'lined', (parts) => {
    const [held, offset] =
      axis === 'across' ? (['heldAcross', 'offsetAcross'] as const) : (['heldDown', 'offsetDown'] as const);
    const all = united(parts);
    const areas = linedUp(parts.map(pick), axis, line);
    return parts.map((at, index): Partial<AreaPlacement> => {
      const area = areas[index];
      if (at[held] === 'stretch') return area;
      const whole =
        axis === 'across' ? { column: all.column, span: all.span } : { row: all.row, rows: all.rows };
      return { ...area, ...(line === 'center' && whole), [held]: line, [offset]: { px: 0 } };
    });
  });

/** Lets parts take as many columns, or rows, as the last of them. */
export const makeSameSize = (nodes: readonly NodeId[], view: ViewId, axis: Axis): Thunk =>
  placeTogether(nodes, view, 'sized', (parts) => sameLength(parts.map(pick), lastOf(parts), axis));

/** Spaces parts evenly, so many columns or rows apart where a step is given; none is shifted along that axis any more. */
export const spaceEvenly = (nodes: readonly NodeId[], view: ViewId, axis: Axis, step?: number): Thunk =>
  placeTogether(nodes, view, 'spaced', (parts) => {
    const offset = axis === 'across' ? 'offsetAcross' : 'offsetDown';
    return spacedEvenly(parts.map(pick), axis, step).map((area) => ({ ...area, [offset]: { px: 0 } }));
  });

/** Of some parts those of the kind of the last one, and the others, each from the top. */
function pairs(open: Open, nodes: readonly NodeId[], view: ViewId) {
  const { page } = open;
  const parts = selectedParts(open, nodes, view).sort((one, other) => one.at.row - other.at.row);
  const { kind } = page.nodes[lastOf(nodes)];
  const those = parts.filter(({ id }) => page.nodes[id].kind !== kind);
  return { these: parts.filter(({ id }) => page.nodes[id].kind === kind), those };
}

/** Whether parts can be put beside each other, one to one. */
export const canPair = (open: Open, nodes: readonly NodeId[], view: ViewId): boolean => {
  const { these, those } = pairs(open, nodes, view);
  return those.length > 0 && these.length === those.length;
};

/** Puts the nth of the parts of the kind of the last one beside the nth of the others: into the same rows, which hold as words grow. */
export function pairUp(nodes: readonly NodeId[], view: ViewId): Thunk {
  return (dispatch, getState) => {
    const { these, those } = pairs(sure(openPage(getState())), nodes, view);
    const placed = besideEach(
      these.map(({ at }) => at),
      those.map(({ at }) => at),
    );
    const parts = these.map(({ id }, index) => ({
      node: id,
      row: placed[index].row,
      rows: placed[index].rows,
    }));
    dispatch(edit('placeParts', { parts, view, reach: getState().desk.reach, done: 'matched' }));
  };
}

/** Takes rows out of an overlay in which nothing stands: all of them, or only those below. */
export function shorten(overlay: NodeId, view: ViewId, where: 'anywhere' | 'below'): Thunk {
  return (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    const shown = partsIn(site, page, page.nodes[overlay], view);
    const areas = shown.map(({ at }) => pick(at));
    const next = where === 'anywhere' ? withoutEmptyRows(areas) : areas;
    dispatch(
      edit('placeParts', {
        parts: shown.map(({ id }, index) => ({ node: id, row: next[index].row })),
        rows: [{ node: overlay, least: Math.min(rowsTaken(next), leastRowsIn(site, page, overlay, view)) }],
        view,
        reach: getState().desk.reach,
        done: 'shortened',
      }),
    );
  };
}

const leastRowsIn = (site: SiteFrame, page: Page, overlay: NodeId, view: ViewId): number =>
  resolve(site, page, page.nodes[overlay], knownProperty('leastRows'), view);
