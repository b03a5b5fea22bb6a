import { expect } from 'chai';
import fc from 'fast-check';
import { contrastIn, type NodeId, type Page, type Tone } from '../../core/index.ts';
import { contrasts } from '../../core/checks/contrast.ts';
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

  it('says nothing over an image or a gradient, nor of what has no text', () => {
    const parent = home.nodes['headline' as NodeId].parent!;
    const asset = frame.assets.find(({ type }) => type.startsWith('image/'))!.id;
    expect(of('headline', set('backgroundPicture', parent, asset))).to.equal(undefined);
    expect(
      of('headline', set('tint', parent, 'black', set('backgroundPicture', parent, asset))),
    ).not.to.equal(undefined);
    expect(of('dome')).to.equal(undefined);
  });
});

describe('contrast in an overlay', () => {
  const [section, overlay, picture, title] = ['o-section', 'o-over', 'o-picture', 'o-title'].map(
    (id) => id as NodeId,
  );
  const add = (kind: string, id: NodeId, parent: NodeId, page = home) =>
    made('addElement', { kind, id, parent, after: null }, page).page;
  /** White words in a white section, over an image that lies under all of them, or under a part. */
  function over(values: Record<string, Record<string, unknown>>) {
    let page = add('section', section, home.root);
    page = add('overlay', overlay, section, page);
    page = add('heading', title, overlay, page);
    page = add('picture', picture, overlay, page);
    page = set('backgroundColour', section, 'white', page);
    page = set('colour', title, 'white', page);
    page = set('source', picture, 'saturn', page);
    for (const id of [title, picture]) {
      const all = {
        areaColumn: 1,
        span: 6,
        areaRow: 1,
        areaRows: 4,
        ...(id === picture && { heldAcross: 'stretch', heldDown: 'stretch' }),
      };
      for (const [name, value] of Object.entries(all)) page = set(name, id, value, page);
    }
    for (const [id, some] of Object.entries(values))
      for (const [name, value] of Object.entries(some)) page = set(name, id, value, page);
    return page;
  }
  const [black, white] = [[0, 0, 0] as const, [1, 1, 1] as const];
  const seen = (page: Page, tones: readonly Tone[] | undefined, where = 'desktop') =>
    contrasts(frame, page, new Map(tones ? [['saturn', tones]] : [])).contrastIn(
      page.nodes[title],
      'self',
      view(where),
    );

  it('is that to what lies under the words, and not to what they stand in', () => {
    const page = over({});
    expect(seen(page, [black])!.ratio).to.be.closeTo(21, 1e-9);
    expect(seen(page, [white])!.ratio).to.be.closeTo(1, 1e-9);
    expect(seen(page, [black, white])!.ratio, 'the worst place').to.be.closeTo(1, 1e-9);
    expect(seen(page, [black])!.over).to.equal('colour');
    expect(seen(page, [black, [0.1, 0.1, 0.1]])!.over).to.equal('picture');
    expect(seen(page, undefined), 'an image that is not known says nothing').to.equal(undefined);
  });

  it('takes what lets something through with what is under that', () => {
    // Half of black over white: grey of 0.5, of luminance ((0.5 + 0.055) / 1.055) ** 2.4.
    const grey = 1.05 / (((0.5 + 0.055) / 1.055) ** 2.4 + 0.05);
    expect(seen(over({ [picture]: { opacity: 0.5 } }), [black])!.ratio).to.be.closeTo(grey, 1e-3);
  });

  it('takes the words’ own background, a part that covers only some of them, and none that is above or elsewhere', () => {
    expect(seen(over({ [title]: { backgroundColour: 'black' } }), [white])!.ratio).to.be.closeTo(21, 1e-9);
    expect(seen(over({ [picture]: { span: 3 } }), [black])!.ratio, 'it ends before them').to.be.closeTo(
      1,
      1e-9,
    );
    expect(seen(over({ [picture]: { heldDown: 'start' } }), [black])!.ratio, 'it may').to.be.closeTo(1, 1e-9);
    expect(seen(over({ [picture]: { areaColumn: 7 } }), [black])!.ratio, 'beside').to.be.closeTo(1, 1e-9);
    expect(seen(over({ [picture]: { shown: false } }), [black])!.ratio, 'hidden').to.be.closeTo(1, 1e-9);
    const front = made(
      'setValue',
      {
        ...{ nodes: [overlay], property: 'order', view: view('desktop') },
        ...{ value: [title, picture], reach: 'onward' as const },
      },
      over({}),
    ).page;
    expect(seen(front, [black])!.ratio, 'above').to.be.closeTo(1, 1e-9);
  });

  it('follows the view, and a part under a part', () => {
    const page = over({});
    const narrow = set('opacity', picture, 0, page, 'mobile');
    expect(seen(narrow, [black], 'mobile')!.ratio).to.be.closeTo(1, 1e-9);
    expect(seen(narrow, [black], 'desktop')!.ratio).to.be.closeTo(21, 1e-9);
  });
});
