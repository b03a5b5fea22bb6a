import { memoised } from '../memo.ts';
import type { Node } from './node.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { Page } from './site.ts';

/**
 * The nodes of a page in source order, and beside each the one that holds it. What is linked on a page is only among them where the page
 * is put together with it.
 */
interface Walked {
  nodes: Node[];
  parents: (Node | undefined)[];
}

const walked = memoised((page: Page): Walked => {
  const made: Walked = { nodes: [], parents: [] };
  walk(page, page.root, undefined, made);
  return made;
});

function walk(page: Page, id: NodeId, parent: Node | undefined, made: Walked): void {
  const node = page.nodes[id] as Node | undefined;
  if (!node) return;
  made.nodes.push(node);
  made.parents.push(parent);
  for (const child of node.children) walk(page, child, node, made);
}

/** The nodes of a page in source order. */
export const sourceOrder = (page: Page): readonly Node[] => walked(page).nodes;

/** Visits the nodes of a page in source order, each with its parent. */
export function inSourceOrder(page: Page, visit: (node: Node, parent: Node | undefined) => void): void {
  const { nodes, parents } = walked(page);
  for (let index = 0; index < nodes.length; index++) visit(nodes[index], parents[index]);
}

/** An element and everything in it, in source order. */
export function subtree(page: Pick<Page, 'nodes'>, id: NodeId): NodeId[] {
  const node = page.nodes[id] as Node | undefined;
  return node ? [id, ...node.children.flatMap((child) => subtree(page, child))] : [];
}

/** The elements above one, nearest first. */
export function ancestorsOf(page: Page, id: NodeId): NodeId[] {
  const list: NodeId[] = [];
  for (let at = page.nodes[id]?.parent; at; at = page.nodes[at].parent) list.push(at);
  return list;
}
