import { expect } from 'chai';
import fc from 'fast-check';
import { contrastIn, type NodeId } from '../../core/index.ts';
import { frame, home, made, view } from './acting.ts';

const of = (id: string, page = home, where = 'desktop') =>
  contrastIn(frame, page, page.nodes[id as NodeId], 'self', view(where));

function set(property: string, node: string, value: unknown, page = home, where = 'desktop') {
  const args = { nodes: [node as NodeId], property, view: view(where), value, reach: 'onward' as const };
  return made('setValue', args, page).page;
}

/** The ratio of a text's colour on its own background, and on that of the section it stands in. */
function ratio(text: string, own: string, section = 'white'): number {
  let page = set('colour', 'week-title', text);
  page = set('backgroundColour', 'week-title', own, page);
  page = set('backgroundColour', 'week', section, page);
  return of('week-title', page)!.ratio;
}

/** Relative luminance, written out from WCAG 2.2 (https://www.w3.org/TR/WCAG22/#dfn-relative-luminance). */
const luminance = (channels: readonly number[]): number => {
  const [red, green, blue] = channels
    .map((value) => value / 255)
    .map((value) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4));
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
};

describe('contrast', () => {
  it('is 21 for black on white and 1 for a colour on itself', () => {
    expect(ratio('black', 'white')).to.be.closeTo(21, 1e-9);
    expect(ratio('#0d6a6e', '#0d6a6e')).to.be.closeTo(1, 1e-9);
  });

  // Common practice: the lightest grey that is enough on white for small text, and the one just too light; for large text too.
  it('puts the known greys on the right side of 4.5 and 3', () => {
    expect(ratio('#767676', 'white')).to.be.within(4.5, 4.6);
    expect(ratio('#777777', 'white')).to.be.within(4.4, 4.5);
    expect(ratio('#949494', 'white')).to.be.within(3, 3.1);
    expect(ratio('#959595', 'white')).to.be.within(2.9, 3);
  });

  it('is the formula of WCAG 2.2 for any two colours, whichever is the text', () => {
    const channels = fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255));
    fc.assert(
      fc.property(channels, channels, (one, other) => {
        const [high, low] = [luminance(one), luminance(other)].sort((a, b) => b - a);
        const wanted = (high + 0.05) / (low + 0.05);
        const css = (each: readonly number[]) => `rgb(${each.join(' ')})`;
        expect(ratio(css(one), css(other))).to.be.closeTo(wanted, 1e-6);
        expect(ratio(css(other), css(one))).to.be.closeTo(wanted, 1e-6);
      }),
    );
  });

  it('lays what lets light through over what is behind it', () => {
    expect(ratio('rgb(0 0 0 / 0.5)', 'white')).to.be.closeTo(ratio('rgb(127.5 127.5 127.5)', 'white'), 1e-6);
    expect(ratio('black', 'rgb(255 255 255 / 0.5)', 'black')).to.be.closeTo(
      ratio('rgb(127.5 127.5 127.5)', 'black'),
      1e-6,
    );
    expect(ratio('black', 'transparent')).to.be.closeTo(21, 1e-9);
  });
});

describe('the contrast of an element', () => {
  it('is told by view, against the nearest colours behind it', () => {
    const page = set('colour', 'headline', '#777', set('colour', 'headline', 'white'), 'tablet');
    const section = home.nodes[home.nodes['headline' as NodeId].parent!];
    const grey = set('backgroundColour', section.id, '#777', page, 'desktop');
    expect(of('headline', grey)!.ratio).to.be.within(4.4, 4.5);
    expect(of('headline', grey, 'tablet')!.ratio).to.be.closeTo(1, 1e-9);
  });

  it('asks less of large text, and of bold text from 14 pt', () => {
    const sized = (size: number, weight: number) =>
      of('headline', set('weight', 'headline', weight, set('size', 'headline', size)))!.needed;
    expect(sized(24, 400)).to.equal(3);
    expect(sized(23, 400)).to.equal(4.5);
    expect(sized(19, 700)).to.equal(3);
    expect(sized(18, 700)).to.equal(4.5);
  });

  it('reckons the opacity of the element and of what it stands in', () => {
    const parent = home.nodes['headline' as NodeId].parent!;
    const black = set('backgroundColour', parent, 'white', set('colour', 'headline', 'black'));
    expect(of('headline', black)!.ratio).to.be.closeTo(21, 1e-6);
    // A tenth of black on white is rgb(229.5 …), of a luminance of 0.7874.
    expect(of('headline', set('opacity', 'headline', 0.1, black))!.ratio).to.be.closeTo(1.05 / 0.8374, 0.001);
    // White on black at a half over white: white on rgb(127.5 …), of a luminance of 0.2122 (WCAG 2.2, relative luminance).
    const veiled = set('backgroundColour', parent, 'black', set('colour', 'headline', 'white'));
    const section = home.nodes[home.nodes[parent].parent!].parent!;
    const onWhite = ['page', section].reduce(
      (page, id) => set('backgroundColour', id, 'white', page),
      set('opacity', parent, 0.5, veiled),
    );
    expect(of('headline', onWhite)!.ratio).to.be.closeTo(
      1.05 / (luminance([127.5, 127.5, 127.5]) + 0.05),
      0.01,
    );
  });

  it('says nothing over a picture or a gradient, nor of what has no words', () => {
    const parent = home.nodes['headline' as NodeId].parent!;
    const asset = frame.assets.find(({ type }) => type.startsWith('image/'))!.id;
    expect(of('headline', set('backgroundPicture', parent, asset))).to.equal(undefined);
    expect(
      of('headline', set('tint', parent, 'black', set('backgroundPicture', parent, asset))),
    ).not.to.equal(undefined);
    expect(of('dome')).to.equal(undefined);
  });
});
