/** Which part of an image is seen: worked out of its crop, its zoom and its focal point, and the other way round. */

import { hundredths } from './boxes.ts';

/** A part of an image, in its own px. */
export interface Crop {
  x: number;
  y: number;
  width: number;
  height: number;
}

interface Shape {
  width: number;
  height: number;
}

/** How an element says which part is seen: the shape of the box, which the part fills; how much larger than needed it is drawn. */
export interface Cut {
  /** Width to height; undefined: as the image. */
  ratio?: number;
  /** Per cent; 100: as much is seen as the shape allows. */
  zoom: number;
  /** Per cent of what is left over, from the left and from the top (`object-position`; CSS Backgrounds 3, §2.6). */
  focus: { x: number; y: number };
}

/** Per cent; how far an image can be zoomed in. */
export const ZOOM = { least: 100, most: 800 };

/** The share of an image that must go before a part is made of it; else all of it is fetched and cut off where it is shown. */
const WORTH_CUTTING = 0.25;

/** The largest part of an image in a shape. `ratio`: width to height. */
function largest({ width, height }: Shape, ratio = width / height): Shape {
  return width / height > ratio ? { width: height * ratio, height } : { width, height: width / ratio };
}

/** The part of an image that is seen, in px of the image and parts of them. */
export function regionOf(image: Shape, { ratio, zoom, focus }: Cut): Crop {
  const whole = largest(image, ratio);
  const width = (whole.width * 100) / zoom;
  const height = (whole.height * 100) / zoom;
  return {
    x: ((image.width - width) * focus.x) / 100,
    y: ((image.height - height) * focus.y) / 100,
    width,
    height,
  };
}

const within = (least: number, value: number, most: number): number => Math.min(most, Math.max(least, value));

/**
 * How an element says that a part of an image is seen: the inverse of `regionOf`, to hundredths. Where a part is as wide or as high as the
 * image, any focal point says so; then that `before` stays. A part that reaches over the image, or is smaller than can be zoomed
 * to, becomes the nearest that can be said.
 */
export function cutOf(image: Shape, part: Crop, before: { x: number; y: number }): Required<Cut> {
  const ratio = part.width / part.height;
  const whole = largest(image, ratio);
  const share = (from: number, free: number, kept: number) =>
    free < 0.5 ? kept : hundredths(within(0, (100 * from) / free, 100));
  return {
    ratio,
    zoom: hundredths(within(ZOOM.least, (100 * whole.width) / part.width, ZOOM.most)),
    focus: {
      x: share(part.x, image.width - part.width, before.x),
      y: share(part.y, image.height - part.height, before.y),
    },
  };
}

/** The part of an image that is seen, in whole px. Undefined where it saves too little to be worth a file of its own. */
export function cropFor(image: Shape, cut: Cut): Crop | undefined {
  const seen = regionOf(image, cut);
  const left = (seen.width * seen.height) / (image.width * image.height);
  // What is drawn larger than its box needs a file of its own, however little that saves: nothing else enlarges it.
  if (cut.zoom <= ZOOM.least && 1 - left <= WORTH_CUTTING) return undefined;
  const width = Math.max(1, Math.round(seen.width));
  const height = Math.max(1, Math.round(seen.height));
  return {
    x: Math.round(((image.width - width) * cut.focus.x) / 100),
    y: Math.round(((image.height - height) * cut.focus.y) / 100),
    width,
    height,
  };
}

/** px of the image by which the edges of a part are moved; of opposite edges one at most. */
export type EdgeMoves = Partial<Record<'left' | 'right' | 'top' | 'bottom', number>>;

/** The smallest part that can be zoomed to has this share of the width and of the height of its image. */
const LEAST_SHARE = ZOOM.least / ZOOM.most;

/** Where a stretch begins that becomes so long: the end that was not moved stays, else the middle. */
function beginOf(
  from: number,
  before: number,
  length: number,
  moves: { start?: number; end?: number },
): number {
  if (moves.start !== undefined) return from + before - length;
  return moves.end === undefined ? from + (before - length) / 2 : from;
}

/** How long a stretch of an image can become with an end, or its middle, staying where it is. */
function roomOf(from: number, before: number, all: number, moves: { start?: number; end?: number }): number {
  if (moves.start !== undefined) return from + before;
  if (moves.end !== undefined) return all - from;
  return 2 * Math.min(from + before / 2, all - from - before / 2);
}

/**
 * A part of an image with its edges moved, in the image and no smaller than can be zoomed to. With `inShape` it keeps its shape: the
 * edge that was moved further decides, and what was not moved goes along about its middle.
 */
export function withEdges(image: Shape, part: Crop, moves: EdgeMoves, inShape: boolean): Crop {
  const across = { start: moves.left, end: moves.right };
  const down = { start: moves.top, end: moves.bottom };
  const [most, high] = [
    roomOf(part.x, part.width, image.width, across),
    roomOf(part.y, part.height, image.height, down),
  ];
  let width = part.width - (moves.left ?? 0) + (moves.right ?? 0);
  let height = part.height - (moves.top ?? 0) + (moves.bottom ?? 0);
  if (inShape) {
    const byWidth = width / part.width;
    const byHeight = height / part.height;
    const wanted = Math.abs(byWidth - 1) >= Math.abs(byHeight - 1) ? byWidth : byHeight;
    const least = LEAST_SHARE * Math.min(image.width / part.width, image.height / part.height);
    const factor = Math.min(most / part.width, high / part.height, Math.max(wanted, least));
    width = part.width * factor;
    height = part.height * factor;
  } else {
    width = Math.min(most, Math.max(width, LEAST_SHARE * image.width));
    height = Math.min(high, Math.max(height, LEAST_SHARE * image.height));
  }
  return {
    x: beginOf(part.x, part.width, width, across),
    y: beginOf(part.y, part.height, height, down),
    width,
    height,
  };
}

/** A part of an image moved by so many px, as far as the image goes. */
export const movedBy = (image: Shape, part: Crop, by: { x: number; y: number }): Crop => ({
  ...part,
  x: within(0, part.x + by.x, image.width - part.width),
  y: within(0, part.y + by.y, image.height - part.height),
});
