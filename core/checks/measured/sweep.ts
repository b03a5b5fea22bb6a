import { knownIn, lastOf, sure } from '../../sure.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import type { Stretch } from '../../type/stretches.ts';
import { viewsAcross, wideAll, withDismissal, type Finding } from '../finding.ts';
import { TEXT_SETTINGS, type Laid, type TextSetting } from './textlayout.ts';
import { MEASURED_RULES } from './registry.ts';
import { LaidPage, type Detected, type MeasuredRule } from './rule.ts';

/** px; the widths that are swept. Nothing has to fit into less than 320 px (https://www.w3.org/TR/WCAG22/#reflow). */
export const SWEPT: Stretch = { from: 320, to: 1920 };

/** px from one width to the next: what is found at so many widths is certainly found. */
const STEPS: Record<TextSetting, number> = { 'as it is': 12, 'twice as large': 48, spaced: 48 };

/** What the rules found where a page was measured, by how text is set and by width. It can be carried on after an edit. */
export type Samples = ReadonlyMap<TextSetting, ReadonlyMap<number, readonly Detection[]>>;

interface Detection extends Detected {
  rule: string;
}

/** How far a sweep has come. What is left is not known before the ends of all findings are. */
export interface Progress {
  measured: number;
  /** A guess that is never less than what was measured, and is met at the end. */
  of: number;
}

/** How a page is swept. */
export interface Sweeping {
  /** Lays the page out in a window of a width, in px. */
  measure(width: number, text: TextSetting): Promise<Laid>;
  /** What an earlier sweep of the page found, and where that may not hold any more. */
  before?: { samples: Samples; changed: readonly Stretch[] };
  /** Asked before every measuring; where it says yes, the sweep ends with what it has. */
  stopped?: () => boolean;
  onProgress?: (progress: Progress) => void;
  rules?: readonly MeasuredRule[];
}

/** What a sweep found: to the px where it was not stopped. */
export interface Swept {
  samples: Samples;
  findings: Finding[];
  whole: boolean;
}

/** The widths that are looked at in any case: both sides of each limit of a view, and others in steps. */
export function sweptWidths({ views }: SiteFrame, text: TextSetting): number[] {
  const limits = views.list
    .flatMap(({ from }) => [from - 1, from])
    .filter((width) => width > SWEPT.from && width < SWEPT.to);
  const all = new Set([SWEPT.from, SWEPT.to, ...limits]);
  for (let width = SWEPT.from; width < SWEPT.to; width += STEPS[text]) all.add(width);
  return [...all].sort((one, other) => one - other);
}

/** A width to be looked at. */
interface Wanted {
  text: TextSetting;
  width: number;
}

const keyOf = ({ rule, node }: Detection): string => `${rule} ${node}`;

const keysOf = (detections: readonly Detection[]): string => detections.map(keyOf).sort().join(' ');

/** The pairs of neighbouring widths between which something begins or ends, not yet to the px. */
function open(samples: ReadonlyMap<number, readonly Detection[]>): [number, number][] {
  const widths = [...samples.keys()].sort((one, other) => one - other);
  return widths
    .slice(1)
    .map((to, index): [number, number] => [widths[index], to])
    .filter(([from, to]) => to - from > 1 && keysOf(knownIn(samples, from)) !== keysOf(knownIn(samples, to)));
}

const within = (stretches: readonly Stretch[], width: number): boolean =>
  stretches.some(({ from, to }) => width >= from && width <= to);

/** The rules that look at a page with its text set in a way. */
const rulesFor = (rules: readonly MeasuredRule[], text: TextSetting): MeasuredRule[] =>
  rules.filter(({ clauses }) => clauses[text] !== undefined);

/**
 * Looks a page over at all widths from 320 to 1920 px: laid out every 12 px and at both sides of the limits of its views, and then halved
 * to the px where findings begin and end; with its text set in other ways, every 48 px. What is narrower than that, and at no limit, may be
 * missed.
 */
