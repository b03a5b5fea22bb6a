/** Where the edges of something lie; px. */
export interface Edges {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** The width between two edges, in px. */
export const widthOf = ({ left, right }: Edges): number => right - left;
/** The height between two edges, in px. */
export const heightOf = ({ top, bottom }: Edges): number => bottom - top;

/** px that two boxes have in common across, and down; negative: so far apart. */
export const commonAcross = (one: Edges, other: Edges): number =>
  Math.min(one.right, other.right) - Math.max(one.left, other.left);
/** px of the height that two boxes have in common; negative where they are apart. */
export const commonDown = (one: Edges, other: Edges): number =>
  Math.min(one.bottom, other.bottom) - Math.max(one.top, other.top);

/** Pairs of boxes that may touch: `nearer` px apart downwards at most. Each pair once, the upper one first. */
export function* pairs<T extends Edges>(boxes: readonly T[], nearer = 0): Generator<[T, T]> {
  const sorted = [...boxes].sort((one, other) => one.top - other.top);
  for (const [index, one] of sorted.entries())
    for (let next = index + 1; next < sorted.length && sorted[next].top < one.bottom + nearer; next += 1)
      yield [one, sorted[next]];
}

/** px as they are told. */
export const distanceText = (length: number): string => `${Math.max(1, Math.round(length))} px`;

/** What of one box lies in another. */
export const inside = (one: Edges, other: Edges): Edges => ({
  left: Math.max(one.left, other.left),
  top: Math.max(one.top, other.top),
  right: Math.min(one.right, other.right),
  bottom: Math.min(one.bottom, other.bottom),
});
