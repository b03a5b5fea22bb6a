import { hasTrait } from '../elements/kinds/table.ts';
import type { LabelledLink } from '../elements/content/contenttypes.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { ViewId } from '../layered/views.ts';
import { targetOf } from '../markup/link.ts';
import type { Node } from '../site/node.ts';
import { offeringIn } from '../site/offering.ts';
import { headOf, type Page, type SiteFrame } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { isShown } from './visibility.ts';
import { textIn } from './textbyview.ts';

/** The entries that a menu has in a view: of those that it names, the ones whose page is in menus there. */
export function entriesIn(frame: SiteFrame, menu: Node, view: ViewId): LabelledLink[] {
  return textIn<LabelledLink[]>(menu, frame.views, 'links', view).filter(({ link }) => {
    const page = targetOf(link)?.page;
    const head = page === undefined ? undefined : frame.pages.find(({ id }) => id === page);
    return !head || offeringIn(head, frame, view) === 'listed';
  });
}

/** Whether visitors of a view see an element: it and all that it stands in. */
function isThere(frame: SiteFrame, page: Page, node: Node, view: ViewId): boolean {
  for (let at: Node | undefined = node; at; at = at.parent === null ? undefined : page.nodes[at.parent])
    if (!isShown(frame, page, at, view)) return false;
  return true;
}

/** The menus of a page that have something in them in a view and are seen there. */
const menusSeen = (frame: SiteFrame, page: Page, view: ViewId): NodeId[] =>
  sourceOrder(page)
    .filter(
      (node) =>
        hasTrait(node, 'menu') && isThere(frame, page, node, view) && entriesIn(frame, node, view).length > 0,
    )
    .map(({ id }) => id);

/** The views in which a page that has a menu shows none: visitors have no way on. `page`: as it is shown, with what it shares. */
export function viewsWithoutMenu(frame: SiteFrame, page: Page): ViewId[] {
  if (!Object.values(page.nodes).some((node) => hasTrait(node, 'menu'))) return [];
  const head = headOf(frame, page.id);
  return frame.views.list
    .filter(({ id }) => offeringIn(head, frame, id) !== 'withheld' && menusSeen(frame, page, id).length === 0)
    .map(({ id }) => id);
}
