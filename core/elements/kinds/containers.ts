import { px } from '../../type/fluid.ts';
import { line, oneOf } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import type { View } from '../../layered/views.ts';
import { OVERLAY, ROW_HEIGHT } from '../properties/area.ts';
import { BLOCK_NAMES } from './blocknames.ts';
import { contentOf, type Kind, type Seed } from './kind.ts';
import { lookup } from '../../lookup.ts';

/** A new container is not empty: there is something in it to be seen and to begin with. */
const words = (): Seed => ({ children: [{ kind: 'heading' }, { kind: 'text' }] });

/** Room above and below a section: about 8.5 % of the grid's greatest width, in steps of 8 px, from 48 to 112. */
const sectionRoom = ({ grid }: View): number =>
  Math.min(112, Math.max(48, Math.round((grid.maxWidth * 0.085) / 8) * 8));

export const page: Kind = {
  name: 'page',
  label: 'Page',
  traits: ['page', 'container', 'coloured', 'backed'],
  accepts: ['section', 'alternates', 'strip', 'up', 'openingscreen'],
  display: 'grid',
  // A word that is longer than its line is broken, and makes nothing wider (CSS Text 3, §5.5).
  structure: {
    display: 'grid',
    'grid-template-columns': 'minmax(0, 1fr)',
    margin: '0',
    'overflow-wrap': 'anywhere',
  },
  inner: { main: { display: 'contents' } },
  defaults: {},
  content: [
    { name: 'stopFilm', label: 'Text that stops a background video', type: line, initial: 'Stop the video' },
  ],
  markup: (_node, { attributes, children }) => element('body', attributes, ...children),
};

/** Roles of sections that have another element. */
const SECTION_TAGS: Record<string, string> = { region: 'section' };

export const section: Kind = {
  name: 'section',
  label: 'Section',
  traits: ['section', 'container', 'coloured', 'backed', 'box', 'gapped', 'arranging', 'stack'],
  accepts: BLOCK_NAMES,
  display: 'grid',
  gap: 'row-gap',
  structure: { display: 'grid', 'align-content': 'start' },
  inner: { '> *': { 'grid-column': '2' } },
  perView: ({ grid }) => ({
    'grid-template-columns': `minmax(${px(grid.margin)}, 1fr) minmax(0, ${px(grid.maxWidth)}) minmax(${px(grid.margin)}, 1fr)`,
  }),
  defaults: { paddingTop: sectionRoom, paddingBottom: sectionRoom },
  content: [
    {
      name: 'landmark',
      label: 'Landmark',
      type: oneOf([
        { value: 'section', label: 'section' },
        { value: 'header', label: 'header' },
        { value: 'footer', label: 'footer' },
        { value: 'nav', label: 'navigation' },
        { value: 'aside', label: 'complementary content' },
        { value: 'search', label: 'search' },
        { value: 'region', label: 'named region' },
      ]),
      initial: 'section',
    },
    { name: 'label', label: 'Name for screen readers', type: line, initial: '' },
  ],
  seed: words,
  markup: (node, { attributes, children, headed }) => {
    const landmark = contentOf<string>(section, node, 'landmark');
    const label = contentOf<string>(section, node, 'label') || undefined;
    const role = lookup(SECTION_TAGS, landmark) ?? landmark;
    // A section of an outline has a heading (HTML Standard, §4.3.3); one without is a box. A name makes it a landmark (WAI-ARIA 1.2, region).
    const tag = role === 'section' && !headed() && !label ? 'div' : role;
    return element(tag, tag === 'div' ? attributes : { ...attributes, 'aria-label': label }, ...children);
  },
};

