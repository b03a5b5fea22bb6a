import { nanoid } from 'nanoid';
import {
  applied,
  callOf,
  LIMITS,
  pagesIn,
  perform,
  plainText,
  shortened,
  stands,
  type Arguments,
  type Call,
  composed,
  viewOf,
  viewsWithoutMenu,
  type CommandName,
  type Site,
  type EditBy,
  type EditReach,
  type Node,
  type NodeId,
  type Operation,
  type Step,
  type ViewId,
} from '../../core/index.ts';
import { documents, nextStep, ownSteps, type ListedStep } from './documents.ts';
import { catchUp } from './keeping.ts';
import { withOperations, type Pending, type Use } from './pending.ts';
import type { Thunk } from './store.ts';

const { made, refusedEdit, restacked, warned, stepPassed, stepKnown, stepsRead, overwrittenDone, pageRead } =
  documents.actions;

/** A name for an edit that no other has. */
const newKey = () => `k${nanoid()}`;

/** A step that was made goes on screen, and on its way to the server. */
function take(step: Step, by: EditBy, more: { of?: string; use?: Use } = {}): Thunk {
  return (dispatch, _getState, { keeper }) => {
    dispatch(made({ step, edit: { key: newKey(), by, at: Date.now(), ...more } }));
    void keeper.keep();
  };
}

/** Whether a menu can be gone from where it was after a call. */
function isAboutMenus({ name, args }: Call): boolean {
  if (name === 'setValue') return args.property === 'shown';
  return ['showInViews', 'removeElements', 'offerPage', 'changePage', 'setContent'].includes(name);
}

/** Says at once where an edit has left visitors of the open page without any menu. */
function warnOfMenus(before: Site): Thunk {
  return (dispatch, getState) => {
    const { site, page } = getState().documents.open!;
    const without = ({ frame, pages }: Site) => {
      const own = pages[page];
      return own ? viewsWithoutMenu(frame, composed(frame, own)) : [];
    };
    const known = without(before);
    const lost = without(site).filter((view) => !known.includes(view));
    if (lost.length === 0) return;
    const own = site.pages[page];
    const names = lost.map((view) => viewOf(site.frame.views, view).name).reverse();
    dispatch(
      warned(
        `${own.nodes[own.root].name} shows no menu in ${names.join(', ')} any more: visitors find no way on there. Undo brings it back.`,
      ),
    );
  };
}

/** Runs a command on a page of the site that is open. Answers why it is refused; undefined where all now is as wanted. */
function run<N extends CommandName>(name: N, args: Arguments<N>, page: NodeId): Thunk<string | undefined> {
  return (dispatch, getState) => {
    const { site } = getState().documents.open!;
    const outcome = perform(site, page, name, args);
    if (!outcome.ok) return outcome.sentence;
    if (outcome.value.operations.length > 0)
      dispatch(take(outcome.value, 'edit', { use: { page, ...callOf(name, args) } }));
    if (isAboutMenus(callOf(name, args))) dispatch(warnOfMenus(site));
    return undefined;
  };
}

/** Runs a command on a page that was read, the open one where none is said. Answers whether all now is as wanted; a refusal is said. */
export function edit<N extends CommandName>(name: N, args: Arguments<N>, on?: NodeId): Thunk<boolean> {
  return (dispatch, getState) => {
    const { open } = getState().documents;
    if (!open) return false;
    const refusal = dispatch(run(name, args, on ?? open.page));
    if (refusal !== undefined) dispatch(refusedEdit(refusal));
    return refusal === undefined;
  };
}

/**
 * Keeps the words that were written in an element. Where they cannot be kept, as it was deleted elsewhere meanwhile, they are set aside:
 * nothing that was written is lost. Answers whether anything on the page is another now.
 */
export function writeWords(
  node: Pick<Node, 'id' | 'name'>,
  { says, ...where }: { property: string; view: ViewId; reach: EditReach; says: string },
): Thunk<boolean> {
  return (dispatch, getState) => {
    const { open } = getState().documents;
    if (!open) return false;
    const args = { nodes: [node.id], ...where, value: { says } };
    const why = dispatch(run('setValue', args, open.page));
    const { site, pending, session } = getState().documents.open!;
    if (why === undefined) return site !== open.site;
    // The view may be what has gone.
    const view = site.frame.views.list.find(({ id }) => id === where.view);
    const written: Pending = {
      ...{ key: newKey(), session, by: 'edit', operations: [], inverse: [], at: Date.now() },
      sentence: `${node.name}: words${view ? ` in ${view.name}` : ''} → ${plainText(says).trim()}`,
    };
    dispatch(restacked({ site, pending, aside: [{ edit: written, why }] }));
    return false;
  };
}

/** Makes an edit of operations; refused with a sentence where they do not fit. */
function operate(
  operations: readonly Operation[],
  sentence: string,
  by: EditBy,
  of?: string,
): Thunk<boolean> {
  return (dispatch, getState) => {
    const { open } = getState().documents;
    if (!open) return false;
    const outcome = applied(open.site, operations);
    if (!outcome.ok) {
      dispatch(refusedEdit(outcome.sentence));
      return false;
    }
    const { site, inverse } = outcome.value;
    dispatch(
      take(
        { site, operations: [...operations], inverse, sentence: shortened(sentence) },
        by,
        of ? { of } : {},
      ),
    );
    return true;
  };
}

