import type { Operation } from './patch.ts';

/** Whether an edit was made anew, took one back, or made one again. */
export type EditBy = 'edit' | 'undo' | 'redo';

/** An edit that was made, and how to take it back. */
export interface Made {
  operations: Operation[];
  inverse: Operation[];
  sentence: string;
}

/** The steps that can be taken back and those that can be made again, the latest last. */
export interface Stacks {
  undo: Made[];
  redo: Made[];
}

/** The stacks after one more edit. Taking back moves the latest step over, making again moves it back, a new step empties `redo`. */
export function after({ undo, redo }: Stacks, made: Made, by: EditBy): Stacks {
  if (by === 'edit') return { undo: [...undo, made], redo: [] };
  const [from, to] = by === 'undo' ? [undo, redo] : [redo, undo];
  const step = from.at(-1);
  const moved = { from: from.slice(0, -1), to: step ? [...to, step] : to };
  return by === 'undo' ? { undo: moved.from, redo: moved.to } : { undo: moved.to, redo: moved.from };
}

/** The stacks after a page's edits in the order they were made. */
export const stacksOf = (edits: readonly (Made & { by: EditBy })[]): Stacks =>
  edits.reduce<Stacks>((stacks, { by, ...made }) => after(stacks, made, by), { undo: [], redo: [] });
