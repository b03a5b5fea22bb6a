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
    'The data folder cannot be written any more. Nothing was changed; see to the rights of the folder and to its disk, and try again.',
};

const DAMAGED: Trouble = {
  status: 500,
  sentence:
    'A part of the database is damaged, and trying again will not help. Nothing was changed. End the program, look at what is damaged (npm run -s dimorphe -- verify), and put a backup in its place (npm run -s dimorphe -- restore BACKUP).',
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
};

/** What an error, or what brought it about, tells of the disk or the database; undefined where it tells of neither. */
export function troubleOf(error: unknown): Trouble | undefined {
  for (let at = error; at instanceof Error; at = at.cause) {
    const trouble = TROUBLES[(at as { code?: string }).code ?? ''];
    if (trouble) return trouble;
  }
  return undefined;
}
