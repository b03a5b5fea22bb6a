import type { Space } from '../../theme/spacing.ts';
import type { Part } from '../parts.ts';
import { BOX_PARTS } from '../parts.ts';
import type { Trait } from '../traits.ts';
import { spaceCss, spaceType } from '../valuetypes/space.ts';
import type { Property } from './property.ts';

export const SIDES = ['top', 'right', 'bottom', 'left'] as const;
export type Side = (typeof SIDES)[number];

/** Room on one side of an element, inside its background (padding) or outside (margin). */
const room =
  (name: 'padding' | 'margin', trait: Trait, minimum: number, parts?: readonly Part[]) =>
  (side: Side): Property<Space> => ({
    name: `${name}${side[0].toUpperCase()}${side.slice(1)}`,
    label: `${name[0].toUpperCase()}${name.slice(1)} ${side}`,
    group: 'space',
    traits: [trait],
    parts,
    sides: name,
    type: spaceType(minimum, 600),
    initial: () => 0,
    css: (value) => ({ [`${name}-${side}`]: spaceCss(value) }),
  });

export const padding = SIDES.map(room('padding', 'box', 0, [...BOX_PARTS, 'list']));
export const margin = SIDES.map(room('margin', 'block', -400));
