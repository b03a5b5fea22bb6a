import { lastOf } from '../sure.ts';
import type { Call } from '../edits/perform.ts';
import { widthsOf, type ViewId } from '../layered/views.ts';
import { dismissalReason, type Place } from '../site/dismissals.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import type { Stretch } from '../type/stretches.ts';

/** An ordinary command that mends what was found, and what it does in words. */
export interface Fix {
  label: string;
  call: Call;
}

export type { Place };

/** What a rule found. */
export interface Found {
  of: Place;
  /** px; window widths. */
  widths: Stretch[];
  /** What is so, in a sentence. */
  sentence: string;
  /** What to do, in a sentence. */
  cure: string;
  /** What mends it; the first is the one that is nearest. */
  fixes?: readonly Fix[];
}

/** `barrier`: a standard is not met, and somebody cannot use what is there; `advice`: common practice would have it otherwise. */
export type Severity = 'barrier' | 'advice';

/** Something that a check found: which rule, where, at which widths, and what can be done. */
export interface Finding extends Found {
  /** The rule's name, the same in all findings of it. */
  rule: string;
  /** The clause of the standard that it comes from, or “common practice”. */
  clause: string;
  severity: Severity;
  views: ViewId[];
  /** Why it is dismissed; absent: it is not. */
  aside?: string;
}

/** A finding with the reason for which it is dismissed, where it is. */
export function withDismissal<F extends Finding>(
  site: SiteFrame,
  page: Page,
  { aside: _before, ...finding }: F,
): Finding {
  const aside = dismissalReason(site, page, finding.rule, finding.of);
  return { ...finding, ...(aside !== undefined && { aside }) };
}

/** Widths in words: “from 320 to 639 px”. */
export const wide = ({ from, to }: Stretch): string =>
  from === to ? `at ${from} px` : `from ${from} to ${to} px`;

/** Several stretches in words; of many only where the first begins and the last ends. */
export function wideAll(stretches: readonly Stretch[]): string {
  if (stretches.length <= 3) return stretches.map(wide).join(' and ');
  return `at some widths from ${stretches[0].from} to ${lastOf(stretches).to} px`;
}

/** The views that stretches of widths lie in. */
export const viewsAcross = (site: SiteFrame, stretches: readonly Stretch[]): ViewId[] =>
  site.views.list
    .filter(({ id }) => {
      const { from = 0, below = Infinity } = widthsOf(site.views, id);
      return stretches.some((stretch) => stretch.from < below && stretch.to >= from);
    })
    .map(({ id }) => id);

/** The same place, in words that can be compared. */
export const placeKey = (of: Place): string =>
  'textStyle' in of ? `style ${of.textStyle}` : `${of.node} ${of.part ?? 'self'}`;