export const row: Kind = {
  name: 'row',
  label: 'Row',
  traits: ['row', 'block', 'container', 'coloured', 'backed', 'box', 'gapped', 'arranging'],
  accepts: BLOCK_NAMES,
  display: 'grid',
  gap: '--gap',
  // Gaps give way before they would make a row wider than what it stands in.
  structure: {
    display: 'grid',
    'row-gap': 'var(--gap)',
    'column-gap': 'min(var(--gap), 100% / var(--columns))',
  },
  perView: ({ grid }) => ({
    '--columns': String(grid.columns),
    'grid-template-columns': `repeat(${grid.columns}, minmax(0, 1fr))`,
  }),
  inner: { '> *': { 'grid-column-end': 'span var(--columns)', 'min-width': '0' } },
  defaults: { gap: (view: View) => view.grid.gutter },
  content: [],
  seed: () => ({ children: [1, 2].map(() => ({ kind: 'column', share: 1 / 2, ...words() })) }),
  markup: (_node, { attributes, children }) => element('div', attributes, ...children),
};

const STACK = {
  accepts: BLOCK_NAMES,
  display: 'grid',
  structure: {
    display: 'grid',
    'grid-template-columns': 'minmax(0, 1fr)',
    'grid-auto-columns': 'minmax(0, 1fr)',
    'align-content': 'start',
  },
  content: [],
  seed: words,
} as const;

export const column: Kind = {
  name: 'column',
  label: 'Column',
  traits: ['block', 'container', 'coloured', 'backed', 'box', 'gapped', 'arranging', 'stack', 'directed'],
  ...STACK,
  defaults: { gap: 16 },
  markup: (_node, { attributes, children }) => element('div', attributes, ...children),
};

/** Blocks that belong together, so that they go, and are laid out, as one. */
export const group: Kind = { ...column, name: 'group', label: 'Group' };

/** Blocks, or sections, that stand in for one another: exactly one of them shows in each view. */
export const alternates: Kind = {
  name: 'alternates',
  label: 'Alternates',
  traits: ['block', 'alternating'],
  accepts: ['section', ...BLOCK_NAMES.filter((name) => name !== 'alternates')],
  display: 'grid',
  structure: { display: 'grid', 'grid-template-columns': 'minmax(0, 1fr)' },
  defaults: {},
  required: ['alternate'],
  content: [],
  ofElements: true,
  markup: (_node, { attributes, children }) => element('div', attributes, ...children),
};

/**
 * A block whose parts may lie over one another: each stands in an area of the columns of the view's grid and of rows that are at least
 * of one height, and grow with what is in them.
 */
export const overlay: Kind = {
  name: OVERLAY,
  label: 'Overlay',
  traits: ['block', 'container', 'coloured', 'backed', 'box', 'overlaying'],
  accepts: BLOCK_NAMES,
  display: 'grid',
  structure: { display: 'grid', 'grid-auto-rows': `minmax(var(${ROW_HEIGHT}), auto)` },
  perView: ({ grid }) => ({
    '--columns': String(grid.columns),
    'grid-template-columns': `repeat(${grid.columns}, minmax(0, 1fr))`,
    // As in rows, gaps give way before they would make it wider than what it stands in.
    'column-gap': `min(${px(grid.gutter)}, 100% / ${grid.columns})`,
  }),
  // Each part is painted as one, in the order of the source where no other is set.
  inner: {
    '> *': {
      position: 'relative',
      'z-index': '0',
      'min-width': '0',
      'grid-column': '1 / span var(--columns)',
      'grid-row': '1 / span 1',
      'align-self': 'start',
    },
  },
  defaults: { rowHeight: 24 },
  content: [],
  seed: (): Seed => ({
    children: [
      { kind: 'picture', style: { areaRows: { base: 12 }, heldDown: { base: 'stretch' } } },
      { kind: 'heading', style: { areaRow: { base: 5 }, areaRows: { base: 3 } } },
    ],
  }),
  markup: (_node, { attributes, children }) => element('div', attributes, ...children),
};

/** A thing of its own among others like it, set off from what is behind it. */
export const card: Kind = {
  name: 'card',
  label: 'Card',
  traits: column.traits,
  ...STACK,
  defaults: {
    gap: 12,
    paddingTop: 24,
    paddingRight: 24,
    paddingBottom: 24,
    paddingLeft: 24,
    backgroundColour: 'white',
    radius: 8,
    shadow: 'low',
  },
  markup: (_node, { attributes, children, headed }) =>
    element(headed() ? 'article' : 'div', attributes, ...children),
};
