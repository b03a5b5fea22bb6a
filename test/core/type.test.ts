import { expect } from 'chai';
import fc from 'fast-check';
import { calculateClamp } from 'utopia-core';
import { fluid, knownProperty, PROPERTIES, sizeAt } from '../../core/index.ts';
import { textSizeCss } from '../../core/type/textsize.ts';
import { record, valueArbitrary } from './arbitrary.ts';

/** Reads `clamp(a rem, b vw + c rem, d rem)`, or with the line from its smallest size on, `a rem + b vw - c px`. */
function readClamp(css: string) {
  const [, min, line, max] = (/^clamp\(([\d.]+)rem, (.+), ([\d.]+)rem\)$/.exec(css) ?? []).map(
    (text, index) => (index === 2 ? text : Number(text)),
  ) as [number, number, string, number];
  const gentle = /^([\d.]+)vw \+ ([\d.]+)rem$/.exec(line);
  const steep = /^([\d.]+)rem \+ ([\d.]+)vw - ([\d.]+)(?:px)?$/.exec(line);
  if (gentle) return { min, max, slope: Number(gentle[1]), intercept: Number(gentle[2]) };
  if (steep)
    return { min, max, slope: Number(steep[2]), intercept: Number(steep[1]) - Number(steep[3]) / 16 };
  throw new Error(`Not a clamp: ${css}`);
}

const sizes = record({
  min: fc.integer({ min: 8, max: 80 }),
  more: fc.integer({ min: 1, max: 80 }),
  fromWidth: fc.integer({ min: 200, max: 900 }),
  span: fc.integer({ min: 50, max: 1500 }),
}).map(({ min, more, fromWidth, span }) => ({ min, max: min + more, fromWidth, toWidth: fromWidth + span }));

describe('typed values', () => {
  const read = (property: string, text: string) =>
    knownProperty(property).type.parse(text, { site: { colours: [], assets: [] } as never });
  const value = (property: string, text: string) => {
    const outcome = read(property, text);
    return outcome.ok ? outcome.value : outcome.sentence;
  };

  it('are read with their units and in the words people use', () => {
    expect(value('cropRatio', '16:9')).to.deep.equal({ width: 16, height: 9 });
    expect(value('cropRatio', '3/2')).to.deep.equal({ width: 3, height: 2 });
    expect(value('cropRatio', '1.5')).to.deep.equal({ width: 1.5, height: 1 });
    expect(value('focalPoint', '50 % 20 %')).to.deep.equal({ x: 50, y: 20 });
    expect(value('width', '50 %')).to.deep.equal({ percent: 50 });
    expect(value('width', '320px')).to.deep.equal({ px: 320 });
    expect(value('letterSpacing', '0,05em')).to.equal(0.05);
    expect(value('align', 'centre')).to.equal('center');
    expect(value('shown', 'hidden')).to.equal(false);
    expect(value('colour', '1b2a49')).to.equal('#1b2a49');
    expect(value('colour', 'OKLCH(70% 0.1 80)')).to.equal('oklch(70% 0.1 80)');
  });

  it('are refused with a sentence that says what would do', () => {
    for (const [property, text] of [
      ['cropRatio', '0:3'],
      ['cropRatio', '1:2:3'],
      ['focalPoint', '50'],
      ['focalPoint', '50 120'],
      ['width', '0'],
      ['width', '120 %'],
      ['letterSpacing', '4'],
      ['align', 'upwards'],
      ['colour', 'var(--x)'],
      ['colour', 'currentcolor'],
      ['source', 'nothing'],
    ]) {
      expect(value(property, text), `${property} ${text}`).to.match(/^“.+” .+\.$|^The site has/);
    }
  });

  it('written in a cell read as the same value again', () => {
    const site = {
      colours: [{ id: 'night', name: 'Night', value: '#000' }],
      assets: ['alpha', 'beta'].map((id) => ({ id, name: id, type: 'image/webp' })),
      spacing: ['small', 'large'].map((id) => ({ id, name: id })),
      fonts: [],
    } as never;
    const cases = fc
      .constantFrom(
        ...PROPERTIES.filter(
          (property) =>
            !property.wording && !['order', 'alternate', 'source', 'span'].includes(property.name),
        ),
      )
      .chain((property) => record({ property: fc.constant(property), value: valueArbitrary(property) }));
    fc.assert(
      fc.property(cases, ({ property, value: given }) => {
        const usable = !JSON.stringify(given).includes('{lamp}');
        fc.pre(usable && !(typeof given === 'object' && given !== null && 'fromWidth' in given));
        const text = property.type.format(given, { site });
        expect(property.type.parse(text, { site }), text).to.deep.equal({ ok: true, value: given });
      }),
    );
  });
});

