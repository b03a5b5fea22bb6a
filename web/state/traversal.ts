import { applied, isApplied, isMovedSince, LIMITS, lookup, sure } from '../../core/index.ts';
/** Taking steps back and redoing them, and the list of them. */
import type { LogEntry } from '../../api/responses.ts';
import { documents, firstOwn, type KnownStep, type OpenSite } from './documents.ts';
import { load, operate } from './edits.ts';
import { lacksOwnSteps, nextStep, ownSteps, type ListedStep } from './steps.ts';
import type { Thunk } from './store.ts';

const { refusedEdit, stepPassed, stepKnown, stepsRead, ownStepsRead } = documents.actions;

const HOW = {
  undo: { done: 'undone', there: 'operations', make: 'inverse' },
  redo: { done: 'redone', there: 'inverse', make: 'operations' },
} as const;

/**
 * Reads older steps of this window until it is known what can be undone and redone next: others may have made many since, or a
 * step that was undone may be older than what was read. Answers why they cannot be read; nothing when they are at hand.
 */
export function ownStepsAtHand(): Thunk<Promise<string | undefined>> {
  return async (dispatch, getState, { transport }) => {
    while (lacksOwnSteps(getState())) {
      const open = sure(getState().documents.open);
      const { session } = open;
      const found = await transport.steps(open.site.frame.id, { before: firstOwn(open), session });
      if (!found.ok) return found.sentence;
      // Another site may have been opened meanwhile.
      if (getState().documents.open?.site.frame.id !== open.site.frame.id) return undefined;
      dispatch(ownStepsRead({ steps: found.value, earlier: found.value.length >= LIMITS.steps }));
    }
    return undefined;
  };
}

/** A step with what it changed, asked for where that is not known here. */
function known(step: ListedStep): Thunk<Promise<ListedStep | string>> {
  return async (dispatch, getState, { transport }) => {
    if (step.operations && step.inverse) return step;
    const { open } = getState().documents;
    if (!open || step.revision === null) return 'The site is closed.';
    const found = await transport.edit(open.site.frame.id, step.revision);
    if (!found.ok) return found.sentence;
    dispatch(stepKnown(found.value));
    return { ...step, operations: found.value.operations, inverse: found.value.inverse };
  };
}

/** Steps of others after one, as far as they are listed. */
const laterOfOthers = ({ steps, session }: OpenSite, { revision }: ListedStep): KnownStep[] =>
  steps.filter((step) => revision !== null && step.revision > revision && step.session !== session);

/** Whether a step moved something whose place others may have changed since by steps that are known by their sentences only. */
const lacksMoves = (open: OpenSite, step: ListedStep): boolean =>
  [...(step.operations ?? []), ...(step.inverse ?? [])].some((operation) => 'id' in operation) &&
  laterOfOthers(open, step).some(({ operations }) => operations === undefined);

/** Takes a step back, or makes it again, with all that is needed at hand. Answers whether it was done. */
function replay(step: ListedStep, list: 'undo' | 'redo'): Thunk<boolean> {
  return (dispatch, getState) => {
    const { open } = getState().documents;
    if (!open) return false;
    const { done, there, make } = HOW[list];
    const later = laterOfOthers(open, step).filter((each): each is KnownStep & LogEntry => !!each.operations);
    const fits =
      isApplied(open.site, sure(step[there])) &&
      !isMovedSince([...sure(step[there]), ...sure(step[make])], later) &&
      applied(open.site, sure(step[make])).ok;
    if (fits) return dispatch(operate(sure(step[make]), step.sentence, list, step.key));
    const sentence = `“${step.sentence}” cannot be ${done}: what it changed has been changed since. It stays in the list of steps.`;
    dispatch(stepPassed({ key: step.key, sentence }));
    return false;
  };
}

/** Reads what others' steps since one have changed, where that matters. Answers why it cannot be read; nothing when it is known. */
function movesKnown(step: ListedStep): Thunk<Promise<string | undefined>> {
  return async (dispatch, getState, { transport }) => {
    const { open } = getState().documents;
    if (!open || step.revision === null || !lacksMoves(open, step)) return undefined;
    const found = await transport.log(open.site.frame.id, step.revision);
    if (!found.ok) return found.sentence;
    // So many that they are not given at once: what the state tells has to do.
    for (const entry of found.value.edits ?? []) dispatch(stepKnown(entry));
    return undefined;
  };
}

