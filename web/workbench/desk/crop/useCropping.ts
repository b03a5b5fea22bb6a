import { useState } from 'react';
import {
  ASPECT_RATIOS,
  cutOf,
  fillsArea,
  hundredths,
  knownProperty,
  movedBy,
  regionOf,
  resolve,
  withEdges,
  type Crop,
  type EdgeMoves,
  type MediaAsset,
  type Node,
  type Page,
  type Point,
  type Ratio,
  type SiteFrame,
  type ViewId,
} from '../../../../core/index.ts';
import { edit } from '../../../state/edits.ts';
import { croppingSet } from '../../../state/desk.ts';
import { useAppDispatch, type Thunk } from '../../../state/store.ts';

/** The shape of a part: `auto` as the image, `free` as it was drawn, `area` that of the area that the image fills; or one as in 3:2. */
export type CropShape = string;

/** What is seen of an image while its crop is changed. */
interface Cropped {
  part: Crop;
  focus: Point;
  shape: CropShape;
}

export interface CropOf {
  site: SiteFrame;
  page: Page;
  node: Node;
  view: ViewId;
  image: MediaAsset;
  /** px; the box of the image on the page. */
  box: { width: number; height: number };
}

const ratioType = knownProperty('cropRatio').type;

const valueOf = (shape: string): Exclude<Ratio, 'auto'> => {
  const [width, height] = shape.split(':').map(Number);
  return { width, height };
};

/** What is seen of the image by its values. */
function croppedNow({ site, page, node, view, image, box }: CropOf): Cropped {
  const value = <N extends 'cropRatio' | 'zoom' | 'focalPoint' | 'fit'>(name: N) =>
    resolve(site, page, node, knownProperty(name), view);
  const filling = fillsArea(site, page, node, view);
  const set = value('cropRatio');
  const focus = value('focalPoint');
  // What is shown whole begins with all of it.
  const whole = value('fit') !== 'cover';
  const own = set === 'auto' || whole ? undefined : set.width / set.height;
  const ratio = filling ? box.width / box.height : own;
  const label = set === 'auto' || whole ? 'auto' : ratioType.format(set, { site });
  const named = label === 'auto' || ASPECT_RATIOS.includes(label) ? label : 'free';
  return {
    part: regionOf(image, { ratio, zoom: whole ? 100 : value('zoom'), focus }),
    focus,
    shape: filling ? 'area' : named,
  };
}

/** The crop of an image while it is changed, and what changes it. */
export function useCropping(of: CropOf, onLeave: () => void) {
  const { node, view, image } = of;
  const dispatch = useAppDispatch();
  const [before] = useState(() => croppedNow(of));
  const [now, setNow] = useState(before);
  const { part, focus, shape } = now;
  const cut = cutOf(image, part, focus);

  const take = (next: Crop, to = shape) =>
    setNow({ part: next, focus: cutOf(image, next, focus).focus, shape: to });
  const keepsShape = shape !== 'free';

  const actions = {
    /** `by`: px of the image. `from`: the part when the move began. */
    move: (by: Point, from = part) => take(movedBy(image, from, by)),
    /** Moves edges; one alone makes a part as the image a free one. */
    edges(moves: EdgeMoves, from = part) {
      const frees = shape === 'auto' && Object.keys(moves).length === 1;
      take(withEdges(image, from, moves, keepsShape && !frees), frees ? 'free' : shape);
    },
    /** Zooms so far, per cent, about the middle of what is seen. */
    zoom(percent: number) {
      const wanted = (part.width * cut.zoom) / percent;
      const right = wanted - part.width;
      const { width, height } = withEdges(image, { ...part, x: 0, y: 0 }, { right, bottom: 0 }, true);
      const [x, y] = [part.x + (part.width - width) / 2, part.y + (part.height - height) / 2];
      take(movedBy(image, { x, y, width, height }, { x: 0, y: 0 }));
    },
    /** Takes a shape, with as much of the image as before about the focal point. */
    take(to: CropShape) {
      if (to === 'free') return setNow({ ...now, shape: to });
      const value = to === 'auto' ? undefined : valueOf(to);
      const ratio = value && value.width / value.height;
      setNow({ part: regionOf(image, { ratio, zoom: cut.zoom, focus }), focus, shape: to });
    },
    /** The point that stays in sight: what is seen moves with it. */
    aim(to: Point) {
      const at = {
        x: Math.min(100, Math.max(0, hundredths(to.x))),
        y: Math.min(100, Math.max(0, hundredths(to.y))),
      };
      const x = ((image.width - part.width) * at.x) / 100;
      setNow({ ...now, focus: at, part: { ...part, x, y: ((image.height - part.height) * at.y) / 100 } });
    },
    /** All of the image that its shape allows. */
    whole() {
      const ratio = shape === 'area' ? part.width / part.height : undefined;
      const all = regionOf(image, { ratio, zoom: 100, focus });
      setNow({ part: all, focus, shape: shape === 'area' ? shape : 'auto' });
    },
  };

  /** Keeps what was changed, with the reach that is chosen now; what was only looked at is nobody’s edit. */
  const kept: Thunk = (send, getState) => {
    // It was given up, or kept already.
    if (getState().desk.cropping === null) return;
    send(croppingSet(null));
    if (now === before) return;
    const drawn: Ratio =
      cut.ratio >= 1
        ? { width: hundredths(cut.ratio), height: 1 }
        : { width: 1, height: hundredths(1 / cut.ratio) };
    const ratio = shape === 'auto' || shape === 'area' ? 'auto' : shape === 'free' ? drawn : valueOf(shape);
    const { reach } = getState().desk;
    send(edit('cropImage', { node: node.id, view, reach, ratio, zoom: cut.zoom, focus: cut.focus }));
  };
  return {
    ...now,
    zoomed: cut.zoom,
    /** As it is now, to go back to. */
    now,
    restore: setNow,
    ...actions,
    keep: () => dispatch(kept),
    done() {
      dispatch(kept);
      onLeave();
    },
    cancel() {
      dispatch(croppingSet(null));
      onLeave();
    },
  };
}

export type Cropping = ReturnType<typeof useCropping>;
