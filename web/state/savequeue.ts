import type { Answer } from './transport.ts';

/** How it stands with keeping what was done. */
export type SaveStatus =
  { state: 'saved'; at: number | null } | { state: 'saving' } | { state: 'failing'; sentence: string };

/** What a save queue keeps, and what is done with the answers. An edit is known by its key, never by its place. */
export interface Work<E extends { key: string }> {
  /** The oldest edit that is not kept. */
  next(): E | undefined;
  send(edit: E): Promise<Answer>;
  /** It is kept. */
  kept(edit: E, answer: Extract<Answer, { kind: 'saved' }>): void;
  /**
   * Others came first: puts what is not kept on top of what they did. Answers why that cannot be done now; nothing when
   * it was done.
   */
  outdated(edit: E, answer: Extract<Answer, { kind: 'outdated' }>): Promise<string | undefined>;
  /** It will never be kept as it is: it is not applied, and the others go on. */
  refused(edit: E, sentence: string): void;
  /** How it stands with keeping. */
  tell(saveStatus: SaveStatus): void;
}

export interface Clock {
  now(): number;
  /** Calls back once, when what was done has had the time to be seen. */
  soon(done: () => void): void;
  /** Calls back once, after some ms; answers how to give that up. */
  later(ms: number, done: () => void): () => void;
  /** From 0 up to 1. */
  random(): number;
}

/** ms; some frames. A frame is not waited for, as a window that nobody sees paints none. */
const SOON = 50;

export const clock: Clock = {
  now: () => Date.now(),
  soon: (done) => void setTimeout(done, SOON),
  later(ms, done) {
    const timer = setTimeout(done, ms);
    return () => clearTimeout(timer);
  },
  random: Math.random,
};

/** ms; the first wait after a failure, and the longest. */
const FIRST = 500;
const LONGEST = 30_000;

/** How often in a row an edit is put on top of others' before it waits a little. */
const ROUNDS = 3;

/**
 * How long to wait after so many failures in a row, in ms: twice as long each time, less up to half by chance, so that
 * many windows do not come back at once; never less than the server has asked for.
 */
export function waitAfter(failures: number, random: number, asked = 0): number {
  const full = Math.min(LONGEST, FIRST * 2 ** (failures - 1));
  return Math.max(asked, full * (1 - random / 2));
}

/** Sends edits one after the other until each is kept or not applied; waits and tries again when that cannot be now. */
export class SaveQueue<E extends { key: string }> {
  private running: Promise<void> | null = null;
  private wake: (() => void) | null = null;
  private closed = false;
  private failures = 0;
  /** The edit that others came before last time, and how often in a row. */
  private outrun: string | null = null;
  private rounds = 0;

  constructor(
    private readonly work: Work<E>,
    private readonly time: Clock = clock,
  ) {}

  /** Keeps what is there to be kept. Ends when nothing is left, or when the save queue is closed. */
  keep(): Promise<void> {
    // What a person sees comes before what is sent.
    this.running ??= new Promise<void>((resolve) => this.time.soon(resolve))
      .then(() => this.run())
      .catch((fault: unknown) => {
        this.running = null;
        throw fault;
      });
    return this.running;
  }

  /** Tries again at once where it waits after a failure. */
  retry(): void {
    this.wake?.();
  }

  /** Stops; what is not kept stays what it is. */
  close(): void {
    this.closed = true;
    this.wake?.();
  }

  private async run(): Promise<void> {
    let done = false;
    for (let next = this.work.next(); next && !this.closed; next = this.work.next()) {
      done = true;
      if (this.failures === 0) this.work.tell({ state: 'saving' });
      const answer = await this.work.send(next);
      if (this.closed) break;
      await this.take(next, answer);
    }
    // In the same moment in which nothing was found: what comes from now on begins again.
    this.running = null;
    if (done && !this.closed) this.work.tell({ state: 'saved', at: this.time.now() });
  }

  private async take(edit: E, answer: Answer): Promise<void> {
    switch (answer.kind) {
      case 'saved':
        this.failures = 0;
        return this.work.kept(edit, answer);
      case 'refused':
        this.failures = 0;
        return this.work.refused(edit, answer.sentence);
      case 'outdated': {
        const trouble = await this.work.outdated(edit, answer);
        if (trouble !== undefined) return this.wait(trouble);
        this.rounds = this.outrun === edit.key ? this.rounds + 1 : 1;
        this.outrun = edit.key;
        if (this.rounds > ROUNDS)
          return this.wait('Others are changing the site faster than this could be saved.');
        this.failures = 0;
        return;
      }
      case 'later':
        return this.wait(answer.sentence, answer.after);
    }
  }

  private async wait(sentence: string, asked?: number): Promise<void> {
    this.failures += 1;
    this.work.tell({ state: 'failing', sentence });
    await new Promise<void>((resolve) => {
      const ms = waitAfter(this.failures, this.time.random(), asked);
      const giveUp = this.time.later(ms, resolve);
      this.wake = () => {
        giveUp();
        resolve();
      };
      if (this.closed) this.wake();
    });
    this.wake = null;
  }
}
