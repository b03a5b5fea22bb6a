import { Type, type Static } from '@sinclair/typebox';
import { NodeSchema, StyleSchema, type Node } from './node.ts';
import { layeredSchema } from './layered.ts';
import { NodeIdSchema, type NodeId } from './nodeid.ts';
import { ViewsSchema } from './views.ts';

/** The format of the site file, and its version: a program reads the versions it knows and refuses the rest. */
export const FORMAT = 'dimorphe-site';
export const FORMAT_VERSION = 2;

const closed = { additionalProperties: false };
const Slug = Type.String({ pattern: '^[a-z0-9]+(-[a-z0-9]+)*$', maxLength: 60 });
const Token = Type.String({ pattern: '^[a-z][a-z0-9-]*$', maxLength: 40 });

/** A named colour of the site; values refer to it as `{id}`. */
export const ColourSchema = Type.Object(
  { id: Token, name: Type.String({ minLength: 1, maxLength: 40 }), value: Type.String({ maxLength: 80 }) },
  closed,
);

/** A named set of text values, layered like an element's own. */
export const TextStyleSchema = Type.Object(
  { id: Token, name: Type.String({ minLength: 1, maxLength: 40 }), style: StyleSchema },
  closed,
);

/** A step of the spacing scale, in px; values refer to it as `{id}`. It may differ by view. */
export const SpacingStepSchema = Type.Object(
  {
    id: Token,
    name: Type.String({ minLength: 1, maxLength: 40 }),
    size: layeredSchema(Type.Number({ minimum: 0, maximum: 600 })),
  },
  closed,
);

const Hash = Type.String({ pattern: '^[0-9a-f]{64}$' });

/** A font family of the site's own, in one woff2 file. `hash` is the SHA-256 of its bytes, in hexadecimal. */
export const FontSchema = Type.Object(
  {
    id: Token,
    name: Type.String({ minLength: 1, maxLength: 80 }),
    style: Type.Union([Type.Literal('normal'), Type.Literal('italic')]),
    /** One weight, or the least and the greatest of a variable file. */
    weights: Type.String({ pattern: '^[1-9][0-9]{0,3}( [1-9][0-9]{0,3})?$' }),
    hash: Hash,
  },
  closed,
);

/** A picture or film that the site has. `hash` is the SHA-256 of its bytes, in hexadecimal. */
export const AssetSchema = Type.Object(
  {
    id: Token,
    name: Type.String({ minLength: 1, maxLength: 80 }),
    type: Type.Union([
      Type.Literal('image/webp'),
      Type.Literal('image/png'),
      Type.Literal('image/jpeg'),
      Type.Literal('image/avif'),
      Type.Literal('video/webm'),
      Type.Literal('video/mp4'),
    ]),
    width: Type.Integer({ minimum: 1, maximum: 20000 }),
    height: Type.Integer({ minimum: 1, maximum: 20000 }),
    hash: Hash,
  },
  closed,
);

export const PageSchema = Type.Object(
  {
    id: NodeIdSchema,
    /** The page's folder in the published site; empty for the first page. */
    slug: Type.Union([Slug, Type.Literal('')]),
    title: Type.String({ minLength: 1, maxLength: 120 }),
    description: Type.String({ maxLength: 320 }),
    root: NodeIdSchema,
    nodes: Type.Unsafe<Record<NodeId, Node>>(Type.Record(NodeIdSchema, NodeSchema, closed)),
  },
  closed,
);

const frame = {
  format: Type.Literal(FORMAT),
  version: Type.Literal(FORMAT_VERSION),
  id: Slug,
  name: Type.String({ minLength: 1, maxLength: 80 }),
  /** BCP 47 tag of the language the site is written in. */
  lang: Type.String({ pattern: '^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$' }),
  views: ViewsSchema,
  colours: Type.Array(ColourSchema, { maxItems: 200 }),
  textStyles: Type.Array(TextStyleSchema, { maxItems: 100 }),
  spacing: Type.Array(SpacingStepSchema, { maxItems: 40 }),
  fonts: Type.Array(FontSchema, { maxItems: 40 }),
  assets: Type.Array(AssetSchema, { maxItems: 5000 }),
};

/** A site without its pages: what every page of it needs to be resolved and compiled. */
export const SiteFrameSchema = Type.Object(frame, closed);
export const SiteSchema = Type.Object(
  { ...frame, pages: Type.Array(PageSchema, { minItems: 1, maxItems: 500 }) },
  closed,
);

export type Colour = Static<typeof ColourSchema>;
export type TextStyle = Static<typeof TextStyleSchema>;
export type SpacingStep = Static<typeof SpacingStepSchema>;
export type Font = Static<typeof FontSchema>;
export type Asset = Static<typeof AssetSchema>;
export type Page = Static<typeof PageSchema>;
export type SiteFrame = Static<typeof SiteFrameSchema>;
export type Site = Static<typeof SiteSchema>;
export type PageReference = Pick<Page, 'id' | 'slug' | 'title'>;

/** A site as it is written to a file: with the bytes of its pictures, films and fonts, base64, by their id. */
export const SiteFileSchema = Type.Object(
  {
    ...frame,
    pages: Type.Array(PageSchema, { minItems: 1, maxItems: 500 }),
    files: Type.Record(Token, Type.String({ pattern: '^[A-Za-z0-9+/]*={0,2}$' })),
  },
  { ...closed, $id: 'dimorphe-site-2', title: 'Dimorphe site file, version 2' },
);
export type SiteFile = Static<typeof SiteFileSchema>;

/** The frame of a whole site. */
export function frameOf(site: Site): SiteFrame {
  const { pages: _pages, ...rest } = site;
  return rest;
}
