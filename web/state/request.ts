import type { SerializedError } from '@reduxjs/toolkit';
import type { AnswerOf, BodyOf, Endpoint, QueryOf } from '../../api/endpoints.ts';
import type { Problem } from '../../api/responses.ts';

/** What is said where the server cannot be reached. */
export const unreachable = 'Dimorphe’s server cannot be reached.';

/** ms; how long an answer is waited for. */
const PATIENCE = 30_000;

/** What a request says besides its address. */
export interface Sent<E extends Endpoint = Endpoint> {
  body?: BodyOf<E> | string;
  query?: Partial<QueryOf<E>>;
  headers?: Readonly<Record<string, string>>;
  /** ms; how long an answer is waited for, where that is not as long as usual. */
  patience?: number;
}

/** What a failed request means, as a person can act on it. */
export interface Trouble {
  /** The HTTP status, or 0 when the server could not be reached. */
  status: number;
  sentence: string;
  problem?: Problem;
  /** ms; after how long it may be tried again, where the server says so. */
  after?: number;
}

/** The sentence of what failed. */
export const sentenceOf = (error: Trouble | SerializedError | undefined): string =>
  error && 'sentence' in error ? error.sentence : unreachable;

/** What a request came to. */
export type Answered<T> = { ok: true; status: number; value: T } | ({ ok: false } & Trouble);

const unexplained = (status: number): string =>
  status === 429
    ? 'The server is receiving too many requests at the moment.'
    : `The server answered with status ${status} without an explanation. Try again in a moment.`;

/** What a `Retry-After` of seconds means in ms (RFC 9110, §10.2.3). */
function waitOf(response: Response): number | undefined {
  const seconds = Number(response.headers.get('Retry-After') ?? NaN);
  return Number.isFinite(seconds) && seconds >= 0 ? seconds * 1000 : undefined;
}

/** The problem that an answer describes (RFC 9457); undefined where it describes none. */
async function problemOf(response: Response): Promise<Problem | undefined> {
  try {
    const problem = (await response.json()) as Problem | null;
    return typeof problem?.detail === 'string' ? problem : undefined;
  } catch {
    return undefined;
  }
}

const queryOf = (query: object = {}): string => {
  const given = Object.entries(query).filter(([, value]) => value !== undefined);
  return given.length > 0
    ? `?${new URLSearchParams(given.map(([name, value]) => [name, String(value)]))}`
    : '';
};

/** Asks an endpoint at one of its addresses. The only place from which the browser asks for JSON. Never rejects. */
export async function request<E extends Endpoint>(
  endpoint: E,
  path: string,
  { body, query, headers, patience = PATIENCE }: Sent<E> = {},
): Promise<Answered<AnswerOf<E>>> {
  try {
    const response = await fetch(path + queryOf(query), {
      method: endpoint.method,
      headers: {
        Accept: 'application/json',
        ...(body !== undefined && { 'Content-Type': 'application/json' }),
        ...headers,
      },
      ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
      signal: AbortSignal.timeout(patience),
    });
    const { status } = response;
    if (response.ok)
      return { ok: true, status, value: (status === 204 ? null : await response.json()) as AnswerOf<E> };
    const [problem, after] = [await problemOf(response), waitOf(response)];
    return {
      ...{ ok: false, status, sentence: problem?.detail ?? unexplained(status) },
      ...(problem && { problem }),
      ...(after !== undefined && { after }),
    };
  } catch {
    return { ok: false, status: 0, sentence: unreachable };
  }
}
