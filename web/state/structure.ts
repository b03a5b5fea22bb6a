import {
  accepts,
  type Arguments,
  type Copy,
  copyElements,
  hasTrait,
  headOf,
  idIn,
  isAtEdge,
  isShown,
  lastOf,
  nodeId,
  type NodeId,
  offeringIn,
  type Page,
  type SavedBlockName,
  sharedPlaceOf,
  sure,
  takesLinked,
  viewAt,
  type ViewId,
  wouldReach,
} from '../../core/index.ts';
import { nanoid } from 'nanoid';
import { addingSet, selected as select, selectionSet } from './desk.ts';
import { openPage } from './documents.ts';
import { edit, editWhole } from './edits.ts';
import type { State, Thunk } from './store.ts';

/** A new element's id, as it has to be beside others of its place. */
export const newId = (parent: NodeId): NodeId => idIn(sharedPlaceOf(parent), `e${nanoid(10)}`);

/** A new element's id, as it has to be beside another. */
const newIdBeside = (page: Page, id: NodeId): NodeId => newId(page.nodes[id].parent ?? id);

/** A name for a block that a site keeps which no other has. */
export const newSavedBlockName = (): SavedBlockName =>
  `kept-${nanoid(10)
    .toLowerCase()
    .replace(/[^a-z0-9]/g, '0')}`;

/** Opens the panel of what can be added: with sections for a page or section, with elements for what is in them. */
export function openAdd(): Thunk {
  return (dispatch, getState) => {
    const page = openPage(getState())?.page;
    const lead = page?.nodes[getState().desk.selected.at(-1) ?? page.root];
    const sections = !lead || lead.parent === null || hasTrait(lead, 'section');
    dispatch(addingSet(sections ? 'sections' : 'elements'));
  };
}

/** Keeps a copy of an element, to be placed anywhere, and shows where it is offered. */
export function keep(node: NodeId): Thunk {
  return (dispatch, getState) => {
    const { page } = sure(openPage(getState()));
    if (dispatch(edit('keepBlock', { node, id: newSavedBlockName(), name: page.nodes[node].name })))
      dispatch(addingSet('kept'));
  };
}

/** Keeps a block, which stands where it stood as linked from now on. */
export function keepLinked(node: NodeId): Thunk<Promise<void>> {
  return async (dispatch, getState) => {
    const id = newSavedBlockName();
    const { name } = sure(openPage(getState())).page.nodes[node];
    if (!(await dispatch(editWhole('keepBlock', { node, id, name, linked: true })))) return;
    const tree = getState().documents.open?.site.frame.shared?.[id];
    if (tree) dispatch(select(tree.root));
  };
}

/** Places a saved block as linked, and selects it. */
export function link(block: SavedBlockName, place: TreePlace): Thunk {
  return (dispatch, getState) => {
    if (!dispatch(edit('linkBlock', { block, ...place }))) return;
    const tree = getState().documents.open?.site.frame.shared?.[block];
    if (tree) dispatch(select(tree.root));
  };
}

/** A place in source order: behind a child of a parent, or, without one, first. */
export interface TreePlace {
  parent: NodeId;
  after: NodeId | null;
}

/** At the end of what is in an element; on a page, before the sections that are its foot and what stays at the window's edges. */
const inside = (page: Page, id: NodeId): TreePlace => ({
  parent: id,
  after:
    page.nodes[id].children.findLast(
      (child) => !isAtEdge(page.nodes[child].kind) && page.nodes[child].content.landmark !== 'footer',
    ) ?? null,
});

function below(page: Page, id: NodeId): TreePlace | undefined {
  const { parent } = page.nodes[id];
  return parent === null ? undefined : { parent, after: id };
}

/** Whether an element takes a kind as something more in it, or a linked block of that kind. What a set of alternates takes would stand in for the others, and show nowhere. */
export const takesMore = (page: Page, id: NodeId, kind: string, linked = false): boolean =>
  !hasTrait(page.nodes[id], 'alternating') &&
  accepts(page.nodes[id], kind) &&
  (!linked || takesLinked(page.nodes[id]));

