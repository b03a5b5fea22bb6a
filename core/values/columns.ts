import type { PropertyName } from '../elements/propertyvalues.ts';
import type { Columns } from '../layout/spans.ts';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { knownProperty } from '../elements/propertytable.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { viewOf, type ViewId } from '../layered/views.ts';
import { childrenIn, isShown } from './visibility.ts';
import { resolve } from './trace.ts';

/** A row in a view: how many columns it has, and what each child that is shown asks of them, in the view's order. */
export interface RowColumns {
  columns: number;
  children: { id: NodeId; asks: Columns }[];
}

/** How the children of a row share its columns in a view. */
export function columnsIn(site: SiteFrame, page: Page, row: Node, view: ViewId): RowColumns {
  const shown = childrenIn(site, row, view)
    .map((id) => page.nodes[id])
    .filter((child) => isShown(site, page, child, view));
  const children = shown.map((child) => {
    const value = <Name extends PropertyName>(name: Name) =>
      resolve(site, page, child, knownProperty(name), view);
    const start = value('start');
    const asks: Columns = { span: value('span'), ...(start !== 'auto' && { start }) };
    return { id: child.id, asks };
  });
  return { columns: viewOf(site.views, view).grid.columns, children };
}
