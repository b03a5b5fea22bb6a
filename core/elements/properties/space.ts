import { BOX_PARTS, type Part } from '../parts.ts';
import type { Trait } from '../traits.ts';
import { fluidly } from '../valuetypes/fluid.ts';
import { spaceCss, spaceType, type Distance } from '../valuetypes/space.ts';
import type { ValueType } from '../valuetypes/valuetype.ts';
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

/** A side as CSS names it in the direction of the text: `inline-start`. */
export const flowSide = (side: Side): string => FLOW[side].css;
/** A side as people read it. */
export const sideLabel = (side: Side): string => FLOW[side].label;

/** px; no room is more. */
const MOST = 600;

/** Room on one side of an element, inside its background (padding) or outside (margin). */
const room =
  (name: 'padding' | 'margin', trait: Trait, type: ValueType<Distance>, parts?: readonly Part[]) =>
  (side: Side): Property<Distance> => ({
    name: `${name}${side[0].toUpperCase()}${side.slice(1)}`,
    label: `${name[0].toUpperCase()}${name.slice(1)} ${sideLabel(side)}`,
    group: 'space',
    traits: [trait],
    parts,
    sides: name,
    // What stands in an area is apart from its edges by an offset.
    ...(name === 'margin' && { notInside: [OVERLAY] }),
    type,
    initial: () => 0,
    css: (value) => ({ [`${name}-${flowSide(side)}`]: spaceCss(value) }),
  });

export const padding = SIDES.map(room('padding', 'box', fluidly(spaceType(0, MOST)), [...BOX_PARTS, 'list']));
export const margin = SIDES.map(room('margin', 'block', spaceType(-400, MOST) as ValueType<Distance>));
