/**
 * What each property means: for every property, on every kind of element and every part that takes it, what Chromium
 * computes when it has a value. The expectations are written by hand from the CSS specifications' computed values, as
 * `getComputedStyle` serialises them (CSSOM https://www.w3.org/TR/cssom-1/#resolved-values); nothing of them comes from the program.
 */
import { expect } from 'chai';
import {
  applies,
  knownKind,
  nodeClass,
  PARTS,
  PROPERTIES,
  type NodeId,
  type Part,
  type Property,
} from '../../core/index.ts';
import { within } from '../../core/compile/selectors.ts';
import { files as pictures, home, made, view } from '../core/acting.ts';
import { everything } from './everything.ts';
import { openBrowser, type Browser } from './browser.ts';
import { fileServer, type FileServer } from './files.ts';

type Computed = Record<string, string | RegExp>;

interface Meaning {
  value: unknown;
  computed: Computed;
  /** Other values of the same holder that the computed value follows from. */
  beside?: Record<string, unknown>;
  /** Where inside the element it is seen, if not where the property belongs. */
  inside?: string;
}

const is = (value: unknown, computed: Computed, more: Omit<Meaning, 'value' | 'computed'> = {}): Meaning => ({
  value,
  computed,
  ...more,
});

const sides = (start: string, end = '') =>
  Object.fromEntries(
    ['Top', 'Right', 'Bottom', 'Left'].map((side, index) => [
      start + side,
      [is(11 + index, { [`${start}-${side.toLowerCase()}${end}`]: `${11 + index}px` })],
    ]),
  );

