import { SquareDashed } from 'lucide';
import { line, oneOf } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';
import { BESIDE } from './section.ts';
import { STACK } from './stack.ts';

/** One of the regions of a page layout, in which sections stand one below another; its name says which sections keep to it. */
export const region: Kind = {
  ...STACK,
  name: 'region',
  label: 'Region',
  icon: SquareDashed,
  offered: 'containers',
  traits: ['region', 'container', 'coloured', 'backed', 'box', 'gapped', 'arranging', 'stack'],
  accepts: ['section'],
  refuses: ['page layout'],
  // The margins of the page are those of the layout; what stands in a region reaches to its edges.
  structure: { ...STACK.structure, [BESIDE]: '0px' },
  defaults: {},
  seed: () => ({ children: [{ kind: 'section' }] }),
  content: [
    {
      name: 'landmark',
      label: 'Landmark',
      type: oneOf([
        { value: 'none', label: 'none' },
        { value: 'aside', label: 'complementary content' },
        { value: 'nav', label: 'navigation' },
        { value: 'region', label: 'named region' },
      ]),
      initial: 'none',
    },
    { name: 'label', label: 'Name for screen readers', type: line, initial: '' },
  ],
  landmark: (node) => {
    const said = (field: string) => contentOf<string>(region, node, field).trim();
    return said('landmark') === 'none' ? undefined : { role: said('landmark'), label: said('label') };
  },
  destination: true,
  markup: (node, { attributes, children }) => {
    const landmark = contentOf<string>(region, node, 'landmark');
    const label = contentOf<string>(region, node, 'label') || undefined;
    const tag = { aside: 'aside', nav: 'nav', region: 'section' }[landmark] ?? 'div';
    return element(tag, tag === 'div' ? attributes : { ...attributes, 'aria-label': label }, ...children);
  },
};
