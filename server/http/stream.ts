import type { Request, Response } from 'express';
import type { LogEntry } from '../../api/responses.ts';
import type { Store } from '../store/open.ts';
import { entryFrom } from './entry.ts';
import { noSite } from './names.ts';

/** ms; how often something is sent so that nobody in between takes the connection for dead. */
const PULSE = 20_000;

/** How many streams a site has at most; one more is asked to come back later. */
const MOST = 100;

/**
 * The log of a site as server-sent events (HTML Standard, §9.2 https://html.spec.whatwg.org/multipage/server-sent-events.html):
 * one event an edit, `id` its revision, so that a reader that comes back goes on where it was. An event `behind` says that
 * what was missed is not remembered; the reader has to read the site again.
 */
export function streamOf({ history, follow }: Pick<Store, 'history' | 'follow'>) {
  const open = new Map<string, number>();
  /** Goes up with each change that is heard of: what was read before may lack it. */
  let turn = 0;
  follow(() => {
    turn += 1;
  });
  /** What is being read for followers: those that are at the same revision when something is heard are answered from one reading. */
  const underWay = new Map<string, ReturnType<typeof history.after>>();
  function after(site: string, revision: number): ReturnType<typeof history.after> {
    const key = `${site} ${revision} ${turn}`;
    const before = underWay.get(key);
    if (before) return before;
    const reading = history.after(site, revision).finally(() => underWay.delete(key));
    underWay.set(key, reading);
    return reading;
  }

  return async (request: Request, response: Response, site: string, from: number): Promise<void> => {
    const last = Number(request.get('Last-Event-ID') ?? NaN);
    let sent = Number.isInteger(last) && last >= 0 ? last : from;
    const first = await history.after(site, sent);
    if (!first) throw noSite();
    const count = open.get(site) ?? 0;
    if (count >= MOST) {
      response.set('Retry-After', '30').status(429).end();
      return;
    }
    open.set(site, count + 1);
    response
      .status(200)
      .set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' });
    response.flushHeaders();
    const write = (event: string, id: number, data: unknown) =>
      response.write(`event: ${event}\nid: ${id}\ndata: ${JSON.stringify(data)}\n\n`);

    let wanted = false;
    let running = false;
    /** Sends what has come since; one at a time, and once more when something came meanwhile. */
    const send = async () => {
      wanted = true;
      if (running) return;
      running = true;
      try {
        while (wanted && !response.writableEnded) {
          wanted = false;
          const found = await after(site, sent);
          if (!found) response.end();
          else if (!found.edits) {
            write('behind', found.revision, { revision: found.revision });
            sent = found.revision;
          } else {
            for (const edit of found.edits) write('edit', edit.revision, entryFrom(edit) satisfies LogEntry);
            sent = found.revision;
          }
        }
      } catch {
        // The database could not be asked: the reader comes back by itself.
        response.end();
      } finally {
        running = false;
      }
    };
    const pulse = setInterval(() => response.write(': here\n\n'), PULSE);
    const unfollow = follow((changed) => {
      if (changed === undefined || changed === site) void send();
    });
    response.on('close', () => {
      clearInterval(pulse);
      unfollow();
      const left = (open.get(site) ?? 1) - 1;
      if (left > 0) open.set(site, left);
      else open.delete(site);
    });
    await send();
  };
}
