/**
 * The declarations of every property, written by hand. What they come to in a browser is checked in test/browser/meaning.test.ts;
 * here, that each value is written as the property and the value of CSS that it stands for.
 */
import { expect } from 'chai';
import { knownProperty, PROPERTIES } from '../../core/index.ts';
import { type Hold } from '../../core/elements/properties/area.ts';
import { type Declarations } from '../../core/elements/properties/property.ts';
import { frame, node } from './acting.ts';

type Said = [value: unknown, declarations: Declarations];

/** What an image takes over from what the shelf says of it. */
const SATURN = {
  '--focus': 'var(--focus-saturn, 50% 50%)',
  '--tone': 'var(--tone-saturn, transparent)',
  '--whole-file': 'var(--whole-file-saturn, 0)',
  '--ratio': 'var(--ratio-saturn, auto)',
};

const desktop = frame.views.list.find(({ id }) => id === 'desktop')!;
const mobile = frame.views.list.find(({ id }) => id === 'mobile')!;

/** By the direction of writing, where that matters. */
const FLOW: Record<string, string> = { left: 'inline-start', right: 'inline-end' };

const sides = (name: string, end = ''): Record<string, Said[]> =>
  Object.fromEntries(
    ['top', 'right', 'bottom', 'left'].map((side) => [
      name + side[0].toUpperCase() + side.slice(1),
      [
        [12, { [`${name}-${FLOW[side] ?? side}${end}`]: '12px' }],
        [0, { [`${name}-${FLOW[side] ?? side}${end}`]: '0px' }],
      ],
    ]),
  );

const LAYERS = { 'background-image': 'var(--tint, none), var(--gradient, none), var(--picture, none)' };

/** In the demo's Desktop view of 12 columns. */
const inset = (axis: string, start: string, end: string, from = 'auto', to = 'auto') => ({
  [`margin-${axis}-start`]: start,
  [`margin-${axis}-end`]: end,
  [`inset-${axis}-start`]: from,
  [`inset-${axis}-end`]: to,
});

