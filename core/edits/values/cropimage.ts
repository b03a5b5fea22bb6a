import type { EditReach } from '../../layered/change.ts';
import type { ViewId } from '../../layered/views.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import type { Point, Ratio } from '../../elements/valuetypes/geometry.ts';
import { ZOOM } from '../../layout/crop.ts';
import { decimals } from '../../type/fluid.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { fillsArea } from '../../values/areas.ts';
import type { Command } from '../command.ts';
import { found } from './aim.ts';
import { describeReach } from './textbyview.ts';
import { setDiffering } from './values.ts';

export interface CropImage {
  node: NodeId;
  view: ViewId;
  reach: EditReach;
  /** Not looked at where the image fills an area of an overlay: it has the shape of that. */
  ratio: Ratio;
  /** Per cent. */
  zoom: number;
  focus: Point;
}

/** Says which part of an image is seen in a view, in one step: its shape, how large, and where. */
export const cropImage: Command<CropImage> = {
  run(site, page, { node, view, reach, ratio, zoom, focus }, pages): Outcome<string> {
    const nodes = found(page, [node]);
    if (!nodes.ok) return nodes;
    const filling = fillsArea(site, page, nodes.value[0], view);
    const shape = filling ? {} : { cropRatio: ratio };
    // An image that is shown whole is not cropped.
    const fit = ratio === 'auto' && zoom === ZOOM.least && !filling ? {} : { fit: 'cover' };
    const values = { ...shape, ...fit, zoom, focalPoint: focus };
    const set = setDiffering(site, page, { node, values, view, reach }, pages);
    if (!set.ok) return set;
    if (set.value === 0) return refused('This part is shown already; nothing was changed.');
    const shown = [
      ...(filling || ratio === 'auto' ? [] : [knownProperty('cropRatio').type.format(ratio, { site })]),
      ...(zoom === ZOOM.least ? [] : [`zoom ${decimals(zoom)} %`]),
    ].join(', ');
    const what = shown !== '' ? `crop ${shown}` : filling ? 'crop changed' : 'the whole image is shown';
    return done(`${nodes.value[0].name}: ${what} ${describeReach(site, view, reach)}`);
  },
};
