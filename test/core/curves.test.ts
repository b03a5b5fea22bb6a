/** Text sizes over all widths: curves, scales, what zoom makes of them, and what checks say of a site's text styles. */
import { expect } from 'chai';
import fc from 'fast-check';
import { calculateTypeScale, checkWCAG } from 'utopia-core';
import {
  curveAt,
  curvePoints,
  enlargeable,
  findings,
  jumpsIn,
  knownProperty,
  LOOKS,
  newSite,
  notEnlarged,
  RATIOS,
  scaleFault,
  scaleSize,
  sizeAt,
  styleCurve,
  styleValueIn,
  suggestedSizes,
  TEXT_RULES,
  VIEW_SETS,
  type Curve,
  type Scale,
  type SiteFrame,
  type TextSize,
} from '../../core/index.ts';
import { curvePiece, mostByZoom, turnsOf, zoomTurns } from '../../core/type/curve.ts';
import { layered } from '../../core/starts/tree.ts';
import { scaleStep } from '../../core/type/scale.ts';
import { stretchesWhere } from '../../core/type/stretches.ts';
import { suggestedSize } from '../../core/type/suggest.ts';
import { frame, home, made, refusal, site, undoneOf, view } from './acting.ts';

const curve = (size: TextSize): Curve => [curvePiece(280, 2560, size)];

/** The demo's frame with a text style that says other sizes, or other values. */
const withStyle = (id: string, values: Record<string, ReturnType<typeof layered>>): SiteFrame => ({
  ...frame,
  textStyles: frame.textStyles.map((style) =>
    style.id === id ? { ...style, style: { self: { ...style.style.self, ...values } } } : style,
  ),
});
const textSizeFindings = (of: SiteFrame) =>
  findings(of, home, { rules: TEXT_RULES }).filter(({ of: what }) => 'textStyle' in what);
const rules = (of: SiteFrame) =>
  textSizeFindings(of).map(({ rule, of: what }) => `${'textStyle' in what ? what.textStyle : ''}: ${rule}`);

describe('a size over all widths', () => {
  const steps: Curve = [
    curvePiece(280, 640, 36),
    curvePiece(640, 1024, { min: 44, max: 56, fromWidth: 700, toWidth: 900 }),
    curvePiece(1024, 2560, 56),
  ];

  it('is straight between its points, and has two where it jumps', () => {
    expect(curvePoints(steps)).to.deep.equal([
      { width: 280, size: 36 },
      { width: 640, size: 36 },
      { width: 640, size: 44 },
      { width: 700, size: 44 },
      { width: 900, size: 56 },
      { width: 1024, size: 56 },
      { width: 1024, size: 56 },
      { width: 2560, size: 56 },
    ]);
    expect(jumpsIn(steps)).to.deep.equal([{ width: 640, narrower: 36, wider: 44 }]);
    expect([639.5, 640, 800, 5000].map((width) => curveAt(steps, width))).to.deep.equal([36, 44, 50, 56]);
    expect(stretchesWhere(630, 1030, turnsOf(steps), (width) => curveAt(steps, width) === 56)).to.deep.equal([
      { from: 900, to: 1030 },
    ]);
  });

  it('of a text style is that of each view', () => {
    const style = frame.textStyles.find(({ id }) => id === 'heading-1')!;
    const made = styleCurve(frame, style);
    // The demo's: 36 px on a phone, 44 to 56 on a tablet, 64, 80 on a wide screen.
    expect([320, 640, 1023.9, 1024, 1440].map((width) => Math.round(curveAt(made, width)))).to.deep.equal([
      36, 44, 56, 64, 80,
    ]);
  });
});

