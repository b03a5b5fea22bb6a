import {
  applyOperations,
  perform,
  type Arguments,
  type CommandName,
  type Document,
  type Page,
  type SiteFrame,
} from '../../core/index.ts';
import { editor, type Pending } from './editor.ts';
import { applied, rebased } from './rebase.ts';
import { server, troubleOf, type Trouble } from './server.ts';
import type { Dispatch, State } from './store.ts';

type Thunk<R> = (dispatch: Dispatch, getState: () => State) => R;

const { made, dropped, refusedEdit, sending, accepted, failing, movedOnTop, overwrote } = editor.actions;

/** Runs a command on the open page or its site. Answers whether all now is as wanted; a refusal is said to the person. */
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
      const command = { name, args } as Pending['command'];
      dispatch(made({ step: outcome.value, by: 'edit', command }));
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
    const { on, sentence } = step;
    const next = applyOperations<Page | SiteFrame>(open[on], operations);
    if (!next.ok) {
      const how = list === 'undo' ? 'undone' : 'redone';
      dispatch(dropped({ list, sentence: `“${sentence}” cannot be ${how}. ${next.sentence}` }));
      return;
    }
    const documents = { site: open.site, page: open.page, [on]: next.value };
    dispatch(made({ step: { ...documents, on, operations, inverse, sentence }, by: list }));
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

/** Brings back what was changed elsewhere and replaced from here, as a step of its own. */
export function takeBackOverwritten(): Thunk<void> {
  return (dispatch, getState) => {
    const { open, overwritten } = getState().editor;
    if (!open || !overwritten) return;
    dispatch(overwrote(null));
    dispatch(
      edit('applyChanges', { ...overwritten, sentence: `Had back: ${overwritten.sentences.join('; ')}` }),
    );
  };
}

const WAITS = [1000, 2000, 5000, 10_000];
let running: Promise<void> | null = null;
let wake: (() => void) | null = null;

/** Tries again at once where keeping waits after a failure. */
export const retryNow = (): Thunk<void> => () => wake?.();

/** Sends the pending edits, one after the other, until none is left. */
export function keep(): Thunk<Promise<void>> {
  return (dispatch, getState) => {
    // In a turn of its own: what a person sees comes before what is sent.
    running ??= new Promise<void>((resolve) => setTimeout(resolve))
      .then(() => sendAll(dispatch, getState))
      .finally(() => {
        running = null;
      });
    return running;
  };
}

function send(dispatch: Dispatch, getState: () => State, { on, operations, inverse, sentence, by }: Pending) {
  const { site, page, revision } = getState().editor.open!;
  const edit = { operations, inverse, sentence, by };
  const address = { site: site.id, page: on === 'page' ? page.id : null, revision: revision[on] };
  return dispatch(server.endpoints.edit.initiate({ ...address, edit }, { track: false }));
}

async function sendAll(dispatch: Dispatch, getState: () => State): Promise<void> {
  for (let failures = 0; ;) {
    const { open, keeping } = getState().editor;
    const next = open?.pending[0];
    if (!open || !next) return;
    if (keeping.state !== 'failing') dispatch(sending());
    const result = await send(dispatch, getState, next);
    if (!getState().editor.open) return;
    if (result.data) {
      failures = 0;
      const { on, operations } = next;
      const stored = applied<Page | SiteFrame>(getState().editor.open!.stored[on], [operations])!;
      dispatch(accepted({ on, revision: result.data.revision, at: Date.now(), stored }));
      continue;
    }
    const trouble = troubleOf(result.error);
    const { status } = trouble;
    if (status === 412 && trouble.problem?.missed) dispatch(mergeMissed(next.on, trouble));
    else if (status >= 400 && status < 500 && status !== 408 && status !== 429)
      dispatch(giveUp(`“${next.sentence}” was not kept: ${trouble.sentence}`));
    else {
      dispatch(failing(trouble.sentence));
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

const listed = (edits: readonly { sentence: string }[]) => edits.map(({ sentence }) => sentence).join('; ');

/** Others changed the document in between: their edits go below ours, and what ours replace of them is told. */
function mergeMissed(on: Document, { problem }: Trouble): Thunk<void> {
  return (dispatch, getState) => {
    const open = getState().editor.open!;
    const missed = problem!.missed!;
    const newer = applied<Page | SiteFrame>(
      open.stored[on],
      missed.map(({ operations }) => operations),
    );
    if (!newer) {
      window.location.reload();
      return;
    }
    const stored = { ...open.stored, [on]: newer };
    const revision = { ...open.revision, [on]: missed.at(-1)?.revision ?? open.revision[on] };
    const theirs = missed.flatMap(({ operations }) => operations);
    const result = rebased(stored, open.pending, on, theirs);
    const lost = result.lost.length > 0 ? ` No longer fits and was dropped: ${listed(result.lost)}.` : '';
    const said = `Changed elsewhere and taken over: ${listed(missed)}.${lost}`;
    dispatch(movedOnTop({ stored, revision, result, said, refusal: lost !== '', at: Date.now() }));
    if (result.overwritten.length > 0) {
      const replaced = missed.filter(({ operations }) =>
        operations.some((operation) => result.overwritten.includes(operation)),
      );
      dispatch(
        overwrote({
          on,
          operations: result.overwritten,
          sentences: replaced.map(({ sentence }) => sentence),
        }),
      );
    }
  };
}

/** The server will not take the first pending edit: it goes, and the rest stays. */
function giveUp(said: string): Thunk<void> {
  return (dispatch, getState) => {
    const { stored, revision, pending } = getState().editor.open!;
    const [first, ...rest] = pending;
    const made = rebased(stored, rest, 'page', []);
    const result = { ...made, fates: [{ before: first, now: null }, ...made.fates] };
    dispatch(movedOnTop({ stored, revision, result, said, refusal: true, at: Date.now() }));
  };
}
