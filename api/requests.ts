import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  Allow,
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsDefined,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsObject,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { FORMAT_VERSION, LIMITS } from '../core/index.ts';

const ID = /^[A-Za-z0-9][A-Za-z0-9_.-]{0,119}$/;

/** As many as the database counts. */
const MOST_REVISIONS = 2 ** 31 - 1;

/** What names a message. */
const MESSAGE = /^[\w-]{1,40}$/;

/** What names an edit. */
const KEY = /^[A-Za-z0-9_-]{8,64}$/;

/** A whole number in a range, and what is said of anything else. */
const IsWhole =
  (least: number, most: number, message: string, { tooSmall = message, tooLarge = message } = {}) =>
  (request: object, name: string): void => {
    Max(most, { message: tooLarge })(request, name);
    Min(least, { message: tooSmall })(request, name);
    IsInt({ message })(request, name);
  };

/** What is said of a revision that is none. */
const REVISION = ['A revision is a number.', { tooSmall: 'Revisions start at 1.' }] as const;

/** What is said of a number that no publication can have. */
const PUBLICATION_NUMBER = [
  'A publication has a number.',
  {
    tooSmall: 'Publications are numbered from 1 on.',
    tooLarge: 'There are no publications of such a number.',
  },
] as const;

/** One operation of an edit; which places there are is known to core. */
export class OperationRequest {
  @IsIn(['set', 'clear', 'put', 'take'], { message: 'An operation is one of set, clear, put, take.' })
  op!: 'set' | 'clear' | 'put' | 'take';

  @IsString({ message: 'An operation has a path.' })
  @MaxLength(LIMITS.path, { message: `A path has at most ${LIMITS.path} characters.` })
  @Matches(/^\//, { message: 'A path is a JSON Pointer to a place in the site.' })
  path!: string;

  /** With `set`. */
  @Allow()
  value?: unknown;

  /** With `put` and `take`: whose place. */
  @ValidateIf(({ op }: OperationRequest) => op === 'put' || op === 'take')
  @Matches(ID, { message: 'A place in an order is that of an id.' })
  id?: string;

  /** With `put`: the ids before it, nearest first. */
  @ValidateIf(({ op }: OperationRequest) => op === 'put')
  @IsArray({ message: 'The ids before a place are a list.' })
  @ArrayMaxSize(LIMITS.operations, { message: 'Too many ids come before a place.' })
  @Matches(ID, { each: true, message: 'What comes before a place is named by ids.' })
  after?: string[];
}

/** An edit of a site: its operations, and the sentence that names it to others. */
export class EditRequest {
  @IsDefined({ message: 'An edit has operations.' })
  @IsArray({ message: 'The operations are a list.' })
  @ArrayMinSize(1, { message: 'An edit has at least one operation.' })
  @ArrayMaxSize(LIMITS.operations, { message: `A request has at most ${LIMITS.operations} operations.` })
  @IsObject({ each: true, message: 'Every operation is an object.' })
  @ValidateNested({ each: true, message: 'Every operation is an object.' })
  @Type(() => OperationRequest)
  operations!: OperationRequest[];

  /** The window that makes the edit; what it did it can undo. */
  @Matches(ID, { message: 'An edit says which session makes it.' })
  session!: string;

  @IsIn(['edit', 'undo', 'redo'], { message: 'An edit is made by edit, undo or redo.' })
  by!: 'edit' | 'undo' | 'redo';

  /** The key of the edit that is undone or redone. */
  @ValidateIf(({ by }: EditRequest) => by !== 'edit')
  @Matches(KEY, { message: 'The undone or redone step is named by its key.' })
  of?: string;

  @IsString({ message: 'An edit has a sentence that says what it does.' })
  @IsNotEmpty({ message: 'The sentence of an edit is not empty.' })
  @MaxLength(LIMITS.sentence, {
    message: `The sentence of an edit has at most ${LIMITS.sentence} characters.`,
  })
  sentence!: string;

  /** The version of the stored form in which the operations are written; without one they are from before edits said theirs. */
  @IsOptional()
  @IsWhole(1, FORMAT_VERSION, 'The version of an edit is a whole number.', {
    tooLarge:
      'This edit comes from a newer version of the program. Nothing was changed; load the page again.',
  })
  version?: number;

  /** Which part of an edit larger than a request this is, from 1. The last one makes the edit. */
  @IsOptional()
  @IsWhole(1, LIMITS.parts, 'A part of an edit is numbered from 1.', {
    tooLarge: `An edit has at most ${LIMITS.parts} parts.`,
  })
  part?: number;

  /** How many parts there are. */
  @ValidateIf(({ part }: EditRequest) => part !== undefined)
  @IsWhole(1, LIMITS.parts, 'An edit in parts says how many there are.', {
    tooLarge: `An edit has at most ${LIMITS.parts} parts.`,
  })
  parts?: number;
}

/** The headers of an edit: `Idempotency-Key: "…"` names it, `If-Match: "12"` says which revision it was made on. */
export class EditHeaders {
  @Matches(KEY, {
    message: 'Idempotency-Key names the edit by 8 to 64 characters in quotes.',
  })
  key!: string;

