/** A stretch of widths; px, both ends in it. */
export interface Stretch {
  from: number;
  to: number;
}

/** The last width of a range, from `from` on, at which something is as it is there; px. It changes once in the range at most, `to` excepted. */
function lastAlike(from: number, to: number, holds: (width: number) => boolean): number {
  const first = holds(from);
  let [alike, beyond] = [from, to];
  while (beyond - alike > 1) {
    const middle = Math.floor((alike + beyond) / 2);
    if (holds(middle) === first) alike = middle;
    else beyond = middle;
  }
  return alike;
}

/** The whole widths of a range on both sides of where something turns, and the ends of the range; px, narrow to wide. */
export function marksOf(from: number, to: number, turns: readonly number[]): number[] {
  const beside = turns.flatMap((turn) => [Math.ceil(turn) - 1, Math.ceil(turn)]);
  const within = beside.filter((width) => width > from && width < to);
  return [...new Set([from, to, ...within])].sort((one, other) => one - other);
}

/**
 * The stretches of whole widths in which something holds, from `from` to `to` px, both in it. `turns` are widths, in any order, between two
 * of which it changes once at most: as what is straight there passes a limit. It is asked at few widths then, and not at each.
 */
export function stretchesWhere(
  from: number,
  to: number,
  turns: readonly number[],
  holds: (width: number) => boolean,
): Stretch[] {
  const marks = marksOf(from, to, turns);
  const stretches: Stretch[] = [];
  const add = (first: number, last: number) => {
    const before = stretches.at(-1);
    if (before && before.to >= first - 1) before.to = last;
    else stretches.push({ from: first, to: last });
  };
  for (const [index, mark] of marks.entries()) {
    const next = marks[index + 1] ?? mark;
    const [here, there] = [holds(mark), holds(next)];
    if (here === there) {
      if (here) add(mark, next);
      continue;
    }
    const last = lastAlike(mark, next, holds);
    if (here) add(mark, last);
    else add(last + 1, next);
  }
  return stretches;
}
