import type { NodeId } from '../../elements/nodeid.ts';

/** Something that is another thing than it was: where, what, and its value before and after. */
export interface Change {
  /** The page; absent: all of the site, or what its pages share. */
  page?: NodeId;
  /** The element, as the page has it. */
  node?: NodeId;
  /** Whose it is: an element by its name, a page, a colour, a text style. */
  name: string;
  /** What of it: “size in Mobile”, “words”, “added”. */
  what: string;
  before?: string;
  after?: string;
}
