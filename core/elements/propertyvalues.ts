import type * as area from './properties/area.ts';
import type * as background from './properties/background.ts';
import type * as border from './properties/border.ts';
import type * as edge from './properties/edge.ts';
import type * as picture from './properties/image.ts';
import type * as particular from './properties/kindspecific.ts';
import type * as layout from './properties/layout.ts';
import type * as page from './properties/page.ts';
import type * as text from './properties/text.ts';
import type { Property } from './properties/property.ts';
import type { Side } from './properties/space.ts';
import type { Distance } from './valuetypes/space.ts';

/** What the rooms of properties export; each property by its own name, which a test holds. */
type Exported = typeof area &
  typeof background &
  typeof border &
  typeof edge &
  typeof picture &
  typeof particular &
  typeof layout &
  typeof page &
  typeof text;

type OfSides<Name extends string, T> = Record<`${Name}${Capitalize<Side>}`, T>;

/** The properties that the program can ask for by name, with what each is: `{ span: number, colour: string, … }`. */
export type PropertyValues = {
  [Name in keyof Exported as Exported[Name] extends Property ? Name : never]: Exported[Name] extends Property<
    infer T
  >
    ? T
    : never;
} & OfSides<'padding' | 'margin', Distance> &
  OfSides<'border', number>;

export type PropertyName = keyof PropertyValues;
