import type { Layered, Override } from '../layered/layered.ts';
import type { ViewId } from '../layered/views.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { Node, PartStyle, Style } from '../site/node.ts';
import type { Page, PageHead } from '../site/site.ts';

/** A page with what the site knows of it, as in a site file. */
export type WrittenPage = PageHead & Page;

/** An element written as a tree; `pageOf` lays it out flat. */
export interface Branch {
  kind: string;
  id: string;
  name: string;
  textStyle?: string;
  style: PartStyle;
  /** The styles of its parts. */
  parts?: Omit<Style, 'self'>;
  content: Record<string, unknown>;
  children: Branch[];
}

/** An element of a kind, with what is in it. */
export function branch(
  kind: string,
  id: string,
  name: string,
  rest: Partial<Omit<Branch, 'kind' | 'id' | 'name'>> = {},
): Branch {
  return { kind, id, name, style: {}, content: {}, children: [], ...rest };
}

/** A layered value: the base, overrides that go onward, and overrides that hold here. */
export function layered(
  base: unknown,
  onward: Record<string, unknown> = {},
  here: Record<string, unknown> = {},
): Layered<unknown> {
  const at: Record<ViewId, Override<unknown>> = {};
  for (const [view, value] of Object.entries(onward)) at[view as ViewId] = { value, reach: 'onward' };
  for (const [view, value] of Object.entries(here)) at[view as ViewId] = { value, reach: 'here' };
  const result: Layered<unknown> = {};
  if (base !== undefined) result.base = base;
  if (Object.keys(at).length > 0) result.at = at;
  return result;
}

/** A page with its head from a tree of elements. */
export function pageOf(head: Omit<PageHead, 'id'> & { id: string }, root: Branch): WrittenPage {
  const nodes: Record<NodeId, Node> = {};
  const add = (tree: Branch, parent: NodeId | null): NodeId => {
    const id = tree.id as NodeId;
    const node: Node = {
      id,
      kind: tree.kind,
      name: tree.name,
      parent,
      children: [],
      style: { self: tree.style, ...tree.parts },
      content: tree.content,
    };
    if (tree.textStyle) node.textStyle = tree.textStyle;
    nodes[id] = node;
    node.children = tree.children.map((child) => add(child, id));
    return id;
  };
  const id = add(root, null);
  return { ...head, id: head.id as NodeId, root: id, nodes };
}
