import { px } from '../../type/fluid.ts';
import { choiceType } from '../valuetypes/choice.ts';
import { numberType } from '../valuetypes/number.ts';
import type { Property } from './property.ts';

/** The custom property that holds how much of the window's lower edge a strip takes. */
export const STRIP_ROOM = '--strip-room';

const SIDES = ['top', 'right', 'bottom', 'left'] as const;

/** What a device keeps of an edge for itself. */
export const safeArea = (side: (typeof SIDES)[number]): string => `var(--safe-${side}, 0px)`;

/** Where that is known (CSS Environment Variables 1, §2.1). */
export const SAFE_AREAS = Object.fromEntries(
  SIDES.map((side) => [`--safe-${side}`, `env(safe-area-inset-${side}, 0px)`]),
);

export type Edge = 'lower' | 'upper';

/** It has its own place at that end of the page, so that it covers nothing there; in the source it stays where it is. */
export const edge: Property<Edge> = {
  name: 'edge',
  label: 'Sticks to',
  group: 'layout',
  traits: ['strip'],
  type: choiceType<Edge>([
    { value: 'lower', label: 'lower edge', also: ['bottom'] },
    { value: 'upper', label: 'upper edge', also: ['top'] },
  ]),
  initial: () => 'lower',
  css: (value) =>
    value === 'lower'
      ? { order: '9999', top: 'auto', bottom: '0', '--inset': `0px ${safeArea('bottom')}` }
      : { order: '-1', top: '0', bottom: 'auto', '--inset': `${safeArea('top')} 0px` },
};

type Corner = 'start' | 'middle' | 'end';

const BESIDE: Record<Corner, string> = {
  start: `max(1rem, ${safeArea('left')}) auto`,
  middle: '1rem',
  end: `auto max(1rem, ${safeArea('right')})`,
};

export const corner: Property<Corner> = {
  name: 'corner',
  label: 'Position at the edge',
  group: 'layout',
  traits: ['floating'],
  type: choiceType<Corner>([
    { value: 'start', label: 'at the start', also: ['left'] },
    { value: 'middle', label: 'in the middle', also: ['center'] },
    { value: 'end', label: 'at the end', also: ['right'] },
  ]),
  initial: () => 'end',
  css: (value) => ({ 'inset-inline': BESIDE[value], 'margin-inline': value === 'middle' ? 'auto' : '0' }),
};

export const fromEdge: Property<number> = {
  name: 'fromEdge',
  label: 'Distance from the edge',
  group: 'layout',
  traits: ['floating'],
  type: numberType({ minimum: 0, maximum: 400, step: 8, unit: 'px' }),
  initial: () => 16,
  css: (value) => ({ bottom: `calc(${px(value)} + var(${STRIP_ROOM}, 0px) + ${safeArea('bottom')})` }),
};

type Leaving = 'fading' | 'rising' | 'setting';

export const leaving: Property<Leaving> = {
  name: 'leaving',
  label: 'Leaves',
  group: 'layout',
  traits: ['screen'],
  type: choiceType<Leaving>([
    { value: 'fading', label: 'fading' },
    { value: 'rising', label: 'rising like a curtain' },
    { value: 'setting', label: 'setting like the sun' },
  ]),
  initial: () => 'fading',
  css: (value) => ({ 'animation-name': `leave-${value}` }),
};

export const stays: Property<number> = {
  name: 'stays',
  label: 'Stays for',
  group: 'layout',
  traits: ['screen'],
  type: numberType({ minimum: 0.5, maximum: 3, step: 0.5, unit: 's' }),
  initial: () => 1.5,
  css: (value) => ({ 'animation-delay': `${value}s` }),
};
