import type { Space } from '../../theme/spacing.ts';
import type { Part } from '../parts.ts';
import { BOX_PARTS } from '../parts.ts';
import type { Trait } from '../traits.ts';
import { spaceCss, spaceType } from '../valuetypes/space.ts';
import { OVERLAY } from './area.ts';
import type { Property } from './property.ts';

export const SIDES = ['top', 'right', 'bottom', 'left'] as const;
export type Side = (typeof SIDES)[number];

/**
 * The sides as CSS and people name them where the direction of writing matters: what is at the left of English is at the right
 * of Arabic (CSS Logical Properties 1, https://www.w3.org/TR/css-logical-1/#flow-relative). The names of properties, which site files
 * hold, are those of a page that is read from left to right.
 */
const FLOW: Record<Side, { css: string; label: string }> = {
  top: { css: 'top', label: 'top' },
  right: { css: 'inline-end', label: 'end' },
  bottom: { css: 'bottom', label: 'bottom' },
  left: { css: 'inline-start', label: 'start' },
};

export const flowSide = (side: Side): string => FLOW[side].css;
export const sideLabel = (side: Side): string => FLOW[side].label;

/** Room on one side of an element, inside its background (padding) or outside (margin). */
const room =
  (name: 'padding' | 'margin', trait: Trait, minimum: number, parts?: readonly Part[]) =>
  (side: Side): Property<Space> => ({
    name: `${name}${side[0].toUpperCase()}${side.slice(1)}`,
    label: `${name[0].toUpperCase()}${name.slice(1)} ${sideLabel(side)}`,
    group: 'space',
    traits: [trait],
    parts,
    sides: name,
    // What stands in an area is apart from its edges by an offset.
    ...(name === 'margin' && { notInside: [OVERLAY] }),
    type: spaceType(minimum, 600),
    initial: () => 0,
    css: (value) => ({ [`${name}-${flowSide(side)}`]: spaceCss(value) }),
  });

export const padding = SIDES.map(room('padding', 'box', 0, [...BOX_PARTS, 'list']));
export const margin = SIDES.map(room('margin', 'block', -400));
