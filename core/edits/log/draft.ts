import { nodeId, type NodeId } from '../../elements/nodeid.ts';
import { keysOf, lookup } from '../../lookup.ts';
import { sure } from '../../sure.ts';
import { createDraft, current, freeze } from 'immer';
import type { Node } from '../../site/node.ts';
import { same } from '../../layered/express.ts';
import type { Page, SiteFrame, TreeName } from '../../site/site.ts';
import { remember } from '../../site/lineage.ts';
import {
  composed,
  linkedOn,
  ownNode,
  sharedNode,
  sharedPlaceOf,
  sharedTrees,
  takesLinked,
} from '../../site/shared.ts';

/**
 * A value as it is, with no draft in it. Each node is drafted by itself, so that what is taken from one and put into another would be
 * a draft that nobody finishes.
 */
export function undrafted<T>(value: T): T {
  const holder = createDraft<{ value?: unknown }>({});
  holder.value = value;
  return (current(holder) as { value: T }).value;
}

/** The nodes in which a page was changed: other ones now, or new; undefined where one is gone. */
export type NodeChanges = Readonly<Record<NodeId, Node | undefined>>;

/**
 * A page to be changed by a command. Each node is drafted by itself when it is first asked for, so that an edit costs
 * what it touches and not a walk over the page. Nodes can be added and taken away.
 */
export function draftPage(page: Page): { draft: Page; finish(): NodeChanges } {
  const drafts = new Map<string, Node>();
  const added = new Map<string, Node>();
  const removed = new Set<string>();
  const has = (id: string | symbol): id is string =>
    typeof id === 'string' && (added.has(id) || (Object.hasOwn(page.nodes, id) && !removed.has(id)));
  const drafted = (id: string | symbol): Node | undefined => {
    if (!has(id)) return undefined;
    const before = added.get(id) ?? drafts.get(id);
    if (before) return before;
    const made = createDraft(sure(lookup(page.nodes, id)));
    drafts.set(id, made);
    return made;
  };
  // The proxy stands before an empty object: it could not answer drafts in place of what a frozen one holds.
  const nodes = new Proxy(
    {},
    {
      get: (_target, id) => drafted(id),
      has: (_target, id) => has(id),
      ownKeys: () => [...Object.keys(page.nodes).filter((id) => !removed.has(id)), ...added.keys()],
      getOwnPropertyDescriptor: (_target, id) =>
        has(id) ? { value: drafted(id), enumerable: true, configurable: true, writable: true } : undefined,
      set: (_target, id, node: Node) => {
        // A node is changed in place; only a new one is put.
        if (typeof id !== 'string' || Object.hasOwn(page.nodes, id)) return false;
        added.set(id, node);
        return true;
      },
      deleteProperty: (_target, id) => {
        if (!has(id)) return false;
        if (!added.delete(id)) removed.add(id);
        return true;
      },
    },
  );
  return {
    draft: { ...page, nodes },
    finish() {
      const changed: Record<NodeId, Node | undefined> = {};
      for (const id of removed) changed[nodeId(id)] = undefined;
      for (const [id, node] of added) changed[nodeId(id)] = freeze(undrafted(node), true);
      for (const [id, draft] of drafts) {
        if (removed.has(id)) continue;
        const next = freeze(undrafted(draft), true);
        if (!same(next, lookup(page.nodes, id))) changed[nodeId(id)] = next;
      }
      return changed;
    },
  };
}

/** A tree of a site that was changed: the path to it, what it was and what it is, and the nodes in which it differs. */
export interface FinishedTree {
  keys: string[];
  before: Page;
  /** Undefined where nothing of it is left. */
  after: Page | undefined;
  changed: NodeId[];
}

/** A tree with the changes of some of its nodes. */
export function finished(keys: string[], before: Page, changes: NodeChanges): FinishedTree {
  const after = withNodes(before, changes);
  return {
    keys,
    before,
    after: after.nodes[before.root] ? after : undefined,
    changed: keysOf(changes),
  };
}

/** What became of a page as it is shown, by the trees that it was put together from. */
interface FinishedShown {
  own: FinishedTree;
  shared: FinishedTree[];
  /** A linked block that would lose its outermost element and nothing else, or stand where none can. */
  brokenBlocks: Page | undefined;
}

/**
 * A page as it is shown, with what it shares with others, to be changed by a command. What comes of it is parted again:
 * into what is the page's own, and the trees that all pages share.
 */
export function draftShown(frame: SiteFrame, page: Page): { draft: Page; finish(): FinishedShown } {
  const { draft, finish } = draftPage(composed(frame, page));
  const linked: Page[] = linkedOn(frame, page);
  return {
    draft,
    finish() {
      const changes = Object.entries(finish()) as [NodeId, Node | undefined][];
      /** What has changed in a tree, each node as it is kept there. */
      const part = (tree: Page, keys: string[], place: TreeName | undefined, kept: (node: Node) => Node) => {
        const own = changes
          .filter(([id]) => sharedPlaceOf(id) === place)
          .map(([id, node]) => [id, node && kept(node)] as const)
          .filter(([id, node]) => !node || !same(node, tree.nodes[id]));
        return finished(keys, tree, Object.fromEntries(own));
      };
      return {
        own: part(page, ['pages', page.id], undefined, (node) => ownNode(page, node)),
        shared: [...sharedTrees(frame), ...linked].map((tree) => {
          const place = tree.id as string as TreeName;
          const made = part(tree, ['frame', 'shared', place], place, (node) => sharedNode(tree, node));
          // A block that is taken off a page stays kept.
          return linked.includes(tree) && !made.after ? finished(made.keys, tree, {}) : made;
        }),
        brokenBlocks: linked.find(({ id, root }) => {
          const parent = draft.nodes[root]?.parent;
          if (parent) return !takesLinked(draft.nodes[parent]);
          // It goes as a whole.
          const left = Object.keys(draft.nodes).filter((each) => sharedPlaceOf(each) === id);
          return left.length > 0;
        }),
      };
    },
  };
}

/** The page with some nodes in place of those of the same id; without those for which there is none. */
function withNodes(page: Page, changed: NodeChanges): Page {
  const ids = keysOf(changed);
  if (ids.length === 0) return page;
  const nodes = { ...page.nodes, ...changed };
  for (const id of ids) if (!nodes[id]) delete nodes[id];
  const next = Object.freeze({ ...page, nodes: Object.freeze(nodes as Page['nodes']) });
  remember(next, page, ids);
  return next;
}