/**
 * Where a new element of a kind goes, seen from the selected one: into it or right below it, as is wanted and as it is
 * taken there; else below the nearest thing around it where it is. Undefined where nothing around it takes the kind.
 */
export function placeFor(
  page: Page,
  kind: string,
  from: NodeId,
  wanted: 'inside' | 'below',
  linked = false,
): TreePlace | undefined {
  const takes = (id: NodeId) => takesMore(page, id, kind, linked);
  if (wanted === 'inside' && takes(from)) return inside(page, from);
  for (let at: NodeId | null = from; at !== null; at = page.nodes[at].parent) {
    const place = below(page, at);
    if (place && takes(place.parent)) return place;
  }
  return takes(from) ? inside(page, from) : undefined;
}

/** Where what is added now shows: the view that is looked at, and how far edits go. */
export const onlyHere = (state: State) => ({
  view: viewAt(sure(state.documents.open, 'open').site.frame.views, state.desk.width).id,
  reach: state.desk.reach,
});

/** Adds an element and selects it. It shows as far as the reach goes. */
export function add(kind: string, place: TreePlace): Thunk {
  return (dispatch, getState) => {
    const id = newId(place.parent);
    if (dispatch(edit('addElement', { kind, id, ...place, only: onlyHere(getState()) })))
      dispatch(select(id));
  };
}

/** Puts copied elements in a place and selects them. Those that stood nowhere before are added. */
export function placeCopy(
  copied: Copy,
  place: TreePlace,
  done?: Arguments<'pasteElements'>['done'],
): Thunk<boolean> {
  return (dispatch, getState) => {
    const id = newId(place.parent);
    const args = {
      copied,
      id,
      ...place,
      only: done === 'duplicated in' ? undefined : onlyHere(getState()),
      done,
    };
    if (!dispatch(edit('pasteElements', args))) return false;
    const order = Object.keys(copied.nodes);
    const names = copied.roots.map((root) => {
      const at = order.indexOf(root);
      return nodeId(at === 0 ? id : `${id}-${at}`);
    });
    dispatch(names.length === 1 ? select(names[0]) : selectionSet(names));
    return true;
  };
}

/** Gives the open page a layout, or takes it away, and selects what it is now. */
export function takeLayout(layout: Copy | null, to: Record<NodeId, string>): Thunk<boolean> {
  return (dispatch, getState) => {
    const { page } = sure(openPage(getState()));
    const id = newId(page.root);
    if (!dispatch(edit('takeLayout', { layout, id, to }))) return false;
    dispatch(select(layout ? id : page.root));
    return true;
  };
}

/** Offers the open page in a view, as far as the reach goes, or puts a notice in its place there. */
function offerOrNot(view: ViewId): Thunk<boolean> {
  return (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    const head = headOf(site, page.id);
    const offering = offeringIn(head, site, view) === 'withheld' ? 'listed' : 'withheld';
    const views = wouldReach(head.offered ?? { base: 'listed' }, site.views, view, getState().desk.reach);
    return dispatch(edit('offerPage', { page: page.id, offering, views }));
  };
}

/** Shows or hides elements in a view, as far as the reach goes: hides them where any of them shows. */
export function hideOrShow(nodes: NodeId[], view: ViewId): Thunk<boolean> {
  return (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    if (nodes.includes(page.root)) return dispatch(offerOrNot(view));
    const value = !nodes.some((id) => isShown(site, page, page.nodes[id], view));
    const { reach } = getState().desk;
    return dispatch(edit('setValue', { nodes, property: 'shown', view, value, reach }));
  };
}

/** Hides elements in one view, whatever the reach. */
export const hideIn = (nodes: NodeId[], view: ViewId): Thunk<boolean> =>
  edit('showInViews', { nodes, shown: false, views: [view] });

