import { applyPatches } from 'immer';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../site/nodeid.ts';
import { done, refused } from '../site/outcome.ts';
import type { Command, Document } from './command.ts';
import { fromJsonPatch, type Operation } from './patch.ts';

const MISFIT = refused(
  'What was there cannot be brought back: it does not fit any more. Nothing was changed.',
);

/** Makes changes that are given as operations, such as those that were made elsewhere and replaced from here. */
export const applyChanges: Command<{ on: Document; operations: Operation[]; sentence: string }> = {
  on: ({ on }) => on,
  run(site, page, { on, operations, sentence }) {
    try {
      for (const { path, ...patch } of fromJsonPatch(operations)) {
        // A page's nodes are drafts of their own.
        const [first, id, ...rest] = path as string[];
        if (on === 'site') applyPatches(site, [{ ...patch, path }]);
        else if (first !== 'nodes' || id === undefined) return MISFIT;
        else if (rest.length > 0) applyPatches(page.nodes[id as NodeId], [{ ...patch, path: rest }]);
        else if (patch.op === 'remove') delete page.nodes[id as NodeId];
        else page.nodes[id as NodeId] = structuredClone(patch.value as Node);
      }
    } catch {
      return MISFIT;
    }
    return done(sentence.slice(0, 500));
  },
};
