import { px } from '../../type/fluid.ts';
import { oneOf } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import type { View } from '../../layered/views.ts';
import { BLOCK_NAMES } from './blocknames.ts';
import { contentOf, type Kind, type Seed } from './kind.ts';

/** A new container is not empty: there is something in it to be seen and to begin with. */
const words = (): Seed => ({ children: [{ kind: 'heading' }, { kind: 'text' }] });

/** Room above and below a section: about 8.5 % of the grid's greatest width, in steps of 8 px, from 48 to 112. */
const sectionRoom = ({ grid }: View): number =>
  Math.min(112, Math.max(48, Math.round((grid.maxWidth * 0.085) / 8) * 8));

export const page: Kind = {
  name: 'page',
  label: 'Page',
  traits: ['container', 'coloured', 'backed'],
  accepts: ['section'],
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
  content: [],
  markup: (_node, { attributes, children }) => element('body', attributes, ...children),
};

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
      label: 'Serves as',
      type: oneOf([
        { value: 'section', label: 'part of the page' },
        { value: 'header', label: 'head of the page' },
        { value: 'footer', label: 'foot of the page' },
      ]),
      initial: 'section',
    },
  ],
  seed: words,
  markup: (node, { attributes, children, headed }) => {
    const landmark = contentOf<string>(section, node, 'landmark');
    // A section of an outline has a heading (HTML Standard, §4.3.3); one without is a box.
    return element(landmark === 'section' && !headed() ? 'div' : landmark, attributes, ...children);
  },
};

export const row: Kind = {
  name: 'row',
  label: 'Row',
  traits: ['block', 'container', 'coloured', 'backed', 'box', 'gapped', 'arranging'],
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
