import { isGroup, isShown, type NodeId, sure, viewAt, type ViewId } from '../../core/index.ts';
import { everyViewAsked, type EveryView } from './desk.ts';
import { openPage } from './documents.ts';
import { remove, ungroup } from './structure.ts';
import type { Thunk } from './store.ts';

/** Does something that concerns every view. */
export function doInEveryView(what: EveryView, nodes: NodeId[]): Thunk {
  return what === 'take apart' ? ungroup(nodes[0]) : remove(nodes);
}

/**
 * Does something that concerns every view where that can be no surprise; asks where another view than the base is looked at, and others show
 * the elements too. The view is the active one, unless it was asked for under another.
 */
export function inEveryView(what: EveryView, nodes: NodeId[], view?: ViewId): Thunk {
  return (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    const seen = view ?? viewAt(site.views, getState().desk.width).id;
    const others = site.views.list.filter(({ id }) => id !== seen);
    const elsewhere = nodes.some((node) =>
      others.some(({ id }) => page.nodes[node] && isShown(site, page, page.nodes[node], id)),
    );
    // What cannot be done says why at once.
    const can = what === 'take apart' ? isGroup(page.nodes[nodes[0]].kind) : !nodes.includes(page.root);
    const asks = seen !== site.views.base && elsewhere && can;
    dispatch(asks ? everyViewAsked({ what, nodes, view: seen }) : doInEveryView(what, nodes));
  };
}
