import { standsOnPage } from '../elements/kinds/table.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { done, refused, type Outcome } from '../outcome.ts';
import { idIn } from '../site/shared.ts';
import type { KeptName, Page, SiteFrame } from '../site/site.ts';
import { found, store } from './aim.ts';
import type { Command } from './command.ts';
import { grownFrom, type Copy } from './pasteelements.ts';
import { withoutShared } from './shared.ts';
import { subtree } from '../site/sourceorder.ts';
import { counted } from './wording.ts';

/** How many blocks a site keeps. */
const MOST_KEPT = 200;

const FULL = refused(
  `The site keeps ${MOST_KEPT} blocks already; put one of them away first. Nothing was changed.`,
);
const GONE = refused('The block is not kept on this site any more. Nothing was changed.');

const named = (name: string): string => name.replace(/\s+/g, ' ').trim().slice(0, 120);

const countKept = ({ shared = {} }: SiteFrame): number =>
  Object.keys(shared).filter((tree) => tree.startsWith('kept-')).length;

const HOLDER = 'page' as NodeId;

/** Puts the first of copied elements, with all that is in it, beside the pages, on the site's terms. Answers what was done, in words. */
function keep(site: SiteFrame, copy: Copy, id: KeptName, name: string): string {
  const [first] = copy.roots;
  const inFirst = subtree(copy, first);
  const kind = standsOnPage(copy.nodes[first].kind) ? 'page' : 'row';
  // It is fitted as if it stood in what takes the most: what stands on a page on one, another block in a row.
  const holder = { id: HOLDER, kind, name, parent: null, children: [], style: {}, content: {} };
  const tree: Page = { id: id as string as NodeId, root: HOLDER, nodes: { [HOLDER]: holder } };
  const only = Object.fromEntries(inFirst.map((each) => [each, copy.nodes[each]])) as Copy['nodes'];
  const { roots, left } = grownFrom(
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
  // Where it is placed it is there for everyone, in every view, until someone says otherwise.
  delete root.audience;
  store(root, 'self', 'shown', {});
  site.shared = { ...site.shared, [id]: { ...tree, root: root.id } };
  const more = inFirst.length - 1;
  const missing = left > 0 ? `; ${counted(left, 'value')} left out that this site does not have` : '';
  return `${root.name}: kept${more > 0 ? ` with ${counted(more, 'element')} in it` : ''}${missing}`;
}

export interface KeepBlock {
  node: NodeId;
  /** The name among what the site keeps; none has it yet. */
  id: KeptName;
  name: string;
}

/** Keeps a copy of an element, with all its values and all that is in it, to be placed anywhere. */
export const keepBlock: Command<KeepBlock> = {
  on: () => 'frame',
  run(site, page, { node: id, id: kept, name }): Outcome<string> {
    const meant = found(page, [id]);
    if (!meant.ok) return meant;
    if (meant.value[0].parent === null)
      return refused('A page is copied on the pages screen. Select a block on it; nothing was kept.');
    if (site.shared?.[kept]) return refused('The site keeps a block of this id already; nothing was kept.');
    if (countKept(site) >= MOST_KEPT) return FULL;
    const { views, colours, spacing, assets } = site;
    const nodes = Object.fromEntries(subtree(page, id).map((each) => [each, page.nodes[each]]));
    const copy = { site: site.id, page: page.id, views, colours, spacing, assets, roots: [id], nodes };
    return done(keep(site, copy as Copy, kept, name));
  },
};

/** Keeps elements that were copied, here or on another site, as blocks: the first of them. */
export const keepCopy: Command<{ copied: Copy; id: KeptName; name: string }> = {
  on: () => 'frame',
  run(site, _page, { copied: copy, id: kept, name }): Outcome<string> {
    if (site.shared?.[kept]) return refused('The site keeps a block of this id already; nothing was kept.');
    if (countKept(site) >= MOST_KEPT) return FULL;
    return done(keep(site, copy, kept, name));
  },
};

/** Gives a kept block another name. */
export const renameKept: Command<{ id: KeptName; name: string }> = {
  on: () => 'frame',
  run(site, _page, { id, name }): Outcome<string> {
    const tree = site.shared?.[id];
    if (!tree) return GONE;
    const next = named(name);
    if (next === '') return refused('A name needs at least one character; the old name was kept.');
    const root = tree.nodes[tree.root];
    const before = root.name;
    root.name = next;
    return done(`${before}: kept as ${next}`);
  },
};

/** Keeps a block no longer. Where it was placed, it stays. */
export const dropKept: Command<{ id: KeptName }> = {
  on: () => 'frame',
  run(site, _page, { id }): Outcome<string> {
    const tree = site.shared?.[id];
    if (!tree) return GONE;
    const { name } = tree.nodes[tree.root];
    withoutShared(site, id);
    return done(`${name}: not kept any more`);
  },
};
