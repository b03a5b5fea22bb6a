import { offsetFromBase, type Reach, viewId, type ViewId, type Views } from '../layered/views.ts';
import { sure } from '../sure.ts';
import { mediaCondition, widthsOfOverride } from '../layered/bands.ts';
import type { Layered } from '../layered/layered.ts';
import type { Declarations } from '../elements/properties/property.ts';
import { Blocks, type DeclarationBlock } from './block.ts';
import { memoised } from '../memo.ts';
import { lookup } from '../lookup.ts';

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

/** The slots of a site's views. */
export interface Slots {
  /** Base first, then by distance: in this order later always wins. */
  list: Slot[];
  of: Map<ViewId, Record<Reach, Slot>>;
  blocks: Blocks;
}

export const slotsOf = memoised((views: Views): Slots => {
  const list: Slot[] = [{ index: 0, distance: 0 }];
  const of: Slots['of'] = new Map();
  // At the ends, only here and onward are the same widths.
  const byCondition = new Map<string, Slot>();
  const distance = (view: ViewId) => Math.abs(offsetFromBase(views, view));
  const others = views.list.map(({ id }) => id).filter((id) => id !== views.base);
  for (const view of others.sort((one, other) => distance(one) - distance(other))) {
    const slot = (reach: Reach): Slot => {
      const condition = mediaCondition(widthsOfOverride(views, view, reach));
      const made = byCondition.get(condition) ?? { index: list.length, distance: distance(view), condition };
      if (made.index === list.length) list.push(made);
      byCondition.set(condition, made);
      return made;
    };
    of.set(view, { onward: slot('onward'), here: slot('here') });
  }
  return { list, of, blocks: new Blocks() };
});

/** The declarations of one selector, put together by the condition under which they hold. */
export class Stack {
  private readonly held: (DeclarationBlock | undefined)[] = [];

  constructor(private readonly slots: Slots) {}

  base(declarations: Declarations): void {
    this.put(0, declarations);
  }

  at(view: string, reach: Reach, declarations: Declarations): void {
    const slots = this.slots.of.get(viewId(view));
    if (slots) this.put((reach === 'here' ? slots.here : slots.onward).index, declarations);
  }

  layered({ base, at }: Layered<Declarations>): void {
    if (base) this.base(base);
    for (const view in at) {
      const { value, reach } = sure(lookup(at, view));
      this.at(view, reach, value);
    }
  }

  /** The rules of the selector, base first; none for a slot that holds nothing. */
  rules(selector: string, layer: Layer): CssRule[] {
    const rules: CssRule[] = [];
    this.each(({ distance, condition }, { declarations }) =>
      rules.push({ layer, distance, condition, selector, declarations }),
    );
    return rules;
  }

  /** Visits what is held, base first. */
  each(visit: (slot: Slot, block: DeclarationBlock) => void): void {
    for (const slot of this.slots.list) {
      const block = this.held[slot.index];
      if (block && !block.empty) visit(slot, block);
    }
  }

  private put(index: number, declarations: Declarations): void {
    this.held[index] = (this.held[index] ?? this.slots.blocks.empty).with(declarations);
  }
}

/** The stacks of many selectors of one layer. Those that declare the same under the same condition share a rule. */
export class Stacks {
  private readonly slots: Slots;
  private readonly selectors: Map<DeclarationBlock, string[]>[];

  constructor(
    views: Views,
    private readonly layer: Layer,
  ) {
    this.slots = slotsOf(views);
    this.selectors = this.slots.list.map(() => new Map<DeclarationBlock, string[]>());
  }

  add(selector: string, stack: Stack): void {
    stack.each(({ index }, block) => {
      const alike = this.selectors[index].get(block);
      if (alike) alike.push(selector);
      else this.selectors[index].set(block, [selector]);
    });
  }

  /** The rules, nearest to the base first. */
  rules(): CssRule[] {
    const { layer } = this;
    return this.slots.list.flatMap(({ index, distance, condition }) =>
      [...this.selectors[index]].map(([{ declarations }, selectors]) => ({
        layer,
        distance,
        condition,
        selector: selectors.join(','),
        declarations,
      })),
    );
  }
}
