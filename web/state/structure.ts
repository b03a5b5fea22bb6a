import { nanoid } from 'nanoid';
import { accepts, idIn, sharedPlaceOf, type NodeId, type Page } from '../../core/index.ts';
import { selected as select } from './desk.ts';
import { openPage } from './documents.ts';
import { edit } from './edits.ts';
import type { Thunk } from './store.ts';

/** A new element's id, as it has to be beside others of its place. */
const newId = (parent: NodeId): NodeId => idIn(sharedPlaceOf(parent), `e${nanoid(10)}`);

/** A place in source order: behind a child of a parent, or, without one, first. */
export interface TreePlace {
  parent: NodeId;
  after: NodeId | null;
}

/** At the end of what is in an element; on a page, before the sections that are its foot. */
const inside = (page: Page, id: NodeId): TreePlace => ({
  parent: id,
  after: page.nodes[id].children.findLast((child) => page.nodes[child].content.landmark !== 'footer') ?? null,
});

function below(page: Page, id: NodeId): TreePlace | undefined {
  const { parent } = page.nodes[id];
  return parent === null ? undefined : { parent, after: id };
}

/**
 * Where a new element of a kind goes, seen from the selected one: into it or right below it, as is wanted and as it is
 * taken there; else below the nearest thing around it where it is. Undefined where nothing around it takes the kind.
 */
export function placeFor(
  page: Page,
  kind: string,
  from: NodeId,
  wanted: 'inside' | 'below',
): TreePlace | undefined {
  if (wanted === 'inside' && accepts(page.nodes[from], kind)) return inside(page, from);
  for (let at: NodeId | null = from; at !== null; at = page.nodes[at].parent) {
    const place = below(page, at);
    if (place && accepts(page.nodes[place.parent], kind)) return place;
  }
  return accepts(page.nodes[from], kind) ? inside(page, from) : undefined;
}

/** Adds an element and selects it. */
export function add(kind: string, place: TreePlace): Thunk {
  return (dispatch) => {
    const id = newId(place.parent);
    if (dispatch(edit('addElement', { kind, id, ...place }))) dispatch(select(id));
  };
}

/** Duplicates an element and selects the copy. */
export function duplicate(node: NodeId): Thunk {
  return (dispatch, getState) => {
    const { parent } = openPage(getState())!.page.nodes[node];
    const id = newId(parent ?? node);
    if (dispatch(edit('duplicateElement', { node, id }))) dispatch(select(id));
  };
}

/** Takes elements off the page and selects what stood next to the first of them. */
export function remove(nodes: NodeId[]): Thunk {
  return (dispatch, getState) => {
    const { page } = openPage(getState())!;
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
