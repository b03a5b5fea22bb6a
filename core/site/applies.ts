import { kindOf } from '../elements/kinds/table.ts';
import type { Part } from '../elements/parts.ts';
import type { Property } from '../elements/properties/property.ts';

/** Whether kinds of element take a property at all. */
export const takes = (kind: string, property: Property): boolean =>
  property.wording?.kind === kind ||
  (kindOf(kind)?.traits.some((trait) => property.traits.includes(trait)) ?? false);

/** Whether a property means something for an element of a kind inside a parent of a kind, or for a part of it. */
export function applies(
  property: Property,
  kind: string,
  parentKind: string | undefined,
  part: Part = 'self',
): boolean {
  if (part !== 'self')
    return (property.parts?.includes(part) && kindOf(kind)?.parts?.[part] !== undefined) ?? false;
  if (!takes(kind, property)) return false;
  if (parentKind !== undefined && property.notInside?.includes(parentKind)) return false;
  return !property.insideOf || (parentKind !== undefined && property.insideOf.includes(parentKind));
}
