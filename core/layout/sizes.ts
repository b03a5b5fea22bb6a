import { lastOf } from '../sure.ts';
/** px; the widths in which images are made: steps of a quarter to a half, so that what is fetched is never much more than is shown. */
export const IMAGE_WIDTHS: readonly number[] = [320, 480, 640, 800, 1040, 1280, 1600, 1920, 2560];

const WIDEST = lastOf(IMAGE_WIDTHS);

/** px; the widths to make of an image that is so wide, narrow to wide: those that are narrower, and itself as far as 2560. */
export const widthsFor = (natural: number): number[] => {
  const full = Math.min(natural, WIDEST);
  return [...IMAGE_WIDTHS.filter((width) => width < full), full];
};
