import type { Document } from './command.ts';
import type { Operation } from './patch.ts';

/** Whether an edit was made anew, took one back, or made one again. */
export type EditBy = 'edit' | 'undo' | 'redo';

/** An edit that was made, and how to take it back. */
export interface Made {
  /** What it changed. */
  on: Document;
  operations: Operation[];
  inverse: Operation[];
  sentence: string;
}

/** The steps that can be taken back and those that can be made again, the latest last. */
export interface Stacks {
  undo: Made[];
  redo: Made[];
}

/** The stacks after one more edit. Taking back moves the latest step of the document over, making again moves it back, a new step empties `redo`. */
export function after({ undo, redo }: Stacks, made: Made, by: EditBy): Stacks {
  if (by === 'edit') return { undo: [...undo, made], redo: [] };
  const [from, to] = by === 'undo' ? [undo, redo] : [redo, undo];
  // Steps of the site may have been made from another page, between those of this one.
  const at = from.findLastIndex((step) => step.on === made.on);
  const moved = {
    from: from.filter((_step, index) => index !== at),
    to: at >= 0 ? [...to, from[at]] : to,
  };
  return by === 'undo' ? { undo: moved.from, redo: moved.to } : { undo: moved.to, redo: moved.from };
}

/** The stacks after a page's edits in the order they were made. */
export const stacksOf = (edits: readonly (Made & { by: EditBy })[]): Stacks =>
  edits.reduce<Stacks>((stacks, { by, ...made }) => after(stacks, made, by), { undo: [], redo: [] });
