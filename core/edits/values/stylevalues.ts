import type { Layered } from '../../layered/layered.ts';
import type { Style } from '../../site/node.ts';
import { PARTS, type Part } from '../../elements/parts.ts';
import type { Property } from '../../elements/properties/property.ts';
import { isOfOneElement } from '../../elements/valuetypes/valuetype.ts';

/** Values of a style that can be another element's too. */
export const isShared = ({ type, name, wording }: Property): boolean =>
  !isOfOneElement(type) && !wording && name !== 'source';

/** Every value of a style, with the part and the name it stands under. */
export const valuesOf = (style: Style): { part: Part; name: string; layered: Layered<unknown> }[] =>
  PARTS.flatMap((part) =>
    Object.entries(style[part] ?? {}).map(([name, layered]) => ({ part, name, layered })),
  );
