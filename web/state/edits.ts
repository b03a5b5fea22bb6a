import {
  applyOperations,
  overlap,
  perform,
  type Arguments,
  type CommandName,
  type Operation,
  type Outcome,
  type Page,
} from '../../core/index.ts';
import { editor } from './editor.ts';
import { server, troubleOf } from './server.ts';
import type { Dispatch, State } from './store.ts';

type Thunk<R> = (dispatch: Dispatch, getState: () => State) => R;

const { made, dropped, refusedEdit, sending, accepted, failing, rejected, merged, conflicted, decided } =
  editor.actions;

/** Runs a command on the open page. Answers whether the page now is as wanted; a refusal is said to the person. */
export function edit<N extends CommandName>(name: N, args: Arguments<N>): Thunk<boolean> {
  return (dispatch, getState) => {
    const { open } = getState().editor;
    if (!open) return false;
    const outcome = perform(open.site, open.page, name, args);
    if (!outcome.ok) {
      dispatch(refusedEdit(outcome.sentence));
      return false;
    }
    if (outcome.value.operations.length > 0) {
      dispatch(made({ step: outcome.value, by: 'edit' }));
      void dispatch(keep());
    }
    return true;
  };
}

/** Takes the last step back, or makes the last one taken back again. */
function replay(list: 'undo' | 'redo'): Thunk<void> {
  return (dispatch, getState) => {
    const { open } = getState().editor;
    const step = open?.[list].at(-1);
    if (!open || !step) return;
    const [operations, inverse] =
      list === 'undo' ? [step.inverse, step.operations] : [step.operations, step.inverse];
    const next = applyOperations(open.page, operations);
    if (!next.ok) {
      dispatch(
        dropped({
          list,
          sentence: `“${step.sentence}” cannot be ${list === 'undo' ? 'undone' : 'redone'}. ${next.sentence}`,
        }),
      );
      return;
    }
    dispatch(made({ step: { page: next.value, operations, inverse, sentence: step.sentence }, by: list }));
    void dispatch(keep());
  };
}

/** Takes back the last `count` steps, the latest first; stops at one that cannot be taken back. */
export function undoSteps(count: number): Thunk<void> {
  return (dispatch, getState) => {
    const before = getState().editor.open?.undo.length ?? 0;
    for (let done = 0; done < count && getState().editor.open?.undo.length === before - done; done++)
      dispatch(undo());
  };
}

export const undo = () => replay('undo');
export const redo = () => replay('redo');

const applied = (page: Page, lists: readonly Operation[][]): Page | undefined => {
  let result: Page | undefined = page;
  for (const operations of lists) {
    const next: Outcome<Page> | undefined = result && applyOperations(result, operations);
    result = next?.ok ? next.value : undefined;
  }
  return result;
};

const WAITS = [1000, 2000, 5000, 10_000];
let running: Promise<void> | null = null;
let wake: (() => void) | null = null;

/** Tries again at once where keeping waits after a failure. */
export const retryNow = (): Thunk<void> => () => wake?.();

/** Sends the pending edits, one after the other, until none is left or the person has to decide. */
export function keep(): Thunk<Promise<void>> {
  return (dispatch, getState) => {
    running ??= sendAll(dispatch, getState).finally(() => {
      running = null;
    });
    return running;
  };
}

async function sendAll(dispatch: Dispatch, getState: () => State): Promise<void> {
  for (let failures = 0; ;) {
    const { open, keeping } = getState().editor;
    const next = open?.pending[0];
    if (!open || !next || keeping.state === 'conflict') return;
    if (keeping.state !== 'failing') dispatch(sending());
    const { operations, inverse, sentence, by } = next;
    const address = { site: open.site.id, page: open.page.id, revision: open.revision };
    const result = await dispatch(
      server.endpoints.edit.initiate(
        { ...address, edit: { operations, inverse, sentence, by } },
        { track: false },
      ),
    );
    if (result.data) {
      failures = 0;
      const stored = applied(getState().editor.open!.stored, [operations])!;
      dispatch(accepted({ revision: result.data.revision, at: Date.now(), stored }));
      continue;
    }
    const { status, sentence: said, problem } = troubleOf(result.error);
    if (status === 412 && problem?.missed) {
      const { stored, pending } = getState().editor.open!;
      const { missed } = problem;
      const revision = missed.at(-1)?.revision ?? address.revision;
      const newer = applied(
        stored,
        missed.map((entry) => entry.operations),
      );
      const theirs = missed.flatMap((entry) => entry.operations);
      if (
        newer &&
        !overlap(
          theirs,
          pending.flatMap((entry) => entry.operations),
        )
      ) {
        dispatch(merged({ stored: newer, revision, sentences: missed.map((entry) => entry.sentence) }));
      } else dispatch(conflicted({ missed, revision }));
    } else if (status >= 400 && status < 500 && status !== 408 && status !== 429) {
      dispatch(rejected(`“${sentence}” was not kept: ${said}`));
    } else {
      dispatch(failing(said));
      await new Promise<void>((resolve) => {
        const timer = setTimeout(resolve, WAITS[Math.min(failures++, WAITS.length - 1)]);
        wake = () => {
          clearTimeout(timer);
          resolve();
        };
      });
    }
  }
}

/** Ends a conflict: the pending edits go on top of what was changed elsewhere, or are given up. */
export function decide(keepMine: boolean): Thunk<void> {
  return (dispatch, getState) => {
    const { open, keeping } = getState().editor;
    if (!open || keeping.state !== 'conflict') return;
    const stored = applied(
      open.stored,
      keeping.missed.map((entry) => entry.operations),
    );
    if (!stored) {
      window.location.reload();
      return;
    }
    dispatch(decided({ stored, revision: keeping.revision, keepMine }));
    void dispatch(keep());
  };
}
