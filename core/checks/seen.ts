import type { NodeId } from '../elements/nodeid.ts';
import type { Part } from '../elements/parts.ts';
import type { ViewId } from '../layered/views.ts';

/** A colour of a picture as it is painted: red, green, blue, from 0 to 1. */
export type Tone = readonly [red: number, green: number, blue: number];

/** The longest word of a text that no line breaks, as a browser draws it in a view. */
export interface LongWord {
  node: NodeId;
  part: Part;
  view: ViewId;
  word: string;
  /** How wide it is, in multiples of the size of its text. */
  ems: number;
}

/** What only a browser can tell of a site. */
export interface Seen {
  /** The tones in the parts of each picture, by its id. */
  tones?: ReadonlyMap<string, readonly Tone[]>;
  words?: readonly LongWord[];
}

export const NOTHING_SEEN: Seen = {};
