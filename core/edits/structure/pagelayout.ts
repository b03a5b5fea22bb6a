import { hasTrait, isAtEdge } from '../../elements/kinds/table.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { NO_IMAGE } from '../../elements/valuetypes/image.ts';
import { takes } from '../../site/applies.ts';
import { resolve } from '../../values/trace.ts';
import { express, same } from '../../layered/express.ts';
import type { ViewId } from '../../layered/views.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { counted } from '../../plural.ts';
import type { Node } from '../../site/node.ts';
import { isOnAllPages, sharedPlaceOf } from '../../site/shared.ts';
import type { Page, SavedBlockName, SiteFrame } from '../../site/site.ts';
import { keysOf, lookup } from '../../lookup.ts';
import { sure } from '../../sure.ts';
import { childrenIn } from '../../values/visibility.ts';
import { found, store } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { fitted, forAudience, saysShown, storeOrder } from '../placement/placing.ts';
import { grownFrom, type Copy } from './pasteelements.ts';
import { keepTree } from './savedblocks.ts';
import { placeOfSection } from './shared.ts';
import { MOST_CHILDREN, plain } from './structure.ts';

/** Elements by id: those of a page, or those that were copied. */
type Among = Pick<Page, 'nodes'>;

/** The layout of a page; undefined where its sections stand on the page itself. */
export const layoutOf = (page: Page): Node | undefined =>
  page.nodes[page.root].children.map((id) => page.nodes[id]).find((node) => hasTrait(node, 'page layout'));

/** The regions of a layout, in source order. */
export const regionsOf = ({ nodes }: Among, layout: Node): Node[] => layout.children.map((id) => nodes[id]);

const known = (name: string): string => name.trim().toLowerCase();

/** The region of a name, whatever its case; undefined where there is none. */
export const regionNamed = (regions: readonly Node[], name: string): Node | undefined =>
  regions.find((each) => known(each.name) === known(name));

/** The name of the region that holds what a page is about. */
export const MAIN = 'Main';

/** The region for what no other is asked for: the one named so, else the first. */
export const mainRegion = (regions: readonly Node[]): Node => regionNamed(regions, MAIN) ?? regions[0];

/** Whether an element is the main region of a layout that was copied. */
export const isMainRegion = (copy: Copy, id: NodeId): boolean =>
  mainRegion(regionsOf(copy, copy.nodes[copy.roots[0]])).id === id;

/** The sections that stand on a page itself and are its own: neither header nor footer, nor at an edge of the window, nor a layout. */
export const sectionsOnPage = (page: Page): Node[] =>
  page.nodes[page.root].children
    .map((id) => page.nodes[id])
    .filter(
      (node) =>
        !isOnAllPages(node.id) &&
        !isAtEdge(node.kind) &&
        !hasTrait(node, 'page layout') &&
        placeOfSection(page, node) === undefined,
    );

/** Those regions of a page's layout with sections in them for which another layout has no region of their name. */
export function withoutPlace(page: Page, next: Copy): Node[] {
  const layout = layoutOf(page);
  if (!layout) return [];
  const regions = regionsOf(next, next.nodes[next.roots[0]]);
  return regionsOf(page, layout).filter(
    ({ name, children }) => children.length > 0 && !regionNamed(regions, name),
  );
}

/** Sections that go from a container into another, in their source order, and in each view in the order they have there. */
interface Coming {
  from: Node;
  sections: readonly NodeId[];
}

/** px, by view: the room at both sides that what stands in a region needs where it has a ground of its own, to whose edges the page’s margins kept it before. */
const roomBeside = ({ views }: SiteFrame) => express(views, ({ grid }) => grid.gutter);

/** Whether what is behind an element differs from what is behind the page in any view. */
function hasGround(site: SiteFrame, page: Page, node: Node): boolean {
  if (!takes(node.kind, knownProperty('backgroundColour'))) return false;
  const colour = (of: Node, view: ViewId) => resolve(site, page, of, knownProperty('backgroundColour'), view);
  const image = (view: ViewId) => resolve(site, page, node, knownProperty('backgroundPicture'), view);
  return site.views.list.some(({ id }) => {
    const own = colour(node, id);
    return (own !== 'transparent' && own !== colour(page.nodes[page.root], id)) || image(id) !== NO_IMAGE;
  });
}

/** Gives a section that comes into a region room beside what is in it, or takes that away where it leaves. */
function giveRoom(site: SiteFrame, page: Page, section: Node, inRegion: boolean): void {
  const room = roomBeside(site);
  for (const side of ['paddingLeft', 'paddingRight'] as const) {
    const said = section.style.self?.[side];
    if (inRegion && !said && hasGround(site, page, section)) store(section, 'self', side, room);
    if (!inRegion && same(said, room)) store(section, 'self', side, {});
  }
}

