/** Text inside images: at which widths it is shown too small to be read. Expected widths are worked out by hand from the grids of the demo's views. */
import { expect } from 'chai';
import { composed, findings, type Site } from '../../core/index.ts';
import { imageText } from '../../core/checks/imagetext.ts';
import { after, attempt, home, node, site as demo, view as viewOf } from './acting.ts';

const found = (on: Site) =>
  findings(on.frame, composed(on.frame, on.pages[home.id]), { rules: [imageText] }).map(
    ({ widths, sentence }) => ({ widths, sentence }),
  );
const set = (on: Site, property: string, view: string, value: unknown) =>
  after(on, 'setValue', { nodes: [node('phases')], property, view: viewOf(view), reach: 'onward', value });

// 2000 × 240 px; in Tablet, from 640 px, it is as wide as the window without two margins of 40 px.
const ASSET = 'moon-phases';
const withText = after(demo, 'changeAsset', { asset: ASSET, smallestText: 30 });

describe('text inside an image', () => {
  it('is found where it is shown smaller than 9 px, and nothing is said where the shelf does not say how high it is', () => {
    expect(found(demo)).to.deep.equal([]);
    // 30 px of 2000 are 9 px where the image is 600 px wide: in a window of 680 px.
    expect(found(withText)).to.deep.equal([
      {
        widths: [{ from: 640, to: 679 }],
        // 560 × 30 / 2000
        sentence: 'Text in Moon phases, shown by Moon phases, is as small as 8.4 px from 640 to 679 px.',
      },
    ]);
    // 20 px of 2000 are 9 px at 900 px: above 980 px in Tablet, and above 1012 px, where Desktop has begun, with margins of 56.
    const smaller = found(after(demo, 'changeAsset', { asset: ASSET, smallestText: 20 }));
    expect(smaller.map(({ widths }) => widths)).to.deep.equal([[{ from: 640, to: 979 }]]);
  });

  it('is larger where the image is cropped by a higher box', () => {
    // As high as wide, it is drawn at least 560 × 2000 / 240 px wide.
    expect(found(set(withText, 'cropRatio', 'desktop', { width: 1, height: 1 }))).to.deep.equal([]);
  });

  it('is not found where another image stands in its place, or none is shown', () => {
    expect(found(set(withText, 'source', 'tablet', 'crescent'))).to.deep.equal([]);
    expect(found(set(withText, 'shown', 'tablet', false))).to.deep.equal([]);
  });

  it('is as high as an image can hold, is forgotten with the file, and of images only', () => {
    for (const smallestText of [0, 241, Number.NaN])
      expect(attempt('changeAsset', { asset: ASSET, smallestText }).ok, String(smallestText)).to.equal(false);
    expect(attempt('changeAsset', { asset: 'turning-sky', smallestText: 10 }).ok).to.equal(false);
    expect(after(withText, 'changeAsset', { asset: ASSET, smallestText: null })).to.deep.equal(demo);
    const { hash, type, width, height } = demo.frame.assets.find(({ id }) => id === 'saturn')!;
    const other = after(withText, 'replaceAsset', { asset: ASSET, hash, type, width, height });
    expect(other.frame.assets.find(({ id }) => id === ASSET)).not.to.have.property('smallestText');
  });
});
