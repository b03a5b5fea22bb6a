/** How wide boxes and images are, in which widths images are made, what the shelf says of them, and where they stand. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  assetUses,
  compileSite,
  measureAt,
  resolve,
  knownProperty,
  siteFaults,
  widthsFor,
  widthsIn,
  type Asset,
} from '../../core/index.ts';
import {
  fluidMeasure,
  greatest,
  minus,
  sum,
  heldTo,
  least,
  pixels,
  plus,
  times,
  WINDOW,
  measureCss,
  type Measure,
} from '../../core/type/measure.ts';
import { frame, home, made, node, refusal, site, undoneOf, view } from './acting.ts';

const measures: fc.Arbitrary<Measure> = fc.letrec<{ measure: Measure }>((tie) => ({
  measure: fc.oneof(
    { maxDepth: 3 },
    fc.record({ vw: fc.integer({ min: 0, max: 100 }), px: fc.integer({ min: -300, max: 900 }) }),
    fc
      .tuple(fc.constantFrom(least, greatest), tie('measure'), tie('measure'))
      .map(([of, one, other]) => of(one, other)),
  ),
})).measure;

/** The HTML of the home page. */
const homeOf = (of: typeof site): string => {
  const [file] = compileSite(of);
  return 'text' in file ? file.text : '';
};

/** What is written of an image in pages, where no element is called the same. */
const mentionsIn = (pages: typeof site.pages, id: string): number =>
  JSON.stringify(pages).split(new RegExp(`"(?:base|value|picture|file|poster)":"${id}"`)).length - 1;

