import { applyPatches, current } from 'immer';
import { done, refused } from '../site/outcome.ts';
import type { Command, Document } from './command.ts';
import { fromJsonPatch, type Operation } from './patch.ts';

/** Makes changes that are given as operations, such as those that were made elsewhere and replaced from here. */
export const applyChanges: Command<{ on: Document; operations: Operation[]; sentence: string }> = {
  on: ({ on }) => on,
  run(site, page, { on, operations, sentence }) {
    const document = on === 'page' ? page : site;
    try {
      applyPatches(current(document), fromJsonPatch(operations));
    } catch {
      return refused('What was there cannot be brought back: it does not fit any more. Nothing was changed.');
    }
    applyPatches(document, fromJsonPatch(operations));
    return done(sentence.slice(0, 500));
  },
};
