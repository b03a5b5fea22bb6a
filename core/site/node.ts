import { Type, type Static } from '@sinclair/typebox';
import { layeredSchema, type Layered } from './layered.ts';
import { NodeIdSchema } from './nodeid.ts';
import { PROPERTIES } from './properties/table.ts';

/** The parts of an element that carry styles of their own. `self` is the element as a whole. */
export const PARTS = ['self'] as const;
export type Part = (typeof PARTS)[number];

/** The styles of one part: a layered value for each property that is set, checked by the property table. */
export type PartStyle = Record<string, Layered<unknown>>;

const partStyleSchema = Type.Unsafe<PartStyle>(
  Type.Object(
    Object.fromEntries(
      PROPERTIES.map((property) => [property.name, Type.Optional(layeredSchema(property.type.schema))]),
    ),
    { additionalProperties: false },
  ),
);

export const StyleSchema = Type.Unsafe<Partial<Record<Part, PartStyle>>>(
  Type.Object(Object.fromEntries(PARTS.map((part) => [part, Type.Optional(partStyleSchema)])), {
    additionalProperties: false,
  }),
);

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
    style: StyleSchema,
    /** What is the same in every view; the fields are those of the kind. */
    content: Type.Record(Type.String({ maxLength: 40 }), Type.Unknown()),
  },
  { additionalProperties: false },
);

export type Node = Static<typeof NodeSchema>;
