import { button, heading, navigation, picture, text } from './blocks.ts';
import { column, page, row, section } from './containers.ts';
import type { Kind } from './kind.ts';

/** Every kind of element. */
export const KINDS: readonly Kind[] = [
  page,
  section,
  row,
  column,
  heading,
  text,
  button,
  picture,
  navigation,
];

const byName = new Map(KINDS.map((kind) => [kind.name, kind]));

export const kindOf = (name: string): Kind | undefined => byName.get(name);

/** A kind known to exist, after validation. */
export function knownKind(name: string): Kind {
  const kind = byName.get(name);
  if (!kind) throw new RangeError(`There is no kind of element ${name}.`);
  return kind;
}
