import { nodeId, type NodeId } from '../../elements/nodeid.ts';
import { keysOf } from '../../lookup.ts';
import { knownIn, sure } from '../../sure.ts';
import { hasTrait, isAtEdge, knownKind } from '../../elements/kinds/table.ts';
import { contentOf } from '../../elements/kinds/kind.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { idIn, linksBelow, sharedOn, sharedPlaceOf } from '../../site/shared.ts';
import type { Node } from '../../site/node.ts';
import type { Page, PageHead, SharedPlace, SiteFrame, TreeName } from '../../site/site.ts';
import { found } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { followLinks, relinkLeaving } from './relink.ts';
import { copied, renamed } from './structure.ts';
import { subtree } from '../../site/sourceorder.ts';
import { allTrees } from '../views/viewvalues.ts';
import { counted } from '../../plural.ts';
import { nameOfPage } from '../values/textbyview.ts';

/** What is shared in a place: what a section serves as that can be, and how sentences call it. */
export const SHARED_NAMES: Record<SharedPlace, string> = {
  head: 'header',
  foot: 'footer',
  strip: 'contact bar',
  up: 'back-to-top button',
};

/** Where a section would stand if all pages shared it; undefined for one that is only part of its page. */
export function placeOfSection(page: Page, node: Node): SharedPlace | undefined {
  if (node.parent !== page.root) return undefined;
  if (isAtEdge(node.kind)) return node.kind in SHARED_NAMES ? (node.kind as SharedPlace) : undefined;
  if (!hasTrait(node, 'section')) return undefined;
  const landmark = contentOf<string>(knownKind(node.kind), node, 'landmark');
  return keysOf(SHARED_NAMES).find((place) => SHARED_NAMES[place] === landmark);
}

/** The sections of a page, its own, that serve as what is shared in a place. */
export const ownSections = (page: Page, place: SharedPlace): NodeId[] =>
  page.nodes[page.root].children.filter(
    (id) => page.nodes[id] && placeOfSection(page, page.nodes[id]) === place,
  );

/** Leaves out what is shared in a place, or shows it. */
function leaveOut(head: PageHead, place: SharedPlace, out: boolean): void {
  const without = (head.without ?? []).filter((each) => each !== place);
  if (out) without.push(place);
  delete head.without;
  if (without.length > 0) head.without = without.sort();
}

/** Takes sections, and all that is in them, off a page. */
function takeOff(page: Page, sections: readonly NodeId[]): void {
  const root = page.nodes[page.root];
  for (const id of sections) {
    subtree(page, id).forEach((each) => delete page.nodes[each]);
    root.children.splice(root.children.indexOf(id), 1);
  }
}

/** New names for elements, none of them given to two or taken already. */
export function freeNames(
  place: TreeName | undefined,
  ids: readonly NodeId[],
  taken: Page['nodes'],
): Map<NodeId, NodeId> {
  const names = new Map<NodeId, NodeId>();
  const used = new Set<string>(Object.keys(taken));
  for (const id of ids) {
    let name = idIn(place, id);
    for (let count = 2; used.has(name); count++) name = nodeId(`${idIn(place, id).slice(0, 36)}-${count}`);
    used.add(name);
    names.set(id, name);
  }
  return names;
}

/** Lets the order of a page's sections mean them by their new names. */
function reorder(page: Page, names: ReadonlyMap<NodeId, NodeId>): void {
  const root = page.nodes[page.root];
  root.style = renamed(root.style, names);
}

export interface ShareSection {
  node: NodeId;
  /** Pages that keep their own in its place, and leave out what is shared; on all others theirs goes. */
  keep?: NodeId[];
}

/** Makes the head or foot of a page that of all pages: one for all, which is changed on any of them. */
export const shareSection: Command<ShareSection> = {
  on: () => 'site',
  run(site, page, { node: id, keep = [] }, pages): Outcome<string> {
    const nodes = found(page, [id]);
    if (!nodes.ok) return nodes;
    const [node] = nodes.value;
    const place = placeOfSection(page, node);
    if (!place)
      return refused(
        'Only the header or footer of a page, or what stays at an edge of the window, can be on all pages. Nothing was changed.',
      );
    if (site.shared?.[place])
      return refused(
        `All pages share a ${SHARED_NAMES[place]} already; change that one. Nothing was changed.`,
      );
    const { name } = node;
    const [link] = linksBelow(page, id);
    if (link)
      return refused(
        `${sure(sure(site.shared, 'shared')[sure(sharedPlaceOf(link))]).nodes[link].name} in it is a linked block; give this page its own first. Nothing was changed.`,
      );
    const names = freeNames(place, subtree(page, id), {});
    const tree: Page = { id: nodeId(place), root: knownIn(names, id), nodes: {} };
    for (const each of names.keys()) copied(page, each, tree, names);
    tree.nodes[tree.root].parent = null;
    for (const each of Object.values(tree.nodes)) relinkLeaving(each, page, names);
    takeOff(page, [id]);
    reorder(page, names);
    const others = allTrees(site, pages);
    followLinks([...others, tree], { names, from: page.id, to: page.id });
    let replaced = 0;
    for (const head of site.pages) {
      const kept = keep.includes(head.id) && head.id !== page.id;
      leaveOut(head, place, kept);
      // What else serves so on the page itself stays there.
      if (kept || head.id === page.id) continue;
      const other = pages[head.id];
      const theirs = ownSections(other, place);
      if (theirs.length === 0) continue;
      replaced += 1;
      const ours = new Map(theirs.map((each) => [each, tree.root]));
      takeOff(other, theirs);
      reorder(other, ours);
      followLinks([...others, tree], { names: ours, from: other.id, to: other.id });
    }
    site.shared = { ...site.shared, [place]: tree };
    const instead = replaced > 0 ? `, instead of their own on ${counted(replaced, 'page')}` : '';
    return done(`${name}: now on all pages${instead}`);
  },
};

