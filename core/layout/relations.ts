import { bottom, right, type Box } from './boxes.ts';

/** px; boxes that share less than this along an axis only touch. */
export const TOUCH = 1;

/** Returns the px that two boxes share across; negative: how far apart they are. */
export const sharedAcross = (one: Box, other: Box): number =>
  Math.min(right(one), right(other)) - Math.max(one.left, other.left);

/** Returns the px that two boxes share down the page; negative: how far apart they are. */
export const sharedDown = (one: Box, other: Box): number =>
  Math.min(bottom(one), bottom(other)) - Math.max(one.top, other.top);

/** Returns the share of the smaller of two boxes that the other covers: 0 to 1. */
export function covered(one: Box, other: Box): number {
  const [across, down] = [sharedAcross(one, other), sharedDown(one, other)];
  if (across <= TOUCH || down <= TOUCH) return 0;
  const least = Math.min(one.width * one.height, other.width * other.height);
  return least > 0 ? (across * down) / least : 0;
}

/** Whether one box is entirely above another and shares a stretch across with it. */
export const isAbove = (one: Box, other: Box): boolean =>
  sharedAcross(one, other) > TOUCH && bottom(one) <= other.top + TOUCH && one.top < other.top;

/** Whether two boxes are on the same lines: most of the lower one's height is beside the other. */
export const isBeside = (one: Box, other: Box): boolean =>
  sharedAcross(one, other) <= TOUCH &&
  sharedDown(one, other) > Math.max(TOUCH, Math.min(one.height, other.height) / 2);

/** Whether one box is entirely before another on the same lines. */
export const isBefore = (one: Box, other: Box): boolean => isBeside(one, other) && one.left < other.left;

/** From this share of the smaller box on, two boxes overlap on purpose. */
const OVERLAP = 0.02;

/** Whether two boxes overlap on purpose. */
export const overlie = (one: Box, other: Box): boolean => covered(one, other) > OVERLAP;

/** px; a box up to this high and wide may be an icon that belongs to the line beside it. */
const ICON = 48;

/** Whether a box is small enough for an icon. */
export const isIcon = ({ width, height }: Box): boolean => width <= ICON && height <= ICON;

/** Whether an icon belongs to a line: it is at the start or the end of it, at its height, nearer than the icon is wide. */
export function isIconOf(icon: Box, line: Box): boolean {
  if (!isIcon(icon) || isIcon(line)) return false;
  const gap = Math.max(line.left - right(icon), icon.left - right(line));
  return gap >= -TOUCH && gap <= Math.max(ICON / 2, icon.width) && sharedDown(icon, line) > icon.height / 2;
}

/** Whether two boxes belong together: they overlap, or one is the icon of the other. */
export const belongTogether = (one: Box, other: Box): boolean =>
  sharedDown(one, other) > 0 && (overlie(one, other) || isIconOf(one, other) || isIconOf(other, one));

/**
 * Returns, for boxes by their index, which belong together: those that overlap, and an icon with the line nearest to it, of those that it
 * may belong to.
 */
export function belonging(boxes: readonly Box[]): (one: number, other: number) => boolean {
  const gap = (icon: Box, line: Box) => Math.max(line.left - right(icon), icon.left - right(line));
  const nearest = boxes.map((icon) =>
    Math.min(...boxes.filter((line) => isIconOf(icon, line)).map((line) => gap(icon, line))),
  );
  const isOwn = (icon: number, line: number) =>
    isIconOf(boxes[icon], boxes[line]) && gap(boxes[icon], boxes[line]) <= nearest[icon] + TOUCH;
  return (one, other) =>
    sharedDown(boxes[one], boxes[other]) > 0 &&
    (overlie(boxes[one], boxes[other]) || isOwn(one, other) || isOwn(other, one));
}

/** Returns the connected groups of things of which some belong together, each in the order of the list. */
export function clustered<T>(things: readonly T[], together: (one: T, other: T) => boolean): T[][] {
  const clusters: T[][] = [];
  const left = new Set(things.keys());
  for (const first of things.keys()) {
    if (!left.delete(first)) continue;
    const cluster = [first];
    for (const each of cluster)
      for (const other of left)
        if (together(things[each], things[other])) {
          left.delete(other);
          cluster.push(other);
        }
    clusters.push(cluster.sort((one, other) => one - other).map((index) => things[index]));
  }
  return clusters;
}