/** Every property, at a width of 1280 px in the demo's Desktop view: 12 columns, the colour Night #0f1830, the step M 24 px. */
const MEANINGS: Record<string, Meaning[]> = {
  family: [
    is('literata', { 'font-family': 'literata, "literata stand-in", serif' }),
    is('figtree', { 'font-family': 'figtree, "figtree stand-in", sans-serif' }),
  ],
  size: [
    is(21, { 'font-size': '21px' }),
    is({ min: 10, max: 30, fromWidth: 640, toWidth: 1280 }, { 'font-size': '30px' }),
  ],
  lineHeight: [
    is(1.7, { 'line-height': '34px' }, { beside: { size: 20 } }),
    // It falls from 1.75 at 880 px to 1.25 at 1680 px: half way it is 1.5.
    is(
      { min: 1.25, max: 1.75, fromWidth: 1680, toWidth: 880 },
      { 'line-height': '30px' },
      { beside: { size: 20 } },
    ),
  ],
  weight: [is(350, { 'font-weight': '350' })],
  slant: [is('italic', { 'font-style': 'italic' })],
  letterSpacing: [
    is(0.1, { 'letter-spacing': '2px' }, { beside: { size: 20 } }),
    // Three quarters of the way from -0.1 em to 0.1 em.
    is(
      { min: -0.1, max: 0.1, fromWidth: 980, toWidth: 1380 },
      { 'letter-spacing': '1px' },
      { beside: { size: 20 } },
    ),
    is(0, { 'letter-spacing': 'normal' }),
  ],
  case: [is('uppercase', { 'text-transform': 'uppercase' })],
  decoration: [is('line-through', { 'text-decoration-line': 'line-through' })],
  align: [is('end', { 'text-align': 'end' }), is('justify', { 'text-align': 'justify' })],
  colour: [is('#102030', { color: 'rgb(16, 32, 48)' }), is('{night}', { color: 'rgb(15, 24, 48)' })],
  wrapping: [is('balance', { 'text-wrap-style': 'balance', 'text-wrap-mode': 'wrap' })],
  hyphenation: [is('auto', { hyphens: 'auto' })],
  textColumns: [is(3, { 'column-count': '3' }), is(1, { 'column-count': 'auto' })],
  marker: [is('square', { 'list-style-type': 'square' })],
  shown: [is(false, { display: 'none' })],
  collapse: [
    is('open', { display: 'none' }, { inside: 'button' }),
    is('button', { display: 'none' }, { inside: 'ul' }),
  ],
  iconSize: [is(40, { width: '40px', height: '40px' })],
  thickness: [is(5, { height: '5px' })],
  pageImages: [
    is('beside', { 'flex-direction': 'row' }, { inside: 'article' }),
    is('beside', { 'flex-basis': '33.3333%' }, { inside: 'picture' }),
    is('none', { display: 'none' }, { inside: 'picture' }),
  ],
  pageDescriptions: [is('hidden', { display: 'none' }, { inside: 'p' })],
  pageMeta: [is('hidden', { display: 'none' }, { inside: 'small' })],
  tiles: [is(2, { 'grid-template-columns': /^[\d.]+px [\d.]+px$/ })],
  span: [is(5, { 'grid-column-end': 'span 5' }), is(20, { 'grid-column-end': 'span 12' })],
  start: [
    is(4, { 'grid-column-start': '4' }, { beside: { span: 2 } }),
    is(12, { 'grid-column-start': '8' }, { beside: { span: 5 } }),
  ],
  areaColumn: [is(3, { 'grid-column-start': '3' }, { beside: { span: 2 } })],
  areaRow: [is(4, { 'grid-row-start': '4' })],
  areaRows: [is(3, { 'grid-row-end': 'span 3' })],
  heldAcross: [is('center', { 'justify-self': 'center' })],
  offsetAcross: [
    is({ px: 20 }, { 'margin-left': '20px' }, { beside: { heldAcross: 'start' } }),
    is({ px: 21 }, { 'margin-right': '21px' }, { beside: { heldAcross: 'end' } }),
  ],
  heldDown: [is('stretch', { 'align-self': 'stretch' }), is('end', { 'align-self': 'end' })],
  offsetDown: [is({ px: 18 }, { 'margin-top': '18px' }, { beside: { heldDown: 'start' } })],
  rowHeight: [is(123, { 'grid-auto-rows': 'minmax(123px, auto)' })],
  leastRows: [is(2, { 'grid-template-rows': /^[\d.]+px [\d.]+px/ })],
  direction: [is('beside', { 'grid-auto-flow': 'column' })],
  gap: [
    is(24, { 'row-gap': '24px' }),
    is('{m}', { 'row-gap': '24px' }),
    is({ min: 0, max: 40, fromWidth: 1080, toWidth: 1480 }, { 'row-gap': '20px' }),
  ],
  blockAlign: [is('center', { 'justify-self': 'center' })],
  justifyItems: [is('end', { 'justify-items': 'end' })],
  alignItems: [is('center', { 'align-items': 'center' })],
  alignContent: [is('end', { 'align-content': 'end' }, { beside: { height: 1777 } })],
  bleed: [is(true, { 'grid-column-start': '1', 'grid-column-end': '-1' })],
  width: [is({ px: 300 }, { width: '300px' })],
  minWidth: [
    is({ px: 222 }, { 'min-width': '222px' }, { beside: { width: { px: 111 } } }),
    is('auto', { 'min-width': '0px' }),
  ],
  maxWidth: [is({ px: 111 }, { 'max-width': '111px' }), is({ percent: 40 }, { 'max-width': '40%' })],
  height: [is(777, { height: '777px' })],
  minHeight: [is(1366, { 'min-height': '1366px' })],
  aspectRatio: [is({ width: 16, height: 9 }, { 'aspect-ratio': '16 / 9' })],
  sticky: [is(true, { position: 'sticky', top: '0px' })],
  edge: [
    is('lower', { position: 'sticky', bottom: '0px', top: 'auto', order: '9999' }),
    is('upper', { position: 'sticky', bottom: 'auto', top: '0px', order: '-1' }),
  ],
  corner: [
    is('start', { position: 'fixed', left: '16px' }),
    is('end', { position: 'fixed', right: '16px' }),
    is('middle', { position: 'fixed', left: '16px', right: '16px' }),
  ],
  // Beside a strip, which takes 72 px.
  fromEdge: [is(24, { bottom: '96px' })],
  leaving: [is('setting', { 'animation-name': 'leave-setting' })],
  stays: [is(3, { 'animation-delay': '3s' })],
  clearTop: [is(72, { '--clear-top': '72px' })],
  ...sides('padding'),
  ...sides('margin'),
  backgroundColour: [is('{night}', { 'background-color': 'rgb(15, 24, 48)' })],
  backgroundPicture: [
    is('saturn', { 'background-image': /^none, none, (url\(".*saturn.*"\)|image-set\(.*saturn.*\))$/ }),
  ],
  backgroundPosition: [
    is(
      { x: 20, y: 80 },
      { 'background-position': '0px 0px, 0px 0px, 20% 80%' },
      { beside: { backgroundPicture: 'saturn' } },
    ),
  ],
  backgroundSize: [
    is('contain', { 'background-size': 'auto, auto, contain' }, { beside: { backgroundPicture: 'saturn' } }),
  ],
  backgroundRepeat: [
    is(
      'repeat-x',
      { 'background-repeat': 'repeat, repeat, repeat-x' },
      { beside: { backgroundPicture: 'saturn' } },
    ),
  ],
  tint: [
    is('#10203080', {
      'background-image':
        /^linear-gradient\(rgba\(16, 32, 48, 0\.50?2?\), rgba\(16, 32, 48, 0\.50?2?\)\), none, none$/,
    }),
  ],
  gradient: [
    is(
      { angle: 90, from: '#000000', to: '#ffffff' },
      { 'background-image': 'none, linear-gradient(90deg, rgb(0, 0, 0), rgb(255, 255, 255)), none' },
    ),
  ],
  cropRatio: [is({ width: 5, height: 2 }, { 'aspect-ratio': '5 / 2' })],
  fit: [is('contain', { 'object-fit': 'contain' })],
  zoom: [is(180, { overflow: 'clip' })],
  focalPoint: [is({ x: 10, y: 90 }, { 'object-position': '10% 90%' })],
  ...sides('border', '-width'),
  borderStyle: [is('dashed', { 'border-top-style': 'dashed', 'border-left-style': 'dashed' })],
  borderColour: [
    is('#102030', { 'border-top-color': 'rgb(16, 32, 48)', 'border-left-color': 'rgb(16, 32, 48)' }),
  ],
  radius: [is(9, { 'border-top-left-radius': '9px', 'border-bottom-right-radius': '9px' })],
  shadow: [is('low', { 'box-shadow': 'rgba(0, 0, 0, 0.25) 0px 1px 3px 0px' })],
  opacity: [is(0.4, { opacity: '0.4' })],
};