/** Puts sections behind what is in a container already. */
function receive(site: SiteFrame, draft: Page, into: Node, coming: readonly Coming[]): void {
  const before = new Map(site.views.list.map(({ id }) => [id, childrenIn(site, into, id)]));
  const inView = (view: ViewId) =>
    coming.flatMap(({ from, sections }) =>
      childrenIn(site, from, view).filter((id) => sections.includes(id)),
    );
  const orders = new Map(site.views.list.map(({ id }) => [id, [...sure(before.get(id)), ...inView(id)]]));
  into.children = [...into.children, ...coming.flatMap(({ sections }) => sections)];
  if (into.style.self?.order ?? coming.some(({ from }) => from.style.self?.order))
    storeOrder(site, into, (view) => sure(orders.get(view)));
  for (const id of coming.flatMap(({ sections }) => sections)) {
    draft.nodes[id].parent = into.id;
    giveRoom(site, draft, draft.nodes[id], true);
  }
}

/** What a region hid, or had for some visitors only, is so still where it leaves it; answers why it cannot be. */
function takeAlong(site: SiteFrame, draft: Page, region: Node): string | undefined {
  for (const id of region.children) {
    const node = draft.nodes[id];
    if (region.audience && node.audience && node.audience !== region.audience)
      return `${region.name} and ${node.name} in it are for different visitors, so nobody would see it; set one of them to everyone first. Nothing was changed.`;
    if (region.audience) forAudience(node, region.audience);
    if (region.style.self?.shown)
      store(
        node,
        'self',
        'shown',
        express(site.views, ({ id: view }) => saysShown(site, region, view) && saysShown(site, node, view)),
      );
  }
  return undefined;
}

/** What of a region the layout says; all else is the page's own and stays. */
const OF_LAYOUT = new Set(['span', 'start', 'order']);

/** Gives a region what one of its name said in the layout before. */
function carryLook(from: Node, to: Node): void {
  for (const [name, layered] of Object.entries(plain(from).style.self ?? {}))
    if (!OF_LAYOUT.has(name) && !lookup(to.style.self, name)) store(to, 'self', name, layered);
  forAudience(to, from.audience);
  to.content = plain(from).content;
}

export interface TakeLayout {
  /** The layout as copied elements; null: the sections are to stand on the page itself. */
  layout: Copy | null;
  /** Begins the ids of the layout and its regions; no element of the page has one of them yet. */
  id: NodeId;
  /** Names of regions for what stands in regions, by their ids, that have none of their name. Absent: the main region. */
  to?: Record<NodeId, string>;
}

const inAll = (nodes: readonly Node[]): number =>
  nodes.reduce((sum, { children }) => sum + children.length, 0);

/** Puts what stands in the regions of a page on the page itself, where the layout stood. */
function withoutLayout(site: SiteFrame, draft: Page): Outcome<string> {
  const layout = layoutOf(draft);
  const root = draft.nodes[draft.root];
  if (!layout) return refused(`${root.name} has no layout; its sections stand one below another already.`);
  const regions = regionsOf(draft, layout);
  for (const region of regions) {
    const fault = takeAlong(site, draft, region);
    if (fault) return refused(fault);
  }
  const outer = new Map(site.views.list.map(({ id }) => [id, childrenIn(site, root, id)]));
  const inner = new Map(
    site.views.list.map(({ id }) => [
      id,
      childrenIn(site, layout, id).flatMap((region) => childrenIn(site, draft.nodes[region], id)),
    ]),
  );
  const ordered = [root, layout, ...regions].some(({ style }) => style.self?.order);
  const sections = regions.flatMap(({ children }) => children);
  if (root.children.length + sections.length > MOST_CHILDREN)
    return refused(`${root.name} is full: it holds ${MOST_CHILDREN} elements. Nothing was changed.`);
  root.children = root.children.flatMap((id) => (id === layout.id ? sections : [id]));
  if (ordered)
    storeOrder(site, root, (view) =>
      sure(outer.get(view)).flatMap((id) => (id === layout.id ? sure(inner.get(view)) : [id])),
    );
  for (const id of sections) draft.nodes[id].parent = root.id;
  for (const { id } of [layout, ...regions]) delete draft.nodes[id];
  for (const id of sections) {
    fitted(draft, draft.nodes[id]);
    giveRoom(site, draft, draft.nodes[id], false);
  }
  return done(`${root.name}: no layout; ${counted(sections.length, 'section')} one below another`);
}

/**
 * Gives a page a layout, or another one. What stands in a region stays in the one of its name, with what that region says of its look;
 * of a page that had none, its own sections go into the main one.
 */
