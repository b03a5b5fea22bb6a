/** What properties are until someone sets them, and how far their values go. */
import { expect } from 'chai';
import { knownProperty, PROPERTIES } from '../../core/index.ts';
import { attempt, frame, node, view } from './acting.ts';

const sides = (name: string, value: unknown) =>
  Object.fromEntries(['Top', 'Right', 'Bottom', 'Left'].map((side) => [name + side, value]));
const middle = { x: 50, y: 50 };

/** The initial value of every property, in the demo's Desktop view of 12 columns. */
const INITIAL: Record<string, unknown> = {
  family: 'figtree',
  size: 16,
  lineHeight: 1.5,
  weight: 400,
  slant: 'normal',
  letterSpacing: 0,
  case: 'none',
  decoration: 'none',
  align: 'start',
  colour: 'black',
  wrapping: 'wrap',
  hyphenation: 'manual',
  textColumns: 1,
  marker: 'disc',
  shown: true,
  collapse: 'open',
  iconSize: 32,
  thickness: 1,
  tiles: 3,
  pageImages: 'above',
  pageDescriptions: 'shown',
  pageMeta: 'shown',
  span: 12,
  start: 'auto',
  areaColumn: 1,
  areaRow: 1,
  areaRows: 1,
  heldAcross: 'stretch',
  offsetAcross: { px: 0 },
  heldDown: 'start',
  offsetDown: { px: 0 },
  rowHeight: 24,
  leastRows: 0,
  order: [],
  interleave: [],
  alternate: '',
  direction: 'stacked',
  gap: 0,
  blockAlign: 'auto',
  justifyItems: 'stretch',
  alignItems: 'stretch',
  alignContent: 'start',
  bleed: false,
  width: 'auto',
  minWidth: 'auto',
  maxWidth: 'auto',
  height: 'auto',
  minHeight: 0,
  aspectRatio: 'auto',
  sticky: false,
  edge: 'lower',
  corner: 'end',
  fromEdge: 16,
  leaving: 'fading',
  stays: 1.5,
  clearTop: 0,
  ...sides('padding', 0),
  ...sides('margin', 0),
  backgroundColour: 'transparent',
  backgroundPicture: 'none',
  backgroundPosition: middle,
  backgroundSize: 'cover',
  backgroundRepeat: 'no-repeat',
  tint: 'transparent',
  gradient: 'none',
  backgroundFilm: 'none',
  barColour: 'transparent',
  barColourDark: 'transparent',
  source: 'none',
  cropRatio: 'auto',
  fit: 'cover',
  zoom: 100,
  focalPoint: middle,
  ...sides('border', 0),
  borderStyle: 'solid',
  borderColour: 'black',
  radius: 0,
  shadow: 'none',
  opacity: 1,
};

/** Properties that are passed on to what stands inside, as CSS inheritance does with theirs. */
const INHERITED = [
  'family',
  'size',
  'lineHeight',
  'weight',
  'slant',
  'letterSpacing',
  'case',
  'align',
  'colour',
  'wrapping',
  'hyphenation',
];

/** The least and the greatest number of properties on an element of the demo that takes them, and a step beyond. */
const RANGES: [on: string, property: string, least: number, most: number, beyond: number][] = [
  ['headline', 'size', 6, 400, 1],
  ['headline', 'lineHeight', 0.5, 4, 0.1],
  ['headline', 'weight', 100, 900, 1],
  ['headline', 'letterSpacing', -0.2, 1, 0.01],
  ['lead', 'textColumns', 1, 6, 1],
  ['dome', 'span', 1, 24, 1],
  ['dome', 'start', 1, 24, 1],
  ['dome', 'height', 0, 4000, 1],
  ['headline', 'minHeight', 0, 3000, 1],
  ['opening-row', 'gap', 0, 400, 1],
  ['headline', 'paddingTop', 0, 600, 1],
  ['headline', 'marginLeft', -400, 600, 1],
  ['headline', 'borderTop', 0, 40, 1],
  ['headline', 'radius', 0, 400, 1],
  ['headline', 'opacity', 0, 1, 0.01],
  ['dome', 'zoom', 100, 800, 1],
];