/** What a click on the tile of an element in a view does: shows or hides it, or shows another of its alternates. */
export function turnTile(id: NodeId, nodes: NodeId[], view: ViewId): Thunk<boolean> {
  return (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    const { reach } = getState().desk;
    const { kind, parent } = page.nodes[id];
    if (parent === null) return dispatch(offerOrNot(view));
    if (hasTrait({ kind }, 'alternating')) return dispatch(edit('nextAlternate', { set: id, view, reach }));
    if (!hasTrait(page.nodes[parent], 'alternating')) {
      const value = !isShown(site, page, page.nodes[id], view);
      return dispatch(edit('setValue', { nodes, property: 'shown', view, value, reach }));
    }
    if (isShown(site, page, page.nodes[id], view))
      return dispatch(edit('nextAlternate', { set: parent, view, reach }));
    return dispatch(edit('setValue', { nodes: [parent], property: 'alternate', view, value: id, reach }));
  };
}

/** Makes a copy of a block that stands in for it in a view, and selects it. */
export function makeAlternate(node: NodeId, view: ViewId): Thunk {
  return (dispatch, getState) => {
    const { page } = sure(openPage(getState()));
    const { reach } = getState().desk;
    const copy = newIdBeside(page, node);
    const args = { node, view, reach, set: newIdBeside(page, node), copy };
    if (dispatch(edit('makeAlternate', args))) dispatch(select(copy));
  };
}

/** Makes blocks that are hidden one here and one there alternates of each other, and selects the set. */
export function unite(nodes: NodeId[]): Thunk {
  return (dispatch, getState) => {
    const set = newIdBeside(sure(openPage(getState())).page, nodes[0]);
    if (dispatch(edit('uniteAlternates', { nodes, set }))) dispatch(select(set));
  };
}

/** Puts elements into a group, and selects it. */
export function group(nodes: NodeId[]): Thunk {
  return (dispatch, getState) => {
    const id = newIdBeside(sure(openPage(getState())).page, nodes[0]);
    if (dispatch(edit('groupElements', { nodes, id }))) dispatch(select(id));
  };
}

/** Takes a group apart, and selects what was in it. */
export function ungroup(node: NodeId): Thunk {
  return (dispatch, getState) => {
    const { children } = sure(openPage(getState())).page.nodes[node];
    if (dispatch(edit('ungroupElement', { node }))) dispatch(selectionSet([...children]));
  };
}

/** Duplicates elements and selects the copies: one right behind itself, several behind the last of them. */
export function duplicate(nodes: NodeId[]): Thunk {
  return (dispatch, getState) => {
    if (nodes.length > 1) {
      const { site, page } = sure(openPage(getState()));
      const { format: _format, version: _version, ...copied } = copyElements(site, page, nodes);
      const last = lastOf(copied.roots);
      const { parent } = page.nodes[last];
      if (parent !== null) dispatch(placeCopy(copied, { parent, after: last }, 'duplicated in'));
      return;
    }
    const [node] = nodes;
    const id = newIdBeside(sure(openPage(getState())).page, node);
    if (dispatch(edit('duplicateElement', { node, id }))) dispatch(select(id));
  };
}

/** Takes elements off the page and selects what stood next to the first of them. */
export function remove(nodes: NodeId[]): Thunk {
  return (dispatch, getState) => {
    const { page } = sure(openPage(getState()));
    // The outermost of the elements around the first that go: what stands next to it, or holds it, stays.
    let first = nodes[0];
    for (let at = page.nodes[first].parent; at !== null; at = page.nodes[at].parent)
      if (nodes.includes(at)) first = at;
    const { parent } = page.nodes[first];
    const siblings = parent === null ? [] : page.nodes[parent].children;
    const at = siblings.indexOf(first);
    const left = (id: NodeId | undefined) => id !== undefined && !nodes.includes(id);
    const next = [...siblings.slice(at + 1), ...siblings.slice(0, at).reverse()].find(left) ?? parent;
    if (dispatch(edit('removeElements', { nodes }))) dispatch(select(next));
  };
}
