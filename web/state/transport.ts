import { paths } from '../../api/paths.ts';
import type {
  EditResponse,
  LogEntry,
  LogResponse,
  PageResponse,
  Problem,
  SiteResponse,
  StepEntry,
  StepsResponse,
} from '../../api/responses.ts';
import { FORMAT_VERSION, LIMITS, type EditBy, type Operation } from '../../core/index.ts';

/** An edit as it is sent. */
export interface EditToSend {
  key: string;
  session: string;
  by: EditBy;
  of?: string;
  sentence: string;
  operations: Operation[];
}

/** What became of an edit that was sent. */
export type Answer =
  /** It is kept, at this revision; `missed` came between the revision it was made on and its own. */
  | { kind: 'saved'; revision: number; missed: LogEntry[] }
  /** Others came first, or it is kept already in another form, at the revision `kept`: what the log says since comes first. */
  | { kind: 'outdated'; missed?: LogEntry[]; kept?: number }
  /** It will never be kept as it is. */
  | { kind: 'refused'; sentence: string }
  /** It may be kept another time; `after` in ms. */
  | { kind: 'later'; sentence: string; after?: number };

/** What was read, or why it could not be. */
export type Read<T> = { ok: true; value: T } | { ok: false; status: number; sentence: string };

/** What a failed request means, as a person can act on it. `status` is 0 when the server could not be reached. */
export const unreachable = 'Dimorphe’s server cannot be reached.';
const unexplained = (status: number) =>
  status === 429
    ? 'The server is receiving too many requests at the moment.'
    : `The server answered with status ${status} without an explanation. Try again in a moment.`;

/** ms; how long an answer is waited for. */
const PATIENCE = 30_000;

/** Room in a request beside its operations. */
const ENVELOPE = 20_000;

/** Operations in as many parts as requests are needed to send them. */
export function inParts(operations: readonly Operation[], most = LIMITS.request - ENVELOPE): Operation[][] {
  const parts: Operation[][] = [[]];
  let size = 0;
  for (const operation of operations) {
    const bytes = new TextEncoder().encode(JSON.stringify(operation)).length + 1;
    if (parts.at(-1)!.length > 0 && (size + bytes > most || parts.at(-1)!.length >= LIMITS.operations)) {
      parts.push([]);
      size = 0;
    }
    parts.at(-1)!.push(operation);
    size += bytes;
  }
  return parts;
}

/** What a `Retry-After` of seconds means in ms (RFC 9110, §10.2.3). */
function waitOf(response: Response): number | undefined {
  const seconds = Number(response.headers.get('Retry-After') ?? NaN);
  return Number.isFinite(seconds) && seconds >= 0 ? seconds * 1000 : undefined;
}

async function problemOf(response: Response): Promise<Partial<Problem>> {
  try {
    return (await response.json()) as Partial<Problem>;
  } catch {
    return {};
  }
}

/** Statuses that say nothing about the edit, only about the moment, or about who asks: what was done waits until that is settled. */
const PASSING = new Set([401, 403, 407, 408, 421, 425, 429, 511]);
const passing = (status: number) => PASSING.has(status) || status >= 500;

/** Talks to the server about the documents of sites and their edits. */
export function transport(base = '') {
  const ask = (path: string, init: RequestInit = {}) =>
    fetch(base + path, { ...init, signal: AbortSignal.timeout(PATIENCE) });

  async function read<T>(path: string): Promise<Read<T>> {
    try {
      const response = await ask(path, { headers: { Accept: 'application/json' } });
      if (response.ok) return { ok: true, value: (await response.json()) as T };
      const { status } = response;
      return { ok: false, status, sentence: (await problemOf(response)).detail ?? unexplained(status) };
    } catch {
      return { ok: false, status: 0, sentence: unreachable };
    }
  }

  async function answerOf(response: Response): Promise<Answer> {
    if (response.ok) {
      const { revision, missed = [] } = (await response.json()) as EditResponse;
      return { kind: 'saved', revision, missed };
    }
    const { status } = response;
    const after = waitOf(response);
    const { detail = unexplained(status), missed, kept } = await problemOf(response);
    if (status === 412 || kept !== undefined) return { kind: 'outdated', missed, kept };
    if (passing(status)) return { kind: 'later', sentence: detail, ...(after !== undefined && { after }) };
    return { kind: 'refused', sentence: detail };
  }

  return {
    page: (site: string, page: string) => read<PageResponse>(paths.page(site, page)),
    site: (site: string) => read<SiteResponse>(paths.site(site)),
    log: (site: string, after: number) => read<LogResponse>(`${paths.edits(site)}?after=${after}`),
    edit: (site: string, revision: number) => read<LogEntry>(paths.edit(site, revision)),
    /** The last steps of a site, oldest first: of those before a revision, and of a session alone, where these are said. */
    async steps(site: string, where: { before?: number; session?: string } = {}): Promise<Read<StepEntry[]>> {
      const said = Object.entries(where).filter(([, value]) => value !== undefined);
      const query = new URLSearchParams(said.map(([name, value]) => [name, String(value)]));
      const found = await read<StepsResponse>(`${paths.steps(site)}?${query}`);
      return found.ok ? { ok: true, value: found.value.steps } : found;
    },

    /** Sends an edit that was made on a revision of a site; one larger than a request goes in parts. */
    async send(site: string, revision: number, { key, ...edit }: EditToSend): Promise<Answer> {
      const parts = inParts(edit.operations);
      try {
        for (const [index, operations] of parts.entries()) {
          const part = parts.length > 1 && { part: index + 1, parts: parts.length };
          const response = await ask(paths.edits(site), {
            method: 'POST',
            headers: {
              'Content-Type': 'application/json',
              'Idempotency-Key': `"${key}"`,
              'If-Match': `"${revision}"`,
            },
            body: JSON.stringify({ ...edit, version: FORMAT_VERSION, operations, ...part }),
          });
          if (response.status !== 202) return await answerOf(response);
        }
        return { kind: 'later', sentence: 'The server is still waiting for a part of the change.' };
      } catch {
        return { kind: 'later', sentence: unreachable };
      }
    },
  };
}

export type Transport = ReturnType<typeof transport>;
