import type { NodeId } from '../elements/nodeid.ts';
import type { ViewId } from '../layered/views.ts';
import type { Stretch } from '../type/curve.ts';

/** Something that a check found: which rule, where, at which widths, and what can be done. */
export interface Finding {
  /** The rule's name, the same in all findings of it. */
  rule: string;
  /** The clause of the standard that it comes from, or “common practice”. */
  clause: string;
  /** What it is about. */
  of: { textStyle: string } | { node: NodeId };
  views: ViewId[];
  /** px; window widths. */
  widths: Stretch[];
  /** What is so, in a sentence. */
  sentence: string;
  /** What to do, in a sentence. */
  cure: string;
}
