import { heldSpan, heldStart } from '../../layout/spans.ts';
import { px } from '../../type/fluid.ts';
import { choiceType } from '../valuetypes/choice.ts';
import { numberType } from '../valuetypes/number.ts';
import { offsetCss, offsetType, type Offset } from '../valuetypes/offset.ts';
import { FILLS_AREA } from './image.ts';
import type { Declarations, Property } from './property.ts';

/** Where the parts of an overlay stand: on the columns of the view's grid, and on rows of a height of its own. */

export const OVERLAY = 'overlay';

export const MOST_ROWS = 400;

/** The height of an overlay's rows, as its structure uses it. */
export const ROW_HEIGHT = '--row-height';

/** px */
export const ROW_HEIGHTS = { least: 8, most: 200 };

/** px; rows are at least so high, and higher where what stands in them needs it. */
export const rowHeight: Property<number> = {
  name: 'rowHeight',
  label: 'Row height',
  group: 'layout',
  traits: ['overlaying'],
  type: numberType({ minimum: ROW_HEIGHTS.least, maximum: ROW_HEIGHTS.most, step: 1, unit: 'px' }),
  initial: () => 24,
  css: (value) => ({ [ROW_HEIGHT]: px(value) }),
};

/** Rows that are there, whether or not anything stands in them. */
export const leastRows: Property<number> = {
  name: 'leastRows',
  label: 'Rows, min.',
  group: 'layout',
  traits: ['overlaying'],
  type: numberType({ minimum: 0, maximum: MOST_ROWS, step: 1, integer: true }),
  initial: () => 0,
  css: (value) => ({
    'grid-template-rows': value === 0 ? 'none' : `repeat(${value}, minmax(var(${ROW_HEIGHT}), auto))`,
  }),
};

const place = { group: 'layout', traits: ['block'], insideOf: [OVERLAY] } as const;

/** The first of an area's columns, held so that those it takes still fit behind it. */
export const areaColumn: Property<number> = {
  ...place,
  name: 'areaColumn',
  label: 'Area, from column',
  type: numberType({ minimum: 1, maximum: 24, step: 1, integer: true }),
  initial: () => 1,
  css: (value, { view, beside }) => ({
    'grid-column-start': String(
      heldStart(value, (beside?.('span') as number | undefined) ?? view.grid.columns, view.grid.columns),
    ),
  }),
  perView: true,
  heldBeside: true,
};

export const areaRow: Property<number> = {
  ...place,
  name: 'areaRow',
  label: 'Area, from row',
  type: numberType({ minimum: 1, maximum: MOST_ROWS, step: 1, integer: true }),
  initial: () => 1,
  css: (value) => ({ 'grid-row-start': String(value) }),
};

export const areaRows: Property<number> = {
  ...place,
  name: 'areaRows',
  label: 'Area, rows',
  type: numberType({ minimum: 1, maximum: MOST_ROWS, step: 1, integer: true }),
  initial: () => 1,
  css: (value) => ({ 'grid-row-end': `span ${heldSpan(value, MOST_ROWS)}` }),
};

/** What of its area a part keeps to; `stretch`: all of it. */
export type Hold = 'start' | 'center' | 'end' | 'stretch';

export const heldAcross: Property<Hold> = {
  ...place,
  name: 'heldAcross',
  label: 'Anchored to, horizontally',
  type: choiceType<Hold>([
    { value: 'start', label: 'start', also: ['left'] },
    { value: 'center', label: 'centre', also: ['middle'] },
    { value: 'end', label: 'end', also: ['right'] },
    { value: 'stretch', label: 'all', also: ['fill'] },
  ]),
  initial: () => 'stretch',
  css: (value) => ({ 'justify-self': value }),
};

/** An image that is held to all of its area, across and down, fills it and is cropped by it. */
export const heldDown: Property<Hold> = {
  ...place,
  name: 'heldDown',
  label: 'Anchored to, vertically',
  type: choiceType<Hold>([
    { value: 'start', label: 'top' },
    { value: 'center', label: 'middle', also: ['centre'] },
    { value: 'end', label: 'bottom' },
    { value: 'stretch', label: 'all', also: ['fill'] },
  ]),
  initial: () => 'start',
  css: (value) => ({ 'align-self': value }),
  onPicture: (value, { beside }): Declarations =>
    value === 'stretch' && ((beside?.('heldAcross') ?? 'stretch') as Hold) === 'stretch'
      ? { position: 'absolute', inset: '0', height: '100%', [FILLS_AREA]: '1' }
      : { position: 'static', inset: 'auto', height: 'auto', [FILLS_AREA]: '0' },
  perView: true,
  heldBeside: true,
};

/**
 * How far a part stands from what it is held to, inwards; from the centre towards the end. A length makes room for itself, a share of
 * the area does not: the area may follow from what is in it (CSS Grid 2, §12 https://www.w3.org/TR/css-grid-2/#algo-track-sizing).
 */
const offset = (axis: 'across' | 'down', held: string, [start, end]: readonly [string, string]) =>
  ({
    ...place,
    name: axis === 'across' ? 'offsetAcross' : 'offsetDown',
    label: `Offset, ${axis}`,
    type: offsetType,
    initial: () => ({ px: 0 }),
    css: (value, { beside }) => offsetCss(value, (beside?.(held) as Hold | undefined) ?? 'start', start, end),
    heldBeside: true,
    perView: true,
  }) satisfies Property<Offset>;

export const offsetAcross: Property<Offset> = offset('across', 'heldAcross', ['inline-start', 'inline-end']);
export const offsetDown: Property<Offset> = offset('down', 'heldDown', ['block-start', 'block-end']);
