import { alternates, card, column, group, overlay, page, row, section } from './containers.ts';
import type { Trait } from '../traits.ts';
import { strip, up } from './edges.ts';
import { form } from './form.ts';
import type { Kind } from './kind.ts';
import { navigation, social } from './links.ts';
import { openingHours, priceList, timetable } from './listings.ts';
import { gallery, icon, logo, picture, video } from './media.ts';
import { openingScreen } from './splashscreen.ts';
import { questions } from './questions.ts';
import { divider, spacer } from './plain.ts';
import { button, heading, list, quote, text } from './words.ts';

/** Every kind of element. */
export const KINDS: readonly Kind[] = [
  page,
  section,
  row,
  column,
  card,
  overlay,
  group,
  alternates,
  heading,
  text,
  list,
  quote,
  button,
  picture,
  gallery,
  video,
  icon,
  divider,
  spacer,
  logo,
  navigation,
  social,
  priceList,
  openingHours,
  timetable,
  questions,
  form,
  strip,
  up,
  openingScreen,
];

const byName = new Map(KINDS.map((kind) => [kind.name, kind]));

/** The kind of a name; undefined where there is none. */
export const kindOf = (name: string): Kind | undefined => byName.get(name);

/** Whether an element is of a kind that has a trait; nothing, and what is of no kind, has none. */
export const hasTrait = (element: { readonly kind: string } | null | undefined, trait: Trait): boolean =>
  element !== null && element !== undefined && (kindOf(element.kind)?.traits.includes(trait) ?? false);

/** Whether what stands in elements of a kind may lie over one another. */
export const isDeep = (name: string): boolean => knownKind(name).traits.includes('overlaying');

/** Whether elements of a kind stay at an edge of the window, and stand in no row of the page. */
export const isAtEdge = (name: string): boolean => knownKind(name).traits.includes('edge');

/** Whether elements of a kind stand on a page itself: in its rows, or at the edges of the window. */
export const standsOnPage = (name: string): boolean => name === 'section' || isAtEdge(name);

/** A kind known to exist, after validation. */
export function knownKind(name: string): Kind {
  const kind = byName.get(name);
  if (!kind) throw new RangeError(`There is no kind of element ${name}.`);
  return kind;
}
