/** Which of a set of alternates shows: the one that is wanted; the first, where that is none of them or none is wanted. */
export const shownOf = <Id>(alternates: readonly Id[], wanted: Id | undefined): Id | undefined =>
  wanted !== undefined && alternates.includes(wanted) ? wanted : alternates[0];

/** The letter of an alternate by its place: 0 → A, 25 → Z, 26 → AA. */
export function letterOf(place: number): string {
  const last = String.fromCharCode(65 + (place % 26));
  return place < 26 ? last : letterOf(Math.floor(place / 26) - 1) + last;
}
