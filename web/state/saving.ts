import { overlapping, sure } from '../../core/index.ts';
import type { LogEntry } from '../../api/responses.ts';
import { documents, type DocumentsState, type OpenSite } from './documents.ts';
import type { Work } from './savequeue.ts';
import { rebased, taken, toSend, type Pending, type UnappliedEdit, type SyncState } from './pending.ts';
import { pagesAtOnce, pagesOf } from './reading.ts';
import type { Services } from './services.ts';
import { ownSteps } from './steps.ts';

/** What keeping needs of a store. */
interface DocumentStore {
  getState(): { documents: DocumentsState };
  dispatch(action: ReturnType<(typeof documents.actions)[keyof typeof documents.actions]>): unknown;
}

const { tookOver, wasOverwritten, rebasedOn, resynced, saveStatusChanged, rememberedBy } = documents.actions;

/** What others replaced of what this window had set and what still stood. */
function replacedByOthers({ documents: state }: { documents: DocumentsState }, entries: readonly LogEntry[]) {
  const { open } = state;
  if (!open) return [];
  const others = entries.filter(({ session }) => session !== open.session);
  if (others.length === 0) return [];
  const mine = ownSteps({ documents: state }).undo.flatMap(({ revision, operations = [] }) =>
    revision === null ? [] : operations,
  );
  return others.filter(({ operations }) => overlapping(operations, mine).length > 0);
}

/** Takes over entries of the log; answers whether that was possible with what is known here. */
export function takeOver(store: DocumentStore, entries: readonly LogEntry[]): boolean {
  const state = store.getState();
  const { open } = state.documents;
  if (!open) return true;
  const result = taken(open, entries);
  if (!result) return false;
  if (result.entries.length === 0) return true;
  const replaced = replacedByOthers(state, result.entries);
  store.dispatch(tookOver(result));
  if (replaced.length > 0 && result.overwritten.length === 0) {
    store.dispatch(
      wasOverwritten({
        by: 'others',
        operations: replaced.toReversed().flatMap(({ inverse }) => inverse),
        sentences: replaced.map(({ sentence }) => sentence),
      }),
    );
  }
  return true;
}

/** Reads the open site again, and puts what is pending on top of it. Answers why that cannot be done; nothing when it was. */
export async function resyncSite(store: DocumentStore, { transport }: Services): Promise<string | undefined> {
  const before = store.getState().documents.open;
  if (!before) return undefined;
  const id = before.site.frame.id;
  const needed = pagesOf(before.pending);
  const read = await pagesAtOnce(transport, id, [before.page, ...needed]).then(async (found) => {
    if (found.ok || found.status !== 404) return found;
    // The page has gone: another one is shown.
    const site = await transport.site(id);
    return site.ok ? pagesAtOnce(transport, id, [site.value.frame.pages[0].id, ...needed]) : site;
  });
  if (!read.ok) return read.sentence;
  const [steps, own] = await Promise.all([
    transport.steps(id),
    transport.steps(id, { session: before.session }),
  ]);
  const open = store.getState().documents.open;
  if (!open) return undefined;
  const { frame, pages, revision } = read;
  const stored = { frame, pages: Object.fromEntries(pages.map((page) => [page.id, page])) };
  const { site, pending, aside } = rebased(stored, open.pending, []);
  const history = { steps: steps.ok ? steps.value : [], own: own.ok ? own.value : [] };
  store.dispatch(resynced({ site, stored, revision, pending, aside, ...history }));
  return undefined;
}

/** Brings the open site up to the log's end. Answers why that cannot be done; nothing when it was. */
export async function catchUp(store: DocumentStore, services: Services): Promise<string | undefined> {
  const { open } = store.getState().documents;
  if (!open) return undefined;
  const found = await services.transport.log(open.site.frame.id, open.revision);
  if (!found.ok) return found.sentence;
  const { edits, revision } = found.value;
  if (edits && revision >= open.revision && takeOver(store, edits)) return undefined;
  return resyncSite(store, services);
}

const entryOf = (edit: Pending, revision: number): LogEntry => ({
  ...toSend(edit),
  revision,
  inverse: edit.inverse,
  madeAt: new Date(edit.at).toISOString(),
});

/** The site without some of the pending edits, the others on top of each other. */
function withoutEdits({ stored, pending }: SyncState, gone: readonly Pending[]) {
  const keys = new Set(gone.map(({ key }) => key));
  const rest = pending.filter(({ key }) => !keys.has(key));
  const { site, pending: left, aside } = rebased(stored, rest, []);
  return { site, pending: left, aside };
}

/** What the save queue of a store keeps: the pending edits of the open site. */
export function saveWork(store: DocumentStore, services: Services): Work<Pending> {
  const open = (): OpenSite | null => store.getState().documents.open;
  return {
    next: () => open()?.pending[0],
    send(edit) {
      const { site, revision } = sure(open());
      return services.transport.send(site.frame.id, revision, toSend(edit));
    },
    kept(edit, { revision, missed }) {
      if (!takeOver(store, [...missed, entryOf(edit, revision)])) void catchUp(store, services);
    },
    async outdated(edit, { missed, kept }) {
      // Without what was missed, or where it does not reach as far, the log, or the site itself, is asked.
      const before = open()?.revision;
      if (missed && missed.length > 0 && takeOver(store, missed) && open()?.revision !== before)
        return undefined;
      const trouble = await catchUp(store, services);
      const now = open();
      if (trouble !== undefined || kept === undefined || !now || now.revision < kept) return trouble;
      // It was kept in an earlier form, which is in what has been read: it must not be made once more on top.
      if (now.pending.some(({ key }) => key === edit.key))
        store.dispatch(rebasedOn(withoutEdits(now, [edit])));
      return undefined;
    },
    refused(edit, why) {
      const now = open();
      if (!now) return;
      const { aside, ...rest } = withoutEdits(now, [edit]);
      store.dispatch(rebasedOn({ ...rest, aside: [{ edit, why }, ...aside] }));
    },
    tell: (state) => void store.dispatch(saveStatusChanged(state)),
  };
}

/** Remembers in the browser what is not kept, whenever it changes, in a turn after what a person sees. */
export function remembering(
  store: DocumentStore & { subscribe(changed: () => void): unknown },
  { outbox }: Services,
): void {
  let [pending, aside]: [Pending[] | undefined, UnappliedEdit[] | undefined] = [undefined, undefined];
  let waiting = false;
  const isRemembered = (remembered: boolean) => {
    if (store.getState().documents.remembered !== remembered) store.dispatch(rememberedBy(remembered));
  };
  const now = () => {
    const { open, aside: there } = store.getState().documents;
    return open && { ...open, aside: there };
  };
  // While the page unloads, fields and text editors commit what was typed; each of these changes is written at once.
  let unloading = false;
  const flush = () => {
    const is = now();
    if (is) outbox.writeSync(is.site.frame.id, is.session, is);
  };
  if (typeof addEventListener === 'function') {
    addEventListener('pagehide', () => {
      unloading = true;
      flush();
    });
    addEventListener('pageshow', () => (unloading = false));
  }
  store.subscribe(() => {
    if (unloading) flush();
    const { open, aside: nowAside } = store.getState().documents;
    if (!open || waiting || (open.pending === pending && nowAside === aside)) return;
    waiting = true;
    setTimeout(() => {
      waiting = false;
      const is = now();
      if (!is) return;
      ({ pending, aside } = is);
      void outbox.write(is.site.frame.id, is.session, is).then(
        () => isRemembered(true),
        () => isRemembered(false),
      );
    });
  });
}
