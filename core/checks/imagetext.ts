import { viewAt, type ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import type { MediaAsset } from '../theme/resources.ts';
import { measureAt } from '../type/measure.ts';
import { stretchesWhere } from '../type/stretches.ts';
import { drawnWidth } from '../values/drawn.ts';
import { imagesShown } from '../values/shownimages.ts';
import { measureTurns } from '../values/textcurves.ts';
import { viewsNamed } from '../edits/values/textbyview.ts';
import { hiddenBy } from '../values/visibility.ts';
import { widthsIn, type Widths } from '../values/widths.ts';
import { viewsAcross, wideAll, type Found } from './finding.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { NARROWEST, px, WIDEST } from './widths.ts';

/** px; text in an image that is shown smaller is not read (common practice). */
const SMALLEST_IN_IMAGES = 9;

/** An image that an element shows, and in which views. */
interface Shown {
  image: MediaAsset;
  /** px of the file. */
  smallestText: number;
  views: ViewId[];
}

/** The images with text that an element shows. */
function shownBy(site: SiteFrame, page: Page, node: Node): Shown[] {
  const shown = new Map<string, Shown>();
  for (const { id: view } of site.views.list) {
    if (hiddenBy(site, page, node, view) !== undefined) continue;
    for (const { asset } of imagesShown(site, page, node, view)) {
      const { id, smallestText } = asset;
      if (smallestText === undefined) continue;
      const before = shown.get(id);
      if (before) before.views.push(view);
      else shown.set(id, { image: asset, smallestText, views: [view] });
    }
  }
  return [...shown.values()];
}

function found(
  site: SiteFrame,
  page: Page,
  widths: Widths,
  node: Node,
  { image, smallestText, views }: Shown,
): Found[] {
  const input = { site, page, widths };
  const drawn = new Map(views.map((view) => [view, drawnWidth(input, node, view, image)]));
  const turns = measureTurns(site, (view) => drawn.get(view) ?? { vw: 0, px: 0 });
  /** px; how high the text is at a width; undefined where the image is not shown. */
  const height = (width: number): number | undefined => {
    const measure = drawn.get(viewAt(site.views, width).id);
    return measure && (smallestText * measureAt(measure, width)) / image.width;
  };
  const limits = site.views.list.map(({ from }) => from);
  const small = stretchesWhere(
    NARROWEST,
    WIDEST,
    [...turns, ...limits],
    (width) => (height(width) ?? SMALLEST_IN_IMAGES) < SMALLEST_IN_IMAGES,
  );
  if (small.length === 0) return [];
  const least = Math.min(
    ...small.flatMap(({ from, to }) => [height(from) ?? Infinity, height(to) ?? Infinity]),
  );
  const where = viewsNamed(site, viewsAcross(site, small));
  return [
    {
      of: { node: node.id },
      widths: small,
      sentence: `Text in ${image.name}, shown by ${node.name}, is as small as ${px(Math.round(least * 10) / 10)} ${wideAll(small)}.`,
      cure: `In ${where}, choose another image with larger text or none, or show it wider.`,
    },
  ];
}

/** Text inside an image can be read at every width, as far as the shelf says how high it is. */
export const imageText: Rule = {
  name: 'small text in an image',
  clause: PRACTICE,
  severity: 'advice',
  find({ site, page }) {
    if (!site.assets.some(({ smallestText }) => smallestText !== undefined)) return [];
    const widths = widthsIn(site, page);
    return sourceOrder(page).flatMap((node) =>
      shownBy(site, page, node).flatMap((shown) => found(site, page, widths, node, shown)),
    );
  },
};
