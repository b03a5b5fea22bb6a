import { childOrder, nodeId, type NodeId } from '../nodeid.ts';
import { px } from '../../type/fluid.ts';
import { heldSpan, heldStart } from '../../layout/spans.ts';
import { shownOf } from '../../layout/alternates.ts';
import { alternateType } from '../valuetypes/alternate.ts';
import { choiceType } from '../valuetypes/choice.ts';
import { extentCss, extentType, heightCss, heightType, type Extent } from '../valuetypes/extent.ts';
import { ratioCss, ratioType, type Ratio } from '../valuetypes/geometry.ts';
import { numberOr, numberType } from '../valuetypes/number.ts';
import { interleaveType, orderType } from '../valuetypes/order.ts';
import { fluidly } from '../valuetypes/fluid.ts';
import { spaceCss, spaceType, type Distance } from '../valuetypes/space.ts';
import { OVERLAY } from './area.ts';
import type { Property } from './property.ts';

/** The kind of element whose parts are the regions of a page. */
export const PAGE_LAYOUT = 'layout';

export const shown: Property<boolean> = {
  name: 'shown',
  label: 'Shown',
  group: 'layout',
  traits: ['section', 'block', 'edge', 'region'],
  // A set of alternates says which of them shows; to show none, it is hidden itself.
  notInside: ['alternates'],
  type: choiceType<boolean>([
    { value: true, label: 'yes', also: ['shown', 'show'] },
    { value: false, label: 'no', also: ['hidden', 'hide'] },
  ]),
  initial: () => true,
  css: (value, { display }) => ({ display: value ? display : 'none' }),
};

export const span: Property<number> = {
  name: 'span',
  label: 'Columns',
  group: 'layout',
  traits: ['block', 'region'],
  insideOf: ['row', PAGE_LAYOUT, OVERLAY],
  type: numberType({
    minimum: 1,
    maximum: 24,
    step: 1,
    integer: true,
    format: (value, { columns }) => (columns ? `${heldSpan(value, columns)} of ${columns}` : String(value)),
  }),
  initial: (view) => view.grid.columns,
  css: (value, { view }) => ({ 'grid-column-end': `span ${heldSpan(value, view.grid.columns)}` }),
  perView: true,
};

/** Held so that the span still fits behind it: a start never makes columns that the grid does not have. */
export const start: Property<number | 'auto'> = {
  name: 'start',
  label: 'First column',
  group: 'layout',
  traits: ['block', 'region'],
  insideOf: ['row', PAGE_LAYOUT],
  type: numberOr('auto', { minimum: 1, maximum: 24, step: 1, integer: true }),
  initial: () => 'auto',
  css: (value, { view, beside }) => ({
    'grid-column-start':
      value === 'auto'
        ? 'auto'
        : String(
            heldStart(
              value,
              (beside?.('span') as number | undefined) ?? view.grid.columns,
              view.grid.columns,
            ),
          ),
  }),
  perView: true,
  heldBeside: true,
};

export const order: Property<NodeId[]> = {
  name: 'order',
  label: 'Order of parts',
  childLabel: 'Place in row',
  deepLabels: { own: 'Layers', child: 'Layer' },
  group: 'layout',
  traits: ['container'],
  type: orderType,
  initial: () => [],
  css: (value, { children = [], child, deep }) => ({
    [deep ? 'z-index' : 'order']: String(child ? childOrder(children, value).indexOf(child) : 0),
  }),
  perView: true,
  onChildren: true,
};

/** The parts of a row’s columns as one sequence in which they stand one below another; none: every column keeps its own. */
export const interleave: Property<NodeId[]> = {
  name: 'interleave',
  label: 'Interleave columns',
  group: 'layout',
  traits: ['row'],
  type: interleaveType,
  initial: () => [],
  sequence: true,
};

/** Which of the children of a set of alternates shows. */
export const alternate: Property<NodeId> = {
  name: 'alternate',
  label: 'Alternate shown',
  group: 'layout',
  traits: ['alternating'],
  type: alternateType,
  initial: () => nodeId(''),
  css: (value, { children = [], child, display }) => ({
    display: shownOf(children, value) === child ? display : 'none',
  }),
  perView: true,
  onChildren: true,
};

export const blockAlign: Property<string> = {
  name: 'blockAlign',
  label: 'Align block',
  group: 'layout',
  traits: ['block'],
  notInside: [OVERLAY],
  type: choiceType([
    { value: 'auto', label: 'auto', also: ['as container'] },
    { value: 'stretch', label: 'fill' },
    { value: 'start', label: 'start', also: ['left'] },
    { value: 'center', label: 'centre', also: ['middle'] },
    { value: 'end', label: 'end', also: ['right'] },
  ]),
  initial: () => 'auto',
  css: (value) => ({ 'justify-self': value }),
};

