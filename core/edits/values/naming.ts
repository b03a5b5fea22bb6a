import { contentOf } from '../../elements/kinds/kind.ts';
import { knownKind } from '../../elements/kinds/table.ts';
import { beginningOf, plainText } from '../../markup/fragment.ts';
import type { Node } from '../../site/node.ts';

/** The name that an element has by what it says; undefined where it says nothing. */
function nameByWords(node: Node): string | undefined {
  const kind = knownKind(node.kind);
  const field = kind.content.find(({ name }) => name === kind.words);
  if (!field) return undefined;
  const says: unknown = contentOf(kind, node, field.name);
  if (typeof says !== 'string') return undefined;
  return beginningOf(field.type.editor === 'line' ? says : plainText(says)) || undefined;
}

/** A name without the number that tells a copy from what it was copied from. */
const withoutNumber = (name: string): string => name.replace(/ \d+$/, '');

/** Keeps a field of an element’s content. Where nobody has given the element a name by hand, its name follows its words. */
export function keepContent(node: Node, field: string, value: unknown): void {
  const { label, words } = knownKind(node.kind);
  const names = [node.name, withoutNumber(node.name)];
  const follows = field === words && [label, nameByWords(node)].some((name) => name && names.includes(name));
  node.content[field] = value;
  if (follows) node.name = nameByWords(node) ?? label;
}

/** The name of a copy: that of what it was copied from, with the next number that nothing on the page has. */
export function nameOfCopy({ name }: Node, taken: ReadonlySet<string>): string {
  const stem = withoutNumber(name);
  let number = 2;
  while (taken.has(`${stem} ${number}`)) number += 1;
  return `${stem} ${number}`;
}