/** Properties that are no CSS of their holder; other tests say what they mean. */
const ELSEWHERE = [
  ...['barColour', 'barColourDark', 'backgroundFilm'],
  'order',
  'interleave',
  'alternate',
  'source',
];

/**
 * Properties that a box follows from: with a value, something of the holder has another size or another place. Not those
 * that only move what stands behind the holder, or that need parts of different heights side by side.
 */
const MOVING = [
  ...[
    'size',
    'lineHeight',
    'textColumns',
    'shown',
    'iconSize',
    'thickness',
    'tiles',
    'span',
    'start',
    'direction',
  ],
  ...[
    'gap',
    'blockAlign',
    'justifyItems',
    'alignContent',
    'bleed',
    'width',
    'minWidth',
    'maxWidth',
    'height',
  ],
  ...[
    'minHeight',
    'aspectRatio',
    'cropRatio',
    'paddingTop',
    'paddingLeft',
    'paddingBottom',
    'marginTop',
    'marginLeft',
  ],
  ...['borderTop', 'borderLeft', 'borderBottom'],
];

/** Where a property of an element, or of a part of it, is seen. */
function targetOf(id: NodeId, kindName: string, part: Part, property: Property, inside?: string): string {
  const kind = knownKind(kindName);
  const self = `.${nodeClass(id)}`;
  if (inside !== undefined) return within(self, inside);
  if (part !== 'self') return within(self, kind.parts![part]!.selector);
  return property.onMedia && kind.media !== undefined ? within(self, kind.media) : self;
}

