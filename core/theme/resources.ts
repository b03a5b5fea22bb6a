import { Type, type Static } from '@sinclair/typebox';
import { layeredSchema } from '../layered/layered.ts';
import { fluidSchema } from '../type/fluid.ts';

const closed = { additionalProperties: false };

/** The id of something that values refer to. */
export const Token = Type.String({ pattern: '^[a-z][a-z0-9-]*$', maxLength: 40 });

/** A named colour of the site; values refer to it as `{id}`. */
export const ColourSchema = Type.Object(
  { id: Token, name: Type.String({ minLength: 1, maxLength: 40 }), value: Type.String({ maxLength: 80 }) },
  closed,
);

/** px; between these is a step of the spacing scale. */
export const STEP_SIZES = { minimum: 0, maximum: 600 };

/** How large a step of the spacing scale is: so many px, or fluid between two. */
export const StepSizeSchema = Type.Union([Type.Number(STEP_SIZES), fluidSchema(Type.Number(STEP_SIZES))]);
export type StepSize = Static<typeof StepSizeSchema>;

/** A step of the spacing scale; values refer to it as `{id}`. It may differ by view. */
export const SpacingStepSchema = Type.Object(
  {
    id: Token,
    name: Type.String({ minLength: 1, maxLength: 40 }),
    size: layeredSchema(StepSizeSchema),
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

const Share = Type.Number({ minimum: 0, maximum: 100 });

/** An image, video or other file that the site has. `hash` is the SHA-256 of its bytes, in hexadecimal. */
export const AssetSchema = Type.Object(
  {
    id: Token,
    name: Type.String({ minLength: 1, maxLength: 80 }),
    type: Type.Union([
      Type.Literal('image/webp'),
      Type.Literal('image/png'),
      Type.Literal('image/jpeg'),
      Type.Literal('image/avif'),
      Type.Literal('image/gif'),
      Type.Literal('image/svg+xml'),
      Type.Literal('video/webm'),
      Type.Literal('video/mp4'),
      Type.Literal('application/pdf'),
      Type.Literal('text/vtt'),
    ]),
    /** px; of images and videos. */
    width: Type.Optional(Type.Integer({ minimum: 1, maximum: 20000 })),
    height: Type.Optional(Type.Integer({ minimum: 1, maximum: 20000 })),
    hash: Hash,
    /** Said wherever the image stands and nothing else is said: what it shows, for those who do not see it. */
    alt: Type.Optional(Type.String({ maxLength: 400 })),
    /** The point that stays in sight where the image is cropped, in percent from the left and top. */
    focus: Type.Optional(Type.Object({ x: Share, y: Share }, closed)),
    /** Its mean colour, seen until it has come; absent where something shows through it. */
    colour: Type.Optional(Type.String({ pattern: '^#[0-9a-f]{6}$' })),
    /** px of the file; how high the smallest text in the image is, from the top of an ascender to the bottom of a descender; of images with text. */
    smallestText: Type.Optional(Type.Number({ minimum: 1, maximum: 20000 })),
    /** It has more than one frame. */
    moves: Type.Optional(Type.Literal(true)),
  },
  closed,
);

export type Colour = Static<typeof ColourSchema>;
export type SpacingStep = Static<typeof SpacingStepSchema>;
export type Font = Static<typeof FontSchema>;
export type Asset = Static<typeof AssetSchema>;

/** An image or video: what has a width and a height. */
export type MediaAsset = Asset & { width: number; height: number };

/** Whether a file of the shelf is an image. */
export const isImage = (asset: Asset): asset is MediaAsset => asset.type.startsWith('image/');
/** Whether a file of the shelf is a video. */
export const isVideo = (asset: Asset): asset is MediaAsset => asset.type.startsWith('video/');
/** Words that go with a video (WebVTT, https://www.w3.org/TR/webvtt1/). */
export const isCaptions = (asset: Asset): boolean => asset.type === 'text/vtt';

/** What a site has that values and contents may refer to. */
export interface SiteResources {
  colours: readonly Colour[];
  spacing: readonly SpacingStep[];
  fonts: readonly Font[];
  assets: readonly Asset[];
  /** The pages that links may lead to. */
  pages?: readonly { id: string; title: string }[];
}