describe('a measure', () => {
  it('grows no faster than what it is made of, however many fluid paddings stand in one another', () => {
    const padding = { min: 8, max: 40, fromWidth: 320, toWidth: 1280 };
    const at = (width: number) => Math.min(40, Math.max(8, 8 + ((width - 320) / 960) * 32));
    let room = WINDOW;
    for (let depth = 0; depth < 14; depth += 1)
      room = greatest(pixels(0), minus(room, sum(fluidMeasure(padding), fluidMeasure(padding))));
    expect(measureCss(room).length).to.be.below(2500);
    for (const width of [280, 500, 900, 1279, 1600])
      expect(measureAt(room, width)).to.be.closeTo(Math.max(0, width - 28 * at(width)), 1e-6);
    // By hand: 8 px at both sides leave nothing of 224 px; from 320 px on it is W − 28 · (8 + (W − 320) / 30), which is nothing at 1120 px.
    const straight = measureAt(heldTo(room, 400, 700), 550);
    expect(straight).to.be.closeTo(550 - 28 * (8 + 230 / 30), 1e-6);
  });

  it('is written as CSS has it', () => {
    expect(measureCss(WINDOW)).to.equal('100vw');
    expect(measureCss(pixels(320))).to.equal('320px');
    expect(measureCss(plus(WINDOW, -40))).to.equal('calc(100vw - 40px)');
    expect(measureCss(plus(times(WINDOW, 1 / 3), 12.5))).to.equal('calc(33.33333vw + 12.5px)');
    expect(measureCss(least(pixels(1120), plus(WINDOW, -112)))).to.equal('min(1120px, 100vw - 112px)');
  });

  it('grows and shrinks as a whole, whatever it is made of', () => {
    fc.assert(
      fc.property(
        measures,
        fc.integer({ min: 200, max: 3000 }),
        fc.nat(4),
        fc.integer({ min: -50, max: 50 }),
        (measure, window, factor, more) => {
          const at = measureAt(measure, window);
          expect(measureAt(plus(measure, more), window)).to.be.closeTo(at + more, 1e-6);
          expect(measureAt(times(measure, factor), window)).to.be.closeTo(at * factor, 1e-6);
        },
      ),
    );
    expect(() => times(WINDOW, -1)).to.throw(RangeError);
  });

  it('is the same within a range once what is nowhere the least or greatest there has fallen out', () => {
    fc.assert(
      fc.property(
        measures,
        fc.integer({ min: 200, max: 900 }),
        fc.integer({ min: 0, max: 900 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (measure, from, span, share) => {
          const window = from + span * share;
          expect(measureAt(heldTo(measure, from, from + span), window)).to.be.closeTo(
            measureAt(measure, window),
            1e-6,
          );
        },
      ),
    );
    const content = least(pixels(1120), plus(WINDOW, -112));
    expect(measureCss(heldTo(content, 640, 1023))).to.equal('calc(100vw - 112px)');
    expect(measureCss(heldTo(content, 1440, 9000))).to.equal('1120px');
  });
});

describe('the width of an image', () => {
  // Reckoned by hand from the demo's grids: mobile 4 columns, 20 px margin; tablet 12 columns, 24 px gutter, 40 px margin, at most 940;
  // desktop 12 columns, 32 px gutter, 56 px margin, at most 1120.
  const width = (id: string, at: string) => widthsIn(frame, home).pictureWidth(node(id), view(at), 1400);

  it('follows from columns, gaps, margins and limits in each view', () => {
    expect(measureAt(width('eyes-picture', 'mobile'), 390)).to.equal(390 - 40);
    // Six of twelve columns with a gap of 32 px: half of the row less half a gap.
    expect(measureAt(width('eyes-picture', 'tablet'), 820)).to.equal((820 - 80 - 32) / 2);
    expect(measureAt(width('eyes-picture', 'tablet'), 1023)).to.equal((940 - 32) / 2);
    expect(measureCss(heldTo(width('eyes-picture', 'tablet'), 640, 1024))).to.equal(
      'min(454px, 50vw - 56px)',
    );
  });
});

describe('an image', () => {
  it('is made in widths up to its own and 2560 px', () => {
    expect(widthsFor(200)).to.deep.equal([200]);
    expect(widthsFor(320)).to.deep.equal([320]);
    expect(widthsFor(1000)).to.deep.equal([320, 480, 640, 800, 1000]);
    expect(widthsFor(6000)).to.deep.equal([320, 480, 640, 800, 1040, 1280, 1600, 1920, 2560]);
  });

  it('stands in its page first as AVIF, then as WebP, with sizes, and the one that opens the page before all others', () => {
    const text = homeOf(site);
    const pictures = [...text.matchAll(/<picture.*?<\/picture>/g)].map(([markup]) => markup);
    expect(pictures.length).to.be.greaterThan(5);
    for (const markup of pictures) {
      const types = [...markup.matchAll(/<source [^>]*type="([^"]*)"/g)].map(([, type]) => type);
      expect(types[0]).to.equal('image/avif');
      expect(markup).to.match(
        /<img sizes="[^"]+" srcset="[^"]+\.webp \d+w" src="[^"]+" alt="[^"]*" width="\d+" height="\d+"/,
      );
    }
    expect(text.match(/fetchpriority="high"/g)).to.have.length(1);
    expect(pictures.findIndex((markup) => markup.includes('fetchpriority'))).to.equal(
      pictures.findIndex((markup) => !markup.includes('loading="lazy"')),
    );
  });

  it('is published in each width that its pages name, and in no other', () => {
    const files = compileSite(site);
    const texts = files.flatMap((file) => ('text' in file ? [file.text] : [])).join('\n');
    const named = new Set([...texts.matchAll(/assets\/([\w-]+\.(?:avif|webp))/g)].map(([, name]) => name));
    const published = files.flatMap((file) =>
      'made' in file || 'asset' in file ? [file.path.split('/').at(-1)!] : [],
    );
    expect(published.filter((name) => /\.(avif|webp)$/.test(name))).to.have.members([...named]);
  });
});

describe('the shelf', () => {
  const FILE = {
    type: 'image/jpeg',
    width: 3000,
    height: 2000,
    hash: 'ab'.repeat(32),
    colour: '#123456',
  } as const;

  it('takes images in, each under a name of its own', () => {
    const first = made('addAsset', { ...FILE, id: 'night-hill-1', name: ' Night  hill ' });
    expect(first.sentence).to.equal('Image Night hill added to the shelf');
    const again = made('addAsset', { ...FILE, id: 'night-hill-2', name: 'Night hill' }, home, first.site);
    const [one, other] = again.frame.assets.slice(-2);
    expect([one.name, other.name]).to.deep.equal(['Night hill', 'Night hill 2']);
    expect([one.id, other.id]).to.deep.equal(['night-hill-1', 'night-hill-2']);
    const taken = { ...FILE, id: 'night-hill-1', name: 'Other' };
    expect(refusal('addAsset', taken, home, again.site)).to.match(/of this id already; nothing was added/);
    expect(siteFaults(again.site)).to.deep.equal([]);
    expect(refusal('addAsset', { ...FILE, id: 'x', width: 0, name: 'x' })).to.match(
      /cannot be put on the shelf/,
    );
    expect(undoneOf(first)).to.deep.equal(site);
  });

  it('says what an image shows and which point of it stays in sight wherever nothing else is said', () => {
    const said = made('changeAsset', {
      asset: 'dome-close',
      alt: 'The dome by night',
      focus: { x: 20, y: 80 },
      name: 'Dome, near',
    });
    expect(said.sentence).to.equal(
      'Image Dome, close: renamed to Dome, near, text alternative changed, focal point changed',
    );
    const added = made(
      'addElement',
      { kind: 'picture', id: node('new'), parent: home.nodes[node('headline')].parent!, after: null },
      home,
      said.site,
    );
    const shown = made(
      'setValue',
      {
        nodes: [node('new')],
        property: 'source',
        view: view('desktop'),
        value: 'dome-close',
        reach: 'everywhere',
      },
      added.page,
      added.site,
    );
    const text = homeOf(shown.site);
    expect(/<picture[^>]*n-new".*?<\/picture>/.exec(text)![0]).to.include('alt="The dome by night"');
    const focus = resolve(
      shown.frame,
      shown.page,
      shown.page.nodes[node('new')],
      knownProperty('focalPoint'),
      view('mobile'),
    );
    expect(focus).to.deep.equal({ x: 20, y: 80 });
    const own = made(
      'setContent',
      { node: node('new'), field: 'alt', value: 'Ours' },
      shown.page,
      shown.site,
    );
    expect(homeOf(own.site)).to.match(/n-new".*?alt="Ours"/);
    const none = made('changeAsset', { asset: 'dome-close', alt: ' ', focus: null }, home, said.site);
    expect(none.frame.assets.find(({ id }) => id === 'dome-close')).not.to.have.any.keys('alt', 'focus');
    expect(refusal('changeAsset', { asset: 'dome-close', name: 'saturn' })).to.match(
      /“saturn” is on the shelf already/,
    );
    expect(refusal('changeAsset', { asset: 'gone', name: 'x' })).to.match(/no longer on the shelf/);
  });

  it('knows where each stands, in values of all views and in contents', () => {
    const uses = assetUses(site);
    // In the demo's own text every mention of the id stands for a use of it.
    for (const { id } of frame.assets) {
      const told = (uses.get(id) ?? []).reduce((sum, { views }) => sum + (views?.length ?? 1), 0);
      expect(told, id).to.equal(mentionsIn(site.pages, id));
    }
    expect([...uses.keys()].every((id) => frame.assets.some((asset) => asset.id === id))).to.equal(true);
  });

  it('puts another file in the place of one, wherever that stands', () => {
    const step = made('replaceAsset', { asset: 'saturn', ...FILE });
    expect(step.sentence).to.equal('Image Saturn: replaced by another file, everywhere');
    expect(step.frame.assets.find(({ id }) => id === 'saturn')).to.deep.equal({
      ...FILE,
      id: 'saturn',
      name: 'Saturn',
    });
    expect(step.site.pages).to.deep.equal(site.pages);
    const film: Pick<Asset, 'type'> = { type: 'video/mp4' };
    expect(refusal('replaceAsset', { asset: 'saturn', ...FILE, ...film })).to.match(
      /not of the same type as Saturn/,
    );
  });

  it('lets go of one that stands on pages in one step, which can be undone', () => {
    for (const asset of frame.assets) {
      const step = made('removeAsset', { asset: asset.id });
      expect(siteFaults(step.site), asset.id).to.deep.equal([]);
      expect(mentionsIn(step.site.pages, asset.id), asset.id).to.equal(0);
      expect(undoneOf(step)).to.deep.equal(site);
    }
    expect(made('removeAsset', { asset: 'dome-at-dusk' }).sentence).to.equal(
      'Image Dome at dusk deleted, and removed from 1 element',
    );
    expect(refusal('removeAsset', { asset: 'gone' })).to.match(/no longer on the shelf/);
  });
});

describe('an image behind elements', () => {
  const asset = { ...site.frame.assets.find(({ id }) => id === 'milky-way')!, width: 3000, height: 2000 };
  const large = {
    ...site,
    frame: { ...site.frame, assets: site.frame.assets.map((each) => (each.id === asset.id ? asset : each)) },
  };
  const behind = (more: { property: string; value: unknown } | null = null) => {
    const on = { nodes: [node('evening')], view: view('desktop'), reach: 'here' as const };
    const set = made('setValue', { ...on, property: 'backgroundPicture', value: asset.id }, home, large);
    return more ? made('setValue', { ...on, ...more }, set.page, set.site).site : set.site;
  };
  const cssOf = (of: typeof site): string => {
    const file = compileSite(of).find(({ path }) => path.startsWith('assets/index-'))!;
    return 'text' in file ? file.text : '';
  };

  it('has in each view the width that fills a screen of it, for screens of one and two px to the px', () => {
    const css = cssOf(behind());
    const set = (...steps: [number, number][]) =>
      ['avif', 'webp']
        .flatMap((type) =>
          steps.map(
            ([width, x]) => `url\\("milky-way-${width}-\\w+\\.${type}"\\) ${x}x type\\("image/${type}"\\)`,
          ),
        )
        .join(', ');
    const said = (within: string, steps: [number, number][]) =>
      expect(css).to.match(new RegExp(`${within}html\\{--picture-milky-way:image-set\\(${set(...steps)}\\)`));
    // Desktop is below 1440 px: 1600 suffices; twice as many px are more than are ever made.
    said('\\n', [
      [1600, 1],
      [2560, 2],
    ]);
    // A sheet of Mobile is 844 px high: to fill it, an image of 3 : 2 is 1266 px wide, which is more than the 639 across.
    said('@media not \\(width >= 640px\\)\\{\\n', [
      [1280, 1],
      [2560, 2],
    ]);
    // There is no end to how wide Wide is.
    said('@media \\(width >= 1440px\\)\\{\\n', [[2560, 1]]);
    const paths = compileSite(behind()).map(({ path }) => path);
    for (const [, name] of css.matchAll(/url\("(milky-way-[^"]+)"/g))
      expect(paths).to.include(`assets/${name}`);
    expect(paths.filter((path) => /milky-way-\w{10}\.webp/.test(path))).to.deep.equal([]);
  });

  it('is the file itself where it is shown in its own size, or nothing smaller is made of it', () => {
    const own = cssOf(behind({ property: 'backgroundSize', value: 'auto' }));
    expect(own).to.match(/html\{--picture-milky-way:url\("milky-way-\w{10}\.webp"\)\}/);
    const moves = behind();
    const still = {
      ...moves.frame,
      assets: moves.frame.assets.map((each) => ({ ...each, moves: true as const })),
    };
    expect(cssOf({ ...moves, frame: still })).to.match(
      /html\{--picture-milky-way:url\("milky-way-\w{10}\.webp"\)/,
    );
  });
});
