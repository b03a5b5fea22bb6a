import { overlapping, type Operation } from './operation.ts';

/** Whether an edit was made again, took one back, or made one again. */
export type EditBy = 'edit' | 'undo' | 'redo';

/** What the log of a site tells of an edit, apart from its operations. */
export interface Logged {
  /** Names the edit, by whoever made it, once and for all. */
  key: string;
  /** The window that made it. */
  session: string;
  by: EditBy;
  /** The edit that was undone or redone. */
  of?: string;
  sentence: string;
}

/** The steps that can be undone and those that can be redone, the latest last. */
export interface Stacks<E extends Logged = Logged> {
  undo: E[];
  redo: E[];
  /** Steps were undone, or redone, that are not in the log as it is given: it is the end of a longer one. */
  reachesBack: boolean;
}

/**
 * What a session can undo and make again, from the log in its order. Others' edits are not among them: each takes
 * back what it did itself. Undoing moves a step over, making again moves it back, a new step empties `redo`.
 */
export function stacksOf<E extends Logged>(log: readonly E[], session: string): Stacks<E> {
  const undo: E[] = [];
  let redo: E[] = [];
  let reachesBack = false;
  for (const edit of log) {
    if (edit.session !== session) continue;
    if (edit.by === 'edit') {
      undo.push(edit);
      redo = [];
      continue;
    }
    const [from, to] = edit.by === 'undo' ? [undo, redo] : [redo, undo];
    const at = from.findIndex(({ key }) => key === edit.of);
    if (at >= 0) to.push(...from.splice(at, 1));
    else reachesBack = true;
  }
  return { undo, redo, reachesBack };
}

/** The steps of a log that stand at its end, in its order: whatever was done and not undone, by whom ever. */
export function appliedOf<E extends Logged>(log: readonly E[]): E[] {
  const sessions = new Set(log.map(({ session }) => session));
  const keys = new Set([...sessions].flatMap((session) => stacksOf(log, session).undo.map(({ key }) => key)));
  return log.filter(({ key }) => keys.has(key));
}

/**
 * What came of a stretch of a log: the steps of it that stand at its end, and what in it undid, or redone, a step from before.
 */
export function madeIn<E extends Logged>(stretch: readonly E[]): E[] {
  const stand = new Set(appliedOf(stretch));
  const known = new Set(stretch.map(({ key }) => key));
  return stretch.filter((edit) => stand.has(edit) || (edit.of !== undefined && !known.has(edit.of)));
}

/**
 * Whether others have moved since what some operations moved, and have not taken that back: of a place in an order the state does not tell
 * who gave it. `later`: the edits of others since, oldest first.
 */
export function isMovedSince(
  operations: readonly Operation[],
  later: readonly (Logged & { operations: readonly Operation[] })[],
): boolean {
  const moves = operations.filter((operation) => 'id' in operation);
  const theirs = new Set<string>();
  for (const { key, by, of, operations: some } of later) {
    if (by === 'undo') theirs.delete(of ?? '');
    else if (overlapping(moves, some).length > 0) theirs.add(by === 'redo' ? (of ?? key) : key);
  }
  return theirs.size > 0;
}
