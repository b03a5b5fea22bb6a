/** Which part of an image is seen. */
import { expect } from 'chai';
import fc from 'fast-check';
import { cropFor as cropOf, cutOf, movedBy, regionOf, withEdges } from '../../core/layout/crop.ts';

describe('a part of an image', () => {
  it('is cut to a part where more than a quarter of it would not be seen, about its focal point', () => {
    const wide = { width: 3000, height: 2000 };
    const cropFor = (image: typeof wide, box: typeof wide, focus: { x: number; y: number }) =>
      cropOf(image, { ratio: box.width / box.height, zoom: 100, focus });
    expect(cropFor(wide, { width: 1, height: 1 }, { x: 50, y: 50 })).to.deep.equal({
      x: 500,
      y: 0,
      width: 2000,
      height: 2000,
    });
    expect(cropFor(wide, { width: 1, height: 1 }, { x: 0, y: 50 })!.x).to.equal(0);
    expect(cropFor(wide, { width: 1, height: 1 }, { x: 100, y: 50 })!.x).to.equal(1000);
    expect(cropFor(wide, { width: 3, height: 1 }, { x: 50, y: 10 })).to.deep.equal({
      x: 0,
      y: 100,
      width: 3000,
      height: 1000,
    });
    // 4:3 of 3:2 is eight ninths of it.
    expect(cropFor(wide, { width: 4, height: 3 }, { x: 50, y: 50 })).to.equal(undefined);
  });

  it('is cut to what zoom leaves of it, however little goes', () => {
    const wide = { width: 3000, height: 2000 };
    expect(cropOf(wide, { zoom: 200, focus: { x: 0, y: 100 } })).to.deep.equal({
      ...{ x: 0, y: 1000, width: 1500, height: 1000 },
    });
    expect(cropOf(wide, { ratio: 1, zoom: 250, focus: { x: 50, y: 25 } })).to.deep.equal({
      ...{ x: 1100, y: 300, width: 800, height: 800 },
    });
    expect(cropOf(wide, { zoom: 105, focus: { x: 50, y: 50 } })?.width).to.equal(2857);
    expect(cropOf(wide, { zoom: 100, focus: { x: 50, y: 50 } })).to.equal(undefined);
  });

  it('says of every part of it how it is shown, and shows that part again', () => {
    const side = fc.integer({ min: 40, max: 6000 });
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(side, side, share, share, share, share, (width, height, left, top, across, down) => {
        // An eighth each way is as small as zoom goes; of long parts of long images less.
        const part = { width: width * (0.125 + 0.875 * across), height: height * (0.125 + 0.875 * down) };
        const whole = Math.min(width / part.width, height / part.height);
        fc.pre(whole <= 8);
        const meant = { ...part, x: (width - part.width) * left, y: (height - part.height) * top };
        const seen = regionOf({ width, height }, cutOf({ width, height }, meant, { x: 50, y: 50 }));
        // Hundredths of a per cent of zoom, and of what is left over.
        const near = Math.max(width, height) / 1000 + 0.5;
        for (const key of ['x', 'y', 'width', 'height'] as const)
          expect(seen[key]).to.be.closeTo(meant[key], near);
        expect(seen.width / seen.height).to.be.closeTo(part.width / part.height, 1e-6);
      }),
    );
    // What is as wide as the image has no place from side to side: the point that was said stays.
    const all = { x: 0, y: 40, width: 300, height: 100 };
    expect(cutOf({ width: 300, height: 200 }, all, { x: 20, y: 0 }).focus).to.deep.equal({ x: 20, y: 40 });
  });

  it('has edges that are moved within the image, freely or in its shape', () => {
    const image = { width: 900, height: 600 };
    const part = { x: 300, y: 200, width: 300, height: 200 };
    expect(withEdges(image, part, { left: -100 }, false)).to.deep.equal({ ...part, x: 200, width: 400 });
    expect(withEdges(image, part, { bottom: 900 }, false)).to.deep.equal({ ...part, height: 400 });
    // In its shape an edge takes the others along, about the middle; a corner leaves the opposite one where it is.
    expect(withEdges(image, part, { right: 150 }, true)).to.deep.equal({
      ...{ x: 300, y: 150, width: 450, height: 300 },
    });
    expect(withEdges(image, part, { left: -30, top: -100 }, true)).to.deep.equal({
      ...{ x: 150, y: 100, width: 450, height: 300 },
    });
    expect(movedBy(image, part, { x: 900, y: -50 })).to.deep.equal({ ...part, x: 600, y: 150 });
  });

  it('stays in the image, and no smaller than it can be zoomed to, however its edges are moved', () => {
    const side = fc.integer({ min: 40, max: 6000 });
    const by = fc.option(fc.integer({ min: -9000, max: 9000 }), { nil: undefined });
    const edges = fc.record({
      across: fc.constantFrom('left', 'right'),
      down: fc.constantFrom('top', 'bottom'),
      ...{ x: by, y: by },
    });
    fc.assert(
      fc.property(side, side, edges, fc.boolean(), (width, height, { across, down, x, y }, inShape) => {
        const image = { width, height };
        const part = { x: width / 4, y: height / 4, width: width / 2, height: height / 2 };
        const moves = { ...(x !== undefined && { [across]: x }), ...(y !== undefined && { [down]: y }) };
        const made = withEdges(image, part, moves, inShape);
        const slack = 1e-6 * Math.max(width, height);
        expect(Math.min(made.x, made.y)).to.be.at.least(-slack);
        expect(made.x + made.width).to.be.at.most(width + slack);
        expect(made.y + made.height).to.be.at.most(height + slack);
        expect(Math.min(made.width / width, made.height / height)).to.be.at.least(1 / 8 - 1e-9);
        if (inShape) expect(made.width / made.height).to.be.closeTo(width / height, 1e-6);
      }),
    );
  });
});
