/** What an operation that may be refused answers: a value, or one sentence a person can act on. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; sentence: string };

/** The outcome of something that succeeded. */
export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });
/** The outcome of something that was refused, with the reason as a sentence for people. */
export const refused = (sentence: string): { ok: false; sentence: string } => ({ ok: false, sentence });
