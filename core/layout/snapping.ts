import type { Axis } from './areas.ts';
import { hundredths, near, type Box } from './boxes.ts';

/** A column or a row as it was laid out; px. */
export interface Track {
  start: number;
  end: number;
}

/** A line that things snap to, px, and what it belongs to, in words. */
export interface SnapLine {
  at: number;
  of: string;
}

/** A line that a thing has snapped to. */
export interface Guide extends SnapLine {
  axis: Axis;
}

/** Where something stands on tracks: the first of them, 0-based, and how far in from its start; px. */
export interface OnTracks {
  track: number;
  offset: number;
}

/** The track that a point stands in or behind, and how far from its start; what stands before all is before the first. */
export function trackAt(tracks: readonly Track[], at: number): OnTracks {
  const track = Math.max(
    0,
    tracks.findLastIndex(({ start }) => start <= at || near(start, at)),
  );
  const offset = at - tracks[track].start;
  return { track, offset: near(offset, 0) ? 0 : hundredths(offset) };
}

/** The track whose start is nearest to a point; 0-based. */
export const nearestStart = (tracks: readonly Track[], at: number): number =>
  tracks.reduce(
    (best, { start }, index) => (Math.abs(start - at) < Math.abs(tracks[best].start - at) ? index : best),
    0,
  );

/** The track whose end is nearest to a point; 0-based. */
export const nearestEnd = (tracks: readonly Track[], at: number): number =>
  tracks.reduce(
    (best, { end }, index) => (Math.abs(end - at) < Math.abs(tracks[best].end - at) ? index : best),
    0,
  );

/** Tracks with as many more of a length behind them as it takes to reach a point. */
export function continued(tracks: readonly Track[], length: number, to: number): Track[] {
  const all = [...tracks];
  while ((all.at(-1)?.end ?? 0) <= to) {
    const start = all.at(-1)?.end ?? 0;
    all.push({ start, end: start + length });
  }
  return all;
}

/**
 * A stretch moved so that its start, its middle or its end lies on the nearest of some lines, where one is near enough; px. Of lines
 * equally near, the first.
 */
export function snapped(
  { start, length }: { start: number; length: number },
  lines: readonly SnapLine[],
  within: number,
): { start: number; line?: SnapLine } {
  let best: { by: number; line: SnapLine } | undefined;
  for (const line of lines)
    for (const point of [start, start + length / 2, start + length]) {
      const by = line.at - point;
      if (Math.abs(by) <= within && (!best || Math.abs(by) < Math.abs(best.by) - 1e-6)) best = { by, line };
    }
  return best ? { start: start + best.by, line: best.line } : { start };
}

/** The edges and the middle of boxes by name, and those of what they stand in, as lines along an axis. */
export function linesOf(
  axis: Axis,
  boxes: readonly { name: string; box: Box }[],
  container: { name: string; length: number },
): SnapLine[] {
  const words = axis === 'across' ? ['start', 'centre', 'end'] : ['top', 'middle', 'bottom'];
  const three = (start: number, length: number, name: string): SnapLine[] =>
    [start, start + length / 2, start + length].map((at, index) => ({ at, of: `${name}, ${words[index]}` }));
  return [
    ...boxes.flatMap(({ name, box }) =>
      axis === 'across' ? three(box.left, box.width, name) : three(box.top, box.height, name),
    ),
    ...three(0, container.length, container.name),
  ];
}

/** What is drawn along one axis: where it stood, how far it was drawn, and what it snaps to. */
export interface Drawn {
  start: number;
  length: number;
  by: number;
  tracks: readonly Track[];
  lines: readonly SnapLine[];
  /** px; lines so near are snapped to. */
  within: number;
  /** It takes whole tracks. */
  whole: boolean;
  /** It snaps to nothing. */
  free: boolean;
}

/** Where something that is drawn along an axis comes to stand: on a line that is near, else on the nearest track; free, just there. */
export function drawnTo({ start, length, by, tracks, lines, within, whole, free }: Drawn): OnTracks & {
  line?: SnapLine;
} {
  const wanted = start + by;
  if (whole) return { track: nearestStart(tracks, wanted), offset: 0 };
  if (free) return trackAt(tracks, wanted);
  const { start: at, line } = snapped({ start: wanted, length }, lines, within);
  return line ? { ...trackAt(tracks, at), line } : { track: nearestStart(tracks, wanted), offset: 0 };
}
