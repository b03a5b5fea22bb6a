import { properties as own } from './properties/own.ts';
import * as area from './properties/area.ts';
import * as background from './properties/background.ts';
import * as border from './properties/border.ts';
import * as edge from './properties/edge.ts';
import * as layout from './properties/layout.ts';
import * as particular from './properties/kindspecific.ts';
import * as page from './properties/page.ts';
import * as picture from './properties/image.ts';
import type { Property } from './properties/property.ts';
import type { PropertyName, PropertyValues } from './propertyvalues.ts';
import { KINDS } from './kinds/table.ts';
import { textByViewType, type TextByView } from './content/textbyview.ts';
import * as space from './properties/space.ts';
import * as text from './properties/text.ts';

/** What elements say in other words in some views: of each kind the fields of its content that may differ. */
const TEXTS_BY_VIEW: readonly Property<TextByView>[] = KINDS.flatMap(({ name: kind, content }) =>
  content
    .filter(({ varies }) => varies)
    .map((field) => ({
      name: `${kind}.${field.name}`,
      label: field.label,
      group: 'content',
      traits: [],
      wording: { kind, field },
      type: textByViewType(field),
      initial: () => ({ says: field.initial }),
    })),
);

/** Every property that can differ by view, in the order in which the values table shows them. */
export const PROPERTIES: readonly Property[] = [
  ...TEXTS_BY_VIEW,
  text.family,
  text.size,
  text.lineHeight,
  text.weight,
  text.slant,
  text.letterSpacing,
  text.case,
  text.decoration,
  text.align,
  text.colour,
  text.wrapping,
  text.hyphenation,
  text.textColumns,
  particular.marker,
  layout.alternate,
  layout.shown,
  particular.collapse,
  particular.iconSize,
  particular.thickness,
  particular.tiles,
  particular.pageImages,
  particular.pageDescriptions,
  particular.pageMeta,
  layout.span,
  layout.start,
  area.areaColumn,
  area.areaRow,
  area.areaRows,
  area.heldAcross,
  area.offsetAcross,
  area.heldDown,
  area.offsetDown,
  area.rowHeight,
  area.leastRows,
  layout.order,
  layout.interleave,
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
  edge.edge,
  edge.corner,
  edge.fromEdge,
  edge.leaving,
  edge.stays,
  page.clearTop,
  ...space.padding,
  ...space.margin,
  background.backgroundColour,
  background.backgroundPicture,
  background.backgroundPosition,
  background.backgroundSize,
  background.backgroundRepeat,
  background.tint,
  background.gradient,
  page.backgroundFilm,
  page.barColour,
  page.barColourDark,
  picture.source,
  picture.cropRatio,
  picture.fit,
  picture.zoom,
  picture.focalPoint,
  ...border.borders,
  border.borderStyle,
  border.borderColour,
  border.radius,
  border.shadow,
  border.opacity,
  ...own,
];

const byName = new Map(PROPERTIES.map((property) => [property.name, property]));

/** Where a property stands in the table. */
export const placeOf = new Map(PROPERTIES.map((property, index) => [property.name, index]));

/** The property of a name; undefined where there is none. */
export const propertyOf = (name: string): Property | undefined => byName.get(name);

/** A property known to exist; a name that is in no table is a fault of the program. */
export function knownProperty<Name extends PropertyName>(name: Name): Property<PropertyValues[Name]>;
export function knownProperty(name: string): Property;
export function knownProperty(name: string): Property {
  const property = byName.get(name);
  if (!property) throw new RangeError(`There is no property ${name}.`);
  return property;
}

const textsByKind = new Map(
  KINDS.map(({ name }) => [name, TEXTS_BY_VIEW.filter(({ wording }) => wording?.kind === name)]),
);

/** What a kind of element may say in other words in some views. */
export const textsByViewOf = (kind: string): readonly Property<TextByView>[] => textsByKind.get(kind) ?? [];

const textsByName = new Map(TEXTS_BY_VIEW.map((property) => [property.name, property]));

/** The text by view of a field of a kind's content; undefined where that is the same in every view. */
export const textByViewOf = (kind: string, field: string): Property<TextByView> | undefined =>
  textsByName.get(`${kind}.${field}`);

/** The properties that have the same `sides`: the four sides of a padding, a margin, a border. */
export const sidesOf = (property: Property): Property[] =>
  property.sides ? PROPERTIES.filter((other) => other.sides === property.sides) : [property];
