import { hasTrait, knownKind } from '../elements/kinds/table.ts';
import { callOf, type Call } from '../edits/perform.ts';
import { knownProperty } from '../elements/propertytable.ts';
import type { Layered } from '../layered/layered.ts';
import { held } from '../layered/resolve.ts';
import type { Reach, ViewId } from '../layered/views.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import type { Fluid } from '../type/fluid.ts';
import type { Curve } from '../type/curve.ts';
import type { TextSize } from '../type/textsize.ts';
import { BODY } from '../values/suggesting.ts';
import { hiddenBy } from '../values/visibility.ts';
import { styleCurve, styleValueIn, type SizedText } from '../values/textcurves.ts';
import { resolve } from '../values/trace.ts';
import type { Place } from './finding.ts';
import { lookup } from '../lookup.ts';

/** A text whose size is looked at: a text style, or an element or a part of it. */
export interface SizedSubject {
  of: Place;
  name: string;
  curve: Curve;
  /** What it says itself, and not only its text style or what it stands in. */
  says(property: string): boolean;
  /** It is read at length. */
  running: boolean;
  /** From 1 to 6, for headings. */
  level?: number;
  /** The heading of a greater level that it stands under on the page. */
  under?: SizedSubject;
  sizeIn(view: ViewId): TextSize;
  linesIn(view: ViewId): number | Fluid;
  shownIn(view: ViewId): boolean;
  /** The command that gives it another value where it says the one that it has in a view: in all views that have it from there. */
  change(property: string, view: ViewId, value: unknown): Call;
  /** The command that gives it a value in a view. */
  set(property: string, view: ViewId, value: unknown): Call;
}

/** The view that says what holds in a view, and how far that goes. */
function saidAt(
  { views }: SiteFrame,
  layered: Layered<unknown> | undefined,
  view: ViewId,
): { view: ViewId; reach: Reach } {
  const at = held(layered, views, view)?.view ?? view;
  return { view: at, reach: layered?.at?.[at]?.reach ?? 'here' };
}

const HEADING = /^heading-([1-6])$/;

function styleSubjects(site: SiteFrame): SizedSubject[] {
  return site.textStyles.map((style) => {
    const level = HEADING.exec(style.id)?.[1];
    return {
      of: { textStyle: style.id },
      name: style.name,
      curve: styleCurve(site, style),
      says: () => true,
      running: style.id === BODY,
      ...(level !== undefined && { level: Number(level) }),
      sizeIn: (view) => styleValueIn(site, style, 'size', view),
      linesIn: (view) => styleValueIn(site, style, 'lineHeight', view),
      shownIn: () => true,
      change: (property, view, value) =>
        callOf('setValue', {
          ...{ textStyle: style.id, property, value },
          ...saidAt(site, lookup(style.style.self, property), view),
        }),
      set: (property, view, value) =>
        callOf('setValue', { textStyle: style.id, property, view, value, reach: 'here' }),
    };
  });
}

function elementSubjects(site: SiteFrame, page: Page, texts: readonly SizedText[]): SizedSubject[] {
  const [size, lines] = [knownProperty('size'), knownProperty('lineHeight')];
  /** The headings that what comes next stands under, by level. */
  const above: (SizedSubject | undefined)[] = [];
  return texts.map(({ node: id, part, name, curve }) => {
    const node = page.nodes[id];
    const kind = knownKind(node.kind);
    const level = part === 'self' ? kind.level?.(node) : undefined;
    const under = level === undefined ? undefined : above.slice(0, level).findLast((each) => each);
    const subject: SizedSubject = {
      of: part === 'self' ? { node: id } : { node: id, part },
      name,
      curve,
      says: (property) => lookup(node.style[part], property) !== undefined,
      running: hasTrait(node, 'running') && part === 'self',
      ...(level !== undefined && { level }),
      ...(under && { under }),
      sizeIn: (view) => resolve(site, page, node, size, view, part),
      linesIn: (view) => resolve(site, page, node, lines, view, part),
      shownIn: (view) => hiddenBy(site, page, node, view) === undefined,
      change: (property, view, value) =>
        callOf('setValue', {
          ...{ nodes: [id], part, property, value },
          ...saidAt(site, lookup(node.style[part], property), view),
        }),
      set: (property, view, value) =>
        callOf('setValue', { nodes: [id], part, property, view, value, reach: 'here' }),
    };
    if (level !== undefined) {
      above.length = level;
      above[level] = subject;
    }
    return subject;
  });
}

/** Whether the size of a text is its own. */
export const saysSize = ({ says }: SizedSubject): boolean => says('size');

/** The text styles of a site, and the texts of a page. */
export const sizedSubjects = (site: SiteFrame, page: Page, texts: readonly SizedText[]): SizedSubject[] => [
  ...styleSubjects(site),
  ...elementSubjects(site, page, texts),
];