const DECLARATIONS: Record<string, Said[]> = {
  family: [
    ['literata', { 'font-family': '"literata", "literata stand-in", serif' }],
    ['figtree', { 'font-family': '"figtree", "figtree stand-in", sans-serif' }],
    ['font-own', { 'font-family': '"font-own", sans-serif' }],
  ],
  size: [
    [24, { 'font-size': '1.5rem' }],
    [{ min: 20, max: 20, fromWidth: 320, toWidth: 1280 }, { 'font-size': '1.25rem' }],
    // 16 px over 800 px are 2vw; at 480 px these are 9.6 px of the 32.
    [{ min: 32, max: 48, fromWidth: 480, toWidth: 1280 }, { 'font-size': 'clamp(2rem, 2vw + 1.4rem, 3rem)' }],
  ],
  lineHeight: [
    [1.55, { 'line-height': '1.55' }],
    [
      { min: 1.4, max: 1.6, fromWidth: 1280, toWidth: 320 },
      { 'line-height': 'clamp(1.4, 1.4 + 0.2 * tan(atan2(var(--window) - 1280px, -960px)), 1.6)' },
    ],
  ],
  weight: [[650, { 'font-weight': '650' }]],
  slant: [['italic', { 'font-style': 'italic' }]],
  letterSpacing: [
    [0, { '--tracking': 'normal' }],
    [-0.02, { '--tracking': '-0.02em' }],
    [
      { min: -0.02, max: 0, fromWidth: 320, toWidth: 1320 },
      {
        '--tracking': 'calc(1em * clamp(-0.02, -0.02 + 0.02 * tan(atan2(var(--window) - 320px, 1000px)), 0))',
      },
    ],
  ],
  case: [['uppercase', { 'text-transform': 'uppercase' }]],
  decoration: [['underline', { 'text-decoration-line': 'underline' }]],
  align: [['end', { 'text-align': 'end' }]],
  colour: [
    ['#102030', { color: '#102030' }],
    ['{night}', { color: 'var(--colour-night)' }],
  ],
  wrapping: [['balance', { 'text-wrap': 'balance' }]],
  hyphenation: [['auto', { hyphens: 'auto' }]],
  textColumns: [
    [1, { 'column-count': 'auto' }],
    [2, { 'column-count': '2' }],
  ],
  marker: [['square', { 'list-style-type': 'square' }]],
  shown: [
    [true, { display: 'grid' }],
    [false, { display: 'none' }],
  ],
  collapse: [
    ['open', { '--menu-button': 'none', '--menu-list': 'flex', '--menu-position': 'static' }],
    ['button', { '--menu-button': 'inline-flex', '--menu-list': 'none', '--menu-position': 'fixed' }],
  ],
  iconSize: [[40, { width: '40px', height: '40px' }]],
  thickness: [[3, { '--thickness': '3px' }]],
  pageImages: [
    ['above', { '--entry': 'column', '--entry-share': 'auto', '--entry-image': 'block' }],
    ['beside', { '--entry': 'row', '--entry-share': 'calc(100% / 3)', '--entry-image': 'block' }],
    ['none', { '--entry': 'column', '--entry-share': 'auto', '--entry-image': 'none' }],
  ],
  pageDescriptions: [
    ['shown', { '--entry-description': 'block' }],
    ['hidden', { '--entry-description': 'none' }],
  ],
  pageMeta: [['hidden', { '--entry-meta': 'none' }]],
  tiles: [[4, { 'grid-template-columns': 'repeat(4, minmax(0, 1fr))' }]],
  span: [
    [5, { 'grid-column-end': 'span 5' }],
    [13, { 'grid-column-end': 'span 12' }],
  ],
  // Beside a span of 5 the last first column of twelve is 8.
  start: [
    ['auto', { 'grid-column-start': 'auto' }],
    [8, { 'grid-column-start': '8' }],
    [9, { 'grid-column-start': '8' }],
  ],
  areaColumn: [
    [8, { 'grid-column-start': '8' }],
    [9, { 'grid-column-start': '8' }],
  ],
  areaRow: [[4, { 'grid-row-start': '4' }]],
  areaRows: [[3, { 'grid-row-end': 'span 3' }]],
  heldAcross: [['end', { 'justify-self': 'end' }]],
  // From the start, where nothing else is said beside.
  offsetAcross: [
    [{ px: 20 }, inset('inline', '20px', '0px')],
    [{ percent: 10 }, inset('inline', '0px', '0px', '10%')],
  ],
  heldDown: [['stretch', { 'align-self': 'stretch' }]],
  offsetDown: [[{ px: -12 }, inset('block', '-12px', '0px')]],
  rowHeight: [[123, { '--row-height': '123px' }]],
  leastRows: [
    [0, { 'grid-template-rows': 'none' }],
    [5, { 'grid-template-rows': 'repeat(5, minmax(var(--row-height), auto))' }],
  ],
  order: [[['b', 'c', 'a'], { order: '1' }]],
  alternate: [
    ['c', { display: 'grid' }],
    ['a', { display: 'none' }],
  ],
  direction: [
    ['stacked', { 'grid-auto-flow': 'row', 'grid-template-columns': 'minmax(0, 1fr)' }],
    ['beside', { 'grid-auto-flow': 'column', 'grid-template-columns': 'none' }],
  ],
  gap: [
    [24, { gap: '24px' }],
    ['{m}', { gap: 'var(--space-m)' }],
    [{ min: 0, max: 40, fromWidth: 500, toWidth: 1500 }, { gap: 'clamp(0px, 0px + 4vw - 20px, 40px)' }],
  ],
  blockAlign: [['center', { 'justify-self': 'center' }]],
  justifyItems: [['end', { 'justify-items': 'end' }]],
  alignItems: [['center', { 'align-items': 'center' }]],
  alignContent: [['space-between', { 'align-content': 'space-between' }]],
  bleed: [
    [true, { 'grid-column': '1 / -1' }],
    [false, { 'grid-column': '2' }],
  ],
  width: [
    ['auto', { width: 'auto' }],
    [{ px: 300 }, { width: '300px' }],
    [{ percent: 62.5 }, { width: '62.5%' }],
  ],
  minWidth: [
    ['auto', { 'min-width': '0' }],
    [{ px: 20 }, { 'min-width': '20px' }],
  ],
  maxWidth: [
    ['auto', { 'max-width': 'none' }],
    [{ percent: 40 }, { 'max-width': '40%' }],
  ],
  height: [
    ['auto', { height: 'auto' }],
    [320, { height: '320px' }],
  ],
  minHeight: [[640, { 'min-height': '640px' }]],
  aspectRatio: [
    ['auto', { 'aspect-ratio': 'auto' }],
    [{ width: 16, height: 9 }, { 'aspect-ratio': '16 / 9' }],
  ],
  sticky: [
    [true, { position: 'sticky', top: '0', 'z-index': '1', 'align-self': 'start' }],
    [false, { position: 'static', top: 'auto', 'z-index': 'auto', 'align-self': 'auto' }],
  ],
  edge: [
    ['lower', { order: '9999', top: 'auto', bottom: '0', '--inset': '0px var(--safe-bottom, 0px)' }],
    ['upper', { order: '-1', top: '0', bottom: 'auto', '--inset': 'var(--safe-top, 0px) 0px' }],
  ],
  corner: [
    ['start', { 'inset-inline': 'max(1rem, var(--safe-left, 0px)) auto', 'margin-inline': '0' }],
    ['middle', { 'inset-inline': '1rem', 'margin-inline': 'auto' }],
    ['end', { 'inset-inline': 'auto max(1rem, var(--safe-right, 0px))', 'margin-inline': '0' }],
  ],
  fromEdge: [[24, { bottom: 'calc(24px + var(--strip-room, 0px) + var(--safe-bottom, 0px))' }]],
  leaving: [
    ['fading', { 'animation-name': 'leave-fading' }],
    ['setting', { 'animation-name': 'leave-setting' }],
  ],
  stays: [[2.5, { 'animation-delay': '2.5s' }]],
  clearTop: [[64, { '--clear-top': '64px' }]],
  ...sides('padding'),
  ...sides('margin'),
  backgroundColour: [['{night}', { 'background-color': 'var(--colour-night)' }]],
  backgroundPicture: [
    ['none', { '--picture': 'none', ...LAYERS }],
    ['saturn', { '--picture': 'var(--picture-saturn)', ...LAYERS }],
  ],
  backgroundPosition: [[{ x: 20, y: 80 }, { 'background-position': '0 0, 0 0, 20% 80%' }]],
  backgroundSize: [['50% auto', { 'background-size': 'auto, auto, 50% auto' }]],
  backgroundRepeat: [['repeat-x', { 'background-repeat': 'repeat, repeat, repeat-x' }]],
  tint: [
    ['transparent', { '--tint': 'none', ...LAYERS }],
    ['#0008', { '--tint': 'linear-gradient(#0008, #0008)', ...LAYERS }],
    ['{dusk}', { '--tint': 'linear-gradient(var(--colour-dusk), var(--colour-dusk))', ...LAYERS }],
  ],
  gradient: [
    ['none', { '--gradient': 'none', ...LAYERS }],
    [
      { angle: 90, from: '{night}', to: '#fff' },
      { '--gradient': 'linear-gradient(90deg, var(--colour-night), #fff)', ...LAYERS },
    ],
  ],
  cropRatio: [[{ width: 4, height: 3 }, { 'aspect-ratio': '4 / 3' }]],
  fit: [
    ['contain', { 'object-fit': 'contain', 'background-color': 'transparent' }],
    ['cover', { 'object-fit': 'cover', 'background-color': 'var(--tone, transparent)' }],
  ],
  zoom: [
    [100, { overflow: 'visible' }],
    [250, { overflow: 'clip' }],
  ],
  focalPoint: [
    [
      { x: 50, y: 12.5 },
      { 'object-position': '50% 12.5%', 'transform-origin': '50% 12.5%' },
    ],
  ],
  ...sides('border', '-width'),
  borderStyle: [['dashed', { 'border-style': 'dashed' }]],
  borderColour: [['#767676', { 'border-color': '#767676' }]],
  radius: [[8, { 'border-radius': '8px' }]],
  shadow: [
    ['none', { 'box-shadow': 'none' }],
    ['low', { 'box-shadow': '0 1px 3px rgb(0 0 0 / 0.25)' }],
    ['middle', { 'box-shadow': '0 4px 14px rgb(0 0 0 / 0.22)' }],
    ['high', { 'box-shadow': '0 14px 40px rgb(0 0 0 / 0.28)' }],
  ],
  // What an element has that may be without a picture.
  source: [['saturn', { ...SATURN, '--sign': 'block', '--words': 'none' }]],
  opacity: [[0.4, { opacity: '0.4' }]],
};

