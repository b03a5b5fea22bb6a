import { RectangleHorizontal } from 'lucide';
import { words } from './stack.ts';
import { px } from '../../type/fluid.ts';
import { line, oneOf } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import type { View } from '../../layered/views.ts';
import { contentOf, type Kind } from './kind.ts';
import { lookup } from '../../lookup.ts';

/** Room above and below a section: about 8.5 % of the grid's greatest width, in steps of 8 px, from 48 to 112. */
const sectionRoom = ({ grid }: View): number =>
  Math.min(112, Math.max(48, Math.round((grid.maxWidth * 0.085) / 8) * 8));

/** The room that sections keep at the edges of the page, as they use it; none in a region of a layout. */
export const BESIDE = '--beside';

/** Roles of sections that have another element. */
const SECTION_TAGS: Record<string, string> = { region: 'section' };

export const section: Kind = {
  name: 'section',
  label: 'Section',
  icon: RectangleHorizontal,
  offered: 'containers',
  traits: ['section', 'container', 'coloured', 'backed', 'box', 'gapped', 'arranging', 'stack'],
  accepts: ['block'],
  display: 'grid',
  gap: 'row-gap',
  structure: { display: 'grid', 'align-content': 'start' },
  inner: { '> *': { 'grid-column': '2' } },
  perView: ({ grid }) => {
    const beside = `minmax(var(${BESIDE}, ${px(grid.margin)}), 1fr)`;
    return { 'grid-template-columns': `${beside} minmax(0, ${px(grid.maxWidth)}) ${beside}` };
  },
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
  landmark: (node) => {
    const said = (field: string) => contentOf<string>(section, node, field).trim();
    return { role: said('landmark'), label: said('label') };
  },
  destination: true,
  canBecomeOverlay: true,
  markup: (node, { attributes, children, headed }) => {
    const landmark = contentOf<string>(section, node, 'landmark');
    const label = contentOf<string>(section, node, 'label') || undefined;
    const role = lookup(SECTION_TAGS, landmark) ?? landmark;
    // A section of an outline has a heading (HTML Standard, §4.3.3); one without is a box. A name makes it a landmark (WAI-ARIA 1.2, region).
    const tag = role === 'section' && !headed() && !label ? 'div' : role;
    return element(tag, tag === 'div' ? attributes : { ...attributes, 'aria-label': label }, ...children);
  },
};
