import type { NodeId } from '../elements/nodeid.ts';
import { widthsOf, type ViewId } from '../layered/views.ts';
import type { SiteFrame } from '../site/site.ts';
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

/** Widths in words: “from 320 to 639 px”. */
export const wide = ({ from, to }: Stretch): string =>
  from === to ? `at ${from} px` : `from ${from} to ${to} px`;

/** The views that stretches of widths lie in. */
export const viewsAcross = (site: SiteFrame, stretches: readonly Stretch[]): ViewId[] =>
  site.views.list
    .filter(({ id }) => {
      const { from = 0, below = Infinity } = widthsOf(site.views, id);
      return stretches.some((stretch) => stretch.from < below && stretch.to >= from);
    })
    .map(({ id }) => id);
