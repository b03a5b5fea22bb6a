/** What a person types in a cell, what it is read as, and how it is written there: by hand, for every kind of value. */
import { expect } from 'chai';
import { lexer } from 'css-tree';
import { parse } from 'culori';
import fc from 'fast-check';
import { cssColour, frameFaults, knownProperty } from '../../core/index.ts';
import { adjusted } from '../../core/elements/valuetypes/adjust.ts';
import { COLOUR_GRAMMAR } from '../../core/theme/colourgrammar.ts';
import { frame, node, refusal, view } from './acting.ts';

const context = { site: frame, columns: 12, fluidWidths: { fromWidth: 640, toWidth: 1024 } };

/** What is typed for a property, the value it is read as, and what the cell then shows. */
const READ: [property: string, typed: string, value: unknown, shown: string][] = [
  ['lineHeight', '1,45', 1.45, '1.45'],
  ['lineHeight', ' 2. ', 2, '2'],
  ['lineHeight', '1.6–1.4 @ 320–1280', { min: 1.4, max: 1.6, fromWidth: 1280, toWidth: 320 }, '1.6–1.4'],
  ['lineHeight', '1.3-1.5', { min: 1.3, max: 1.5, fromWidth: 640, toWidth: 1024 }, '1.3–1.5'],
  ['letterSpacing', '-0.02–0.01 em', { min: -0.02, max: 0.01, fromWidth: 640, toWidth: 1024 }, '-0.02–0.01'],
  [
    'letterSpacing',
    '0.04em to -0.02em',
    { min: -0.02, max: 0.04, fromWidth: 1024, toWidth: 640 },
    '0.04 to -0.02',
  ],
  ['paddingTop', '24–64 @ 320–1280', { min: 24, max: 64, fromWidth: 320, toWidth: 1280 }, '24–64'],
  ['gap', '8px - 32px', { min: 8, max: 32, fromWidth: 640, toWidth: 1024 }, '8–32'],
  ['lineHeight', '.5', 0.5, '0.5'],
  ['opacity', '0,125', 0.125, '0.125'],
  ['minHeight', '1200,5', 1200.5, '1200.5'],
  ['minHeight', '120 px', 120, '120'],
  ['minHeight', '+80PX', 80, '80'],
  ['letterSpacing', '-0.02em', -0.02, '-0.02'],
  ['span', '6', 6, '6 of 12'],
  ['span', '20', 20, '12 of 12'],
  ['start', 'Auto', 'auto', 'auto'],
  ['start', '3', 3, '3'],
  ['height', 'auto', 'auto', 'auto'],
  ['shown', 'hide', false, 'no'],
  ['shown', 'Yes', true, 'yes'],
  ['align', 'Middle', 'center', 'centre'],
  ['align', 'centre', 'center', 'centre'],
  ['align', 'center', 'center', 'centre'],
  ['family', 'literata', 'literata', 'Literata'],
  ['width', '50%', { percent: 50 }, '50 %'],
  ['width', '50 %', { percent: 50 }, '50 %'],
  ['width', '1', { px: 1 }, '1 px'],
  ['width', '4000px', { px: 4000 }, '4000 px'],
  ['width', '1%', { percent: 1 }, '1 %'],
  ['width', '100 %', { percent: 100 }, '100 %'],
  ['width', 'AUTO', 'auto', 'auto'],
  ['aspectRatio', '16:9', { width: 16, height: 9 }, '16:9'],
  ['aspectRatio', '3/2', { width: 3, height: 2 }, '3:2'],
  ['aspectRatio', '4 x 3', { width: 4, height: 3 }, '4:3'],
  ['aspectRatio', '1.5', { width: 1.5, height: 1 }, '1.5:1'],
  ['aspectRatio', '100:100', { width: 100, height: 100 }, '100:100'],
  ['aspectRatio', 'auto', 'auto', 'auto'],
  ['zoom', '150 %', 150, '150'],
  ['zoom', '125', 125, '125'],
  ['focalPoint', '50 20', { x: 50, y: 20 }, '50 20'],
  ['focalPoint', '0 %, 100 %', { x: 0, y: 100 }, '0 100'],
  ['size', '40', 40, '40'],
  ['size', '28–60', { min: 28, max: 60, fromWidth: 640, toWidth: 1024 }, '28–60'],
  ['size', '28 px - 60 px', { min: 28, max: 60, fromWidth: 640, toWidth: 1024 }, '28–60'],
  ['size', '28 to 60', { min: 28, max: 60, fromWidth: 640, toWidth: 1024 }, '28–60'],
  ['size', '44–56 @ 700–1023', { min: 44, max: 56, fromWidth: 700, toWidth: 1023 }, '44–56'],
  ['size', '60%', { share: 60 }, '60 %'],
  ['size', '24–8 %–96', { share: 8, least: 24, most: 96 }, '24–8 %–96'],
  ['size', '24px - 7,5% - 96px', { share: 7.5, least: 24, most: 96 }, '24–7.5 %–96'],
  ['size', '24–8%', { share: 8, least: 24 }, '24–8 %'],
  ['size', '8% to 96', { share: 8, most: 96 }, '8 %–96'],
  ['size', '44-56@400px-900px', { min: 44, max: 56, fromWidth: 400, toWidth: 900 }, '44–56'],
  ['paddingTop', '48px', 48, '48'],
  ['paddingTop', 'm', '{m}', 'M'],
  ['paddingTop', '{m}', '{m}', 'M'],
  ['colour', 'night', '{night}', 'Night'],
  ['colour', '{night}', '{night}', 'Night'],
  ['colour', '1B2A49', '#1b2a49', '#1b2a49'],
  ['colour', 'fff', '#fff', '#fff'],
  ['colour', 'RebeccaPurple', 'rebeccapurple', 'rebeccapurple'],
  ['gradient', 'none', 'none', 'none'],
  ['gradient', '180 #fff to Night', { angle: 180, from: '#fff', to: '{night}' }, '180° #fff to Night'],
  ['gradient', '0° #fff → #000', { angle: 0, from: '#fff', to: '#000' }, '0° #fff to #000'],
  ['gradient', '360deg #fff – #000', { angle: 360, from: '#fff', to: '#000' }, '360° #fff to #000'],
  [
    'gradient',
    ' 90  deg rgb(1 2 3)  to  lamp ',
    { angle: 90, from: 'rgb(1 2 3)', to: '{lamp}' },
    '90° rgb(1 2 3) to Lamp',
  ],
  ['backgroundPicture', 'None', 'none', 'none'],
];

