import {
  applied,
  needsAllPages,
  overlapping,
  pagesIn,
  performCall,
  same,
  type Call,
  type NodeId,
  type Operation,
  type Site,
} from '../../core/index.ts';
import type { LogEntry } from '../../api/responses.ts';
import type { EditToSend } from './transport.ts';

/** A command with what it was given, and the page it was used on: it can be run again on what others have changed. */
export type Use = Call & { page: NodeId };

/** An edit that the server has not kept yet. */
export interface Pending extends EditToSend {
  inverse: Operation[];
  /** Absent where it is known by its operations only, as what takes a step back. */
  use?: Use;
  /** When it was made, in ms since 1970. */
  at: number;
}

/** What of a pending edit is sent. */
export const toSend = ({ key, session, by, of, sentence, operations }: Pending): EditToSend => ({
  key,
  session,
  by,
  ...(of !== undefined && { of }),
  sentence,
  operations,
});

/** An edit that could not be kept, and why. */
export interface UnappliedEdit {
  edit: Pending;
  why: string;
}

/** Operations on the site's frame and on those of its pages that are there. */
export const onLoaded = ({ pages }: Site, operations: readonly Operation[]): Operation[] =>
  operations.filter((operation) => [...pagesIn([operation])].every((id) => Object.hasOwn(pages, id)));

/** A site with operations made in it; undefined where they do not fit. Those on pages that are not there are left out. */
export function withOperations(site: Site, operations: readonly Operation[]): Site | undefined {
  const outcome = applied(site, onLoaded(site, operations));
  return outcome.ok ? outcome.value.site : undefined;
}

/** A pending edit made again on another state of the site, or why it cannot be. */
function remade(
  edit: Pending,
  site: Site,
): { ok: true; site: Site; edit: Pending } | { ok: false; why: string } {
  // Run again with only some of the pages it would do its work by halves: it stays as it was made.
  const halved = edit.use && needsAllPages(edit.use) && site.frame.pages.some(({ id }) => !site.pages[id]);
  if (edit.use && !halved) {
    const { page } = edit.use;
    if (!site.pages[page]) return { ok: false, why: 'The page no longer exists.' };
    const outcome = performCall(site, page, edit.use);
    if (!outcome.ok) return { ok: false, why: outcome.sentence };
    const { site: next, operations, inverse, sentence } = outcome.value;
    return { ok: true, site: next, edit: { ...edit, operations, inverse, sentence } };
  }
  const outcome = applied(site, edit.operations);
  return outcome.ok
    ? { ok: true, site: outcome.value.site, edit: { ...edit, inverse: outcome.value.inverse } }
    : { ok: false, why: outcome.sentence };
}

export interface Rebased {
  site: Site;
  pending: Pending[];
  /** What no longer fits. */
  aside: UnappliedEdit[];
  /** Others' operations that a pending edit replaces again. */
  overwritten: Operation[];
}

/**
 * The pending edits put on top of what the server has. A command is run again, so that it meets the values that others
 * changed; what it replaces of `theirs` is told. One that changes nothing any more is done with.
 */
export function rebased(stored: Site, pending: readonly Pending[], theirs: readonly Operation[]): Rebased {
  let site = stored;
  const kept: Pending[] = [];
  const aside: UnappliedEdit[] = [];
  const overwritten = new Set<Operation>();
  for (const edit of pending) {
    const next = remade(edit, site);
    if (!next.ok) aside.push({ edit, why: next.why });
    else if (next.edit.operations.length > 0) {
      ({ site } = next);
      kept.push(next.edit);
      overlapping(theirs, next.edit.operations).forEach((each) => overwritten.add(each));
    }
  }
  return { site, pending: kept, aside, overwritten: [...overwritten] };
}

/** What the server has, at a revision, and what is pending on top of it. */
export interface SyncState {
  /** With the pending edits. */
  site: Site;
  /** As the server has it. */
  stored: Site;
  revision: number;
  pending: Pending[];
}

/** What became of a site and its pending edits when others' edits came below them. */
export interface Taken extends SyncState {
  aside: UnappliedEdit[];
  /** The entries that were new here, in their order. */
  entries: LogEntry[];
  overwritten: Operation[];
}

/**
 * Entries of the log taken over: those after the revision that is known here, one after the other. A pending edit that is
 * found among them is kept. Undefined where an entry is missing in between, or does not fit: then the site is read again.
 */
export function taken(state: SyncState, log: readonly LogEntry[]): Taken | undefined {
  const entries = log.filter(({ revision }) => revision > state.revision);
  if (entries.some((entry, index) => entry.revision !== state.revision + 1 + index)) return undefined;
  const revision = entries.at(-1)?.revision ?? state.revision;
  // Only what was made here was kept, as it was made: nothing changes on screen.
  const asMade = entries.length > 0 && areFirst(entries, state.pending);
  const quiet = { site: state.site, revision, entries, aside: [], overwritten: [] };
  if (asMade && entries.length === state.pending.length) return { ...quiet, stored: state.site, pending: [] };
  let stored: Site | undefined = state.stored;
  for (const { operations } of entries) stored = stored && withOperations(stored, operations);
  if (!stored) return undefined;
  if (asMade) return { ...quiet, stored, pending: state.pending.slice(entries.length) };
  const keys = new Set(entries.map(({ key }) => key));
  const left = state.pending.filter(({ key }) => !keys.has(key));
  const mine = new Set(state.pending.map(({ key }) => key));
  const others = entries.filter(({ key }) => !mine.has(key));
  const theirs = others.flatMap(({ operations }) => operations);
  return { ...rebased(stored, left, theirs), stored, revision, entries };
}

/** Whether entries are the first of the pending edits, in their order and as they are. */
const areFirst = (entries: readonly LogEntry[], pending: readonly Pending[]): boolean =>
  entries.every(
    ({ key, operations }, index) =>
      pending[index]?.key === key && same(pending[index].operations, operations),
  );
