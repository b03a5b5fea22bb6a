import { knownIn, sure, theOne } from '../../sure.ts';
import { hasTrait, knownKind } from '../../elements/kinds/table.ts';
import { contentOf } from '../../elements/kinds/kind.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { textByViewOf } from '../../elements/propertytable.ts';
import { express, same } from '../../layered/express.ts';
import { settings } from '../../layered/layered.ts';
import type { ViewId } from '../../layered/views.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Node } from '../../site/node.ts';
import { offeringIn } from '../../site/offering.ts';
import { publishedTrees } from '../../site/shared.ts';
import { homePageOf, type Offering, type Page, type SiteFrame } from '../../site/site.ts';
import { leadingIn, leadsTo, linksShownIn } from '../../values/links.ts';
import { entriesIn } from '../../values/menus.ts';
import { isShown } from '../../values/visibility.ts';
import { textIn } from '../../values/textbyview.ts';
import { settled, store } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { allTrees } from '../views/viewvalues.ts';
import { counted } from '../../plural.ts';
import { nameOfPage, OFFERED, viewsNamed } from '../values/textbyview.ts';

export interface OfferPage {
  page: NodeId;
  offering: Offering;
  views: ViewId[];
}

/** The menus, of all that are known, that have entries in a view but none that is listed there. */
const emptied = (site: SiteFrame, trees: readonly Page[], view: ViewId): Node[] =>
  trees.flatMap((tree) =>
    Object.values(tree.nodes).filter(
      (node) =>
        hasTrait(node, 'menu') &&
        textIn<unknown[]>(node, site.views, 'links', view).length > 0 &&
        entriesIn(site, node, view).length === 0,
    ),
  );

/** Says how a page is offered in some views: in menus, only to who follows a link, or not at all. In others it is as it was. */
export const offerPage: Command<OfferPage> = {
  on: () => 'frame',
  run(site, _page, { page, offering, views }, pages): Outcome<string> {
    const head = site.pages.find(({ id }) => id === page);
    if (!head) return refused('The page is no longer on this site. Nothing was changed.');
    const before = site.views.list.map(({ id }) => offeringIn(head, site, id));
    // Of the pages, those that are known here.
    const trees = publishedTrees({ frame: site, pages }).filter(Boolean);
    const empty = (at: ViewId) => emptied(site, trees, at).map(({ name }) => name);
    const emptyBefore = new Map(site.views.list.map(({ id }) => [id, empty(id)]));
    const next = express(site.views, ({ id }) =>
      views.includes(id) ? offering : offeringIn(head, site, id),
    );
    if (head.id === homePageOf(site).id && settings(next).includes('withheld'))
      return refused(
        'The home page is where every path leads; it appears in every view. Nothing was changed.',
      );
    delete head.offered;
    if (settings(next).some((value) => value !== 'listed')) head.offered = next;
    const changed = site.views.list
      .filter(({ id }, index) => before[index] !== offeringIn(head, site, id))
      .map(({ id }) => id);
    const name = nameOfPage(pages, head);
    if (changed.length === 0)
      return done(`Page ${name}: ${OFFERED[offering]} in ${viewsNamed(site, views)} already`);
    const lost = changed.flatMap((id) =>
      empty(id)
        .filter((menu) => !knownIn(emptyBefore, id).includes(menu))
        .map((menu) => `${menu} is empty in ${viewsNamed(site, [id])} now`),
    );
    const more = lost.length > 0 ? `; ${[...new Set(lost)].join(', ')}` : '';
    return done(`Page ${name}: ${OFFERED[offering]} in ${viewsNamed(site, changed)}${more}`);
  },
};

/** Words with the links to a page taken out of them. */
function withoutLinks(node: Node, field: string, says: unknown, page: NodeId): unknown {
  const { type } = theOne(knownKind(node.kind).content, ({ name }) => name === field);
  return sure(type.withLinks, 'withLinks')(says, (link) =>
    leadsTo(page)(link) ? undefined : link,
  ) as unknown;
}

/** Lets an element say in some views what it says without its links to a page. Answers whether that is something else. */
function sayUnlinked(site: SiteFrame, node: Node, page: NodeId, views: readonly ViewId[]): boolean {
  let changed = false;
  for (const { name: field, type, varies } of knownKind(node.kind).content) {
    if (!type.withLinks || varies === undefined) continue;
    const property = sure(textByViewOf(node.kind, field));
    const valueIn = (view: ViewId) => textIn<unknown>(node, site.views, field, view);
    const meant = new Map(
      site.views.list.map(({ id }) => [
        id,
        views.includes(id) ? withoutLinks(node, field, valueIn(id), page) : valueIn(id),
      ]),
    );
    if (site.views.list.every(({ id }) => same(valueIn(id), meant.get(id)))) continue;
    const wanted = express(site.views, ({ id }) => ({ says: meant.get(id) }));
    if (!same(contentOf(knownKind(node.kind), node, field), sure(wanted.base, 'base').says))
      node.content[field] = sure(wanted.base, 'base').says;
    const at = Object.fromEntries(
      Object.entries(wanted.at ?? {}).map(([view, { value, reach }]) => [
        view,
        { value: settled(node, property, { says: value.says }), reach },
      ]),
    );
    store(node, 'self', property.name, Object.keys(at).length > 0 ? { at } : {});
    changed = true;
  }
  return changed;
}

/**
 * Hides the links that lead to a page, in some views, wherever they stand: buttons are hidden, and words stay without their link. Menus
 * need nothing: they leave out by themselves what is not in menus.
 */
export const hideLinksTo: Command<{ page: NodeId; views: ViewId[] }> = {
  on: () => 'site',
  run(site, _page, { page, views }, pages): Outcome<string> {
    const head = site.pages.find(({ id }) => id === page);
    if (!head) return refused('The page is no longer on this site. Nothing was changed.');
    let hidden = 0;
    let plain = 0;
    for (const tree of allTrees(site, pages))
      for (const node of leadingIn(site, tree, views, leadsTo(page))) {
        if (hasTrait(node, 'menu')) continue;
        // Which of a set of alternates shows, the set says.
        const alternate = node.parent !== null && hasTrait(tree.nodes[node.parent], 'alternating');
        if (alternate || !knownKind(node.kind).onlyLink) {
          if (sayUnlinked(site, node, page, views)) plain += 1;
          continue;
        }
        const leads = (view: ViewId) => linksShownIn(node, site.views, view).some(leadsTo(page));
        const wanted = express(
          site.views,
          ({ id }) => isShown(site, tree, node, id) && !(views.includes(id) && leads(id)),
        );
        store(node, 'self', 'shown', wanted.base && !wanted.at ? {} : wanted);
        hidden += 1;
      }
    const parts = [
      ...(hidden > 0 ? [`${counted(hidden, 'button')} hidden`] : []),
      ...(plain > 0 ? [`${counted(plain, 'text')} without the link`] : []),
    ];
    if (parts.length === 0)
      return refused(`Nothing links to ${nameOfPage(pages, head)} in these views. Nothing was changed.`);
    return done(`Links to ${nameOfPage(pages, head)} in ${viewsNamed(site, views)}: ${parts.join(', ')}`);
  },
};
