import { contentOf } from '../elements/kinds/kind.ts';
import { knownKind } from '../elements/kinds/table.ts';
import { MOST_ENTRIES, type LabelledLink } from '../elements/content/contenttypes.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { linkTo, targetOf } from '../markup/link.ts';
import type { Node } from '../site/node.ts';
import type { Page, PageHead } from '../site/site.ts';

const linksOf = (menu: Node): LabelledLink[] =>
  contentOf<LabelledLink[]>(knownKind('navigation'), menu, 'links');

/** The page that an entry of a menu leads to as such. */
function pageOf({ link }: LabelledLink): string | undefined {
  const target = targetOf(link);
  return target?.place === undefined ? target?.page : undefined;
}

/** Every menu on pages and in what they share that leads to pages of the site. */
const menusIn = (trees: readonly Page[]): Node[] =>
  trees.flatMap((tree) =>
    Object.values(tree.nodes).filter(
      (node) => node.kind === 'navigation' && linksOf(node).some((entry) => pageOf(entry) !== undefined),
    ),
  );

/** Behind which entry a page belongs: that of the nearest page before it that the menu has; -1: it comes first. */
function placeIn(entries: readonly LabelledLink[], page: NodeId, order: readonly PageHead[]): number {
  const before = order.slice(
    0,
    order.findIndex(({ id }) => id === page),
  );
  for (const { id } of before.reverse()) {
    const at = entries.findLastIndex((entry) => pageOf(entry) === id);
    if (at >= 0) return at;
  }
  return -1;
}

/** Puts an entry for a page into every menu that leads to pages, in the order of the pages. Answers how many there are. */
export function intoMenus(trees: readonly Page[], page: PageHead, order: readonly PageHead[]): number {
  const menus = menusIn(trees).filter((menu) => linksOf(menu).length < MOST_ENTRIES);
  for (const menu of menus) {
    const entries = linksOf(menu).map((entry) => ({ ...entry }));
    entries.splice(placeIn(entries, page.id, order) + 1, 0, {
      label: page.title,
      link: linkTo({ page: page.id }),
    });
    menu.content.links = entries;
  }
  return menus.length;
}

/** Moves the entries for a page in every menu to where the order of the pages has them. Answers in how many menus that changed something. */
export function orderMenus(trees: readonly Page[], page: NodeId, order: readonly PageHead[]): number {
  let changed = 0;
  for (const menu of menusIn(trees)) {
    const before = linksOf(menu);
    const own = before.filter((entry) => pageOf(entry) === page);
    if (own.length === 0) continue;
    const others = before.filter((entry) => pageOf(entry) !== page);
    const after = others.toSpliced(placeIn(others, page, order) + 1, 0, ...own);
    if (after.every((entry, index) => entry === before[index])) continue;
    menu.content.links = after.map((entry) => ({ ...entry }));
    changed += 1;
  }
  return changed;
}
