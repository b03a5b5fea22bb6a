/** Windows without a browser: real stores that speak to a real server, with a network that loses what it is told to lose. */
import { makeStore } from '../../web/state/sitestore.ts';
import { openPage } from '../../web/state/documents.ts';
import { edit } from '../../web/state/edits.ts';
import { closeSite, showPage } from '../../web/state/opening.ts';
import { unreachable } from '../../web/state/request.ts';
import { transport, type Transport } from '../../web/state/transport.ts';
import type { Heard } from '../../web/state/follow.ts';
import type { OutboxContent, Outbox } from '../../web/state/outbox.ts';
import type { NodeId, ViewId } from '../../core/index.ts';
import { SITE } from '../server/editing.ts';

/** What a browser remembers, in memory: it outlives the windows. */
export function memory(): Outbox & { of: Map<string, OutboxContent> } {
  const of = new Map<string, OutboxContent>();
  return {
    of,
    read: async (site, session) =>
      structuredClone(of.get(`${site} ${session}`) ?? { pending: [], aside: [], revision: 0 }),
    async write(site, session, now) {
      of.set(`${site} ${session}`, structuredClone(now));
    },
    writeSync: (site, session, now) => void of.set(`${site} ${session}`, structuredClone(now)),
  };
}

type Fate = 'arrives' | 'is lost' | 'is kept, its answer lost';

/** A window; `fate` says what becomes of each edit that is sent. */
export async function openWindow(
  url: string,
  session: string,
  outbox = memory(),
  page = 'home',
  beforeFollowing = async () => undefined as void,
) {
  const real = transport(url);
  let heard: ((what: Heard) => void) | undefined;
  let fate: (count: number) => Fate = () => 'arrives';
  let sent = 0;
  const keys: string[] = [];
  const net: Transport = {
    ...real,
    async page(...args) {
      const read = await real.page(...args);
      await beforeFollowing();
      return read;
    },
    async send(site, revision, made) {
      const what = fate(++sent);
      keys.push(made.key);
      if (what === 'is lost') return { kind: 'later', sentence: unreachable };
      const answer = await real.send(site, revision, made);
      return what === 'arrives' ? answer : { kind: 'later', sentence: unreachable };
    },
  };
  const store = makeStore(
    {
      transport: net,
      outbox,
      session: async () => session,
      follow(_site, _revision, listener) {
        heard = listener;
        return () => (heard = undefined);
      },
    },
    // Waits are over at once.
    {
      now: () => 0,
      random: () => 0,
      soon: setImmediate,
      later: (_ms, done) => (setImmediate(done), () => undefined),
    },
  );
  const failure = await store.dispatch(showPage(SITE, page));
  const state = () => store.getState().documents;
  const node = (id: string) => openPage(store.getState())!.page.nodes[id as NodeId] as any;
  return {
    store,
    failure,
    unsent: outbox,
    state,
    node,
    keys,
    net: (next: (count: number) => Fate) => {
      fate = next;
      sent = 0;
    },
    /** Hears what the log has after what is known here. */
    async hears() {
      const log = await real.log(SITE, state().open!.revision);
      if (!log.ok) throw new Error(log.sentence);
      for (const entry of log.value.edits!) heard?.({ edit: entry });
    },
    size: (id: string, value: number, view = 'desktop') =>
      store.dispatch(
        edit('setValue', {
          nodes: [id as NodeId],
          property: 'size',
          view: view as ViewId,
          value,
          reach: 'here',
        }),
      ),
    rename: (id: string, name: string) => store.dispatch(edit('rename', { node: id as NodeId, name })),
    async kept() {
      while (state().open!.pending.length > 0) await new Promise((resolve) => setImmediate(resolve));
    },
    close: () => store.dispatch(closeSite()),
  };
}
