import { nodeId, type NodeId } from '../elements/nodeid.ts';
import { viewId, type ViewId } from '../layered/views.ts';
import type { Layered, Override } from '../layered/layered.ts';
import type { Node, PartStyle, Style } from '../site/node.ts';
import { idIn } from '../site/shared.ts';
import type { Page, PageHead, SharedPlace } from '../site/site.ts';

/** A page with what the site knows of it, as in a site file. */
export type WrittenPage = PageHead & Page;

/** An element written as a tree; `pageOf` and `sharedOf` lay it out flat. */
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
export function layered<T>(
  base: T | undefined,
  onward: Record<string, T> = {},
  here: Record<string, T> = {},
): Layered<T> {
  const at: Record<ViewId, Override<T>> = {};
  for (const [view, value] of Object.entries(onward)) at[viewId(view)] = { value, reach: 'onward' };
  for (const [view, value] of Object.entries(here)) at[viewId(view)] = { value, reach: 'here' };
  const result: Layered<T> = {};
  if (base !== undefined) result.base = base;
  if (Object.keys(at).length > 0) result.at = at;
  return result;
}

/** A tree of elements laid out flat, each by the id that it gets. */
function flat(root: Branch, idOf: (id: string) => NodeId): Pick<Page, 'root' | 'nodes'> {
  const nodes: Record<NodeId, Node> = {};
  const add = (tree: Branch, parent: NodeId | null): NodeId => {
    const id = idOf(tree.id);
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
  return { root: add(root, null), nodes };
}

/** A page with its head from a tree of elements. */
export const pageOf = (head: Omit<PageHead, 'id'> & { id: string }, root: Branch): WrittenPage => ({
  ...head,
  id: nodeId(head.id),
  ...flat(root, (id) => nodeId(id)),
});

/** What all pages share in a place, from a tree of elements. */
export const sharedOf = (place: SharedPlace, root: Branch): Page => ({
  id: nodeId(place),
  ...flat(root, (id) => idIn(place, id)),
});
