import { childOrder, type NodeId } from '../elements/nodeid.ts';
import { mapped } from '../layered/layered.ts';
import type { Audience, Node, Style } from './node.ts';
import { isOnAllPages } from './shared.ts';
import type { Page } from './site.ts';

/** Who looks at a page: a visitor who has signed in, or one who has not. */
export type Visitor = Audience;

/** Whether an element, as far as it says itself, is for a visitor. */
export const isFor = ({ audience }: Pick<Node, 'audience'>, visitor: Visitor): boolean =>
  audience === undefined || audience === visitor;

/** Whether all of a page is not for a visitor, but for what it shares with others. */
export const isClosed = (page: Page, visitor: Visitor | undefined): boolean =>
  visitor !== undefined && !isFor(page.nodes[page.root], visitor);

/** The nearest element, itself or above, that is not for a visitor; undefined where all are. What pages share is not the page's own. */
export function hiddenAncestorFor(page: Page, node: Node, visitor: Visitor): NodeId | undefined {
  for (let at: Node | undefined = node; at; at = at.parent === null ? undefined : page.nodes[at.parent])
    if (!isFor(at, visitor) && (at.parent !== null || !isOnAllPages(node.id))) return at.id;
  return undefined;
}

/** Whether anything on a page is not for everyone. */
export const hasAudiences = (page: Page): boolean =>
  Object.values(page.nodes).some(({ audience }) => audience !== undefined);

/** A style without what is seen behind its element; its colours stay. */
function withoutPictures({ self, ...parts }: Style): Style {
  const { backgroundPicture: _picture, backgroundFilm: _film, ...rest } = self ?? {};
  return { ...parts, self: rest };
}

/**
 * An element with only some of its children, in each view in the order that they have among all of them: what an order does not name follows
 * its neighbour, which may not be there any more.
 */
function withoutChildren(node: Node, children: NodeId[]): Node {
  const order = node.style.self?.order;
  if (!order) return { ...node, children };
  const left = new Set(children);
  const kept = mapped(order, (stored) => childOrder(node.children, stored).filter((id) => left.has(id)));
  return { ...node, children, style: { ...node.style, self: { ...node.style.self, order: kept } } };
}

/**
 * A page with nothing on it but what is for a visitor; the page itself where that is all of it. Of one that is not for them as a whole only
 * that is left which it shares with others.
 */
export function pageFor(page: Page, visitor: Visitor): Page {
  if (!hasAudiences(page)) return page;
  const nodes: Record<NodeId, Node> = {};
  const closed = isClosed(page, visitor);
  const take = (id: NodeId): void => {
    const node = page.nodes[id];
    const children = node.children.filter(
      (child) => isFor(page.nodes[child], visitor) && (id !== page.root || !closed || isOnAllPages(child)),
    );
    nodes[id] = children.length === node.children.length ? node : withoutChildren(node, children);
    if (closed && id === page.root) nodes[id] = { ...nodes[id], style: withoutPictures(node.style) };
    children.forEach(take);
  };
  take(page.root);
  return { ...page, nodes };
}
