import type { IncomingMessage } from 'node:http';
import proxyAddr from 'proxy-addr';

/** What should name proxies does not. */
export class ProxiesRefused extends Error {
  constructor(given: readonly string[]) {
    super(
      `TRUSTED_PROXIES is “${given.join(', ')}”, and should be addresses or networks apart by commas, such as 10.0.0.5 or 10.0.0.0/8, or loopback. Nothing was started.`,
    );
  }
}

/**
 * Tells from which address a request comes. Of the addresses that it says to have come through (`X-Forwarded-For`) those are believed
 * that `proxies` have written: addresses, networks (RFC 4632), or `loopback`. Anyone may write what lies further away.
 */
export function senders(proxies: readonly string[] = []): (request: IncomingMessage) => string {
  let isTrusted: ReturnType<typeof proxyAddr.compile>;
  try {
    isTrusted = proxyAddr.compile([...proxies]);
  } catch {
    throw new ProxiesRefused(proxies);
  }
  return (request) => proxyAddr(request, isTrusted);
}

export type SenderOf = ReturnType<typeof senders>;
