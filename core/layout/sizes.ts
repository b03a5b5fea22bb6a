import { lastOf } from '../sure.ts';
/** px; the widths in which images are made: steps of a quarter to a half, so that what is fetched is never much more than is shown. */
export const IMAGE_WIDTHS: readonly number[] = [320, 480, 640, 800, 1040, 1280, 1600, 1920, 2560];

const WIDEST = lastOf(IMAGE_WIDTHS);

/** px; the widths to make of an image that is so wide, narrow to wide: those that are narrower, and itself as far as 2560. */
export const widthsFor = (natural: number): number[] => {
  const full = Math.min(natural, WIDEST);
  return [...IMAGE_WIDTHS.filter((width) => width < full), full];
};

/** A part of an image, in its own px. */
export interface Crop {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** The share of an image that must go before a part is made of it; else all of it is fetched and cut off where it is shown. */
const WORTH_CUTTING = 0.25;

interface Shape {
  width: number;
  height: number;
}

/**
 * The part of an image that is seen in a box of a shape that it fills, with its focal point as `object-position` places it (percent
 * from the left and top; CSS Backgrounds 3, §2.6). Undefined where it saves too little to be worth a file of its own.
 */
export function cropFor(picture: Shape, box: Shape, focus: { x: number; y: number }): Crop | undefined {
  const wanted = box.width / box.height;
  const own = picture.width / picture.height;
  const seen = Math.min(wanted / own, own / wanted);
  if (1 - seen <= WORTH_CUTTING) return undefined;
  const width = Math.max(1, own > wanted ? Math.round(picture.height * wanted) : picture.width);
  const height = Math.max(1, own > wanted ? picture.height : Math.round(picture.width / wanted));
  return {
    x: Math.round(((picture.width - width) * focus.x) / 100),
    y: Math.round(((picture.height - height) * focus.y) / 100),
    width,
    height,
  };
}
