import type { ContentType } from '../contenttypes.ts';
import type { Markup } from '../markup.ts';
import type { Node } from '../node.ts';
import type { Declarations } from '../properties/property.ts';
import type { View } from '../views.ts';

/** A field of an element's content: the same in every view. */
export interface ContentField {
  name: string;
  label: string;
  type: ContentType;
  /** What a new element has, and what an absent field means. */
  initial: unknown;
}

/** A picture as a page refers to it. */
export interface PictureReference {
  url: string;
  width: number;
  height: number;
}

/** What the markup of an element is made from besides the node. */
export interface MarkupContext {
  attributes: { class: string };
  children: Markup[];
  /** The address of a link target; undefined when it leads to a page that is gone. */
  address(link: string): string | undefined;
  /** The heading level to print, where the page allows only one first-level heading. */
  headingLevel: number;
  /** The picture of the base view, and those of other views with their media condition, first match first. */
  picture?: { base: PictureReference; sources: (PictureReference & { media: string })[]; lazy: boolean };
}

/** A kind of element. One entry serves the compiler, the outline, the values and validation. */
export interface Kind {
  name: string;
  label: string;
  /** Kinds that may stand inside; empty for what is no container. */
  accepts: readonly string[];
  display: string;
  /** Set when the children stand one below another in every view. */
  stacks?: true;
  /** CSS that every element of the kind has in every view, below all that people set. */
  structure: Declarations;
  /** CSS for what is inside the element's own markup, by selector. */
  inner?: Record<string, Declarations>;
  /** CSS that follows from the view's grid. */
  perView?(view: View): Declarations;
  /** What properties are until someone sets them; the rest starts at the property's own initial value. */
  defaults: Record<string, unknown>;
  /** Properties that must have a value in the base view. */
  required?: readonly string[];
  /** The text style an element takes by itself. */
  textStyle?(node: Node): string;
  content: readonly ContentField[];
  /** The content field that is the element's words on the page, editable in place. */
  words?: string;
  markup(node: Node, context: MarkupContext): Markup;
}

/** A content field's value, or what it starts with. */
export function contentOf<T>(kind: Kind, node: Node, field: string): T {
  return (node.content[field] ?? kind.content.find((candidate) => candidate.name === field)?.initial) as T;
}