export const takeLayout: Command<TakeLayout> = {
  run(site, draft, { layout: next, id, to = {} }): Outcome<string> {
    if (!next) return withoutLayout(site, draft);
    const root = draft.nodes[draft.root];
    const [top] = next.roots;
    const wanted = next.nodes[top] as Node | undefined;
    if (!hasTrait(wanted, 'page layout') || sure(wanted).children.length === 0)
      return refused('That is no layout of a page. Nothing was changed.');
    if (sharedPlaceOf(id)) return refused('The id is not one for a page; nothing was changed.');
    const bare = bareLayout(next, top);
    if (keysOf(bare).some((_each, index) => lookup(draft.nodes, index === 0 ? id : `${id}-${index}`)))
      return refused('The page has an element of this id already; nothing was changed.');
    const before = layoutOf(draft);
    const { roots } = grownFrom(site, draft, { ...next, nodes: bare }, id, root.id);
    const layout = draft.nodes[roots[0]];
    const regions = regionsOf(draft, layout);
    const coming = new Map<Node, Coming[]>(regions.map((region) => [region, []]));
    const strays: Node[] = [];
    if (before) {
      for (const from of regionsOf(draft, before)) {
        const same = regionNamed(regions, from.name);
        const region = same ?? regionNamed(regions, lookup(to, from.id) ?? '') ?? mainRegion(regions);
        if (same) carryLook(from, same);
        else {
          const fault = takeAlong(site, draft, from);
          if (fault) return refused(fault);
          if (from.children.length > 0) strays.push(plain(from));
        }
        sure(coming.get(region)).push({ from, sections: [...from.children] });
      }
    } else {
      const sections = sectionsOnPage(draft).map((node) => node.id);
      sure(coming.get(mainRegion(regions))).push({ from: root, sections });
    }
    for (const [region, from] of coming) receive(site, draft, region, from);
    const moved = new Set(before ? [] : [...coming.values()].flat().flatMap(({ sections }) => sections));
    placeLayout(site, root, layout.id, (each) => each === before?.id || moved.has(each));
    if (before) for (const each of [before, ...regionsOf(draft, before)]) delete draft.nodes[each.id];
    const counts = `${counted(inAll(regions), 'section')} in ${counted(regions.length, 'region')}`;
    const gone = strays.map(
      ({ name, id: stray }) =>
        `${name} → ${(regionNamed(regions, lookup(to, stray) ?? '') ?? mainRegion(regions)).name}`,
    );
    return done(
      `${root.name}: layout ${layout.name}, ${counts}${gone.length > 0 ? `; ${gone.join(', ')}` : ''}`,
    );
  },
};

/** A layout and its regions, without what is in them. */
function bareLayout({ nodes }: Among, layout: NodeId): Page['nodes'] {
  const whole = [layout, ...nodes[layout].children].map((id) => plain(nodes[id]));
  for (const node of whole.slice(1)) {
    node.children = [];
    store(node, 'self', 'order', {});
  }
  return Object.fromEntries(whole.map((node) => [node.id, node]));
}

/** Puts a layout on a page where the first of what goes stood, in each view's order too; before the footer where nothing goes. */
function placeLayout(site: SiteFrame, root: Node, layout: NodeId, goes: (id: NodeId) => boolean): void {
  const orders = new Map(site.views.list.map(({ id }) => [id, childrenIn(site, root, id)]));
  const placed = (order: readonly NodeId[]) => {
    const at = order.findIndex(goes);
    const left = order.filter((id) => !goes(id));
    const before = at < 0 ? left.length : order.slice(0, at).filter((id) => !goes(id)).length;
    return [...left.slice(0, before), layout, ...left.slice(before)];
  };
  const ordered = root.style.self?.order !== undefined;
  root.children = placed(root.children);
  if (ordered) storeOrder(site, root, (view) => placed(sure(orders.get(view))));
}

/** Takes a region out of a layout; what is in it goes to the end of another region. */
export const removeRegion: Command<{ node: NodeId; to: NodeId }> = {
  run(site, draft, { node: id, to }): Outcome<string> {
    const nodes = found(draft, [id, to]);
    if (!nodes.ok) return nodes;
    const [region, other] = nodes.value;
    if (!hasTrait(region, 'region') || region === other || region.parent !== other.parent)
      return refused('What is in a region can only go to another region of its layout. Nothing was changed.');
    if (other.children.length + region.children.length > MOST_CHILDREN)
      return refused(`${other.name} is full: it holds ${MOST_CHILDREN} elements. Nothing was changed.`);
    const fault = takeAlong(site, draft, region);
    if (fault) return refused(fault);
    const { name, children } = plain(region);
    receive(site, draft, other, [{ from: region, sections: children }]);
    const layout = draft.nodes[sure(region.parent)];
    layout.children.splice(layout.children.indexOf(id), 1);
    delete draft.nodes[id];
    const gone = children.length > 0 ? `; ${counted(children.length, 'section')} now in ${other.name}` : '';
    return done(`${name}: removed from the layout in every view${gone}`);
  },
};

/** Keeps the layout of a page, without what is in its regions, as a layout of the site. */
export const keepLayout: Command<{ node: NodeId; id: SavedBlockName; name: string }> = {
  on: () => 'frame',
  run(site, page, { node: id, id: kept, name }): Outcome<string> {
    const nodes = found(page, [id]);
    if (!nodes.ok) return nodes;
    if (!hasTrait(nodes.value[0], 'page layout'))
      return refused(`${nodes.value[0].name} isn’t a page layout. Nothing was saved.`);
    const { views, colours, spacing, assets } = site;
    const copy = { site: site.id, page: page.id, views, colours, spacing, assets, roots: [id] };
    return keepTree(site, { ...copy, nodes: bareLayout(page, id) }, kept, name);
  },
};