export interface UnshareSection {
  place: SharedPlace;
  /** The page that gets one of its own; absent: every page does, and nothing is shared there any more. */
  page?: NodeId;
}

/** Gives a page, or every page that shows it, its own copy of what all pages share in a place. */
export const unshareSection: Command<UnshareSection> = {
  on: () => 'site',
  run(site, _page, { place, page: only }, pages): Outcome<string> {
    const tree = site.shared?.[place];
    if (!tree) return refused(`The pages no longer share a ${SHARED_NAMES[place]}. Nothing was changed.`);
    const meant = site.pages.filter(
      (head) => (only === undefined || head.id === only) && sharedOn(site, head).includes(place),
    );
    if (only !== undefined && meant.length === 0)
      return refused(`This page does not show the shared version. Nothing was changed.`);
    const { name } = tree.nodes[tree.root];
    for (const head of meant) {
      const page = pages[head.id];
      const names = ownCopy(tree, place, page);
      reorder(page, names);
      followLinks(allTrees(site, pages), { names, from: page.id, to: page.id });
    }
    if (only !== undefined) {
      leaveOut(meant[0], place, true);
      return done(`${name}: ${nameOfPage(pages, meant[0])} now has its own`);
    }
    for (const head of site.pages) leaveOut(head, place, false);
    withoutShared(site, place);
    return done(`${name}: each page now has its own`);
  },
};

/** Shows on a page what all others share, in place of what it has of its own there. */
export const takeShared: Command<{ place: SharedPlace; page: NodeId }> = {
  on: () => 'site',
  run(site, _page, { place, page: id }, pages): Outcome<string> {
    const head = site.pages.find((each) => each.id === id);
    const tree = site.shared?.[place];
    if (!head || !tree)
      return refused(`The pages no longer share a ${SHARED_NAMES[place]}. Nothing was changed.`);
    const page = pages[id];
    const own = ownSections(page, place);
    const names = new Map(own.map((each) => [each, tree.root]));
    takeOff(page, own);
    reorder(page, names);
    followLinks(allTrees(site, pages), { names, from: page.id, to: page.id });
    leaveOut(head, place, false);
    const instead = own.length > 0 ? ' instead of its own' : '';
    return done(
      `${tree.nodes[tree.root].name}: ${nameOfPage(pages, head)} shows that of all pages${instead}`,
    );
  },
};

/** Hangs a copy of a tree on an element of a page that does not know of it yet; answers the names in it. */
export function copyOf(tree: Page, page: Page, parent: NodeId): ReadonlyMap<NodeId, NodeId> {
  const names = freeNames(undefined, subtree(tree, tree.root), page.nodes);
  for (const each of names.keys()) copied(tree, each, page, names, each === tree.root ? parent : undefined);
  return names;
}

/** Puts a copy of what is shared on a page; answers the names in it. */
function ownCopy(tree: Page, place: SharedPlace, page: Page): ReadonlyMap<NodeId, NodeId> {
  const names = copyOf(tree, page, page.root);
  const root = page.nodes[page.root];
  const own = knownIn(names, tree.root);
  // Below all sections, and before what stays at the edges of the window.
  const last = root.children.findLastIndex((id) => !isAtEdge(page.nodes[id]?.kind ?? '')) + 1;
  if (place === 'head') root.children.unshift(own);
  else if (place === 'foot') root.children.splice(last, 0, own);
  else root.children.push(own);
  return names;
}

/** A tree stands beside the pages no longer. */
export function withoutShared(site: SiteFrame, place: TreeName): void {
  const { [place]: _gone, ...rest } = sure(site.shared, 'shared');
  delete site.shared;
  if (Object.keys(rest).length > 0) site.shared = rest;
}
