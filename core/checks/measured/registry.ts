import { beforeWindow, beyondWindow } from './outside.ts';
import { coveredFocus, tallSections, tallStaying } from './heights.ts';
import { brokenWords, cutWords, wordsAtEdges, wordsOverWords } from './cuttext.ts';
import { readingAgainstSeeing } from './order.ts';
import { overlaps } from './overlaps.ts';
import { croppedImages, enlargedImages } from './images.ts';
import { emptyRooms, unevenRows } from './rooms.ts';
import type { MeasuredRule } from './rule.ts';
import { closeTargets, smallTargets, tightTargets } from './targets.ts';

/** Every rule on a page as a browser lays it out, what keeps somebody out first. */
export const MEASURED_RULES: readonly MeasuredRule[] = [
  beyondWindow,
  beforeWindow,
  cutWords,
  wordsOverWords,
  smallTargets,
  coveredFocus,
  overlaps,
  wordsAtEdges,
  tightTargets,
  closeTargets,
  tallSections,
  tallStaying,
  enlargedImages,
  croppedImages,
  emptyRooms,
  unevenRows,
  brokenWords,
  readingAgainstSeeing,
];