export async function swept(site: SiteFrame, page: Page, sweeping: Sweeping): Promise<Swept> {
  const { measure, before, stopped = () => false, onProgress, rules = MEASURED_RULES } = sweeping;
  const samples = new Map<TextSetting, Map<number, readonly Detection[]>>();
  for (const text of TEXT_SETTINGS) {
    const kept = [...(before?.samples.get(text) ?? [])].filter(
      ([width]) => !within(sure(before, 'before').changed, width),
    );
    samples.set(text, new Map(kept));
  }
  let measured = 0;
  const wanted = TEXT_SETTINGS.flatMap((text) =>
    sweptWidths(site, text)
      .filter((width) => !knownIn(samples, text).has(width))
      .map((width) => ({ text, width })),
  );
  const look = ({ text, width }: Wanted, measuredAt: Laid, rest: number): void => {
    const laid = new LaidPage(site, page, measuredAt);
    const found = rulesFor(rules, text).flatMap(({ name, find }) =>
      find(laid).map((each): Detection => ({ ...each, rule: name })),
    );
    knownIn(samples, text).set(width, found);
    measured += 1;
    onProgress?.({ measured, of: measured + rest });
  };
  const ended = (whole: boolean): Swept => ({
    samples,
    findings: foundIn(site, page, samples, rules),
    whole,
  });
  /** Looks at widths one after the other; the next one is laid out while the rules look at the last. */
  const all = async (list: readonly Wanted[]): Promise<boolean> => {
    const ask = (at: number) => list[at] && measure(list[at].width, list[at].text);
    let coming = ask(0);
    for (const [index, each] of list.entries()) {
      if (stopped()) return false;
      const laid = await sure(coming, 'coming');
      coming = ask(index + 1);
      look(each, laid, list.length - index - 1);
    }
    return true;
  };
  if (!(await all(wanted))) return ended(false);
  for (const text of TEXT_SETTINGS) {
    const of = knownIn(samples, text);
    const halves = () => open(of).map(([from, to]) => ({ text, width: Math.floor((from + to) / 2) }));
    for (let list = halves(); list.length > 0; list = halves()) if (!(await all(list))) return ended(false);
  }
  return ended(true);
}

/** The stretches of widths at which something was found: from the first of the samples that have it to the last. */
function stretchesOf(widths: readonly number[], has: (width: number) => boolean): Stretch[] {
  const made: Stretch[] = [];
  let open = false;
  for (const width of widths) {
    const there = has(width);
    if (there && open) lastOf(made).to = width;
    else if (there) made.push({ from: width, to: width });
    open = there;
  }
  return made;
}

/** Stretches without one of them. */
const without = (stretches: readonly Stretch[], gone: Stretch): Stretch[] =>
  stretches.flatMap(({ from, to }) =>
    [
      { from, to: Math.min(to, gone.from - 1) },
      { from: Math.max(from, gone.to + 1), to },
    ].filter((part) => part.from <= part.to),
  );

const SETTING_WORDS: Record<TextSetting, string> = {
  'as it is': '',
  'twice as large': ' with text twice as large',
  spaced: ' with increased text spacing',
};

/** What was found, with what is found as the text is taken out of what is found with it set in another way. */
function foundIn(site: SiteFrame, page: Page, samples: Samples, rules: readonly MeasuredRule[]): Finding[] {
  const plain = new Map<string, Stretch[]>();
  return TEXT_SETTINGS.flatMap((text) => {
    const of = knownIn(samples, text);
    const widths = [...of.keys()].sort((one, other) => one - other);
    const byKey = new Map<string, Map<number, Detection>>();
    for (const width of widths)
      for (const detection of knownIn(of, width)) {
        const key = keyOf(detection);
        const at = byKey.get(key) ?? new Map<number, Detection>();
        byKey.set(key, at);
        const worse = (at.get(width)?.amount ?? -Infinity) < detection.amount;
        if (worse) at.set(width, detection);
      }
    return rulesFor(rules, text).flatMap((rule) =>
      [...byKey].flatMap(([key, at]): Finding[] => {
        const [some] = at.values();
        if (some.rule !== rule.name) return [];
        const known = plain.get(key) ?? [];
        const whole = stretchesOf(widths, (width) => at.has(width));
        if (text === 'as it is') plain.set(key, whole);
        const stretches = known.reduce(without, whole);
        if (stretches.length === 0) return [];
        return [findingOf(site, page, rule, text, stretches, at)];
      }),
    );
  });
}

function findingOf(
  site: SiteFrame,
  page: Page,
  { name, clauses, severity }: MeasuredRule,
  text: TextSetting,
  widths: Stretch[],
  at: ReadonlyMap<number, Detection>,
): Finding {
  const [worst] = [...at]
    .filter(([width]) => within(widths, width))
    .map(([, detection]) => detection)
    .sort((one, other) => other.amount - one.amount);
  const { node, other, sentence, cure, fixes } = worst;
  const nameOf = (id: NodeId | undefined): string => (id && page.nodes[id]?.name) ?? '';
  const sentences = new Map([
    ['{name}', nameOf(node)],
    ['{other}', nameOf(other)],
    ['{widths}', wideAll(widths) + SETTING_WORDS[text]],
  ]);
  return withDismissal(site, page, {
    ...{ rule: name, clause: sure(clauses[text]), severity, of: { node }, widths },
    sentence: sentence.replace(/\{(?:name|other|widths)\}/g, (each) => knownIn(sentences, each)),
    cure,
    ...(fixes?.length && { fixes }),
    views: viewsAcross(site, widths),
  });
}