describe('the declarations of a property', () => {
  const context = {
    view: desktop,
    display: 'grid',
    gap: 'gap' as const,
    required: [],
    children: ['a', 'b', 'c', 'd'].map(node),
    child: node('c'),
    beside: (name: string) => (name === 'span' ? 5 : undefined),
  };

  it('are written down here for every one', () => {
    // Words and videos are markup, a sequence is CSS of what stands in columns (interleaving.test.ts), and the colours of the browser stand in the head of the page.
    const styles = PROPERTIES.filter(({ wording }) => !wording).map(({ name }) => name);
    expect([
      ...Object.keys(DECLARATIONS),
      'barColour',
      'barColourDark',
      'backgroundFilm',
      'interleave',
    ]).to.have.members(styles);
    expect(knownProperty('letterSpacing').applied).to.deep.equal({
      'letter-spacing': 'var(--tracking, normal)',
    });
  });

  for (const [name, all] of Object.entries(DECLARATIONS)) {
    it(`say ${name}`, () => {
      for (const [value, declarations] of all)
        expect(knownProperty(name).css!(value, context), JSON.stringify(value)).to.deep.equal(declarations);
    });
  }

  it('follow the view and what stands around, where they depend on it', () => {
    const css = (name: string, value: unknown, more: object) =>
      knownProperty(name).css!(value, { ...context, ...more });
    expect(css('gap', 16, { gap: 'row-gap' })).to.deep.equal({ 'row-gap': '16px' });
    expect(css('gap', '{m}', { gap: '--gap' })).to.deep.equal({ '--gap': 'var(--space-m)' });
    expect(css('source', 'saturn', { required: ['source'] })).to.deep.equal(SATURN);
    expect(css('shown', true, { display: 'flex' })).to.deep.equal({ display: 'flex' });
    // Four columns: a span of 5 takes all of them, and then starts at the first.
    expect(css('span', 5, { view: mobile })).to.deep.equal({ 'grid-column-end': 'span 4' });
    expect(css('start', 3, { view: mobile })).to.deep.equal({ 'grid-column-start': '1' });
    // Without a span it takes the whole row.
    expect(css('start', 3, { beside: undefined })).to.deep.equal({ 'grid-column-start': '1' });
    expect(css('order', ['d', 'a'], { child: node('a') })).to.deep.equal({ order: '1' });
    // What may lie over one another has an order of depth.
    expect(css('order', ['d', 'a'], { child: node('a'), deep: true })).to.deep.equal({ 'z-index': '1' });
    expect(css('areaColumn', 3, { view: mobile })).to.deep.equal({ 'grid-column-start': '1' });
    const held = (where: string) => ({ beside: () => where });
    expect(css('offsetAcross', { px: 20 }, held('end'))).to.deep.equal(inset('inline', '0px', '20px'));
    expect(css('offsetAcross', { px: 20 }, held('center'))).to.deep.equal(inset('inline', '20px', '-20px'));
    expect(css('offsetDown', { px: 20 }, held('stretch'))).to.deep.equal(inset('block', '20px', '20px'));
    expect(css('offsetDown', { percent: 10 }, held('end'))).to.deep.equal(
      inset('block', '0px', '0px', 'auto', '10%'),
    );
    const picture = (value: Hold, where: Hold) =>
      knownProperty('heldDown').onPicture!(value, { ...context, ...held(where) }).height;
    expect(picture('stretch', 'stretch')).to.equal('100%');
    expect(picture('stretch', 'start')).to.equal('auto');
    expect(picture('end', 'stretch')).to.equal('auto');
    expect(css('alternate', 'a', { child: node('a'), display: 'flex' })).to.deep.equal({ display: 'flex' });
    // Where the one that was wanted has gone, the first shows.
    expect(css('alternate', 'gone', { child: node('b') })).to.deep.equal({ display: 'none' });
    expect(css('order', [], { child: undefined })).to.deep.equal({ order: '0' });
    const perView = PROPERTIES.filter((property) => property.perView).map(({ name }) => name);
    expect(perView).to.have.members([
      ...['alternate', 'span', 'start', 'order'],
      ...['areaColumn', 'offsetAcross', 'heldDown', 'offsetDown', 'zoom'],
    ]);
    const beside = PROPERTIES.filter((property) => property.heldBeside).map(({ name }) => name);
    expect(beside).to.have.members([
      ...['start', 'areaColumn', 'offsetAcross', 'heldDown', 'offsetDown', 'zoom'],
    ]);
    const onChildren = PROPERTIES.filter((property) => property.onChildren).map(({ name }) => name);
    expect(onChildren).to.have.members(['alternate', 'order']);
    const onMedia = PROPERTIES.filter((property) => property.onMedia).map(({ name }) => name);
    expect(onMedia).to.have.members([
      ...['cropRatio', 'fit', 'focalPoint', 'iconSize', 'borderStyle', 'borderColour', 'radius', 'shadow'],
      ...['borderTop', 'borderRight', 'borderBottom', 'borderLeft'],
    ]);
  });
});
