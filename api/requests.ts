import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  Allow,
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsDefined,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsString,
  Matches,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';

/** One operation of RFC 6902; edits are made of these three. */
export class OperationRequest {
  @IsIn(['add', 'replace', 'remove'], { message: 'An operation is one of add, replace, remove.' })
  op!: 'add' | 'replace' | 'remove';

  @IsString({ message: 'An operation has a path.' })
  @Matches(/^(\/([^~]|~[01])*)+$/, { message: 'A path is a JSON Pointer to something on the page.' })
  @MaxLength(400, { message: 'A path has at most 400 characters.' })
  path!: string;

  @Allow()
  value?: unknown;
}

/** An edit of a page: its operations, and the sentence that names it to others. */
export class EditRequest {
  @IsDefined({ message: 'An edit has operations.' })
  @IsArray({ message: 'The operations are a list.' })
  @ArrayMinSize(1, { message: 'An edit has at least one operation.' })
  @ArrayMaxSize(5000, { message: 'An edit has at most 5000 operations.' })
  @ValidateNested({ each: true, message: 'Every operation is an object.' })
  @Type(() => OperationRequest)
  operations!: OperationRequest[];

  @IsDefined({ message: 'An edit says how it is taken back.' })
  @IsArray({ message: 'The operations that take an edit back are a list.' })
  @ArrayMaxSize(5000, { message: 'An edit has at most 5000 operations.' })
  @ValidateNested({ each: true, message: 'Every operation is an object.' })
  @Type(() => OperationRequest)
  inverse!: OperationRequest[];

  @IsIn(['edit', 'undo', 'redo'], { message: 'An edit is made by edit, undo or redo.' })
  by!: 'edit' | 'undo' | 'redo';

  @IsString({ message: 'An edit has a sentence that says what it does.' })
  @IsNotEmpty({ message: 'The sentence of an edit is not empty.' })
  @MaxLength(500, { message: 'The sentence of an edit has at most 500 characters.' })
  sentence!: string;
}

/** The header that says which revision of a page an edit was made on: `If-Match: "12"`. */
export class RevisionHeader {
  @IsInt({ message: 'If-Match names a revision, such as "12".' })
  @Min(1, { message: 'Revisions start at 1.' })
  revision!: number;
}

/** A file by the SHA-256 of its content. */
export class HashName {
  @Matches(/^[0-9a-f]{64}$/, { message: 'The name of the file is malformed.' })
  hash!: string;
}

const ID = /^[A-Za-z0-9][A-Za-z0-9_.-]{0,119}$/;

/** The names in a request's path. */
export class PathNames {
  @Matches(ID, { message: 'The name of the site is malformed.' })
  site!: string;

  @Matches(ID, { message: 'The name in the address is malformed.' })
  name!: string;
}
