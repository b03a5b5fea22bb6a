import type { TSchema } from '@sinclair/typebox';
import type { Outcome } from '../../outcome.ts';
import type { SiteResources } from '../../theme/resources.ts';
import type { NodeId } from '../nodeid.ts';

/** The editors a value can ask for; the interface has one component for each. */
export type EditorName =
  | 'number'
  | 'choice'
  | 'colour'
  | 'size'
  | 'space'
  | 'extent'
  | 'offset'
  | 'picture'
  | 'order'
  | 'ratio'
  | 'point'
  | 'gradient'
  | 'wording'
  | 'alternate';

/** One of the values a person can choose from, with the name it has on screen. */
export interface Option {
  value: unknown;
  label: string;
  /** Other words that mean the same when typed. */
  also?: readonly string[];
}

/** What reading and writing a value may depend on. */
export interface ValueContext {
  site: SiteResources;
  /** Columns of the grid in the view of the cell. */
  columns?: number;
  /** px; the widths between which a fluid size typed in this cell grows. */
  fluidWidths?: { fromWidth: number; toWidth: number };
  /** The siblings in their present order, and the one whose place is meant. */
  siblings?: { order: NodeId[]; source: NodeId[]; child?: NodeId };
}

/** Something that a value refers to by its id: of the site's stock, or an element of the page. */
export interface Mention {
  of: keyof SiteResources | 'nodes';
  id: string;
}

/**
 * A kind of value: what is valid, how it is read from typed text, how it is written in a cell. Everything that
 * shows or reads a value of the kind goes through here.
 */
export interface ValueType<T = unknown> {
  editor: EditorName;
  schema: TSchema;
  unit?: string;
  /** Reads what a person typed. Refused with a sentence that says what would be accepted. */
  parse(text: string, context: ValueContext): Outcome<T>;
  /** Writes a value as short as a table cell wants it. */
  format(value: T, context: ValueContext): string;
  /** Writes a value as it can be typed, so that it reads as the same again; absent: as in a cell. */
  written?(value: T, context: ValueContext): string;
  /** What a value means, in a sentence, where that is not plain from how it is typed. */
  describe?(value: T): string | undefined;
  /** The values to choose from, where there is a list of them. */
  options?(context: ValueContext): Option[];
  /** What files imported from the machine can become such values: the word for them, and their types. */
  brings?: { word: string; accept: string };
  /** What the steppers add or take away. */
  step?: number;
  minimum?: number;
  maximum?: number;
  /** What may stand instead of a number. */
  word?: string;
  /** A fault that the schema cannot see, such as an unknown colour; undefined when there is none. */
  fault?(value: T, site: SiteResources): string | undefined;
  /** What a value refers to; absent: nothing. */
  mentions?(value: T): Mention[];
  /** The value with elements of the page by other names: those of a copy. Absent where it refers to none. */
  renamed?(value: T, names: ReadonlyMap<string, string>): T;
}

/** Whether values of a type belong to one element alone, as they speak of other elements of its page. */
export const isOfOneElement = ({ renamed }: Pick<ValueType, 'renamed'>): boolean => renamed !== undefined;
