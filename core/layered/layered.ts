import { Type, type Static, type TSchema } from '@sinclair/typebox';
import { ViewIdSchema, type Reach, type ViewId } from './views.ts';

/** A value set for a view other than the base, and how far it goes. */
export interface Override<T> {
  value: T;
  reach: Reach;
}

/**
 * A value that may differ by view. `base` is the value of the base view and the default for all; `at` holds the
 * overrides. An override cannot stand at the base view: the type gives it nowhere to be, and validation refuses it.
 */
export interface Layered<T> {
  base?: T;
  at?: Record<ViewId, Override<T>>;
}

const closed = { additionalProperties: false };

const at = (value: TSchema) =>
  Type.Optional(
    Type.Record(
      ViewIdSchema,
      Type.Object({ value, reach: Type.Union([Type.Literal('here'), Type.Literal('onward')]) }, closed),
      closed,
    ),
  );

/** The JSON Schema of a layered value whose single values match `value`. */
export const layeredSchema = <S extends TSchema>(value: S) =>
  Type.Unsafe<Layered<Static<S>>>(Type.Object({ base: Type.Optional(value), at: at(value) }, closed));

/** The JSON Schema of a layered value whose base is kept elsewhere. */
export const overridesSchema = <S extends TSchema>(value: S) =>
  Type.Unsafe<Layered<Static<S>>>(Type.Object({ at: at(value) }, closed));

/** Every value that is set: the base, where there is one, and the overrides. */
export const settings = <T>({ base, at = {} }: Layered<T>): T[] => [
  ...(base === undefined ? [] : [base]),
  ...Object.values(at).map(({ value }) => value),
];

/** A layered value with another value in place of each, in the same views. */
export const mapped = <T, U>({ base, at }: Layered<T>, change: (value: T) => U): Layered<U> => ({
  ...(base !== undefined && { base: change(base) }),
  ...(at && {
    at: Object.fromEntries(
      Object.entries<Override<T>>(at).map(([view, each]) => [view, { ...each, value: change(each.value) }]),
    ),
  }),
});
