import * as background from './background.ts';
import * as border from './border.ts';
import * as layout from './layout.ts';
import * as particular from './particular.ts';
import * as picture from './picture.ts';
import type { Property } from './property.ts';
import * as space from './space.ts';
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
  particular.marker,
  layout.shown,
  particular.collapse,
  particular.iconSize,
  particular.thickness,
  particular.tiles,
  layout.span,
  layout.start,
  layout.order,
  layout.direction,
  layout.gap,
  layout.blockAlign,
  layout.justifyItems,
  layout.alignItems,
  layout.alignContent,
  layout.bleed,
  layout.width,
  layout.minWidth,
  layout.maxWidth,
  layout.height,
  layout.minHeight,
  layout.aspectRatio,
  layout.sticky,
  ...space.padding,
  ...space.margin,
  background.backgroundColour,
  background.backgroundPicture,
  background.backgroundPosition,
  background.backgroundSize,
  background.backgroundRepeat,
  background.tint,
  background.gradient,
  picture.source,
  picture.cropRatio,
  picture.fit,
  picture.focalPoint,
  ...border.borders,
  border.borderStyle,
  border.borderColour,
  border.radius,
  border.shadow,
  border.opacity,
];

const byName = new Map(PROPERTIES.map((property) => [property.name, property]));

/** Where a property stands in the table. */
export const placeOf = new Map(PROPERTIES.map((property, index) => [property.name, index]));

export const propertyOf = (name: string): Property | undefined => byName.get(name);

/** A property known to exist; a name that is in no table is a fault of the program. */
export function knownProperty(name: string): Property {
  const property = byName.get(name);
  if (!property) throw new RangeError(`There is no property ${name}.`);
  return property;
}

/** The properties that have the same `sides`: the four sides of a padding, a margin, a border. */
export const sidesOf = (property: Property): Property[] =>
  property.sides ? PROPERTIES.filter((other) => other.sides === property.sides) : [property];