describe('properties', () => {
  it('are what is written down here until someone sets them', () => {
    const desktop = frame.views.list.find(({ id }) => id === 'desktop')!;
    const found = Object.fromEntries(
      PROPERTIES.filter(({ wording }) => !wording).map(({ name, initial }) => [name, initial(desktop)]),
    );
    expect(found).to.deep.equal(INITIAL);
    expect(PROPERTIES.filter(({ inherits }) => inherits).map(({ name }) => name)).to.have.members(INHERITED);
  });

  it('take numbers as far as is written down here, and no further', () => {
    for (const [on, property, least, most, beyond] of RANGES) {
      const set = (value: number) =>
        attempt('setValue', { nodes: [node(on)], property, view: view('desktop'), value, reach: 'here' });
      for (const value of [least, most]) expect(set(value).ok, `${property} ${value}`).to.equal(true);
      for (const value of [least - beyond, most + beyond]) {
        const outcome = set(value);
        expect(outcome.ok, `${property} ${value}`).to.equal(false);
        if (!outcome.ok) expect(outcome.sentence).to.match(/\S.*\.$/);
      }
    }
  });

  it('say what their values mention: colours, steps, fonts, images and other elements, and nothing else', () => {
    const mentioned = (name: string, value: unknown) => knownProperty(name).type.mentions?.(value) ?? [];
    expect(mentioned('colour', '{lamp}')).to.deep.equal([{ of: 'colours', id: 'lamp' }]);
    expect(mentioned('colour', '#102030')).to.deep.equal([]);
    expect(mentioned('gradient', { angle: 90, from: '{night}', to: '{dusk}' })).to.deep.equal([
      { of: 'colours', id: 'night' },
      { of: 'colours', id: 'dusk' },
    ]);
    expect(mentioned('gradient', 'none')).to.deep.equal([]);
    expect(mentioned('paddingTop', '{m}')).to.deep.equal([{ of: 'spacing', id: 'm' }]);
    expect(mentioned('paddingTop', 12)).to.deep.equal([]);
    expect(mentioned('family', 'font-own')).to.deep.equal([{ of: 'fonts', id: 'font-own' }]);
    expect(mentioned('family', 'literata')).to.deep.equal([]);
    expect(mentioned('source', 'saturn')).to.deep.equal([{ of: 'assets', id: 'saturn' }]);
    expect(mentioned('backgroundPicture', 'none')).to.deep.equal([]);
    expect(mentioned('order', ['a', 'b'])).to.deep.equal([
      { of: 'nodes', id: 'a' },
      { of: 'nodes', id: 'b' },
    ]);
    expect(knownProperty('order').type.renamed!(['a', 'b'].map(node), new Map([['a', 'c']]))).to.deep.equal([
      'c',
      'b',
    ]);
    expect(mentioned('weight', 400)).to.deep.equal([]);
  });

  it('read a place in a row, from the first to the last and no further', () => {
    const order = ['a', 'b', 'c'].map(node);
    const { parse, format } = knownProperty('order').type;
    const typed = (text: string, child = 'a') => {
      const outcome = parse(text, { site: frame, siblings: { order, source: order, child: node(child) } });
      return outcome.ok ? (outcome.value as string[]).join('') : outcome.sentence;
    };
    expect(['1', '2nd', '3', '3rd'].map((text) => typed(text))).to.deep.equal(['abc', 'bac', 'bca', 'bca']);
    expect(typed('1', 'c')).to.equal('cab');
    for (const text of ['0', '4', '1.5', 'last', ''])
      expect(typed(text)).to.match(/ isn’t a place from 1 to 3\.$/);
    const whole = { site: frame, siblings: { order, source: order } };
    expect(format(['b', 'a', 'c'].map(node), whole)).to.equal('2·1·3');
    expect(format(['b', 'a', 'c'].map(node), { site: frame })).to.equal('3 parts');
    const words = (place: number) => {
      const all = Array.from({ length: 23 }, (_each, index) => node(`n${index + 1}`));
      return format(all, { site: frame, siblings: { order: all, source: all, child: node(`n${place}`) } });
    };
    expect([1, 2, 3, 4, 10, 11, 12, 13, 21, 22, 23].map(words)).to.deep.equal(
      '1st 2nd 3rd 4th 10th 11th 12th 13th 21st 22nd 23rd'.split(' '),
    );
  });
});
