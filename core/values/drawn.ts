import { knownProperty } from '../elements/propertytable.ts';
import type { ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { ZOOM } from '../layout/crop.ts';
import { greatest, pixels, times, type Measure } from '../type/measure.ts';
import { fillsArea, leastAreaHeight } from './areas.ts';
import { resolve } from './trace.ts';
import type { Widths } from './widths.ts';

/** The shape of an image, or of the part of it that is shown; px. */
interface Shape {
  width: number;
  height: number;
}

/**
 * How wide an image is drawn in an element in a view, what is cropped of it included: the whole of it, or of the part `of` that is shown
 * as a file of its own. In an area that it fills it is at least as wide as it has to be to fill it.
 */
export function drawnWidth(
  { site, page, widths }: { site: SiteFrame; page: Page; widths: Widths },
  node: Node,
  view: ViewId,
  image: Shape,
  of: Shape = image,
): Measure {
  const ratio = resolve(site, page, node, knownProperty('cropRatio'), view);
  const fills = resolve(site, page, node, knownProperty('fit'), view) === 'cover';
  const filling = fillsArea(site, page, node, view);
  const box = ratio === 'auto' ? of : ratio;
  const covering =
    fills && !filling ? { box: box.width / box.height, picture: of.width / of.height } : undefined;
  const plain = widths.pictureWidth(node.id, view, image.width, covering);
  const high = filling && fills ? leastAreaHeight(site, page, node, view) : 0;
  const drawn = high > 0 ? greatest(plain, pixels((high * image.width) / image.height)) : plain;
  // A part that is a file of its own is what the zoom shows.
  const zoom = resolve(site, page, node, knownProperty('zoom'), view);
  return fills && of === image && zoom > ZOOM.least ? times(drawn, zoom / 100) : drawn;
}
