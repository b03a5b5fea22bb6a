import * as layout from './layout.ts';
import type { Property } from './property.ts';
import * as surface from './surface.ts';
import * as text from './text.ts';

/** Every property that can differ by view, in the order in which the values table shows them. */
export const PROPERTIES: readonly Property[] = [
  text.family,
  text.size,
  text.lineHeight,
  text.weight,
  text.slant,
  text.letterSpacing,
  text.textCase,
  text.decoration,
  text.align,
  text.colour,
  text.wrapping,
  text.hyphenation,
  text.textColumns,
  layout.shown,
  layout.span,
  layout.order,
  layout.blockAlign,
  layout.alignItems,
  layout.width,
  layout.minWidth,
  layout.maxWidth,
  layout.minHeight,
  layout.gap,
  surface.paddingTop,
  surface.paddingRight,
  surface.paddingBottom,
  surface.paddingLeft,
  surface.marginTop,
  surface.marginRight,
  surface.marginBottom,
  surface.marginLeft,
  surface.backgroundColour,
  surface.source,
  surface.cropRatio,
  surface.fit,
  surface.focalPoint,
  surface.radius,
  surface.borderWidth,
  surface.borderColour,
  surface.shadow,
  surface.opacity,
];

const byName = new Map(PROPERTIES.map((property) => [property.name, property]));

export const propertyOf = (name: string): Property | undefined => byName.get(name);

/** A property known to exist; a name that is in no table is a fault of the program. */
export function knownProperty(name: string): Property {
  const property = byName.get(name);
  if (!property) throw new RangeError(`There is no property ${name}.`);
  return property;
}

/** Whether a property means something for an element of a kind inside a parent of a kind. */
export function applies(property: Property, kind: string, parentKind: string | undefined): boolean {
  if (!property.kinds.includes(kind)) return false;
  return !property.insideOf || (parentKind !== undefined && property.insideOf.includes(parentKind));
}
