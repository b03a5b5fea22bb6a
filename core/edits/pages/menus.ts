import { theOne } from '../../sure.ts';
import { hasTrait, knownKind } from '../../elements/kinds/table.ts';
import { MOST_ENTRIES, type LabelledLink } from '../../elements/content/contenttypes.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { linkTo, targetOf } from '../../markup/link.ts';
import type { Node } from '../../site/node.ts';
import type { Page, PageHead } from '../../site/site.ts';
import { linksIn } from '../../values/links.ts';
import { withMappedText } from '../../values/textbyview.ts';

const LINKS = theOne(knownKind('navigation').content, ({ name }) => name === 'links');

/** The page that an entry of a menu leads to as such. */
function pageOf({ link }: Pick<LabelledLink, 'link'>): string | undefined {
  const target = targetOf(link);
  return target?.place === undefined ? target?.page : undefined;
}

/** Every menu on pages and in what they share that leads to pages of the site. */
const menusIn = (trees: readonly Page[]): Node[] =>
  trees.flatMap((tree) =>
    Object.values(tree.nodes).filter(
      (node) => hasTrait(node, 'menu') && linksIn(node).some((link) => pageOf({ link }) !== undefined),
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

/** Changes the entries of a menu, also those that it has in some views only; what was right beside the others stays so. Answers whether any is another. */
function changeEntries(
  menu: Node,
  change: (entries: readonly LabelledLink[]) => readonly LabelledLink[],
): boolean {
  let changed = false;
  const mapped = withMappedText(menu, (type) =>
    type === LINKS.type
      ? (before: readonly LabelledLink[]) => {
          const after = change(before);
          changed ||= after !== before;
          return after;
        }
      : undefined,
  );
  if (changed) Object.assign(menu, mapped);
  return changed;
}

/** Puts an entry for a page into every menu that leads to pages, in the order of the pages. Answers how many there are. */
export const intoMenus = (trees: readonly Page[], page: PageHead, order: readonly PageHead[]): number =>
  menusIn(trees).filter((menu) =>
    changeEntries(menu, (entries) => {
      if (entries.length >= MOST_ENTRIES) return entries;
      const entry = { label: page.title, link: linkTo({ page: page.id }) };
      return entries.toSpliced(placeIn(entries, page.id, order) + 1, 0, entry);
    }),
  ).length;

/** Moves the entries for a page in every menu to where the order of the pages has them. Answers in how many menus that changed something. */
export const orderMenus = (trees: readonly Page[], page: NodeId, order: readonly PageHead[]): number =>
  menusIn(trees).filter((menu) =>
    changeEntries(menu, (before) => {
      const own = before.filter((entry) => pageOf(entry) === page);
      const others = before.filter((entry) => pageOf(entry) !== page);
      if (own.length === 0) return before;
      const after = others.toSpliced(placeIn(others, page, order) + 1, 0, ...own);
      return after.every((entry, index) => entry === before[index]) ? before : after;
    }),
  ).length;
