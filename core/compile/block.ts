import type { Declarations } from '../elements/properties/property.ts';

/**
 * What one selector declares under one condition. A block is made by adding declarations to another, from the empty one
 * on, and the same addition gives the same block: thousands of elements that say the same are put together and printed
 * once.
 */
export class DeclarationBlock {
  private readonly grown = new Map<Declarations, DeclarationBlock>();

  constructor(readonly declarations: Declarations = {}) {}

  /** The block with further declarations; what is declared anew wins. */
  with(more: Declarations): DeclarationBlock {
    let block = this.grown.get(more);
    if (!block) {
      block = new DeclarationBlock({ ...this.declarations, ...more });
      this.grown.set(more, block);
    }
    return block;
  }

  get empty(): boolean {
    for (const _any in this.declarations) return false;
    return true;
  }
}
