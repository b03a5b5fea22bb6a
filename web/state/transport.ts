import { type EditBy, FORMAT_VERSION, lastOf, LIMITS, type Operation } from '../../core/index.ts';
import { endpoints } from '../../api/endpoints.ts';
import { paths } from '../../api/paths.ts';
import type { EditResponse, LogEntry, StepEntry } from '../../api/responses.ts';
import { request, type Answered, type Trouble } from './request.ts';

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
export type Read<T> = { ok: true; value: T } | ({ ok: false } & Trouble);

/** Room in a request beside its operations. */
const ENVELOPE = 20_000;

/** Operations in as many parts as requests are needed to send them. */
export function inParts(operations: readonly Operation[], most = LIMITS.request - ENVELOPE): Operation[][] {
  const parts: Operation[][] = [[]];
  let size = 0;
  for (const operation of operations) {
    const bytes = new TextEncoder().encode(JSON.stringify(operation)).length + 1;
    if (lastOf(parts).length > 0 && (size + bytes > most || lastOf(parts).length >= LIMITS.operations)) {
      parts.push([]);
      size = 0;
    }
    lastOf(parts).push(operation);
    size += bytes;
  }
  return parts;
}

/** Statuses that say nothing about the edit, only about the moment, or about who asks: what was done waits until that is settled. */
const PASSING = new Set([401, 403, 407, 408, 421, 425, 429, 511]);
const passing = (status: number) => status === 0 || PASSING.has(status) || status >= 500;

/** What an answer says of an edit. */
function answerOf(answered: Answered<EditResponse | { received: number }>): Answer {
  if (answered.ok) {
    if ('received' in answered.value)
      return { kind: 'later', sentence: 'The server is still waiting for a part of the change.' };
    const { revision, missed = [] } = answered.value;
    return { kind: 'saved', revision, missed };
  }
  const { status, sentence, problem, after } = answered;
  if (status === 412 || problem?.kept !== undefined)
    return { kind: 'outdated', missed: problem?.missed, kept: problem?.kept };
  return passing(status)
    ? { kind: 'later', sentence, ...(after !== undefined && { after }) }
    : { kind: 'refused', sentence };
}

/** Talks to the server about the documents of sites and their edits. */
export const transport = (base = '') => ({
  page: (site: string, page: string) => request(endpoints.page, base + paths.page(site, page)),
  site: (site: string) => request(endpoints.site, base + paths.site(site)),
  log: (site: string, after: number) =>
    request(endpoints.log, base + paths.edits(site), { query: { after } }),
  edit: (site: string, revision: number) => request(endpoints.loggedEdit, base + paths.edit(site, revision)),
  /** The last steps of a site, oldest first: of those before a revision, and of a session alone, where these are said. */
  async steps(site: string, where: { before?: number; session?: string } = {}): Promise<Read<StepEntry[]>> {
    const found = await request(endpoints.steps, base + paths.steps(site), { query: where });
    return found.ok ? { ok: true, value: found.value.steps } : found;
  },

  /** Sends an edit that was made on a revision of a site; one larger than a request goes in parts. */
  async send(site: string, revision: number, { key, ...edit }: EditToSend): Promise<Answer> {
    const parts = inParts(edit.operations);
    let answered: Answered<EditResponse | { received: number }> | undefined;
    for (const [index, operations] of parts.entries()) {
      const part = parts.length > 1 && { part: index + 1, parts: parts.length };
      answered = await request(endpoints.edit, base + paths.edits(site), {
        headers: { 'Idempotency-Key': `"${key}"`, 'If-Match': `"${revision}"` },
        body: JSON.stringify({ ...edit, version: FORMAT_VERSION, operations, ...part }),
      });
      if (answered.status !== 202) break;
    }
    return answered ? answerOf(answered) : { kind: 'refused', sentence: 'The change is empty.' };
  },
});

export type Transport = ReturnType<typeof transport>;
