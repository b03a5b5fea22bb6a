import { Type, type Static } from '@sinclair/typebox';
import { layeredSchema, overridesSchema, type Layered } from '../layered/layered.ts';
import { NodeIdSchema } from '../elements/nodeid.ts';
import { ViewIdSchema, type ViewId } from '../layered/views.ts';
import { PARTS, type Part } from '../elements/parts.ts';
import { PROPERTIES } from '../elements/propertytable.ts';
import type { PropertyName, PropertyValues } from '../elements/propertyvalues.ts';
import { DismissalsSchema, LikenessSchema } from './dismissalschema.ts';

/** The styles of one part: a layered value for each property that is set, checked by the property table. */
export type PartStyle = { [Name in PropertyName]?: Layered<PropertyValues[Name]> } & Record<
  string,
  Layered<unknown>
>;

/** The styles of an element, by part. */
export type Style = Partial<Record<Part, PartStyle>>;

const partStyleSchema = (part: Part) =>
  Type.Unsafe<PartStyle>(
    Type.Object(
      Object.fromEntries(
        PROPERTIES.filter((property) => part === 'self' || property.parts?.includes(part)).map((property) => [
          property.name,
          Type.Optional((property.wording ? overridesSchema : layeredSchema)(property.type.schema)),
        ]),
      ),
      { additionalProperties: false },
    ),
  );

export const StyleSchema = Type.Unsafe<Style>(
  Type.Object(Object.fromEntries(PARTS.map((part) => [part, Type.Optional(partStyleSchema(part))])), {
    additionalProperties: false,
  }),
);

/** The visitors that something can be for, where it is not for everyone. */
export const AUDIENCES = ['signed-in', 'signed-out'] as const;
export type Audience = (typeof AUDIENCES)[number];

/** An element of a page. Nodes lie in a flat map; `parent` and `children` make the tree. */
export const NodeSchema = Type.Object(
  {
    id: NodeIdSchema,
    kind: Type.String({ minLength: 1, maxLength: 40 }),
    name: Type.String({ minLength: 1, maxLength: 120 }),
    parent: Type.Union([NodeIdSchema, Type.Null()]),
    children: Type.Array(NodeIdSchema, { uniqueItems: true, maxItems: 500 }),
    /** The text style it takes instead of the one its kind takes by itself. */
    textStyle: Type.Optional(Type.String({ minLength: 1, maxLength: 40 })),
    /** The visitors it is for; absent: everyone. */
    audience: Type.Optional(Type.Union(AUDIENCES.map((each) => Type.Literal(each)))),
    /** Findings about it that are set aside. */
    aside: DismissalsSchema,
    /** In which views somebody found it fine, with what it was like there then. */
    reviewed: Type.Optional(
      Type.Unsafe<Partial<Record<ViewId, string>>>(
        Type.Record(ViewIdSchema, LikenessSchema, { additionalProperties: false }),
      ),
    ),
    style: StyleSchema,
    /** What is the same in every view; the fields are those of the kind. */
    content: Type.Record(Type.String({ maxLength: 40 }), Type.Unknown()),
  },
  { additionalProperties: false },
);

export type Node = Static<typeof NodeSchema>;
