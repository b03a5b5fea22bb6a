import { px } from '../../type/fluid.ts';
import { choiceType } from '../valuetypes/choice.ts';
import { numberType } from '../valuetypes/number.ts';
import type { Property } from './property.ts';

/** What only one kind of element has. */

export const iconSize: Property<number> = {
  name: 'iconSize',
  label: 'Icon size',
  group: 'layout',
  traits: ['icon'],
  type: numberType({ minimum: 8, maximum: 400, step: 4, unit: 'px' }),
  initial: () => 32,
  onMedia: true,
  css: (value) => ({ width: px(value), height: px(value) }),
};

export const thickness: Property<number> = {
  name: 'thickness',
  label: 'Thickness',
  group: 'layout',
  traits: ['divider'],
  type: numberType({ minimum: 1, maximum: 40, step: 1, unit: 'px' }),
  initial: () => 1,
  css: (value) => ({ '--thickness': px(value) }),
};

export const marker: Property<string> = {
  name: 'marker',
  label: 'Marker',
  group: 'text',
  traits: ['marked list'],
  type: choiceType([
    { value: 'disc', label: 'dot' },
    { value: 'circle', label: 'ring' },
    { value: 'square', label: 'square' },
    { value: 'decimal', label: 'number' },
    { value: 'none', label: 'none' },
  ]),
  initial: () => 'disc',
  css: (value) => ({ 'list-style-type': value }),
};

export const tiles: Property<number> = {
  name: 'tiles',
  label: 'Items per row',
  group: 'layout',
  traits: ['tiled'],
  type: numberType({ minimum: 1, maximum: 12, step: 1, integer: true }),
  initial: () => 3,
  css: (value) => ({ 'grid-template-columns': `repeat(${value}, minmax(0, 1fr))` }),
};

/**
 * Whether the links of a menu stand on the page or behind a button. The button opens the list as a popover (HTML
 * Standard, §6.12 https://html.spec.whatwg.org/multipage/popover.html), which needs no script.
 */
export const collapse: Property<string> = {
  name: 'collapse',
  label: 'Links',
  group: 'layout',
  traits: ['menu'],
  type: choiceType([
    { value: 'open', label: 'on the page', also: ['open'] },
    { value: 'button', label: 'behind a button', also: ['button'] },
  ]),
  initial: () => 'open',
  css: (value) =>
    value === 'open'
      ? { '--menu-button': 'none', '--menu-list': 'flex', '--menu-position': 'static' }
      : { '--menu-button': 'inline-flex', '--menu-list': 'none', '--menu-position': 'fixed' },
};

const SHOWN_OR_NOT = choiceType([
  { value: 'shown', label: 'shown', also: ['on'] },
  { value: 'hidden', label: 'not shown', also: ['off'] },
]);

/** An image beside the text takes one part in so many of the entry's width. */
export const PAGE_IMAGE_SHARE = 3;

/** The position of the images in a page list. */
export const pageImages: Property<string> = {
  name: 'pageImages',
  label: 'Images',
  group: 'layout',
  traits: ['page list'],
  type: choiceType([
    { value: 'above', label: 'above', also: ['top'] },
    { value: 'beside', label: 'beside', also: ['left'] },
    { value: 'none', label: 'not shown', also: ['off'] },
  ]),
  initial: () => 'above',
  css: (value) => ({
    '--entry': value === 'beside' ? 'row' : 'column',
    '--entry-share': value === 'beside' ? `calc(100% / ${PAGE_IMAGE_SHARE})` : 'auto',
    '--entry-image': value === 'none' ? 'none' : 'block',
  }),
};

export const pageDescriptions: Property<string> = {
  name: 'pageDescriptions',
  label: 'Descriptions',
  group: 'layout',
  traits: ['page list'],
  type: SHOWN_OR_NOT,
  initial: () => 'shown',
  css: (value) => ({ '--entry-description': value === 'shown' ? 'block' : 'none' }),
};

export const pageMeta: Property<string> = {
  name: 'pageMeta',
  label: 'Dates, authors and tags',
  group: 'layout',
  traits: ['page list'],
  type: SHOWN_OR_NOT,
  initial: () => 'shown',
  css: (value) => ({ '--entry-meta': value === 'shown' ? 'block' : 'none' }),
};