describe('fluid sizes', () => {
  it('clamp() is that of utopia-core 1.6.0, to its four decimals', () => {
    fc.assert(
      fc.property(sizes, (size) => {
        const reference = calculateClamp({
          minSize: size.min,
          maxSize: size.max,
          minWidth: size.fromWidth,
          maxWidth: size.toWidth,
        });
        const numbers = /clamp\(([\d.]+)rem, (-?[\d.]+)rem \+ (-?[\d.]+)vw, ([\d.]+)rem\)/.exec(reference)!;
        const ours = readClamp(textSizeCss(size));
        const [, min, intercept, slope, max] = numbers.map(Number);
        expect(ours.min).to.be.closeTo(min, 0.0001);
        expect(ours.intercept).to.be.closeTo(intercept, 0.0001);
        expect(ours.slope).to.be.closeTo(slope, 0.0001);
        expect(ours.max).to.be.closeTo(max, 0.0001);
      }),
    );
  });

  it('is written with a part in rem that makes its line, and with the smallest size as that where it would be nothing or less', () => {
    // By hand: the slope from (500, 10) to (1000, 20) is 2vw and meets 0 at 0; from (320, 10) to (640, 30) 6.25vw and −10 px.
    const css = (min: number, max: number, fromWidth: number, toWidth: number) =>
      textSizeCss({ min, max, fromWidth, toWidth });
    expect(css(10, 20, 500, 1000)).to.equal('clamp(0.625rem, 0.625rem + 2vw - 10px, 1.25rem)');
    expect(css(10, 30, 320, 640)).to.equal('clamp(0.625rem, 0.625rem + 6.25vw - 20px, 1.875rem)');
    expect(css(16, 20, 400, 800)).to.equal('clamp(1rem, 1vw + 0.75rem, 1.25rem)');
    expect(css(16, 16, 400, 800)).to.equal('1rem');
  });

  it('is the smallest size at fromWidth, the largest at toWidth, and grows in between', () => {
    fc.assert(
      fc.property(sizes, fc.double({ min: 0, max: 1, noNaN: true }), (size, share) => {
        expect(sizeAt(size, size.fromWidth)).to.equal(size.min);
        expect(sizeAt(size, size.toWidth)).to.equal(size.max);
        const width = size.fromWidth + share * (size.toWidth - size.fromWidth);
        expect(sizeAt(size, width)).to.be.within(size.min, size.max);
        expect(sizeAt(size, 0)).to.equal(size.min);
        expect(sizeAt(size, 1e5)).to.equal(size.max);
      }),
    );
  });

  it('refuses a size that shrinks and an empty span of widths, with a sentence', () => {
    const shrinking = fluid({ min: 40, max: 30, fromWidth: 320, toWidth: 1280 });
    expect(shrinking).to.deep.equal({
      ok: false,
      sentence: 'A fluid value grows with the width: 40 is more than 30.',
    });
    const empty = fluid({ min: 30, max: 40, fromWidth: 800, toWidth: 800 });
    expect(empty.ok).to.equal(false);
    expect(fluid({ min: NaN, max: 40, fromWidth: 1, toWidth: 2 }).ok).to.equal(false);
  });

  it('written to be typed reads as the same size again, and says what it means', () => {
    const { type } = knownProperty('size');
    fc.assert(
      fc.property(sizes, (size) => {
        const text = type.written!(size, { site: {} as never });
        fc.pre(size.min >= 8 && size.max <= 400);
        expect(type.parse(text, { site: {} as never }), text).to.deep.equal({ ok: true, value: size });
      }),
    );
    expect(type.describe!({ min: 44, max: 56, fromWidth: 640, toWidth: 1023 })).to.equal(
      'Grows from 44 px at 640 px of the window to 56 px at 1023 px',
    );
    expect(type.describe!(40)).to.equal(undefined);
  });

  it('reads two numbers typed in a cell as a fluid size over the widths of the cell', () => {
    const { type } = knownProperty('size');
    const context = { site: {} as never, fluidWidths: { fromWidth: 640, toWidth: 1024 } };
    for (const text of ['44–56', '44-56', '44 - 56', '44px – 56px', '44 to 56']) {
      expect(type.parse(text, context), text).to.deep.equal({
        ok: true,
        value: { min: 44, max: 56, fromWidth: 640, toWidth: 1024 },
      });
    }
    expect(type.parse('44–56 @ 700–900', context)).to.deep.equal({
      ok: true,
      value: { min: 44, max: 56, fromWidth: 700, toWidth: 900 },
    });
    expect(type.parse('18,5 px', context)).to.deep.equal({ ok: true, value: 18.5 });
    for (const text of [
      '',
      'big',
      '56-44',
      '3',
      '1-2-3',
      '-5',
      '44–56 @',
      '44–56 @ 640',
      '44–56 @ 900–640',
      '44 @ 1–2',
      '44–56 @ 1–2 @ 3',
    ])
      expect(type.parse(text, context).ok, text).to.equal(false);
  });
});
