import { memoised } from './memo.ts';
import type { Node } from './node.ts';
import type { NodeId } from './nodeid.ts';
import type { Page } from './site.ts';

/** The nodes of a page in source order. */
export const sourceOrder: (page: Page) => readonly Node[] = memoised((page: Page) => {
  const list: Node[] = [];
  walk(page, page.root, list);
  return list;
});

function walk(page: Page, id: NodeId, list: Node[]): void {
  const node = page.nodes[id];
  list.push(node);
  for (const child of node.children) walk(page, child, list);
}
