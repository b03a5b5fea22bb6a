import { Type } from '@sinclair/typebox';

/** What something was like at a time, as a fingerprint. */
export const LikenessSchema = Type.String({ pattern: '^[0-9a-f]{10}$' });

/** A finding that somebody has dismissed: why, and what its element was like then. */
export const DismissalSchema = Type.Object(
  {
    reason: Type.String({ minLength: 1, maxLength: 300 }),
    of: LikenessSchema,
  },
  { additionalProperties: false },
);

/** Findings that are dismissed, by rule, and by part where they are about one. */
export const DismissalsSchema = Type.Optional(
  Type.Record(Type.String({ pattern: '^[A-Za-z0-9_-]{1,90}$' }), DismissalSchema),
);
