/** Sizes that are a share of the width of the place that words have. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  curveAt,
  enlargeable,
  knownProperty,
  measureAt,
  notEnlarged,
  preview,
  proportional,
  scaledSize,
  widthsIn,
  type NodeId,
  type Page,
} from '../../core/index.ts';
import { curvePiece, mostByZoom } from '../../core/type/curve.ts';
import { greatest, least, plus, times, WINDOW, pixels } from '../../core/type/measure.ts';
import { pageRules } from '../../core/compile/rules.ts';
import { textCurve } from '../../core/values/textcurves.ts';
import { textSizeCss } from '../../core/type/textsize.ts';
import { frame, home, made, view } from './acting.ts';

const set = (node: string, value: unknown, where = 'desktop', page = home): Page =>
  made(
    'setValue',
    { nodes: [node as NodeId], property: 'size', view: view(where), value, reach: 'onward' },
    page,
  ).page;
const addresses = { page: () => '', picture: () => '' };
const declared = (page: Page, selector: string) =>
  pageRules(frame, page, addresses)
    .filter((rule) => rule.selector.split(',').includes(selector))
    .map(({ condition, declarations }) => [condition ?? '', declarations] as const);
describe('a proportional size', () => {
  it('is refused where it is none', () => {
    expect(proportional({ share: 8, least: 20, most: 60 })).to.deep.equal({
      ok: true,
      value: { share: 8, least: 20, most: 60 },
    });
    for (const wrong of [{ share: 0 }, { share: NaN }, { share: 100.5 }, { share: 8, least: 60, most: 20 }])
      expect(proportional(wrong).ok).to.equal(false);
    const { type } = knownProperty('size');
    expect(type.fault!({ share: 8, least: 60, most: 20 }, frame)).to.include('60 is more than 20');
  });

  it('is written with a part that grows with a reader’s own font size, within its limits', () => {
    expect(textSizeCss({ share: 8 })).to.equal('calc(0.08 * var(--across, 100vw) + 1rem - 16px)');
    expect(textSizeCss({ share: 8, least: 24, most: 96 })).to.equal(
      'clamp(1.5rem, 0.08 * var(--across, 100vw) + 1rem - 16px, 6rem)',
    );
    expect(textSizeCss({ share: 8, least: 24 })).to.match(/^max\(1\.5rem, /);
    expect(textSizeCss({ share: 8, most: 96 })).to.match(/, 6rem\)$/);
  });

  it('bends where its place does, and where it gets to a limit: between its points it is straight', () => {
    const places = fc
      .tuple(
        fc.integer({ min: 200, max: 1600 }),
        fc.integer({ min: 0, max: 80 }),
        fc.integer({ min: 1, max: 12 }),
      )
      .map(([most, margin, columns]) =>
        times(greatest(pixels(0), least(pixels(most), plus(WINDOW, -2 * margin))), columns / 12),
      );
    const sizes = fc.record({
      share: fc.double({ min: 0.5, max: 60, noNaN: true }),
      least: fc.option(fc.integer({ min: 6, max: 40 }), { nil: undefined }),
      most: fc.option(fc.integer({ min: 41, max: 300 }), { nil: undefined }),
    });
    fc.assert(
      fc.property(places, sizes, (place, size) => {
        const { at, bends } = curvePiece(280, 2560, size, place);
        const points = [280, ...bends, 2560];
        for (let index = 1; index < points.length; index += 1) {
          const [from, to] = [points[index - 1], points[index]];
          expect(at((from + to) / 2)).to.be.closeTo((at(from) + at(to)) / 2, 1e-6);
        }
        for (const width of [280, 700, 1300, 2559]) {
          const plain = (measureAt(place, width) * size.share) / 100;
          const wanted = Math.min(size.most ?? Infinity, Math.max(size.least ?? 0, plain));
          expect(at(width)).to.be.closeTo(wanted, 1e-9);
        }
      }),
    );
  });

  it('cannot be enlarged by zoom on its own; limits that are near enough let it', () => {
    // At 1280 px it is 128 px; zoomed by five there are 256 px, of which a tenth, five times as large, is 128 px again.
    expect(mostByZoom([curvePiece(1, 9000, { share: 10 })], 1280)).to.be.closeTo(1, 1e-9);
    // With 100 px at most it takes five times 40 px to be twice that.
    expect(enlargeable({ share: 10, most: 100 })).to.deep.equal({ share: 10, least: 40, most: 100 });
    expect(notEnlarged(enlargeable({ share: 10 }))).to.equal(undefined);
    expect(knownProperty('size').type.describe!({ share: 10 })).to.match(
      /^10 % of the width of the place that it has\. Zoom cannot double it .+ \(WCAG 1\.4\.4\); 51\.5–10 %–128 it can\.$/,
    );
  });

  it('is brought to scale with its limits, legibly', () => {
    expect(scaledSize({ share: 8, least: 20, most: 60 }, 50, 12)).to.deep.equal({
      share: 4,
      least: 12,
      most: 30,
    });
    expect(scaledSize({ min: 10, max: 40, fromWidth: 1, toWidth: 2 }, 50, 12)).to.deep.equal({
      ...{ min: 10, max: 20 },
      ...{ fromWidth: 1, toWidth: 2 },
    });
  });
});

describe('the place of a proportional size', () => {
  it('is that of the element by the columns and gaps of each view, told by what holds it', () => {
    const column = home.nodes[home.nodes['headline' as NodeId].parent!];
    const page = set('headline', { share: 8 });
    // The column that it stands in is stretched, so that it is as wide as the column's room.
    expect(declared(page, '.n-headline').some(([, css]) => css['--across'] === '100cqi')).to.equal(true);
    expect(
      declared(page, `.n-${column.id}`).some(([, css]) => css['container-type'] === 'inline-size'),
    ).to.equal(true);
    expect(declared(home, '.n-headline').some(([, css]) => '--across' in css)).to.equal(false);
  });

  it('is told by what is further out where a column is as wide as its words', () => {
    const column = home.nodes[home.nodes['headline' as NodeId].parent!];
    const narrow = made(
      'setValue',
      {
        ...{ nodes: [column.id], property: 'blockAlign', view: view('desktop') },
        ...{ value: 'center', reach: 'everywhere' as const },
      },
      set('headline', { share: 8 }),
    ).page;
    expect(declared(narrow, `.n-${column.id}`).some(([, css]) => 'container-type' in css)).to.equal(false);
    expect(
      declared(narrow, `.n-${column.parent!}`).some(([, css]) => css['container-type'] === 'inline-size'),
    ).to.equal(true);
  });

  it('changes in a sheet with what it follows from, as if the page were compiled again', () => {
    const page = set('headline', { share: 8 });
    const column = page.nodes[page.nodes['headline' as NodeId].parent!];
    const first = preview(frame, page, addresses);
    const spans = made(
      'setValue',
      { nodes: [column.id], property: 'span', view: view('desktop'), value: 5, reach: 'here' },
      page,
    ).page;
    expect(preview(frame, spans, addresses, first).shared).to.deep.equal(
      preview(frame, spans, addresses).shared,
    );
    expect(preview(frame, page, addresses, preview(frame, home, addresses)).shared).to.deep.equal(
      first.shared,
    );
  });

  it('is that of the element that the size is inherited from', () => {
    const column = home.nodes[home.nodes['lead' as NodeId].parent!];
    const page = set('headline', { share: 8 });
    const curve = textCurve(frame, page, page.nodes['headline' as NodeId]);
    expect(curveAt(curve, 1100)).to.be.closeTo(
      0.08 * measureAt(widthsIn(frame, page).roomIn(column.id, view('desktop')), 1100),
      1e-9,
    );
    expect(textCurve(frame, page, page.nodes['headline' as NodeId], 'link')).to.have.length(curve.length);
    expect(curveAt(textCurve(frame, page, page.nodes['headline' as NodeId], 'link'), 1100)).to.equal(
      curveAt(curve, 1100),
    );
  });
});
