import { LIMITS, type Page, lookup } from '../../core/index.ts';
import { reachChosen } from './desk.ts';
import { documents, type KnownStep } from './documents.ts';
import { preferredReach } from './preferences.ts';
import { load } from './edits.ts';
import { catchUp, takeOver } from './saving.ts';
import { rebased, toSend, type Pending, type UnappliedEdit } from './pending.ts';
import { pagesAtOnce, pagesOf } from './reading.ts';
import { ownStepsAtHand } from './traversal.ts';
import type { Thunk } from './store.ts';
import type { Transport } from './transport.ts';
import type { OutboxContent } from './outbox.ts';

const { opened, pageShown, countsRead, closed } = documents.actions;

/** What came of edits that an earlier life of this window had not kept. */
interface Resent {
  /** Those that have to be made again on what is there now. */
  left: Pending[];
  aside: UnappliedEdit[];
  /** Why they cannot be kept now: then nothing is opened over them. */
  trouble?: string;
}

/**
 * Sends what was not kept once more, as it was: one that had been kept, with its answer lost, is answered the same. From
 * the first that others came before on, they are made again later, in their order.
 */
async function resent(
  transport: Transport,
  site: string,
  { pending, revision }: OutboxContent,
): Promise<Resent> {
  const aside: UnappliedEdit[] = [];
  for (const [index, edit] of pending.entries()) {
    const answer = await transport.send(site, Math.max(1, revision), toSend(edit));
    if (answer.kind === 'outdated') return { left: pending.slice(index), aside };
    if (answer.kind === 'later') return { left: [], aside, trouble: answer.sentence };
    if (answer.kind === 'refused') aside.push({ edit, why: answer.sentence });
  }
  return { left: [], aside };
}

/** What is heard of the open site is taken over. */
function following(site: string): Thunk {
  return (dispatch, getState, extra) => {
    const store = { dispatch, getState };
    extra.unfollow?.();
    extra.unfollow = extra.follow(
      site,
      () => getState().documents.open?.revision ?? 0,
      (what) => {
        const { open } = getState().documents;
        if (open?.site.frame.id !== site) return;
        if (!('edit' in what && takeOver(store, [what.edit]))) void catchUp(store, extra);
      },
    );
  };
}

/** Opens a site at one of its pages; what an earlier life of this window had not kept is put on top of what is there. */
function openSite(site: string, page: string): Thunk<Promise<string | undefined>> {
  return async (dispatch, getState, extra) => {
    const { transport, outbox } = extra;
    const session = await extra.session();
    // A browser that remembers nothing opens the site all the same, and says so once something waits.
    const remembered = await outbox
      .read(site, session)
      .catch((): OutboxContent => ({ pending: [], aside: [], revision: 0 }));
    const { left, aside, trouble } = await resent(transport, site, remembered);
    if (trouble !== undefined)
      return `${trouble} Your last changes are stored in this browser and will be saved first.`;
    const [read, summary, steps] = await Promise.all([
      pagesAtOnce(transport, site, [page, ...pagesOf(left)]),
      transport.site(site),
      transport.steps(site),
    ]);
    if (!read.ok) return read.sentence;
    if (!summary.ok) return summary.sentence;
    if (!steps.ok) return steps.sentence;
    const { frame, pages, revision } = read;
    const stored = { frame, pages: Object.fromEntries(pages.map((each) => [each.id, each])) };
    const rebasedOn = rebased(stored, left, []);
    // Steps that came while this was read are heard of again.
    const known: KnownStep[] = steps.value.filter((step) => step.revision <= revision);
    dispatch(
      opened({
        site: rebasedOn.site,
        stored,
        revision,
        pending: rebasedOn.pending,
        aside: [...remembered.aside, ...aside, ...rebasedOn.aside],
        session,
        page: pages[0].id,
        counts: summary.value.pages,
        steps: known,
        earlier: steps.value.length >= LIMITS.steps,
      }),
    );
    dispatch(reachChosen(preferredReach(site)));
    dispatch(following(site));
    // What was saved between the reading and the following is in the log, and nobody says it again.
    void catchUp({ dispatch, getState }, extra);
    void dispatch(ownStepsAtHand());
    void extra.saveQueue.keep();
    return undefined;
  };
}

/** Shows a page of a site. Answers why it cannot be shown; nothing when it is. */
export function showPage(site: string, page: string): Thunk<Promise<string | undefined>> {
  return async (dispatch, getState, extra) => {
    extra.shown = (extra.shown ?? 0) + 1;
    const before = getState().documents.open;
    if (before?.site.frame.id !== site) {
      // What was done on another site is kept first.
      await extra.saveQueue.keep();
      return dispatch(openSite(site, page));
    }
    const trouble = await dispatch(load([page]));
    if (trouble !== undefined) return trouble;
    const { open } = getState().documents;
    const shown = lookup(open?.site.pages, page as Page['id']);
    if (!open || !shown) return 'There is no such page on this site. The site’s other pages are untouched.';
    if (open.page !== shown.id) dispatch(pageShown(shown.id));
    const summary = await extra.transport.site(site);
    if (summary.ok) dispatch(countsRead(summary.value.pages));
    return undefined;
  };
}

/** Closes the site once everything is kept, unless something has been shown again meanwhile. */
export function closeSite(): Thunk<Promise<void>> {
  return async (dispatch, _getState, extra) => {
    const { shown } = extra;
    await extra.saveQueue.keep();
    if (extra.shown !== shown) return;
    extra.unfollow?.();
    extra.unfollow = undefined;
    dispatch(closed());
  };
}