/** Reads the pages of the site that are not there yet. Answers why one cannot be; nothing when all are there. */
export function load(pages: Iterable<string>): Thunk<Promise<string | undefined>> {
  return async (dispatch, getState, extra) => {
    const store = { dispatch, getState };
    for (const id of pages) {
      const before = getState().documents.open;
      if (!before) return 'The site is closed.';
      if (before.stored.pages[id as NodeId]) continue;
      const found = await extra.transport.page(before.site.frame.id, id);
      if (!found.ok) return found.sentence;
      const { revision, page } = found.value;
      if (revision > getState().documents.open!.revision) {
        const trouble = await catchUp(store, extra);
        if (trouble !== undefined) return trouble;
      }
      // What has been kept since it was read is put on top, so that all is of one revision.
      const open = getState().documents.open!;
      const since = open.steps.filter((step) => step.revision > revision);
      const operations = since.flatMap((step) => step.operations ?? []);
      const { frame } = open.stored;
      const brought = withOperations({ frame, pages: { [page.id]: page } }, onlyOn(page.id, operations));
      if (!brought || open.revision < revision) return 'The site has changed meanwhile. Try again.';
      dispatch(pageRead(brought.pages[page.id]));
    }
    return undefined;
  };
}

/** Runs a command that concerns all pages of the site, once all are read. Answers whether all now is as wanted; a refusal is said. */
export function editWhole<N extends CommandName>(name: N, args: Arguments<N>): Thunk<Promise<boolean>> {
  return async (dispatch, getState) => {
    const { open } = getState().documents;
    const trouble = await dispatch(load(open?.site.frame.pages.map(({ id }) => id) ?? []));
    if (trouble === undefined) return dispatch(edit(name, args));
    dispatch(refusedEdit(`Not all pages could be read, so nothing was changed. ${trouble}`));
    return false;
  };
}

const onlyOn = (page: string, operations: readonly Operation[]): Operation[] =>
  operations.filter((operation) => pagesIn([operation]).has(page));

const HOW = {
  undo: { done: 'taken back', there: 'operations', make: 'inverse' },
  redo: { done: 'made again', there: 'inverse', make: 'operations' },
} as const;

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

/** Takes a step back, or makes it again, with all that is needed at hand. Answers whether it was done. */
function replay(step: ListedStep, list: 'undo' | 'redo'): Thunk<boolean> {
  return (dispatch, getState) => {
    const { open } = getState().documents;
    if (!open) return false;
    const { done, there, make } = HOW[list];
    const fits = stands(open.site, step[there]!) && applied(open.site, step[make]!).ok;
    if (fits) return dispatch(operate(step[make]!, step.sentence, list, step.key));
    const sentence = `“${step.sentence}” cannot be ${done}: what it changed has been changed since. It stays in the list of steps.`;
    dispatch(stepPassed({ key: step.key, sentence }));
    return false;
  };
}

/** Takes a step of one's own back, or makes it again. */
function replayed(step: ListedStep, list: 'undo' | 'redo'): Thunk<boolean | Promise<boolean>> {
  return (dispatch, getState) => {
    const { open } = getState().documents;
    // A page that is not on the site comes back as a whole.
    const needed = step.pages.filter((id) => open?.site.frame.pages.some((head) => head.id === id));
    const there = needed.every((id) => open?.stored.pages[id as NodeId] ?? open?.site.pages[id as NodeId]);
    // What is at hand is done at once: a person who takes back sees it in the next frame.
    if (step.inverse && step.operations && there) return dispatch(replay(step, list));
    return (async () => {
      const found = await dispatch(known(step));
      const trouble = typeof found === 'string' ? found : await dispatch(load(needed));
      if (trouble === undefined) return dispatch(replay(found as ListedStep, list));
      dispatch(refusedEdit(`“${step.sentence}” cannot be ${HOW[list].done} now. ${trouble}`));
      return false;
    })();
  };
}

/** Steps that are on their way back or forth, one after the other. */
const walks = new WeakMap<object, Promise<unknown>>();

function walk(list: 'undo' | 'redo'): Thunk {
  return (dispatch, getState, extra) => {
    const go = () => {
      const step = nextStep(getState(), list);
      if (step) return dispatch(replayed(step, list));
      const all = ownSteps(getState())[list];
      if (all.length > 0)
        dispatch(refusedEdit(`Nothing more can be ${HOW[list].done}: what is left has been changed since.`));
      return undefined;
    };
    const before = walks.get(extra);
    const result = before ? before.then(go) : go();
    if (!(result instanceof Promise)) return;
    const ended = result.finally(() => {
      if (walks.get(extra) === ended) walks.delete(extra);
    });
    walks.set(extra, ended);
  };
}

/** Takes back what was done here last. */
export const undo = () => walk('undo');
/** Makes what was taken back last again. */
export const redo = () => walk('redo');

/** Takes back a step of one's own, and all of one's own after it, the latest first; stops at one that cannot be taken back. */
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
    const found = await transport.steps(open.site.frame.id, open.steps[0]?.revision);
    if (found.ok) dispatch(stepsRead({ steps: found.value, earlier: found.value.length >= LIMITS.steps }));
    else dispatch(refusedEdit(`Earlier steps cannot be shown now. ${found.sentence}`));
  };
}

/** Brings back what was replaced, as a step of its own. */
export function takeBackOverwritten(): Thunk {
  return (dispatch, getState) => {
    const { overwritten } = getState().documents;
    if (!overwritten) return;
    dispatch(overwrittenDone());
    dispatch(operate(overwritten.operations, `Had back: ${overwritten.sentences.join('; ')}`, 'edit'));
  };
}

/** Keeps what is pending; ends when nothing is left. */
export const keep =
  (): Thunk<Promise<void>> =>
  (_dispatch, _getState, { keeper }) =>
    keeper.keep();

/** Tries again at once where keeping waits after a failure. */
export const retryNow =
  (): Thunk =>
  (_dispatch, _getState, { keeper }) =>
    keeper.retry();