const READER = `
  const [url, wanted, done] = arguments;
  const frame = document.getElementById('frame');
  (async () => {
    frame.style.width = '1280px';
    await new Promise((resolve) => { frame.onload = resolve; frame.src = url; });
    const { contentWindow: win, contentDocument: doc } = frame;
    const boxes = (found) => {
      const range = doc.createRange();
      const of = (element) => {
        range.selectNodeContents(element);
        return [element.getBoundingClientRect(), range.getBoundingClientRect()];
      };
      const { left, top } = found.parentElement.getBoundingClientRect();
      return [found, ...found.querySelectorAll('*')].flatMap(of)
        .map((box) => [box.left - left, box.top - top, box.width, box.height].map((px) => px.toFixed(2)).join(' ')).join(', ');
    };
    return wanted.map(([selector, names]) => {
      const popover = selector.includes(':popover-open') && doc.querySelector(selector.replace(':popover-open', ''));
      if (popover) popover.showPopover();
      const found = doc.querySelector(selector);
      return found && [...names.map((name) => win.getComputedStyle(found).getPropertyValue(name)), boxes(found)];
    });
  })().then(done, (error) => done(String(error)));
`;

describe('the meaning of every property', function () {
  this.timeout(120_000);
  let browser: Browser;
  let files: FileServer;
  before(async () => {
    [browser, files] = await Promise.all([openBrowser(), fileServer()]);
    await browser.driver.get(`${files.url}/frame`);
  });
  after(async () => {
    await browser?.close();
    files?.close();
  });
  const { on, ids } = everything();
  const { nodes } = on.pages[home.id];
  const desktop = view('desktop');

  it('is written down for every one of them', () => {
    // Words are markup, and compared as what is read (differential.test.ts).
    const names = PROPERTIES.filter(({ wording, name }) => !wording && !ELSEWHERE.includes(name)).map(
      ({ name }) => name,
    );
    expect(Object.keys(MEANINGS)).to.have.members(names);
  });

  for (const property of PROPERTIES.filter(({ name }) => MEANINGS[name])) {
    it(`${property.label}: on every kind and part that takes it`, async () => {
      for (const meaning of MEANINGS[property.name]) {
        const holders = [...ids].flatMap(([kind, all]) =>
          all.flatMap((id) =>
            PARTS.filter((part) =>
              applies(property, kind, nodes[id].parent ? nodes[nodes[id].parent].kind : undefined, part),
            ).map((part) => ({ id, kind, part })),
          ),
        );
        expect(holders.length).to.be.greaterThan(0);
        const names = Object.keys(meaning.computed);
        const wanted = holders.map(({ id, kind, part }) => [
          targetOf(id, kind, part, property, meaning.inside),
          names,
        ]);
        /** What is seen of all holders when they have these values. */
        const seenWith = async (values: Record<string, unknown>) => {
          let changed = on;
          for (const part of PARTS) {
            const nodesOfPart = holders.filter((holder) => holder.part === part).map(({ id }) => id);
            if (nodesOfPart.length === 0) continue;
            for (const [name, value] of Object.entries(values)) {
              const args = {
                nodes: nodesOfPart,
                part,
                property: name,
                view: desktop,
                value,
                reach: 'here' as const,
              };
              changed = made('setValue', args, changed.pages[home.id], changed).site;
            }
          }
          const url = await files.put('meaning', changed, pictures);
          const all = await browser.driver.executeAsyncScript<(string[] | null)[] | string>(
            READER,
            url,
            wanted,
          );
          if (typeof all === 'string') throw new Error(all);
          return all;
        };
        const seen = await seenWith({ ...meaning.beside, [property.name]: meaning.value });
        const before =
          MOVING.includes(property.name) && meaning === MEANINGS[property.name][0]
            ? await seenWith(meaning.beside ?? {})
            : null;
        holders.forEach(({ kind, part }, index) => {
          const what = `${JSON.stringify(meaning.value)} on ${kind}${part === 'self' ? '' : `, ${part}`}`;
          expect(seen[index], `${what}: nothing stands at ${String(wanted[index][0])}`).not.to.equal(null);
          names.forEach((name, at) => {
            const expected = meaning.computed[name];
            const found = seen[index]![at];
            if (expected instanceof RegExp) expect(found, `${what}: ${name}`).to.match(expected);
            else expect(found, `${what}: ${name}`).to.equal(expected);
          });
          // A part that is only held to a side of its area is as wide as it is, however large the area.
          const alone = property.name === 'span' && knownKind(kind).defaults.heldAcross === 'start';
          if (before && !alone)
            expect(seen[index]!.at(-1), `${what}: no box has changed`).not.to.equal(before[index]?.at(-1));
        });
      }
    });
  }
});
