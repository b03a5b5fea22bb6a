import { follow, type Heard } from './follow.ts';
import { claimSession, isWindowThere, oneAtATime } from './session.ts';
import { transport, type Transport } from './transport.ts';
import { outboxInBrowser, type Outbox } from './outbox.ts';

/** What a store needs of the world around it; a test gives it another. */
export interface Services {
  transport: Transport;
  outbox: Outbox;
  /** The window's name in the history. */
  session(): Promise<string>;
  /** Follows the log of a site from a revision on; answers how to stop. */
  follow(site: string, revision: () => number, heard: (what: Heard) => void): () => void;
}

/** The services of a window. */
export function windowServices(): Services {
  let session: Promise<string> | undefined;
  return {
    transport: transport(),
    outbox: outboxInBrowser(isWindowThere, oneAtATime),
    session: () => (session ??= claimSession()),
    follow,
  };
}
