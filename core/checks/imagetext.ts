import { hasTrait } from '../elements/kinds/table.ts';
import { NO_IMAGE } from '../elements/valuetypes/image.ts';
import { viewAt, viewOf, type ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { isImage, type MediaAsset } from '../theme/resources.ts';
import { measureAt } from '../type/measure.ts';
import { stretchesWhere } from '../type/stretches.ts';
import { drawnWidth } from '../values/drawn.ts';
import { textIn } from '../values/textbyview.ts';
import { measureTurns } from '../values/textcurves.ts';
import { valueIn } from '../values/trace.ts';
import { hiddenBy } from '../values/visibility.ts';
import { widthsIn, type Widths } from '../values/widths.ts';
import { wide, type Found } from './finding.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { NARROWEST, px, WIDEST } from './widths.ts';

/** px; text in an image that is shown smaller is not read (common practice). */
const SMALLEST_IN_IMAGES = 9;

type WithText = MediaAsset & { smallestText: number };

/** The images with text that an element shows in a view. */
function shownIn(site: SiteFrame, page: Page, node: Node, view: ViewId): WithText[] {
  if (hiddenBy(site, page, node, view) !== undefined) return [];
  const ids = hasTrait(node, 'tiled')
    ? textIn<{ picture: string }[]>(node, site.views, 'pictures', view).map(({ picture }) => picture)
    : [valueIn(site, page, node, 'source', view) ?? NO_IMAGE];
  return site.assets
    .filter(isImage)
    .flatMap((asset) =>
      ids.includes(asset.id) && asset.smallestText !== undefined
        ? [{ ...asset, smallestText: asset.smallestText }]
        : [],
    );
}

function found(site: SiteFrame, page: Page, widths: Widths, node: Node, image: WithText): Found[] {
  const input = { site, page, widths };
  const views = site.views.list
    .map(({ id }) => id)
    .filter((view) => shownIn(site, page, node, view).some(({ id }) => id === image.id));
  const drawn = new Map(views.map((view) => [view, drawnWidth(input, node, view, image)]));
  const turns = measureTurns(site, (view) => drawn.get(view) ?? { vw: 0, px: 0 });
  /** px; how high the text is at a width; undefined where the image is not shown. */
  const height = (width: number): number | undefined => {
    const measure = drawn.get(viewAt(site.views, width).id);
    return measure && (image.smallestText * measureAt(measure, width)) / image.width;
  };
  const limits = site.views.list.map(({ from }) => from);
  const small = stretchesWhere(
    NARROWEST,
    WIDEST,
    [...turns, ...limits],
    (width) => (height(width) ?? SMALLEST_IN_IMAGES) < SMALLEST_IN_IMAGES,
  );
  if (small.length === 0) return [];
  const [first] = small;
  const least = Math.min(
    ...small.flatMap(({ from, to }) => [height(from) ?? Infinity, height(to) ?? Infinity]),
  );
  const { name } = viewOf(site.views, viewAt(site.views, first.from).id);
  return [
    {
      of: { node: node.id },
      widths: small,
      sentence: `Text in ${image.name}, shown by ${node.name}, is down to ${px(Math.round(least * 10) / 10)} high ${wide(first)}.`,
      cure: `Choose another image in ${name}, with larger text or none, or show it wider there.`,
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
    return sourceOrder(page)
      .filter((node) => hasTrait(node, 'picture') || hasTrait(node, 'tiled'))
      .flatMap((node) => {
        const images = site.views.list.flatMap(({ id }) => shownIn(site, page, node, id));
        const each = new Map(images.map((image) => [image.id, image]));
        return [...each.values()].flatMap((image) => found(site, page, widths, node, image));
      });
  },
};
