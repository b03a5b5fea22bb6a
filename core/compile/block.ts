import type { Declarations } from '../elements/properties/property.ts';

/** How many blocks are remembered: more than a page of the largest size has. */
const MOST = 100_000;

/**
 * What one selector declares under one condition. A block is made by adding declarations to another, from the empty one
 * on, and the same addition gives the same block: thousands of elements that say the same are put together and printed
 * once.
 */
export class DeclarationBlock {
  private readonly grown = new Map<Declarations, DeclarationBlock>();

  constructor(
    private readonly among: Blocks,
    readonly declarations: Declarations = {},
  ) {}

  /** The block with further declarations; what is declared again wins. */
  with(more: Declarations): DeclarationBlock {
    let block = this.grown.get(more);
    if (!block) {
      block = new DeclarationBlock(this.among, { ...this.declarations, ...more });
      this.grown.set(more, block);
      this.among.made();
    }
    return block;
  }

  get empty(): boolean {
    for (const _any in this.declarations) return false;
    return true;
  }
}

/** The blocks of a site's views. When they have become too many, as after a day of edits, they are begun again. */
export class Blocks {
  private first = new DeclarationBlock(this);
  private count = 0;

  constructor(private readonly most = MOST) {}

  /** The block that declares nothing. */
  get empty(): DeclarationBlock {
    return this.first;
  }

  made(): void {
    this.count += 1;
    if (this.count < this.most) return;
    this.count = 0;
    this.first = new DeclarationBlock(this);
  }
}
