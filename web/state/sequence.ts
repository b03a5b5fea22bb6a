/** The places of elements among others in a view: their order, and the columns that they take. */
import {
  childrenIn,
  columnsIn,
  hasTrait,
  moveTo,
  type NodeId,
  placeColumns,
  runBetween,
  same,
  type Sequence,
  sequenceIn,
  sure,
  type ViewId,
} from '../../core/index.ts';
import { selectionSet } from './desk.ts';
import { documents, openPage } from './documents.ts';
import { edit } from './edits.ts';
import type { Thunk } from './store.ts';

const { refusedEdit } = documents.actions;

/** Moves an element among its siblings in a view: earlier or later by so many places. */
export function moveInOrder(node: NodeId, view: ViewId, by: number): Thunk {
  return (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    const sequence = sequenceIn(site, page, page.nodes[node], view);
    if (!sequence) return;
    const { order } = sequence;
    if (!order.includes(node)) {
      const { name } = page.nodes[node];
      dispatch(refusedEdit(`${name} stays at an edge of the window, so it has no place among sections.`));
      return;
    }
    const place = order.indexOf(node) + by;
    if (place < 0 || place >= order.length) return;
    dispatch(putInSequence(node, sequence, view, place));
  };
}

/** Puts an element behind another of its siblings in the order of a view; null: before all. */
export function moveBehind(node: NodeId, view: ViewId, after: NodeId | null): Thunk<boolean> {
  return (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    const sequence = sequenceIn(site, page, page.nodes[node], view);
    if (!sequence) return false;
    const rest = sequence.order.filter((id) => id !== node);
    return dispatch(putInSequence(node, sequence, view, after === null ? 0 : rest.indexOf(after) + 1));
  };
}

/** Gives an element a place, 0-based, in what it stands among in a view. */
export function putInSequence(
  node: NodeId,
  { holder, by, order }: Sequence,
  view: ViewId,
  place: number,
): Thunk<boolean> {
  return (dispatch, getState) => {
    const { reach } = getState().desk;
    const value = moveTo(order, node, place);
    if (same(value, order)) return false;
    const after = value[value.indexOf(node) - 1] ?? null;
    return dispatch(
      by === 'interleave'
        ? edit('interleaveParts', { row: holder.id, node, view, reach, after })
        : edit('setValue', { nodes: [holder.id], property: 'order', view, value, reach }),
    );
  };
}

/** Selects the siblings from what was selected first to an element, in the order that they have in a view. */
export function selectRun(to: NodeId, view: ViewId): Thunk {
  return (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    const from = getState().desk.selected.at(0) ?? to;
    dispatch(selectionSet(runBetween(page, from, to, (container) => childrenIn(site, container, view))));
  };
}

/** Lets blocks in a row take so many columns more, or less, of it in a view, as the first of them does now. */
export function widen(nodes: NodeId[], view: ViewId, by: number): Thunk {
  return (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    const inRows = nodes.filter((id) => hasTrait(page.nodes[page.nodes[id].parent ?? id], 'row'));
    if (inRows.length === 0) {
      const { name } = page.nodes[nodes[0]];
      dispatch(refusedEdit(`${name} is not in a row, so it cannot span columns. Nothing was changed.`));
      return;
    }
    const { columns, children } = columnsIn(site, page, page.nodes[sure(page.nodes[inRows[0]].parent)], view);
    const at = children.findIndex(({ id }) => id === inRows[0]);
    if (at < 0) return;
    const { column, span } = placeColumns(
      children.map(({ asks }) => asks),
      columns,
    )[at];
    const wanted = Math.max(1, Math.min(columns - column, span + by));
    if (wanted === span) return;
    dispatch(edit('takeColumns', { nodes: inRows, view, reach: getState().desk.reach, span: wanted }));
  };
}