export const justifyItems: Property<string> = {
  name: 'justifyItems',
  label: 'Align parts across',
  group: 'layout',
  traits: ['arranging'],
  type: choiceType([
    { value: 'stretch', label: 'fill' },
    { value: 'start', label: 'start', also: ['left'] },
    { value: 'center', label: 'centre', also: ['middle'] },
    { value: 'end', label: 'end', also: ['right'] },
  ]),
  initial: () => 'stretch',
  css: (value) => ({ 'justify-items': value }),
};

export const alignItems: Property<string> = {
  name: 'alignItems',
  label: 'Align parts down',
  group: 'layout',
  traits: ['arranging'],
  type: choiceType([
    { value: 'stretch', label: 'fill' },
    { value: 'start', label: 'top' },
    { value: 'center', label: 'middle', also: ['centre'] },
    { value: 'end', label: 'bottom' },
  ]),
  initial: () => 'stretch',
  css: (value) => ({ 'align-items': value }),
};

export const alignContent: Property<string> = {
  name: 'alignContent',
  label: 'Distribute parts',
  group: 'layout',
  traits: ['stack'],
  type: choiceType([
    { value: 'start', label: 'top' },
    { value: 'center', label: 'middle', also: ['centre'] },
    { value: 'end', label: 'bottom' },
    { value: 'space-between', label: 'spread' },
  ]),
  initial: () => 'start',
  css: (value) => ({ 'align-content': value }),
};

export const direction: Property<string> = {
  name: 'direction',
  label: 'Direction',
  group: 'layout',
  traits: ['directed'],
  type: choiceType([
    { value: 'stacked', label: 'stacked' },
    { value: 'beside', label: 'side by side' },
  ]),
  initial: () => 'stacked',
  css: (value) =>
    value === 'stacked'
      ? { 'grid-auto-flow': 'row', 'grid-template-columns': 'minmax(0, 1fr)' }
      : { 'grid-auto-flow': 'column', 'grid-template-columns': 'none' },
};

export const gap: Property<Distance> = {
  name: 'gap',
  label: 'Gap',
  group: 'layout',
  traits: ['gapped'],
  type: fluidly(spaceType(0, 400)),
  initial: () => 0,
  css: (value, { gap: name }) => ({ [name]: spaceCss(value) }),
};

export const width: Property<Extent> = {
  name: 'width',
  label: 'Width',
  group: 'layout',
  traits: ['block'],
  type: extentType,
  initial: () => 'auto',
  css: (value) => ({ width: extentCss(value, 'auto') }),
};

export const minWidth: Property<Extent> = {
  name: 'minWidth',
  label: 'Min. width',
  group: 'layout',
  traits: ['block'],
  type: extentType,
  initial: () => 'auto',
  css: (value) => ({ 'min-width': extentCss(value, '0') }),
};

export const maxWidth: Property<Extent> = {
  name: 'maxWidth',
  label: 'Max. width',
  group: 'layout',
  traits: ['block'],
  type: extentType,
  initial: () => 'auto',
  css: (value) => ({ 'max-width': extentCss(value, 'none') }),
};

export const bleed: Property<boolean> = {
  name: 'bleed',
  label: 'Full bleed',
  group: 'layout',
  traits: ['block'],
  insideOf: ['section'],
  type: choiceType<boolean>([
    { value: false, label: 'no' },
    { value: true, label: 'yes' },
  ]),
  initial: () => false,
  css: (value) => ({ 'grid-column': value ? '1 / -1' : '2' }),
};

export const height: Property<number | 'auto'> = {
  name: 'height',
  label: 'Height',
  group: 'layout',
  traits: ['section', 'block', 'region'],
  type: heightType,
  initial: () => 'auto',
  css: (value) => ({ height: heightCss(value) }),
};

export const minHeight: Property<number> = {
  name: 'minHeight',
  label: 'Min. height',
  group: 'layout',
  traits: ['box'],
  type: numberType({ minimum: 0, maximum: 3000, step: 8, unit: 'px' }),
  initial: () => 0,
  css: (value) => ({ 'min-height': px(value) }),
};

export const aspectRatio: Property<Ratio> = {
  name: 'aspectRatio',
  label: 'Aspect ratio',
  group: 'layout',
  traits: ['box'],
  type: ratioType,
  initial: () => 'auto',
  css: (value) => ({ 'aspect-ratio': ratioCss(value) }),
};

/** A block that stays must not be stretched to its row, or it has no way to go. */
export const sticky: Property<boolean> = {
  name: 'sticky',
  label: 'Sticky',
  group: 'layout',
  traits: ['section', 'block', 'region'],
  notInside: [OVERLAY],
  type: choiceType<boolean>([
    { value: false, label: 'no' },
    { value: true, label: 'yes', also: ['sticky'] },
  ]),
  initial: () => false,
  css: (value) =>
    value
      ? { position: 'sticky', top: '0', 'z-index': '1', 'align-self': 'start' }
      : { position: 'static', top: 'auto', 'z-index': 'auto', 'align-self': 'auto' },
};
