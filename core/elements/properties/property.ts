import type { ContentField } from '../content/contenttypes.ts';
import type { NodeId } from '../nodeid.ts';
import type { Part } from '../parts.ts';
import type { Trait } from '../traits.ts';
import type { View } from '../../layered/views.ts';
import type { Asset } from '../../theme/resources.ts';
import type { ValueType } from '../valuetypes/valuetype.ts';

/** CSS declarations, property to value, in the order they are written. */
export type Declarations = Record<string, string>;

/** The property that a gap is declared by. */
export type GapCss = 'gap' | 'row-gap' | '--gap';

/** What the CSS of a value may depend on besides the value. */
export interface CssContext {
  view: View;
  /** The `display` of the element's kind while it is shown. */
  display: string;
  /** How the element's kind declares a gap. */
  gap: GapCss;
  /** Properties that the element's kind must have in the base view. */
  required: readonly string[];
  /** For an order: the source order of the children, and the child whose CSS is wanted. */
  children?: readonly NodeId[];
  child?: NodeId;
  /** For an order: whether it is one of depth, as what is ordered may lie on top of each other. */
  deep?: boolean;
  /** What another property of the same element is in the view, for a value that is held to it. */
  beside?(property: string): unknown;
}

export type PropertyGroup = 'content' | 'text' | 'layout' | 'space' | 'background' | 'picture' | 'border';

/** The groups in the order in which the values table shows them. */
export const PROPERTY_GROUPS: readonly { id: PropertyGroup; label: string }[] = [
  { id: 'content', label: 'Text and content' },
  { id: 'text', label: 'Text' },
  { id: 'layout', label: 'Layout' },
  { id: 'space', label: 'Space' },
  { id: 'background', label: 'Background' },
  { id: 'picture', label: 'Image' },
  { id: 'border', label: 'Border and effects' },
];

/** A property that can differ by view. One entry serves the table, the style sheet, the schema and the checks. */
export interface Property<T = unknown> {
  name: string;
  label: string;
  group: PropertyGroup;
  /** It applies to kinds of element with any of these traits. */
  traits: readonly Trait[];
  /** Set where it is a field of a kind's content in other words: the content has what holds in the base. */
  wording?: { kind: string; field: ContentField };
  /** Parts, besides the element itself, it applies to. */
  parts?: readonly Part[];
  /** Kinds the parent must have one of, where the property means something only inside them. */
  insideOf?: readonly string[];
  /** Kinds the parent must not be, where these decide it for what stands in them. */
  notInside?: readonly string[];
  type: ValueType<T>;
  /** Whether a value that is set nowhere is taken from the parent, as CSS inheritance does. */
  inherits?: true;
  /** What holds when nothing is set anywhere. */
  initial(view: View): T;
  /** What an image of the shelf says of itself, which holds where the element that shows it says nothing. */
  ofPicture?(asset: Asset): T | undefined;
  /** CSS for a value. Absent where the value is not CSS (an image's source is markup). */
  css?(value: T, context: CssContext): Declarations;
  /** What every element and part that takes the property declares, where `css` only sets a custom property for it. */
  applied?: Declarations;
  /** Set when the CSS belongs to the image, video or sign inside the element's markup, where its kind has one. */
  onMedia?: true;
  /** CSS for the image or video in an element that shows one, besides that of the element. */
  onPicture?(value: T, context: CssContext): Declarations;
  /** Set when `css` depends on the view, so that a value may need other CSS in a view without an override there. */
  perView?: true;
  /** Set when `css` asks what stands `beside` it. */
  heldBeside?: true;
  /** Set when the value is kept on a container and each child gets CSS from it. */
  onChildren?: true;
  /** Set when the value is the sequence of all that stands in the columns of a row. */
  sequence?: true;
  /** What a person calls the property when it is seen from one child. */
  childLabel?: string;
  /** The same two names where what stands in the container may lie over one another. */
  deepLabels?: { own: string; child: string };
  /** The four sides of one thing: properties with the same `sides` can be set together. */
  sides?: string;
}
