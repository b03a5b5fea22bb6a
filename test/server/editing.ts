/** Sends edits over HTTP as a window does. */
import { randomUUID } from 'node:crypto';
import { paths } from '../../api/paths.ts';
import type { EditResponse, PageResponse, Problem } from '../../api/responses.ts';
import type { Operation } from '../../core/index.ts';

export const SITE = 'brindle-hill';

export const set = (path: string, value: unknown): Operation => ({ op: 'set', path, value });
export const clear = (path: string): Operation => ({ op: 'clear', path });
export const put = (path: string, id: string, after: string[]): Operation => ({ op: 'put', path, id, after });
export const take = (path: string, id: string): Operation => ({ op: 'take', path, id });

/** A place in an element of the home page. */
export const inHome = (node: string, rest: string) => `/pages/home/nodes/${node}/${rest}`;

export interface Sending {
  /** The revision it is made on. */
  on: number | string | null;
  key?: string | null;
  site?: string;
  /** Fields of the request in place of those it would have. */
  rest?: Record<string, unknown>;
}

export function editor(url: () => string, session = 'a-test') {
  const send = (body: string, { on, key = randomUUID(), site = SITE }: Sending) =>
    fetch(url() + paths.edits(site), {
      method: 'POST',
      headers: {
        'Content-Type': 'application/json',
        ...(key !== null && { 'Idempotency-Key': key.startsWith('"') ? key : `"${key}"` }),
        ...(on !== null && { 'If-Match': typeof on === 'number' ? `"${on}"` : on }),
      },
      body,
    });
  const post = (operations: unknown, sending: Sending) =>
    send(
      JSON.stringify({ operations, session, by: 'edit', sentence: 'A test’s edit', ...sending.rest }),
      sending,
    );
  const page = async (id = 'home', site = SITE) =>
    (await (await fetch(url() + paths.page(site, id))).json()) as PageResponse;
  return {
    send,
    post,
    page,
    revision: async () => (await page()).revision,
    /** Makes an edit on the present revision; one that is refused fails the test. */
    async made(
      operations: Operation[],
      rest: Record<string, unknown> = {},
      key?: string,
    ): Promise<EditResponse> {
      const response = await post(operations, { on: (await page()).revision, rest, key });
      const answer = (await response.json()) as EditResponse & Problem;
      if (response.status !== 200) throw new Error(`${response.status} ${answer.detail}`);
      return answer;
    },
  };
}
