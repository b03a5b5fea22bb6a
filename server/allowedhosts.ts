/** Names that only this machine has. */
const OWN = new Set(['localhost', '127.0.0.1', '[::1]']);

/** The name in a Host header (RFC 9110, §7.2), without the port; empty where it is none. */
const nameIn = (host: string): string =>
  /^(\[[\da-f:.]+\]|[\w.-]+)(?::\d+)?$/i.exec(host)?.[1].toLowerCase() ?? '';

/**
 * Whether a request is meant for this program, by the name that the browser asked for. Another name can be made to lead to this
 * machine by whoever owns it, and the page that did so would then be of the same origin (DNS rebinding). `more` are names that the
 * person who runs the program has given.
 */
export const hostCheck = (more: readonly string[] = []) => {
  const allowed = new Set([...OWN, ...more.map(nameIn).filter(Boolean)]);
  return (host: string | undefined): boolean => {
    const name = nameIn(host ?? '');
    return allowed.has(name) || name.endsWith('.localhost');
  };
};

export type HostCheck = ReturnType<typeof hostCheck>;

/** What a request for another name is told. */
export const MISDIRECTED =
  'This program answers under this machine’s own name only. Nothing was changed. If it is meant to be reached under another name, start it with that name in ALLOWED_HOSTS.';
