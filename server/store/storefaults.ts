import { lookup } from '../../core/index.ts';
/** What is wrong with the disk or the database, as an answer that a person can act on. */
export interface Trouble {
  /** Of HTTP. */
  status: number;
  sentence: string;
}

const FULL: Trouble = {
  status: 507,
  sentence: 'The disk that holds the data is full. Nothing was changed; make room there, and try again.',
};

const READ_ONLY: Trouble = {
  status: 507,
  sentence:
    'The data folder can no longer be written to. Nothing was changed; see to the rights of the folder and to its disk, and try again.',
};

const DAMAGED: Trouble = {
  status: 500,
  sentence:
    'A part of the database is damaged, and trying again will not help. Nothing was changed. End the program, look at what is damaged (npm run -s dimorphe -- verify), and put a backup in its place (npm run -s dimorphe -- restore BACKUP).',
};

const UNREACHABLE: Trouble = {
  status: 503,
  sentence: 'The database can’t be reached right now. What was saved before is safe; try again in a moment.',
};

/** Codes of the system (errno) and of PostgreSQL (Appendix A, https://www.postgresql.org/docs/17/errcodes-appendix.html). */
const TROUBLES: Record<string, Trouble> = {
  ENOSPC: FULL,
  EDQUOT: FULL,
  '53100': FULL,
  EROFS: READ_ONLY,
  EACCES: READ_ONLY,
  EPERM: READ_ONLY,
  '58030': DAMAGED,
  '58P01': DAMAGED,
  XX001: DAMAGED,
  XX002: DAMAGED,
  ECONNREFUSED: UNREACHABLE,
  ECONNRESET: UNREACHABLE,
  EPIPE: UNREACHABLE,
  ETIMEDOUT: UNREACHABLE,
  ENOTFOUND: UNREACHABLE,
  EAI_AGAIN: UNREACHABLE,
  '08000': UNREACHABLE,
  '08001': UNREACHABLE,
  '08003': UNREACHABLE,
  '08004': UNREACHABLE,
  '08006': UNREACHABLE,
  '53300': UNREACHABLE,
  '57P01': UNREACHABLE,
  '57P02': UNREACHABLE,
  '57P03': UNREACHABLE,
  '57P05': UNREACHABLE,
};

/** What the client of PostgreSQL says of a broken connection, for which it has no code. */
const BROKEN =
  /^(Connection terminated|Client has encountered a connection error|timeout expired|timeout exceeded when trying)/;

/** What an error, or what brought it about, tells of the disk or the database; undefined where it tells of neither. */
export function troubleOf(error: unknown): Trouble | undefined {
  for (let at = error; at instanceof Error; at = at.cause) {
    const { code = '' } = at as { code?: string };
    if (Object.hasOwn(TROUBLES, code)) return lookup(TROUBLES, code);
    if (BROKEN.test(at.message)) return UNREACHABLE;
    if (at instanceof AggregateError) {
      const trouble = at.errors.map(troubleOf).find((each) => each !== undefined);
      if (trouble) return trouble;
    }
  }
  return undefined;
}

/** Whether an error says that the database cannot be reached. */
export const isUnreachable = (error: unknown): boolean => troubleOf(error) === UNREACHABLE;
