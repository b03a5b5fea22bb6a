import { knownProperty } from '../../elements/propertytable.ts';
import { takes } from '../../site/applies.ts';
import { callOf } from '../../edits/perform.ts';
import type { Asset } from '../../theme/resources.ts';
import { resolve } from '../../values/trace.ts';
import type { Fix } from '../finding.ts';
import type { LaidElement } from './textlayout.ts';
import { AS_PRACTICE, type Detected, type LaidPage, type MeasuredRule } from './rule.ts';

/** An image that is shown larger by more than that looks soft. */
const SOFT = 1.05;

/** Less of an image than that is another picture. */
const SHOWN = 0.5;

interface ShownPicture {
  element: LaidElement;
  asset: Asset;
  /** px of the screen for a px of the picture. */
  scale: number;
  /** The share of it that can be seen. */
  share: number;
}

/** The images of the shelf as they are shown, but for drawings, which have no px. */
function shownPictures({ site, page, view, laid }: LaidPage): ShownPicture[] {
  const source = knownProperty('source');
  return laid.elements.flatMap((element): ShownPicture[] => {
    const node = page.nodes[element.node];
    if (!element.picture || !takes(node.kind, source)) return [];
    const id = resolve(site, page, node, source, view.id);
    const asset = site.assets.find((each) => each.id === id);
    if (!asset?.width || !asset.height || asset.type === 'image/svg+xml') return [];
    const { width, height, fit } = element.picture;
    const [across, down] = [width / asset.width, height / asset.height];
    const scale = fit === 'cover' ? Math.max(across, down) : Math.min(across, down);
    const share = (Math.min(1, across / scale) || 0) * (Math.min(1, down / scale) || 0);
    return [{ element, asset, scale, share }];
  });
}

/** Images are not shown larger than they are. */
export const enlargedImages: MeasuredRule = {
  name: 'image enlarged beyond its pixels',
  clauses: AS_PRACTICE,
  severity: 'advice',
  find: (page) =>
    shownPictures(page)
      .filter(({ scale }) => scale > SOFT)
      .map(({ element: { node }, asset, scale }): Detected => ({
        ...{ node, amount: scale },
        sentence: `{name} shows ${asset.name} up to ${Math.round(100 * scale)} % of its size {widths}: it looks soft.`,
        cure: `It has ${asset.width} × ${asset.height} px. Choose a larger image, or show it smaller.`,
      })),
};

function whole({ page, view }: LaidPage, id: LaidElement['node']): Fix[] {
  if (!takes(page.nodes[id].kind, knownProperty('fit'))) return [];
  const call = callOf('setValue', {
    ...{ nodes: [id], property: 'fit', view: view.id },
    ...{ value: 'contain', reach: 'here' as const },
  });
  return [{ label: `Show all of it in ${view.name}`, call }];
}

/** At least half of an image can be seen. */
export const croppedImages: MeasuredRule = {
  name: 'image cropped by more than half',
  clauses: AS_PRACTICE,
  severity: 'advice',
  find: (page) =>
    shownPictures(page)
      .filter(({ share }) => share < SHOWN)
      .map(({ element: { node }, asset, share }): Detected => ({
        ...{ node, amount: 1 - share },
        sentence: `{name} shows ${Math.round(100 * share)} % of ${asset.name} {widths}.`,
        cure: 'Give it another aspect ratio there, or an image made for it.',
        fixes: whole(page, node),
      })),
};