/** Takes a step of one's own back, or makes it again. */
function replayed(step: ListedStep, list: 'undo' | 'redo'): Thunk<boolean | Promise<boolean>> {
  return (dispatch, getState) => {
    const { open } = getState().documents;
    // A page that is not on the site comes back as a whole.
    const needed = step.pages.filter((id) => open?.site.frame.pages.some((head) => head.id === id));
    const there = needed.every((id) => lookup(open?.stored.pages, id) ?? lookup(open?.site.pages, id));
    // What is at hand is done at once: a person who undoes sees it in the next frame.
    const isAtHand = step.inverse && step.operations && there && open && !lacksMoves(open, step);
    if (isAtHand) return dispatch(replay(step, list));
    return (async () => {
      const found = await dispatch(known(step));
      const trouble =
        typeof found === 'string'
          ? found
          : ((await dispatch(load(needed))) ?? (await dispatch(movesKnown(found))));
      if (trouble === undefined) return dispatch(replay(found as ListedStep, list));
      dispatch(refusedEdit(`“${step.sentence}” cannot be ${HOW[list].done} now. ${trouble}`));
      return false;
    })();
  };
}

/** Steps that are on their way back or forth, one after the other. */
const walks = new WeakMap<object, Promise<unknown>>();

/** Takes the next step back, or makes it again, as far as steps are at hand. */
function walkNext(list: 'undo' | 'redo'): Thunk<boolean | Promise<boolean> | undefined> {
  return (dispatch, getState) => {
    const step = nextStep(getState(), list);
    if (step) return dispatch(replayed(step, list));
    if (ownSteps(getState())[list].length > 0)
      dispatch(refusedEdit(`Nothing more can be ${HOW[list].done}: what is left has been changed since.`));
    return undefined;
  };
}

/** The same where steps of this window may be needed that are older than those at hand: they are asked for first. */
function walkFurther(list: 'undo' | 'redo'): Thunk<Promise<void>> {
  return async (dispatch) => {
    const trouble = await dispatch(ownStepsAtHand());
    if (trouble === undefined) await dispatch(walkNext(list));
    else
      dispatch(refusedEdit(`Nothing was ${HOW[list].done}: earlier steps cannot be loaded now. ${trouble}`));
  };
}

function walk(list: 'undo' | 'redo'): Thunk {
  return (dispatch, getState, extra) => {
    const go = () => (lacksOwnSteps(getState()) ? dispatch(walkFurther(list)) : dispatch(walkNext(list)));
    const before = walks.get(extra);
    const result = before ? before.then<unknown>(go) : go();
    if (!(result instanceof Promise)) return void dispatch(ownStepsAtHand());
    const ended = result.finally(() => {
      if (walks.get(extra) === ended) walks.delete(extra);
      void dispatch(ownStepsAtHand());
    });
    walks.set(extra, ended);
  };
}

/** Undoes what was done here last. */
export const undo = () => walk('undo');
/** Makes what was undone last again. */
export const redo = () => walk('redo');

/** Undoes a step of one's own, and all of one's own after it, the latest first; stops at one that cannot be undone. */
export function undoTo(key: string): Thunk<Promise<void>> {
  return async (dispatch, getState) => {
    for (;;) {
      const { undo: own } = ownSteps(getState());
      const step = own.at(-1);
      if (!step || !own.some((each) => each.key === key)) return;
      if (!(await dispatch(replayed(step, 'undo')))) return;
    }
  };
}

/** Asks for steps before those that are known. */
export function earlierSteps(): Thunk<Promise<void>> {
  return async (dispatch, getState, { transport }) => {
    const { open } = getState().documents;
    if (!open) return;
    const found = await transport.steps(open.site.frame.id, { before: open.steps[0]?.revision });
    if (found.ok) dispatch(stepsRead({ steps: found.value, earlier: found.value.length >= LIMITS.steps }));
    else dispatch(refusedEdit(`Earlier steps cannot be shown now. ${found.sentence}`));
  };
}
