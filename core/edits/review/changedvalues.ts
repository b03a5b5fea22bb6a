import { hasOnward, viewId, viewOf } from '../../layered/views.ts';
import { sure } from '../../sure.ts';
import type { Part } from '../../elements/parts.ts';
import { knownKind } from '../../elements/kinds/table.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { stepType } from '../../elements/valuetypes/space.ts';
import type { Layered } from '../../layered/layered.ts';
import { held } from '../../layered/resolve.ts';
import { plainText } from '../../markup/fragment.ts';
import type { Node } from '../../site/node.ts';
import type { Page, SiteFrame, TextStyle } from '../../site/site.ts';
import type { SpacingStep } from '../../theme/resources.ts';
import { resolve } from '../../values/trace.ts';
import type { Change } from './changed.ts';
import { describeValue } from '../values/textbyview.ts';
import { lookup } from '../../lookup.ts';

/** One state of the site, and what is needed to speak of it. */
export interface State {
  frame: SiteFrame;
  /** The tree that an operation is in. */
  tree?: Page;
}

/** Longer values are told by their beginning. */
const LONGEST = 120;
const short = (text: string): string => (text.length > LONGEST ? `${text.slice(0, LONGEST)} …` : text);

const inView = (
  frame: SiteFrame,
  key: string | undefined,
  view: string | undefined,
  reach?: string,
): string => {
  if (key === 'base' || view === undefined) return `in ${viewOf(frame.views, frame.views.base).name}`;
  const known = frame.views.list.find(({ id }) => id === view);
  const onward = reach === 'onward' && known !== undefined && hasOnward(frame.views, known.id);
  return `in ${known?.name ?? 'a view that is gone'}${onward ? ' and onward' : ''}`;
};

/** What stands in a layered value at a slot. */
function slot(
  layered: Layered<unknown> | undefined,
  key: string,
  view?: string,
): { value: unknown; reach?: string } | undefined {
  if (key === 'base') return layered?.base === undefined ? undefined : { value: layered.base };
  return lookup(layered?.at, view);
}

type Holder = Node | TextStyle;

/** What was and is there; where that is the same, and only one of them says so itself, the other is told as what it is. */
function alike(
  [before, after]: (string | undefined)[],
  [was, is]: (object | undefined)[],
  key: string,
): (string | undefined)[] {
  if (before === undefined || before !== after || !was === !is) return [before, after];
  const untold = `${before}, ${key === 'base' ? 'by default' : 'inherited'}`;
  return was ? [before, untold] : [untold, after];
}

/** A change of a value of an element or a text style, by the last keys of its path: part, property, `base` or `at` and the view. */
export function ofValue(
  [part, name, key, view]: string[],
  holders: [Holder | undefined, Holder | undefined],
  states: [State, State],
): Pick<Change, 'what' | 'before' | 'after'> {
  const property = knownProperty(name);
  const slots = holders.map((holder) => slot(lookup(lookup(holder?.style, part), name), key, view));
  const texts = (at: 0 | 1): string | undefined => {
    const { frame, tree } = states[at];
    const found = slots[at];
    const holder = holders[at];
    const node = holder && 'kind' in holder ? holder : undefined;
    if (found) return short(describeValue(property, found.value, frame, node));
    // What held there without being said there.
    const meant = viewId(view ?? frame.views.base);
    if (!node || !tree || !frame.views.list.some(({ id }) => id === meant)) return undefined;
    return short(
      describeValue(property, resolve(frame, tree, node, property, meant, part as Part), frame, node),
    );
  };
  const some = sure(holders[1] ?? holders[0]);
  const label =
    'kind' in some && part !== 'self'
      ? lookup(knownKind((some as Node).kind).parts, part as Part)?.label
      : undefined;
  return ofLayered(
    `${label ? `${label.toLowerCase()}: ` : ''}${property.label.toLowerCase()}`,
    { texts: [texts(0), texts(1)], slots, key, view },
    states[1].frame,
  );
}

/** A change of a layered value at a slot: what it is, or how far it reaches where it is the same. */
function ofLayered(
  label: string,
  {
    texts,
    slots,
    key,
    view,
  }: {
    texts: (string | undefined)[];
    slots: ReturnType<typeof slot>[];
    key: string;
    view: string | undefined;
  },
  frame: SiteFrame,
): Pick<Change, 'what' | 'before' | 'after'> {
  const [before, after] = alike(texts, slots, key);
  const reaches = slots.map((found) => found?.reach);
  if (before === after && slots[0] && slots[1] && reaches[0] !== reaches[1]) {
    // The same value, for other views as well, or for fewer.
    const what = `how far ${label} ${inView(frame, key, view)} reaches`;
    return { what, ...both(reaches[0], reaches[1]) };
  }
  return { what: `${label} ${inView(frame, key, view, reaches[1] ?? reaches[0])}`, ...both(before, after) };
}

/** A value of content as text, where it is short enough to be told. */
export function formatted(value: unknown): string | undefined {
  if (typeof value === 'string') return short(value.includes('<') ? plainText(value) : value);
  if (typeof value === 'number' || typeof value === 'boolean') return String(value);
  return Array.isArray(value) ? `${value.length} entries` : undefined;
}

/** What was there before a change and after it. */
export const both = (before: string | undefined, after: string | undefined) => ({
  ...(before !== undefined && { before }),
  ...(after !== undefined && { after }),
});

/** What a step of the spacing scale is called in a review. */
export const STEP = 'step of the spacing scale';

/** A change of the size of a step of the spacing scale, by the last keys of its path: the base, or a view. */
export function ofStep(
  [key, view]: string[],
  steps: readonly (SpacingStep | undefined)[],
  states: [State, State],
): Pick<Change, 'what' | 'before' | 'after'> {
  const slots = steps.map((step) => slot(step?.size, key, view));
  const texts = steps.map((step, at) => {
    const { frame } = states[at];
    const meant = viewId(view ?? frame.views.base);
    // A view that is gone, or new, says nothing of what would hold in it.
    if (!frame.views.list.some(({ id }) => id === meant)) return undefined;
    const found = held(step?.size, frame.views, meant);
    return found && stepType.format(found.value, { site: frame });
  });
  return ofLayered(STEP, { texts, slots, key, view }, states[1].frame);
}
