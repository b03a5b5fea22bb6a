import { randomBytes } from 'node:crypto';
import type { IncomingMessage } from 'node:http';
import { LRUCache } from 'lru-cache';

/** How many visitors are remembered, and for how long: ms. */
const MOST = 10_000;
const LASTS = 12 * 3_600_000;

/** Characters of a name, and bytes of what a form sends. */
const LONGEST_NAME = 80;
const LONGEST_FORM = 4_000;

const COOKIE = 'visitor';

/** What a form has sent; undefined where it is longer than that, in characters. */
export async function sentBy(
  request: IncomingMessage,
  longest = LONGEST_FORM,
): Promise<URLSearchParams | undefined> {
  let text = '';
  for await (const chunk of request) {
    text += String(chunk);
    if (text.length > longest) return undefined;
  }
  return new URLSearchParams(text);
}

/** Where a visitor came from within a site; the site itself for all else. */
export function wayBack(address: string | null | undefined, root: string): string {
  try {
    const { pathname } = new URL(address ?? '', 'http://host.invalid');
    return pathname.startsWith(root) && !pathname.includes('//') ? pathname : root;
  } catch {
    return root;
  }
}

/**
 * The stand-in sign-in of visitors: whoever says a name has signed in, at one site, until they sign out or the host starts again. It
 * stands where a host has a sign-in of its own; nothing here is a secret but the token.
 */
export function visitors() {
  const names = new LRUCache<string, { site: string; name: string }>({ max: MOST, ttl: LASTS });
  const tokenOf = (request: IncomingMessage): string | undefined =>
    (request.headers.cookie ?? '')
      .split(';')
      .map((each) => each.trim().split('='))
      .find(([name]) => name === COOKIE)?.[1];
  const cookie = (value: string, root: string, age: number) =>
    `${COOKIE}=${value}; Path=${root}; Max-Age=${age}; HttpOnly; SameSite=Lax`;
  return {
    /** The name of the visitor who has signed in at a site; undefined for others. */
    of(request: IncomingMessage, site: string): string | undefined {
      const known = names.get(tokenOf(request) ?? '');
      return known?.site === site ? known.name : undefined;
    },
    /** Signs a visitor in; answers the cookie, or undefined where no name was said. */
    signIn(site: string, root: string, said: string): string | undefined {
      const name = said.replace(/\s+/g, ' ').trim().slice(0, LONGEST_NAME);
      if (name === '') return undefined;
      const token = randomBytes(24).toString('base64url');
      names.set(token, { site, name });
      return cookie(token, root, LASTS / 1000);
    },
    /** Signs a visitor out; answers the cookie that goes. */
    signOut(request: IncomingMessage, root: string): string {
      names.delete(tokenOf(request) ?? '');
      return cookie('', root, 0);
    },
  };
}