/** What is refused, with a part of the sentence that says what would be accepted. */
const REFUSED: [property: string, typed: string, sentence: string][] = [
  ['lineHeight', 'wide', 'a number from 0.5 to 4'],
  ['lineHeight', '1.2.3', 'a number from 0.5 to 4'],
  ['minHeight', '1,200', 'a number from 0 to 3000'],
  ['lineHeight', '1,200', 'a number from 0.5 to 4'],
  ['lineHeight', '1e1', 'a number from 0.5 to 4'],
  ['lineHeight', '', 'a number from 0.5 to 4'],
  ['minHeight', '12em', 'a number from 0 to 3000 px'],
  ['span', '1.5', 'a whole number from 1 to 24'],
  ['start', 'first', 'a whole number from 1 to 24, or auto'],
  ['align', 'diagonal', 'start, centre, end, justified'],
  ['family', 'Unknown', 'Figtree'],
  ['width', '0', '1 to 4000 px'],
  ['width', '4001', '1 to 4000 px'],
  ['width', '0.5%', 'from 1 % to 100 %'],
  ['width', '101 %', 'from 1 % to 100 %'],
  ['aspectRatio', '0:1', 'as in 16:9'],
  ['aspectRatio', '1:0', 'as in 16:9'],
  ['aspectRatio', '101:1', 'as in 16:9'],
  ['aspectRatio', '1:101', 'as in 16:9'],
  ['aspectRatio', '1:2:3', 'as in 16:9'],
  ['aspectRatio', 'wide', 'as in 16:9'],
  ['focalPoint', '50', 'as in 50 20'],
  ['focalPoint', '50 20 10', 'as in 50 20'],
  ['focalPoint', '-1 20', 'as in 50 20'],
  ['focalPoint', '50 101', 'as in 50 20'],
  ['size', '60–28', 'grows with the width: 60 is more than 28'],
  ['size', '5', 'a number from 6 to 400'],
  ['size', '5–20', 'a number from 6 to 400'],
  ['size', '20–401', 'a number from 6 to 400'],
  ['size', '20–30–40', 'a number from 6 to 400'],
  ['size', 'large', 'a number from 6 to 400'],
  ['size', '101 %', 'A share is from 0.1 to 100 %'],
  ['size', '96–8 %–24', '96 is more than 24'],
  ['size', '2–8 %–24', 'a share as in 8 % or 24–8 %–96'],
  ['size', '20–30–8 %', 'a share as in 8 % or 24–8 %–96'],
  ['size', '8 % @ 640–1023', 'a share as in 8 % or 24–8 %–96'],
  ['paddingTop', '601', 'Type 0 to 600 px'],
  ['paddingTop', '64–24', 'grows with the width: 64 is more than 24'],
  ['paddingTop', '24–700', 'Type 0 to 600 px'],
  ['lineHeight', '1.6–1.4 @ 1280', 'two values need two widths'],
  ['lineHeight', '1.6–1.4 @ 1280–320', 'a span of widths'],
  ['marginTop', '8–32', 'Type -400 to 600 px'],
  ['paddingTop', 'huge', 'a step of the spacing scale'],
  ['colour', 'nightfall', 'nor a CSS colour'],
  ['gradient', '361 #fff to #000', 'an angle and two colours'],
  ['gradient', '-5 #fff to #000', 'an angle and two colours'],
  ['gradient', '90', 'an angle and two colours'],
  ['gradient', '', 'an angle and two colours'],
  ['gradient', '90 to #000', 'an angle and two colours'],
  ['gradient', 'x #fff to #000', 'an angle and two colours'],
  ['gradient', '90 #fff', 'an angle and two colours'],
  ['gradient', '90 #fff to blackish', 'an angle and two colours'],
  ['source', 'none', 'no image named “none”'],
  ['backgroundPicture', 'Pluto', 'no image named “Pluto”'],
];

