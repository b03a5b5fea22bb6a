import { mediaCondition, widthsOfOverride } from '../values/bands.ts';
import type { Layered } from '../site/layered.ts';
import type { Declarations } from '../site/properties/property.ts';
import { offsetFromBase, type Reach, type Views } from '../site/views.ts';
import { memoised } from './memo.ts';

/** What a rule belongs to; a later layer wins over an earlier one. */
export type Layer = 'foundation' | 'kind' | 'text style' | 'element';

/** One CSS rule, still as data. `distance` is how far its view lies from the base: within a layer, later wins. */
export interface CssRule {
  layer: Layer;
  distance: number;
  /** A media condition; absent where the rule holds at every width. */
  condition?: string;
  selector: string;
  declarations: Declarations;
}

/** A place on a stack: the base, or an override of a view with a reach. */
interface Slot {
  index: number;
  distance: number;
  condition?: string;
}

/** The slots of the views, base first, then by distance: in this order later always wins. */
const slotsOf = memoised((views: Views): Map<string, Slot> => {
  const overrides = views.list
    .filter((view) => view.id !== views.base)
    .flatMap((view) => (['onward', 'here'] as const).map((reach) => ({ view: view.id, reach })))
    .map(({ view, reach }) => ({
      key: `${view} ${reach}`,
      distance: Math.abs(offsetFromBase(views, view)),
      condition: mediaCondition(widthsOfOverride(views, view, reach)),
    }))
    .sort((one, other) => one.distance - other.distance);
  const slots = new Map<string, Slot>([['base', { index: 0, distance: 0 }]]);
  // At the ends, only here and onward are the same widths.
  const byCondition = new Map<string, Slot>();
  for (const { key, distance, condition } of overrides) {
    const slot = byCondition.get(condition) ?? { index: byCondition.size + 1, distance, condition };
    byCondition.set(condition, slot);
    slots.set(key, slot);
  }
  return slots;
});

/** The declarations of one selector, put together by the condition under which they hold. */
export class Stack {
  private readonly slots: Map<string, Slot>;
  private readonly held: (Declarations | undefined)[] = [];

  constructor(views: Views) {
    this.slots = slotsOf(views);
  }

  base(declarations: Declarations): void {
    this.put('base', declarations);
  }

  at(view: string, reach: Reach, declarations: Declarations): void {
    this.put(`${view} ${reach}`, declarations);
  }

  layered({ base, at }: Layered<Declarations>): void {
    if (base) this.base(base);
    for (const [view, { value, reach }] of Object.entries(at ?? {})) this.at(view, reach, value);
  }

  /** The rules of the selector, base first; none for a slot that holds nothing. */
  rules(selector: string, layer: Layer): CssRule[] {
    const rules: CssRule[] = [];
    for (const { index, distance, condition } of new Set(this.slots.values())) {
      const declarations = this.held[index];
      if (!declarations) continue;
      for (const _any in declarations) {
        rules.push({ layer, distance, condition, selector, declarations });
        break;
      }
    }
    return rules;
  }

  private put(key: string, declarations: Declarations): void {
    const slot = this.slots.get(key);
    if (!slot) return;
    Object.assign((this.held[slot.index] ??= {}), declarations);
  }
}
