import { setTimeout as wait } from 'node:timers/promises';
import pg from 'pg';

/** Who hears what is notified on a channel. */
export interface Listener {
  heard(text: string): void;
  /** Something may have been notified that was not heard: now, or until the next call. */
  missed(): void;
}

export interface Listening {
  /** Whether everything that is notified now is heard. */
  hears(): boolean;
  end(): Promise<void>;
}

/** ms; how often the connection is asked for a sign of life, and how long it may take to give one. */
const PULSE = 5000;

/** ms; the first wait before connecting again, and the longest. */
const FIRST = 50;
const LONGEST = 2000;

interface Connection {
  client: pg.Client;
  /** Resolves once the connection is of no use any more. */
  broken: Promise<void>;
}

/** One connection on which a channel is heard; rejects where it cannot be made. */
async function connect(url: string, channel: string, heard: (text: string) => void): Promise<Connection> {
  const client = new pg.Client({
    connectionString: url,
    connectionTimeoutMillis: PULSE,
    query_timeout: PULSE,
    keepAlive: true,
  });
  const broken = new Promise<void>((resolve) => {
    client.on('error', () => resolve());
    client.on('end', () => resolve());
  });
  client.on('notification', ({ payload }) => heard(payload ?? ''));
  try {
    await client.connect();
    await client.query(`listen "${channel}"`);
    return { client, broken };
  } catch (error) {
    await client.end().catch(() => undefined);
    throw error;
  }
}

/**
 * Listens on a channel of a PostgreSQL database for as long as it is not ended, over a connection of its own. A connection that breaks, or
 * gives no sign of life, is made again; the listener is told when notifications begin to be missed, and again when they are heard again.
 * Rejects where the first connection cannot be made.
 */
export async function listening(url: string, channel: string, listener: Listener): Promise<Listening> {
  const ended = new AbortController();
  let hears = true;
  let current = await connect(url, channel, (text) => listener.heard(text));

  const reconnected = async (): Promise<Connection | undefined> => {
    for (let pause = FIRST; !ended.signal.aborted; pause = Math.min(LONGEST, pause * 2)) {
      try {
        return await connect(url, channel, (text) => listener.heard(text));
      } catch {
        await wait(pause, undefined, { signal: ended.signal }).catch(() => undefined);
      }
    }
    return undefined;
  };

  async function watch(): Promise<void> {
    while (!ended.signal.aborted) {
      const { client, broken } = current;
      const pulse = setInterval(() => {
        client.query('select 1').catch(() => client.end().catch(() => undefined));
      }, PULSE);
      await broken;
      clearInterval(pulse);
      hears = false;
      if (ended.signal.aborted) return;
      listener.missed();
      client.end().catch(() => undefined);
      const next = await reconnected();
      if (!next) return;
      current = next;
      hears = !ended.signal.aborted;
      if (hears) listener.missed();
    }
    await current.client.end().catch(() => undefined);
  }
  const watching = watch();

  return {
    hears: () => hears,
    async end() {
      ended.abort();
      hears = false;
      await current.client.end().catch(() => undefined);
      await watching;
    },
  };
}
