import {
  applied,
  type Arguments,
  type Call,
  callOf,
  type CommandName,
  composed,
  type EditBy,
  type EditReach,
  lookup,
  type Node,
  type NodeId,
  type Operation,
  pagesIn,
  perform,
  plainText,
  shortened,
  type Site,
  type Step,
  sure,
  type ViewId,
  viewOf,
  viewsWithoutMenu,
} from '../../core/index.ts';
import { nanoid } from 'nanoid';
import { documents, openPage } from './documents.ts';
import { catchUp } from './saving.ts';
import { withOperations, type Pending, type Use } from './pending.ts';
import type { Thunk } from './store.ts';

const { made, refusedEdit, rebasedOn: rebasedOn, warned, overwrittenDone, pageRead } = documents.actions;

/** A name for an edit that no other has. */
const newKey = () => `k${nanoid()}`;

/** A step that was made goes on screen, and on its way to the server. */
function take(step: Step, by: EditBy, more: { of?: string; use?: Use } = {}): Thunk {
  return (dispatch, _getState, { saveQueue: saveQueue }) => {
    dispatch(made({ step, edit: { key: newKey(), by, at: Date.now(), ...more } }));
    void saveQueue.keep();
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
    const { site, page } = sure(getState().documents.open);
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
        `${own.nodes[own.root].name} shows no menu in ${names.join(', ')} now: visitors cannot navigate there. Undo restores it.`,
      ),
    );
  };
}

/** Runs a command on a page of the site that is open. Answers why it is refused; undefined where all now is as wanted. */
function run<N extends CommandName>(name: N, args: Arguments<N>, page: NodeId): Thunk<string | undefined> {
  return (dispatch, getState) => {
    const { site } = sure(getState().documents.open);
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

/** A text that was edited in place. */
export interface Written {
  field: string;
  /** The property for text by view; absent for a field that is the same in every view. */
  property?: string;
  /** Returns the new value of the field, based on the current element; undefined if the edited entry no longer exists. */
  says(now: Node): unknown;
  /** The text itself. */
  text: string;
}

/**
 * Keeps the words that were written in an element. Where they cannot be kept, as it was deleted elsewhere meanwhile, they are not applied:
 * nothing that was written is lost. Answers whether anything on the page is another now.
 */
export function writeWords(
  node: Pick<Node, 'id' | 'name'>,
  written: Written & { view: ViewId; reach: EditReach },
): Thunk<boolean> {
  return (dispatch, getState) => {
    const { open } = getState().documents;
    if (!open) return false;
    const { field, property, view: on, reach } = written;
    const now = lookup(openPage(getState())?.page.nodes, node.id);
    // The command reports a deleted element; it needs no value then.
    const says = now ? written.says(now) : '';
    const keep = () =>
      property === undefined
        ? run('setContent', { node: node.id, field, value: says }, open.page)
        : run('setValue', { nodes: [node.id], property, view: on, reach, value: { says } }, open.page);
    const why =
      says === undefined
        ? 'The item that this text belongs to was changed or removed meanwhile.'
        : dispatch(keep());
    const { site, pending, session } = sure(getState().documents.open);
    if (why === undefined) return site !== open.site;
    // The view may be what has gone.
    const view = site.frame.views.list.find(({ id }) => id === on);
    const unapplied: Pending = {
      ...{ key: newKey(), session, by: 'edit', operations: [], inverse: [], at: Date.now() },
      sentence: `${node.name}: text${view ? ` in ${view.name}` : ''} → ${plainText(written.text).trim()}`,
    };
    dispatch(rebasedOn({ site, pending, aside: [{ edit: unapplied, why }] }));
    return false;
  };
}

/** Makes an edit of operations; refused with a sentence where they do not fit. */
export function operate(
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
      if (lookup(before.stored.pages, id)) continue;
      const found = await extra.transport.page(before.site.frame.id, id);
      if (!found.ok) return found.sentence;
      const { revision, page } = found.value;
      if (revision > sure(getState().documents.open).revision) {
        const trouble = await catchUp(store, extra);
        if (trouble !== undefined) return trouble;
      }
      // What has been kept since it was read is put on top, so that all is of one revision.
      const open = sure(getState().documents.open);
      const since = open.steps.filter((step) => step.revision > revision);
      const operations = since.flatMap((step) => step.operations ?? []);
      const { frame } = open.stored;
      const brought = withOperations({ frame, pages: { [page.id]: page } }, onlyOn(page.id, operations));
      if (!brought || open.revision < revision) return 'The site has changed in the meantime. Try again.';
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
    dispatch(refusedEdit(`Not all pages could be loaded, so nothing was changed. ${trouble}`));
    return false;
  };
}

const onlyOn = (page: string, operations: readonly Operation[]): Operation[] =>
  operations.filter((operation) => pagesIn([operation]).has(page));

/** Brings back what was replaced, as a step of its own. */
export function takeBackOverwritten(): Thunk {
  return (dispatch, getState) => {
    const { overwritten } = getState().documents;
    if (!overwritten) return;
    dispatch(overwrittenDone());
    dispatch(operate(overwritten.operations, `Restored: ${overwritten.sentences.join('; ')}`, 'edit'));
  };
}

/** Keeps what is pending; ends when nothing is left. */
export const keep =
  (): Thunk<Promise<void>> =>
  (_dispatch, _getState, { saveQueue: saveQueue }) =>
    saveQueue.keep();

/** Tries again at once where keeping waits after a failure. */
export const retryNow =
  (): Thunk =>
  (_dispatch, _getState, { saveQueue: saveQueue }) =>
    saveQueue.retry();