describe('zoom', () => {
  it('enlarges a fixed size as far as it goes itself, and one that shrinks with the window less', () => {
    expect(mostByZoom(curve(16), 1280)).to.be.closeTo(5, 1e-9);
    // By hand: from 16 px at 320 to 96 px at 1280. At 1280 and 4 times it is 4 · 16 = 64 of 96 px, at 5 times 80: smaller than it was.
    expect(mostByZoom(curve({ min: 16, max: 96, fromWidth: 320, toWidth: 1280 }), 1280)).to.equal(1);
    // From 20 px at 400 to 40 px at 1200: at 1200 zoom 5 leaves 240 px, where it is 20 px: 100 of 40 px.
    expect(mostByZoom(curve({ min: 20, max: 40, fromWidth: 400, toWidth: 1200 }), 1200)).to.be.closeTo(
      2.5,
      1e-9,
    );
  });

  it('takes the view into account that a zoomed window gets', () => {
    // 60 px on wide windows, 10 px below 640: at 1280 zoom 2 and a hair more gets to the narrow view; until there it is 2 · 60.
    const far: Curve = [curvePiece(0, 640, 10), curvePiece(640, 2560, 60)];
    expect(mostByZoom(far, 1280)).to.be.closeTo(2, 1e-9);
    // At 1000 px it gets there by 1.5625, and never to twice its size: 1.5625 · 60, or 5 · 10.
    expect(mostByZoom(far, 1000)).to.be.closeTo(1000 / 640, 1e-9);
  });

  it('has a nearest size that it can double, where it cannot one that is typed', () => {
    const steep = { min: 16, max: 96, fromWidth: 320, toWidth: 1280 };
    // At 500 % on 1280 px there are 256 px, where it is 16 px: 80 of 96. It takes five times 38.4 px to be twice 96.
    expect(notEnlarged(steep)).to.not.equal(undefined);
    expect(enlargeable(steep)).to.deep.equal({ ...steep, min: 38.5 });
    expect(notEnlarged(enlargeable(steep))).to.equal(undefined);
    const gentle = { min: 20, max: 40, fromWidth: 400, toWidth: 1200 };
    expect(enlargeable(gentle)).to.deep.equal(gentle);
    const told = knownProperty('size').type.describe!(steep);
    expect(told).to.match(/^Grows from 16 px .+ \(WCAG 1\.4\.4\); 38\.5–96 it can\.$/);
  });

  it('fails the rule of 200 % where utopia-core 1.6.0 says that a fluid size does', () => {
    const sizes = fc.record({
      min: fc.integer({ min: 12, max: 30 }),
      factor: fc.double({ min: 1.2, max: 8, noNaN: true }),
      minWidth: fc.integer({ min: 280, max: 600 }),
      span: fc.integer({ min: 200, max: 900 }),
    });
    fc.assert(
      fc.property(sizes, ({ min, factor, minWidth, span }) => {
        const max = Math.round(min * factor);
        const maxWidth = minWidth + span;
        const said = checkWCAG({ min, max, minWidth, maxWidth });
        // It asks for 200 % at a zoom of 500 %; on windows twice as wide as the size grows, zoom gets there earlier.
        const size = { min, max, fromWidth: minWidth, toWidth: maxWidth };
        const whole: Curve = [curvePiece(1, 9000, size)];
        const early = 2 * maxWidth;
        const ours = stretchesWhere(
          280,
          early - 3,
          zoomTurns(whole),
          (width) => mostByZoom(whole, width) < 2,
        );
        const fails = said && said.length > 0 && said[0] < early - 3;
        const words = JSON.stringify({ said, ours, min, max, minWidth, maxWidth });
        if (!fails) {
          // At a hair below two they may be of two minds.
          expect(
            ours.reduce((sum, each) => sum + each.to - each.from, 0),
            words,
          ).to.be.below(3);
        } else {
          expect(ours, words).to.have.length(1);
          expect(ours[0].from, words).to.be.closeTo(Math.max(280, said[0]), 2);
          expect(ours[0].to, words).to.be.closeTo(Math.min(early - 3, said[1]), 2);
        }
        expect(mostByZoom(whole, 2 * maxWidth)).to.be.at.least(2 - 1e-9);
      }),
      { numRuns: 300 },
    );
  });
});

