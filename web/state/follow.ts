import { paths } from '../../api/paths.ts';
import type { LogEntry } from '../../api/responses.ts';

/** What is heard of a site: an edit that was kept, or that more was kept than is remembered. */
export type Heard = { edit: LogEntry } | { behind: number };

/** ms; how long the first wait is after the server has answered with a fault, and the longest: waits grow in between. */
const [FIRST, LONGEST] = [1000, 30_000];

/**
 * Follows the log of a site. Of all windows of a browser one holds the connection and passes on what it hears: a browser
 * opens only a few connections to a server, and windows that each held one would use them up. The one that holds the lock
 * is that window; when it goes, another gets it.
 */
export function follow(site: string, revision: () => number, heard: (what: Heard) => void): () => void {
  const name = `dimorphe ${site}`;
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(name);
  const ended = new AbortController();
  let source: EventSource | null = null;
  let wait = FIRST;
  let again: ReturnType<typeof setTimeout> | undefined;

  const notify = (what: Heard) => {
    heard(what);
    channel?.postMessage(what);
  };
  const connect = () => {
    source = new EventSource(`${paths.edits(site)}?after=${revision()}`);
    source.onopen = () => (wait = FIRST);
    // A lost connection is made again by the browser; an answer that is a fault ends it for good (HTML Standard, §9.2.3).
    source.onerror = () => {
      if (source?.readyState !== EventSource.CLOSED || ended.signal.aborted) return;
      again = setTimeout(connect, wait * (0.5 + Math.random() / 2));
      wait = Math.min(LONGEST, wait * 2);
    };
    source.addEventListener('edit', ({ data }) => notify({ edit: JSON.parse(data as string) as LogEntry }));
    source.addEventListener('behind', ({ data }) =>
      notify({ behind: (JSON.parse(data as string) as { revision: number }).revision }),
    );
  };
  if (channel) channel.onmessage = ({ data }) => heard(data as Heard);

  const holding = new Promise<void>((resolve) => ended.signal.addEventListener('abort', () => resolve()));
  if (navigator.locks) {
    navigator.locks
      .request(name, { signal: ended.signal }, () => {
        connect();
        return holding;
      })
      .catch(() => undefined);
  } else connect();

  return () => {
    ended.abort();
    clearTimeout(again);
    source?.close();
    channel?.close();
  };
}
