import { card, column, page, row, section } from './containers.ts';
import { form } from './form.ts';
import type { Kind } from './kind.ts';
import { navigation, social } from './links.ts';
import { openingHours, priceList } from './listings.ts';
import { gallery, icon, logo, picture, video } from './media.ts';
import { divider, spacer } from './plain.ts';
import { button, heading, list, quote, text } from './words.ts';

/** Every kind of element. */
export const KINDS: readonly Kind[] = [
  page,
  section,
  row,
  column,
  card,
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
  form,
];

const byName = new Map(KINDS.map((kind) => [kind.name, kind]));

export const kindOf = (name: string): Kind | undefined => byName.get(name);

/** A kind known to exist, after validation. */
export function knownKind(name: string): Kind {
  const kind = byName.get(name);
  if (!kind) throw new RangeError(`There is no kind of element ${name}.`);
  return kind;
}
