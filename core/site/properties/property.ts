import type { NodeId } from '../nodeid.ts';
import type { View } from '../views.ts';
import type { ValueType } from '../valuetypes/valuetype.ts';

/** CSS declarations, property to value, in the order they are written. */
export type Declarations = Record<string, string>;

/** What the CSS of a value may depend on besides the value. */
export interface CssContext {
  view: View;
  /** The `display` of the element's kind while it is shown. */
  display: string;
  /** Whether the element's children stand one below another, so that a gap lies between rows only. */
  stacks?: boolean;
  /** For an order: the source order of the children, and the child whose CSS is wanted. */
  children?: readonly NodeId[];
  child?: NodeId;
}

export type PropertyGroup = 'text' | 'layout' | 'space' | 'background' | 'picture' | 'border';

/** The groups in the order in which the values table shows them. */
export const PROPERTY_GROUPS: readonly { id: PropertyGroup; label: string }[] = [
  { id: 'text', label: 'Text' },
  { id: 'layout', label: 'Layout' },
  { id: 'space', label: 'Space' },
  { id: 'background', label: 'Background' },
  { id: 'picture', label: 'Picture' },
  { id: 'border', label: 'Border and effects' },
];

/** A property that can differ by view. One entry serves the table, the style sheet, the schema and the checks. */
export interface Property<T = any> {
  name: string;
  label: string;
  group: PropertyGroup;
  /** Kinds of element it applies to. */
  kinds: readonly string[];
  /** Kinds the parent must have one of, where the property means something only inside them. */
  insideOf?: readonly string[];
  type: ValueType<T>;
  /** Whether a value that is set nowhere is taken from the parent, as CSS inheritance does. */
  inherits?: true;
  /** What holds when nothing is set anywhere. */
  initial(view: View): T;
  /** CSS for a value. Absent where the value is not CSS (a picture's source is markup). */
  css?(value: T, context: CssContext): Declarations;
  /** Set when the CSS belongs to something inside the element's own markup: its selector, by kind. */
  inside?: Readonly<Record<string, string>>;
  /** Set when `css` depends on the view, so that a value may need other CSS in a view without an override there. */
  perView?: true;
  /** Set when the value is kept on a container and each child gets CSS from it. */
  onChildren?: true;
  /** What a person calls the property when it is seen from one child. */
  childLabel?: string;
}