  @IsInt({ message: 'If-Match names a revision, such as "12".' })
  @Min(1, { message: 'Revisions start at 1.' })
  revision!: number;
}

/** Which part of the log is asked for. */
export class LogQuery {
  @IsOptional()
  @Type(() => Number)
  @IsWhole(0, MOST_REVISIONS, 'after is a revision.')
  after?: number;
}

/** Which part of the list of steps is asked for. */
export class StepsQuery extends LogQuery {
  @IsOptional()
  @Type(() => Number)
  @IsWhole(1, MOST_REVISIONS, 'before is a revision.')
  before?: number;

  /** Only the steps that this session made. */
  @IsOptional()
  @Matches(ID, { message: 'session is the name of a session.' })
  session?: string;
}

/** What is said of a publication that is made. */
export class PublishRequest {
  @IsOptional()
  @IsString({ message: 'A note is text.' })
  @MaxLength(500, { message: 'A note has at most 500 characters.' })
  note?: string;

  /** Who publishes, as they call themselves. */
  @IsOptional()
  @IsString({ message: 'A name is text.' })
  @MaxLength(LIMITS.person, { message: `A name has at most ${LIMITS.person} characters.` })
  by?: string;

  /** Pages that stay as visitors have them. */
  @IsOptional()
  @IsArray({ message: 'The pages to leave out are a list.' })
  @ArrayMaxSize(500, { message: 'A site has at most 500 pages.' })
  @Matches(ID, { each: true, message: 'Pages are named by their ids.' })
  heldBack?: string[];
}

/** Which publications are asked for. */
export class PublicationsQuery {
  /** Only those with a lower number. */
  @IsOptional()
  @Type(() => Number)
  @IsWhole(1, MOST_REVISIONS, 'before is the number of a publication.')
  before?: number;
}

/** A publication by its number. */
export class PublicationName {
  @IsWhole(1, MOST_REVISIONS, ...PUBLICATION_NUMBER)
  number!: number;
}

/** Which messages are asked for. */
export class MessagesQuery {
  @IsOptional()
  @Matches(ID, { message: 'The name of the form is malformed.' })
  form?: string;

  /** Those that may come from robots. */
  @IsOptional()
  @IsIn(['yes'], { message: 'doubtful is yes, or is not said.' })
  doubtful?: 'yes';

  /** Those that came before this one. */
  @IsOptional()
  @Matches(MESSAGE, { message: 'The name of the message is malformed.' })
  before?: string;
}

/** Messages by their names. */
export class MessageNames {
  @IsArray({ message: 'The messages are a list.' })
  @ArrayMinSize(1, { message: 'At least one message is named.' })
  @ArrayMaxSize(1000, { message: 'At most 1000 messages are named at once.' })
  @Matches(MESSAGE, { each: true, message: 'The name of a message is malformed.' })
  letters!: string[];
}

/** How messages are marked. */
export class MessagesRequest extends MessageNames {
  @IsOptional()
  @IsBoolean({ message: 'read is true or false.' })
  read?: boolean;

  /** They may come from robots. */
  @IsOptional()
  @IsBoolean({ message: 'doubtful is true or false.' })
  doubtful?: boolean;
}

/** For how long messages are kept. */
export class MessageRetentionRequest {
  @IsWhole(0, 3650, 'Messages are kept for a number of days; 0: until somebody deletes them.', {
    tooLarge: 'Messages are kept for ten years at most, or until somebody deletes them.',
  })
  days!: number;
}

/** What a copy of a site is called. */
export class CopyRequest {
  @IsString({ message: 'A copy has a name.' })
  @IsNotEmpty({ message: 'The name of the copy is empty.' })
  @MaxLength(80, { message: 'A name has at most 80 characters.' })
  name!: string;
}

/** A revision that a header names. */
export class RevisionName {
  @IsWhole(1, MOST_REVISIONS, ...REVISION)
  revision!: number;
}

/** The names in a request's path; each is there where its address has it. */
export class PathNames {
  @IsOptional()
  @Matches(ID, { message: 'The name of the site is malformed.' })
  site!: string;

  @IsOptional()
  @Matches(ID, { message: 'The name in the address is malformed.' })
  page!: string;

  @IsOptional()
  @Matches(ID, { message: 'The name in the address is malformed.' })
  form!: string;

  @IsOptional()
  @IsString({ message: 'The name in the address is malformed.' })
  file!: string;

  /** A file by the SHA-256 of its content. */
  @IsOptional()
  @Matches(/^[0-9a-f]{64}$/, { message: 'The name of the file is malformed.' })
  hash!: string;

  /** An image that is made of another, by its width in px and the part that it is made of. */
  @IsOptional()
  @Matches(/^[1-9]\d{0,3}(-\d{1,5}-\d{1,5}-[1-9]\d{0,4}-[1-9]\d{0,4})?\.(webp|avif)$/, {
    message: 'The name of the image is malformed.',
  })
  made!: string;

  @IsOptional()
  @Type(() => Number)
  @IsWhole(1, MOST_REVISIONS, ...REVISION)
  revision!: number;

  /** Of a publication. */
  @IsOptional()
  @Type(() => Number)
  @IsWhole(1, MOST_REVISIONS, ...PUBLICATION_NUMBER)
  number!: number;
}
