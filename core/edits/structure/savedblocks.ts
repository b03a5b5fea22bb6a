import { nodeId, type NodeId } from '../../elements/nodeid.ts';
import { sure } from '../../sure.ts';
import { standsOnPage, takesKind } from '../../elements/kinds/table.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Node } from '../../site/node.ts';
import { idIn, linksBelow, sharedPlaceOf, takesLinked } from '../../site/shared.ts';
import type { SavedBlockName, Page, SiteFrame } from '../../site/site.ts';
import { found, store } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { grownFrom, type Copy } from './pasteelements.ts';
import { unlinked } from './linked.ts';
import { replaceAmong } from '../placement/placing.ts';
import { followLinks } from './relink.ts';
import { withoutShared } from './shared.ts';
import { subtree } from '../../site/sourceorder.ts';
import { allTrees } from '../views/viewvalues.ts';
import { plain } from './structure.ts';
import { counted, plural } from '../../plural.ts';

/** How many blocks a site keeps. */
const MOST_SAVED_BLOCKS = 200;

const FULL = refused(
  `The site already has ${MOST_SAVED_BLOCKS} saved blocks; remove one of them first. Nothing was changed.`,
);
const GONE = refused('The saved block is no longer on this site. Nothing was changed.');

const named = (name: string): string => name.replace(/\s+/g, ' ').trim().slice(0, 120);

const savedBlockCount = ({ shared = {} }: SiteFrame): number =>
  Object.keys(shared).filter((tree) => tree.startsWith('kept-')).length;

const HOLDER = nodeId('page');

/** Puts the first of copied elements, with all that is in it, beside the pages, on the site's terms. Answers what was done, in words. */
function keep(
  site: SiteFrame,
  copy: Copy,
  id: SavedBlockName,
  name: string,
  linked = false,
): { tree: Page; ids: Map<NodeId, NodeId>; sentence: string } {
  const [first] = copy.roots;
  const inFirst = subtree(copy, first);
  const kind = standsOnPage(copy.nodes[first].kind) ? 'page' : 'row';
  // It is fitted as if it stood in what takes the most: what stands on a page on one, another block in a row.
  const holder = { id: HOLDER, kind, name, parent: null, children: [], style: {}, content: {} };
  const tree: Page = { id: nodeId(id), root: HOLDER, nodes: { [HOLDER]: holder } };
  const only = Object.fromEntries(inFirst.map((each) => [each, copy.nodes[each]])) as Copy['nodes'];
  const { roots, changed, names } = grownFrom(
    site,
    tree,
    { ...copy, roots: [first], nodes: only },
    idIn(id, 'b'),
    HOLDER,
  );
  delete tree.nodes[HOLDER];
  const root = tree.nodes[roots[0]];
  root.parent = null;
  root.name = named(name) || root.name;
  if (!linked) {
    // Where it is placed it is there for everyone, in every view, until someone says otherwise.
    delete root.audience;
    store(root, 'self', 'shown', {});
  }
  site.shared = { ...site.shared, [id]: { ...tree, root: root.id } };
  const more = inFirst.length - 1;
  const how = linked ? 'saved, and linked here' : 'saved';
  return {
    tree: sure(site.shared[id]),
    ids: names,
    sentence: `${root.name}: ${how}${more > 0 ? ` with ${counted(more, 'element')} in it` : ''}${changed}`,
  };
}

export interface SaveBlock {
  node: NodeId;
  /** The name among what the site keeps; none has it yet. */
  id: SavedBlockName;
  name: string;
  /** The page shows the saved block itself in its place from now on, as linked. */
  linked?: true;
}

/** Why an element of a page cannot become a linked block where it stands, or undefined. */
function unlinkable(site: SiteFrame, page: Page, { id, parent, name }: Node): string | undefined {
  if (!takesLinked(page.nodes[sure(parent, 'parent')]))
    return `${name} is in ${page.nodes[sure(parent, 'parent')].name}, which takes no linked block. Save a copy of it instead; nothing was saved.`;
  const [link] = linksBelow(page, id);
  return (
    link &&
    `${sure(sure(site.shared, 'shared')[sure(sharedPlaceOf(link))]).nodes[link].name} in it is linked itself. Save a copy of it instead; nothing was saved.`
  );
}

