import { createDraft, finishDraft, type Patch } from 'immer';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../site/nodeid.ts';
import type { Page } from '../site/site.ts';
import { remember } from './lineage.ts';

export interface Finished {
  page: Page;
  patches: Patch[];
  inverse: Patch[];
}

const hanging = (patches: readonly Patch[], id: string): Patch[] =>
  patches.map((patch) => ({ ...patch, path: ['nodes', id, ...patch.path] }));

/**
 * A page to be changed by a command. Each node is drafted by itself when it is first asked for, so that an edit costs
 * what it touches and not a walk over the page.
 */
export function draftPage(page: Page): { draft: Page; finish(): Finished } {
  const drafts = new Map<string, Node>();
  const drafted = (id: string | symbol): Node | undefined => {
    if (typeof id !== 'string' || !Object.hasOwn(page.nodes, id)) return undefined;
    const before = drafts.get(id);
    if (before) return before;
    const made = createDraft(page.nodes[id as NodeId]);
    drafts.set(id, made);
    return made;
  };
  // The proxy stands before an empty object: it could not answer drafts in place of what a frozen one holds.
  const nodes = new Proxy({} as Page['nodes'], {
    get: (_target, id) => drafted(id),
    has: (_target, id) => Object.hasOwn(page.nodes, id),
    ownKeys: () => Reflect.ownKeys(page.nodes),
    getOwnPropertyDescriptor: (_target, id) =>
      Object.hasOwn(page.nodes, id)
        ? { value: drafted(id), enumerable: true, configurable: true, writable: false }
        : undefined,
    set: () => false,
    deleteProperty: () => false,
  });
  return {
    draft: { ...page, nodes },
    finish() {
      const patches: Patch[] = [];
      const inverse: Patch[] = [];
      const changed: Record<NodeId, Node> = {};
      for (const [id, draft] of drafts) {
        const next = finishDraft(draft, (forward, backward) => {
          patches.push(...hanging(forward, id));
          inverse.push(...hanging(backward, id));
        });
        if (next !== page.nodes[id as NodeId]) changed[id as NodeId] = next;
      }
      return { page: withNodes(page, changed), patches, inverse };
    },
  };
}

/** The page with some nodes in place of those of the same id. */
export function withNodes(page: Page, changed: Readonly<Record<NodeId, Node>>): Page {
  const ids = Object.keys(changed) as NodeId[];
  if (ids.length === 0) return page;
  const next = Object.freeze({ ...page, nodes: Object.freeze({ ...page.nodes, ...changed }) });
  remember(next, page, ids);
  return next;
}
