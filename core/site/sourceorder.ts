import type { Node } from './node.ts';
import type { NodeId } from './nodeid.ts';
import type { Page } from './site.ts';

/** The nodes of a page in source order. */
export function sourceOrder(page: Page): Node[] {
  const list: Node[] = [];
  const walk = (id: NodeId) => {
    const node = page.nodes[id];
    list.push(node);
    node.children.forEach(walk);
  };
  walk(page.root);
  return list;
}