describe('what is typed in a cell', () => {
  for (const [property, typed, value, shown] of READ) {
    it(`“${typed}” for ${property} is ${JSON.stringify(value)}`, () => {
      const { type } = knownProperty(property);
      expect(type.parse(typed, context)).to.deep.equal({ ok: true, value });
      expect(type.format(value, context)).to.equal(shown);
      expect(type.fault?.(value, frame)).to.equal(undefined);
    });
  }

  for (const [property, typed, part] of REFUSED) {
    it(`“${typed}” for ${property} is refused`, () => {
      const outcome = knownProperty(property).type.parse(typed, context);
      expect(outcome.ok).to.equal(false);
      if (!outcome.ok) expect(outcome.sentence).to.include(part);
    });
  }

  it('a fluid size takes the usual widths where a cell has none of its own', () => {
    expect(knownProperty('size').type.parse('20–30', { site: frame })).to.deep.equal({
      ok: true,
      value: { min: 20, max: 30, fromWidth: 320, toWidth: 1280 },
    });
  });

  it('what a site does not have, or no longer, is told', () => {
    const fault = (name: string, value: unknown) => knownProperty(name).type.fault!(value, frame);
    expect(fault('colour', '{gone}')).to.equal('The site has no colour “gone”.');
    expect(fault('gradient', { angle: 0, from: '#fff', to: '{gone}' })).to.equal(
      'The site has no colour “gone”.',
    );
    expect(fault('paddingTop', '{gone}')).to.equal('The site’s spacing scale has no step “gone”.');
    expect(fault('family', 'gone')).to.equal('The site has no font family “gone”.');
    // It is not typed, but left where an image was deleted.
    expect(fault('source', 'none')).to.equal(undefined);
    expect(fault('source', 'gone')).to.equal('The site has no image “gone”.');
    expect(fault('backgroundPicture', 'none')).to.equal(undefined);
    expect(fault('size', { min: 30, max: 20, fromWidth: 320, toWidth: 1280 })).to.include('grows');
    const names = (name: string) => knownProperty(name).type.options!(context).map(({ value }) => value);
    expect(names('source')).not.to.include('none');
    expect(names('backgroundPicture')[0]).to.equal('none');
  });

  it('a change that starts from the value is held to the range, and reaches every length of it', () => {
    const size = knownProperty('size').type;
    const after = (value: unknown, percent: number) => adjusted(size, value, { percent });
    expect(after(40, 80)).to.equal(32);
    expect(after(7, 50)).to.equal(6);
    expect(after(300, 200)).to.equal(400);
    expect(after(33, 33.333)).to.equal(11);
    expect(after({ min: 20, max: 40, fromWidth: 640, toWidth: 1024 }, 50)).to.deep.equal({
      min: 10,
      max: 20,
      fromWidth: 640,
      toWidth: 1024,
    });
    expect(after({ share: 8, least: 24 }, 50)).to.deep.equal({ share: 4, least: 24 });
    expect(adjusted(knownProperty('width').type, { percent: 50 }, { by: 5 })).to.deep.equal({ percent: 55 });
    expect(adjusted(knownProperty('colour').type, '#fff', { by: 5 })).to.equal(undefined);
    expect(adjusted(knownProperty('focalPoint').type, { x: 1, y: 2 }, { by: 5 })).to.equal(undefined);
    expect(adjusted(knownProperty('order').type, null, { by: 5 })).to.equal(undefined);
  });
});

