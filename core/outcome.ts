/** What an operation that may be refused answers: a value, or one sentence a person can act on. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; sentence: string };

export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const refused = (sentence: string): { ok: false; sentence: string } => ({ ok: false, sentence });
