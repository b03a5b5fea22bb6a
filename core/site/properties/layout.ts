import { decimals, px } from '../../type/fluid.ts';
import { completeOrder } from '../../layout/order.ts';
import { heldSpan } from '../../layout/spans.ts';
import type { NodeId } from '../nodeid.ts';
import { choiceType } from '../valuetypes/choice.ts';
import { extentType, type Extent } from '../valuetypes/extent.ts';
import { numberType } from '../valuetypes/number.ts';
import { orderType } from '../valuetypes/order.ts';
import type { Property } from './property.ts';

const CONTAINERS = ['page', 'section', 'row', 'column'] as const;
const BLOCKS = ['row', 'column', 'heading', 'text', 'button', 'picture', 'navigation'] as const;

/** A length or share in CSS; `auto` has another name in each property. */
const extentCss = (value: Extent, auto: string): string =>
  value === 'auto' ? auto : 'px' in value ? px(value.px) : `${decimals(value.percent)}%`;

export const shown: Property<boolean> = {
  name: 'shown',
  label: 'Shown',
  group: 'layout',
  kinds: ['section', ...BLOCKS],
  type: choiceType([
    { value: true, label: 'yes', also: ['shown', 'show'] },
    { value: false, label: 'no', also: ['hidden', 'hide'] },
  ]) as Property<boolean>['type'],
  initial: () => true,
  css: (value, { display }) => ({ display: value ? display : 'none' }),
};

export const span: Property<number> = {
  name: 'span',
  label: 'Columns',
  group: 'layout',
  kinds: BLOCKS,
  insideOf: ['row'],
  type: numberType({
    minimum: 1,
    maximum: 24,
    step: 1,
    integer: true,
    format: (value, { columns }) => (columns ? `${heldSpan(value, columns)} of ${columns}` : String(value)),
  }),
  initial: (view) => view.grid.columns,
  css: (value, { view }) => ({ 'grid-column': `span ${heldSpan(value, view.grid.columns)}` }),
  perView: true,
};

export const order: Property<NodeId[]> = {
  name: 'order',
  label: 'Order of parts',
  childLabel: 'Place in row',
  group: 'layout',
  kinds: CONTAINERS,
  type: orderType,
  initial: () => [],
  css: (value, { children = [], child }) => ({
    order: String(child ? completeOrder(children, value).indexOf(child) : 0),
  }),
  perView: true,
  onChildren: true,
};

export const blockAlign: Property<string> = {
  name: 'blockAlign',
  label: 'Align block',
  group: 'layout',
  kinds: BLOCKS,
  type: choiceType([
    { value: 'stretch', label: 'fill' },
    { value: 'start', label: 'start', also: ['left'] },
    { value: 'center', label: 'centre', also: ['middle'] },
    { value: 'end', label: 'end', also: ['right'] },
  ]) as Property<string>['type'],
  initial: () => 'stretch',
  css: (value) => ({ 'justify-self': value }),
};

export const alignItems: Property<string> = {
  name: 'alignItems',
  label: 'Align parts',
  group: 'layout',
  kinds: ['row'],
  type: choiceType([
    { value: 'stretch', label: 'fill' },
    { value: 'start', label: 'top' },
    { value: 'center', label: 'middle', also: ['centre'] },
    { value: 'end', label: 'bottom' },
  ]) as Property<string>['type'],
  initial: () => 'stretch',
  css: (value) => ({ 'align-items': value }),
};

export const width: Property<Extent> = {
  name: 'width',
  label: 'Width',
  group: 'layout',
  kinds: BLOCKS,
  type: extentType,
  initial: () => 'auto',
  css: (value) => ({ width: extentCss(value, 'auto') }),
};

export const gap: Property<number> = {
  name: 'gap',
  label: 'Gap',
  group: 'layout',
  kinds: ['section', 'row', 'column', 'navigation'],
  type: numberType({ minimum: 0, maximum: 400, step: 4, unit: 'px' }),
  initial: () => 0,
  css: (value, { stacks }) => ({ [stacks ? 'row-gap' : 'gap']: px(value) }),
};

const LIMITED = ['row', 'column', 'heading', 'text', 'button', 'picture', 'navigation'] as const;

export const minWidth: Property<Extent> = {
  name: 'minWidth',
  label: 'Least width',
  group: 'layout',
  kinds: LIMITED,
  type: extentType,
  initial: () => 'auto',
  css: (value) => ({ 'min-width': extentCss(value, '0') }),
};

export const maxWidth: Property<Extent> = {
  name: 'maxWidth',
  label: 'Greatest width',
  group: 'layout',
  kinds: LIMITED,
  type: extentType,
  initial: () => 'auto',
  css: (value) => ({ 'max-width': extentCss(value, 'none') }),
};

export const minHeight: Property<number> = {
  name: 'minHeight',
  label: 'Least height',
  group: 'layout',
  kinds: ['section', 'row', 'column', 'heading', 'text', 'button', 'navigation'],
  type: numberType({ minimum: 0, maximum: 3000, step: 8, unit: 'px' }),
  initial: () => 0,
  css: (value) => ({ 'min-height': px(value) }),
};
