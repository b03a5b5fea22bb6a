import type { NodeId } from '../elements/nodeid.ts';
import type { Audience, Node } from './node.ts';
import type { Page } from './site.ts';

/** Who looks at a page: a visitor who has signed in, or one who has not. */
export type Visitor = Audience;

/** Whether an element, as far as it says itself, is for a visitor. */
export const isFor = ({ audience }: Pick<Node, 'audience'>, visitor: Visitor): boolean =>
  audience === undefined || audience === visitor;

/** The nearest element, itself or above, that is not for a visitor; undefined where all are. */
export function keptFrom(page: Page, node: Node, visitor: Visitor): NodeId | undefined {
  for (let at: Node | undefined = node; at; at = at.parent === null ? undefined : page.nodes[at.parent])
    if (!isFor(at, visitor)) return at.id;
  return undefined;
}

/** Whether anything on a page is not for everyone. */
export const hasAudiences = (page: Page): boolean =>
  Object.values(page.nodes).some(({ audience }) => audience !== undefined);

/** A page with nothing on it but what is for a visitor; the page itself where that is all of it. */
export function pageFor(page: Page, visitor: Visitor): Page {
  if (!hasAudiences(page)) return page;
  const nodes: Record<NodeId, Node> = {};
  const take = (id: NodeId): void => {
    const node = page.nodes[id];
    const children = node.children.filter((child) => isFor(page.nodes[child], visitor));
    nodes[id] = children.length === node.children.length ? node : { ...node, children };
    children.forEach(take);
  };
  take(page.root);
  return { ...page, nodes };
}