describe('colours', () => {
  it('are what the grammar of CSS Color 4 knows, whole, and that stand alone', () => {
    // From the examples of CSS Color 4 (https://www.w3.org/TR/css-color-4/).
    for (const text of [
      ...['#0f0', '#00ff00', '#00ff0080', '#0f08', 'lime', 'transparent', 'rebeccapurple', 'RGB(0 255 0)'],
      ...['rgb(0, 255, 0)', 'rgba(0, 255, 0, 50%)', 'rgb(29 164 192 / 95%)', 'hsl(120deg 100% 50%)'],
      ...['hsl(120 100% 25% / 0.5)', 'hwb(150 20% 10%)', 'lab(29.2345% 39.3825 20.0664)'],
      ...['lch(52.2345% 72.2 56.2)', 'oklab(40.1% 0.1143 0.045)', 'oklch(40.1% 0.123 21.57)'],
      ...[
        'color(display-p3 -0.6112 1.0079 -0.2192)',
        'color(xyz-d50 0.2005 0.14089 0.4472)',
        'lch(50% 30 none)',
      ],
    ])
      expect(cssColour(text), text).not.to.equal(undefined);
    for (const text of [
      ...['rgb(10 20 30', 'oklch(70%/.1 80--none)', 'face', 'fff', '#12345', 'color(--okhsl 1 1 1)', ''],
      ...['rgb(1 2 3);', 'rgb(1 2 3)}', 'rgb(1, 2 3)', 'red blue', 'currentcolor', 'Canvas', 'inherit'],
      ...['var(--x)', 'color-mix(in srgb, red, blue)', 'rgb(from red r g b)', 'url(x)', 'nocolour'],
    ])
      expect(cssColour(text), text).to.equal(undefined);
    expect(cssColour('rgb(0 0 0 / none)')!.alpha).to.equal(0);
  });

  it('are read by the part of the grammar of css-tree that is shipped as by the whole', () => {
    const types = (lexer.dump(false, true) as { types: Record<string, string> }).types;
    for (const [name, syntax] of Object.entries(COLOUR_GRAMMAR))
      if (name !== 'color') expect(syntax, name).to.equal(types[name]);
    const number = fc.oneof(
      fc.integer({ min: -20, max: 400 }).map(String),
      fc.constantFrom('0.5', '50%', 'none', '120deg', '1e2', '-3.5%', 'red', '#fff', '', 'calc(1 + 2)'),
    );
    const text = fc
      .tuple(
        fc.constantFrom('rgb', 'rgba', 'hsl', 'hwb', 'lab', 'lch', 'oklab', 'oklch', 'color', 'url', 'RGB'),
        fc.array(number, { minLength: 1, maxLength: 5 }),
        fc.constantFrom(' ', ', ', ' / ', '/'),
      )
      .map(([name, parts, between]) => `${name}(${parts.join(between)})`);
    fc.assert(
      fc.property(text, (colour) => {
        const known = !lexer.matchType('color', colour).error;
        let read: unknown;
        try {
          read = parse(colour.toLowerCase());
        } catch {
          read = undefined;
        }
        expect(cssColour(colour) !== undefined, colour).to.equal(known && read !== undefined);
      }),
      { numRuns: 2000 },
    );
  });

  it('that are none are refused wherever they come from', () => {
    const at = { nodes: [node('headline')], view: view('desktop'), reach: 'here' as const };
    for (const broken of ['rgb(10 20 30', 'face', 'oklch(70%/.1 80--none)']) {
      expect(refusal('setValue', { ...at, property: 'colour', value: broken })).to.include(broken);
      expect(refusal('setColour', { name: 'Bad', value: broken })).to.include(broken);
      const gradient = { angle: 0, from: '#fff', to: broken };
      expect(
        refusal('setValue', { ...at, nodes: [node('opening')], property: 'gradient', value: gradient }),
      ).to.include(broken);
    }
  });
});

describe('frames', () => {
  it('are looked at as a whole once their shape is right', () => {
    expect(
      frameFaults({ ...frame, colours: [...frame.colours, { id: 'x', name: 'X', value: 'face' }] }),
    ).to.have.length(1);
    expect(frameFaults({ ...frame, colours: 1 })).to.have.length(1);
    expect(frameFaults(frame)).to.deep.equal([]);
  });
});
