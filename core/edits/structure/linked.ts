import { knownIn, theOne } from '../../sure.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { linksBelow, sharedPlaceOf, takesLinked } from '../../site/shared.ts';
import type { SavedBlockName, Page, SiteFrame } from '../../site/site.ts';
import { found } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { replaceAmong } from '../placement/placing.ts';
import { followLinks } from './relink.ts';
import { copyOf } from './shared.ts';
import { MOST_CHILDREN, takesWhole } from './structure.ts';
import { putAfter } from '../../site/tree.ts';
import { allTrees } from '../views/viewvalues.ts';
import { counted, plural } from '../../plural.ts';
import { kindInWords, nameOfPage } from '../values/textbyview.ts';

const GONE = refused('The saved block is no longer on this site. Nothing was changed.');

export interface LinkBlock {
  block: SavedBlockName;
  parent: NodeId;
  /** The child of the parent it stands behind in source order; null: it comes first. */
  after: NodeId | null;
}

/**
 * Places a saved block as linked: the page shows the block itself and not a copy of it, so that what is changed in one place is changed
 * wherever it is linked. Once a page, as its elements have one id each.
 */
export const linkBlock: Command<LinkBlock> = {
  run(site, draft, { block, parent: parentId, after }): Outcome<string> {
    const tree = site.shared?.[block];
    if (!tree) return GONE;
    const parents = found(draft, [parentId]);
    if (!parents.ok) return parents;
    const [parent] = parents.value;
    const root = tree.nodes[tree.root];
    if (draft.nodes[tree.root])
      return refused(
        `${root.name} is linked on this page already, and a page links a block once; place it as a copy. Nothing was changed.`,
      );
    if (!takesWhole(draft, parent, root, tree.nodes))
      return refused(`${parent.name} takes no ${kindInWords(root.kind)}. Nothing was changed.`);
    if (!takesLinked(parent))
      return refused(
        `${parent.name} takes no linked block: ${whyNot(parent.id)}; place it as a copy. Nothing was changed.`,
      );
    if (parent.children.length >= MOST_CHILDREN)
      return refused(`${parent.name} is full: it holds ${MOST_CHILDREN} elements.`);
    putAfter(parent.children, tree.root, after);
    return done(`${root.name}: linked in ${parent.name}; a change here changes it wherever it is linked`);
  },
};

const whyNot = (parent: NodeId): string =>
  sharedPlaceOf(parent)
    ? 'it is already shared by the pages'
    : 'its place or visibility can be set on one page only';

/** Puts a page's own copy in the place of a block that is linked on it. The links to what is in it follow. */
function ownCopy(site: SiteFrame, page: Page, tree: Page, pages: Record<NodeId, Page>): void {
  const parent = theOne(Object.values(page.nodes), ({ children }) => children.includes(tree.root));
  const names = copyOf(tree, page, parent.id);
  replaceAmong(site, parent, [tree.root], [knownIn(names, tree.root)]);
  followLinks(allTrees(site, pages), { names, from: page.id, to: page.id });
}

/** The pages on which a block is linked. */
const linking = (site: SiteFrame, pages: Record<NodeId, Page>, { root }: Page): Page[] =>
  site.pages
    .map(({ id }) => pages[id] as Page | undefined)
    .filter((page): page is Page => page !== undefined && linksBelow(page, page.root).includes(root));

/** Gives every page on which a block is linked its own copy of it; answers how many they are. */
export function unlinked(site: SiteFrame, pages: Record<NodeId, Page>, tree: Page): number {
  const meant = linking(site, pages, tree);
  for (const page of meant) ownCopy(site, page, tree, pages);
  return meant.length;
}

export interface UnlinkBlock {
  block: SavedBlockName;
  /** The page that gets one of its own; absent: every page on which it is linked. */
  page?: NodeId;
}

/** Gives a page, or every page on which a block is linked, its own copy of it, which is changed there alone. */
export const unlinkBlock: Command<UnlinkBlock> = {
  on: () => 'site',
  run(site, _page, { block, page: only }, pages): Outcome<string> {
    const tree = site.shared?.[block];
    if (!tree) return GONE;
    const { name } = tree.nodes[tree.root];
    if (only === undefined) {
      const count = unlinked(site, pages, tree);
      if (count === 0) return refused(`${name} is no longer linked on any page. Nothing was changed.`);
      return done(`${name}: ${counted(count, 'page')} ${plural(count, 'has its', 'have their')} own now`);
    }
    const head = site.pages.find(({ id }) => id === only);
    const page = linking(site, pages, tree).find(({ id }) => id === only);
    if (!head || !page) return refused(`${name} is no longer linked on this page. Nothing was changed.`);
    ownCopy(site, page, tree, pages);
    return done(`${name}: ${nameOfPage(pages, head)} now has its own`);
  },
};