/** Keeps a copy of an element, with all its values and all that is in it, to be placed anywhere; or the element itself, as linked. */
export const keepBlock: Command<SaveBlock> = {
  on: ({ linked }) => (linked ? 'site' : 'frame'),
  run(site, page, { node: id, id: kept, name, linked }, pages): Outcome<string> {
    if (linked && sharedPlaceOf(id))
      return refused('It is already on more than this page. Save a copy of it instead; nothing was saved.');
    const meant = found(page, [id]);
    if (!meant.ok) return meant;
    if (meant.value[0].parent === null)
      return refused('Pages are copied on the Pages screen. Select a block on the page; nothing was saved.');
    if (site.shared?.[kept])
      return refused('The site already has a saved block with this id; nothing was saved.');
    if (savedBlockCount(site) >= MOST_SAVED_BLOCKS) return FULL;
    if (!canBeSaved(meant.value[0].kind)) return PART_OF_LAYOUT;
    const { views, colours, spacing, assets } = site;
    const nodes = Object.fromEntries(subtree(page, id).map((each) => [each, plain(page.nodes[each])]));
    const copy = { site: site.id, page: page.id, views, colours, spacing, assets, roots: [id], nodes };
    if (!linked) return done(keep(site, copy, kept, name).sentence);
    const why = unlinkable(site, page, meant.value[0]);
    if (why) return refused(why);
    const { tree, ids, sentence } = keep(site, copy, kept, name, true);
    const parent = page.nodes[sure(meant.value[0].parent)];
    Object.keys(nodes).forEach((each) => delete page.nodes[nodeId(each)]);
    replaceAmong(site, parent, [id], [tree.root]);
    followLinks(allTrees(site, pages), { names: ids, from: page.id, to: page.id });
    return done(sentence);
  },
};

const PART_OF_LAYOUT = refused(
  'A region is part of its layout; save the layout, or what is in the region. Nothing was saved.',
);

/** Whether elements of a kind can be saved blocks: they can stand on a page, or in a row. */
export const canBeSaved = (kind: string): boolean => standsOnPage(kind) || takesKind('row', kind);

/** Puts the first of copied elements beside the pages, where there is room for one more. */
export function keepTree(site: SiteFrame, copy: Copy, kept: SavedBlockName, name: string): Outcome<string> {
  if (site.shared?.[kept])
    return refused('The site already has a saved block with this id; nothing was saved.');
  if (savedBlockCount(site) >= MOST_SAVED_BLOCKS) return FULL;
  if (!canBeSaved(copy.nodes[copy.roots[0]].kind)) return PART_OF_LAYOUT;
  return done(keep(site, copy, kept, name).sentence);
}

/** Keeps elements that were copied, here or on another site, as blocks: the first of them. */
export const keepCopy: Command<{ copied: Copy; id: SavedBlockName; name: string }> = {
  on: () => 'frame',
  run: (site, _page, { copied: copy, id: kept, name }) => keepTree(site, copy, kept, name),
};

/** Gives a saved block another name. */
export const renameKept: Command<{ id: SavedBlockName; name: string }> = {
  on: () => 'frame',
  run(site, _page, { id, name }): Outcome<string> {
    const tree = site.shared?.[id];
    if (!tree) return GONE;
    const next = named(name);
    if (next === '') return refused('A name needs at least one character; the old name stays.');
    const root = tree.nodes[tree.root];
    const before = root.name;
    root.name = next;
    return done(`${before}: saved as ${next}`);
  },
};

/** Keeps a block no longer. Where it was placed, it stays; where it was linked, as the page's own. */
export const dropKept: Command<{ id: SavedBlockName }> = {
  on: () => 'site',
  run(site, _page, { id }, pages): Outcome<string> {
    const tree = site.shared?.[id];
    if (!tree) return GONE;
    const { name } = tree.nodes[tree.root];
    const count = unlinked(site, pages, tree);
    withoutShared(site, id);
    const own =
      count > 0
        ? `; ${counted(count, 'page')} that linked it ${plural(count, 'has its', 'have their')} own now`
        : '';
    return done(`${name}: removed from the saved blocks${own}`);
  },
};
