import type { NodeId } from '../elements/nodeid.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { viewOf, type ViewId } from '../layered/views.ts';
import { placeColumns, type Placed } from '../layout/spans.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { resolve } from './trace.ts';
import { childrenIn, isShown } from './visibility.ts';

/** A region as it stands in a view: its row and first column, both 0-based, and how many of the view's columns it takes. */
export interface PlacedRegion extends Placed {
  id: NodeId;
  name: string;
}

/** The regions of a layout that show in a view, where they stand there; those that are hidden take no room. */
export function regionsIn(site: SiteFrame, page: Page, layout: NodeId, view: ViewId): PlacedRegion[] {
  const shown = childrenIn(site, page.nodes[layout], view)
    .map((id) => page.nodes[id])
    .filter((node) => isShown(site, page, node, view));
  const wanted = shown.map((node) => {
    const start = resolve(site, page, node, knownProperty('start'), view);
    const span = resolve(site, page, node, knownProperty('span'), view);
    return start === 'auto' ? { span } : { span, start };
  });
  const placed = placeColumns(wanted, viewOf(site.views, view).grid.columns);
  return placed.map((each, index) => ({ ...each, id: shown[index].id, name: shown[index].name }));
}