describe('a scale', () => {
  const scale = (more: Partial<Scale> = {}): Scale => ({
    narrow: { width: 320, base: 16, ratio: 1.2 },
    wide: { width: 1280, base: 18, ratio: 1.25 },
    rounding: 'none',
    ...more,
  });

  it('is that of utopia-core 1.6.0 at both ends of every step, and in between', () => {
    const ends = fc.record({
      width: fc.integer({ min: 200, max: 700 }),
      base: fc.integer({ min: 12, max: 20 }),
      ratio: fc.constantFrom(...RATIOS.slice(0, 5).map(({ value }) => value)),
      span: fc.integer({ min: 100, max: 1500 }),
      more: fc.integer({ min: 0, max: 8 }),
    });
    fc.assert(
      fc.property(ends, ({ width, base, ratio, span, more }) => {
        const wide = { width: width + span, base: base + more, ratio };
        const reference = calculateTypeScale({
          minWidth: width,
          maxWidth: wide.width,
          minFontSize: base,
          maxFontSize: wide.base,
          minTypeScale: ratio,
          maxTypeScale: ratio,
          positiveSteps: 5,
          negativeSteps: 2,
        });
        for (const { step, minFontSize, maxFontSize } of reference) {
          const size = scaleSize(scale({ narrow: { width, base, ratio }, wide }), step);
          if (!size.ok) throw new Error(size.sentence);
          expect(sizeAt(size.value, width)).to.be.closeTo(minFontSize, 0.0002);
          expect(sizeAt(size.value, wide.width)).to.be.closeTo(maxFontSize, 0.0002);
          expect(sizeAt(size.value, width + span / 2)).to.be.closeTo((minFontSize + maxFontSize) / 2, 0.0002);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('has the sizes that its ratio makes, by hand', () => {
    // 16 · 1.2 = 19.2, · 1.2 = 23.04, · 1.2 = 27.648; 16 ÷ 1.2 = 13.333.
    const end = { width: 320, base: 16, ratio: 1.2 };
    expect([0, 1, 2, 3].map((step) => Number(scaleStep(end, step).toFixed(3)))).to.deep.equal([
      16, 19.2, 23.04, 27.648,
    ]);
    expect(scaleStep(end, -1)).to.be.closeTo(13.3333, 0.0001);
    const rounded = scaleSize(scale({ rounding: 1 }), 2);
    // 23.04 and 18 · 1.25² = 28.125.
    expect(rounded).to.deep.equal({ ok: true, value: { min: 23, max: 28, fromWidth: 320, toWidth: 1280 } });
  });

  it('does not shrink with the width: there it is fixed at the larger size', () => {
    const shrinking = scale({ wide: { width: 1280, base: 16, ratio: 1.5 } });
    // One step down it would be 13.33 on the narrow side and 10.67 on the wide one.
    const size = scaleSize({ ...shrinking, rounding: 0.5 }, -1);
    expect(size).to.deep.equal({ ok: true, value: 13.5 });
  });

  it('is refused with a sentence where it is none', () => {
    expect(scaleFault(scale())).to.equal(undefined);
    for (const wrong of [
      scale({ narrow: { width: 1280, base: 16, ratio: 1.2 } }),
      scale({ narrow: { width: 320, base: 2, ratio: 1.2 } }),
      scale({ wide: { width: 1280, base: 18, ratio: 0.5 } }),
      scale({ wide: { width: NaN, base: 18, ratio: 1.25 } }),
    ])
      expect(scaleFault(wrong)).to.match(/^The .+\.$/);
    expect(scaleSize(scale(), 1.5).ok).to.equal(false);
    expect(scaleSize(scale(), 40).ok).to.equal(false);
  });

  it('is given to text styles in one step, in all views, and undone', () => {
    const steps = [
      { textStyle: 'heading-1', step: 5 },
      { textStyle: 'body', step: 0 },
    ];
    const step = made('scaleStyles', { scale: scale({ rounding: 0.5 }), steps });
    expect(step.sentence).to.equal(
      '2 text styles on a scale, from 16 px × 1.2 at 320 px to 18 px × 1.25 at 1280 px',
    );
    const style = step.frame.textStyles.find(({ id }) => id === 'heading-1')!;
    // 16 · 1.2⁵ = 39.81 and 18 · 1.25⁵ = 54.93, in halves.
    expect(style.style.self?.size).to.deep.equal({
      base: { min: 40, max: 55, fromWidth: 320, toWidth: 1280 },
    });
    const held = (id: string) => step.frame.textStyles.find((each) => each.id === id);
    expect(held('heading-2')).to.deep.equal(frame.textStyles.find(({ id }) => id === 'heading-2'));
    expect(undoneOf(step).frame).to.deep.equal(site.frame);
    expect(refusal('scaleStyles', { scale: scale(), steps: [] })).to.include('Nothing was changed');
    expect(refusal('scaleStyles', { scale: scale(), steps: [{ textStyle: 'gone', step: 0 }] })).to.include(
      'no longer in the theme',
    );
    expect(
      refusal('scaleStyles', {
        scale: scale({ wide: { width: 1280, base: 40, ratio: 2 } }),
        steps: [{ textStyle: 'body', step: 9 }],
      }),
    ).to.match(/^Body: .+Nothing was changed\.$/);
    expect(home.id).to.equal('home');
  });
});

describe('sizes that are suggested for a view', () => {
  const base = { width: 1280, body: 18 };

  it('come nearer to the body the narrower the view is, in order', () => {
    // By hand: ln(400 ÷ 160) ÷ ln(1280 ÷ 160) = 0.4406, held to 0.55; 16 · (64 ÷ 18)^0.55 = 32.1.
    expect(suggestedSize(64, base, { width: 400, body: 16 })).to.equal(32);
    // ln(820 ÷ 160) ÷ ln(8) = 0.7859; 17 · (64 ÷ 18)^0.7859 = 46.06.
    expect(suggestedSize(64, base, { width: 820, body: 17 })).to.equal(46);
    expect(suggestedSize(64, base, base)).to.equal(64);
    // What is smaller than the body goes along with it, and stays legible.
    expect(suggestedSize(15, base, { width: 400, body: 16 })).to.equal(13);
    expect(suggestedSize(13, base, { width: 400, body: 16 })).to.equal(12);
    expect(suggestedSize(11, base, { width: 400, body: 16 })).to.equal(11);
    const sizes = fc.tuple(
      fc.double({ min: 8, max: 120, noNaN: true }),
      fc.double({ min: 8, max: 120, noNaN: true }),
      fc.integer({ min: 280, max: 2000 }),
    );
    fc.assert(
      fc.property(sizes, ([one, other, width]) => {
        const [small, large] = [Math.min(one, other), Math.max(one, other)];
        const there = { width, body: 16 };
        expect(suggestedSize(small, base, there)).to.be.at.most(suggestedSize(large, base, there) + 1);
      }),
    );
  });

  it('are given to text styles in a view, in one step, with nothing wrong in the demo', () => {
    const mobile = view('mobile');
    const sizes = [...suggestedSizes(frame, mobile)].map(([textStyle, size]) => ({ textStyle, size }));
    const step = made('setStyleSizes', { sizes, view: mobile, reach: 'here' });
    expect(step.sentence).to.match(/^\d+ text styles: sizes in Mobile$/);
    const style = (of: SiteFrame, id: string) => of.textStyles.find((each) => each.id === id)!;
    for (const { id } of frame.textStyles)
      for (const other of ['tablet', 'desktop', 'wide'])
        expect(styleValueIn(step.frame, style(step.frame, id), 'size', view(other))).to.deep.equal(
          styleValueIn(frame, style(frame, id), 'size', view(other)),
        );
    expect(rules(step.frame).filter((rule) => !rule.endsWith('size jumps'))).to.deep.equal([]);
    expect(undoneOf(step).frame).to.deep.equal(site.frame);
    expect(refusal('setStyleSizes', { sizes: [], view: mobile, reach: 'here' })).to.include(
      'nothing was changed',
    );
    expect(
      refusal('setStyleSizes', { sizes: [{ textStyle: 'body', size: 2 }], view: mobile, reach: 'here' }),
    ).to.match(/^Body: .+Nothing was changed\.$/);
  });
});

describe('checks of text sizes', () => {
  it('find nothing wrong in the demo', () => {
    expect(rules(frame)).to.deep.equal([]);
  });

  it('find nothing wrong in what a new site begins with, in any look and set of views', () => {
    for (const { id: look } of LOOKS)
      for (const { id: views } of VIEW_SETS)
        expect(
          rules(newSite({ id: 'new', name: 'New', lang: 'en', look, views }).frame),
          `${look} ${views}`,
        ).to.deep.equal([]);
  });

  it('find what is wrong, with its widths and its views', () => {
    const cases: [string, Record<string, ReturnType<typeof layered>>, string[]][] = [
      ['body', { size: layered(17, { mobile: 15 }) }, ['body: text too small']],
      ['meta', { size: layered(14, { mobile: 11 }) }, ['meta: text too small', 'meta: size jumps']],
      ['body', { lineHeight: layered(1.6, { mobile: 1.1 }) }, ['body: lines too close']],
      ['quote', { size: layered(28, { wide: 32, tablet: 24, mobile: 18 }) }, ['quote: size jumps']],
      ['lead', { size: layered(21, { mobile: 24 }) }, ['lead: size grows as the width shrinks']],
      ['heading-2', { size: layered(22) }, ['heading-2: order of sizes inverted']],
      [
        'heading-1',
        { size: layered({ min: 30, max: 150, fromWidth: 320, toWidth: 1000 }) },
        ['heading-1: text cannot be enlarged enough'],
      ],
    ];
    for (const [id, values, wanted] of cases)
      expect(rules(withStyle(id, values)), `${id} ${JSON.stringify(values)}`).to.deep.equal(wanted);
    const [small] = textSizeFindings(withStyle('body', { size: layered(17, { mobile: 15 }) }));
    expect(small.views).to.deep.equal([view('mobile')]);
    expect(small.widths).to.deep.equal([{ from: 280, to: 639 }]);
    expect(small.sentence).to.equal('Body is 15 px from 280 to 639 px.');
    expect(small.clause).to.equal('common practice');
    expect(small.cure).to.equal('Make it 16 px or more there.');
  });
});
